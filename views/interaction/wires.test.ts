import { sampleLayouts } from "../../test/samples";
import { targetKey, type ConnectionStart, type ConnectionTarget } from "./connections";
import { fittingEnds, NO_WIRE, wireStep, type WireCommand, type WireInput, type WireState } from "./wires";

const [layout] = sampleLayouts();
const ends = [
  ...layout.actions.map((a) => targetKey({ kind: "action", name: a.name })),
  ...layout.controls.map((c) => targetKey({ kind: "port", id: c.id, port: null })),
  "end key KeyW",
];
const world = { layout, ends };
const fromHelm: ConnectionStart = { kind: "action", name: "helm", side: "touch" };
const pad: ConnectionTarget = { kind: "port", id: "nudge", port: null };
const helm: ConnectionTarget = { kind: "action", name: "helm" };

function sheet() {
  let state: WireState = NO_WIRE;
  const said: string[] = [];
  const joined: string[] = [];
  const led: string[] = [];
  let last: readonly WireCommand[] = [];
  const feed = (input: WireInput) => {
    const step = wireStep(state, input, world);
    ({ state } = step);
    last = step.commands;
    for (const c of step.commands) {
      said.push(c.do === "show" ? (c.wire ? "show" : "hide") : c.do);
      if (c.do === "join") joined.push(targetKey(c.over));
      if (c.do === "lead") {
        led.push(c.key);
        feed({ type: "led", key: c.key, point: { x: 1, y: 1 } });
      }
    }
  };
  const at = (x: number) => ({ at: { x, y: 0 }, point: { x, y: 0 } });
  return {
    feed,
    down: (start: ConnectionStart, pointer = 1) => feed({ type: "down", pointer, at: { x: 0, y: 0 }, start }),
    move: (x: number, over: ConnectionTarget | null, pointer = 1) => feed({ type: "move", pointer, over, ...at(x) }),
    up: (x: number, over: ConnectionTarget | null) => feed({ type: "up", pointer: 1, over, ...at(x) }),
    click: (start: ConnectionStart, byPointer = false) => feed({ type: "click", start, byPointer, point: { x: 0, y: 0 } }),
    now: () => ({ wire: state.wire, phase: state.press.phase, said, joined, led, last }),
  };
}

test("dragged from an end onto one that fits, a wire is joined; the click that follows is swallowed, the next is not", () => {
  const s = sheet();
  s.down(fromHelm);
  s.move(3, pad);
  expect(s.now().wire).toBeNull();
  s.move(50, pad);
  expect(s.now().wire).toMatchObject({ by: "pointer", over: pad, at: { x: 50, y: 0 } });
  s.up(50, pad);
  expect(s.now().joined).toEqual([targetKey(pad)]);
  s.click(fromHelm, true);
  expect(s.now()).toMatchObject({ wire: null, led: [] });
  s.click(fromHelm, true);
  expect(s.now().wire).toMatchObject({ by: "key" });
});

test("over what it cannot run to a wire is over nothing; let go there it says where", () => {
  const s = sheet();
  s.down(fromHelm);
  s.move(50, { kind: "end", end: "key KeyW" });
  expect(s.now().wire).toMatchObject({ over: null, why: null });
  s.up(70, { kind: "end", end: "key KeyW" });
  expect(s.now().last).toEqual([
    { do: "show", wire: null },
    { do: "nowhere", start: fromHelm, x: 70 },
  ]);
});

test("why an end does not fit is told while it is under the pointer", () => {
  const s = sheet();
  s.down({ kind: "action", name: "lamp", side: "touch" });
  s.move(50, { kind: "port", id: "lamp", port: null });
  expect(s.now().wire?.why).toEqual(expect.any(String));
  s.move(60, null);
  expect(s.now().wire).toMatchObject({ over: null, why: null });
});

test.each<[string, WireInput]>([
  ["Escape or going away", { type: "abandon" }],
  ["a cancelled pointer or a lost capture", { type: "cancel", pointer: 1 }],
  ["a second finger", { type: "down", pointer: 2, at: { x: 0, y: 0 }, start: fromHelm }],
])("%s lets the wire go and joins nothing", (_how, input) => {
  const s = sheet();
  s.down(fromHelm);
  s.move(50, pad);
  s.feed(input);
  expect(s.now()).toMatchObject({ wire: null, phase: "idle" });
  s.up(50, pad);
  expect(s.now()).toMatchObject({ wire: null, joined: [] });
  expect(s.now().said.filter((word) => word === "hide")).toHaveLength(1);
});

test("by key it is led along the ends that fit, round and round, both ways, and joined", () => {
  const s = sheet();
  s.click(fromHelm);
  const fits = fittingEnds(world, fromHelm);
  expect(fits.length).toBeGreaterThan(1);
  expect(s.now().led).toEqual([fits[0]]);
  s.feed({ type: "arrow", by: 1 });
  s.feed({ type: "arrow", by: -1 });
  s.feed({ type: "arrow", by: -1 });
  expect(s.now().led).toEqual([fits[0], fits[1], fits[0], fits[fits.length - 1]]);
  s.feed({ type: "join" });
  expect(s.now()).toMatchObject({ wire: null, joined: [fits[fits.length - 1]] });
  expect(s.now().said.slice(-3)).toEqual(["hide", "refocus", "join"]);
  s.feed({ type: "arrow", by: 1 });
  s.feed({ type: "join" });
  expect(s.now().joined).toHaveLength(1);
});

test("while it is led a click joins what it fits, and anywhere else lets it go", () => {
  const s = sheet();
  s.click(fromHelm);
  s.feed({ type: "choose", over: pad });
  expect(s.now().joined).toEqual([targetKey(pad)]);
  s.click(fromHelm);
  s.feed({ type: "choose", over: helm });
  expect(s.now()).toMatchObject({ wire: null, joined: [targetKey(pad)] });
  s.click(fromHelm);
  s.feed({ type: "abandon" });
  expect(s.now().said.slice(-2)).toEqual(["hide", "refocus"]);
});

test("from an end that nothing fits no wire is begun, and that is said", () => {
  const s = sheet();
  const start: ConnectionStart = { kind: "serve", id: "nobody", index: 0 };
  s.click(start);
  expect(s.now()).toMatchObject({ wire: null, last: [{ do: "nothing fits", start }] });
});

test("an input that stands by several actions is walked to once, and an action that it gives to already is passed over", () => {
  const start: ConnectionStart = { kind: "action", name: "horn", side: "hardware" };
  const doubled = { layout, ends: [...ends, "end key KeyW", "end key KeyW"] };
  expect(fittingEnds(doubled, start).filter((key) => key === "end key KeyW")).toHaveLength(1);
  const bound = layout.actions.find((a) => a.name === "horn")!.keys[0].code;
  expect(fittingEnds({ layout, ends: [`end key ${bound}`] }, start)).toEqual([]);
});

test("movement, release and keys without a wire mean nothing", () => {
  const s = sheet();
  s.move(50, pad);
  s.up(50, pad);
  for (const input of [
    { type: "join" },
    { type: "arrow", by: 1 },
    { type: "choose", over: pad },
    { type: "cancel", pointer: 1 },
    { type: "abandon" },
  ] as WireInput[])
    s.feed(input);
  expect(s.now()).toMatchObject({ said: [], wire: null });
});
