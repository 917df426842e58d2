/** What the schema cannot see piece by piece: ids that must be unique, and references that must lead somewhere. */
import type { Problem } from "../engine/result";
import { LIMITS } from "./schema/file";
import type { Layout } from "./types";

/** The problems of a layout's references; none for a sound one. An action named in `serves` need not exist: that is a finding, not a fault of the file. */
export function referenceProblems(layout: Layout): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  const seenOnce = (what: string, entries: readonly (readonly [string, string])[]) => {
    const first = new Map<string, string>();
    for (const [key, path] of entries) {
      const before = first.get(key);
      if (before !== undefined) say(path, `"${key}" is already used by ${before}; ${what} must be unique`);
      else first.set(key, path);
    }
  };
  const ids = (list: readonly { id: string }[], name: string) => list.map((item, i) => [item.id, `${name}[${i}].id`] as const);
  seenOnce("ids of clusters, controls and keep-clear zones", [
    ...ids(layout.clusters, "clusters"),
    ...ids(layout.controls, "controls"),
    ...ids(layout.keepClear, "keepClear"),
  ]);
  seenOnce("ids of moments", ids(layout.moments, "moments"));
  seenOnce("ids of arrangements", ids(layout.arrangements, "arrangements"));
  seenOnce("ids of pictures", ids(layout.pictures, "pictures"));
  seenOnce("ids of together sets", ids(layout.together, "together"));
  seenOnce(
    "names of actions",
    layout.actions.map((a, i) => [a.name, `actions[${i}].name`] as const),
  );

  const moments = new Set(layout.moments.map((m) => m.id));
  const clusters = new Set(layout.clusters.map((c) => c.id));
  const pictures = new Set(layout.pictures.map((p) => p.id));
  const withMoments = [
    ["actions", layout.actions],
    ["controls", layout.controls],
    ["keepClear", layout.keepClear],
  ] as const;
  for (const [list, items] of withMoments)
    items.forEach((item, i) =>
      item.moments.forEach((m, j) => {
        if (!moments.has(m)) say(`${list}[${i}].moments[${j}]`, `there is no moment "${m}"`);
      }),
    );
  layout.controls.forEach((control, i) => {
    if (control.placement.kind === "pin" && typeof control.placement.frame === "object" && !clusters.has(control.placement.frame.cluster))
      say(`controls[${i}].placement.frame.cluster`, `there is no cluster "${control.placement.frame.cluster}"`);
    for (const [part, id] of Object.entries(control.look.art ?? {}))
      if (id !== undefined && !pictures.has(id)) say(`controls[${i}].look.art.${part}`, `there is no picture "${id}"`);
  });
  const controls = new Map(layout.controls.map((c) => [c.id, c.kind]));
  const zones = new Set(layout.keepClear.map((z) => z.id));
  layout.arrangements.forEach((arrangement, i) => {
    for (const [id, override] of Object.entries(arrangement.overrides)) {
      const path = `arrangements[${i}].overrides.${id}`;
      const kind = controls.get(id);
      if (kind === undefined && !clusters.has(id) && !zones.has(id)) say(path, "no control, cluster or keep-clear zone has this id");
      if (kind === undefined && override.hit) say(`${path}.hit`, "only a control has a hit area");
      if (override.landing && kind !== "stick") say(`${path}.landing`, "only a stick has a landing area");
      const placement = override.placement;
      if (!placement) continue;
      if (clusters.has(id) && placement.kind !== "pin") say(`${path}.placement.kind`, "a cluster is a pin");
      if (placement.kind === "pin" && typeof placement.frame === "object") {
        if (kind === undefined) say(`${path}.placement.frame`, "only a control can stand in a cluster");
        else if (!clusters.has(placement.frame.cluster)) say(`${path}.placement.frame.cluster`, `there is no cluster "${placement.frame.cluster}"`);
      }
    }
  });
  const pictureBytes = layout.pictures.reduce((sum, p) => sum + Math.floor((p.data.length * 3) / 4), 0);
  if (pictureBytes > LIMITS.picturesBytes) say("pictures", "the pictures of a layout hold at most 6 MiB in all");
  return problems;
}
