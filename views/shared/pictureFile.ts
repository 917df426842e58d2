"use client";
/** Reads a picture that the user chose: checked for type, size and for being a picture at all, before anything takes it. */
import { ok, refused, type Result } from "../../core/engine/result";
import { bringCleaner, cleanSvg } from "./images";

export interface PictureFile<T extends string> {
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

/** Reads a file as a picture of one of some types, of at most so many bytes. */
export async function readPicture<T extends string>(file: File, types: readonly T[], mostBytes: number): Promise<Result<PictureFile<T>>> {
  const type = types.find((t) => t === file.type);
  const wanted = types.map((t) => WORDS[t] ?? t).join(", ");
  if (!type) return refused(file.name, `is no picture that can be used here; choose one of ${wanted}`);
  if (file.size > mostBytes) return refused(file.name, `is too large: ${kib(file.size)}; at most ${kib(mostBytes)}. Save it smaller, or as WebP`);
  if (type === "image/svg+xml") {
    await bringCleaner();
    const clean = cleanSvg(await file.text());
    if (!/<svg[\s>]/.test(clean)) return refused(file.name, "is broken: it holds no SVG drawing");
    const data = await base64Of(new Blob([clean.replace(/<svg(?![^>]*xmlns=)/, '<svg xmlns="http://www.w3.org/2000/svg"')]));
    return (await decodes(type, data))
      ? ok({ name: file.name.slice(0, 80), type, data })
      : refused(file.name, "is broken: the browser cannot read it as a picture");
  }
  const data = await base64Of(file);
  return (await decodes(type, data))
    ? ok({ name: file.name.slice(0, 80), type, data })
    : refused(file.name, "is broken: the browser cannot read it as a picture");
}

const kib = (bytes: number) => (bytes >= 1048576 ? `${(bytes / 1048576).toFixed(1)} MiB` : `${Math.ceil(bytes / 1024)} KiB`);
