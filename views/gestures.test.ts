/** Gestures in one window while another window edits: what both did is there at the end, whatever the gesture and whatever the order. */
import fc from "fast-check";
import { addAction } from "../core/editing/edits/actions";
import { changeFeel, changeHit, removePlaceables } from "../core/editing/edits/controls";
import { changeLayout } from "../core/editing/edits/layout";
import { applyNeighbourGrowth, neighbourGrowth } from "../core/editing/neighbourGrowth";
import { gather } from "../core/editing/clusters";
import { editContextOf, moveBy, seenAs } from "../core/editing/placing";
import { placeableBox, placeableOf } from "../core/editing/placeables";
import { ok } from "../core/engine/result";
import { writeLayout } from "../core/format/write";
import type { Layout } from "../core/format/types";
import { mergeEdit } from "../core/versions/merge";
import { joinPort } from "../core/wiring/serves";
import { repeated } from "../test/repeated";
import { sampleLayouts } from "../test/samples";
import { openTwoWindows, openWindow } from "../test/window";
import { benchContextNow } from "./document/benchContext";
import type { Edit, Session } from "./document/session";
import { benchScreenOf, railOf } from "./document/railScreens";
import { setBench } from "./layout/bench";
import { createGlassCommands, glassWorld } from "./layout/glassCommands";
import { switchHolding } from "./layout/holding";
import { GLASS_AT_REST, glassDoubleClick, glassStep, type GlassInput } from "./interaction/benchPointer";
import type { PressedOn, Tool } from "./interaction/glassGesture";

const [harbour] = sampleLayouts();
const layoutOf = (session: Session): Layout => session.store.getState().layout;
const NO_KEYS = { shift: false, alt: false };

/** A gesture of a window: it begins, moves this many times, and is let go or abandoned. */
interface Gesture {
  move(dx: number, dy: number): void;
  end(): void;
  cancel(): void;
}
type Begin = (session: Session) => Gesture;

/** A pointer on the glass, pressed in the middle of something. */
const onGlass =
  (
    on: PressedOn,
    subject: string,
    { tool = null, selection = [], entered = null }: { tool?: Tool; selection?: readonly string[]; entered?: string | null } = {},
  ): Begin =>
  (session) => {
    const commands = createGlassCommands(session);
    let state = GLASS_AT_REST;
    setBench(session, { tool, ...(entered === null ? {} : { entered }) });
    session.select(selection);
    const box = placeableBox(benchContextNow(session).resolved, placeableOf(layoutOf(session), subject)!)!;
    const from = { x: box.x + box.w / 2, y: box.y + box.h / 2 };
    let at = from;
    const feed = (input: GlassInput) => {
      const step = glassStep(state, input, glassWorld(session, 1));
      state = step.state;
      for (const command of step.commands) if (command.do !== "capture") commands.run(command);
    };
    const told = (type: "move" | "up"): GlassInput => ({ type, pointer: 1, at, point: at, keys: NO_KEYS });
    feed({ type: "down", pointer: 1, at, point: at, on, shift: false, pans: false });
    return {
      move: (dx, dy) => {
        at = { x: from.x + dx, y: from.y + dy };
        feed(told("move"));
      },
      end: () => feed(told("up")),
      cancel: () => feed({ type: "abandon" }),
    };
  };

/** Edits that are previews while a number or a slider is dragged. */
const previews =
  (begin: (session: Session) => void, preview: (session: Session, amount: number) => void): Begin =>
  (session) => {
    begin(session);
    return {
      move: (dx) => preview(session, Math.min(0.9, Math.max(0.01, Math.abs(dx) / 400))),
      end: () => session.commit(),
      cancel: () => session.cancel(),
    };
  };

/** One edit where the pointer is let go, decided when it came down. */
const atTheEnd =
  (label: string, decide: (session: Session) => Edit): Begin =>
  (session) => {
    const edit = decide(session);
    return { move: () => undefined, end: () => void session.edit(label, edit), cancel: () => undefined };
  };

const inner = (value: number) => (l: Layout) => changeFeel(l, "helm", { inner: value });
const HANDLE: PressedOn = { kind: "handle", of: "pump", handle: "se" };
const GESTURES: Readonly<Record<string, Begin>> = {
  move: onGlass({ kind: "control", id: "pump" }, "pump"),
  "move several": onGlass({ kind: "control", id: "pump" }, "pump", { selection: ["pump", "towline"] }),
  resize: onGlass(HANDLE, "pump"),
  tether: onGlass({ kind: "tether", id: "pump" }, "pump"),
  "rubber band": onGlass({ kind: "glass" }, "pump"),
  draw: onGlass({ kind: "glass" }, "horn", { tool: "button" }),
  push: onGlass({ kind: "glass" }, "pump"),
  carry: atTheEnd("carry", (session) => {
    const [command] = glassDoubleClick({ kind: "tether", id: "pump" }, glassWorld(session, 1));
    if (command.do !== "edit") throw new Error("a double click on a tether carries");
    return command.edit;
  }),
  "number scrubbed": previews(
    (session) => session.gather(),
    (session, amount) => session.edit("inner", inner(amount)),
  ),
  "place scrubbed": previews(
    (session) => session.gather(),
    (session, amount) =>
      session.edit(
        "place",
        seenAs(benchContextNow(session), (now) => moveBy(now, ["pump"], amount * 40, 0)),
      ),
  ),
  "slider of a feel": previews(
    (session) => session.begin("inner"),
    (session, amount) => session.preview(inner(amount)),
  ),
  "slider of the layout": previews(
    (session) => session.begin("share"),
    (session, amount) => session.preview((l) => changeLayout(l, { scale: { ...l.scale, share: amount } })),
  ),
  "hit area": previews(
    (session) => session.begin("hit area"),
    (session, amount) => session.preview((l) => changeHit(l, "pump", { grow: `${(amount * 2).toFixed(2)}mm` })),
  ),
  "room to neighbours": atTheEnd("room", (session) => {
    const layout = layoutOf(session);
    const found = neighbourGrowth(layout, ["pump", "towline"], railOf(layout).slice(0, 2));
    return (l) => applyNeighbourGrowth(l, found);
  }),
  wire: atTheEnd("wire", () => (l) => joinPort(l, "pump", "press", "horn")),
};

const ONLY_LOOKS = ["rubber band", "push"];

/** What the other window does: to what the gesture is about, and to everything else. */
const REMOTE: readonly ((at: number) => { label: string; edit: Edit })[] = [
  (at) => ({ label: "action", edit: (l) => addAction(l, `remote ${at}`, "press") }),
  (at) => ({ label: "name", edit: (l) => changeLayout(l, { name: `Renamed ${at}` }) }),
  (at) => ({ label: "outer", edit: (l) => changeFeel(l, "helm", { outer: 0.9 + at / 1000 }) }),
  (at) => ({ label: "inner", edit: (l) => changeFeel(l, "helm", { inner: 0.5 + at / 1000 }) }),
  (at) => ({ label: "other place", edit: (l) => ok({ ...l, controls: l.controls.map((c) => (c.id === "log" ? { ...c, name: `Log ${at}` } : c)) }) }),
  (at) => ({ label: "place", edit: (l) => ok({ ...l, controls: l.controls.map((c) => (c.id === "pump" ? { ...c, name: `Pump ${at}` } : c)) }) }),
  () => ({ label: "delete another", edit: (l) => removePlaceables(l, ["nudge"]) }),
];
const DELETES_IT = { label: "delete it", edit: (l: Layout) => removePlaceables(l, ["pump"]) };

type Step = { readonly kind: "move"; readonly dx: number; readonly dy: number } | { readonly kind: "remote"; readonly which: number };
const steps = fc.array(
  fc.oneof(
    fc.record({ kind: fc.constant("move" as const), dx: fc.integer({ min: -200, max: 200 }), dy: fc.integer({ min: -200, max: 200 }) }),
    fc.record({ kind: fc.constant("remote" as const), which: fc.nat({ max: REMOTE.length - 1 }) }),
  ),
  { minLength: 2, maxLength: 8 },
);

/** Runs one gesture, with the other window's edits between its movements, and alone; what must come of both together. */
async function played(begin: Begin, run: readonly Step[], how: "end" | "cancel") {
  const { a, b, settled, kept } = await openTwoWindows(harbour);
  const gesture = begin(b);
  let confirmed = 0;
  for (const [i, step] of run.entries()) {
    if (step.kind === "move") gesture.move(step.dx, step.dy);
    else {
      const { label, edit } = REMOTE[step.which](i);
      if (a.edit(label, edit)) confirmed += 1;
      await settled();
    }
  }
  const theirs = layoutOf(a);
  gesture[how]();
  await settled();
  const { session: alone } = openWindow(harbour);
  const solo = begin(alone);
  for (const step of run) if (step.kind === "move") solo.move(step.dx, step.dy);
  solo[how]();
  const expected = mergeEdit({ from: harbour, made: layoutOf(alone), label: "" }, theirs).layout;
  return { a, b, kept, theirs, confirmed, expected, alone };
}
const plain = (layout: Layout) => writeLayout(layout);

describe.each(Object.keys(GESTURES))("%s", (name) => {
  test("let go, it has made its own changes on top of the other window's, and nothing else; abandoned, none", async () => {
    let remotes = 0;
    let changed = 0;
    await fc.assert(
      fc.asyncProperty(steps, fc.constantFrom("end" as const, "end" as const, "cancel" as const), async (run, how) => {
        fc.pre(run.some((s) => s.kind === "move"));
        const { a, b, kept, theirs, confirmed, expected, alone } = await played(GESTURES[name], run, how);
        remotes += confirmed;
        if (layoutOf(alone) !== harbour) changed += 1;
        expect(plain(layoutOf(b))).toBe(plain(how === "cancel" ? theirs : expected));
        expect(plain(layoutOf(a))).toBe(plain(layoutOf(b)));
        expect((await kept.read("id"))!.text).toBe(plain(layoutOf(b)));
        const added = theirs.actions.filter((one) => one.name.startsWith("remote ")).map((one) => one.name);
        expect(layoutOf(b).actions.map((one) => one.name)).toEqual(expect.arrayContaining(added));
      }),
      { numRuns: repeated(7) },
    );
    expect(remotes).toBeGreaterThan(0);
    // What only selects or looks changes nothing; all else has changed the layout in several runs.
    expect(changed > 1).toBe(!ONLY_LOOKS.includes(name));
  });
});

test("held on all screens, a drag keeps what the other window does meanwhile", async () => {
  const { session } = openWindow(harbour);
  await switchHolding(session);
  const held: Begin = (window) => {
    setBench(session, { holds: true });
    return GESTURES.move(window);
  };
  for (const dx of [12, 60]) {
    const run: Step[] = [
      { kind: "move", dx: 5, dy: 0 },
      { kind: "remote", which: 0 },
      { kind: "move", dx, dy: 4 },
    ];
    const { b, expected } = await played(held, run, "end");
    expect(layoutOf(b).actions.map((one) => one.name)).toContain("remote 1");
    expect(plain(layoutOf(b))).toBe(plain(expected));
  }
});

test("a control that the other window deletes in the middle of its drag stays deleted; the version in hand is handed out, to be kept by name", async () => {
  const { a, b, settled, lost } = await openTwoWindows(harbour);
  const gesture = GESTURES.move(b);
  gesture.move(30, 0);
  a.edit(DELETES_IT.label, DELETES_IT.edit);
  await settled();
  gesture.move(60, 0);
  expect(layoutOf(b).controls.some((c) => c.id === "pump")).toBe(false);
  gesture.end();
  await settled();
  expect(plain(layoutOf(b))).toBe(plain(layoutOf(a)));
  expect(lost).toMatchObject([{ whose: "own" }]);
  expect(lost[0].layout.controls.some((c) => c.id === "pump")).toBe(true);
});

test("of one field the gesture's value stands, for it is the later; the other window's is handed out, to be kept by name", async () => {
  const { a, b, settled, lost } = await openTwoWindows(harbour);
  b.begin("inner");
  b.preview(inner(0.2));
  a.edit("inner", inner(0.4));
  await settled();
  b.commit();
  await settled();
  expect(layoutOf(a).controls.find((c) => c.id === "helm")?.feel).toMatchObject({ inner: 0.2 });
  expect(lost).toMatchObject([{ whose: "theirs" }]);
});

test("in a cluster, where a drag draws the cluster about its controls anew, what the other window did to one of them stays", async () => {
  const gathered = gather(editContextOf(harbour, benchScreenOf(harbour)), ["pump", "towline", "horn"], "Right thumb");
  if (!gathered.ok) throw new Error("not gathered");
  const { layout, id } = gathered.value;
  const { a, b, settled } = await openTwoWindows(layout);
  const box = (session: Session, of: string) => placeableBox(benchContextNow(session).resolved, placeableOf(layoutOf(session), of)!)!;
  const gesture = onGlass({ kind: "control", id: "pump" }, "pump", { entered: id })(b);
  gesture.move(-40, -30);
  a.edit("bigger", (l) => ok({ ...l, controls: l.controls.map((c) => (c.id === "horn" ? { ...c, name: "Foghorn" } : c)) }));
  a.edit(
    "aside",
    seenAs(benchContextNow(a), (now) => moveBy(now, ["horn"], 24, 0)),
  );
  await settled();
  const horn = box(a, "horn");
  gesture.move(-60, -30);
  gesture.end();
  await settled();
  expect(box(b, "horn").x).toBeCloseTo(horn.x, 3);
  expect(box(b, "horn").y).toBeCloseTo(horn.y, 3);
  expect(layoutOf(a).controls.find((c) => c.id === "horn")?.name).toBe("Foghorn");
  expect(plain(layoutOf(a))).toBe(plain(layoutOf(b)));
});

test("between the press and the first movement, too, nothing of the other window's is lost", async () => {
  const { a, b, settled } = await openTwoWindows(harbour);
  const gesture = GESTURES.move(b);
  a.edit("add", (l) => addAction(l, "early", "press"));
  await settled();
  gesture.move(30, 0);
  gesture.end();
  await settled();
  expect(layoutOf(a).actions.at(-1)?.name).toBe("early");
  b.undo();
  expect(layoutOf(b).actions.at(-1)?.name).toBe("early");
});
