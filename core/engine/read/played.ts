/**
 * The reader of played files: bytes in, a layout ready to be played out, or the first thing that is wrong in the order of the file
 * (docs/PLAYED.md). It carries no schema library; what it holds a file against is `rules.ts`.
 */
import { parseLength } from "../placement/length";
import { ok, refused, type Result } from "../result";
import type { PlayedLayout } from "../types";
import { bytesOfText, readJsonNodes, type JsonEntry, type Node } from "./json";
import { PLAYED, PLAYED_FORMAT, PLAYED_VERSION, type Rule } from "./rules";

/** A played file behind the door. `digest`: SHA-256 of the canonical text of the layout it was compiled from, as the file says it; it is not computed again. */
export interface PlayedFile {
  readonly digest: string;
  readonly layout: PlayedLayout;
}

/** The largest file, bytes; the longest length, characters; the longest text but pictures, bytes. */
const MOST_BYTES = 16 * 1024 * 1024;
const MOST_LENGTH = 24;
const MOST_TEXT = 1024;
const MOST_PICTURES = 6 * 1024 * 1024;

/** Where a list's ids must be unique: over these lists together. */
const TOGETHER = new Set(["clusters", "controls", "keepClear"]);

/** Reads a played file, as bytes or as text. Never throws; an error names the place (`controls[3].feel.inner`, or `byte 17` for the JSON itself) and what is wrong there. */
export function readPlayed(file: Uint8Array | string): Result<PlayedFile> {
  const bytes = typeof file === "string" ? bytesOfText(file) : file;
  if (bytes.length > MOST_BYTES) return refused("", "the file is larger than 16 MiB");
  const { root, fault } = readJsonNodes(bytes);
  const found = root ? check(root) : { value: null, first: null };
  const { first } = found;
  if (fault && (first === null || fault.at <= first.at)) return refused(`byte ${fault.at}`, fault.message);
  if (first) return refused(first.path, first.message);
  const { format: _format, version: _version, digest, ...layout } = found.value as Record<string, unknown>;
  return ok({ digest: digest as string, layout: layout as unknown as PlayedLayout });
}

interface Found {
  readonly at: number;
  readonly path: string;
  readonly message: string;
}

/** What must be looked up when all has been read: an id that something refers to. */
interface Reference extends Found {
  readonly to: "clusters" | "pictures";
  readonly id: string;
}

/** What has been judged of a file so far: what is wrong, of all of it what is first; and what must be looked up at the end. */
interface Judged {
  first: Found | null;
  readonly references: Reference[];
}

function say(judged: Judged, at: number, path: string, message: string): undefined {
  if (judged.first === null || at < judged.first.at) judged.first = { at, path, message };
}

/** Holds a tree against the rules; gives its value, and of all that is wrong what is first. */
function check(root: Node): { value: unknown; first: Found | null } {
  const judged: Judged = { first: null, references: [] };
  const value = read(judged, root, PLAYED, "");
  if (root.end >= 0) lookUp(root, judged);
  return { value, first: judged.first };
}

/** The value of a node by a rule; undefined where it is null, or wrong. */
function read(judged: Judged, node: Node, rule: Rule, path: string): unknown {
  if (rule.opt && node.is === "null") return undefined;
  switch (rule.is) {
    case "number": {
      const value = node.value as number;
      const fits = node.is === "number" && value >= rule.low && value <= rule.high && !(rule.above && value === 0) && !(rule.whole && value % 1 !== 0);
      return fits ? value : say(judged, node.at, path, numberWords(rule));
    }
    case "text":
      return readText(judged, node, rule, path);
    case "length":
      return readLength(judged, node, rule, path);
    case "word":
      return rule.of.includes(node.value as string) ? node.value : say(judged, node.at, path, wordWords(rule, path, node));
    case "pair": {
      const items = node.value as Node[];
      if (node.is !== "list" || (items.length !== 2 && node.end >= 0) || items.length > 2) return say(judged, node.at, path, "must be a list of two");
      return items.map((item, i) => read(judged, item, rule.of, `${path}[${i}]`));
    }
    case "list": {
      if (node.is !== "list") return say(judged, node.at, path, "must be a list");
      const items = node.value as Node[];
      if (items.length > rule.most) say(judged, items[rule.most].at, path, `at most ${rule.most} ${rule.what}`);
      return items.slice(0, rule.most).map((item, i) => read(judged, item, rule.of, `${path}[${i}]`));
    }
    case "map": {
      const entries = entriesOf(judged, node, path);
      if (!entries) return undefined;
      for (const { key, node: child } of entries) tooLong(judged, child, key, within(path, key));
      return Object.fromEntries(entries.map(({ key, node: child }) => [key, read(judged, child, rule.of, within(path, key))]));
    }
    case "object":
      return readObject(judged, node, rule, path);
    case "kinds":
      return readKinds(judged, node, rule, path);
    case "having": {
      const entries = entriesOf(judged, node, path);
      if (!entries) return undefined;
      const key = Object.keys(rule.of).find((k) => entries.some((entry) => entry.key === k));
      if (key) return read(judged, node, rule.of[key], path);
      return node.end < 0 ? undefined : say(judged, node.at, path, `must have one of ${Object.keys(rule.of).join(", ")}`);
    }
    case "or":
      return read(judged, node, node.is === "list" || node.is === "object" ? rule.else : rule.bare, path);
    case "ref": {
      if (node.is !== "string") return say(judged, node.at, path, "must be an id");
      const message = `there is no ${rule.to === "clusters" ? "cluster" : "picture"} of this id`;
      judged.references.push({ at: node.at, path, to: rule.to, id: node.value as string, message });
      return node.value;
    }
  }
}

function readText(judged: Judged, node: Node, rule: Rule & { is: "text" }, path: string): unknown {
  const value = node.value as string;
  if (node.is !== "string" || value.length < rule.least || value.length > rule.most || (rule.like && !rule.like.test(value)))
    return say(judged, node.at, path, `must be ${rule.means}`);
  if (rule.most <= MOST_TEXT) tooLong(judged, node, value, path);
  return value;
}

function readLength(judged: Judged, node: Node, { least }: Rule & { is: "length" }, path: string): unknown {
  const length = node.is === "string" && (node.value as string).length <= MOST_LENGTH ? parseLength(node.value as string) : null;
  if (!length) return say(judged, node.at, path, 'must be a length of at most 24 characters, such as "12mm"');
  if (least === "above" && length.amount <= 0) return say(judged, node.at, path, "must be more than 0");
  if (least === "zero" && length.amount < 0) return say(judged, node.at, path, "must be 0 or more");
  return node.value;
}

function readKinds(judged: Judged, node: Node, rule: Rule & { is: "kinds" }, path: string): unknown {
  const entries = entriesOf(judged, node, path);
  if (!entries) return undefined;
  const kind = entries.find((entry) => entry.key === rule.by)?.node;
  const which = kind?.is === "string" && Object.hasOwn(rule.of, kind.value as string) ? rule.of[kind.value as string] : undefined;
  if (which) return read(judged, node, which, path);
  if (kind) return say(judged, kind.at, within(path, rule.by), `must be one of ${Object.keys(rule.of).join(", ")}`);
  return node.end < 0 ? undefined : say(judged, node.end, within(path, rule.by), "is missing");
}

function readObject(judged: Judged, node: Node, rule: Rule & { is: "object" }, path: string): unknown {
  const entries = entriesOf(judged, node, path);
  if (!entries) return undefined;
  const out: Record<string, unknown> = {};
  for (const { key, at, node: child } of entries) {
    if (!Object.hasOwn(rule.keys, key)) say(judged, at, within(path, key), "unknown key");
    else {
      const value = read(judged, child, rule.keys[key], within(path, key));
      if (value !== undefined) out[key] = value;
    }
  }
  if (node.end < 0) return out;
  for (const key of Object.keys(rule.keys))
    if (!rule.keys[key].opt && !entries.some((entry) => entry.key === key)) say(judged, node.end, within(path, key), "is missing");
  const wrong = rule.contains?.(out as Record<string, number>);
  if (wrong) say(judged, node.end, path, wrong);
  return out;
}

function tooLong(judged: Judged, node: Node, text: string, path: string): void {
  if (text.length * 3 > MOST_TEXT && bytesOfText(text).length > MOST_TEXT) say(judged, node.at, path, "is longer than 1024 bytes");
}

/** The entries of an object, none twice; null where it is no object. */
function entriesOf(judged: Judged, node: Node, path: string): JsonEntry[] | null {
  if (node.is !== "object") return say(judged, node.at, path, "must be an object") ?? null;
  const seen = new Set<string>();
  for (const { key, at } of node.value as JsonEntry[]) {
    if (seen.has(key)) say(judged, at, within(path, key), "stands twice");
    seen.add(key);
  }
  return node.value as JsonEntry[];
}

const within = (path: string, key: string) => (path === "" ? key : `${path}.${key}`);

function numberWords({ low, high, whole, above }: Rule & { is: "number" }): string {
  const range = high < Number.MAX_VALUE ? ` from ${low} to ${high}` : above ? ` above ${low}` : low > -Number.MAX_VALUE ? ` of ${low} or more` : "";
  return `must be a ${whole ? "whole" : "finite"} number${range}`;
}

function wordWords({ of }: Rule & { is: "word" }, path: string, node: Node): string {
  if (path === "format") return `this is not a played file: format must be "${PLAYED_FORMAT}"`;
  if (path === "version" && node.is === "number") return `the file is of version ${String(node.value)}, this reader reads version ${PLAYED_VERSION}`;
  return `must be ${of.length > 1 ? "one of " : ""}${of.join(", ")}`;
}

/** What can be judged only when all has been read: ids that stand twice, references that lead nowhere, pictures too large in all. */
function lookUp(root: Node, judged: Judged): void {
  if (root.is !== "object") return;
  const seen = new Map<string, Set<string>>();
  let pictures = 0;
  for (const { key: list, node } of root.value as JsonEntry[]) {
    if (node.is !== "list") continue;
    const field = list === "actions" ? "name" : "id";
    const space = TOGETHER.has(list) ? "places" : list;
    const ids = seen.get(space) ?? new Set<string>();
    seen.set(space, ids);
    (node.value as Node[]).forEach((item, i) => {
      const own = item.is === "object" ? (item.value as JsonEntry[]) : [];
      const id = own.find((entry) => entry.key === field)?.node;
      if (id?.is === "string") {
        if (ids.has(id.value as string)) say(judged, id.at, `${list}[${i}].${field}`, "is used twice");
        ids.add(id.value as string);
        ids.add(`${list}/${id.value as string}`);
      }
      const data = own.find((entry) => entry.key === "data")?.node;
      if (list === "pictures" && data?.is === "string") {
        pictures += Math.floor(((data.value as string).length * 3) / 4);
        if (pictures > MOST_PICTURES) say(judged, data.at, `pictures[${i}].data`, "the pictures hold more than 6 MiB in all");
      }
    });
  }
  for (const { to, id, at, path, message } of judged.references) {
    const ids = seen.get(to === "clusters" ? "places" : to);
    if (!ids?.has(`${to}/${id}`)) say(judged, at, path, message);
  }
}
