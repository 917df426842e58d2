/** What the schema cannot see piece by piece: ids that must be unique, and references that must lead somewhere. */
import type { Problem } from "../engine/result";
import { LIMITS } from "./schema/file";
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
  const pictureBytes = layout.pictures.reduce((sum, p) => sum + Math.floor((p.data.length * 3) / 4), 0);
  if (pictureBytes > LIMITS.picturesBytes) tell("pictures", "the pictures of a layout hold at most 6 MiB in all");
  return problems;
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
      if (kind === undefined && !clusters.has(id) && !zones.has(id)) tell(path, "no control, cluster or keep-clear zone has this id");
      if (kind === undefined && override.hit) tell(`${path}.hit`, "only a control has a hit area");
      if (override.landing && kind !== "stick") tell(`${path}.landing`, "only a stick has a landing area");
      const { placement } = override;
      if (!placement) continue;
      if (clusters.has(id) && placement.kind !== "pin") tell(`${path}.placement.kind`, "a cluster is a pin");
      if (placement.kind !== "pin" || typeof placement.frame !== "object") continue;
      if (kind === undefined) tell(`${path}.placement.frame`, "only a control can stand in a cluster");
      else if (!clusters.has(placement.frame.cluster)) tell(`${path}.placement.frame.cluster`, `there is no cluster "${placement.frame.cluster}"`);
    }
  });
}
