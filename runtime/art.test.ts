import fc from "fast-check";
import { recorder, type Stroke } from "../test/canvas";
import { placed, staged } from "../test/stage";
import type { Control } from "../core/format/types";
import { lettersIn } from "../core/checks/overflowingWords";
import { wordWidth } from "../core/derived/letterWidths";
import { drawControls } from "./art";
import { forgetWordWidths } from "./draw/label";
import { INK_STRENGTH } from "../core/engine/lettering";
import { POSE_AT_REST, type DrawnControl, type Pose, type Supplies } from "./draw/drawn";

/** Path2D is the browser's; here it remembers what it was made of. */
class Path {
  constructor(readonly data: string) {}
}
beforeAll(() => {
  Object.assign(globalThis, { Path2D: Path });
});
afterAll(() => {
  delete (globalThis as { Path2D?: unknown }).Path2D;
});

const REST = { fill: "#111111", line: "#222222", ink: "#333333", opacity: 0.5 };
const HELD = { fill: "#AAAAAA", line: "#BBBBBB", ink: "#CCCCCC", opacity: 0.9 };
const controlOf = (kind: Control["kind"], look: object = {}): Control =>
  staged([{ id: "c", name: "C", kind, placement: placed(500, 250, 200), look: { rest: REST, held: HELD, ...look } }], []).controls[0];

/** What is painted of one control of 200 px; `hairline` in px. */
function paint(control: Control, pose: Pose, supplies?: Supplies, hairline = 1): Stroke[] {
  const { ctx, painted } = recorder();
  const drawn: DrawnControl = { control, box: { x: 400, y: 150, w: 200, h: 200 }, travel: 100, pose };
  drawControls(ctx, [drawn], hairline, supplies);
  return painted;
}
const held: Pose = { held: true, x: 0, y: 0 };
const icons: Supplies = { pictureOf: () => null, icons: { bell: "M0 0h24" } };

test.each(["stick", "dpad", "button", "touchpad", "swipe", "dial"] as const)("a %s is painted in the colours of its look, at rest and held", (kind) => {
  for (const [pose, face] of [
    [POSE_AT_REST, REST],
    [held, HELD],
  ] as const) {
    const painted = paint(controlOf(kind), pose);
    expect(painted.some((s) => s.call === "fill" && s.fill === face.fill)).toBe(true);
    expect(painted.some((s) => s.call === "stroke" && s.line === face.line)).toBe(true);
    const other = face === REST ? HELD : REST;
    expect(painted.filter((s) => s.call === "fill").some((s) => s.fill === other.fill)).toBe(false);
    for (const s of painted) expect(s.alpha).toBeLessThanOrEqual(face.opacity + 1e-9);
  }
});

test("what hides at rest is painted only while it is held; a hidden knob leaves the base", () => {
  expect(paint(controlOf("button", { hideAtRest: "all" }), POSE_AT_REST)).toEqual([]);
  expect(paint(controlOf("button", { hideAtRest: "all" }), held).length).toBeGreaterThan(0);
  const whole = paint(controlOf("stick"), POSE_AT_REST).length;
  const base = paint(controlOf("stick", { hideAtRest: "knob" }), POSE_AT_REST).length;
  expect(base).toBeGreaterThan(0);
  expect(base).toBeLessThan(whole);
  expect(paint(controlOf("stick", { hideAtRest: "knob" }), held)).toHaveLength(paint(controlOf("stick"), held).length);
});

test("long untouched it fades to the look for that, and is back at once on touch", () => {
  const control = controlOf("button", { away: { opacity: 0.1, afterMs: 1000 } });
  const alphas = [0, 0.5, 1].map((away) => paint(control, { ...POSE_AT_REST, away })[0].alpha);
  expect(alphas[0]).toBeCloseTo(0.5, 12);
  expect(alphas[1]).toBeCloseTo(0.3, 12);
  expect(alphas[2]).toBeCloseTo(0.1, 12);
  expect(paint(control, { ...held, away: 1 })[0].alpha).toBeCloseTo(0.9, 12);
});

test("an icon is painted where it is at hand, with the ink and stronger than the body; a name that is not there paints nothing", () => {
  const bare = paint(controlOf("button"), POSE_AT_REST, icons);
  const marked = paint(controlOf("button", { icon: "bell" }), POSE_AT_REST, icons);
  const icon = marked.filter((s) => s.args[0] instanceof Path);
  expect(icon).toHaveLength(1);
  expect((icon[0].args[0] as unknown as Path).data).toBe("M0 0h24");
  expect(icon[0].line).toBe(REST.ink);
  expect(icon[0].alpha).toBeCloseTo(REST.opacity * INK_STRENGTH, 12);
  for (const name of ["whistle", "constructor", "__proto__"]) expect(paint(controlOf("button", { icon: name }), POSE_AT_REST, icons)).toEqual(bare);
  expect(paint(controlOf("button", { icon: "bell" }), POSE_AT_REST)).toEqual(bare);
});

test("a word is painted as it stands, in the ink; not on a control too small to read it", () => {
  forgetWordWidths();
  const control = controlOf("button", { label: "Ahoy" });
  const words = (hairline: number) => paint(control, POSE_AT_REST, icons, hairline).filter((s) => s.call === "fillText");
  expect(words(1).map((s) => [s.args[0], s.fill])).toEqual([["Ahoy", REST.ink]]);
  expect(words(20)).toEqual([]);
});

test("what is drawn turns, its word with it or not; a played file that does not say turns it", () => {
  const picture = { a: 1 } as unknown as CanvasImageSource;
  const turns = (look: object) => {
    const { ctx, painted } = recorder(["rotate", "fillText", "drawImage"]);
    const control = controlOf("button", { label: "Ahoy", rotateDeg: 90, ...look });
    const drawn = { ...control, look: { ...control.look, art: { rest: "pic" }, ...look } } as Control;
    drawControls(ctx, [{ control: drawn, box: { x: 400, y: 150, w: 200, h: 200 }, travel: 100, pose: POSE_AT_REST }], 1, {
      pictureOf: () => picture,
      icons: {},
    });
    return painted.map(({ call }) => call);
  };
  expect(turns({})).toEqual(["rotate", "drawImage", "rotate", "fillText"]);
  expect(turns({ turnLabel: undefined })).toEqual(["rotate", "drawImage", "rotate", "fillText"]);
  expect(turns({ turnLabel: false })).toEqual(["rotate", "drawImage", "fillText"]);
});

test("a picture of its own takes the place of the drawn body, the held one while held, and falls back to the rest's", () => {
  const images = { "pic-a": { a: 1 }, "pic-b": { b: 1 } } as unknown as Record<string, CanvasImageSource>;
  const supplies: Supplies = { pictureOf: (id) => images[id] ?? null, icons: {} };
  const withArt = (art: object): Control => ({ ...controlOf("button"), look: { ...controlOf("button").look, art } }) as Control;
  const shown = (art: object, pose: Pose) => paint(withArt(art), pose, supplies).map((s) => (s.call === "drawImage" ? s.args[0] : s.call));
  expect(shown({ rest: "pic-a", held: "pic-b" }, POSE_AT_REST)).toEqual([images["pic-a"]]);
  expect(shown({ rest: "pic-a", held: "pic-b" }, held)).toEqual([images["pic-b"]]);
  expect(shown({ rest: "pic-a" }, held)).toEqual([images["pic-a"]]);
  expect(shown({ rest: "lost" }, POSE_AT_REST)).toEqual(paint(controlOf("button"), POSE_AT_REST).map((s) => s.call));
});

test("a knob has the look of its own where it has one, else the base's turned inside out", () => {
  const colours = (look: object, pose: Pose) => paint(controlOf("stick", look), pose).flatMap((s) => (s.call === "fill" ? [s.fill] : []));
  expect(colours({}, POSE_AT_REST)).toEqual([REST.fill, REST.ink]);
  expect(colours({ knob: { held: { ...HELD, fill: "#123456" } } }, held)).toEqual([HELD.fill, "#123456"]);
  expect(colours({ knob: { held: { ...HELD, fill: "#123456" } } }, POSE_AT_REST)).toEqual([REST.fill, REST.ink]);
});

test("of a d-pad the ways in force light up, and no others", () => {
  const lit = (x: number, y: number) => paint(controlOf("dpad"), { held: true, x, y }).filter((s) => s.call === "fill" && s.fill === HELD.ink).length;
  expect([lit(0, 0), lit(1, 0), lit(0, -1), lit(Math.SQRT1_2, Math.SQRT1_2)]).toEqual([0, 1, 1, 2]);
});

test("words are drawn as large as their fit is judged", () => {
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 400 }), fc.integer({ min: 20, max: 400 }), fc.constantFrom("A", "horn", "a longer word"), (w, h, label) => {
      const fonts: string[] = [];
      const ctx = new Proxy({} as Record<string, unknown>, {
        get: (_, key) => (key === "globalAlpha" ? 1 : () => undefined),
        set: (_, key, value) => {
          if (key === "font") fonts.push(String(value));
          return true;
        },
      });
      const drawn = { control: controlOf("button", { label }), box: { x: 0, y: 0, w, h }, travel: 0, pose: POSE_AT_REST };
      drawControls(ctx as never, [drawn], 1, { pictureOf: () => null, icons: {}, wordEm: wordWidth });
      expect(fonts.map((font) => Number.parseFloat(font.replace("600 ", "")))).toEqual([Math.round(lettersIn({ w, h }, label, 1).em * 2) / 2]);
    }),
  );
});

test("words of scripts from right to left are drawn that way, whatever the sign before them", () => {
  const directionOf = (label: string) => {
    const seen: string[] = [];
    const ctx = new Proxy({} as Record<string, unknown>, {
      get: (_, key) => (key === "measureText" ? () => ({ width: 100 }) : key === "globalAlpha" ? 1 : () => undefined),
      set: (_, key, value) => {
        if (key === "direction") seen.push(String(value));
        return true;
      },
    });
    const control = controlOf("button", { label });
    drawControls(ctx as never, [{ control, box: { x: 0, y: 0, w: 100, h: 100 }, travel: 0, pose: POSE_AT_REST }], 1);
    return seen;
  };
  expect(["horn", "دفة", "!צופר", "42"].map(directionOf)).toEqual([["ltr"], ["rtl"], ["rtl"], ["ltr"]]);
});

/** A control of the stage with a feel and serves of its own. */
const felt = (kind: Control["kind"], feel: object, serves: object[] = [], more: object = {}): Control =>
  staged(
    [{ id: "c", name: "C", kind, placement: placed(500, 250, 200), look: { rest: REST, held: HELD, ...more }, feel, serves }],
    [
      { name: "fire", kind: "press" },
      { name: "go", kind: "vector" },
    ],
    { pictures: ["rim", "mark"].map((id) => ({ id, name: id, type: "image/png", data: "AAAA" })) },
  ).controls[0];

test("a dial is turned by what it gives, its pictures of rim and mark with it", () => {
  const pictureOf = (id: string) => id as unknown as CanvasImageSource;
  const turned = (more: object) => {
    const { ctx, painted } = recorder(["rotate", "drawImage"]);
    const drawn: DrawnControl = { control: felt("dial", {}, [], more), box: { x: 400, y: 150, w: 200, h: 200 }, travel: 0, pose: { held: true, x: 90, y: 0 } };
    drawControls(ctx, [drawn], 1, { pictureOf, icons: {} });
    return painted.map(({ call, args }) => (call === "rotate" ? (args[0] as number) / Math.PI : args[0]));
  };
  expect(turned({})).toEqual([0.5]);
  expect(turned({ rotateDeg: 45, art: { rest: "rim", knob: "mark" } })).toEqual([0.75, "rim", 0.75, "mark"]);
});

test("aiming, a line leads to the knob; where letting go does nothing the knob is faint; a stick that fires nothing has neither", () => {
  const strokes = (serves: object[], x: number) => paint(felt("stick", { inner: 0.2 }, serves), { held: true, x, y: 0 });
  const aims = [{ port: "released", action: "fire" }];
  const plain = strokes([{ port: "vector", action: "go" }], 0.8);
  expect(strokes(aims, 0.8)).toHaveLength(plain.length + 1);
  expect(strokes(aims, 0.1)).toHaveLength(plain.length);
  const knob = (painted: Stroke[]) => painted.filter(({ call }) => call === "fill").at(-1)!.alpha;
  expect(knob(strokes(aims, 0.1))).toBeLessThan(knob(strokes(aims, 0.8)) / 2);
  expect(knob(strokes([], 0.1))).toBe(knob(plain));
});

test("a lever of one axis is a slot along it, with a round knob", () => {
  const { ctx, painted } = recorder(["ellipse", "roundRect"]);
  const box = { x: 400, y: 150, w: 100, h: 200 };
  drawControls(ctx, [{ control: felt("stick", { rest: "stays", axes: "y" }), box, travel: 80, pose: { held: false, x: 0, y: 0.5 } }], 1);
  const [slot] = painted.filter(({ call }) => call === "roundRect");
  expect(slot.args.slice(0, 4)).toEqual([427.5, 150, 45, 200]);
  const [x, y, rx, ry] = painted.filter(({ call }) => call === "ellipse")[0].args as number[];
  expect([x, y, rx === ry]).toEqual([450, 210, true]);
});
