import { centreOf } from "../engine/geometry/point";
import { plainScreen } from "../engine/placement/screen";
import type { ActionKind } from "../format/types";
import { sharedWay } from "../wiring/sharedWay";
import { addActions } from "./edits/actions";
import { newLayout } from "./edits/layout";
import { fittingServe, growTogether, togetherFor } from "./make";
import { editContextOf } from "./placing";

const SCREEN = plainScreen("Phone", 2400, 1080, 411);
const AT = { x: 500, y: 700 };

function contextWith(kind: ActionKind, ...words: string[]) {
  const made = newLayout("Own", { width: 1600, height: 720 });
  const named = made.ok
    ? addActions(
        made.value,
        words.map((word) => ({ word, kind })),
      )
    : made;
  if (!named.ok) throw new Error(JSON.stringify(named.problems));
  return editContextOf(named.value, SCREEN);
}

function grown(kind: ActionKind, words: readonly string[], as?: Parameters<typeof growTogether>[3]) {
  const context = contextWith(kind, ...words);
  const made = growTogether(context, context.layout.actions, AT, as);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return { ...made.value, resolved: editContextOf(made.value.layout, SCREEN).resolved };
}

test.each([
  [["moveX", "moveY"], ["x", "y"], "move"],
  [["moveY", "moveX"], ["y", "x"], "move"],
  [["climb", "turn"], ["y", "x"], "Stick"],
  [["zoom", "turn"], ["y", "x"], "Stick"],
  [["zoom", "tilt"], ["x", "y"], "Stick"],
  [["turn", "steer"], ["x", "y"], "Stick"],
])("two axes, %j, become one stick by %j", (words, ports, name) => {
  const { layout } = grown("axis", words);
  expect(layout.controls).toHaveLength(1);
  expect(layout.controls[0]).toMatchObject({ kind: "stick", name, serves: words.map((action, i) => ({ port: ports[i], action })) });
});

test("four directions become one d-pad, or a cross of buttons with each on its own side", () => {
  const words = ["goRight", "goUp", "goLeft", "goDown"];
  const { layout: pad } = grown("press", words);
  expect(pad.controls).toHaveLength(1);
  expect(pad.controls[0].kind).toBe("dpad");
  expect(new Map((pad.controls[0].serves as { port: string; action: string }[]).map(({ port, action }) => [port, action]))).toEqual(
    new Map([
      ["up", "goUp"],
      ["down", "goDown"],
      ["left", "goLeft"],
      ["right", "goRight"],
    ]),
  );
  const { layout: cross, resolved } = grown("press", words, "cross");
  expect(cross.clusters).toHaveLength(1);
  const at = (action: string) => {
    const { id } = cross.controls.find(({ serves }) => serves[0].action === action)!;
    return centreOf(resolved.controls.find((c) => c.id === id)!.visual);
  };
  const [up, down, left, right] = ["goUp", "goDown", "goLeft", "goRight"].map(at);
  expect(up.y).toBeLessThan(left.y);
  expect(down.y).toBeGreaterThan(left.y);
  expect(left.x).toBeLessThan(up.x);
  expect(right.x).toBeGreaterThan(up.x);
  expect(up.x).toBeCloseTo(down.x, 0);
  expect(left.y).toBeCloseTo(right.y, 0);
});

test("what actions become together is offered by what they mean", () => {
  const offered = (kind: ActionKind, ...words: string[]) => togetherFor(contextWith(kind, ...words).layout.actions);
  expect(offered("press", "up", "down", "left", "right")).toEqual(["dpad", "cross", "arc"]);
  expect(offered("axis", "moveX", "moveY")).toEqual(["stick", "arc"]);
  expect(offered("press", "jump", "fire")).toEqual(["arc"]);
  expect(offered("axis", "a", "b", "c")).toEqual(["arc"]);
});

test("a second axis goes by the way that is free; two on one way are told, with the free one", () => {
  const { actions } = contextWith("axis", "zoom", "tilt", "turn", "steer").layout;
  const serve = (port: "x" | "y", action: string) => ({ port, action });
  expect(fittingServe("stick", actions[1], [serve("x", "zoom")])).toEqual(serve("y", "tilt"));
  expect(fittingServe("dpad", actions[3], [serve("x", "turn")])).toEqual(serve("x", "steer"));
  const [stick] = grown("axis", ["zoom", "tilt"]).layout.controls;
  const withServes = (...serves: object[]) => ({ ...stick, serves }) as typeof stick;
  const both = withServes(serve("x", "turn"), serve("x", "steer"));
  expect(sharedWay(both, serve("x", "steer"), actions)).toEqual({ others: ["turn"], free: "y" });
  expect(sharedWay(withServes(...both.serves, serve("y", "zoom")), serve("x", "turn"), actions)).toEqual({ others: ["steer"], free: null });
  expect(sharedWay(withServes(serve("x", "turn"), serve("y", "steer")), serve("x", "turn"), actions)).toBeNull();
});
