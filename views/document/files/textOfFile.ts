/** The text of a file a user brings, refused early where it cannot be read or cannot be a layout. */
import { asSentences, fileTooLarge, textOfBytes } from "../../../core/exchange/fileBytes";
import { MOST_FILE_BYTES } from "../../../core/format/limits";
import { refused, type Result } from "../../../core/engine/result";

export async function textOfFile(file: Pick<File, "size" | "arrayBuffer">): Promise<Result<string>> {
  if (file.size > MOST_FILE_BYTES) return asSentences(refused("", fileTooLarge(file.size)));
  try {
    return asSentences(textOfBytes(new Uint8Array(await file.arrayBuffer())));
  } catch {
    return refused("", "The browser cannot read the file. It may have been moved, changed or locked. Choose it again.");
  }
}
