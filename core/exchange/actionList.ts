/**
 * Actions as a list to be carried about: JSON with every field, CSV with a row an action (name, kind, moments, read, touch,
 * keys, mouse, pad, riseMs, fallMs, ease, combine, note). What a list does not say of an action stays as it is; nothing is ever removed by one.
 */
import { isEqual } from "../engine/equal";
import { byName } from "../derived/byId";
import { checked } from "../editing/edits/checked";
import { newAction } from "../editing/edits/actions";
import { problemsToTell, readThrough } from "../format/readThrough";
import { byRow, readRows, writeRows, type TableRow } from "./rows";
import { readJson, withoutByteOrderMark } from "../format/parseJson";
import { LISTS } from "../format/limits";
import { listOf } from "../format/schema/parts";
import { actionSchema } from "../format/schema/file";
import type { Action, Layout } from "../format/types";
import { ok, refused, type Problem, type Result } from "../engine/result";

/** An action of a list: its name, and those fields of which the list says something. */
export type ListedAction = Pick<Action, "name"> & Partial<Action>;

const COLUMNS = ["name", "kind", "moments", "read", "touch", "keys", "mouse", "pad", "riseMs", "fallMs", "ease", "combine", "note"] as const;

/** The actions as JSON, every field said, ending with a line feed. */
export function actionsJson(actions: readonly Action[]): string {
  return `${JSON.stringify(actions, null, 2)}\n`;
}

type Two = number | [number, number];
const given = (value: Two | undefined) => (value === undefined ? "" : `=${Array.isArray(value) ? value.join(" ") : value}`);
/** A dead zone as it is written where it is not the usual one. */
const dead = ({ inner, outer }: { inner: number; outer: number }) => (inner === 0.1 && outer === 0.95 ? "" : ` dead ${inner} ${outer}`);

/** A key's code within a list of keys: what would end it there is behind a backslash. */
const escaped = (code: string) => code.replace(/[\\=;\s]/g, (sign) => `\\${sign}`);
const keyText = ({ code, value }: Action["keys"][number]) => `${escaped(code)}${given(value)}`;
const mouseText = (m: Action["mouse"][number]) => ("move" in m ? `move${given(m.scale)}` : `${m.button}${given(m.value)}`);
const padText = (p: Action["pad"][number]) =>
  "button" in p ? `${p.button}${given(p.value)}` : "axis" in p ? `axis ${p.axis}${given(p.scale)}${dead(p)}` : `stick ${p.stick}${given(p.scale)}${dead(p)}`;

/** How each column of inputs is written, for the message to one who wrote it otherwise. */
const WRITTEN = {
  keys: "CODE, CODE=number or CODE=x y, with a backslash before = ; and spaces of a code",
  mouse: "BUTTON=value, or move=scale",
  pad: "BUTTON=value, axis N=scale or stick left=scale, with `dead inner outer` after it",
} as const;

/** The parts of a cell between semicolons; one behind a backslash does not part. */
function partsOf(cell: string): string[] {
  const parts = [...cell.matchAll(/((?:\\[^]|[^\\;])*)(?:;|\\?$)/g)].map((match) => match[1]);
  return parts.map(trimmed).filter((part) => part !== "");
}
/** Without the spaces around it, but for those behind a backslash. */
const trimmed = (text: string) => /^(?:\s*(?:\\[^]|[^\\\s]))*/.exec(text.replace(/^\s+/, ""))![0];

/** The numbers behind an equals sign, one or two; undefined where there are none, null where it is something else. */
function amountOf(text: string | undefined): Two | undefined | null {
  if (text === undefined) return undefined;
  const numbers = text.trim().split(/\s+/).map(Number);
  if (text.trim() === "" || numbers.length > 2 || !numbers.every(Number.isFinite)) return null;
  return numbers.length === 1 ? numbers[0] : [numbers[0], numbers[1]];
}

function readKey(text: string): object | null {
  const [, code, amount] = /^((?:\\[^]|[^\\=])*)(?:=([^]*))?$/.exec(text) ?? [];
  const value = amountOf(amount);
  if (!code || value === null) return null;
  return { code: trimmed(code).replace(/\\([^])/g, "$1"), ...(value === undefined ? {} : { value }) };
}

/** Reads one input of a column; null where it is not written so. */
function readInput(column: keyof typeof WRITTEN, text: string): object | null {
  if (column === "keys") return readKey(text);
  const match = /^([^=]*?)(?:=([^=]*?))?(?:\s+dead\s+(\S+)\s+(\S+))?$/.exec(text);
  const amount = match ? amountOf(match[2]) : null;
  if (!match || amount === null) return null;
  const what = match[1].trim();
  const [value, scale] = amount === undefined ? [{}, {}] : [{ value: amount }, { scale: amount }];
  if (/^\d+$/.test(what)) return { button: Number(what), ...value };
  if (column === "mouse") return what === "move" ? { move: true, ...scale } : null;
  const ends = match[3] === undefined ? {} : { inner: Number(match[3]), outer: Number(match[4]) };
  const [, sort, which] = /^(axis|stick)\s+(\S+)$/.exec(what) ?? [];
  if (sort === undefined) return null;
  return sort === "axis" ? { axis: Number(which), ...scale, ...ends } : { stick: which, ...scale, ...ends };
}

/** The actions as CSV (RFC 4180), a heading first. Inputs are written `KeyA=-1 0; KeyD=1 0`, `2=1; move=0.25`, `0=1; stick left=1 dead 0.2 0.9`, moments by their ids. */
export function actionsCsv(actions: readonly Action[]): string {
  const data = actions.map((a) => [
    a.name,
    a.kind,
    a.moments.join("; "),
    a.read ? "yes" : "no",
    a.touch,
    a.keys.map(keyText).join("; "),
    a.mouse.map(mouseText).join("; "),
    a.pad.map(padText).join("; "),
    a.riseMs,
    a.fallMs,
    a.ease,
    a.combine,
    a.note,
  ]);
  return writeRows(COLUMNS, data);
}

const listed = listOf(actionSchema.partial().required({ name: true }), LISTS.actions, "a list of actions");

/** Reads a list of either sort: JSON where it begins with a bracket, else CSV. Faults name their row or place. */
export function readActionList(text: string): Result<ListedAction[]> {
  const bare = withoutByteOrderMark(text);
  if (!/^\s*[[{]/.test(bare)) return readCsv(bare);
  const value = readJson(bare);
  return value.ok ? readListed(value.value) : value;
}

/** Reads plain values as actions. Defaults are not filled in: what is not there was not said. */
function readListed(value: unknown): Result<ListedAction[]> {
  const read = readThrough(listed, value);
  if (!read.ok) return read;
  const said = value as readonly Record<string, unknown>[];
  const actions = read.value.map((action, i) => Object.fromEntries(Object.entries(action).filter(([key]) => key in said[i])) as unknown as ListedAction);
  const twice = actions.find((a, i) => actions.findIndex((b) => b.name === a.name) !== i);
  return twice ? refused("", `\`${twice.name}\` appears twice in the list`) : ok(actions);
}

function readCsv(text: string): Result<ListedAction[]> {
  const rows = readRows(text, ["name"], COLUMNS);
  if (!rows.ok) return rows;
  if (rows.value.length > LISTS.actions.most) return refused("", LISTS.actions.words);
  const problems: Problem[] = [];
  const values = rows.value.map((row) => valuesOf(row, problems));
  if (problems.length > 0) return { ok: false, problems: problemsToTell(problems) };
  const read = readListed(values);
  return read.ok ? read : { ok: false, problems: byRow(read.problems) };
}

/** What a row says of an action; what it gets wrong is reported. */
function valuesOf({ place, has, cell }: TableRow, problems: Problem[]): object {
  const say = (column: string, message: string) => problems.push({ path: `${place}, ${column}`, message });
  const out: Record<string, unknown> = { name: cell("name") };
  for (const column of ["kind", "touch", "ease", "combine"]) if (cell(column).trim() !== "") out[column] = cell(column).trim();
  if (has("note")) out.note = cell("note");
  for (const column of ["riseMs", "fallMs"]) {
    const written = cell(column).trim();
    if (written === "") continue;
    out[column] = Number(written);
    if (!Number.isFinite(out[column])) say(column, `"${written}" is not a number`);
  }
  const yes = cell("read").trim().toLowerCase();
  if (/^(?:yes|true|1|no|false|0)$/.test(yes)) out.read = /^(?:yes|true|1)$/.test(yes);
  else if (yes !== "") say("read", `"${yes}" is neither yes nor no`);
  if (cell("moments").trim() !== "") out.moments = partsOf(cell("moments"));
  for (const column of ["keys", "mouse", "pad"] as const) {
    if (cell(column).trim() === "") continue;
    out[column] = partsOf(cell(column)).map((part) => {
      const input = readInput(column, part);
      if (input === null) say(column, `"${part}" is not ${WRITTEN[column]}`);
      return input ?? {};
    });
  }
  return out;
}

/** What a list would change: actions it adds, fields it gives another value, and how many it leaves as they are. */
export interface ListPreview {
  readonly added: readonly ListedAction[];
  readonly changed: readonly {
    readonly name: string;
    readonly fields: readonly { readonly field: keyof Action; readonly from: unknown; readonly to: unknown }[];
  }[];
  readonly same: number;
  /** Actions of the layout that the list does not name; they stay. */
  readonly unnamed: readonly string[];
}

/** What a list would change in a layout, before it is done. */
export function previewActions(layout: Layout, list: readonly ListedAction[]): ListPreview {
  const known = byName(layout.actions);
  const changed = list.flatMap((next) => {
    const now = known.get(next.name);
    if (!now) return [];
    const fields = (Object.keys(next) as (keyof Action)[])
      .filter((field) => !isEqual(next[field], now[field]))
      .map((field) => ({ field, from: now[field], to: next[field] }));
    return fields.length > 0 ? [{ name: next.name, fields }] : [];
  });
  const named = new Set(list.map((a) => a.name));
  const added = list.filter((a) => !known.has(a.name));
  return { added, changed, same: list.length - added.length - changed.length, unnamed: layout.actions.filter((a) => !named.has(a.name)).map((a) => a.name) };
}

/** Takes a list over: changes what it says of known actions, adds the others at the end. An action added without a kind is a press. */
export function applyActions(layout: Layout, list: readonly ListedAction[]): Result<Layout> {
  const next = byName(list);
  const known = new Set(layout.actions.map((a) => a.name));
  return checked(layout, {
    ...layout,
    actions: [
      ...layout.actions.map((a) => (next.has(a.name) ? { ...a, ...next.get(a.name) } : a)),
      ...list.filter((a) => !known.has(a.name)).map((a) => ({ ...newAction(layout, a.name, a.kind ?? "press"), ...a })),
    ],
  });
}
