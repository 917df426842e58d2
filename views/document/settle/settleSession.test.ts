import { catalogueFor } from "../../../core/checks/catalogue";
import { changeLayout } from "../../../core/editing/edits/layout";
import { moveBy, editContextOf } from "../../../core/editing/placing";
import { arrangementFor } from "../../../core/engine/placement/arrangement";
import { bareFindings } from "../../../core/checks/check";
import { sampleLayouts } from "../../../test/samples";
import { layoutOf as layoutOfControls, pinned } from "../../../test/settleCases";
import { openTwoWindows, openWindow } from "../../../test/window";
import { createSettleService } from "../../../workers/settleService";
import type { Session } from "../session";
import { proposalFor, settleStore, type Proposal } from "./settleState";
import { choose, closeSettle, goWay, hold, showSettle, stopSettle, takeIntoArrangement, takeProposal } from "./settleSession";

/** The worker in this process: each answer comes a turn later. */
jest.mock("../../../workers/connect", () => ({
  connectSettle: () => {
    const service = createSettleService();
    const ask =
      (name: keyof typeof service) =>
      async (...args: unknown[]) =>
        (service[name] as (...args: unknown[]) => unknown)(...args);
    return { remote: { begin: ask("begin"), step: ask("step") }, stop: () => undefined, broken: new Promise(() => undefined) };
  },
}));

const [harbour, , draft] = sampleLayouts();
/** Two that lie on each other, and one next to them. */
const near = layoutOfControls([pinned("a", "button", [20, 40], 12), pinned("b", "button", [27, 40], 12), pinned("c", "button", [20, 60], 12)]);
const SCREENS = catalogueFor("landscape").slice(6, 8);
const NAMES = SCREENS.map(({ name }) => name);
const layoutOf = (session: Session) => session.store.getState().layout;
const historyOf = (session: Session) => session.store.getState().history.past.map(({ label }) => label);
const blockers = (session: Session) =>
  SCREENS.flatMap((screen) => bareFindings(layoutOf(session), screen, { handed: "right", playerSize: 1, moment: null })).filter(
    (f) => f.severity === "blocker",
  );

/** Waits until nothing is under way. */
function settledRun(session: Session): Promise<void> {
  return new Promise((resolve) => {
    const done = () => settleStore(session).getState().run.kind !== "working";
    const stop = settleStore(session).subscribe(() => end());
    const end = () => {
      if (!done()) return;
      stop();
      resolve();
    };
    end();
  });
}
const proposalNow = (session: Session): Proposal | null => proposalFor(settleStore(session).getState(), layoutOf(session));

/** A window at which Settle asks about the screens given, for the right hand. */
function settleWindow(...args: Parameters<typeof openWindow>) {
  const opened = openWindow(...args);
  choose(opened.session, { which: "these", hands: "right" });
  return opened;
}

test("two deeds, asked and taken: the first draft has no blocker on the screens asked about, in one step of the history with its words, and undo takes it back", async () => {
  const { session } = settleWindow(draft);
  expect(blockers(session).length).toBeGreaterThanOrEqual(5);
  showSettle(session, NAMES);
  await settledRun(session);
  takeProposal(session);
  expect(blockers(session)).toEqual([]);
  expect(historyOf(session)).toEqual([expect.stringMatching(/^settle 2 screens: 5 blockers and \d+ warnings fixed; \d+ changed, \d+\.\d mm at the most$/)]);
  expect(settleStore(session).getState().isOpen).toBe(false);
  session.undo();
  expect(layoutOf(session)).toEqual(draft);
});

test("a proposal for a layout that has changed since is none; asked anew it is one again; nothing is taken of another", async () => {
  const { session } = settleWindow(near);
  showSettle(session, NAMES);
  await settledRun(session);
  expect(proposalNow(session)).not.toBeNull();
  session.edit("nudge", (l) => moveBy(editContextOf(l, SCREENS[0]), ["c"], 3, 0));
  expect(proposalNow(session)).toBeNull();
  const before = layoutOf(session);
  takeProposal(session);
  expect(layoutOf(session)).toBe(before);
  session.undo();
  expect(proposalNow(session)).not.toBeNull();
  // What the editor alone remembers is no change of the layout.
  session.remember({ screen: NAMES[1] });
  expect(proposalNow(session)).not.toBeNull();
});

test("a move that is left out is left as it is, and the rest settled anew; taken in again it moves again", async () => {
  const { session } = settleWindow(near);
  showSettle(session, NAMES);
  await settledRun(session);
  const first = proposalNow(session)!.settled.moves.map(({ id }) => id);
  expect(first).toContain("a");
  hold(session, "a", true);
  await settledRun(session);
  const without = proposalNow(session)!;
  expect(without.settled.moves.map(({ id }) => id)).not.toContain("a");
  expect(without.settled.layout.controls.find(({ id }) => id === "a")).toEqual(near.controls.find(({ id }) => id === "a"));
  hold(session, "a", false);
  await settledRun(session);
  expect(proposalNow(session)!.settled.moves.map(({ id }) => id)).toEqual(first);
});

test("stopped, nothing comes of it; closed in the middle neither; a question that cannot be asked says why", async () => {
  const { session } = settleWindow(near);
  showSettle(session, NAMES);
  stopSettle(session);
  expect(settleStore(session).getState().run.kind).toBe("idle");
  showSettle(session, NAMES);
  closeSettle(session);
  await settledRun(session);
  expect([settleStore(session).getState().isOpen, layoutOf(session)]).toEqual([false, near]);
  showSettle(session, []);
  expect(settleStore(session).getState().run).toMatchObject({ kind: "failed", problem: expect.stringContaining("No screen selected") });
});

test("a way out is asked about before it is taken, and leads back", async () => {
  const { session } = settleWindow(near);
  showSettle(session, NAMES);
  await settledRun(session);
  const way = { kind: "arrangement", screens: [NAMES[0]], text: "an arrangement", costMm2: null } as const;
  goWay(session, way, true);
  await settledRun(session);
  const { settled, before } = proposalNow(session)!;
  expect(settled.layout.arrangements).toHaveLength(near.arrangements.length + 1);
  expect(layoutOf(session)).toBe(near);
  // Before is what the layout is, not what the way made of it.
  expect(before[0].faces[0].filter(({ severity }) => severity === "blocker")).toHaveLength(1);
  goWay(session, way, false);
  await settledRun(session);
  expect(proposalNow(session)!.settled.layout.arrangements).toHaveLength(near.arrangements.length);
});

test("taken into an arrangement: those that asked get it, one step, and every place of the base stays", async () => {
  const { session } = settleWindow(near);
  showSettle(session, NAMES);
  await settledRun(session);
  takeIntoArrangement(session);
  const now = layoutOf(session);
  expect(now.controls.map(({ id, placement }) => [id, placement]).sort()).toEqual(near.controls.map(({ id, placement }) => [id, placement]).sort());
  for (const screen of SCREENS) expect(now.arrangements[arrangementFor(now.arrangements, screen)].name).toBe("Settled for 2 screens");
  expect(blockers(session)).toEqual([]);
  expect(historyOf(session)).toEqual([expect.stringContaining("as “Settled for 2 screens”")]);
});

test("a clean layout has nothing to take", async () => {
  const { session } = settleWindow(harbour);
  showSettle(session, NAMES);
  await settledRun(session);
  expect(proposalNow(session)!).toMatchObject({ differs: false, settled: { kind: "clean", moves: [] } });
  // A way out may be all there is to take.
  goWay(session, { kind: "smaller-targets", minTargetMm: 8, text: "targets of 8 mm", costMm2: null }, true);
  await settledRun(session);
  expect(proposalNow(session)!).toMatchObject({ differs: true, is: { limits: { minTargetMm: 8 } }, settled: { moves: [] } });
  takeProposal(session);
  expect(layoutOf(session).limits.minTargetMm).toBe(8);
  expect(historyOf(session)).toEqual(["settle 2 screens: nothing fixed; no changes; with targets of 8 mm"]);
});

test("what another window does while Settle is asked and looked at stays: what the bench remembers beside the proposal, anything else instead of it", async () => {
  const { a, b, settled } = await openTwoWindows(near);
  choose(b, { which: "these", hands: "right" });
  showSettle(b, NAMES);
  await settledRun(b);
  a.remember({ screen: NAMES[1], rail: [NAMES[0]] });
  await a.flush();
  await settled();
  takeProposal(b);
  await settled();
  expect(layoutOf(a).workbench).toMatchObject({ screen: NAMES[1], rail: [NAMES[0]] });
  expect(historyOf(b)).toHaveLength(1);
  b.undo();
  await settled();
  showSettle(b, NAMES);
  await settledRun(b);
  a.edit("rename", (l) => changeLayout(l, { name: "Renamed elsewhere" }));
  await settled();
  takeProposal(b);
  await settled();
  expect([layoutOf(a).name, layoutOf(b).name]).toEqual(["Renamed elsewhere", "Renamed elsewhere"]);
  expect(layoutOf(b).controls).toEqual(layoutOf(a).controls);
});
