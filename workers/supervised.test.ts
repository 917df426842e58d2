import { readLayout } from "../core/format/parse";
import { writeLayout } from "../core/format/write";
import { sampleLayouts } from "../test/samples";
import type { Connection } from "./connect";
import { createReader } from "./reading";
import { createReadingService, type ReadingService } from "./readingService";
import { supervised, TooLongError } from "./supervised";

interface Service {
  answer(word: string): string;
}
const never = new Promise<never>(() => undefined);

/** Workers of which each does what it is reported to, by the number of its start. */
function workers(behaviour: (start: number, word: string) => Promise<string>) {
  const seen = { started: 0, stopped: [] as number[] };
  const connect = () => {
    const own = (seen.started += 1);
    const remote = { answer: (word: string) => behaviour(own, word) };
    return { remote, broken: never, stop: () => seen.stopped.push(own) } as unknown as Connection<Service>;
  };
  return { seen, connect };
}

test("a worker that does not answer is stopped and another answers the next question; one that only refuses stays", async () => {
  const { seen, connect } = workers((start, word) =>
    word === "hang" ? never : word === "refuse" ? Promise.reject(new Error("no")) : Promise.resolve(`${word} ${start}`),
  );
  const worker = supervised({ connect, patienceMs: 20 });
  expect(await worker.ask((r) => r.answer("one"))).toBe("one 1");
  await expect(worker.ask((r) => r.answer("refuse"))).rejects.toThrow("no");
  expect(await worker.ask((r) => r.answer("two"))).toBe("two 1");
  await expect(worker.ask((r) => r.answer("hang"))).rejects.toThrow(TooLongError);
  expect(await worker.ask((r) => r.answer("three"))).toBe("three 2");
  expect(seen).toEqual({ started: 2, stopped: [1] });
});

test("of two questions that hang one worker is stopped once, and the one started since goes on", async () => {
  const { seen, connect } = workers((start, word) => (start === 1 ? never : Promise.resolve(word)));
  const worker = supervised({ connect, patienceMs: 20 });
  const first = worker.ask((r) => r.answer("a"));
  const second = new Promise((resolve) => setTimeout(resolve, 8)).then(() => worker.ask((r) => r.answer("b")));
  const after = first.catch(() => worker.ask((r) => r.answer("c")));
  await expect(second).rejects.toThrow(TooLongError);
  expect(await after).toBe("c");
  expect(await worker.ask((r) => r.answer("d"))).toBe("d");
  expect(seen.started).toBe(2);
});

test("a worker that breaks is replaced too", async () => {
  let start = 0;
  const connect = () => {
    start += 1;
    const broken = start === 1 ? Promise.reject<never>(new Error("gone")) : never;
    broken.catch(() => undefined);
    return {
      remote: { answer: (word: string) => (start === 1 ? never : Promise.resolve(word)) },
      broken,
      stop: () => undefined,
    } as unknown as Connection<Service>;
  };
  const worker = supervised({ connect, patienceMs: 1000 });
  await expect(worker.ask((r) => r.answer("x"))).rejects.toThrow("gone");
  expect(await worker.ask((r) => r.answer("x"))).toBe("x");
});

test("large files are read in a worker, small ones here, and the answer is the same; one that takes too long is refused", async () => {
  const text = writeLayout(sampleLayouts()[0]);
  let asked = 0;
  const service = createReadingService();
  const connect = (layout: (text: string) => unknown) => () =>
    ((asked += 1), { remote: { layout }, broken: never, stop: () => undefined }) as unknown as Connection<ReadingService>;
  const works = connect((t) => Promise.resolve(service.layout(t)));
  expect(await createReader({ connect: works, large: text.length + 1 }).layout(text)).toEqual(readLayout(text));
  expect(asked).toBe(0);
  expect(await createReader({ connect: works, large: text.length }).layout(text)).toEqual(readLayout(text));
  expect(asked).toBe(1);
  const hung = await createReader({ connect: connect(() => never), large: 1, patienceMs: 5 }).layout(text);
  expect(hung.ok ? "" : hung.problems[0].message).toContain("took too long");
  const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
  expect(await createReader({ connect: connect(() => Promise.reject(new Error("no"))), large: 1 }).layout(text)).toEqual(readLayout(text));
  told.mockRestore();
  expect(await createReader().actions("name,kind\nhelm,vector\n")).toEqual({ ok: true, value: [{ name: "helm", kind: "vector" }] });
  expect(await createReader().screens("[]")).toEqual({ ok: true, value: [] });
});
