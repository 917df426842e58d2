/** The text of a file a user brings, refused early where it cannot be read or cannot be a layout. */
import { MOST_FILE_BYTES } from "../../core/format/limits";
import { ok, refused, type Result } from "../../core/engine/result";

export async function textOfFile(file: Pick<File, "size" | "arrayBuffer">): Promise<Result<string>> {
  const mib = (bytes: number) => `${(bytes / 1048576).toFixed(1)} MiB`;
  if (file.size > MOST_FILE_BYTES) return refused("", `The file holds ${mib(file.size)}; a layout holds at most ${mib(MOST_FILE_BYTES)}, pictures and all.`);
  if (file.size === 0) return refused("", "The file is empty.");
  let bytes: Uint8Array;
  try {
    bytes = new Uint8Array(await file.arrayBuffer());
  } catch {
    return refused("", "The browser cannot read the file: it may have been moved, changed or locked since it was chosen. Choose it again.");
  }
  const known = pictureKind(bytes);
  if (known) return refused("", `This is a ${known} picture; a layout file is a text ending in .nodulum.json.`);
  try {
    return ok(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    return refused("", "This is not a text in UTF-8; a layout file is one, ending in .nodulum.json.");
  }
}

/** A picture by its first bytes (PNG, JPEG, GIF and RIFF/WebP signatures), or null. */
function pictureKind(bytes: Uint8Array): string | null {
  const starts = (...signature: number[]) => signature.every((b, i) => bytes[i] === b);
  if (starts(0x89, 0x50, 0x4e, 0x47)) return "PNG";
  if (starts(0xff, 0xd8, 0xff)) return "JPEG";
  if (starts(0x47, 0x49, 0x46, 0x38)) return "GIF";
  return starts(0x52, 0x49, 0x46, 0x46) ? "WebP" : null;
}
