/** A few hostile files of every sort (npm run storm -- files is the long run). */
import { expect, test } from "@playwright/test";
import { hostileRun } from "./hostileRun";

test("hostile files: nothing of them runs, nothing is asked for, nothing breaks; some are taken", async ({ baseURL, launchOptions }) => {
  test.setTimeout(240_000);
  const report = await hostileRun({ baseURL: baseURL!, count: 18, seed: 20_261_126, launchOptions });
  expect(report.faults).toEqual([]);
  expect(report.files).toBe(18);
  expect(report.taken).toBeGreaterThan(2);
});
