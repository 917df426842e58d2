/** The page that plays by itself, opened from the disk without network, played by touch; a take recorded in it plays on the command line. */
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { pathToFileURL } from "node:url";
import { expect } from "@playwright/test";
import { test } from "./test";
import { exportText } from "./bench";
import { frames, Hand, LAYOUT } from "./gamePage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under its names is its own */
const nodulum = (...args: string[]) => execFileSync(process.execPath, ["cli/nodulum.mjs", ...args], { encoding: "utf8" });

test("made by the command line, opened from the disk without network: it plays by touch, for either hand, and records a take that plays elsewhere", async ({
  page,
  context,
}, info) => {
  const [file, layout] = [info.outputPath("page.html"), info.outputPath("quay.nodulum.json")];
  const nasty = { ...LAYOUT, name: `Quay </script><script>window.broken=1</script>`, actions: LAYOUT.actions.map((a) => ({ ...a, note: "</script>" })) };
  writeFileSync(layout, JSON.stringify(nasty));
  const html = nodulum("page", layout);
  writeFileSync(file, html);
  expect(gzipSync(html, { level: 9 }).length).toBeLessThan(70_000);
  const problems: string[] = [];
  page.on("console", (message) => message.type() === "error" && problems.push(message.text()));
  page.on("pageerror", (error) => problems.push(error.message));
  await context.setOffline(true);
  await page.goto(pathToFileURL(file).href);
  await page.waitForFunction(() => (window as any).handle);
  expect(await page.evaluate(() => [(window as any).broken, document.title])).toEqual([undefined, nasty.name]);
  await page.locator("summary").click();
  await page.getByLabel("Hand", { exact: true }).selectOption("left");
  await page.getByRole("button", { name: "● record a take" }).click();
  const at = (id: string) =>
    page.evaluate((one) => {
      const { visual } = (window as any).handle.controls().find((c: any) => c.id === one);
      return { x: visual.x + visual.w / 2, y: visual.y + visual.h / 2 };
    }, id);
  const walk = await at("walk");
  expect(walk.x).toBeGreaterThan(450);
  const hand = await Hand.of(page);
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x - 100, walk.y);
  await expect.poll(() => page.evaluate(() => (window as any).handle.value("walk")[0])).toBeLessThan(-0.9);
  // The yard below the controls answers: the puck of the stick has been pushed.
  await hand.up(1);
  const leap = await at("leap");
  await page.touchscreen.tap(leap.x, leap.y);
  await frames(page);
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "■ end the take" }).click();
  const download = await saving;
  expect(download.suggestedFilename()).toMatch(/\.nodulum-take\.json$/);
  const take = info.outputPath("take.json");
  await download.saveAs(take);
  const ticks = nodulum("replay", layout, "--take", take)
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as { values: { walk: [number, number]; leap: boolean } });
  expect(Math.min(...ticks.map(({ values }) => values.walk[0]))).toBeLessThan(-0.9);
  expect(ticks.some(({ values }) => values.leap)).toBe(true);
  expect(problems).toEqual([]);
});

test("held upright, the page of a wide layout asks to be turned; turned, it shows values and the feel of what was touched last, by two fingers", async ({
  page,
}, info) => {
  const [file, layout] = [info.outputPath("page.html"), info.outputPath("quay.nodulum.json")];
  writeFileSync(layout, JSON.stringify({ ...LAYOUT, orientation: "landscape" }));
  writeFileSync(file, nodulum("page", layout));
  await page.setViewportSize({ width: 420, height: 900 });
  await page.goto(pathToFileURL(file).href);
  await expect(page.getByText("Turn the device")).toBeVisible();
  await page.setViewportSize({ width: 900, height: 420 });
  await expect(page.getByText("Turn the device")).toBeHidden();
  await page.locator("summary").click();
  await page.getByRole("button", { name: "Values" }).click();
  await page.getByRole("button", { name: "Feel" }).click();
  const values = page.getByLabel("Values of actions");
  const feel = page.getByRole("region", { name: "Feel" });
  await expect(values.locator("dd")).toHaveText(["0.00, 0.00", "off", "off", "0.00, 0.00"]);
  await expect(feel).toHaveText("Touch a control to change its feel.");
  const at = (id: string) =>
    page.evaluate((one) => {
      const { visual } = (window as any).handle.controls().find((c: any) => c.id === one);
      return { x: visual.x + visual.w / 2, y: visual.y + visual.h / 2 };
    }, id);
  const hand = await Hand.of(page);
  const [walk, leap] = [await at("walk"), await at("leap")];
  await hand.down(2, leap.x, leap.y);
  await expect(feel).toContainText("Feel: leap");
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x + 12, walk.y);
  await expect(feel).toContainText("Feel: walk");
  await expect(values.locator("dd").first()).toHaveText(/^0\.0[1-9]|^0\.[1-9]/);
  await expect(values.locator("dd").nth(1)).toHaveText("on");
  // Half the travel is dead by now: the same thumb gives nothing, at once, while both fingers stay down.
  await feel.getByLabel("Inner dead zone").fill("0.5");
  await feel.getByLabel("Inner dead zone").press("Enter");
  await expect(values.locator("dd").first()).toHaveText("0.00, 0.00");
  await expect(values.locator("dd").nth(1)).toHaveText("on");
  await expect(feel.getByRole("status")).toHaveText("Changed here: walk: inner 0.5");
  // What the file would not allow is refused in words.
  await feel.getByLabel("Full at").fill("0.3");
  await feel.getByLabel("Full at").press("Enter");
  await expect(feel.getByRole("status")).toContainText("inner");
  await expect(feel.getByLabel("Full at")).toHaveValue("0.95");
  await feel.getByRole("button", { name: "Reset" }).click();
  await expect(values.locator("dd").first()).toHaveText(/^0\.0[1-9]|^0\.[1-9]/);
  await hand.up(1);
  await hand.up(2);
});

test("Hand off makes the same page as the command line", { tag: "@storm" }, async ({ browser }, info) => {
  const editor = await (
    await browser.newContext({ baseURL: info.project.use.baseURL, viewport: { width: 1280, height: 800 }, serviceWorkers: "block" })
  ).newPage();
  await editor.goto("/handoff");
  await expect(editor.getByTestId("saved-state")).toBeVisible();
  const layout = info.outputPath("open.nodulum.json");
  writeFileSync(layout, await exportText(editor));
  await editor.locator('[data-parcel="page"]').click();
  const saving = editor.waitForEvent("download");
  await editor.getByRole("button", { name: "Download the page that plays" }).click();
  const download = await saving;
  expect(download.suggestedFilename()).toBe("brackwater.html");
  const file = info.outputPath("page.html");
  await download.saveAs(file);
  expect(readFileSync(file, "utf8").trimEnd()).toBe(nodulum("page", layout).trimEnd());
  await editor.close();
});
