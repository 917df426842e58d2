import fc from "fast-check";
import { XMLParser, XMLValidator } from "fast-xml-parser";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { bareFindings } from "../checks/check";
import { resolveLayout } from "../engine/placement/resolve";
import { plainScreen, pxPerMm } from "../engine/placement/screen";
import { DRAWING_LAYERS, layoutDrawing } from "./layoutDrawing";
import { element, escaped } from "./svgElement";
import { repeated } from "../../test/repeated";

const [brackwater, , draft] = sampleLayouts();
const screen = plainScreen("Wide phone", 2400, 1080, 420);

interface Node {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Node[];
}
/** A drawing as a tree, read by a parser of XML. */
function treeOf(svg: string): Node {
  const parser = new XMLParser({ ignoreAttributes: false, preserveOrder: true, attributeNamePrefix: "" });
  const read = (entries: readonly Record<string, unknown>[]): Node[] =>
    entries.flatMap((entry) => {
      const name = Object.keys(entry).find((key) => key !== ":@" && key !== "#text");
      return name ? [{ name, attributes: (entry[":@"] ?? {}) as Record<string, string>, children: read(entry[name] as Record<string, unknown>[]) }] : [];
    });
  return read(parser.parse(svg) as Record<string, unknown>[])[0];
}
const all = (node: Node): Node[] => [node, ...node.children.flatMap(all)];

test("whatever the layout and the screen a drawing is well-formed, no id stands twice, every number is one, and what it points to is there", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, fc.subarray([...DRAWING_LAYERS]), (layout, on, layers) => {
      const resolved = resolveLayout(layout, on, { handed: "right", playerSize: 1, moment: null });
      const svg = layoutDrawing(layout, resolved, { layers, shrinks: 2, prefix: "p.", findings: bareFindings(layout, on) });
      expect(XMLValidator.validate(svg)).toBe(true);
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
      const nodes = all(treeOf(svg));
      const ids = nodes.flatMap(({ attributes }) => attributes.id ?? []);
      expect(new Set(ids).size).toBe(ids.length);
      for (const id of ids) expect(id.startsWith("p.")).toBe(true);
      for (const [, target] of svg.matchAll(/url\(#([^)]+)\)/g)) expect(ids).toContain(target);
      expect(nodes.flatMap(({ attributes }) => attributes["data-layer"] ?? [])).toEqual(DRAWING_LAYERS.filter((layer) => layers.includes(layer)));
    }),
    { numRuns: repeated(60) },
  );
});

test("controls stand where they stand, in px of the screen; the drawing is as large on paper as its scale says", () => {
  const resolved = resolveLayout(brackwater, screen);
  const tree = treeOf(layoutDrawing(brackwater, resolved, { layers: ["controls", "areas"], shrinks: 3 }));
  expect(tree.attributes.viewBox).toBe("0 0 2400 1080");
  expect(Number.parseFloat(tree.attributes.width) * 3 * pxPerMm(screen)).toBeCloseTo(2400, 0);
  for (const at of resolved.controls) {
    const group = all(tree).find((node) => node.attributes.id === at.id)!;
    const first = group.children[0].attributes;
    const box =
      first.rx !== undefined && first.cx !== undefined
        ? { x: Number(first.cx) - Number(first.rx), y: Number(first.cy) - Number(first.ry), w: 2 * Number(first.rx), h: 2 * Number(first.ry) }
        : { x: Number(first.x), y: Number(first.y), w: Number(first.width), h: Number(first.height) };
    for (const side of ["x", "y", "w", "h"] as const) expect(box[side]).toBeCloseTo(at.visual[side], 2);
  }
  const travelling = resolved.controls.filter(({ travel }) => travel !== undefined);
  expect(travelling.length).toBeGreaterThan(0);
  for (const { id, travel } of travelling)
    expect(Number(all(tree).find((node) => node.attributes["data-travel"] === id)!.attributes.r)).toBeCloseTo(travel!, 2);
});

test("each control and zone with an open finding is marked once, by the worst of them, and nothing else is", () => {
  const resolved = resolveLayout(draft, screen);
  const findings = bareFindings(draft, screen);
  const marked = all(treeOf(layoutDrawing(draft, resolved, { layers: ["findings"], shrinks: 2, findings }))).flatMap(({ name, attributes }) =>
    attributes["data-finding"] ? [[attributes["data-finding"], { rect: "blocker", path: "warning", circle: "note" }[name]]] : [],
  );
  const rank = ["blocker", "warning", "note"];
  const wanted = [...resolved.controls, ...resolved.keepClear].flatMap(({ id }) => {
    const own = findings.filter((f) => f.accepted === null && f.subjects.includes(id)).map((f) => rank.indexOf(f.severity));
    return own.length > 0 ? [[id, rank[Math.min(...own)]]] : [];
  });
  expect(marked).toEqual(wanted);
  expect(wanted.length).toBeGreaterThan(4);
});

test("names with signs of markup in them are words, not markup", () => {
  const named = { ...brackwater, name: `<script>"&'`, controls: brackwater.controls.map((c) => ({ ...c, name: "</text><script>alert(1)</script>\u0000" })) };
  const svg = layoutDrawing(named, resolveLayout(named, screen), { layers: DRAWING_LAYERS, shrinks: 1 });
  expect(XMLValidator.validate(svg)).toBe(true);
  expect(svg).not.toContain("<script");
  expect(escaped("a\u0000\ufffe<b")).toBe("a&lt;b");
  expect(element("a", { title: `"x" & <y>`, gone: null, n: 1 / 3 }, "in")).toBe(`<a title="&quot;x&quot; &amp; &lt;y&gt;" n="0.333">in</a>`);
});
