/** The text of a file a user brings, refused early where it cannot be read or cannot be a layout. */
import { fileTooLarge, textOfBytes } from "../../core/exchange/fileBytes";
import { MOST_FILE_BYTES } from "../../core/format/limits";
import { refused, type Result } from "../../core/engine/result";

/** As a sentence of its own. */
const told = (result: Result<string>): Result<string> =>
  result.ok ? result : { ok: false, problems: result.problems.map((p) => ({ ...p, message: `${p.message[0].toUpperCase()}${p.message.slice(1)}.` })) };

export async function textOfFile(file: Pick<File, "size" | "arrayBuffer">): Promise<Result<string>> {
  if (file.size > MOST_FILE_BYTES) return told(refused("", fileTooLarge(file.size)));
  try {
    return told(textOfBytes(new Uint8Array(await file.arrayBuffer())));
  } catch {
    return refused("", "The browser cannot read the file: it may have been moved, changed or locked since it was chosen. Choose it again.");
  }
}
