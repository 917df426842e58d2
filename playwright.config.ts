/** Browser tests: whole jobs in headless Chromium against the built application. */
import { existsSync } from "node:fs";
import { defineConfig } from "@playwright/test";
import { BROWSERS } from "./scripts/browsers.mjs";
import { isStorm } from "./test/repeated";

const PORT = Number(process.env.E2E_PORT ?? 4327);

export default defineConfig({
  testDir: "e2e",
  // Generous: a stuck test ends after minutes, and a busy machine fails nothing.
  timeout: 300_000,
  expect: { timeout: 120_000 },
  // What takes long runs in the storm, which tries everything (docs/TRUST.md).
  grepInvert: isStorm ? undefined : /@storm/,
  fullyParallel: true,
  workers: 2,
  retries: 0,
  reporter: [["list"], ["json", { outputFile: "test-results/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Running marks would keep a processor busy that the tests need.
    contextOptions: { reducedMotion: "reduce" },
    // Keeping the whole application for every test would cost each a second; the tests of that (offline) allow it.
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? BROWSERS.find((path) => existsSync(path)),
      args: [
        "--no-sandbox",
        "--disable-gpu",
        // Pages of one context and site share a process, and what it has compiled (e2e/test.ts).
        "--process-per-site",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  // `npm test` serves the application for all pieces of the tests.
  webServer: process.env.E2E_SERVED
    ? undefined
    : { command: `node scripts/server.mjs ${PORT}`, url: `http://127.0.0.1:${PORT}/layout`, reuseExistingServer: false, timeout: 60_000 },
});
