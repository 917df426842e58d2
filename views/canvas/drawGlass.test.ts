import { SCREENS } from "../../core/format/limits";
import { moveBy, editContextOf } from "../../core/editing/placing";
import { plainScreen } from "../../core/engine/placement/screen";
import { resolveLayout } from "../../core/engine/placement/resolve";
import type { Layout } from "../../core/format/types";
import { forgetWordWidths } from "../../runtime/draw/label";
import { sampleLayouts } from "../../test/samples";
import { recorder } from "../../test/canvas";
import { contextFor, drawGlass, posed } from "./drawGlass";

jest.mock("./backdropPicture", () => ({
  backdropKey: (bench: { backdrop: string }) => bench.backdrop,
  backdropAt: () => "backdrop",
  backdropIn: (bench: unknown) => bench,
}));
jest.mock("./images", () => ({ suppliesOf: () => ({ pictureOf: () => null, icons: {} }) }));

const [harbour] = sampleLayouts();
const plain: Layout = { ...harbour, pictures: [], controls: harbour.controls.map((c) => ({ ...c, look: { ...c.look, art: undefined, icon: undefined } })) };
const screen = { ...plainScreen("Bench", 2400, 1080, 411), cutouts: [{ x: 0, y: 400, w: 90, h: 280 }] };

beforeAll(() => {
  Object.assign(globalThis, { window: { devicePixelRatio: 1 }, Path2D: class {} });
});
beforeEach(() => forgetWordWidths());

/** A canvas whose pen writes down clips, wipes and pictures, and what is filled. */
function canvas() {
  const pen = recorder(["clearRect", "rect", "drawImage", "fill", "roundRect"]);
  const element = { width: 0, height: 0, getContext: () => pen.ctx } as unknown as HTMLCanvasElement;
  const draw = (layout: Layout, more: { scale?: number; epoch?: number } = {}) => {
    pen.painted.length = 0;
    drawGlass(element, layout, posed(layout, resolveLayout(layout, screen), { held: false }), { screen, scale: more.scale ?? 0.25, epoch: more.epoch ?? 0 });
    const of = (call: string) => pen.painted.filter((p) => p.call === call);
    return {
      wiped: of("clearRect").map((p) => p.args as number[]),
      regions: of("rect").map((p) => p.args as number[]),
      fills: of("fill").length,
      backdrops: of("drawImage").length,
    };
  };
  return { element, draw };
}
const moved = (layout: Layout, id: string): Layout => {
  const next = moveBy(editContextOf(layout, screen), [id], -40, -30);
  if (!next.ok) throw new Error("refused");
  return next.value;
};

test("the first time all is drawn: wiped, backdrop, controls, cut-outs", () => {
  const { element, draw } = canvas();
  const first = draw(plain);
  expect([element.width, element.height]).toEqual([600, 270]);
  expect(first.wiped).toEqual([[0, 0, 2400, 1080]]);
  expect(first.backdrops).toBe(1);
  expect(first.fills).toBeGreaterThan(plain.controls.length);
});

test("the same again touches nothing", () => {
  const { draw } = canvas();
  draw(plain);
  expect(draw({ ...plain, name: "another version" })).toEqual({ wiped: [], regions: [], fills: 0, backdrops: 0 });
});

test("of a control that moved only the part where it was and is is drawn anew, on whole px of the display", () => {
  const { draw } = canvas();
  draw(plain);
  const all = canvas().draw(plain);
  const { wiped, regions, fills } = draw(moved(plain, "horn"));
  expect(regions).toHaveLength(1);
  const [x, y, w, h] = wiped[0];
  const was = resolveLayout(plain, screen).controls.find((c) => c.id === "horn")!.visual;
  expect(x).toBeLessThan(was.x - 40);
  expect(y).toBeLessThan(was.y - 30);
  expect(x + w).toBeGreaterThan(was.x + was.w);
  expect(y + h).toBeGreaterThan(was.y + was.h);
  expect(w * h).toBeLessThan(0.2 * 2400 * 1080);
  for (const edge of [x, y, x + w, y + h]) expect(edge * 0.25).toBeCloseTo(Math.round(edge * 0.25), 9);
  expect(fills).toBeLessThan(all.fills);
});

test.each<[string, (layout: Layout) => [Layout, { scale?: number; epoch?: number }]]>([
  ["another size", (l) => [l, { scale: 0.5 }]],
  ["fonts or pictures that came in", (l) => [l, { epoch: 1 }]],
  ["another backdrop", (l) => [{ ...l, workbench: { ...l.workbench, backdrop: "plain" } }, {}]],
  ["a control more or less", (l) => [{ ...l, controls: l.controls.slice(1) }, {}]],
  ["another order", (l) => [{ ...l, controls: [...l.controls].reverse() }, {}]],
])("%s means drawing all of it", (_what, change) => {
  const { draw } = canvas();
  draw(plain);
  const [layout, more] = change(plain);
  expect(draw(layout, more).wiped).toEqual([[0, 0, 2400, 1080]]);
});

test("a canvas is never larger than the largest side, and without a pen nothing happens", () => {
  const { element } = canvas();
  contextFor(element, screen, { scale: 40 });
  expect(Math.max(element.width, element.height)).toBe(4096);
  contextFor(element, screen, { scale: 40, mostPx: 1_000_000 });
  expect(element.width * element.height).toBeLessThan(1_001_000);
  expect(element.width / element.height).toBeCloseTo(screen.widthPx / screen.heightPx, 2);
  contextFor(element, { widthPx: 20_000, heightPx: 20_000 }, { scale: 1 });
  expect(element.width * element.height).toBe(SCREENS.canvasPx.most);
  const none = { width: 1, height: 1, getContext: () => null } as unknown as HTMLCanvasElement;
  expect(contextFor(none, screen, { scale: 1 })).toBeNull();
  expect(() => drawGlass(none, plain, [], { screen, scale: 1, epoch: 0 })).not.toThrow();
});
