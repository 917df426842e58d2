/**
 * Two versions of a layout side by side: what came, what went, what is elsewhere or is larger on a screen, in millimetres, and every
 * field that says something else. The same comparison is reported in the history and at the command line.
 */
import { isEqual } from "../engine/equal";
import { plainScreen, pxPerMm } from "../engine/placement/screen";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../engine/placement/resolve";
import type { Box } from "../engine/geometry/point";
import { byId, nameById } from "../derived/byId";
import { resolvedOn } from "../derived/resolved";
import type { Layout, Screen } from "../format/types";
import { changesBetween, type FieldChange } from "./fieldChanges";
import { isKeyed, valueAt, type Keyed } from "./fields";

/** What of a layout is distinguished by its own lists; `layout`: the rest of it. */
export type SubjectKind = "control" | "cluster" | "zone" | "action" | "moment" | "arrangement" | "together" | "picture" | "accepted" | "layout" | "workbench";
/** What a difference is about. */
export interface Subject {
  readonly kind: SubjectKind;
  readonly id: string;
  readonly name: string;
}

/** Where something is on a screen, mm from its top left. */
export interface PlaceMm {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/**
 * came, went: it is in one of them only · moved: its middle is elsewhere on the screen, by so much, mm, y down · sized: another width or
 * height there · shown, hidden: an arrangement shows or hides it there by now · field: a field says something else; `placement` fields
 * are what a move is made of · order: the items of a list are in another order.
 */
export type Difference = { readonly subject: Subject; readonly text: string } & (
  | { readonly what: "came" | "went" | "shown" | "hidden" | "order" }
  | { readonly what: "moved"; readonly byMm: { readonly x: number; readonly y: number } }
  | { readonly what: "sized"; readonly wasMm: PlaceMm; readonly isMm: PlaceMm }
  | { readonly what: "field"; readonly field: string; readonly was: unknown; readonly is: unknown }
);

/** Where a comparison is made: on which screen, and as which player. */
export interface SeenOn {
  readonly screen: Screen;
  readonly playerView?: PlayerView;
}

/** A move or a change of size below this is reported by its fields alone, mm: no thumb and no eye reports it. */
const TOLD_MM = 0.05;

const KINDS: Readonly<Record<string, SubjectKind>> = {
  controls: "control",
  clusters: "cluster",
  keepClear: "zone",
  actions: "action",
  moments: "moment",
  arrangements: "arrangement",
  together: "together",
  pictures: "picture",
  accepted: "accepted",
};
/** In this order differences are reported. */
const ORDER: readonly SubjectKind[] = [
  "control",
  "cluster",
  "zone",
  "action",
  "moment",
  "arrangement",
  "together",
  "picture",
  "accepted",
  "layout",
  "workbench",
];

/** The screen a layout is drawn for: as many px as its reference has units, and a unit as many mm as it keeps there. */
export function drawnFor({ reference, scale }: Pick<Layout, "reference" | "scale">): Screen {
  const { width, height } = reference;
  return plainScreen(`as drawn, ${width} × ${height} u`, width, height, 25.4 / scale.mmPerUnit);
}

/** All that differs between two versions, by what it is about. Nothing: they are written alike. */
export function compare(before: Layout, after: Layout, { screen, playerView = PLAIN_PLAYER_VIEW }: SeenOn): readonly Difference[] {
  const changes = changesBetween(before, after);
  if (changes.length === 0) return [];
  const placed = placedDifferences({ before, after, changes }, { screen, playerView });
  const all = [...placed, ...changes.flatMap((change) => told(before, after, change))];
  const rank = (d: Difference) => ORDER.indexOf(d.subject.kind);
  const ids = new Map<string, number>();
  for (const { subject } of all) if (!ids.has(subject.id)) ids.set(subject.id, ids.size);
  return [...all].sort((a, b) => rank(a) - rank(b) || ids.get(a.subject.id)! - ids.get(b.subject.id)!);
}

/** Those worth a their own line: the fields of a placement are reported by the move they make. */
export function tellingDifferences(differences: readonly Difference[]): readonly Difference[] {
  const placed = new Set(differences.filter((d) => d.what === "moved" || d.what === "sized").map((d) => d.subject.id));
  return differences.filter((d) => !(d.what === "field" && /(^|\.)placement\b/.test(d.field) && placed.has(d.subject.id)));
}

/** What was moved, sized or set, where that is all and can be reported in a line; else null: that something came or went, its edit says itself. */
export function inOneLine(differences: readonly Difference[]): string | null {
  const [one, ...more] = tellingDifferences(differences);
  return one && more.length === 0 && (one.what === "moved" || one.what === "sized" || one.what === "field") ? one.text : null;
}

/** Boxes of everything that is on the glass of a screen, mm. */
export function placesOn(layout: Layout, { screen, playerView = PLAIN_PLAYER_VIEW }: SeenOn): ReadonlyMap<string, PlaceMm> {
  const resolved = resolvedOn(layout, screen, playerView);
  const mm = (box: Box): PlaceMm => ({ x: box.x / pxPerMm(screen), y: box.y / pxPerMm(screen), w: box.w / pxPerMm(screen), h: box.h / pxPerMm(screen) });
  return new Map([...resolved.controls.map((c) => [c.id, mm(c.visual)] as const), ...resolved.keepClear.map((z) => [z.id, mm(z)] as const)]);
}

/** Whether an item's own placement has changed, in the base or under an arrangement. */
const movesItself =
  (id: string) =>
  ({ path }: FieldChange) =>
    path.includes("placement") && (path[1] === id || (path[0] === "arrangements" && path[3] === id));

/** Two versions, and what changed between them. */
interface Compared {
  readonly before: Layout;
  readonly after: Layout;
  readonly changes: readonly FieldChange[];
}

function placedDifferences({ before, after, changes }: Compared, seen: SeenOn): readonly Difference[] {
  const [was, is] = [placesOn(before, seen), placesOn(after, seen)];
  return (["controls", "keepClear"] as const).flatMap((list) =>
    after[list].flatMap((item): Difference[] => {
      if (!byId<{ readonly id: string }>(before[list]).has(item.id)) return [];
      const subject: Subject = { kind: KINDS[list], id: item.id, name: item.name };
      const [a, b] = [was.get(item.id), is.get(item.id)];
      if (a && b) return boxDifferences(subject, [a, b], () => (changes.some(movesItself(item.id)) ? "" : ", its own placement unchanged"));
      if (!a === !b) return [];
      return [{ subject, what: a ? "hidden" : "shown", text: `${item.name} ${a ? "is hidden" : "shows"} on this screen now` }];
    }),
  );
}

function boxDifferences(subject: Subject, [was, is]: readonly [PlaceMm, PlaceMm], how: () => string): Difference[] {
  const found: Difference[] = [];
  const byMm = { x: is.x + is.w / 2 - was.x - was.w / 2, y: is.y + is.h / 2 - was.y - was.h / 2 };
  if (Math.hypot(byMm.x, byMm.y) > TOLD_MM) found.push({ subject, what: "moved", byMm, text: `${subject.name} moved ${wayText(byMm)}${how()}` });
  if (Math.max(Math.abs(is.w - was.w), Math.abs(is.h - was.h)) > TOLD_MM) {
    const word = is.w * is.h >= was.w * was.h ? "grew" : "shrank";
    found.push({ subject, what: "sized", wasMm: was, isMm: is, text: `${subject.name} ${word}: ${sizeText(was)} → ${sizeText(is)} mm${how()}` });
  }
  return found;
}

const figure = (mm: number): string => mm.toFixed(1);
const sizeText = ({ w, h }: PlaceMm) => `${figure(w)} × ${figure(h)}`;
function wayText({ x, y }: { readonly x: number; readonly y: number }): string {
  const ways = [
    Math.abs(x) > TOLD_MM ? `${figure(Math.abs(x))} mm ${x > 0 ? "right" : "left"}` : "",
    Math.abs(y) > TOLD_MM ? `${figure(Math.abs(y))} mm ${y > 0 ? "down" : "up"}` : "",
  ].filter((way) => way !== "");
  return ways.length > 0 ? ways.join(", ") : `${Math.hypot(x, y).toFixed(2)} mm`;
}

function told(before: Layout, after: Layout, change: FieldChange): Difference[] {
  const subject = subjectOf(before, after, change.path);
  const [list] = change.path;
  if (change.kind === "order") {
    // What came or went is reported on its own.
    const both = (order: readonly string[]) => order.filter((name) => change.was.includes(name) && change.is.includes(name));
    if (isEqual(both(change.was), both(change.is))) return [];
    return [{ subject: LAYOUT, what: "order", text: `${list === "controls" ? "the drawing order" : `the order of ${list}`} is another` }];
  }
  const inList = KINDS[list] !== undefined;
  if (inList && change.path.length === 2 && (change.was === undefined || change.is === undefined)) {
    const came = change.was === undefined;
    return [{ subject, what: came ? "came" : "went", text: `${nounOf(subject, came ? change.is : change.was)} ${came ? "came" : "went"}` }];
  }
  const rest = change.path.slice(inList ? 2 : subject.kind === "workbench" ? 1 : 0);
  // What is of another kind differs in all that its kind has.
  const field = rest.length > 0 ? rest.join(".") : "kind";
  const [was, is] = rest.length > 0 ? [change.was, change.is] : [kindOf(change.was), kindOf(change.is)];
  const lead = subject.kind === "layout" ? "" : `${subject.name}: `;
  const [part, id] = rest;
  if (part === "overrides" && rest.length === 2 && (was === undefined || is === undefined)) {
    const text = `${lead}${was === undefined ? "changes" : "no longer changes"} ${nameById(after, id) ?? nameById(before, id) ?? id}`;
    return [{ subject, what: "field", field, was: spared(was), is: spared(is), text }];
  }
  return [
    { subject, what: "field", field, was: spared(was), is: spared(is), text: `${lead}${field.replaceAll(".", " ")} ${valueText(was)} → ${valueText(is)}` },
  ];
}

const LAYOUT: Subject = { kind: "layout", id: "layout", name: "layout" };

function subjectOf(before: Layout, after: Layout, [list, id]: FieldChange["path"]): Subject {
  if (list === "workbench") return { kind: "workbench", id: "workbench", name: "editor" };
  if (KINDS[list] === undefined || id === undefined) return LAYOUT;
  const item = (valueAt(after, [list, id]).value ?? valueAt(before, [list, id]).value) as Keyed | undefined;
  return { kind: KINDS[list], id, name: typeof item?.name === "string" ? item.name : list === "accepted" ? acceptedName(item) : id };
}

const acceptedName = (item: Keyed | undefined) => `the acceptance of ${String(item?.code)} at ${String(item?.subjects)}`;
const kindOf = (value: unknown): unknown => (isKeyed(value) ? value.kind : value);
const NOUNS: Readonly<Record<SubjectKind, string>> = {
  control: "",
  cluster: "cluster",
  zone: "keep-clear zone",
  action: "action",
  moment: "moment",
  arrangement: "arrangement",
  together: "together set",
  picture: "picture",
  accepted: "",
  layout: "",
  workbench: "",
};
function nounOf({ kind, name }: Subject, item: unknown): string {
  if (kind === "control") return `${name} (${String(kindOf(item))})`;
  if (kind === "action") return `${name} (action, ${String(kindOf(item))})`;
  return NOUNS[kind] === "" ? name : `${NOUNS[kind]} ${name}`;
}

/** A text of data longer than this is a picture, or as good as one. */
const LONG = 400;
/** A value without the data of pictures in it. */
function spared(value: unknown): unknown {
  if (typeof value === "string") return value.length > LONG ? `${value.slice(0, 24)}… (${value.length} letters)` : value;
  if (Array.isArray(value)) return value.map(spared);
  return isKeyed(value) ? Object.fromEntries(Object.entries(value).map(([key, item]) => [key, spared(item)])) : value;
}

/** How a value is in a line: texts and numbers as they are, what is longer cut short. */
function valueText(value: unknown): string {
  if (value === undefined) return "none";
  if (typeof value === "string") return value === "" ? "empty" : shortened(value);
  if (Array.isArray(value) && value.every((item) => typeof item !== "object")) return value.length === 0 ? "none" : shortened(value.join(", "));
  return shortened(JSON.stringify(spared(value)));
}
const shortened = (text: string) => (text.length > 60 ? `${text.slice(0, 57)}…` : text);
