/** The pages of docs/ that are made from the code: the findings, and the tables and figures of the format. */
import { FINDING_CODES } from "../core/checks/finding";
import { FINDING_DOCS } from "../core/checks/findingDocs";
import { layoutJsonSchema } from "../core/exchange/schema";
import { readLayout } from "../core/format/parse";
import { FILES, LISTS, PICTURES, SCREENS, TEXTS, type Limit } from "../core/format/limits";
import { resolveLayout } from "../core/engine/placement/resolve";
import { parseScreen } from "../core/engine/placement/screen";

/** docs/FINDINGS.md. */
export function findingsPage(): string {
  const sections = FINDING_CODES.map((code) => {
    const { means, measure, severity, fix } = FINDING_DOCS[code];
    return `## ${code}\n\n${means}\n\n- measure: ${measure}\n- severity: ${severity}\n- fix: ${fix}\n`;
  });
  return `# Findings

After reading this page you know what each finding means, how it is measured, and how to fix it.

A finding belongs to a screen. Findings are sorted by severity (■ blocker, ◆ warning, ○ note), then by the order of this page. Findings about a control's own
geometry or wires are reported once. All others are checked in each moment of the game, and reported once if they are the same in all moments. Nodulum offers
a small fix only after testing it: the finding is resolved, and no finding of the same severity is new or worse.

*Ground* is an area that may lie under others: floating and trailing sticks, touchpads and swipes. The *area* of a control is its landing area if it has
one, otherwise its hit area.

This page is generated from \`core/checks/findingDocs.ts\` by \`npm run docs\`.

${sections.join("\n")}`;
}

interface Node {
  type?: string;
  const?: unknown;
  enum?: unknown[];
  default?: unknown;
  properties?: Record<string, Node>;
  required?: string[];
  items?: Node;
  anyOf?: Node[];
  oneOf?: Node[];
  prefixItems?: Node[];
}

function typeText(node: Node): string {
  if (node.const !== undefined) return JSON.stringify(node.const);
  if (node.enum) return node.enum.map((e) => JSON.stringify(e)).join(" \\| ");
  const options = node.anyOf ?? node.oneOf;
  if (options) return [...new Set(options.map(typeText))].join(" or ");
  if (node.prefixItems) return `[${node.prefixItems.map(typeText).join(", ")}]`;
  if (node.type === "array") return node.items ? `list of ${typeText(node.items)}` : "list";
  return node.type ?? "any";
}

/** The keys of an object, a row each. */
function table(node: Node): string {
  const rows = Object.entries(node.properties ?? {}).map(([key, field]) => {
    const fallback = node.required?.includes(key) ? "required" : field.default === undefined ? "–" : `\`${JSON.stringify(field.default)}\``;
    return `| \`${key}\` | ${typeText(field)} | ${fallback} |`;
  });
  return `| key | value | default |\n| --- | --- | --- |\n${rows.join("\n")}`;
}

function tables(): string {
  const root = layoutJsonSchema() as Node;
  const item = (key: string) => root.properties![key].items!;
  const kinds = (item("controls").oneOf ?? item("controls").anyOf)!;
  const feel = (node: Node) => `### feel of a ${String(node.properties!.kind.const)}\n\n${table(node.properties!.feel)}`;
  return [
    `### the file\n\n${table(root)}`,
    `### an action\n\n${table(item("actions"))}`,
    `### a control\n\n${table(kinds[0])}`,
    `### hit\n\n${table(kinds[0].properties!.hit)}`,
    ...kinds.map(feel),
    `### look\n\n${table(kinds[0].properties!.look)}`,
    `### limits\n\n${table(root.properties!.limits)}`,
    `### limits.scatter: where touches meant for a control land, mm and mm²\n\n${table(root.properties!.limits.properties!.scatter)}`,
    `### workbench\n\n${table(root.properties!.workbench)}`,
    `### what may come in at most\n\n${limitTable({ ...LISTS, ...TEXTS, ...SCREENS, ...PICTURES, ...FILES })}`,
  ].join("\n\n");
}

/** The limits as the door says them. */
function limitTable(limits: Readonly<Record<string, Limit>>): string {
  const rows = Object.entries(limits).map(([key, { least, most, words }]) => `| \`${key}\` | ${least === undefined ? "" : `${least} … `}${most} | ${words} |`);
  return `| what | most | in words |\n| --- | --- | --- |\n${rows.join("\n")}`;
}

/** What the worked example of the page comes to, computed by the code. */
export function exampleFigures(page: string): string {
  const file = /```json\n([\s\S]*?)```/.exec(page)?.[1] ?? "";
  const layout = readLayout(file);
  const screen = parseScreen("2400x1080@508+100,0,0,0");
  if (!layout.ok || !screen.ok) throw new Error("the example of docs/FORMAT.md does not parse");
  const resolved = resolveLayout(layout.value, screen.value);
  const box = (b: { x: number; y: number; w: number; h: number }) => [b.x, b.y, b.w, b.h].map((n) => Number(n.toFixed(3))).join(", ");
  const rows = resolved.controls.map(
    (c) => `| \`${c.id}\` | ${box(c.visual)} | ${box(c.hit)} | ${c.travel === undefined ? "–" : Number(c.travel.toFixed(3))} |`,
  );
  return `One unit is ${Number(resolved.scale.toFixed(6))} px.\n\n| control | visual x, y, w, h | hit x, y, w, h | travel |\n| --- | --- | --- | --- |\n${rows.join("\n")}`;
}

/** docs/FORMAT.md with its generated parts put in again, between the markers. */
export function formatPage(page: string): string {
  const put = (text: string, name: string, part: string) =>
    text.replace(new RegExp(`(<!-- ${name} -->\\n)[\\s\\S]*?(<!-- /${name} -->)`), (_, open: string, close: string) => `${open}${part}\n${close}`);
  return put(put(page, "tables", tables()), "example", exampleFigures(page));
}
