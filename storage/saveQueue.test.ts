import { createSaveQueue, type Saving } from "./saveQueue";

/** Work of steps that end when told to. */
function manual(steps: number) {
  let left = steps;
  const open: { done: () => void; refuse: (error: Error) => void }[] = [];
  const told: Saving[] = [];
  const step = () =>
    new Promise<void>((resolve, reject) => {
      open.push({
        done: () => {
          left -= 1;
          resolve();
        },
        refuse: reject,
      });
    });
  return { open, told, more: () => (left += 1), work: { left: () => left > 0, step, tell: (s: Saving) => void told.push(s) } };
}
const turn = () => new Promise((resolve) => setImmediate(resolve));

test("says saved only when nothing is left to do, and does one thing at a time", async () => {
  const { open, told, more, work } = manual(1);
  const saver = createSaveQueue(work);
  saver.wake();
  more();
  saver.wake();
  expect(open).toHaveLength(1);
  open[0].done();
  await turn();
  expect([open.length, told.every((s) => s.kind === "saving")]).toEqual([2, true]);
  open[1].done();
  await saver.settled();
  expect(told.at(-1)).toEqual({ kind: "saved" });
});

test("what is refused is told with its reason, and tried again by itself until it succeeds", async () => {
  const { open, told, work } = manual(1);
  const saver = createSaveQueue(work, [1, 2]);
  saver.wake();
  for (let i = 0; i < 3; i += 1) {
    open[i].refuse(new Error("the disk is full"));
    await turn();
    expect(told.at(-1)).toEqual({ kind: "refused", reason: "the disk is full" });
    while (open.length === i + 1) await turn();
  }
  expect(told.filter((s) => s.kind === "saving")).toHaveLength(1);
  open[3].done();
  await saver.settled();
  expect(told.at(-1)).toEqual({ kind: "saved" });
});

test("whoever waits hears when it was refused once more, and stopped it is not tried again", async () => {
  const { open, told, work } = manual(1);
  const saver = createSaveQueue(work, [1]);
  const waiting = saver.settled();
  open[0].refuse(new Error(""));
  await waiting;
  expect(told.at(-1)).toEqual({ kind: "refused", reason: "the browser gave no reason" });
  saver.stop();
  await new Promise((resolve) => setTimeout(resolve, 5));
  expect(open).toHaveLength(1);
});
