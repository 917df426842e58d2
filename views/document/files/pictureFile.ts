"use client";
/** Reads a picture that the user chose: checked for type, size and for being a picture at all, before anything takes it. */
import { ok, refused, type Result } from "../../../core/engine/result";
import { canBeShown, pictureProblem, type PictureType } from "../../../core/format/pictures/picture";
import { bringCleaner, cleanSvg } from "../../canvas/images";

export interface PictureFile<T extends PictureType> {
  readonly name: string;
  readonly type: T;
  readonly data: string;
}

/** The bytes of a file in base64. */
async function base64Of(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = "";
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
}

/** Whether the browser can decode it. */
async function decodes(type: string, data: string): Promise<boolean> {
  const image = new Image();
  image.src = `data:${type};base64,${data}`;
  try {
    await image.decode();
    return image.naturalWidth > 0 && image.naturalHeight > 0;
  } catch {
    return false;
  }
}

const WORDS: Readonly<Record<string, string>> = { "image/png": "PNG", "image/webp": "WebP", "image/jpeg": "JPEG", "image/svg+xml": "SVG" };

/** Reads a file as a picture of one of some types, of at most this many bytes. */
export async function readPicture<T extends PictureType>(file: File, types: readonly T[], mostBytes: number): Promise<Result<PictureFile<T>>> {
  const type = types.find((t) => t === file.type);
  const wanted = types.map((t) => WORDS[t] ?? t).join(", ");
  if (!type) return refused(file.name, `is not a usable picture; choose one of ${wanted}`);
  if (file.size > mostBytes) return refused(file.name, `is too large: ${kib(file.size)}; at most ${kib(mostBytes)}. Save it smaller, or as WebP`);
  if (type === "image/svg+xml") {
    await bringCleaner();
    const clean = cleanSvg(await file.text());
    if (!/<svg[\s>]/.test(clean)) return refused(file.name, "is damaged: it contains no SVG drawing");
    const bare = clean.replace(/<svg(?![^>]*xmlns=)/, '<svg xmlns="http://www.w3.org/2000/svg"');
    return sound(file.name, type, await base64Of(new Blob([bare])));
  }
  return sound(file.name, type, await base64Of(file));
}

/** The picture where the door would take it and the browser can decode it. */
async function sound<T extends PictureType>(name: string, type: T, data: string): Promise<Result<PictureFile<T>>> {
  const problem = pictureProblem(type, data);
  if (problem !== null) return refused(name, problem);
  if (!canBeShown(type, data) || !(await decodes(type, data))) return refused(name, "is damaged: the browser cannot read it as a picture");
  return ok({ name: oneLine(name), type, data });
}

/** A file's name as a picture's: in one line, of at most 80 characters. */
const oneLine = (name: string) =>
  name
    .replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029]/g, " ")
    .slice(0, 80)
    .trim() || "picture";

const kib = (bytes: number) => (bytes >= 1048576 ? `${(bytes / 1048576).toFixed(1)} MiB` : `${Math.ceil(bytes / 1024)} KiB`);
