/** Browser tests: whole jobs in headless Chromium against the built application. */
import { defineConfig } from "@playwright/test";

const PORT = Number(process.env.E2E_PORT ?? 4327);

export default defineConfig({
  testDir: "e2e",
  // Generous, for machines that are shared: a test that waits so long has failed, not been slow.
  timeout: 120_000,
  expect: { timeout: 20_000 },
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
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: { command: `node scripts/serve.mjs ${PORT}`, url: `http://127.0.0.1:${PORT}/layout`, reuseExistingServer: false, timeout: 60_000 },
});
