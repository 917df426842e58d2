import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import { createPlayer } from "../../runtime/player";
import { sampleLayouts } from "../../test/samples";
import { benchScreenOf } from "../document/railScreens";
import { liveWires } from "./live";

const [layout] = sampleLayouts();
const screen = benchScreenOf(layout);

/** What is live after events, a tick later. */
function after(...events: readonly object[]) {
  const player = createPlayer(layout, screen, 60, { ...PLAIN_PLAYER_VIEW, moment: "under-way" });
  player.playTo(0, () => {});
  for (const event of events) player.feed({ t: 1, ...event } as Parameters<typeof player.feed>[0]);
  player.playTo(20, () => {});
  const { wires, actions } = liveWires(layout, player);
  return { wires: [...wires].sort(), actions: [...actions].sort() };
}
const middleOf = (id: string) => {
  const player = createPlayer(layout, screen, 60);
  const { visual } = player.resolved().controls.find((c) => c.id === id)!;
  return { x: visual.x + visual.w / 2, y: visual.y + visual.h / 2 };
};

test("nothing in use, nothing live", () => {
  expect(after()).toEqual({ wires: [], actions: [] });
});

test("a key, a pad's stick and button, each along its own wire", () => {
  expect(after({ type: "key", code: "KeyW", down: true })).toEqual({ wires: ["hardware keys 0 helm"], actions: ["helm"] });
  expect(after({ type: "key", code: "KeyZ", down: true }).wires).toEqual([]);
  const buttons = new Array<number>(17).fill(0);
  buttons[3] = 1;
  expect(after({ type: "pad", buttons, axes: [0.7, 0, 0, 0] })).toEqual({ wires: ["hardware pad 0 helm", "hardware pad 0 horn"], actions: ["helm", "horn"] });
  // A stick within its dead zone gives nothing.
  expect(after({ type: "pad", buttons: [], axes: [0.05, 0, 0, 0] }).wires).toEqual([]);
});

test("a held button is in use, a stick from where it gives something", () => {
  const horn = middleOf("horn");
  expect(after({ id: 1, type: "down", ...horn })).toEqual({ wires: ["serve 0 horn"], actions: ["horn"] });
  const helm = middleOf("helm");
  expect(after({ id: 1, type: "down", ...helm }).wires).toEqual([]);
  expect(after({ id: 1, type: "down", ...helm }, { id: 1, type: "move", x: helm.x, y: helm.y - 90 }).actions).toEqual(["helm"]);
});
