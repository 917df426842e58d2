/**
 * Where everything is on the patch sheet, and what belongs to a chain.
 *
 * Rows have known heights, so that wires need no measuring: an action is as high as the desk inputs that are next to it
 * need; a control is as near to the first action it serves as those above it let it.
 */
import type { Action, Control, Layout, Serve } from "../../core/format/types";
import { byId } from "../../core/derived/byId";
import { hardwareEnds, hardwareWires, type HardwareList } from "../../core/wiring/hardwareWires";
import type { LooseEnd, ActionStatus } from "../../core/wiring/actionStatus";
import type { Picked } from "./sheetState";

const ACTION_HEIGHT = 50;
const END_HEIGHT = 28;
export const CONTROL_HEAD = 28;
export const SERVE_HEIGHT = 24;
const GROUP_HEIGHT = 30;
const CONTROL_GAP = 8;
/** A desk end may stand this far from an action it gives to, CSS px; beyond that it is by the action once more. */
const ENDS_APART_PX = 150;

/** What of the layout is to be seen. */
export interface Filter {
  readonly search: string;
  readonly moment: string | null;
  readonly only: "all" | "left" | "served" | "hardware" | "unread";
}

export interface GroupPosition {
  readonly key: string;
  readonly word: string;
  readonly y: number;
  readonly folded: boolean;
  readonly count: number;
}
export interface SheetRow {
  readonly y: number;
  readonly h: number;
}
/** Where a desk end is. One that gives to actions far apart is by each of them: a wire over half the sheet reports nothing. */
export interface EndPosition extends SheetRow {
  readonly key: string;
  readonly end: string;
  /** The action it is by. */
  readonly by: string;
}
/** A wire from a desk end to an action (`fromY` at the end, `toY` at the action), or from an action to a control's serve; null where it leads nowhere. */
export interface HardwareWirePosition {
  readonly key: string;
  readonly end: string;
  readonly action: string;
  readonly list: HardwareList;
  readonly index: number;
  readonly fromY: number;
  readonly toY: number;
}
export interface ServeWirePosition {
  readonly key: string;
  readonly id: string;
  readonly index: number;
  readonly action: string;
  readonly fromY: number | null;
  readonly toY: number;
}
export interface SheetPositions {
  readonly groups: readonly GroupPosition[];
  readonly actions: ReadonlyMap<string, SheetRow>;
  readonly ends: readonly EndPosition[];
  readonly controls: ReadonlyMap<string, SheetRow>;
  readonly hardwareWires: readonly HardwareWirePosition[];
  readonly serveWires: readonly ServeWirePosition[];
  readonly height: number;
  /** Actions that the filter leaves out. */
  readonly hidden: number;
}

export const hardwareWireKey = (action: string, list: HardwareList, index: number): string => `hardware ${list} ${index} ${action}`;
export const serveWireKey = (id: string, index: number): string => `serve ${index} ${id}`;

/** Everything of an action that can be searched for, in small letters. `endWord` words a desk end. */
function wordsOf(action: Action, controls: readonly Control[], endWord: (end: string) => string): string {
  const served = controls.filter((c) => c.serves.some((s) => s.action === action.name)).map((c) => `${c.name} ${c.id} ${c.kind}`);
  return [action.name, action.kind, action.note, ...hardwareEnds(action).flatMap((end) => [end, endWord(end)]), ...served].join("\n").toLowerCase();
}

/** The actions a filter lets through, in order. Every word of the search must be found. */
export function seenActions(
  layout: Pick<Layout, "actions" | "controls">,
  filter: Filter,
  statuses: ReadonlyMap<string, ActionStatus>,
  endWord: (end: string) => string,
): readonly Action[] {
  const wanted = filter.search
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w !== "");
  return layout.actions.filter((action) => {
    if (filter.moment !== null && !action.moments.includes(filter.moment)) return false;
    const status = statuses.get(action.name);
    if (status && filter.only !== "all") {
      const is = !action.read ? "unread" : status.toDo ? "left" : action.touch === "never" ? "hardware" : "served";
      if (is !== filter.only) return false;
    }
    if (wanted.length === 0) return true;
    const words = wordsOf(action, layout.controls, endWord);
    return wanted.every((w) => words.includes(w));
  });
}

/** Actions in groups of those wanted in the same moments; one group without a word where grouping is off or there are no moments. */
export function groupsOf(
  actions: readonly Action[],
  moments: Layout["moments"],
  grouped: boolean,
): { key: string; word: string; actions: readonly Action[] }[] {
  if (!grouped || moments.length === 0) return [{ key: "", word: "", actions }];
  const groups = new Map<string, Action[]>();
  for (const action of actions) {
    const key = action.moments.join(" ");
    groups.set(key, [...(groups.get(key) ?? []), action]);
  }
  const rank = (key: string) => (key === "" ? Infinity : key.split(" ").length === moments.length ? -1 : moments.findIndex((m) => m.id === key.split(" ")[0]));
  const word = (key: string) => {
    const ids = key === "" ? [] : key.split(" ");
    if (ids.length === 0) return "in no moment";
    return ids.length === moments.length ? "in every moment" : ids.map((id) => byId(moments).get(id)?.name ?? id).join(" and ");
  };
  return [...groups]
    .sort(([a], [b]) => rank(a) - rank(b) || a.split(" ").length - b.split(" ").length || (a < b ? -1 : 1))
    .map(([key, list]) => ({ key, word: word(key), actions: list }));
}

/** What is placed first: the actions in their groups, and the ends of their hardware. */
interface PlacedActions {
  readonly groups: GroupPosition[];
  readonly actions: Map<string, SheetRow>;
  readonly ends: EndPosition[];
  readonly byEnd: ReadonlyMap<string, readonly EndPosition[]>;
  /** Where the wires of an action end: at its row, or at its folded group. */
  readonly middle: ReadonlyMap<string, number>;
  /** Where the last one ends. */
  readonly bottom: number;
}

const nearestEnd = (places: readonly EndPosition[] | undefined, at: number) => places?.findLast((e) => Math.abs(e.y + e.h / 2 - at) <= ENDS_APART_PX);

function placeActions(seen: readonly Action[], moments: Layout["moments"], { grouped, folded }: Pick<SheetOptions, "grouped" | "folded">): PlacedActions {
  const groups: GroupPosition[] = [];
  const actions = new Map<string, SheetRow>();
  const ends: EndPosition[] = [];
  const byEnd = new Map<string, EndPosition[]>();
  const middle = new Map<string, number>();
  let y = 0;
  for (const group of groupsOf(seen, moments, grouped)) {
    const isFolded = group.word !== "" && folded.has(group.key);
    if (group.word !== "") {
      groups.push({ key: group.key, word: group.word, y, folded: isFolded, count: group.actions.length });
      if (isFolded) for (const action of group.actions) middle.set(action.name, y + GROUP_HEIGHT / 2);
      y += GROUP_HEIGHT;
    }
    if (isFolded) continue;
    for (const action of group.actions) {
      const fresh = hardwareEnds(action).filter((end) => !nearestEnd(byEnd.get(end), y + ACTION_HEIGHT / 2));
      const h = Math.max(ACTION_HEIGHT, fresh.length * END_HEIGHT + 6);
      const top = y + (h - fresh.length * END_HEIGHT) / 2;
      for (const [i, end] of fresh.entries()) {
        const place = { key: `${end} ${action.name}`, end, by: action.name, y: top + i * END_HEIGHT, h: END_HEIGHT };
        ends.push(place);
        byEnd.set(end, [...(byEnd.get(end) ?? []), place]);
      }
      actions.set(action.name, { y, h });
      middle.set(action.name, y + h / 2);
      y += h + 4;
    }
  }
  return { groups, actions, ends, byEnd, middle, bottom: y };
}

/** The wires from hardware to an action. Of a folded group they come from wherever their ends still stand. */
function placeHardwareWires(action: Action, { middle, byEnd, actions }: PlacedActions): HardwareWirePosition[] {
  const to = middle.get(action.name);
  if (to === undefined) return [];
  return hardwareWires(action).flatMap(({ end, list, index }): HardwareWirePosition[] => {
    const places = byEnd.get(end) ?? [];
    const from = places.find((e) => e.by === action.name) ?? nearestEnd(places, to) ?? places[0];
    if (!from || (!actions.has(action.name) && from.by !== action.name && Math.abs(from.y - to) > ENDS_APART_PX)) return [];
    return [{ key: hardwareWireKey(action.name, list, index), end, action: action.name, list, index, fromY: from.y + from.h / 2, toY: to }];
  });
}

const placeServeWires = ({ id, serves }: Control, row: SheetRow, middle: ReadonlyMap<string, number>): ServeWirePosition[] =>
  (serves as readonly Serve[]).map((s, index) => ({
    key: serveWireKey(id, index),
    id,
    index,
    action: s.action,
    fromY: middle.get(s.action) ?? null,
    toY: row.y + CONTROL_HEAD + (index + 0.5) * SERVE_HEIGHT,
  }));

/** `loose`: serves that lead nowhere, to be by the action they were likely meant for. */
interface SheetOptions {
  readonly grouped: boolean;
  readonly folded: ReadonlySet<string>;
  readonly filtered: boolean;
  readonly loose: readonly LooseEnd[];
}

/** Places everything. */
export function sheetPositions(layout: Pick<Layout, "actions" | "controls" | "moments">, seen: readonly Action[], options: SheetOptions): SheetPositions {
  const placed = placeActions(seen, layout.moments, options);
  const { groups, actions, ends, middle, bottom } = placed;
  const controls = placeControls(layout.controls, middle, actions, options);
  const low = [...controls.values()].reduce((most, row) => Math.max(most, row.y + row.h), bottom);
  return {
    ...{ groups, actions, ends, controls },
    hardwareWires: seen.flatMap((action) => placeHardwareWires(action, placed)),
    serveWires: layout.controls.flatMap((control) => {
      const row = controls.get(control.id);
      return row ? placeServeWires(control, row, middle) : [];
    }),
    height: low + 24,
    hidden: layout.actions.length - seen.length,
  };
}

function placeControls(
  controls: readonly Control[],
  middle: ReadonlyMap<string, number>,
  open: ReadonlyMap<string, SheetRow>,
  options: { readonly filtered: boolean; readonly loose: readonly LooseEnd[] },
): Map<string, SheetRow> {
  const near = new Map(options.loose.flatMap((e) => (e.near === null ? [] : [[e.control, e.near] as const])));
  const wanted = controls.flatMap((control, order) => {
    const served = (control.serves as readonly Serve[]).map((s) => s.action);
    const meant = near.get(control.id);
    const at = [...served, ...(meant === undefined ? [] : [meant])].flatMap((name) => middle.get(name) ?? []);
    // Under a filter only what hangs together with an action in view stays; what serves folded groups alone folds away with them.
    if (options.filtered && at.length === 0) return [];
    if (at.length > 0 && ![...served, meant ?? ""].some((name) => open.has(name))) return [];
    return [{ control, order, at: at.length > 0 ? Math.min(...at) : Infinity }];
  });
  wanted.sort((a, b) => a.at - b.at || a.order - b.order);
  const rows = new Map<string, SheetRow>();
  let y = 0;
  for (const { control, at } of wanted) {
    const h = CONTROL_HEAD + Math.max(1, control.serves.length) * SERVE_HEIGHT;
    if (at !== Infinity) y = Math.max(y, at - CONTROL_HEAD - SERVE_HEIGHT / 2);
    rows.set(control.id, { y, h });
    y += h + CONTROL_GAP;
  }
  return rows;
}

/** What hangs together: names of actions, ids of controls, desk ends, and keys of wires. */
export interface WireChain {
  readonly actions: ReadonlySet<string>;
  readonly controls: ReadonlySet<string>;
  readonly ends: ReadonlySet<string>;
  readonly wires: ReadonlySet<string>;
}

/**
 * The whole chain of a pick: of an action everything that gives to it; of a control, key, mouse or pad input the actions it gives
 * to; of a wire its two ends. Null where nothing is picked, or what was picked is no more.
 */
export function chainOf(pick: Picked | null, layout: { readonly actions: readonly Action[]; readonly controls: readonly Control[] }): WireChain | null {
  if (!pick) return null;
  const actions = new Set<string>();
  const controls = new Set<string>();
  const ends = new Set<string>();
  const wires = new Set<string>();
  const receiveServe = (id: string, index: number, action: string) => {
    controls.add(id);
    actions.add(action);
    wires.add(serveWireKey(id, index));
  };
  for (const control of layout.controls)
    (control.serves as readonly Serve[]).forEach((s, index) => {
      if (
        (pick.kind === "action" && s.action === pick.name) ||
        (pick.kind === "control" && control.id === pick.id) ||
        (pick.kind === "serve" && control.id === pick.id && index === pick.index)
      )
        receiveServe(control.id, index, s.action);
    });
  for (const action of layout.actions)
    for (const w of hardwareWires(action))
      if (
        (pick.kind === "action" && action.name === pick.name) ||
        (pick.kind === "end" && w.end === pick.end) ||
        (pick.kind === "hardware" && action.name === pick.action && w.list === pick.list && w.index === pick.index)
      ) {
        actions.add(action.name);
        ends.add(w.end);
        wires.add(hardwareWireKey(action.name, w.list, w.index));
      }
  if (pick.kind === "action" && layout.actions.some((a) => a.name === pick.name)) actions.add(pick.name);
  if (pick.kind === "control" && layout.controls.some((c) => c.id === pick.id)) controls.add(pick.id);
  return actions.size + controls.size + ends.size === 0 ? null : { actions, controls, ends, wires };
}
