import fc from "fast-check";
import { checkScreen } from "../checks/check";
import { placed, STAGE, staged } from "../../test/stage";
import { advance, tickTime } from "../engine/input/advance";
import { easeTrace } from "./ease";
import type { ActionValue, InputEvent } from "../engine/input/events";
import { prepareInput } from "../engine/input/setup";
import { initialState } from "../engine/input/inputState";
import { PORTS } from "../engine/types";
import type { ActionKind, ControlKind, Layout, Port, Serve } from "../format/types";
import { prepareLayout } from "../engine/placement/prepare";
import { PLAIN_PLAYER_VIEW, resolve } from "../engine/placement/resolve";
import type { Result } from "../engine/result";
import { hardwareEnd, hardwareWhyNot, hardwareWires, plugIn, sourceOfEnd, unplug, changeHardware } from "./hardwareWires";
import { movedEnd } from "./moved";
import { changeActionKind, controlWhyNot, joinPort, leadServe, portWhyNot, previewKind, inputSumOf } from "./serves";
import { hardwareClashes, leftToDo, looseEnds, actionStatuses } from "./actionStatus";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const reason = (result: Result<unknown>) => (result.ok ? "" : result.problems.map((p) => p.message).join("; "));
const KINDS: readonly ActionKind[] = ["press", "axis", "vector", "motion"];
const ENDS = ["key KeyW", "key KeyQ", "mouse 2", "mouse move", "pad button 0", "pad button 14", "pad axis 1", "pad stick left", "pad stick right"];
const CONTROLS = Object.keys(PORTS) as ControlKind[];

const one = (kind: ActionKind, more: Record<string, unknown> = {}) => staged([], [{ name: "go", kind, ...more }]);

/** The value of `go` two ticks after the events came. */
function played(layout: Layout, events: readonly InputEvent[]): ActionValue {
  const setup = prepareInput(layout, resolve(prepareLayout(layout), STAGE, PLAIN_PLAYER_VIEW), 60);
  const first = advance(setup, initialState(setup, null), [...events], tickTime(1, 60));
  return first.values.go;
}
const isRest = (value: ActionValue) => value === false || value === 0 || (Array.isArray(value) && value[0] === 0 && value[1] === 0);

/** The events of an end being used in full. */
function use(end: string): InputEvent[] {
  const { list, source } = sourceOfEnd(end)!;
  if (list === "keys") return [{ t: 0, type: "key", code: (source as { code: string }).code, down: true }];
  if ("move" in source) return [{ t: 0, type: "mouse", dx: 7, dy: 3 }];
  if (list === "mouse") return [{ t: 0, type: "mouse", button: (source as { button: number }).button, down: true }];
  const buttons = Array.from({ length: 17 }, (_, i) => ("button" in source && source.button === i ? 1 : 0));
  const axes = [0, 0, 0, 0].map((_, i) =>
    ("axis" in source && source.axis === i) || ("stick" in source && Math.floor(i / 2) === (source.stick === "left" ? 0 : 1)) ? 0.7 : 0,
  );
  return [{ t: 0, type: "pad", buttons, axes }];
}

const PLUGS = ENDS.flatMap((end) => KINDS.map((kind) => [end, kind] as const));
const fits = ([end, kind]: (typeof PLUGS)[number]) => hardwareWhyNot(sourceOfEnd(end)!.source, kind) === null;

test.each(PLUGS.filter(fits))("%s into a %s: what is plugged in gives", (end, kind) => {
  const layout = get(plugIn(one(kind), "go", end));
  expect(hardwareWires(layout.actions[0]).map((w) => w.end)).toEqual([end]);
  expect(isRest(played(layout, use(end)))).toBe(false);
  expect(reason(plugIn(layout, "go", end))).toContain("already gives");
  const { list } = sourceOfEnd(end)!;
  expect(get(unplug(layout, "go", list, 0)).actions[0][list]).toEqual([]);
});

test.each(PLUGS.filter((plug) => !fits(plug)))("%s into a %s: what is refused would give nothing", (end, kind) => {
  expect(reason(plugIn(one(kind), "go", end))).toMatch(/would fit$/);
  const { list, source } = sourceOfEnd(end)!;
  expect(isRest(played(one(kind, { [list]: [source] }), use(end)))).toBe(true);
});

test("an end's text and its source are two spellings of one thing", () => {
  for (const end of ENDS) {
    const { list, source } = sourceOfEnd(end)!;
    expect(hardwareEnd(list, source)).toBe(end);
  }
  expect(sourceOfEnd("wheel 3")).toBeNull();
});

test("newly bound keys take their usual direction, others the first that is free", () => {
  let layout = one("vector");
  for (const end of ["key KeyW", "key KeyJ", "pad button 15", "key KeyK"]) layout = get(plugIn(layout, "go", end));
  const [go] = layout.actions;
  expect(go.keys.map((k) => k.value)).toEqual([
    [0, 1],
    [0, -1],
    [-1, 0],
  ]);
  expect(go.pad).toEqual([{ button: 15, value: [1, 0] }]);
  let axis = one("axis");
  for (const end of ["key KeyA", "key KeyE"]) axis = get(plugIn(axis, "go", end));
  expect(axis.actions[0].keys.map((k) => k.value)).toEqual([-1, 1]);
  expect(get(changeHardware(axis, { action: "go", list: "keys", index: 1 }, { value: 0.5 })).actions[0].keys[1]).toEqual({ code: "KeyE", value: 0.5 });
});

const withControl = (kind: ControlKind, action: ActionKind, serves: Serve[] = []) =>
  staged([{ id: "it", name: "It", kind, placement: placed(200, 200, 100), serves }], [{ name: "go", kind: action }]);

test.each(CONTROLS.flatMap((c) => KINDS.map((k) => [c, k] as const)))(
  "ports of a %s toward a %s: those that join need nothing more, those that do not say what would fit",
  (control, kind) => {
    const results = PORTS[control].map((port: Port) => [port, joinPort(withControl(control, kind), "it", port, "go")] as const);
    const joined = results.filter(([, result]) => result.ok);
    for (const [, refused] of results.filter(([, result]) => !result.ok)) expect(reason(refused)).toMatch(/would fit$/);
    for (const [port, result] of joined) {
      const layout = get(result);
      expect(looseEnds(layout)).toEqual([]);
      expect(actionStatuses(layout)[0].kind).toBe("touch-only");
      expect(reason(joinPort(layout, "it", port, "go"))).toContain("already serves");
    }
    expect(joined.length > 0).toBe(controlWhyNot(control, kind) === null);
  },
);

test("a port the kind lacks is refused with those it has; a wire is led elsewhere with what it then needs", () => {
  const layout = staged(
    [{ id: "it", name: "It", kind: "button", placement: placed(200, 200, 100), serves: [{ port: "press", action: "fire" }] }],
    [
      { name: "fire", kind: "press" },
      { name: "run", kind: "vector" },
      { name: "look", kind: "motion" },
    ],
  );
  expect(reason(joinPort(layout, "it", "vector", "run"))).toBe("a button has no vector port; it has press");
  expect(get(leadServe(layout, "it", 0, "run")).controls[0].serves).toEqual([{ port: "press", action: "run", value: [0, 1] }]);
  expect(reason(leadServe(layout, "it", 0, "look"))).toContain("a touchpad's motion");
  expect(portWhyNot("press", "press")).toBeNull();
});

test("a change of kind does what its preview says, and afterwards nothing is mismatched", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...KINDS),
      fc.constantFrom(...KINDS),
      fc.subarray(ENDS),
      fc.constantFrom(...CONTROLS),
      fc.nat(8),
      (before, after, ends, control, n) => {
        let layout = withControl(control, before);
        const port = PORTS[control][n % PORTS[control].length];
        for (const step of [(l: Layout) => joinPort(l, "it", port, "go"), ...ends.map((end) => (l: Layout) => plugIn(l, "go", end))]) {
          const next = step(layout);
          if (next.ok) layout = next.value;
        }
        const preview = previewKind(layout, "go", after);
        const off = get(changeActionKind(layout, "go", after, "take-off"));
        const left = get(changeActionKind(layout, "go", after, "leave"));
        const wires = (l: Layout) => l.controls[0].serves.length + hardwareWires(l.actions[0]).length;
        expect(wires(off)).toBe(preview.stay.length + preview.change.length);
        expect(wires(left)).toBe(wires(layout));
        const mismatched = (l: Layout) => checkScreen(l, STAGE).filter((f) => f.code === "bind/kind-mismatch").length;
        expect(mismatched(off)).toBe(0);
        expect(mismatched(left) > 0).toBe(preview.broken.some((b) => b.wire.kind === "touch"));
        const again = previewKind(off, "go", after);
        expect([again.change, again.broken]).toEqual([[], []]);
      },
    ),
  );
});

const harbour = () =>
  staged(
    [
      { id: "wheel", name: "Wheel", kind: "stick", placement: placed(200, 300, 160), serves: [{ port: "vector", action: "helm" }], moments: ["sail"] },
      { id: "bell", name: "Bell", kind: "button", placement: placed(800, 300, 100), serves: [{ port: "press", action: "tow_line" }] },
      { id: "idle", name: "Idle", kind: "button", placement: placed(600, 300, 100) },
    ],
    [
      { name: "helm", kind: "vector", keys: [{ code: "KeyW", value: [0, 1] }] },
      { name: "towline", kind: "press", keys: [{ code: "KeyW" }] },
      { name: "lamp", kind: "motion", touch: "never" },
      { name: "chart", kind: "press", touch: "never", keys: [{ code: "KeyC" }], moments: ["dock"] },
      { name: "bilge", kind: "press", read: false },
      { name: "flag", kind: "press", moments: ["dock"], keys: [{ code: "KeyC" }] },
    ],
    {
      moments: [
        { id: "sail", name: "Under sail" },
        { id: "dock", name: "At the dock" },
      ],
    },
  );

test("how each action stands, moment by moment, and what is left to do", () => {
  const statuses = actionStatuses(harbour());
  expect(statuses.map((s) => [s.name, s.kind, s.word])).toEqual([
    ["helm", "part", "no touch control in At the dock"],
    ["towline", "misspelt", "no touch control; nearly tow_line"],
    ["lamp", "idle", "desktop only, no key yet"],
    ["chart", "desk-only", "desktop only"],
    ["bilge", "not-read", "not read"],
    ["flag", "unserved", "no touch control"],
  ]);
  const half = harbour();
  half.controls[2] = { ...half.controls[2], serves: [{ port: "press", action: "towline" }], moments: ["sail"] } as Layout["controls"][number];
  expect(actionStatuses(half)[1]).toMatchObject({ kind: "misspelt", word: "no touch control in At the dock; nearly tow_line" });
  expect(statuses[0].moments).toEqual([
    { moment: "sail", by: ["Wheel"] },
    { moment: "dock", by: [] },
  ]);
  expect(looseEnds(harbour())).toEqual([
    { control: "bell", index: 0, word: "nearly towline", near: "towline" },
    { control: "idle", index: null, word: "serves nothing", near: null },
  ]);
  // The misspelt bell is reported once, at its action; the finding for an unserved action and the count agree.
  expect(leftToDo(harbour())).toEqual([
    { kind: "action", name: "helm" },
    { kind: "action", name: "towline" },
    { kind: "action", name: "flag" },
    { kind: "control", id: "idle" },
  ]);
  const unserved = new Set(checkScreen(harbour(), STAGE).flatMap((f) => (f.code === "bind/unserved" ? f.subjects : [])));
  expect(unserved).toEqual(new Set(actionStatuses(harbour()).flatMap((s) => (s.toDo ? [s.name] : []))));
});

test("two actions on one key clash only where they share a moment and are read", () => {
  expect(hardwareClashes(harbour())).toEqual([
    { end: "key KeyW", actions: ["helm", "towline"], moment: "sail" },
    { end: "key KeyC", actions: ["chart", "flag"], moment: "dock" },
  ]);
  const apart = harbour();
  const split = { ...apart, actions: apart.actions.map((a) => ({ ...a, moments: a.name === "helm" ? ["sail"] : ["dock"] })) };
  expect(hardwareClashes(split).map((c) => c.end)).toEqual(["key KeyC"]);
});

test("the sum of an action names all that gives to it, and leaves out what gives nothing", () => {
  const layout = staged(
    [
      {
        id: "wheel",
        name: "Wheel",
        kind: "stick",
        placement: placed(200, 300, 160),
        serves: [
          { port: "x", action: "sidle", scale: 0.5 },
          { port: "vector", action: "sidle" },
        ],
      },
      { id: "left", name: "Left", kind: "button", placement: placed(800, 300, 100), serves: [{ port: "press", action: "sidle", value: -1 }] },
    ],
    [
      {
        name: "sidle",
        kind: "axis",
        keys: [
          { code: "KeyE", value: 1 },
          { code: "KeyF", value: [0, 1] },
        ],
        pad: [{ axis: 2 }],
      },
    ],
  );
  expect(inputSumOf(layout, layout.actions[0], (end) => end)).toEqual({
    terms: [
      { from: "Wheel x", gives: "x × 0.5" },
      { from: "Left", gives: "−1" },
      { from: "key KeyE", gives: "+1" },
      { from: "pad axis 2", gives: "amount" },
    ],
    rule: "added, kept within −1 to 1",
  });
});

test("what was moved on a pad: a press before a stick, a drift is none, a stick whole or by its axis", () => {
  const rest = { buttons: [0, 1, 0], axes: [0.2, 0, 0, 0, -1] };
  const now = (buttons: number[], axes: number[]) => ({ buttons, axes });
  expect(movedEnd(rest, rest, "stick")).toBeNull();
  expect(movedEnd(rest, now([0, 1, 0.6], [1, 0, 0, 0, -1]), "stick")).toBe("pad button 2");
  expect(movedEnd(rest, now([0, 1, 0], [0.7, 0.1, 0, 0, -1]), "stick")).toBeNull();
  expect(movedEnd(rest, now([0, 1, 0], [0.2, -0.9, 0, 0, -1]), "stick")).toBe("pad stick left");
  expect(movedEnd(rest, now([0, 1, 0], [0.2, -0.9, 0, 0.7, -1]), "axis")).toBe("pad axis 1");
  expect(movedEnd(rest, now([0, 1, 0], [0.2, 0, 0, 0, 0.5]), "stick")).toBe("pad axis 4");
});

test("the picture of smoothing rises and falls in the times it is given", () => {
  const at = (trace: { t: number; value: number }[], ms: number) => trace.reduce((best, p) => (Math.abs(p.t - ms) < Math.abs(best.t - ms) ? p : best)).value;
  const trace = easeTrace({ riseMs: 200, fallMs: 100 }, 400, 600, 120);
  expect(at(trace, 100)).toBeCloseTo(0.5, 2);
  expect(at(trace, 300)).toBe(1);
  // Let go at 400 ms, which the tick at 400 ms sees already: seven ticks of a twelfth each by 450 ms.
  expect(at(trace, 450)).toBeCloseTo(1 - 7 / 12, 6);
  expect(at(trace, 550)).toBe(0);
  expect(at(easeTrace({ riseMs: 0, fallMs: 0 }, 400, 600, 120), 25)).toBe(1);
});

test("of an axis the usual keys give their ends, any other its positive one until it is said: never a guessed minus", () => {
  const layout = staged([], [{ name: "lean", kind: "axis" }]);
  const valueOf = (l: Layout, code: string) => (l.actions[0].keys.find((k) => k.code === code) as { value?: number }).value;
  let next = layout;
  for (const code of ["KeyU", "KeyI", "KeyO", "ArrowLeft", "ArrowUp"]) next = get(plugIn(next, "lean", `key ${code}`));
  expect(["KeyU", "KeyI", "KeyO", "ArrowLeft", "ArrowUp"].map((code) => valueOf(next, code))).toEqual([1, 1, 1, -1, 1]);
  expect(valueOf(get(plugIn(layout, "lean", "key KeyU", -1)), "KeyU")).toBe(-1);
});
