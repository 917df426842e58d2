/** What the schema cannot see piece by piece: ids that must be unique, and references that must lead somewhere. */
import type { Problem } from "../engine/result";
import { unitPx } from "../engine/placement/scale";
import { plainScreen } from "../engine/placement/screen";
import { PICTURES, SCREENS } from "./limits";
import { bytesOf } from "./pictures/base64";
import { pictureArea } from "./pictures/picture";
import type { Layout } from "./types";

/** Tells a problem: where, and what. */
type Tell = (path: string, message: string) => void;

/** The problems of a layout's references; none for a sound one. An action named in `serves` need not exist: that is a finding, not a fault of the file. */
export function referenceProblems(layout: Layout): Problem[] {
  const problems: Problem[] = [];
  const tell: Tell = (path, message) => problems.push({ path, message });
  uniqueNames(layout, tell);
  momentReferences(layout, tell);
  controlReferences(layout, tell);
  overrideReferences(layout, tell);
  scaleReferences(layout, tell);
  pictureReferences(layout, tell);
  return problems;
}

/** On every screen there may be, a layout unit must come to a number of px: between the smallest and the largest it only grows. */
function scaleReferences({ scale, reference }: Layout, tell: Tell): void {
  const unitOn = (sidePx: number, ppi: number) => unitPx(scale, reference, plainScreen("", sidePx, sidePx, ppi));
  const largest = unitOn(SCREENS.sidePx.most, SCREENS.ppi.most);
  const smallest = unitOn(SCREENS.sidePx.least, SCREENS.ppi.least);
  if (Number.isFinite(largest) && smallest > 0) return;
  tell(
    "reference",
    `with ${reference.width} × ${reference.height} and ${scale.mmPerUnit} mm per unit, the scale is not a number of px; write the px of the design screen`,
  );
}

function pictureReferences({ pictures }: Layout, tell: Tell): void {
  if (pictures.reduce((sum, p) => sum + bytesOf(p.data), 0) > PICTURES.allBytes.most) tell("pictures", PICTURES.allBytes.words);
  if (pictures.reduce((sum, p) => sum + pictureArea(p.type, p.data), 0) > PICTURES.allArea.most) tell("pictures", PICTURES.allArea.words);
}

/** Lists of a layout whose items share one space of names. */
type Space = readonly { readonly list: string; readonly key: "id" | "name"; readonly items: readonly object[] }[];

function uniqueNames(layout: Layout, tell: Tell): void {
  const ids = (list: string, items: readonly object[]): Space[number] => ({ list, key: "id", items });
  seenOnce(
    "ids of clusters, controls and keep-clear zones",
    [ids("clusters", layout.clusters), ids("controls", layout.controls), ids("keepClear", layout.keepClear)],
    tell,
  );
  seenOnce("ids of moments", [ids("moments", layout.moments)], tell);
  seenOnce("ids of arrangements", [ids("arrangements", layout.arrangements)], tell);
  seenOnce("ids of pictures", [ids("pictures", layout.pictures)], tell);
  seenOnce("ids of together sets", [ids("together", layout.together)], tell);
  seenOnce("names of actions", [{ list: "actions", key: "name", items: layout.actions }], tell);
}

function seenOnce(what: string, space: Space, tell: Tell): void {
  const first = new Map<string, readonly [list: Space[number], index: number]>();
  const path = ({ list, key }: Space[number], i: number) => `${list}[${i}].${key}`;
  for (const list of space)
    list.items.forEach((item, i) => {
      const name = (item as Record<string, string>)[list.key];
      const before = first.get(name);
      if (before) tell(path(list, i), `"${name}" is already used by ${path(...before)}; ${what} must be unique`);
      else first.set(name, [list, i]);
    });
}

function momentReferences(layout: Layout, tell: Tell): void {
  const moments = new Set(layout.moments.map((m) => m.id));
  for (const list of ["actions", "controls", "keepClear"] as const)
    layout[list].forEach((item, i) =>
      item.moments.forEach((m, j) => {
        if (!moments.has(m)) tell(`${list}[${i}].moments[${j}]`, `there is no moment "${m}"`);
      }),
    );
}

function controlReferences(layout: Layout, tell: Tell): void {
  const clusters = new Set(layout.clusters.map((c) => c.id));
  const pictures = new Set(layout.pictures.map((p) => p.id));
  layout.controls.forEach((control, i) => {
    const { placement, look } = control;
    if (placement.kind === "pin" && typeof placement.frame === "object" && !clusters.has(placement.frame.cluster))
      tell(`controls[${i}].placement.frame.cluster`, `there is no cluster "${placement.frame.cluster}"`);
    for (const [part, id] of Object.entries(look.art ?? {}))
      if (id !== undefined && !pictures.has(id)) tell(`controls[${i}].look.art.${part}`, `there is no picture "${id}"`);
  });
}

function overrideReferences(layout: Layout, tell: Tell): void {
  const clusters = new Set(layout.clusters.map((c) => c.id));
  const kinds = new Map(layout.controls.map((c) => [c.id, c.kind]));
  const zones = new Set(layout.keepClear.map((z) => z.id));
  layout.arrangements.forEach((arrangement, i) => {
    for (const [id, override] of Object.entries(arrangement.overrides)) {
      const path = `arrangements[${i}].overrides.${id}`;
      const kind = kinds.get(id);
      // What overrides nothing that is there has no effect.
      const isThere = kind !== undefined || clusters.has(id) || zones.has(id);
      if (isThere && kind === undefined && override.hit) tell(`${path}.hit`, "only a control has a hit area");
      if (isThere && override.landing && kind !== "stick") tell(`${path}.landing`, "only a stick has a landing area");
      const { placement } = override;
      if (!placement) continue;
      if (clusters.has(id) && placement.kind !== "pin") tell(`${path}.placement.kind`, "a cluster is a pin");
      if (placement.kind !== "pin" || typeof placement.frame !== "object") continue;
      if (isThere && kind === undefined) tell(`${path}.placement.frame`, "only a control can be in a cluster");
      else if (!clusters.has(placement.frame.cluster)) tell(`${path}.placement.frame.cluster`, `there is no cluster "${placement.frame.cluster}"`);
    }
  });
}
