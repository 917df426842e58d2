/** Which screens are looked at, in which order and in which groups. */
import { arrangementFor } from "../engine/placement/arrangement";
import { aspectOf, pxPerMm } from "../engine/placement/screen";
import type { Layout, Screen } from "../format/types";
import type { FindingCode } from "./finding";
import { cellOf, isMoreSevere, type GridCell, type JudgedScreen } from "./grid";

/** Screens by the shorter side, mm: held like a phone, between, held like a tablet. */
export const SIZE_CLASSES = [
  { name: "phone", belowMm: 80 },
  { name: "between", belowMm: 115 },
  { name: "tablet", belowMm: Infinity },
] as const;
export type SizeClass = (typeof SIZE_CLASSES)[number]["name"];

/** The shorter side of a screen, mm. @internal exported for its test */
export const shortSideMm = (screen: Screen): number => Math.min(screen.widthPx, screen.heightPx) / pxPerMm(screen);
/** The class of a screen by its shorter side. @internal exported for its test */
export const sizeClassOf = (screen: Screen): SizeClass => SIZE_CLASSES.find(({ belowMm }) => shortSideMm(screen) < belowMm)!.name;

/** What a screen must be to be looked at; null and "any" ask for nothing. Ranges hold their ends. */
export interface ScreenFilter {
  readonly sizeClass: SizeClass | null;
  readonly held: "any" | "wide" | "tall";
  readonly aspect: readonly [from: number, to: number] | null;
  readonly shortMm: readonly [from: number, to: number] | null;
  readonly notch: "any" | "with" | "without";
  /** It has a finding of this code that nobody lives with, on any face. */
  readonly code: FindingCode | null;
  /** It has a finding about this control or zone. */
  readonly subject: string | null;
}
export const NO_FILTER: ScreenFilter = { sizeClass: null, held: "any", aspect: null, shortMm: null, notch: "any", code: null, subject: null };

const within = (value: number, range: readonly [number, number] | null) => range === null || (value >= range[0] - 1e-9 && value <= range[1] + 1e-9);
/** Whether the system keeps something free at its edges, or a cut-out lies in it. */
const hasNotch = ({ insets, cutouts }: Screen) => cutouts.length > 0 || insets.left + insets.top + insets.right + insets.bottom > 0;

/** Whether a screen passes. One that has not been judged yet passes where findings are asked for: nothing is known against it. */
export function fitsFilter(screen: Screen, judged: JudgedScreen | null, filter: ScreenFilter): boolean {
  const { sizeClass, held, aspect, shortMm, notch, code, subject } = filter;
  if (sizeClass !== null && sizeClassOf(screen) !== sizeClass) return false;
  if (held !== "any" && (screen.widthPx >= screen.heightPx ? "wide" : "tall") !== held) return false;
  if (!within(aspectOf(screen), aspect) || !within(shortSideMm(screen), shortMm)) return false;
  if (notch !== "any" && hasNotch(screen) !== (notch === "with")) return false;
  if ((code === null && subject === null) || judged === null) return true;
  return judged.faces.some((found) =>
    found.some((f) => f.accepted === null && (code === null || f.code === code) && (subject === null || f.subjects.includes(subject))),
  );
}

/** own: as they are given · size: the shorter side · gravity: the worst first. */
export const SCREEN_ORDERS = ["own", "size", "aspect", "gravity", "name"] as const;
export type ScreenOrder = (typeof SCREEN_ORDERS)[number];

/** All that was found on a screen as one cell; null where nothing was, or it has not been judged. */
export const screenCell = (judged: JudgedScreen | null): GridCell | null =>
  judged && cellOf(judged.faces.flatMap((list, face) => list.map((finding) => ({ finding, face }))));

/** The worse first: by its worst finding, then by how many blockers, warnings and notes. */
function byGravity(a: GridCell | null, b: GridCell | null): number {
  const [x, y] = [a?.worst?.finding, b?.worst?.finding];
  if (!x || !y) return x ? -1 : y ? 1 : 0;
  if (x.severity !== y.severity) return isMoreSevere(x, y) ? -1 : 1;
  const count = (cell: GridCell) => cell.tally.blocker * 1e6 + cell.tally.warning * 1e3 + cell.tally.note;
  return count(b!) - count(a!);
}

/** Places of screens in an order; what is equal stays in its own order. */
export function screensInOrder(screens: readonly Screen[], judged: readonly (JudgedScreen | null)[], order: ScreenOrder): readonly number[] {
  const places = screens.map((_, i) => i);
  const cells = order === "gravity" ? judged.map(screenCell) : [];
  const compare: Readonly<Record<ScreenOrder, (a: number, b: number) => number>> = {
    own: () => 0,
    size: (a, b) => shortSideMm(screens[a]) - shortSideMm(screens[b]),
    aspect: (a, b) => aspectOf(screens[a]) - aspectOf(screens[b]),
    gravity: (a, b) => byGravity(cells[a] ?? null, cells[b] ?? null),
    name: (a, b) => (screens[a].name < screens[b].name ? -1 : screens[a].name > screens[b].name ? 1 : 0),
  };
  return places.sort((a, b) => compare[order](a, b) || a - b);
}

export type ScreenGroupBy = "none" | "arrangement" | "class";

/** Screens in groups, in the order given; a group is where its first screen does. `name` null: the base, where no arrangement holds, or all of them. */
export function groupScreens(
  layout: Pick<Layout, "arrangements">,
  screens: readonly Screen[],
  { places, by }: { readonly places: readonly number[]; readonly by: ScreenGroupBy },
): readonly { readonly name: string | null; readonly places: readonly number[] }[] {
  const groups = new Map<string | null, number[]>();
  for (const place of places) {
    const index = by === "arrangement" ? arrangementFor(layout.arrangements, screens[place]) : -1;
    const name = by === "class" ? sizeClassOf(screens[place]) : index >= 0 ? layout.arrangements[index].name : null;
    const group = groups.get(name);
    if (group) group.push(place);
    else groups.set(name, [place]);
  }
  return [...groups].map(([name, own]) => ({ name, places: own }));
}

/** Over which aspects and shorter sides (mm) screens lie: what an arrangement for just these would ask for. */
export function rangeOfScreens(screens: readonly Screen[]): { readonly aspect: readonly [number, number]; readonly shortMm: readonly [number, number] } {
  const of = (values: readonly number[]): readonly [number, number] => [Math.min(...values), Math.max(...values)];
  return { aspect: of(screens.map(aspectOf)), shortMm: of(screens.map(shortSideMm)) };
}

/** The part of the players that screens have together, 0…1, of those that are reported; null where none of them is. `parts`: by the names of screens. */
export function playersWith(names: readonly string[], parts: Readonly<Record<string, number>>): number | null {
  const told = names.filter((name) => Object.hasOwn(parts, name));
  return told.length === 0
    ? null
    : Math.min(
        1,
        told.reduce((sum, name) => sum + parts[name], 0),
      );
}
