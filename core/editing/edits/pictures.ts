/** Edits of pictures: a layout's own art, shown only as images. */
import { refused, type Result } from "../../engine/result";
import { PICTURES } from "../../format/limits";
import { bytesOf } from "../../format/pictures/base64";
import type { Control, Layout } from "../../format/types";
import { checked } from "./checked";
import { freeIdOf } from "./ids";

/** A picture as it comes from a file: its type, and its bytes in base64. */
export interface PictureData {
  readonly name: string;
  readonly type: Layout["pictures"][number]["type"];
  readonly data: string;
}
export type ArtPart = "rest" | "held" | "knob";

/** Puts a picture on a part of controls' looks. The same picture is kept once; one that nothing shows any more is dropped. */
export function setArt(layout: Layout, ids: readonly string[], part: ArtPart, picture: PictureData): Result<Layout> {
  const bytes = bytesOf(picture.data);
  if (bytes > PICTURES.fileBytes.most) return refused(picture.name, `has ${Math.ceil(bytes / 1024)} KiB; ${PICTURES.fileBytes.words}`);
  const same = layout.pictures.find((p) => p.type === picture.type && p.data === picture.data);
  const id = same?.id ?? freeIdOf(layout.pictures, picture.name.replace(/\.[a-z]+$/i, ""), "picture");
  const pictures = same ? layout.pictures : [...layout.pictures, { id, name: picture.name.slice(0, 80) || "picture", type: picture.type, data: picture.data }];
  return checked(layout, withArt({ ...layout, pictures }, ids, part, id));
}

/** Takes the picture off a part of controls' looks. */
export function clearArt(layout: Layout, ids: readonly string[], part: ArtPart): Result<Layout> {
  return checked(layout, withArt(layout, ids, part, undefined));
}

function withArt(layout: Layout, ids: readonly string[], part: ArtPart, id: string | undefined): Layout {
  const controls = layout.controls.map((c) => {
    if (!ids.includes(c.id)) return c;
    const art = { ...c.look.art, [part]: id };
    if (id === undefined) delete art[part];
    const { art: _old, ...look } = c.look;
    return { ...c, look: Object.keys(art).length > 0 ? { ...look, art } : look } as Control;
  });
  const used = new Set(controls.flatMap((c) => Object.values(c.look.art ?? {})));
  return { ...layout, controls, pictures: layout.pictures.filter((p) => used.has(p.id)) };
}
