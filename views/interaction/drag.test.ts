import fc from "fast-check";
import { dragStep, IDLE, type DragCommand, type DragInput, type DragState, type DragStep } from "./drag";

const keys = { shift: false, alt: false };
const down = (pointer: number, x = 0, y = 0): DragInput<string> => ({ type: "down", pointer, at: { x, y }, about: `p${pointer}` });
const move = (pointer: number, x: number, y = 0): DragInput<string> => ({ type: "move", pointer, at: { x, y }, keys });
const up = (pointer: number, x: number, y = 0): DragInput<string> => ({ type: "up", pointer, at: { x, y }, keys });
const cancel = (pointer: number): DragInput<string> => ({ type: "cancel", pointer });
const abandon: DragInput<string> = { type: "abandon" };

/** What a row of inputs commands, each in a word, and where it ends. */
function play(inputs: readonly DragInput<string>[], thresholdPx = 4): { said: string[]; state: DragState<string> } {
  let state: DragState<string> = IDLE;
  const said: string[] = [];
  for (const input of inputs) {
    const step: DragStep<string> = dragStep(state, input, thresholdPx);
    state = step.state;
    said.push(...step.commands.map((c) => ("at" in c ? `${c.do} ${c.at.x}` : c.do)));
  }
  return { said, state };
}

test.each<[string, DragInput<string>[], string[]]>([
  ["a press and release is a click", [down(1), up(1, 2)], ["capture", "click 2"]],
  ["below the threshold it is no drag", [down(1), move(1, 3), move(1, -3), up(1, 0)], ["capture", "click 0"]],
  [
    "at the threshold it begins, moves and drops",
    [down(1), move(1, 4), move(1, 9), up(1, 10)],
    ["capture", "begin 4", "move 4", "move 9", "move 10", "drop 10"],
  ],
  ["once begun it may come back", [down(1), move(1, 9), up(1, 0)], ["capture", "begin 9", "move 9", "move 0", "drop 0"]],
  ["a release far away without a movement before is a drag too", [down(1), up(1, 50)], ["capture", "begin 50", "move 50", "drop 50"]],
  ["cancel is not release", [down(1), move(1, 9), cancel(1), up(1, 9)], ["capture", "begin 9", "move 9", "abandon"]],
  ["Escape, lost capture and going away abandon", [down(1), move(1, 9), abandon, up(1, 9)], ["capture", "begin 9", "move 9", "abandon"]],
  ["an abandoned press is no click", [down(1), abandon, up(1, 0)], ["capture"]],
  ["a second finger abandons", [down(1), move(1, 9), down(2), up(2, 0), up(1, 9)], ["capture", "begin 9", "move 9", "abandon"]],
  ["a second finger on a mere press takes it back", [down(1), down(2), up(1, 0), up(2, 0)], ["capture"]],
  ["the same pointer down twice is the press it was", [down(1), down(1, 7), move(1, 5)], ["capture", "begin 5", "move 5"]],
  ["another pointer's movement and cancel mean nothing", [down(1), move(2, 90), cancel(2), up(2, 90), up(1, 0)], ["capture", "click 0"]],
  ["nothing happens to nothing", [move(1, 9), up(1, 9), cancel(1), abandon], []],
])("%s", (_what, inputs, said) => {
  expect(play(inputs).said).toEqual(said);
});

test("with no threshold the first movement is a drag, standing still is not", () => {
  expect(play([down(1), move(1, 0), move(1, 1), up(1, 1)], 0).said).toEqual(["capture", "begin 1", "move 1", "move 1", "drop 1"]);
});

test("what was pressed, where from and with which keys is told all the way", () => {
  const first = dragStep(IDLE as DragState<string>, down(1, 3, 4), 4);
  const { commands } = dragStep(first.state, { type: "move", pointer: 1, at: { x: 30, y: 4 }, keys: { shift: true, alt: false } }, 4);
  expect(commands).toEqual(
    ["begin", "move"].map((word) => ({ do: word, about: "p1", from: { x: 3, y: 4 }, at: { x: 30, y: 4 }, keys: { shift: true, alt: false } })),
  );
});

test("whatever happens: begin and end alternate, nothing is dropped that did not begin, and the end is idle once every pointer is up", () => {
  const pointer = fc.integer({ min: 1, max: 3 });
  const x = fc.integer({ min: -10, max: 10 });
  const input = fc.oneof(
    fc.tuple(pointer, x).map(([p, at]) => down(p, at)),
    fc.tuple(pointer, x).map(([p, at]) => move(p, at)),
    fc.tuple(pointer, x).map(([p, at]) => up(p, at)),
    pointer.map(cancel),
    fc.constant(abandon),
  );
  fc.assert(
    fc.property(fc.array(input, { maxLength: 40 }), fc.integer({ min: 0, max: 6 }), (inputs, threshold) => {
      let state: DragState<string> = IDLE;
      let open = false;
      for (const one of [...inputs, up(1, 0), up(2, 0), up(3, 0)]) {
        const step: DragStep<string> = dragStep(state, one, threshold);
        state = step.state;
        for (const { do: what } of step.commands as readonly DragCommand<string>[]) {
          const isWithin = { begin: false, click: false, move: true, drop: true, abandon: true }[what as string] ?? open;
          expect([what, open]).toEqual([what, isWithin]);
          if (what === "begin") open = true;
          if (what === "drop" || what === "abandon") open = false;
        }
        expect(open).toBe(state.phase === "dragging");
      }
      expect(state.phase).toBe("idle");
    }),
  );
});
