/** The canonical text of a layout, made again only where it has changed: writing after an edit costs what the edit touched. */
import { writeLayout, type TextKeeper } from "../format/write";
import type { Layout } from "../format/types";

const texts = new WeakMap<object, { readonly of: unknown; readonly text: string }>();
const layouts = new WeakMap<Layout, string>();

const KEPT: TextKeeper = {
  text(part, of, make) {
    const known = texts.get(part);
    if (known && known.of === of) return known.text;
    const text = make();
    texts.set(part, { of, text });
    return text;
  },
};

/** The text of a layout's file, as `writeLayout` gives it. */
export function layoutText(layout: Layout): string {
  let text = layouts.get(layout);
  if (text === undefined) layouts.set(layout, (text = writeLayout(layout, KEPT)));
  return text;
}
