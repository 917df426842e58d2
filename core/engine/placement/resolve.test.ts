import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../../test/arbitrary";
import { parseLayout } from "../../format/parse";
import type { Layout } from "../../format/types";
import { catalogueFor, RAIL_CLASSES, SCREEN_CLASSES, screenOf } from "../../checks/catalogue";
import { PLAIN_PLAYER_VIEW, resolveLayout } from "./resolve";
import { framesOf, parseScreen, plainScreen } from "./screen";
import { unitPx } from "./scale";
import { pxPerMm } from "./screen";
import { repeated } from "../../../test/repeated";

/** The layout mirrored by hand: what the left-handed view does, written into the file. Landing areas and clusters too. */
function mirrored(layout: Layout): Layout {
  const turn = (text: string) => (text.startsWith("-") ? text.slice(1) : `-${text}`);
  const place = <P extends Layout["controls"][number]["placement"]>(p: P): P =>
    (p.kind === "pin"
      ? { ...p, anchor: [1 - p.anchor[0], p.anchor[1]], pivot: [1 - p.pivot[0], p.pivot[1]], offset: [turn(p.offset[0]), p.offset[1]] }
      : { ...p, from: [1 - p.to[0], p.from[1]], to: [1 - p.from[0], p.to[1]], inset: { ...p.inset, left: p.inset.right, right: p.inset.left } }) as P;
  return {
    ...layout,
    clusters: layout.clusters.map((c) => ({ ...c, placement: place(c.placement) })),
    controls: layout.controls.map((c) => {
      const base = { ...c, placement: place(c.placement), hit: { ...c.hit, shift: [turn(c.hit.shift[0]), c.hit.shift[1]] } };
      return (c.kind === "stick" && c.feel.landing ? { ...base, feel: { ...c.feel, landing: place(c.feel.landing) } } : base) as typeof c;
    }),
    arrangements: layout.arrangements.map((a) => ({
      ...a,
      overrides: Object.fromEntries(
        Object.entries(a.overrides).map(([id, o]) => [id, o.placement && id !== "map" ? { ...o, placement: place(o.placement) } : o]),
      ),
    })),
  };
}

const close = (a: unknown, b: unknown, scale = 1) => {
  const flat = (value: unknown): number[] =>
    typeof value === "number" ? [value] : typeof value === "object" && value !== null ? Object.values(value).flatMap(flat) : [];
  const [one, two] = [flat(a), flat(b)];
  expect(one.length).toBe(two.length);
  one.forEach((n, i) => expect(Math.abs(n * scale - two[i])).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(two[i]))));
};

test("mirrored twice is the same", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout, screen) => {
      close(resolveLayout(mirrored(layout), screen, { ...PLAIN_PLAYER_VIEW, handed: "left" }).controls, resolveLayout(layout, screen).controls);
    }),
    { numRuns: repeated(80) },
  );
});

test("twice the px at twice the ppi changes no millimetre", () => {
  const noPx = (layout: Layout) =>
    !JSON.stringify(layout.controls.concat(layout.clusters as never)).includes('px"') && !JSON.stringify(layout.arrangements).includes('px"');
  fc.assert(
    fc.property(layoutArbitrary.filter(noPx), screenArbitrary, fc.constantFrom(0, 1), (layout, screen, share) => {
      const even = { ...layout, scale: { ...layout.scale, share } };
      const sides = (s: typeof screen.insets) => ({ left: 2 * s.left, top: 2 * s.top, right: 2 * s.right, bottom: 2 * s.bottom });
      const twice = {
        ...screen,
        widthPx: 2 * screen.widthPx,
        heightPx: 2 * screen.heightPx,
        ppi: 2 * screen.ppi,
        insets: sides(screen.insets),
        edges: sides(screen.edges),
      };
      const [one, two] = [resolveLayout(even, screen), resolveLayout(even, twice)];
      close(
        one.controls.map((c) => [c.visual, c.hit, c.landing ?? 0, c.travel ?? 0].map((b) => (typeof b === "number" ? b : [b.x, b.y, b.w, b.h]))),
        two.controls.map((c) => [c.visual, c.hit, c.landing ?? 0, c.travel ?? 0].map((b) => (typeof b === "number" ? b : [b.x, b.y, b.w, b.h]))),
        2,
      );
    }),
    { numRuns: repeated(60) },
  );
});

test.each([
  ["a unit", { scale: { share: 0, of: "shorter" as const, mmPerUnit: 1e308 } }, {}],
  ["a clamp", {}, { clamp: { minMm: 1e308 } }],
  ["an offset", {}, { offset: [`${"9".repeat(21)}u`, `-${"9".repeat(21)}u`] }],
  ["a size", {}, { size: [`${"9".repeat(21)}mm`, "1u"], clamp: { maxMm: 1e-300 } }],
])("%s beyond all measure still gives boxes of finite numbers", (_, over, pin) => {
  const placement = { kind: "pin", frame: "safe", anchor: [1, 1], pivot: [0.5, 0.5], offset: ["0u", "-5mm"], size: ["90u", "60u"], ...pin };
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "Beyond",
    reference: { width: 1000, height: 500 },
    scale: {},
    controls: [{ id: "horn", name: "Horn", kind: "button", placement, hit: { grow: "1u" } }],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const base = read.value;
  for (const handed of ["left", "right"] as const) {
    const [at] = resolveLayout({ ...base, ...over }, plainScreen("s", 1000, 500, 254), { handed, playerSize: 1, moment: null }).controls;
    for (const box of [at.visual, at.hit]) for (const n of [box.x, box.y, box.w, box.h]) expect(Math.abs(n)).toBeLessThanOrEqual(1e12);
    expect(at.visual.w).toBeGreaterThanOrEqual(0);
    expect(at.k).toBeGreaterThanOrEqual(0);
  }
});

test("nothing is ever NaN, and no size is negative", () => {
  fc.assert(
    fc.property(
      layoutArbitrary,
      screenArbitrary,
      fc.constantFrom(0.8, 1, 1.3),
      fc.constantFrom("left" as const, "right" as const),
      (layout, screen, playerSize, handed) => {
        const resolved = resolveLayout(layout, screen, { handed, playerSize, moment: null });
        for (const c of resolved.controls)
          for (const b of [c.visual, c.hit, c.landing]) {
            if (!b) continue;
            expect([b.x, b.y, b.w, b.h].every(Number.isFinite)).toBe(true);
            expect(b.w >= 0 && b.h >= 0).toBe(true);
          }
      },
    ),
    { numRuns: repeated(60) },
  );
});

test("a unit keeps millimetres at share 0, its share of the screen at 1, and the geometric mix between", () => {
  const scale = { share: 0, of: "shorter" as const, mmPerUnit: 0.1 };
  const reference = { width: 1600, height: 720 };
  const screen = plainScreen("s", 2400, 1080, 508);
  expect(unitPx(scale, reference, screen) / pxPerMm(screen)).toBeCloseTo(0.1, 12);
  expect(unitPx({ ...scale, share: 1 }, reference, screen)).toBeCloseTo(1.5, 12);
  expect(unitPx({ ...scale, share: 0.5 }, reference, screen)).toBeCloseTo(Math.sqrt(2 * 1.5), 12);
});

test("frames: safe less the insets, picture the largest centred box of its aspects", () => {
  const screen = { ...plainScreen("s", 2000, 1000, 400), insets: { left: 100, top: 0, right: 50, bottom: 20 } };
  expect(framesOf(screen).safe).toEqual({ x: 100, y: 0, w: 1850, h: 980 });
  expect(framesOf(screen, { minAspect: 1, maxAspect: 1.5 }).picture).toEqual({ x: 250, y: 0, w: 1500, h: 1000 });
  expect(framesOf(screen, { minAspect: 2.5, maxAspect: 3 }).picture).toEqual({ x: 0, y: 100, w: 2000, h: 800 });
  expect(framesOf(screen, { minAspect: 1, maxAspect: 3 }).picture).toEqual({ x: 0, y: 0, w: 2000, h: 1000 });
});

test("screens are read as the command line writes them", () => {
  const read = parseScreen("2400x1080@411+96,0,96,48");
  expect(read).toMatchObject({ ok: true, value: { widthPx: 2400, heightPx: 1080, ppi: 411, insets: { left: 96, top: 0, right: 96, bottom: 48 } } });
  for (const wrong of ["2400x1080", "0x10@1", "100x100@100+60,0,60,0", "ax1@2", "100x100@100+1,2,3"]) expect(parseScreen(wrong).ok).toBe(false);
});

test("the catalogue: 24 classes of names and sizes that can be, both ways up", () => {
  expect(SCREEN_CLASSES).toHaveLength(24);
  expect(new Set(SCREEN_CLASSES.map((c) => c.name)).size).toBe(24);
  for (const orientation of ["landscape", "portrait"] as const)
    for (const screen of catalogueFor(orientation)) {
      expect(screen.widthPx >= screen.heightPx).toBe(orientation === "landscape");
      const inches = Math.hypot(screen.widthPx, screen.heightPx) / screen.ppi;
      expect(inches).toBeGreaterThan(3.4);
      expect(inches).toBeLessThan(13.1);
      const { safe } = framesOf(screen);
      expect(safe.w > screen.widthPx / 2 && safe.h > screen.heightPx / 2).toBe(true);
      for (const c of screen.cutouts) expect(c.x >= 0 && c.y >= 0 && c.x + c.w <= screen.widthPx && c.y + c.h <= screen.heightPx).toBe(true);
    }
  for (const name of RAIL_CLASSES) expect(SCREEN_CLASSES.some((c) => c.name === name)).toBe(true);
});

test("turned to landscape, a cut-out at the top lies at the left, within the inset", () => {
  for (const cls of SCREEN_CLASSES.filter((c) => c.cutouts.length > 0)) {
    const screen = screenOf(cls, "landscape");
    expect(screen.cutouts[0].x + screen.cutouts[0].w).toBeLessThanOrEqual(screen.insets.left + 40);
    expect(screen.cutouts[0].y + screen.cutouts[0].h / 2).toBeCloseTo(screen.heightPx / 2, 6);
  }
});

test("a frame moved moves what is tied to it, and nothing else", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, fc.integer({ min: 0, max: 80 }), (layout, screen, by) => {
      const [from, to] = [0, by].map((d) => ({ ...screen, insets: { left: 100 + d, top: 10, right: 100 - d, bottom: 20 } }));
      const [one, two] = [resolveLayout(layout, from), resolveLayout(layout, to)];
      const anchored = one.controls.filter((c) => typeof layout.controls.find((k) => k.id === c.id)!.placement.frame === "string");
      fc.pre(anchored.length > 0);
      anchored.forEach((c) => {
        const { placement } = layout.controls.find((k) => k.id === c.id)!;
        const i = one.controls.indexOf(c);
        expect(two.controls[i].visual.x - c.visual.x).toBeCloseTo(placement.frame === "safe" ? by : 0, 6);
        expect(two.controls[i].visual.y).toBeCloseTo(c.visual.y, 9);
      });
    }),
    { numRuns: repeated(60) },
  );
});
