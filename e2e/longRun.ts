/** What takes minutes: a source folder of 100,000 files, and an hour of rehearsal with looped fingers at eight times speed. */
import { chromium, type LaunchOptions, type Page } from "@playwright/test";

export interface LongReport {
  /** How long the folder took, and the longest that the page was silent meanwhile, ms. */
  readonly folder: { readonly seconds: number; readonly longestMs: number; readonly said: string };
  /** Minutes of play; memory of the page's own objects before and after, MB. */
  readonly rehearsal: { readonly minutes: number; readonly beforeMb: number; readonly afterMb: number };
  readonly faults: readonly string[];
}

const FILES = 100_000;
/** Every thousandth file has a line of 1 MB. */
const LONG_LINES = 1000;
/** So much more may be in memory after an hour: what is drawn and remembered has its bounds. */
const MOST_GROWTH_MB = 30;

/** Ten fingers that go round and round for half an hour: one take is no longer. */
function halfAnHour(): string {
  const events: object[] = [];
  for (let step = 0; step <= 18_000; step += 1)
    for (let id = 1; id <= 10; id += 1) {
      const angle = (step / 20 + id) * 2;
      events.push({
        t: step * 100,
        id,
        type: step === 0 ? "down" : "move",
        x: 240 * id - 100 + 60 * Math.cos(angle),
        y: 700 + 200 * (id % 2) + 60 * Math.sin(angle),
      });
    }
  const none = { left: 0, top: 0, right: 0, bottom: 0 };
  const screen = { name: "Wide", widthPx: 2400, heightPx: 1080, ppi: 411, insets: none, cornerPx: 0, cutouts: [], edges: none };
  const head = {
    format: "nodulum-take",
    version: 1,
    name: "half an hour",
    layout: "0".repeat(64),
    screen,
    handed: "right",
    playerSize: 1,
    hz: 60,
    moment: null,
  };
  return JSON.stringify({ ...head, events, frames: null });
}

async function readFolder(page: Page, baseURL: string): Promise<LongReport["folder"]> {
  await page.goto(`${baseURL}/actions`);
  await page.getByRole("button", { name: "From the game’s code…" }).click();
  await page.locator("[role=dialog] [data-drop]").waitFor();
  await page.evaluate(
    ([files, longLines]) => {
      const transfer = new DataTransfer();
      const line = (i: number) => `if (input.pressed("act_${i % 60}")) this.go(${i});\n`;
      const long = `const table = [${"1234567, ".repeat(116_000)}];\n`;
      for (let i = 0; i < files; i += 1) transfer.items.add(new File([line(i), i % longLines === 0 ? long : "", line(i + 1)], `part_${i}.ts`));
      const beats = window as unknown as { longest: number; began: number };
      beats.longest = 0;
      beats.began = performance.now();
      document.querySelector("[role=dialog] [data-drop]")!.dispatchEvent(new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer: transfer }));
      let last = performance.now();
      const beat = () => {
        const now = performance.now();
        beats.longest = Math.max(beats.longest, now - last);
        last = now;
        setTimeout(beat);
      };
      beat();
    },
    [FILES, LONG_LINES] as const,
  );
  const status = page.getByRole("dialog").getByText(/\d+ files read/);
  await status.waitFor({ timeout: 600_000 });
  const { seconds, longestMs } = await page.evaluate(() => {
    const beats = window as unknown as { longest: number; began: number };
    return { seconds: (performance.now() - beats.began) / 1000, longestMs: beats.longest };
  });
  return { seconds, longestMs, said: (await status.textContent()) ?? "" };
}

/** The memory of the page's own objects once what is not wanted is gone, MB. */
async function memoryOf(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send("HeapProfiler.collectGarbage");
  const { usedSize } = await session.send("Runtime.getHeapUsage");
  await session.detach();
  return usedSize / 1e6;
}

async function rehearse(page: Page, baseURL: string, minutes: number): Promise<LongReport["rehearsal"]> {
  await page.goto(`${baseURL}/rehearse`);
  await page.getByLabel("Import a take").setInputFiles({ name: "long.nodulum-take.json", mimeType: "application/json", buffer: Buffer.from(halfAnHour()) });
  await page.getByRole("button", { name: /^Take half an hour/ }).click();
  const strip = page.getByTestId("lane-glass");
  const at = async () => Number(await strip.getAttribute("aria-valuenow"));
  // All of it is known first: what is computed is not growth.
  await page.waitForFunction(() => Number(document.querySelector('[data-testid="lane-glass"]')?.getAttribute("aria-valuemax")) > 100_000, undefined, {
    timeout: 120_000,
  });
  await page.getByLabel("Speed of the take").selectOption("8");
  const beforeMb = await memoryOf(page);
  let ticks = 0;
  let last = await at();
  while (ticks < minutes * 3600) {
    await page.waitForTimeout(2000);
    const now = await at();
    if (now > last) ticks += now - last;
    last = now;
    const again = page.getByRole("button", { name: "Play the take" });
    if ((await again.count()) > 0) {
      await strip.focus();
      await page.keyboard.press("Home");
      last = await at();
      await again.click();
    }
  }
  return { minutes: ticks / 3600, beforeMb, afterMb: await memoryOf(page) };
}

/** Does both; `minutes`: of play. */
export async function longRun(minutes: number, baseURL: string, launchOptions: LaunchOptions): Promise<LongReport> {
  const browser = await chromium.launch(launchOptions);
  const faults: string[] = [];
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    page.on("pageerror", (error) => faults.push(error.message));
    page.on("crash", () => faults.push("the page crashed"));
    const folder = await readFolder(page, baseURL);
    if (!folder.said.startsWith(`${FILES} files read`)) faults.push(`of ${FILES} files: ${folder.said}`);
    const rehearsal = await rehearse(page, baseURL, minutes);
    if (rehearsal.afterMb > rehearsal.beforeMb + MOST_GROWTH_MB)
      faults.push(`after ${minutes} minutes of play ${rehearsal.afterMb.toFixed(1)} MB, before ${rehearsal.beforeMb.toFixed(1)}`);
    return { folder, rehearsal, faults };
  } finally {
    await browser.close();
  }
}
