/** What a game says of a control, as it is read, kept and drawn. */
import { parseLayout } from "../../core/format/parse";
import { placed, staged } from "../../test/stage";
import { drawControls } from "../art";
import { drawnBox } from "../region";
import { POSE_AT_REST, type DrawingContext, type DrawnControl, type GivenState } from "./drawn";
import { countText, createGiven, readGiven, withState } from "./given";

const layout = staged(
  [
    { id: "fire", name: "Fire", kind: "button", look: { label: "FIRE", icon: "anchor" }, placement: placed(100, 100, 80) },
    { id: "hook", name: "Hook", kind: "button", look: { label: "HOOK" }, placement: placed(300, 100, 80) },
  ],
  [],
);
const drawn = (): DrawnControl[] =>
  layout.controls.map((control, i) => ({ control, box: { x: 60 + 200 * i, y: 60, w: 80, h: 80 }, travel: 0, pose: POSE_AT_REST }));

test("figures are kept in range, and what says nothing is dropped", () => {
  expect(readGiven({})).toBeNull();
  expect(readGiven({ enabled: true, cooldown: 0 })).toBeNull();
  expect(readGiven({ enabled: false, cooldown: 7, count: 2.6, word: "x".repeat(99), icon: "anchor" })).toEqual({
    enabled: false,
    cooldown: 1,
    count: 3,
    word: "x".repeat(80),
    icon: "anchor",
  });
  expect(readGiven({ cooldown: NaN, count: Infinity })).toBeNull();
  expect(readGiven({ cooldown: "1", count: "2", word: 3 } as never)).toBeNull();
  expect([-1000, -5, 0, 12, 9999, 10000].map(countText)).toEqual(["−999", "−5", "0", "12", "9999", "9999+"]);
});

test("what is said alike changes nothing, and only what is said of differs: a picture is drawn again only there", () => {
  const said: GivenState = { count: 3, word: "reload" };
  const states = withState(new Map(), "fire", said);
  expect(withState(states, "fire", { ...said })).toBe(states);
  expect(withState(states, "hook", null)).toBe(states);
  expect(withState(states, "fire", null).size).toBe(0);

  const [given, all] = [createGiven(), drawn()];
  expect(given(all, new Map())).toBe(all);
  const first = given(all, states);
  expect([first[0].given, first[0].control.look.label, first[0].control.look.icon]).toEqual([said, "reload", "anchor"]);
  expect(first[1]).toBe(all[1]);
  expect(given(all, states)).toBe(first);
  // Its pose changes, and another control's state: its control with the other word stays the very same.
  const moved = [{ ...all[0], pose: { held: true, x: 0, y: 0 } }, all[1]];
  const next = given(moved, withState(states, "hook", { enabled: false }));
  expect(next[0].control).toBe(first[0].control);
  expect(next[1].given).toEqual({ enabled: false });
});

/** A canvas that writes down what is drawn on it, with the strength it is drawn with. */
function recorded() {
  const calls: string[] = [];
  const own: Record<string, unknown> = { globalAlpha: 1, measureText: () => ({ width: 100 }) };
  const saved: unknown[] = [];
  const ctx = new Proxy(own, {
    get(target, name: string) {
      if (name in target) return target[name];
      return (...args: unknown[]) => {
        if (name === "save") saved.push(target.globalAlpha);
        if (name === "restore") target.globalAlpha = saved.pop();
        calls.push(`${name} ${args.map((a) => (typeof a === "number" ? a.toFixed(1) : String(a))).join(",")} @${Number(target.globalAlpha).toFixed(3)}`);
      };
    },
  });
  return { ctx: ctx as unknown as DrawingContext, calls };
}

test("dimmed and crossed, swept, counted: the number is written whole and opaque within the control, however large the text", () => {
  const plain = recorded();
  drawControls(plain.ctx, [drawn()[0]], 1);
  const fills = (calls: readonly string[]) => calls.filter((c) => c.startsWith("fill "));
  for (const [scale, isStrong] of [
    [1, false],
    [3, true],
  ] as const) {
    const { ctx, calls } = recorded();
    const item = createGiven()([drawn()[0]], new Map([["fire", { enabled: false, cooldown: 0.25, count: 12345 }]]))[0];
    drawControls(ctx, [item], 1, { pictureOf: () => null, icons: {}, givenStyle: { scale, isStrong } });
    const first = (all: readonly string[]) => Number(fills(all)[0].split("@")[1]);
    expect(first(calls)).toBeLessThan(first(plain.calls));
    expect(calls).toContainEqual(expect.stringMatching(/^fillText 9999\+,.*@1\.000$/));
    // A quarter is left: from the left, a quarter before the top, on to the top.
    expect(calls).toContainEqual(expect.stringMatching(/^ellipse 100\.0,100\.0,40\.0,40\.0,0\.0,3\.1,4\.7 /));
    const plate = /^roundRect ([\d.-]+),([\d.-]+),([\d.-]+),([\d.-]+)/
      .exec(calls.find((c) => c.startsWith("roundRect"))!)!
      .slice(1)
      .map(Number);
    const box = drawnBox(item, 1);
    expect(plate[0]).toBeGreaterThanOrEqual(box.x);
    expect(plate[0] + plate[2]).toBeLessThanOrEqual(box.x + box.w);
  }
});

test("a state is no part of the file", () => {
  expect(parseLayout({ ...layout, controls: [{ ...layout.controls[0], state: { count: 3 } }] }).ok).toBe(false);
});
