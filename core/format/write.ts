/**
 * Canonical writing: the same layout always gives the same bytes. Keys are in the schema's order, whatever
 * equals its default is omitted, and the text is indented by two, with what is short on one line.
 */
import { isEqual } from "../engine/equal";
import type { z } from "zod";
import { plainAction, plainArrangement, plainControl, plainOrientation, plainZone } from "./dependent";
import { fileSchema } from "./schema/file";
import type { Action, Arrangement, Control, ControlKind, KeepClear, Layout } from "./types";

type AnySchema = z.core.$ZodType;
interface LooseDef {
  type: string;
  innerType?: AnySchema;
  defaultValue?: unknown;
  shape?: Record<string, AnySchema>;
  element?: AnySchema;
  items?: AnySchema[];
  options?: AnySchema[];
  discriminator?: string;
  valueType?: AnySchema;
}
const defOf = (schema: AnySchema): LooseDef => schema._zod.def as unknown as LooseDef;

/** Keeps the texts of parts that have not changed, for whoever writes a layout again and again. */
export interface TextKeeper {
  /** The text of a part, made where it is not known. It holds while `of`, what else the text depends on, is the same. */
  text(part: object, of: unknown, make: () => string): string;
}
const MAKE_ANEW: TextKeeper = { text: (_part, _of, make) => make() };

/** The layout as a plain value with defaults omitted, keys in the schema's order. */
export function plainLayout(layout: Layout): unknown {
  return JSON.parse(writeLayout(layout));
}

/** The text of the layout's file, ending with a line feed. */
export function writeLayout(layout: Layout, keeper: TextKeeper = MAKE_ANEW): string {
  const lines = Object.entries<AnySchema>(fileSchema.shape).flatMap(([key, field]) => {
    const text = keyText(layout, key as keyof Layout, field, keeper);
    return text === "" ? [] : [`  ${JSON.stringify(key)}: ${text}`];
  });
  return `{\n${lines.join(",\n")}\n}\n`;
}

/** The text of what is under a key; empty where it is not there or equals its default. */
function keyText(layout: Layout, key: keyof Layout, field: AnySchema, keeper: TextKeeper): string {
  const value = key === "orientation" ? plainOrientation(layout) : layout[key];
  if (value === undefined) return "";
  const make = () => {
    const kept = prune(field, value);
    return isDefault(field, kept) ? "" : print(kept, "  ");
  };
  if (typeof value !== "object") return make();
  if (!Array.isArray(value)) return keeper.text(value, key, make);
  if (value.length === 0) return "";
  const element = defOf(defOf(field).innerType!).element!;
  const { moments } = layout;
  const kinds = key === "arrangements" ? new Map(layout.controls.map((c) => [c.id, c.kind])) : NO_KINDS;
  const items = (value as object[]).map((item) => {
    const of = key === "arrangements" ? hitKinds(item as Arrangement, kinds) : moments;
    return `    ${keeper.text(item, of, () => print(prune(element, plainItem(key, item, moments, kinds)), "    "))}`;
  });
  return `[\n${items.join(",\n")}\n  ]`;
}

const NO_KINDS: ReadonlyMap<string, ControlKind> = new Map();

/** The kinds of the controls whose hit area an arrangement changes: on them the shape depends that is omitted. */
function hitKinds({ overrides }: Arrangement, kinds: ReadonlyMap<string, ControlKind>): string {
  return Object.keys(overrides)
    .filter((id) => overrides[id].hit !== undefined)
    .map((id) => kinds.get(id))
    .join();
}

/** An item of a list as the file has it, before defaults are omitted. */
function plainItem(key: keyof Layout, item: object, moments: Layout["moments"], kinds: ReadonlyMap<string, ControlKind>): object {
  switch (key) {
    case "actions":
      return plainAction(item as Action, moments);
    case "controls":
      return plainControl(item as Control, moments);
    case "keepClear":
      return plainZone(item as KeepClear, moments);
    case "arrangements":
      return plainArrangement(item as Arrangement, (id) => kinds.get(id));
    default:
      return item;
  }
}

function prune(schema: AnySchema, value: unknown): unknown {
  const def = defOf(schema);
  switch (def.type) {
    case "optional":
    case "default":
    case "prefault":
      return prune(def.innerType!, value);
    case "object": {
      const out: Record<string, unknown> = {};
      for (const [key, field] of Object.entries(def.shape!)) {
        const item = (value as Record<string, unknown>)[key];
        if (item === undefined) continue;
        const kept = prune(field, item);
        if (!isDefault(field, kept)) out[key] = kept;
      }
      return out;
    }
    case "array":
      return (value as unknown[]).map((item) => prune(def.element!, item));
    case "record":
      return Object.fromEntries(
        Object.entries(value as object)
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([key, item]) => [key, prune(def.valueType!, item)]),
      );
    case "union": {
      const option = def.options!.find((o) => fits(o, def.discriminator, value));
      return option ? prune(option, value) : value;
    }
    default:
      return value;
  }
}

function fits(option: AnySchema, discriminator: string | undefined, value: unknown): boolean {
  if (!discriminator) return (option as z.ZodType).safeParse(value).success;
  const literal = defOf(defOf(option).shape![discriminator]) as unknown as { values: unknown[] };
  return literal.values.includes((value as Record<string, unknown>)[discriminator]);
}

function isDefault(field: AnySchema, kept: unknown): boolean {
  const def = defOf(field);
  if (def.type !== "default" && def.type !== "prefault") return false;
  return isEqual(kept, prune(def.innerType!, def.defaultValue));
}

/** An object stays on one line while it fits this many characters. */
const LINE = 96;
const plain = (value: unknown) => typeof value !== "object" || value === null;

function print(value: unknown, indent: string): string {
  if (plain(value)) return JSON.stringify(value);
  const inner = `${indent}  `;
  if (Array.isArray(value)) {
    if (value.length === 0) return "[]";
    if (value.every(plain)) return `[${value.map((item) => JSON.stringify(item)).join(", ")}]`;
    return `[\n${value.map((item) => inner + print(item, inner)).join(",\n")}\n${indent}]`;
  }
  const entries = Object.entries(value as object);
  if (entries.length === 0) return "{}";
  const line = oneLine(value);
  if (line.length + indent.length <= LINE) return line;
  return `{\n${entries.map(([key, item]) => `${inner}${JSON.stringify(key)}: ${print(item, inner)}`).join(",\n")}\n${indent}}`;
}

function oneLine(value: unknown): string {
  if (plain(value)) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(oneLine).join(", ")}]`;
  const entries = Object.entries(value as object);
  return entries.length === 0 ? "{}" : `{ ${entries.map(([key, item]) => `${JSON.stringify(key)}: ${oneLine(item)}`).join(", ")} }`;
}
