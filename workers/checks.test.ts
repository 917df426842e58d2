import { bareOn, checkScreen, fixesOn } from "../core/checks/check";
import { facesOf, gridOf } from "../core/checks/grid";
import { sayNames } from "../core/checks/say";
import { tallyOf } from "../core/checks/finding";
import { PLAIN_PLAYER_VIEW } from "../core/engine/placement/resolve";
import { catalogueFor } from "../core/checks/catalogue";
import { changeLook, removePlaceables } from "../core/editing/edits/controls";
import type { Layout } from "../core/format/types";
import { sampleLayouts } from "../test/samples";
import { createChecker, type ScreenFindings } from "./checks";
import { createChecksService, type ChecksQuestion, type ChecksService } from "./checksService";
import type { Connection } from "./connect";
import { createMirrorReceiver, createMirrorSender } from "./layoutMirror";

const [harbour, , firstDraft] = sampleLayouts();
const screens = catalogueFor("landscape").slice(0, 4);
const plain = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });

/** A worker in the same process: every message goes over as a copy, and is answered when told to or at once. */
function worker() {
  const service = createChecksService();
  const asked: ChecksQuestion[] = [];
  let stopped = false;
  const copy = <T>(value: T): T => structuredClone(value);
  const remote = {
    keepStill: (key: string, still: Parameters<ChecksService["keepStill"]>[1]) => Promise.resolve(service.keepStill(key, copy(still))),
    check: (question: ChecksQuestion) => {
      asked.push(question);
      return Promise.resolve(copy(service.check(copy(question))));
    },
    fixes: (...args: Parameters<ChecksService["fixes"]>) => Promise.resolve(copy(service.fixes(...copy(args)))),
  };
  const connection = { remote, stop: () => (stopped = true), broken: new Promise<never>(() => undefined) } as unknown as Connection<ChecksService>;
  return { connection, asked, stopped: () => stopped };
}
const PLAYER = { handed: "right", playerSize: 1 } as const;
const ask = (checker: ReturnType<typeof createChecker>, layout: Layout, read: readonly string[]) =>
  new Promise<Record<string, ScreenFindings>>((resolve) => checker.request({ layout, screens, reader: PLAYER, players: [PLAYER], stills: [], read }, resolve));

test("screens that are read have their findings in words, all others their counts alone", async () => {
  const { connection } = worker();
  const found = await ask(
    createChecker(() => connection, { breathMs: 0 }),
    firstDraft,
    [screens[1].name],
  );
  expect(found[screens[1].name].list).toEqual(checkScreen(firstDraft, screens[1], PLAIN_PLAYER_VIEW, { say: sayNames(firstDraft) }));
  for (const screen of screens) {
    expect(found[screen.name].tally).toEqual(tallyOf(checkScreen(firstDraft, screen)));
    expect(found[screen.name].list === null).toBe(screen !== screens[1]);
  }
});

test("counts are of all players that are asked for, as the grid counts: the same for several once", async () => {
  const { connection } = worker();
  const checker = createChecker(() => connection, { breathMs: 0 });
  const players = facesOf(firstDraft);
  const found = await new Promise<Record<string, ScreenFindings>>((resolve) =>
    checker.request({ layout: firstDraft, screens, reader: PLAYER, players, stills: [], read: [] }, resolve),
  );
  const judged = screens.map((screen) => ({ name: screen.name, faces: players.map((player) => bareOn(firstDraft, screen, { ...player, moment: null })) }));
  const { columns } = gridOf(firstDraft, judged);
  screens.forEach((screen, i) => expect(found[screen.name].tally).toEqual(columns[i]!.tally));
  const one = await ask(checker, firstDraft, []);
  expect(screens.some((screen) => JSON.stringify(one[screen.name].tally) !== JSON.stringify(found[screen.name].tally))).toBe(true);
});

test("after the first question only what changed goes over, and the answers stay right", async () => {
  const { connection, asked } = worker();
  const checker = createChecker(() => connection, { breathMs: 0 });
  await ask(checker, firstDraft, []);
  const next = removePlaceables(firstDraft, [firstDraft.controls[0].id]);
  if (!next.ok) throw new Error("refused");
  const found = await ask(checker, next.value, [screens[0].name]);
  expect("whole" in asked[0].update && asked[0].screens?.length).toBe(screens.length);
  expect(asked[1].screens).toBeNull();
  expect(JSON.stringify(asked[1].update).length).toBeLessThan(JSON.stringify(firstDraft).length / 10);
  expect(found[screens[0].name].list).toEqual(checkScreen(next.value, screens[0], PLAIN_PLAYER_VIEW, { say: sayNames(next.value) }));
});

test("of requests that pile up only the latest is asked", async () => {
  const { connection, asked } = worker();
  const checker = createChecker(() => connection, { breathMs: 0 });
  const heard: number[] = [];
  const last = new Promise<void>((resolve) => {
    for (let i = 0; i < 5; i += 1)
      checker.request({ layout: { ...harbour, name: `version ${i}` }, screens, reader: PLAYER, players: [PLAYER], stills: [], read: [] }, () => {
        heard.push(i);
        if (i === 4) resolve();
      });
  });
  await last;
  expect(heard).toEqual([0, 4]);
  expect(asked).toHaveLength(2);
});

test("fixes are those of the core; an answer that a later question has overtaken is dropped", async () => {
  const { connection } = worker();
  const checker = createChecker(() => connection, { breathMs: 0 });
  const [early, late] = await Promise.all([checker.fixes(firstDraft, screens[0], PLAIN_PLAYER_VIEW), checker.fixes(firstDraft, screens[1], PLAIN_PLAYER_VIEW)]);
  expect(early).toBeNull();
  expect(late).toEqual(fixesOn(plain(firstDraft), screens[1], PLAIN_PLAYER_VIEW, 24));
});

test("a worker that fails is told in the console, and the next question is asked all the same", async () => {
  const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
  const { connection, asked } = worker();
  const { check } = connection.remote;
  let first = true;
  (connection.remote as unknown as Record<string, unknown>).check = (question: ChecksQuestion) => {
    if (!first) return check(question);
    first = false;
    // It never heard the question.
    return Promise.reject(new Error("could not be cloned"));
  };
  const checker = createChecker(() => connection, { breathMs: 0 });
  checker.request({ layout: harbour, screens, reader: PLAYER, players: [PLAYER], stills: [], read: [] }, () => expect("an answer").toBe("none"));
  const found = await ask(checker, harbour, []);
  expect(Object.keys(found)).toEqual(screens.map((s) => s.name));
  expect(found[screens[0].name].tally).toEqual(tallyOf(checkScreen(harbour, screens[0])));
  expect("whole" in asked[0].update && asked[0].screens?.length).toBe(screens.length);
  expect(told).toHaveBeenCalledTimes(1);
  told.mockRestore();
});

test("once disposed of, nothing is heard any more", async () => {
  const { connection, stopped } = worker();
  const checker = createChecker(() => connection, { breathMs: 0 });
  checker.request({ layout: harbour, screens, reader: PLAYER, players: [PLAYER], stills: [], read: [] }, () => expect("an answer").toBe("none"));
  checker.dispose();
  await new Promise((resolve) => setImmediate(resolve));
  expect(stopped()).toBe(true);
  expect(await checker.fixes(harbour, screens[0], PLAIN_PLAYER_VIEW)).toBeNull();
});

test("looks that a backdrop swallows count, and are worded where they are read", async () => {
  const { connection } = worker();
  const checker = createChecker(() => connection, { breathMs: 0 });
  const grey = { fill: "#808080", line: "#808080", ink: "#808080", opacity: 1 };
  const faint = harbour.controls.reduce<Layout>((layout, { id }) => {
    const next = changeLook(layout, id, { rest: grey, hideAtRest: "none", art: undefined });
    return next.ok ? next.value : layout;
  }, harbour);
  const still = { key: "grey", read: () => ({ width: 200, height: 100, data: new Array<number>(200 * 100 * 4).fill(128) }) };
  const [screen] = screens;
  const found = await new Promise<Record<string, ScreenFindings>>((resolve) =>
    checker.request({ layout: faint, screens: [screen, screens[1]], reader: PLAYER, players: [PLAYER], stills: [still, still], read: [screen.name] }, resolve),
  );
  const listed = found[screen.name].list!.filter((f) => f.code === "look/faint" && f.accepted === null);
  expect(listed.length).toBeGreaterThan(3);
  expect(listed[0].text).toMatch(/stands? out from its/);
  expect(found[screens[1].name].tally.warning - tallyOf(checkScreen(faint, screens[1])).warning).toBe(listed.length);
});

test("a mirror gives what was sent, whole first and patches after, and keeps the objects that stayed", () => {
  const sender = createMirrorSender();
  const receiver = createMirrorReceiver();
  const first = receiver.receive(structuredClone(sender.update(harbour)));
  const next = removePlaceables(harbour, ["horn"]);
  if (!next.ok) throw new Error("refused");
  const update = sender.update(next.value);
  expect("patch" in update).toBe(true);
  const second = receiver.receive(structuredClone(update));
  expect(second).toEqual(next.value);
  expect(second.actions).toBe(first.actions);
  expect(second.controls.every((c) => first.controls.includes(c))).toBe(true);
  expect(() => createMirrorReceiver().receive({ patch: {} })).toThrow(/before any layout/);
});

test("checks that take too long are stopped; the layout at fault is told and not asked about again, any other is, by a new worker", async () => {
  const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
  let started = 0;
  const connect = () => {
    started += 1;
    const { connection } = worker();
    const { check } = connection.remote;
    const hang = {
      ...connection.remote,
      check: (q: ChecksQuestion) => ("whole" in q.update && q.update.whole.name === "slow" ? new Promise(() => undefined) : check(q)),
    };
    return { ...connection, remote: hang } as unknown as Connection<ChecksService>;
  };
  const over: Layout[] = [];
  const heard = new Promise<void>((resolve) => {
    const checker = createChecker(connect, {
      breathMs: 0,
      patienceMs: 30,
      stoppedOver: (layout) => {
        over.push(layout);
        // The same again is not asked; the layout as it is after a change is.
        checker.request({ layout, screens, reader: PLAYER, players: [PLAYER], stills: [], read: [] }, () => expect("an answer").toBe("none"));
        checker.request({ layout: harbour, screens, reader: PLAYER, players: [PLAYER], stills: [], read: [] }, (found) => {
          expect(found[screens[0].name].tally).toEqual(tallyOf(checkScreen(harbour, screens[0])));
          resolve();
        });
      },
    });
    checker.request({ layout: { ...harbour, name: "slow" }, screens, reader: PLAYER, players: [PLAYER], stills: [], read: [] }, () =>
      expect("an answer").toBe("none"),
    );
  });
  await heard;
  expect(over.map((l) => l.name)).toEqual(["slow"]);
  expect(started).toBe(2);
  told.mockRestore();
});
