/**
 * The sheet, for typing a layout by hand into a program that does not read it: every value in the units the layout was drawn for, for both
 * directions of y. One list of rows; the page and the CSV are two ways to write it.
 */
import { hardwareEnd } from "../wiring/hardwareWires";
import { byId, nameById } from "../derived/byId";
import type { Action, Control, Layout, Placement } from "../format/types";
import { feelRows } from "./sheetFeel";
import { lookRows, servesRows } from "./sheetLook";
import { drawn, placeRows, touchRows, type DesignPlaces } from "./sheetPlace";
import { momentNameById, number, row, type SheetRow } from "./sheetRow";

/** A control, cluster or zone with its rows; under an arrangement where it is elsewhere there. */
export interface SheetEntry {
  readonly id: string;
  readonly name: string;
  readonly kind: Control["kind"] | "cluster" | "keep-clear zone";
  readonly arrangement: string | null;
  readonly rows: readonly SheetRow[];
}

/** All entries: controls in file order, then clusters and zones, then what is elsewhere in each arrangement. */
export function sheetEntries(layout: Layout): readonly SheetEntry[] {
  const base = drawn(layout, null);
  const own = [
    ...layout.controls.map((control) => controlEntry(base, control, null)),
    ...layout.clusters.map((cluster) => boxEntry(base, cluster, { kind: "cluster", arrangement: null })),
    ...layout.keepClear.map((zone) => boxEntry(base, zone, { kind: "keep-clear zone", arrangement: null })),
  ];
  const elsewhere = layout.arrangements.flatMap((arrangement) => {
    const there = drawn(layout, arrangement);
    return Object.entries(arrangement.overrides).map(([id, override]): SheetEntry => {
      const control = byId(there.layout.controls).get(id);
      const of = { id, name: nameById(layout, id) ?? id, arrangement: arrangement.name };
      if (override.hidden) return { ...of, kind: kindOf(layout, id), rows: [row("shows", "shown", "hidden")] };
      const placement = override.placement ?? control?.placement ?? placementOf(layout, id);
      const moved = { id, name: of.name, placement };
      if (!control) return boxEntry(there, moved, { kind: kindOf(layout, id) as "cluster", arrangement: arrangement.name });
      const entry = controlEntry(there, { ...control, placement, hit: override.hit ?? control.hit } as Control, arrangement.name);
      return { ...entry, rows: entry.rows.filter(({ part }) => part === "place" || part === "touch") };
    });
  });
  return [...own, ...elsewhere];
}

const kindOf = (layout: Layout, id: string): SheetEntry["kind"] =>
  byId(layout.controls).get(id)?.kind ?? (layout.clusters.some((c) => c.id === id) ? "cluster" : "keep-clear zone");
const placementOf = (layout: Layout, id: string): Placement =>
  (layout.clusters.find((c) => c.id === id) ?? layout.keepClear.find((zone) => zone.id === id))!.placement;

function boxEntry(
  { layout, resolved }: DesignPlaces,
  { id, name, placement }: { readonly id: string; readonly name: string; readonly placement: Placement },
  { kind, arrangement }: Pick<SheetEntry, "kind" | "arrangement">,
): SheetEntry {
  const box = Object.hasOwn(resolved.clusters, id) ? resolved.clusters[id] : resolved.keepClear.find((zone) => zone.id === id);
  return { id, name, kind, arrangement, rows: box ? placeRows(placement, box, { layout, resolved }) : [row("shows", "shown", "hidden")] };
}

function controlEntry({ layout, resolved }: DesignPlaces, control: Control, arrangement: string | null): SheetEntry {
  const { id, name, kind } = control;
  const at = byId(resolved.controls).get(id);
  if (!at) return { id, name, kind, arrangement, rows: [row("shows", "shown", "hidden")] };
  return {
    ...{ id, name, kind, arrangement },
    rows: [
      ...placeRows(control.placement, at.visual, { layout, resolved }),
      ...touchRows(control, at, resolved),
      ...feelRows(control, at),
      ...servesRows(control, layout),
      row("shows", "moments", control.moments.length === 0 ? "never" : control.moments.map((moment) => momentNameById(layout, moment)).join(", ")),
      ...lookRows(control, layout),
    ],
  };
}

/** An action with what else gives to it, by the texts of their ends. */
export interface ActionEntry {
  readonly name: string;
  readonly kind: Action["kind"];
  readonly moments: string;
  readonly inputs: string;
  readonly smoothing: string;
}

/** The actions that the game reads. */
export function sheetActions(layout: Layout): readonly ActionEntry[] {
  return layout.actions
    .filter(({ read }) => read)
    .map((action) => {
      const { name, kind, moments, riseMs, fallMs } = action;
      const ends = (["keys", "mouse", "pad"] as const).flatMap((list) => action[list].map((source) => hardwareEnd(list, source)));
      return {
        name,
        kind,
        moments: moments.map((id) => momentNameById(layout, id)).join(", "),
        inputs: ends.join(", "),
        smoothing: riseMs > 0 || fallMs > 0 ? `rises in ${number(riseMs)} ms, falls in ${number(fallMs)} ms` : "",
      };
    });
}
