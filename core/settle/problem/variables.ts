/**
 * Variables: each length of the file that may change is a part of one. A variable is in mm (a mean over the scenarios);
 * 0 is the layout before. Lengths that must change together share a variable: the sides of a circle, equal sizes in a row, mirrored copies.
 */
import { isEqual } from "../../engine/equal";
import { byId } from "../../derived/byId";
import { editContextOf, footingOf, ownMeasure, pxOf, type EditContext, type LengthMetrics } from "../../editing/placing";
import { locksOf } from "../../editing/locks";
import { clusterOf, placeableOf } from "../../editing/placeables";
import { canonicalLength, lengthOf } from "../../engine/placement/length";
import type { Layout, Placement } from "../../format/types";
import type { Scenario } from "./scenarios";
import { isMirror, mirroredCopiesIn, sizeKinship } from "./kinship";
import type { Changeable } from "../request";
import { hitOf, placementOf, slotKey, slotUnder, withSlot, type LengthField, type Slot } from "./slots";

/** What a variable changes. */
export type VariableKind = "cluster" | "place" | "size" | "hit" | "shift" | "landing" | "travel";

/** One length that changes with a variable; `sign` −1: in the opposite direction. */
export interface Part {
  readonly slot: Slot;
  readonly field: LengthField;
  readonly sign: 1 | -1;
}
export interface Variable {
  readonly kind: VariableKind;
  readonly parts: readonly Part[];
  /** The change of its lengths per mm, in their own unit. */
  readonly perMm: number;
  /** The number of decimals that are written. */
  readonly decimals: number;
  /** The range, mm. */
  readonly low: number;
  readonly high: number;
}

/** The smallest side, as a fraction of the side before. */
export const LEAST_SIDE = 0.6;
/** The smallest and the largest side, as fractions of the side before. */
const SIDES = { least: LEAST_SIDE, most: 1.8 };
/** The shortest and the longest travel, as fractions of the travel before. */
const TRAVELS = { least: 0.7, most: 1.5 };
/** The largest growth of a hit area at each side, and its largest shift, mm. */
const MOST_GROWTH_MM = 6;
/** A side this near to its least side, mm, counts as at it. */
const LEAST_SLACK_MM = 0.5;
/** The longest movement, mm: across the largest screens. */
const FARTHEST_MM = 400;
/** The last written decimal is at most this many mm on every screen: three such errors together stay within the margin of the constraints. */
const STEP_MM = 0.0005;
/** A length has six decimals at most. */
const MOST_DECIMALS = 6;

/** A layout, its scenarios, and what may change. */
export interface Scope {
  readonly layout: Layout;
  readonly scenarios: readonly Scenario[];
  readonly held: ReadonlySet<string>;
  readonly changeable: readonly Changeable[];
  /** Whether controls in clusters move separately. */
  readonly children: boolean;
  /** Controls whose hit area is requested to grow. */
  readonly growing: ReadonlySet<string>;
}

/** A length that may change, before it is grouped with others. */
interface Draft extends Part {
  readonly kind: VariableKind;
  readonly text: string;
  readonly measureOn: (context: EditContext) => LengthMetrics | null;
  /** Its range: as fractions of its value, to both sides in mm, or from and to in mm. */
  readonly range: { readonly least: number; readonly most: number } | number | { readonly fromMm: number; readonly toMm: number };
}

/** What must be allowed to change for each kind of variable. */
const CHANGED_BY: Readonly<Record<VariableKind, Changeable>> = {
  cluster: "place",
  place: "place",
  size: "size",
  hit: "hit",
  shift: "hit",
  landing: "landing",
  travel: "travel",
};

/** The variables of a layout, in the order of the file. */
export function variablesOf(scope: Scope): Variable[] {
  const { layout, scenarios } = scope;
  const drafts = new Map<string, Draft>();
  const arrangements = [...new Set(scenarios.map((one) => one.arrangement))].sort();
  for (const arrangement of arrangements)
    for (const draft of draftsUnder(scope, arrangement)) {
      const key = partKey(draft);
      if (!drafts.has(key) && scope.changeable.includes(CHANGED_BY[draft.kind])) drafts.set(key, draft);
    }
  const groups = groupedDrafts(layout, arrangements, drafts);
  return groups.flatMap((group) => {
    const variable = variableOf(scenarios, layout, group);
    return variable ? [variable] : [];
  });
}

const partKey = ({ slot, field }: { readonly slot: Slot; readonly field: LengthField }) => `${slotKey(slot)} ${field}`;

/** Every length that may change on the screens of an arrangement. */
function draftsUnder(scope: Scope, arrangement: string | null): Draft[] {
  const { layout, held } = scope;
  const controls = layout.controls.filter(({ id }) => !held.has(id));
  return [
    ...layout.clusters.flatMap(({ id }) => (held.has(id) ? [] : clusterDrafts(scope, arrangement, id))),
    ...controls.flatMap((control) => {
      const place = placeDrafts(scope, slotUnder(layout, arrangement, "place", control.id));
      const hit = hitDrafts(scope, slotUnder(layout, arrangement, "hit", control.id));
      if (control.kind !== "stick") return [...place, ...hit];
      const travel: Draft = { ...ownDraft("travel", { kind: "travel", id: control.id, arrangement: null }, "travel", control.feel.travel), range: TRAVELS };
      const landing = control.feel.origin === "fixed" ? [] : landingDrafts(layout, slotUnder(layout, arrangement, "landing", control.id));
      return [...place, ...hit, travel, ...landing];
    }),
  ];
}

/** A cluster moves as a whole, unless it or a control in it is held or locked. Its size does not change: it does not affect its controls. */
function clusterDrafts({ layout, held }: Scope, arrangement: string | null, id: string): Draft[] {
  const slot = slotUnder(layout, arrangement, "place", id);
  const placement = placementOf(layout, slot);
  if (placement?.kind !== "pin") return [];
  const within = layout.controls.filter((c) => clusterOf(placementOf(layout, slotUnder(layout, arrangement, "place", c.id))) === id).map((c) => c.id);
  if (within.some((child) => held.has(child))) return [];
  const isLocked = (lock: "x" | "y") => [id, ...within].some((one) => locksOf(layout, one).includes(lock));
  return offsetDrafts("cluster", slot, placement, { x: !isLocked("x"), y: !isLocked("y") });
}

const offsetDrafts = (kind: VariableKind, slot: Slot, placement: Placement & { kind: "pin" }, free: { x: boolean; y: boolean }): Draft[] => {
  const measureOn = (context: EditContext) => footingOf(context, placement.frame, slot.kind === "landing" ? "landing" : "control")?.offset ?? null;
  const draft = (field: "dx" | "dy", text: string): Draft => ({ kind, slot, field, sign: 1, text, measureOn, range: FARTHEST_MM });
  return [...(free.x ? [draft("dx", placement.offset[0])] : []), ...(free.y ? [draft("dy", placement.offset[1])] : [])];
};

/** The variable lengths of a control's placement. A locked placement keeps its size too, because a changed side moves the box. */
function placeDrafts({ layout, children }: Scope, slot: Slot): Draft[] {
  const locks = locksOf(layout, slot.id);
  const placement = placementOf(layout, slot);
  if (!placement) return [];
  if (placement.kind === "span") return locks.length > 0 ? [] : insetDrafts("size", layout, slot, placement);
  const inCluster = clusterOf(placement) !== null;
  const free = { x: !locks.includes("x") && (children || !inCluster), y: !locks.includes("y") && (children || !inCluster) };
  return [...offsetDrafts("place", slot, placement, free), ...(locks.length > 0 ? [] : sideDrafts("size", slot, placement))];
}

function landingDrafts(layout: Layout, slot: Slot): Draft[] {
  const placement = placementOf(layout, slot);
  if (!placement) return [];
  if (placement.kind === "span") return insetDrafts("landing", layout, slot, placement);
  return [...offsetDrafts("landing", slot, placement, { x: true, y: true }), ...sideDrafts("landing", slot, placement)];
}

function sideDrafts(kind: VariableKind, slot: Slot, placement: Placement & { kind: "pin" }): Draft[] {
  const measureOn = (context: EditContext) => footingOf(context, placement.frame, slot.kind === "landing" ? "landing" : "control")?.size ?? null;
  return (["w", "h"] as const).map((field, i) => ({ kind, slot, field, sign: 1, text: placement.size[i], measureOn, range: SIDES }));
}

function insetDrafts(kind: VariableKind, layout: Layout, slot: Slot, span: Placement & { kind: "span" }): Draft[] {
  const measureOn = (context: EditContext) => footingOf(context, span.frame, placeableOf(layout, slot.id)!.kind)?.offset ?? null;
  return (["left", "top", "right", "bottom"] as const).map((field) => ({ kind, slot, field, sign: 1, text: span.inset[field], measureOn, range: FARTHEST_MM }));
}

function ownDraft(kind: VariableKind, slot: Slot, field: LengthField, text: string): Draft {
  const measureOn = (context: EditContext) => {
    const at = byId(context.resolved.controls).get(slot.id);
    return at ? ownMeasure(context, at) : null;
  };
  return { kind, slot, field, sign: 1, text, measureOn, range: MOST_GROWTH_MM };
}

/** Whether a side of a hit area is as small as its least side lets it be: then nothing else makes it larger, or smaller, by a little. */
function isAtLeast({ layout, scenarios }: Scope, { id }: Slot, minMm: number): boolean {
  if (minMm === 0) return false;
  return scenarios.some(({ screen, view, mm }) => {
    const at = byId(editContextOf(layout, screen, view).resolved.controls).get(id);
    return at !== undefined && Math.min(at.hit.w, at.hit.h) / mm <= minMm + LEAST_SLACK_MM;
  });
}

/** The sides of a hit area, its least side where that holds, and its shift if it is larger than its picture. */
function hitDrafts(scope: Scope, slot: Slot): Draft[] {
  const { layout, growing } = scope;
  const hit = hitOf(layout, slot);
  const isPicture = !hit.size && hit.minMm === 0 && [hit.grow, ...hit.shift].every((length) => lengthOf(length).amount === 0);
  const sides = hit.size ? [ownDraft("hit", slot, "w", hit.size[0]), ownDraft("hit", slot, "h", hit.size[1])] : [ownDraft("hit", slot, "grow", hit.grow)];
  if (isAtLeast(scope, slot, hit.minMm))
    sides.push({ ...ownDraft("hit", slot, "minMm", `${hit.minMm}mm`), range: { fromMm: -Math.min(hit.minMm, MOST_GROWTH_MM), toMm: MOST_GROWTH_MM } });
  return isPicture && !growing.has(slot.id) ? sides : [...sides, ownDraft("shift", slot, "dx", hit.shift[0]), ownDraft("shift", slot, "dy", hit.shift[1])];
}

/** Groups drafts that share a value: mirrored copies (a length and its mirror image), the two sides of a circle, equal sizes. */
function groupedDrafts(layout: Layout, arrangements: readonly (string | null)[], drafts: ReadonlyMap<string, Draft>): Draft[][] {
  const kin = new Map(arrangements.map((a) => [a, sizeKinship(layout, a)]));
  const originals = mirroredCopiesIn(layout);
  const groups = new Map<string, Draft[]>();
  // If one control may not change a size, no control with the same size changes it.
  const dropped = new Set(
    arrangements.flatMap((a) => layout.controls.flatMap(({ id }) => lockedSizes(layout, drafts, kin.get(a), slotUnder(layout, a, "place", id)))),
  );
  for (const draft of drafts.values()) {
    const original = originals.get(draft.slot.id);
    const mirror = original === undefined ? null : mirrorOf(layout, draft, original, originals);
    const leader = mirror ? drafts.get(partKey(mirror)) : draft;
    // The original may not change, so the copy does not either.
    if (!leader) continue;
    const word = sizeWord(kin.get(leader.slot.arrangement), leader) ?? partKey(leader);
    groups.set(word, [...(groups.get(word) ?? []), mirror ? { ...draft, sign: mirror.sign } : draft]);
    if (originals.size > 0)
      for (const [copy, of] of originals) if (of === leader.slot.id && !hasMirror(drafts, layout, leader, { copy, originals })) dropped.add(word);
  }
  return [...groups].filter(([word]) => !dropped.has(word)).map(([, group]) => group);
}

/** The mirror image of a field, and whether it changes in the opposite direction. */
const MIRRORED: Partial<Record<LengthField, readonly [LengthField, 1 | -1]>> = { dx: ["dx", -1], left: ["right", 1], right: ["left", 1] };

/** The length of the original that a copy's length mirrors; null if the two slots do not mirror each other. */
function mirrorOf(layout: Layout, { slot, field }: Draft, original: string, originals: ReadonlyMap<string, string>): Part | null {
  const other = { ...slot, id: original };
  if (slot.kind === "place" || slot.kind === "landing") {
    const [a, b] = [placementOf(layout, other), placementOf(layout, slot)];
    if (!a || !b || !isMirror(a, b, originals)) return null;
  }
  if (slot.kind === "hit") {
    const [a, b] = [hitOf(layout, other), hitOf(layout, slot)];
    if (!isEqual({ ...a, shift: 0 }, { ...b, shift: 0 })) return null;
  }
  const [mirrored, sign] = MIRRORED[field] ?? [field, 1];
  return { slot: other, field: mirrored, sign };
}

function hasMirror(
  drafts: ReadonlyMap<string, Draft>,
  layout: Layout,
  { slot, field }: Draft,
  { copy, originals }: { readonly copy: string; readonly originals: ReadonlyMap<string, string> },
): boolean {
  const [mirrored] = MIRRORED[field] ?? [field, 1];
  const twin = { slot: { ...slot, id: copy }, field: mirrored };
  const at = { ...twin, kind: "place", sign: 1, text: "", measureOn: () => null, range: 0 } as Draft;
  return mirrorOf(layout, at, slot.id, originals) === null || drafts.has(partKey(twin));
}

/** Identifies sides that change together; null for other lengths. */
function sizeWord(kin: ReadonlyMap<string, string> | undefined, { kind, slot, field, text, range }: Draft): string | null {
  if (range !== SIDES || (field !== "w" && field !== "h") || kind !== "size") return null;
  return sizeKey(kin, slot, text);
}

const sizeKey = (kin: ReadonlyMap<string, string> | undefined, { id, arrangement }: Slot, text: string) =>
  `size ${kin?.get(id) ?? id} ${arrangement ?? ""} ${canonicalLength(text)}`;

/** The keys of the sides of a pin that may not change. */
function lockedSizes(layout: Layout, drafts: ReadonlyMap<string, Draft>, kin: ReadonlyMap<string, string> | undefined, slot: Slot): string[] {
  const placement = placementOf(layout, slot);
  if (placement?.kind !== "pin") return [];
  return (["w", "h"] as const).flatMap((field, i) => (drafts.has(partKey({ slot, field })) ? [] : [sizeKey(kin, slot, placement.size[i])]));
}

/** A variable of lengths that change together; null if their unit is 0 px. */
function variableOf(scenarios: readonly Scenario[], layout: Layout, group: readonly Draft[]): Variable | null {
  const [first] = group;
  const { unit, amount } = lengthOf(first.text);
  const mmPerUnit: number[] = [];
  for (const { screen, view, mm, arrangement } of scenarios) {
    const holds = slotUnder(layout, arrangement, first.slot.kind, first.slot.id).arrangement === first.slot.arrangement;
    const measure = holds ? first.measureOn(editContextOf(layout, screen, view)) : null;
    if (measure) mmPerUnit.push(Math.abs(pxOf(`1${unit}`, measure)) / mm);
  }
  const mean = mmPerUnit.reduce((a, b) => a + b, 0) / Math.max(1, mmPerUnit.length);
  if (!(mean > 0) || !Number.isFinite(mean)) return null;
  const decimals = Math.min(MOST_DECIMALS, Math.max(0, Math.ceil(Math.log10(Math.max(...mmPerUnit) / STEP_MM))));
  const size = Math.abs(amount) * mean;
  const { range } = first;
  const [low, high] =
    typeof range === "number" ? [-range, range] : "fromMm" in range ? [range.fromMm, range.toMm] : [(range.least - 1) * size, (range.most - 1) * size];
  return { kind: first.kind, parts: group.map(({ slot, field, sign }) => ({ slot, field, sign })), perMm: 1 / mean, decimals, low, high };
}

/** The layout with its variables at some values, mm. `written`: with the decimals of the file, else with six. */
export function withValues(layout: Layout, variables: readonly Variable[], values: ArrayLike<number>, written: boolean): Layout {
  const slots = new Map<string, { slot: Slot; decimals: number; changes: Map<LengthField, number> }>();
  variables.forEach(({ parts, perMm, decimals }, i) => {
    if (values[i] === 0) return;
    for (const { slot, field, sign } of parts) {
      const key = slotKey(slot);
      const known = slots.get(key) ?? { slot, decimals: 0, changes: new Map<LengthField, number>() };
      slots.set(key, known);
      known.decimals = Math.max(known.decimals, decimals);
      known.changes.set(field, values[i] * perMm * sign);
    }
  });
  let next = layout;
  for (const { slot, decimals, changes } of slots.values()) next = withSlot(next, slot, changes, written ? decimals : MOST_DECIMALS);
  return next;
}
