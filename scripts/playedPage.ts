/** docs/PLAYED.md: the tables of what a played file holds, made from the rules of the reader, and the file and figures of its worked example. */
import { advance, tickTime } from "../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../core/engine/input/events";
import { prepareInput } from "../core/engine/input/setup";
import { initialState } from "../core/engine/input/inputState";
import { resolveLayout } from "../core/engine/placement/resolve";
import { parseScreen } from "../core/engine/placement/screen";
import { readPlayed } from "../core/engine/read/played";
import { PLAYED, type Rule } from "../core/engine/read/rules";
import { compile } from "../core/format/compile";
import { readLayout } from "../core/format/parse";

const code = (text: string) => `\`${text}\``;

function numberText({ low, high, whole, above }: Rule & { is: "number" }): string {
  const word = whole ? "whole number" : "number";
  if (high < Number.MAX_VALUE) return `${word} ${low}…${high}`;
  if (above) return `${word} above ${low}`;
  return low > -Number.MAX_VALUE ? `${word}, ${low} or more` : word;
}

/** What a value may be, in words. Objects that have a their own table are named by it. */
function valueText(rule: Rule): string {
  switch (rule.is) {
    case "number":
      return numberText(rule);
    case "text":
      return rule.means.startsWith("an id") ? "id" : rule.means;
    case "length":
      return { any: "length", zero: "length, 0 or more", above: "length above 0" }[rule.least];
    case "word":
      return rule.of.map((word) => code(JSON.stringify(word))).join(" ");
    case "pair":
      return `two: ${valueText(rule.of)}`;
    case "list":
      return `list of at most ${rule.most}${nests(rule.of) ? "" : `: ${valueText(rule.of)}`}`;
    case "map":
      return nests(rule.of) ? "object, by id" : `object: by language tag ${valueText(rule.of)}`;
    case "or":
      return `${valueText(rule.bare)}, or ${nests(rule.else) ? `{ ${Object.keys((rule.else as Rule & { is: "object" }).keys).join(", ")}: id }` : valueText(rule.else)}`;
    case "ref":
      return `id of one of ${code(rule.to)}`;
    case "object":
    case "kinds":
    case "having":
      return "object";
  }
}

const nests = (rule: Rule): boolean => rule.is === "object" || rule.is === "kinds" || rule.is === "having";

/** Keys whose objects have a their own table, and what they are called. */
const OWN_TABLE: Readonly<Record<string, string>> = {
  placement: "placement",
  landing: "placement",
  hit: "hit",
  rest: "face",
  held: "face",
  curve: "curve",
  feel: "feel",
};

/** A row for every key of an object, those of nested objects behind a dot or brackets. */
function rows(rule: Rule, path: string): string[] {
  if (rule.is !== "object") return [];
  return Object.entries(rule.keys).flatMap(([key, field]) => {
    const at = path + key;
    const named = Object.hasOwn(OWN_TABLE, key) && field.is !== "ref" ? OWN_TABLE[key] : null;
    const row = `| ${code(at)} | ${named ? `a *${named}*` : valueText(field)}${field.opt ? ", or null" : ""} |`;
    return named ? [row] : [row, ...inner(field, at)];
  });
}

function inner(rule: Rule, at: string): string[] {
  switch (rule.is) {
    case "object":
      return rows(rule, `${at}.`);
    case "list":
      return nests(rule.of) ? inner(rule.of, `${at}[]`) : [];
    case "map":
      return nests(rule.of) ? inner(rule.of, `${at}.ID`) : [];
    case "kinds":
      // Of kinds that differ in their feel alone, the first represents all.
      return inner(Object.values(rule.of)[0], at);
    case "having":
      return Object.values(rule.of).flatMap((one) => rows(one, `${at} `));
    default:
      return [];
  }
}

const table = (title: string, rule: Rule) => `### ${title}\n\n| key | value |\n| --- | --- |\n${rows(rule, "").join("\n")}`;

type ObjectRule = Rule & { is: "object" };
type KindsRule = Rule & { is: "kinds" };

/** The tables of every value of a played file. */
function playedTables(): string {
  const file = PLAYED as ObjectRule;
  const kinds = ((file.keys.controls as Rule & { is: "list" }).of as KindsRule).of;
  const control = kinds.stick as ObjectRule;
  const placement = control.keys.placement as KindsRule;
  const look = control.keys.look as ObjectRule;
  const curve = (control.keys.feel as ObjectRule).keys.curve as KindsRule;
  const fileAlone = {
    ...file,
    keys: Object.fromEntries(
      Object.entries(file.keys).map(([key, rule]) => [key, key === "controls" ? { ...rule, of: { is: "word", of: [] } as Rule } : rule]),
    ),
  };
  return [
    table("the file", fileAlone as Rule).replace(/(\| `controls` \| list of at most \d+)[^|]*\|/, "$1, each a *control* |"),
    table("a control", control)
      .replace(
        '`"stick"`',
        Object.keys(kinds)
          .map((kind) => code(JSON.stringify(kind)))
          .join(" "),
      )
      .replace(/(`serves\[\]\.port` \|)[^|]*\|/, "$1 a port of its kind |"),
    ...Object.entries(placement.of).map(([kind, rule]) => table(`a placement: ${kind}`, rule)),
    table("a hit", control.keys.hit),
    table("a face", look.keys.rest),
    ...Object.entries(kinds).map(([kind, rule]) => table(`the feel of a ${kind}`, (rule as ObjectRule).keys.feel)),
    ...Object.entries(curve.of).map(([kind, rule]) => table(`a curve: ${kind}`, rule)),
  ].join("\n\n");
}

/** The layout of the worked example, its screen, its touches. */
const SCREEN = "2000x1000@254+100,0,0,0";
const HZ = 50;
const EVENTS: readonly InputEvent[] = [
  { t: 5, id: 1, type: "down", x: 400, y: 700 },
  { t: 15, id: 1, type: "move", x: 466, y: 612 },
  { t: 25, id: 2, type: "down", x: 1800, y: 750 },
  { t: 30, id: 2, type: "up", x: 1800, y: 750 },
];

const short = (n: number) => Number(n.toFixed(6));
const valueOf = (value: ActionValues[string]): unknown => (typeof value === "number" ? short(value) : Array.isArray(value) ? value.map(short) : value);

/** The played file of the example in the page, and what it comes to, both computed by the code. */
function example(page: string): { file: string; figures: string } {
  const source = /<!-- layout -->\n```json\n([\s\S]*?)```/.exec(page)?.[1] ?? "";
  const layout = readLayout(source);
  const screen = parseScreen(SCREEN);
  if (!layout.ok || !screen.ok) throw new Error("the example of docs/PLAYED.md does not parse");
  const text = compile(layout.value);
  const played = readPlayed(text);
  if (!played.ok) throw new Error("the example of docs/PLAYED.md does not compile");
  const resolved = resolveLayout(played.value.layout, screen.value);
  const box = (b: { x: number; y: number; w: number; h: number }) => [b.x, b.y, b.w, b.h].map(short).join(", ");
  const places = resolved.controls.map((c) => `| \`${c.id}\` | ${box(c.visual)} | ${box(c.hit)} | ${c.travel === undefined ? "–" : short(c.travel)} |`);
  const setup = prepareInput(played.value.layout, resolved, HZ);
  let state = initialState(setup);
  const ticks = [1, 2, 3].map((n) => {
    const time = tickTime(n, HZ);
    const step = advance(
      setup,
      state,
      EVENTS.filter((e) => e.t <= time && e.t > tickTime(n - 1, HZ)),
      time,
    );
    state = step.state;
    return `| ${n} | ${time} | ${Object.values(step.values)
      .map((value) => JSON.stringify(valueOf(value)))
      .join(" | ")} |`;
  });
  const names = Object.keys(advance(setup, initialState(setup), [], tickTime(1, HZ)).values);
  return {
    file: `\`\`\`json\n${text}\n\`\`\``,
    figures: `One unit is ${short(resolved.scale)} px.\n\n| control | visual x, y, w, h | hit x, y, w, h | travel |\n| --- | --- | --- | --- |\n${places.join("\n")}\n\n| tick | time, ms | ${names.map(code).join(" | ")} |\n| --- | --- |${" --- |".repeat(names.length)}\n${ticks.join("\n")}`,
  };
}

/** docs/PLAYED.md with its generated parts put in again, between the markers. */
export function playedPage(page: string): string {
  const { file, figures } = example(page);
  const put = (text: string, name: string, part: string) =>
    text.replace(new RegExp(`(<!-- ${name} -->\\n)[\\s\\S]*?(<!-- /${name} -->)`), (_, open: string, close: string) => `${open}${part}\n${close}`);
  return put(put(put(page, "tables", playedTables()), "file", file), "figures", figures);
}
