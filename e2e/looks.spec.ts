/** Screens, the later looks: misses with the move that helps, what changed, the map, the report; misses on the bench. */
import { readFileSync } from "node:fs";
import { pathToFileURL } from "node:url";
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { control, noViolationsInStorm, open, openLayout } from "./bench";

const look = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).click();
/** The view of the first draft in a look. */
async function openDraft(page: Page, name: string): Promise<void> {
  await open(page, "/layout");
  await openLayout(page, "Brackwater, first draft");
  await toScreens(page, name);
}
async function toScreens(page: Page, name: string): Promise<void> {
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Screens" }).click();
  await look(page, name);
}
const cells = (page: Page, row: string) => page.locator(`[data-table-row="${row}"] [data-cell]`);

test(
  "misses: the table by pointer and key, who takes from whom, the worst pair and the move that helps it, made at one click",
  { tag: "@storm" },
  async ({ page }) => {
    await openDraft(page, "Misses");
    await expect(page.getByTestId("misses-state")).toHaveText("ready");
    await expect(cells(page, "horn").first()).toHaveAttribute("aria-label", /^horn on Small phone 16:9: gets 0 of 100; 100 helm, /);
    const pair = page.getByTestId("worst-pair");
    await expect(pair).toContainText("meant for horn, 100 go to helm");
    await expect(page.getByTestId("miss-move")).toContainText(/Draw horn above: then 0 of them go there\. horn gets 0 → \d/);
    await noViolationsInStorm(page, "misses");
    await cells(page, "horn").first().focus();
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Enter");
    const side = page.getByRole("complementary", { name: "Who gets the missed touches" });
    await expect(side.getByRole("heading", { name: "Who gets the missed touches on Phone 16:9" })).toBeVisible();
    await expect(side.getByRole("row", { name: /^pause 7\d \d+ nothing/ })).toBeVisible();
    // Another player and moment are other figures.
    await page.getByLabel("Moment of the misses").selectOption({ label: "Log open" });
    await expect(cells(page, "horn").first()).toHaveAttribute("aria-label", /: nothing$/);
    await page.getByLabel("Moment of the misses").selectOption({ label: "worst of all players" });
    await pair.getByRole("button", { name: "Draw horn above" }).click();
    await expect(cells(page, "horn").first()).toHaveAttribute("aria-label", /: gets (9\d|100)/);
    await page.keyboard.press("Control+z");
    await expect(cells(page, "horn").first()).toHaveAttribute("aria-label", /: gets 0 of 100/);
  },
);

test("on the bench the cloud of a hundred touches of what is selected is shown by its key, as many as there are, by who takes them", async ({ page }) => {
  await open(page, "/layout");
  await openLayout(page, "Brackwater, first draft");
  await control(page, "horn").click();
  await page.keyboard.press("a");
  const cloud = page.locator('[data-misses="horn"]');
  await expect(cloud).toContainText("0 of 100");
  await expect(cloud).toContainText("100 helm");
  await expect(page.locator("[data-misses]")).toHaveCount(1);
  const marks = await cloud.locator("path").evaluateAll((paths) => paths.map((path) => (path.getAttribute("d") ?? "").split("M").length - 1));
  // Rings for nothing, dots for the one meant, two strokes for each that another takes.
  expect(marks[0] + marks[1] + marks[2] / 2).toBe(100);
  await page.keyboard.press("Escape");
  await expect(page.locator("[data-misses]").first()).toBeVisible();
  expect(await page.locator("[data-misses]").count()).toBeGreaterThan(3);
  await page.keyboard.press("a");
  await expect(page.getByTestId("misses")).toHaveCount(0);
});

test(
  "what changed against a named state and against a file: by screen and control, as marks in the grid, with the way to the bench",
  { tag: "@storm" },
  async ({ page }, info) => {
    await open(page, "/layout");
    await openLayout(page, "Brackwater, first draft");
    await page.getByRole("button", { name: "History", exact: true }).click();
    await page.getByLabel("Name of the state").fill("before the playtest");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("button", { name: "Remove the state before the playtest" })).toBeVisible();
    await page.getByRole("button", { name: "Close the history" }).click();
    await control(page, "pause").click();
    await page.keyboard.press("Delete");
    await toScreens(page, "Changed");
    await page.getByLabel("Compared version").selectOption({ label: "before the playtest" });
    await expect(page.getByTestId("changed-state")).toHaveText(/^24 new, .*\d+ resolved$/);
    await expect(cells(page, "pause").first()).toHaveAttribute("aria-label", /^pause on Small phone 16:9: 1 new, \d resolved$/);
    const here = page.getByRole("complementary", { name: "What changed here" });
    await expect(here.locator('[data-change="new bind/unserved"]')).toHaveCount(1);
    await expect(here.locator('[data-change="new bind/unserved"]')).toContainText("on 24 screens");
    await cells(page, "pause").nth(1).click();
    await expect(here.getByRole("heading", { name: "pause on Phone 16:9" })).toBeVisible();
    await expect(here.locator('[data-change="resolved touch/small"]')).toBeVisible();
    await noViolationsInStorm(page, "changed");
    await look(page, "Grid");
    await expect(page.locator('[data-cell="0 0"]')).toHaveAttribute("aria-label", /; changed \+1 .*−\d/);
    await expect(page.locator("[data-marks]").first()).toBeVisible();
    // Against a file: the finished layout, in which nearly everything is another way.
    await look(page, "Changed");
    const file = info.outputPath("brackwater.nodulum.json");
    const { copyFileSync } = await import("node:fs");
    copyFileSync("samples/brackwater.nodulum.json", file);
    await page.getByLabel("File of the version").setInputFiles(file);
    await expect(page.getByTestId("changed-state")).toHaveText(/^\d+ new/);
    await here.getByRole("button", { name: "on all screens" }).click();
    await here.locator('[data-change^="new touch/buried"] button').first().click();
    await expect(page).toHaveURL(/\/layout$/);
  },
);

test(
  "the map: coarse first, worked out in the end; lines of a measure, a cursor by key, and a screen of it on the bench",
  { tag: "@storm" },
  async ({ page }) => {
    await openDraft(page, "Map");
    await expect(page.getByTestId("map-state")).toHaveText(/^\d+ % computed$/);
    // One player's map is a quarter of the work.
    await page.getByLabel("Player of the map").selectOption({ index: 1 });
    await expect(page.getByTestId("map-state")).toHaveText("ready");
    const place = page.getByRole("complementary", { name: "Selected point" });
    await place.getByRole("button", { name: /reach\/far pause/ }).click();
    await expect(page.locator("[data-contour]").first()).toBeVisible();
    const plot = page.getByTestId("map-plot");
    await plot.focus();
    const before = (await plot.getAttribute("aria-label"))!;
    expect(before).toMatch(/^Map: Aspect 1\.8\d\d, 6\.\d\d inches: blocker bind\/unknown-action towline tow_line and \d+ more$/);
    await page.keyboard.press("Shift+ArrowRight");
    await page.keyboard.press("ArrowUp");
    await expect(plot).not.toHaveAttribute("aria-label", before);
    const heading = (await place.getByRole("heading").textContent())!;
    await page.getByLabel("hide findings that hold everywhere").check();
    await expect(plot).not.toHaveAttribute("aria-label", /bind\/unknown-action/);
    await noViolationsInStorm(page, "the map");
    await plot.focus();
    await page.keyboard.press("Enter");
    await expect(page).toHaveURL(/\/layout$/);
    await expect(page.getByText(heading).first()).toBeVisible();
  },
);

test(
  "the report: chosen parts as one file that opens without network, two papers, and the frame that is printed",
  { tag: "@storm" },
  async ({ page, context }, info) => {
    await openDraft(page, "Shelf");
    await page.getByRole("complementary", { name: "Filter" }).getByLabel("Class").selectOption("tablet");
    await page.getByRole("button", { name: "report…" }).click();
    const dialogue = page.getByRole("dialog", { name: "The report" });
    await expect(dialogue.getByLabel("Screens of the report")).toHaveValue("shown");
    await dialogue.getByLabel("Findings by aspect ratio").uncheck();
    await dialogue.getByLabel("Paper of the report").selectOption("letter");
    await noViolationsInStorm(page, "the report's dialogue");
    const saving = page.waitForEvent("download");
    await dialogue.getByRole("button", { name: "Download HTML" }).click();
    const download = await saving;
    expect(download.suggestedFilename()).toBe("brackwater-first-draft-report.html");
    const file = info.outputPath("report.html");
    await download.saveAs(file);
    await dialogue.getByRole("button", { name: "Print…" }).click();
    await expect(dialogue.getByTestId("report-state")).toHaveText("made");
    await expect(dialogue.getByTestId("report-frame")).toHaveAttribute("srcdoc", /<h1>Brackwater, first draft<\/h1>/);
    // From the disk, with no network at all, it is whole; each paper has pages of its size.
    const sheet = await context.newPage();
    const problems: string[] = [];
    sheet.on("console", (message) => message.type() === "error" && problems.push(message.text()));
    await context.setOffline(true);
    await sheet.goto(pathToFileURL(file).href);
    await expect(sheet.getByRole("heading", { name: "Contact sheet" })).toBeVisible();
    await expect(sheet.getByRole("heading", { name: "Findings by aspect ratio" })).toHaveCount(0);
    await noViolationsInStorm(sheet, "the report");
    expect(problems).toEqual([]);
    const pages = async () => {
      const pdf = (await sheet.pdf({ preferCSSPageSize: true })).toString("latin1");
      return [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, w, h]) => `${Math.round(Number(w))}×${Math.round(Number(h))}`);
    };
    const letter = await pages();
    expect(letter.length).toBeGreaterThan(3);
    expect(new Set(letter)).toEqual(new Set(["612×792"]));
    const html = readFileSync(file, "utf8").replace("size: letter", "size: A4");
    await sheet.setContent(html);
    expect(new Set(await pages())).toEqual(new Set(["595×842"]));
    // Nothing of it is wider than the paper leaves room for.
    expect(
      await sheet.evaluate(
        () =>
          [...document.querySelectorAll("svg, table")].filter(
            (e) => e.getBoundingClientRect().right > document.querySelector("main")!.getBoundingClientRect().right,
          ).length,
      ),
    ).toBe(0);
  },
);
