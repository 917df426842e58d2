import { expect } from "@playwright/test";
import { test } from "./test";
import { addAction, control, noViolations, open, openLayout, startLayout } from "./bench";

const VIEWS = ["/actions", "/layout", "/rehearse", "/screens", "/handoff"];

for (const theme of ["light", "dark"])
  test(`axe finds nothing in the five views, ${theme}`, { tag: theme === "dark" ? "@storm" : [] }, async ({ page }) => {
    await page.addInitScript((t) => localStorage.setItem("theme", t), theme);
    for (const view of VIEWS) {
      await open(page, view);
      if (view === "/layout") await control(page, "helm").click({ position: { x: 8, y: 8 } });
      await expect(page.getByText("checking…")).toHaveCount(0);
      await noViolations(page, view);
    }
  });

test("the first draft: each mistake is said in its place", async ({ page }) => {
  await open(page);
  await openLayout(page, "Brackwater, first draft");
  const findings = page.getByRole("region", { name: "Findings on this screen" });
  await expect(findings).toContainText("tow_line");
  await expect(findings).toContainText("nearly towline");
  await expect(findings).toContainText(/“log book” leaves the safe frame/);
  await expect(findings).toContainText(/hit area of “pause” is 5\.\d mm/);
  await expect(findings).toContainText(/% of “horn” lies under/);
  await expect(findings).toContainText(/travel of “nudge” goes/);
  await page.keyboard.press("1");
  const controls = page.getByRole("list", { name: "Touch controls" });
  await expect(controls).toContainText("nearly towline");
  const towline = page.locator('[data-action="towline"]');
  await expect(towline).toContainText("no touch control; nearly tow_line");
  await controls.getByRole("button", { name: "use towline" }).click();
  await expect(controls).not.toContainText("nearly towline");
  await expect(towline).toContainText("served");
});

test("a finding on the shelf opens the bench with that screen and control", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/screens");
  await openLayout(page, "Brackwater, first draft");
  await page.getByRole("link", { name: /Screens/ }).click();
  const shelf = page.getByRole("region", { name: "Shelf" });
  await expect(shelf.getByRole("listitem")).toHaveCount(24);
  await shelf
    .getByRole("button", { name: /Tablet 16:10/ })
    .last()
    .click();
  await page
    .getByRole("complementary", { name: "Findings" })
    .getByRole("button", { name: /hit area of “pause”/ })
    .click();
  await expect(page).toHaveURL(/\/layout$/);
  await expect(page.getByTestId("bench-screen")).toHaveText("Tablet 16:10");
  await expect(control(page, "pause")).toHaveAttribute("aria-pressed", "true");
});

test("an empty layout says what to do first, and does it at one click", async ({ page }) => {
  await open(page);
  await startLayout(page, "Nothing yet");
  await page.getByRole("link", { name: /Layout/ }).click();
  await page.getByRole("link", { name: "Add actions" }).click();
  await expect(page.getByText("What does the game read?")).toBeVisible();
  await addAction(page, "go", "axis");
  await expect(page.locator("[data-action]")).toContainText("no touch control");
});

test.describe("by touch", () => {
  test.use({ hasTouch: true });
  test("two fingers at once: steer and sound the horn", async ({ page, context }) => {
    await open(page, "/rehearse");
    const box = (await page.getByTestId("play-glass").boundingBox())!;
    const at = (fx: number, fy: number, id: number) => ({ x: box.x + box.width * fx, y: box.y + box.height * fy, id });
    const cdp = await context.newCDPSession(page);
    const touch = (type: "touchStart" | "touchMove" | "touchEnd" | "touchCancel", touchPoints: ReturnType<typeof at>[]) =>
      cdp.send("Input.dispatchTouchEvent", { type, touchPoints });
    const stick = at(0.18, 0.68, 1);
    await touch("touchStart", [stick]);
    await touch("touchMove", [{ ...stick, y: stick.y - 60 }]);
    await touch("touchStart", [{ ...stick, y: stick.y - 60 }, at(0.797, 0.632, 2)]);
    await expect(page.getByTestId("value-horn")).toHaveText("true");
    await expect(page.getByTestId("value-helm")).toHaveText(/, (0\.[5-9]\d|1\.00)$/);
    await touch("touchCancel", []);
    await expect(page.getByTestId("value-horn")).toHaveText("false");
    await expect(page.getByTestId("value-helm")).toHaveText("0.00, 0.00");
  });
});

test("feel changes while the thumb is down; the yard plays any layout", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByLabel("Scene").selectOption("yard");
  const box = (await page.getByTestId("play-glass").boundingBox())!;
  const from = { x: box.x + box.width * 0.18, y: box.y + box.height * 0.68 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y, { steps: 3 });
  const value = page.getByTestId("value-helm");
  await expect(value).toHaveText(/^0\.[1-9]/);
  const before = parseFloat((await value.textContent())!);
  const inner = page.getByRole("region", { name: "Feel" }).getByRole("slider", { name: "Outer end of the dead zone" });
  await inner.focus();
  for (let i = 0; i < 30; i += 1) await page.keyboard.press("ArrowLeft");
  await expect.poll(async () => parseFloat((await value.textContent())!)).toBeGreaterThan(before + 0.05);
  await page.mouse.up();
});
