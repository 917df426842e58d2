/** Small layouts of pinned controls on a glass whose px are tenths of a mm; and what the checks say of versions of them. */
import { changesOf } from "../core/checks/findingChanges";
import { bareFindings } from "../core/checks/check";
import { plainScreen } from "../core/engine/placement/screen";
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import { isRequested } from "../core/settle/problem/targets";
import type { SettleRequest } from "../core/settle/request";

/** 1 px is a tenth of a mm: 160 by 72 mm. */
export const GLASS = plainScreen("Glass", 1600, 720, 254);
export const RIGHT = [{ handed: "right", playerSize: 1 }] as const;

/** A control pinned by its middle, mm from the top left of the screen. */
export const pinned = (id: string, kind: string, [x, y]: readonly [number, number], size: number | readonly [number, number], more: object = {}) => ({
  id,
  name: id,
  kind,
  placement: {
    kind: "pin",
    frame: "screen",
    anchor: [0, 0],
    pivot: [0.5, 0.5],
    offset: [`${x}mm`, `${y}mm`],
    size: typeof size === "number" ? [`${size}mm`, `${size}mm`] : [`${size[0]}mm`, `${size[1]}mm`],
  },
  ...more,
});
/** A layout of controls. */
export function layoutOf(controls: readonly object[], more: object = {}): Layout {
  const read = parseLayout({ format: "nodulum-layout", version: 1, name: "Test", reference: { width: 1600, height: 720 }, scale: {}, controls, ...more });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** What the checks themselves say of a version: the rest of that which is asked for, what is new or worse. */
export function saidByChecks(request: SettleRequest, version: Layout) {
  const faces = request.screens.flatMap((screen) => request.faces.map((face) => ({ screen, view: { ...face, moment: request.moment } })));
  const [was, is] = [request.layout, version].map((layout) => faces.map(({ screen, view }) => bareFindings(layout, screen, view)));
  return {
    left: is.flat().filter((finding) => isRequested(request, finding)).length,
    worse: is.flatMap((list, i) => changesOf(was[i], list).filter(({ kind }) => kind === "new" || kind === "worse")),
  };
}
