/** Takes: recorded, kept after the fact, played again, renamed, saved and taken in, compared, looped on the bench; touches and what is reported by itself. */
import { readFile } from "node:fs/promises";
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { firstDifference } from "../core/rehearsal/frameDifferences";
import type { Take } from "../core/rehearsal/take";
import { noViolationsInStorm, open, opened, typeInto, visual } from "./bench";
import { frames } from "./gamePage";

const value = (page: Page, name: string) => page.getByTestId(`value-${name}`);
const take = (page: Page, name: string) => page.locator(`[data-take="${name}"]`);
const takeButton = (page: Page, name: string) => page.getByRole("button", { name: new RegExp(`^Take ${name},`) });
const view = (page: Page, name: string) => page.getByRole("navigation", { name: "Views" }).getByRole("link", { name }).click();
const strip = (page: Page) => page.getByTestId("lane-glass");

/** Presses the horn with a pinned finger, and lifts it. */
async function hoot(page: Page): Promise<void> {
  await page.getByLabel("Pin a finger on a control").selectOption({ label: "horn" });
  await expect(value(page, "horn")).toHaveText("true");
  await page.getByRole("button", { name: "Remove pin 1" }).click();
  await expect(value(page, "horn")).toHaveText("false");
}
/** The take that is open, to its end. */
async function toTheEnd(page: Page): Promise<void> {
  await expect(page.getByRole("button", { name: "Play the take" })).toBeVisible();
}
/** What the trace of an action shows at any tick of the open take, read by key from its beginning. */
async function ticksWith(page: Page, action: string, text: string, step = 6): Promise<number> {
  await strip(page).focus();
  await page.keyboard.press("Home");
  const last = Number(await strip(page).getAttribute("aria-valuemax"));
  let found = 0;
  for (let tick = 0; tick <= last; tick += step) {
    if ((await value(page, action).textContent()) === text) found += 1;
    for (let i = 0; i < step; i += 1) await page.keyboard.press("ArrowRight");
    await frames(page, 2);
  }
  return found;
}

test("a take is recorded, kept over a reload, played again with its fingers, named, removed and brought back", async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await expect(page.getByTestId("recorded")).toBeVisible();
  await hoot(page);
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(takeButton(page, "take 1")).toBeVisible();
  await page.reload();
  await takeButton(page, "take 1").click();
  await expect(page.getByTestId("take-glass")).toHaveAttribute("aria-label", /The take “take 1” on Tall phone/);
  await toTheEnd(page);
  expect(await ticksWith(page, "horn", "true", 2)).toBeGreaterThan(0);
  await noViolationsInStorm(page, "an open take");
  await page.getByRole("button", { name: "Close the take" }).click();
  await expect(page.getByTestId("play-glass")).toBeVisible();
  await takeButton(page, "take 1").focus();
  await page.keyboard.press("F2");
  await page.keyboard.type("a short hoot");
  await page.keyboard.press("Enter");
  await expect(takeButton(page, "a short hoot")).toBeVisible();
  await page.getByRole("button", { name: "Remove the take a short hoot" }).click();
  await expect(takeButton(page, "a short hoot")).toHaveCount(0);
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(takeButton(page, "a short hoot")).toBeVisible();
});

test("what was played in the last half minute is kept after the fact; where nothing was, that is said", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByRole("button", { name: "keep last 30 s" }).click();
  await expect(page.getByText("Nothing was played in the last 30 s")).toBeVisible();
  await hoot(page);
  await page.getByRole("button", { name: "keep last 30 s" }).click();
  await takeButton(page, "take 1").click();
  await toTheEnd(page);
  expect(await ticksWith(page, "horn", "true", 2)).toBeGreaterThan(0);
});

test("an edit of the layout ends a take and begins the next", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await hoot(page);
  await expect(page.getByTestId("recorded")).toHaveText(/0:0[1-9]/);
  await page.getByLabel("Control whose feel is open").selectOption("helm");
  await page.getByRole("button", { name: "heavy" }).click();
  await expect(takeButton(page, "take 1")).toBeVisible();
  await expect(page.getByTestId("recorded")).toBeVisible();
  await hoot(page);
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(takeButton(page, "take 2")).toBeVisible();
});

test(
  "saved with its frames and taken in again, in another browser too; bare events become a take; a file that is none is refused by its place",
  { tag: "@storm" },
  async ({ page, browser }) => {
    await open(page, "/rehearse");
    const save = async (item: string) => {
      await page.getByRole("button", { name: "Save the take quay, in a hurry" }).click();
      const saving = page.waitForEvent("download");
      await page.getByRole("menuitem", { name: item }).click();
      const file = await saving;
      return { name: file.suggestedFilename(), text: await readFile((await file.path())!, "utf8") };
    };
    const whole = await save("take with frames");
    expect(whole.name).toBe("quay-in-a-hurry.nodulum-take.json");
    const { frames: given, ...saved } = JSON.parse(whole.text) as Take;
    const { frames: shipped, ...rest } = JSON.parse(await readFile("samples/takes/brackwater-1.nodulum-take.json", "utf8")) as Take;
    expect(saved).toEqual(rest);
    expect(firstDifference(shipped!, given!)).toBeNull();
    const events = await save("events, NDJSON");
    const ticks = await save("frames, NDJSON");
    expect(ticks.text.trim().split("\n").length).toBe(given!.length);
    const other = await browser.newPage();
    await open(other, "/rehearse");
    const give = (name: string, text: string) =>
      other.getByLabel("Import a take").setInputFiles({ name, mimeType: "application/json", buffer: Buffer.from(text) });
    await give(whole.name, whole.text);
    await expect(other.getByRole("button", { name: "Remove the take quay, in a hurry" })).toBeVisible();
    await give("hoots.events.ndjson", events.text);
    await expect(takeButton(other, "hoots")).toBeVisible();
    await give("broken.nodulum-take.json", whole.text.replace('"hz": 60', '"hz": 6000'));
    await expect(other.getByText(/broken\.nodulum-take\.json: hz: must be a whole number from 1 to 1000/)).toBeVisible();
    await other.close();
  },
);

test(
  "on another screen each touch goes with its control; the marks and the table tell what took it, and what the play tells by itself leads to its tick",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/rehearse");
    await page.getByLabel("Screen").selectOption("Tablet 4:3");
    await takeButton(page, "quay, in a hurry").click();
    await page.getByLabel("Layout of the take").selectOption("now");
    await expect(page.getByTestId("take-glass")).toHaveAttribute("aria-label", /on Tablet 4:3/);
    await page.getByRole("button", { name: "Touches", exact: true }).click();
    const horn = page.locator('[data-touch-row="horn"]');
    await expect(horn.locator("td").first()).toHaveText("2");
    await expect(horn.locator("td").nth(1)).toHaveText("2");
    await expect(page.locator('[data-testid="touch-marks"] [data-fate="meant"]').first()).toBeVisible();
    await page.getByRole("button", { name: "Notices", exact: true }).click();
    await expect(page.locator('[data-told="never active"]').filter({ hasText: "pump was never active" })).toBeVisible();
    const pair = page.locator('[data-told="unnamed pair"]').first();
    await expect(pair).toContainText("no together set contains them");
    const tick = /tick (\d+)/.exec((await pair.textContent())!)![1];
    await pair.getByRole("button").click();
    await expect(strip(page)).toHaveAttribute("aria-valuetext", new RegExp(`^tick ${tick}, `));
  },
);

test("touches that another control or nothing took are marked while one plays, too", async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByRole("button", { name: "Touches", exact: true }).click();
  const box = (await page.getByTestId("play-glass").boundingBox())!;
  const nowhere = { x: box.x + box.width * 0.5, y: box.y + box.height * 0.95 };
  await page.mouse.click(nowhere.x, nowhere.y);
  await expect(page.locator('[data-testid="touch-marks"] [data-fate="nothing"]')).toHaveCount(2);
  await expect(page.getByText("started more than 5 mm from every picture")).toBeVisible();
});

test("one take over two layouts: where they first differ, and each action in a chart and a table", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByLabel("Control whose feel is open").selectOption("helm");
  await page.getByRole("button", { name: "heavy" }).click();
  await page.getByRole("button", { name: "compare…" }).click();
  const dialogue = page.getByRole("dialog", { name: "Compare a take" });
  await expect(dialogue.getByTestId("first-difference")).toContainText(/first differ at tick \d+, .*: helm gives .* on A and .* on B/);
  const row = (action: string) => dialogue.locator(`[data-compared="${action}"]`);
  await expect(row("helm")).toContainText(/mean 0\.\d+.*tick \d+/);
  await expect(row("towline")).toContainText("never");
  await expect(row("towline")).toContainText("pressed 3.70 s");
  await expect(dialogue.locator("svg.recharts-surface path.recharts-curve")).toHaveCount(2);
  await noViolationsInStorm(page, "a take compared");
  await dialogue.getByLabel("Layout B").selectOption("own");
  await expect(dialogue.getByTestId("first-difference")).toHaveText(/^The same on both: \d+ ticks\.$/);
});

test("on the bench a take goes on while the layout is changed, and its touches go with their controls", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/layout");
  await page.getByRole("button", { name: "Loop a take" }).click();
  const glass = page.getByTestId("looped-take");
  await expect(glass).toBeVisible();
  const fingers = () => glass.locator("circle:visible").evaluateAll((all) => all.map((c) => c.getAttribute("transform")));
  await expect.poll(async () => (await fingers()).length).toBeGreaterThan(0);
  await visual(page, "helm").click();
  await typeInto(page, "Place", "From left", "400 u");
  // The helm is at the right of a quarter of the screen now, and so does the finger on it.
  await expect.poll(async () => (await fingers()).some((t) => Number(/translate\(([\d.]+)/.exec(t ?? "")?.[1] ?? 0) > 2400 * 0.28)).toBe(true);
  await page.getByRole("button", { name: "Close the looped take" }).click();
  await expect(glass).toHaveCount(0);
});

test("takes are in a backup", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await hoot(page);
  await page.getByRole("button", { name: "keep last 30 s" }).click();
  await expect(take(page, "take 1")).toBeVisible();
  await page.getByTestId("saved-state").click();
  await page.getByRole("button", { name: "Download a backup" }).waitFor();
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Download a backup" }).click();
  const zip = await readFile((await (await saving).path())!);
  expect(zip.includes(Buffer.from("takes/001-take-1.nodulum-take.json"))).toBe(true);
});

test("sixty actions stay workable: each has its lane, and the last is reached, read and marked", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/handoff");
  const actions = Array.from({ length: 60 }, (_, i) => ({
    name: `deed-${i + 1}`,
    kind: i % 3 === 0 ? "vector" : "press",
    keys: i % 3 === 0 ? [] : [{ code: "KeyH" }],
  }));
  const file = { format: "nodulum-layout", version: 1, name: "Sixty", reference: { width: 1600, height: 720 }, scale: {}, actions };
  await page.getByLabel("Files to import").setInputFiles({ name: "sixty.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(file)) });
  await opened(page, "Sixty");
  await expect(page).toHaveURL(/\/layout$/);
  await view(page, "Rehearse");
  const last = value(page, "deed-60");
  await last.scrollIntoViewIfNeeded();
  await expect(last).toBeInViewport();
  await page.getByTestId("play-glass").focus();
  await page.keyboard.down("h");
  await expect(last).toHaveText("true");
  await page.keyboard.up("h");
  await expect(last).toHaveText("false");
  await page.getByRole("button", { name: "Pause the traces" }).click();
  await last.scrollIntoViewIfNeeded();
  const box = (await strip(page).boundingBox())!;
  const lane = (await last.boundingBox())!;
  await page.mouse.move(box.x + box.width - 4, lane.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 500, lane.y + 8, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByTestId("between-deed-60")).toHaveText(/ a s, \d+ %$/);
});
