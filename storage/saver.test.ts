import { createSaver, type Saving } from "./saver";
import { memoryStore } from "./layouts";

/** A write that ends when told to. */
function manual() {
  const open: { value: string; resolve: () => void; reject: (error: Error) => void }[] = [];
  return { open, write: (value: string) => new Promise<void>((resolve, reject) => void open.push({ value, resolve, reject })) };
}

test("says saved only after the write of the latest value", async () => {
  const { open, write } = manual();
  const told: Saving[] = [];
  const saver = createSaver(write, (s) => told.push(s));
  saver.save("one");
  saver.save("two");
  saver.save("three");
  expect(open.map((o) => o.value)).toEqual(["one"]);
  open[0].resolve();
  await Promise.resolve();
  await Promise.resolve();
  expect(told.every((s) => s.kind === "saving")).toBe(true);
  expect(open.map((o) => o.value)).toEqual(["one", "three"]);
  open[1].resolve();
  await saver.settled();
  expect(told.at(-1)).toEqual({ kind: "saved" });
});

test("a refused write is told with its reason, and the next one may succeed", async () => {
  const { open, write } = manual();
  const told: Saving[] = [];
  const saver = createSaver(write, (s) => told.push(s));
  saver.save("one");
  open[0].reject(new Error("the disk is full"));
  await saver.settled();
  expect(told.at(-1)).toEqual({ kind: "refused", reason: "the disk is full" });
  saver.save("two");
  open[1].resolve();
  await saver.settled();
  expect(told.at(-1)).toEqual({ kind: "saved" });
});

test("the store in memory keeps what it is given and says why it is in memory", async () => {
  const store = memoryStore("refused");
  const layout = { id: "a", name: "A", text: "{}", savedAt: 1, deletedAt: null };
  await store.write(layout);
  await store.setLastOpen("a");
  expect(await store.read("a")).toEqual(layout);
  expect(await store.lastOpen()).toBe("a");
  expect(store).toMatchObject({ kind: "memory", refusal: "refused" });
});
