/** The traces under the glass: they run, stop, are read tick by tick, marked, zoomed, by pointer and by key; sixty actions stay workable. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { noViolationsInStorm, open } from "./bench";
import { frames } from "./gamePage";

const value = (page: Page, name: string) => page.getByTestId(`value-${name}`);
const strip = (page: Page) => page.getByTestId("lane-glass");
const read = (page: Page) => page.getByTestId("lane-read");

test(
  "what was pressed is read back tick by tick while the game goes on, and between two marks it is told how often and how long",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/rehearse");
    await page.getByLabel("Pin a finger on a control").selectOption({ label: "horn" });
    await page.getByRole("button", { name: "Loop pin 1" }).click();
    // Several presses are on the strip, and more of it than the marks below lie apart.
    for (let i = 0; i < 4; i += 1) for (const pressed of ["true", "false"]) await expect(value(page, "horn")).toHaveText(pressed);
    await page.getByRole("button", { name: "Pause the traces" }).click();
    await expect(read(page)).toContainText("tick");
    await strip(page).focus();
    const seen = new Set<string | null>();
    for (let i = 0; i < 90; i += 1) {
      await page.keyboard.press("ArrowLeft");
      const tick = await strip(page).getAttribute("aria-valuenow");
      await expect(read(page)).toContainText(`tick ${Number(tick) + 1} ·`);
      await frames(page, 2);
      seen.add(await value(page, "horn").textContent());
      if (seen.size === 2) break;
    }
    // The tick that is read differs from one to the next, though the game plays on.
    expect(seen).toEqual(new Set(["true", "false"]));
    const box = (await strip(page).boundingBox())!;
    await page.mouse.move(box.x + box.width - 8, box.y + 30);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width - 300, box.y + 30, { steps: 5 });
    await page.mouse.up();
    await expect(page.getByTestId("between-horn")).toHaveText(/^\d\.\d a s, [1-9]\d? %$/);
    await expect(page.getByTestId("between-helm")).toHaveText(/^mean 0\.00$/);
    await expect(read(page)).toContainText("A to B");
    await noViolationsInStorm(page, "traces with marks");
    await strip(page).focus();
    await page.keyboard.press("Escape");
    await expect(page.getByTestId("between-horn")).toHaveCount(0);
    const before = await strip(page).getAttribute("aria-valuenow");
    await page.keyboard.press("-");
    await expect(page.getByLabel("Visible seconds")).toHaveValue("15");
    expect(await strip(page).getAttribute("aria-valuenow")).toBe(before);
    await page.keyboard.press("Home");
    await expect(strip(page)).toHaveAttribute("aria-valuetext", /^tick 1, /);
    await page.keyboard.press(" ");
    await expect(page.getByRole("button", { name: "Pause the traces" })).toBeVisible();
    await expect(read(page)).toBeEmpty();
  },
);

test("the strip shows what was pressed where it was pressed, running and stopped alike", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByLabel("Pin a finger on a control").selectOption({ label: "horn" });
  await expect(value(page, "horn")).toHaveText("true");
  // It is held for so long that the strip shows nothing else at its right.
  await frames(page, 90);
  await page.getByRole("button", { name: "Remove pin 1" }).click();
  await expect(value(page, "horn")).toHaveText("false");
  await page.getByRole("button", { name: "Pause the traces" }).click();
  await expect(read(page)).toContainText("tick");
  /** What is drawn of the horn's lane, once two pictures in a row are the same. */
  const picture = async () => {
    const box = (await strip(page).boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y - 60);
    const clip = { x: box.x, y: box.y + 5 * 18, width: box.width - 40, height: 18 };
    let [last, before]: Buffer[] = [await page.screenshot({ clip }), Buffer.alloc(0)];
    while (!last.equals(before)) {
      await frames(page, 2);
      [last, before] = [await page.screenshot({ clip }), last];
    }
    return last;
  };
  const running = await picture();
  // Drawn at once from the log, it is the picture that was drawn as it ran.
  await page.setViewportSize({ width: 1281, height: 800 });
  await frames(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect.poll(async () => (await picture()).equals(running)).toBe(true);
});
