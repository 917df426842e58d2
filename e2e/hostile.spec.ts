/** A few hostile files of every sort (npm run storm -- files is the long run). */
import { expect } from "@playwright/test";
import { test } from "./test";
import { hostileRun } from "./hostileRun";

/** Enough for every sort to come once. */
const COUNT = 12;

test("hostile files: nothing of them runs, nothing is asked for, nothing breaks; some are taken", { tag: "@storm" }, async ({ baseURL, launchOptions }) => {
  const report = await hostileRun({ baseURL: baseURL!, count: COUNT, seed: 20_261_126, launchOptions });
  expect(report.faults).toEqual([]);
  expect(report.files).toBe(COUNT);
  expect(report.taken).toBeGreaterThan(2);
});
