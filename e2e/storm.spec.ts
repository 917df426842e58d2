/** A short storm, one kill of one window and one of two, each after an edit was confirmed; the long one is `npm run storm`. */
import { expect } from "@playwright/test";
import { test } from "./test";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { storm } from "./stormRun";

test(
  "a browser killed at random moments, in one window and in two, has lost nothing that was called saved",
  { tag: "@storm" },
  async ({ launchOptions, baseURL }) => {
    const folder = mkdtempSync(join(tmpdir(), "nodulum-storm-"));
    const report = await storm({ kills: 2, seed: 7, baseURL: baseURL!, folder, launchOptions });
    expect(report.lost).toEqual([]);
    expect([report.kills, report.inTwoWindows]).toEqual([2, 1]);
    expect(report.broken).toEqual([]);
    expect(report.confirmed).toBeGreaterThanOrEqual(2);
  },
);
