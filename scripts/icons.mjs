/** Writes runtime/icons.ts: the icons a control may carry, as path data in a 24 × 24 box, taken from lucide (ISC licence, part of it MIT). Run it after adding a name. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root, runBin } from "./lib.mjs";

const NAMES = `anchor arrow-up arrow-down arrow-left arrow-right arrow-big-up arrow-big-down arrow-big-left arrow-big-right move rotate-cw rotate-ccw
refresh-cw play pause square circle triangle star heart zap flame droplet waves-horizontal wind snowflake sun moon cloud shield sword target crosshair hand footprints
eye lightbulb flashlight volume-2 volume-x bell megaphone camera map map-pin compass flag house key lock lock-open backpack book mail package wrench
hammer axe bomb rocket ship car bike plane fuel gauge door-open chevrons-up fish skull ghost plus minus x check menu settings search timer trophy gift`
  .split(/\s+/)
  .filter(Boolean);

const number = (text) => Number(text);
/** A shape as path data. */
function pathOf([tag, a]) {
  switch (tag) {
    case "path":
      return a.d;
    case "circle":
    case "ellipse": {
      const [cx, cy] = [number(a.cx), number(a.cy)];
      const [rx, ry] = tag === "circle" ? [number(a.r), number(a.r)] : [number(a.rx), number(a.ry)];
      return `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0`;
    }
    case "rect": {
      const [x, y, w, h] = [a.x ?? 0, a.y ?? 0, a.width, a.height].map(number);
      const r = number(a.rx ?? a.ry ?? 0);
      if (r === 0) return `M${x} ${y}h${w}v${h}h${-w}z`;
      return `M${x + r} ${y}h${w - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${h - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${2 * r - w}a${r} ${r} 0 0 1 ${-r} ${-r}v${2 * r - h}a${r} ${r} 0 0 1 ${r} ${-r}z`;
    }
    case "line":
      return `M${a.x1} ${a.y1}L${a.x2} ${a.y2}`;
    case "polyline":
    case "polygon":
      return `M${a.points.trim().replace(/\s+/g, " ")}${tag === "polygon" ? "z" : ""}`;
    default:
      throw new Error(`no way to draw <${tag}>`);
  }
}

const icons = {};
for (const name of NAMES) {
  const file = join(root, "node_modules/lucide-react/dist/esm/icons", `${name}.mjs`);
  const { __iconData, __iconNode } = await import(pathToFileURL(file).href);
  if (!__iconData && !__iconNode) throw new Error(`lucide has no ${name} of its own`);
  icons[name] = (__iconData?.node ?? __iconNode).map(pathOf).join("");
}
const version = JSON.parse(readFileSync(join(root, "node_modules/lucide-react/package.json"), "utf8")).version;
const out = join(root, "runtime/icons.ts");
const text = `/** The icons a control may carry: path data in a 24 × 24 box, drawn with a line of 2, ends and corners round. From lucide ${version} (ISC licence, part of it MIT after Feather; both in THIRD-PARTY.md); written by scripts/icons.mjs. */
export const ICONS: Readonly<Record<string, string>> = ${JSON.stringify(icons)};
`;
writeFileSync(out, text);
process.exitCode = runBin("oxfmt", [out]);
console.log(`${Object.keys(icons).length} icons`);
