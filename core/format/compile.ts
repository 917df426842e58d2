/** Compiles layouts to played files (docs/PLAYED.md), with the same rules that the engine's reader checks. */
import { PLAYED, PLAYED_FORMAT, PLAYED_VERSION, type Rule } from "../engine/read/rules";
import { digestOfText } from "./digest";
import type { Layout } from "./types";
import { writeLayout } from "./write";

/** SHA-256 of the layout's canonical text, 64 lower-case hex digits. It identifies the layout of a take or played file. @internal exported for its test */
export function digestOf(layout: Layout): string {
  return digestOfText(writeLayout(layout));
}

/**
 * Returns the played file of a layout: one minified JSON object with all keys in the order of the rules; missing values are null.
 * The same layout gives the same bytes. Findings are ignored.
 */
export function compile(layout: Layout): string {
  return JSON.stringify(inOrder({ ...layout, format: PLAYED_FORMAT, version: PLAYED_VERSION, digest: digestOf(layout) }, PLAYED));
}

/** Returns a value with its keys in the order of a rule, without other keys. */
function inOrder(value: unknown, rule: Rule): unknown {
  if (value === undefined || value === null) return null;
  switch (rule.is) {
    case "number":
    case "text":
    case "length":
    case "word":
    case "ref":
      return value;
    case "pair":
    case "list":
      return (value as unknown[]).map((item) => inOrder(item, rule.of));
    case "map":
      // Ids and language tags are not integers, so engines keep their order.
      return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, inOrder(item, rule.of)]));
    case "object": {
      const object = value as Record<string, unknown>;
      return Object.fromEntries(Object.entries(rule.keys).map(([key, own]) => [key, inOrder(object[key], own)]));
    }
    case "kinds":
      return inOrder(value, rule.of[(value as Record<string, string>)[rule.by]]);
    case "having":
      return inOrder(value, rule.of[Object.keys(rule.of).find((key) => key in (value as object))!]);
    case "or":
      return inOrder(value, typeof value === "object" ? rule.else : rule.bare);
  }
}
