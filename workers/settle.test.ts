import { plainScreen } from "../core/engine/placement/screen";
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import { settle } from "../core/settle/settle";
import type { SettleProgress } from "../core/settle/result";
import { requestFor } from "../test/spoiled";
import type { Connection } from "./connect";
import { createSettler } from "./settle";
import { createSettleService, type SettleService } from "./settleService";

/** A worker in the same process: every message goes over as a copy, its answer in a later turn. */
function worker() {
  const service = createSettleService();
  let stopped = 0;
  const remote = new Proxy({} as SettleService, {
    get: (_, name: keyof SettleService | "then") =>
      name === "then"
        ? undefined
        : (...args: unknown[]) => {
            const done = (service[name] as (...args: unknown[]) => unknown)(...structuredClone(args));
            return new Promise((resolve) => setTimeout(() => resolve(structuredClone(done))));
          },
  });
  const connection = { remote, stop: () => void (stopped += 1), broken: new Promise<never>(() => undefined) } as unknown as Connection<SettleService>;
  return { connection, stops: () => stopped };
}

const button = (id: string, x: number) => ({
  id,
  name: id,
  kind: "button",
  placement: { kind: "pin", frame: "screen", anchor: [0, 1], pivot: [0.5, 0.5], offset: [`${x}mm`, "-20mm"], size: ["12mm", "12mm"] },
});
const read = parseLayout({
  format: "nodulum-layout",
  version: 1,
  name: "Near",
  reference: { width: 1600, height: 720 },
  scale: {},
  controls: [button("a", 15), button("b", 22)],
});
if (!read.ok) throw new Error("the layout of this test is not one");
const layout: Layout = { ...read.value, workbench: { ...read.value.workbench, locked: { a: ["y"] } } };
const request = requestFor(layout, [plainScreen("Glass", 1600, 720, 254)], [{ handed: "right", playerSize: 1 }]);

test("the worker settles as the core does, tells how far it is, and gives back what is only shown", async () => {
  const { connection } = worker();
  const heard: SettleProgress[] = [];
  const found = await createSettler(() => connection).settle(request, (progress) => heard.push(progress));
  const { settled, before, after } = found!;
  expect(settled).toEqual(JSON.parse(JSON.stringify(settle(request))));
  expect(settled.layout.workbench).toBe(layout.workbench);
  const codes = (screens: typeof before) => screens.map(({ faces }) => faces.map((list) => list.map(({ code }) => code)));
  expect(codes(before).flat(2)).toContain("touch/overlap");
  expect(codes(after).flat(2)).not.toContain("touch/overlap");
  expect(heard.map(({ doing }) => doing)).toEqual(expect.arrayContaining(["looking", "settling"]));
});

test("stopped in the middle it answers null at once and its worker is gone; a later question is answered", async () => {
  const { connection, stops } = worker();
  const settler = createSettler(() => connection);
  const heard: SettleProgress[] = [];
  const answer = await settler.settle(request, (progress) => {
    heard.push(progress);
    settler.stop();
  });
  expect([answer, heard.length, stops()]).toEqual([null, 1, 1]);
  expect((await settler.settle(request, () => undefined))!.settled.kind).toBe("settled");
});

test("a newer question ends the one under way", async () => {
  const { connection } = worker();
  const settler = createSettler(() => connection);
  const older = settler.settle(request, () => undefined);
  const newer = settler.settle({ ...request, held: ["a", "b"] }, () => undefined);
  expect(await older).toBeNull();
  expect((await newer)!.settled.kind).toBe("none");
});
