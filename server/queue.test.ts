/** Work that waits for a thread: how much of it, since when it counts, and what it holds. Without threads: those of the test are reported when to go on. */
import { writeLayout } from "../core/format/write";
import { sampleLayouts } from "../test/samples";
import { createCollector } from "./collect";
import { createHeldBytes, readBody } from "./body";
import { postCheck, MOST_MS } from "./handlers";
import type { ThreadPool } from "./threadPool";

const [brackwater] = sampleLayouts();
const asked = (body: string | Uint8Array<ArrayBuffer> | ReadableStream = writeLayout(brackwater)) =>
  new Request("http://localhost/api/check", { method: "POST", body, headers: { "Content-Type": "application/json" }, duplex: "half" } as RequestInit);

/** A pool whose only thread starts after `waitMs` and answers after `workMs` more. */
function slowPool(waitMs: number, workMs: number): ThreadPool {
  const after = (ms: number, signal: AbortSignal) =>
    new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, ms);
      signal.addEventListener("abort", () => (clearTimeout(timer), resolve()));
    });
  return {
    isFull: () => false,
    async *run(_work, signal) {
      await after(waitMs, signal);
      if (signal.aborted) return;
      yield { kind: "started" };
      await after(workMs, signal);
      if (signal.aborted) return;
      yield { kind: "piece", content: "{}" };
      yield { kind: "end" };
    },
  };
}
/** Lets the fake clock run until there is an answer. */
async function answered(asking: Promise<Response>): Promise<Response> {
  let answer: Response | null = null;
  void asking.then((come) => (answer = come));
  while (answer === null) await jest.advanceTimersByTimeAsync(1000);
  return answer;
}

describe("time", () => {
  beforeEach(() => void jest.useFakeTimers({ doNotFake: ["setImmediate", "queueMicrotask", "nextTick"] }));
  afterEach(() => void jest.useRealTimers());
  test.each([
    [10 * MOST_MS, MOST_MS - 1000, 200],
    [0, MOST_MS - 1000, 200],
    [0, MOST_MS + 1000, 503],
    [10 * MOST_MS, MOST_MS + 1000, 503],
  ])("waiting for a thread %i ms and then working %i ms is answered with %i", async (waitMs, workMs, status) => {
    const answer = await answered(postCheck(asked(), { pool: slowPool(waitMs, workMs), held: createHeldBytes() }));
    expect(answer.status).toBe(status);
  });
});

test("a full queue is told at once, with when to ask again, and nothing of the body is kept", async () => {
  const held = createHeldBytes();
  const taken: number[] = [];
  const counting = { take: (bytes: number) => (taken.push(bytes), held.take(bytes)), give: held.give, passed: held.passed };
  const pool: ThreadPool = {
    isFull: () => true,
    run: () => {
      throw new Error("a full pool is given nothing");
    },
  };
  const answer = await postCheck(asked(), { pool, held: counting });
  expect([answer.status, Number(answer.headers.get("retry-after")) > 0, taken]).toEqual([429, true, []]);
  expect(await answer.json()).toEqual({ problems: [{ path: "", message: expect.stringMatching(/too many requests; retry in \d+ seconds/) }] });
});

test("bodies that wait hold so many bytes together and no more; what is given back is there for the next", async () => {
  const held = createHeldBytes(100);
  const body = (size: number) => asked(new Uint8Array(size));
  const first = await readBody(body(60), held, false);
  expect(first.kind).toBe("read");
  expect((await readBody(body(41), held, false)).kind).toBe("busy");
  expect((await readBody(body(40), held, false)).kind).toBe("read");
  if (first.kind !== "read") throw new Error("not read");
  first.release();
  // Given back once, however often it is said.
  first.release();
  expect((await readBody(body(61), held, false)).kind).toBe("busy");
  expect((await readBody(body(60), held, false)).kind).toBe("read");
});

test("a body counts as done with when it was refused, and when it is released, not while a thread works on it", async () => {
  const passed: number[] = [];
  const held = createHeldBytes(100, (bytes) => bytes > 0 && passed.push(bytes));
  const body = await readBody(asked(new Uint8Array(60)), held, false);
  if (body.kind !== "read") throw new Error("not read");
  expect(passed).toEqual([]);
  await readBody(asked(new Uint8Array(41)), held, false);
  expect(passed).toEqual([41]);
  body.release();
  expect(passed).toEqual([41, 60]);
});

test("what a large body leaves is collected by itself", async () => {
  const collectAfter = createCollector();
  const left = new WeakRef(new ArrayBuffer(1));
  collectAfter(2 * 1024 * 1024);
  // A stuck test ends by the limit of all tests.
  while (left.deref()) await new Promise((resolve) => setTimeout(resolve, 100));
  expect(left.deref()).toBeUndefined();
});

test("a body that breaks off on its way leaves nothing held", async () => {
  const held = createHeldBytes(100);
  const broken = new ReadableStream({
    start(controller) {
      controller.enqueue(new Uint8Array(80));
    },
    pull: () => Promise.reject(new Error("gone away")),
  });
  await expect(readBody(asked(broken), held, false)).rejects.toThrow("gone away");
  expect((await readBody(asked(new Uint8Array(100)), held, false)).kind).toBe("read");
});
