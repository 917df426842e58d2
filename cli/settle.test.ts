import { readFileSync } from "node:fs";
import { join } from "node:path";
import { readLayout } from "../core/format/parse";
import { writeLayout } from "../core/format/write";
import { commandLine } from "../test/commandLine";

const { folder, put, nodulum } = commandLine();
const button = (id: string, x: number, size = 12) => ({
  id,
  name: id,
  kind: "button",
  placement: { kind: "pin", frame: "screen", anchor: [0, 1], pivot: [0.5, 0.5], offset: [`${x}mm`, "-20mm"], size: [`${size}mm`, `${size}mm`] },
});
const fileOf = (name: string, controls: readonly object[], more: object = {}) =>
  put(name, JSON.stringify({ format: "nodulum-layout", version: 1, name, reference: { width: 1600, height: 720 }, scale: {}, controls, ...more }));
const near = fileOf("near.json", [button("pump", 15), button("horn", 22), button("log", 45, 7)]);
const SCREEN = ["--screen", "1600x720@254"];

test("settle writes the settled layout, says what moved, how far and why, and ends with 0; what comes out is clean", async () => {
  const out = join(folder, "settled.json");
  const { code, out: said } = await nodulum("settle", near, ...SCREEN, "-o", out);
  expect(code).toBe(0);
  expect(said).toMatch(/^settled: 2 findings fixed, none added; total change [\d.]+ mm²$/m);
  expect(said).toMatch(/^ {2}pump: [\d.]+ mm left/m);
  expect(said).toMatch(/^ {4}for touch\/overlap of `pump` and `horn` on 1600x720@254, right hand, size 1$/m);
  expect(said).toMatch(/^ {4}controls\[0\]\.placement\.offset\[0\]: 15mm → [\d.]+mm$/m);
  expect(said).toMatch(/^ {2}log: hit area [\d.]+ mm larger/m);
  const text = readFileSync(out, "utf8");
  const read = readLayout(text);
  expect(read.ok && writeLayout(read.value)).toBe(text);
  expect((await nodulum("check", out, ...SCREEN)).code).toBe(0);
  const again = await nodulum("settle", out, ...SCREEN);
  expect([again.code, again.out.trim()]).toEqual([0, "nothing to settle: no requested finding was found"]);
});

test("as data, with the layout where no file is named; locks, codes and severities choose", async () => {
  const { code, out, err } = await nodulum("settle", near, ...SCREEN, "--format", "json", "--codes", "touch/overlap", "--lock", "pump");
  expect([code, err.trim()]).toEqual([0, "nothing was written; name a file with -o to keep the settled layout"]);
  const data = JSON.parse(out) as { kind: string; moves: { id: string; reasons: object[] }[]; layout: { controls: { id: string }[] } };
  expect(data).toMatchObject({ kind: "settled", asked: 1, left: [], noWays: [] });
  expect(data.moves.map(({ id }) => id)).toEqual(["horn"]);
  expect(data.moves[0].reasons).toMatchObject([{ code: "touch/overlap", subjects: ["pump", "horn"], wanted: true, handed: "right", playerSize: 1 }]);
  expect(data.layout.controls[0]).toEqual(JSON.parse(readFileSync(near, "utf8")).controls[0]);
  expect((await nodulum("settle", near, ...SCREEN, "--codes", "touch/small", "--severity", "blocker")).out).toMatch(/^nothing to settle/);
});

test("only what may change changes; what is missed worst is missed less within the mm allowed, and told before and after", async () => {
  type Data = { kind: string; moves: { fields: { path: string }[] }[]; misses: { id: string; before: { rate: number }; after: { rate: number } }[] };
  const found = async (...args: string[]) => JSON.parse((await nodulum("settle", near, ...SCREEN, "--format", "json", ...args)).out) as Data;
  const paths = (await found("--change", "place")).moves.flatMap(({ fields }) => fields.map(({ path }) => path));
  expect(paths.length).toBeGreaterThan(0);
  expect(paths.every((path) => path.includes(".placement.offset["))).toBe(true);
  expect((await found()).misses).toBeUndefined();
  const { misses } = await found("--misses", "2");
  expect(misses.map(({ id }) => id).sort()).toEqual(["horn", "log", "pump"]);
  expect(Math.max(...misses.map(({ after }) => after.rate))).toBeLessThan(Math.max(...misses.map(({ before }) => before.rate)));
  expect((await nodulum("settle", near, ...SCREEN, "--misses", "2")).out).toMatch(
    /^ {2}pump: worst misses [\d.]+ % → [\d.]+ %, on 1600x720@254, right hand, size 1$/m,
  );
});

test("1 where something remains, which is told with what is in its way", async () => {
  const { code, out } = await nodulum("settle", near, ...SCREEN, "--lock", "pump", "--lock", "horn");
  expect(code).toBe(1);
  expect(out).toMatch(/^partly settled: 1 of 2 findings fixed/m);
  expect(out).toMatch(/^ {2}blocker touch\/overlap `pump` and `horn` on 1600x720@254, right hand, size 1$/m);
  expect(out).toMatch(/^impossible: touch\/overlap of `pump` and `horn`: .* cannot all be met; at least \d+\.\d\d mm short$/m);
  expect(out).toMatch(/^ {2}option: /m);
});

test("2 where the call or the file is at fault, and what to write instead", async () => {
  const wrong = async (...args: string[]) => {
    const { code, err } = await nodulum("settle", ...args);
    return [code, err];
  };
  expect(await wrong(near, "--lock", "pum")).toEqual([2, expect.stringContaining('--lock: there is no control or cluster "pum"')]);
  expect(await wrong(near, "--codes", "touch/overlab")).toEqual([2, expect.stringContaining('did you mean "touch/overlap"')]);
  expect(await wrong(near, "--severity", "grave")).toEqual([2, expect.stringContaining("blocker")]);
  expect(await wrong(near, "--weight", "pump=0")).toEqual([2, expect.stringContaining("write ID=NUMBER with a number above 0")]);
  expect(await wrong(near, "--change", "colour")).toEqual([2, expect.stringContaining("place, size, hit, landing, travel, order, word")]);
  expect(await wrong(near, "--misses", "none")).toEqual([2, expect.stringContaining("write a number above 0, at most 20")]);
  expect(await wrong(near, "--notes", "go")).toEqual([2, expect.stringContaining("stay")]);
  expect(await wrong(near, "--screen", "big")).toEqual([2, expect.stringContaining("big")]);
  expect(await wrong(join(folder, "nowhere.json"))).toEqual([2, expect.stringContaining("file not found")]);
  expect(await wrong(near, ...SCREEN, "-o", join(folder, "no", "where.json"))).toEqual([2, expect.stringContaining("folder not found")]);
});
