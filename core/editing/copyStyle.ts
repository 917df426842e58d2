/** Giving one control's look or feel to others. */
import { withArticle } from "../derived/counted";
import { byId } from "../derived/byId";
import { ok, refused, type Result } from "../engine/result";
import type { Control, Layout } from "../format/types";
import { changeFeel, changeLook } from "./edits/controls";

/** What of a look belongs to the control itself and is not given on: what is written or drawn on it. */
const OWN_LOOK = ["label", "labels", "icon", "art"] as const;

/** Gives the look of `from` to others: colours, opacity, fading, knob. Their words, icons and pictures stay their own. */
export function copyLook(layout: Layout, from: string, to: readonly string[]): Result<Layout> {
  const source = byId(layout.controls).get(from);
  if (!source) return refused("controls", `there is no control "${from}"`);
  const look: Partial<Control["look"]> = { away: undefined, knob: undefined, ...source.look };
  for (const key of OWN_LOOK) delete look[key];
  return eachOther(layout, from, to, (l, id) => changeLook(l, id, look));
}

/** Gives the feel of `from` to others of its kind; a landing area stays each stick's own. Refused where one is of another kind. */
export function copyFeel(layout: Layout, from: string, to: readonly string[]): Result<Layout> {
  const controls = byId(layout.controls);
  const source = controls.get(from);
  if (!source) return refused("controls", `there is no control "${from}"`);
  const stranger = to.map((id) => controls.get(id)).find((c) => c !== undefined && c.kind !== source.kind);
  if (stranger) return refused(stranger.id, `${withArticle(stranger.kind)} cannot feel like a ${source.kind}; choose another ${source.kind}`);
  const { landing: _own, ...feel } = { landing: undefined, ...source.feel };
  return eachOther(layout, from, to, (l, id) => changeFeel(l, id, feel));
}

function eachOther(layout: Layout, from: string, to: readonly string[], change: (layout: Layout, id: string) => Result<Layout>): Result<Layout> {
  const known = byId(layout.controls);
  return to.filter((id) => id !== from && known.has(id)).reduce<Result<Layout>>((r, id) => (r.ok ? change(r.value, id) : r), ok(layout));
}
