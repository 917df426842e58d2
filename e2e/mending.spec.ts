/** Findings: to the place, on the glass, fixed at a click, accepted and taken back; limits; keyboard and readers; touch. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { control, drag, middle, noViolations, onGlass, open, openLayout, placeOf, visual } from "./bench";

const findings = (page: Page) => page.getByRole("region", { name: "Findings on this screen" });
const region = (page: Page, name: string) => page.getByRole("region", { name, exact: true });

test("a finding leads to its place, shows itself on the glass, and is mended at a click, undoable", async ({ page }) => {
  await open(page);
  await openLayout(page, "Brackwater, first draft");
  const buried = findings(page).locator('[data-finding="touch/buried"]').first();
  await buried.getByRole("button", { name: /lies under/ }).click();
  await expect(control(page, "horn")).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByTestId("pointed-out").locator("rect, ellipse")).not.toHaveCount(0);
  // From the card too: the findings of what is selected are there with their moves.
  const move = page
    .getByTestId("finding-line")
    .getByRole("button", { name: /^Draw horn above$/ })
    .first();
  await move.click();
  await expect(page.locator('[data-finding="touch/buried"]')).toHaveCount(0);
  await page.getByRole("button", { name: "Undo: draw horn above" }).click();
  await expect(page.locator('[data-finding="touch/buried"]').first()).toBeVisible();
  await page.keyboard.press("Escape");
  const small = findings(page).locator('[data-finding="touch/small"]').first();
  await small.getByRole("button", { name: /^Grow it by \d\.\d mm$/ }).click();
  await expect(findings(page).locator('[data-finding="touch/small"]')).toHaveCount(0);
});

test("a move is offered with its distance and goes just that far", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const from = await middle(visual(page, "horn"));
  const goal = await middle(visual(page, "towline"));
  await drag(page, from, { x: goal.x + 14, y: goal.y - 14 });
  const offer = page
    .getByTestId("finding-line")
    .getByRole("button", { name: /^Move \S+ \d+\.\d mm (up|down|left|right)$/ })
    .first();
  // Until a move is proved for the layout as it now is, the offer of an earlier one cannot be taken.
  await expect(offer).toBeEnabled();
  const [, id, mm, side] = /^Move (\S+) (\d+\.\d) mm (\S+)$/.exec((await offer.textContent())!)!;
  const before = await placeOf(page, id);
  await offer.click();
  const after = await placeOf(page, id);
  const gone = side === "left" || side === "right" ? after.x - before.x : after.y - before.y;
  expect(Math.abs(gone)).toBeCloseTo((Number(mm) * 411) / 25.4, 1);
  await expect(page.locator('[data-finding="touch/overlap"]')).toHaveCount(0);
});

test("a finding is accepted with a reason, and taken back", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await openLayout(page, "Brackwater, first draft");
  const small = findings(page).locator('[data-finding="touch/small"]').first();
  await small.getByRole("button", { name: "accept…" }).click();
  await small.getByLabel("Reason").press("Enter");
  await expect(page.getByText(/enter a reason/)).toBeVisible();
  await small.getByLabel("Reason").fill("only for the pilot");
  await small.getByLabel("Reason").press("Enter");
  await expect(small).toContainText("accepted: only for the pilot");
  await small.getByRole("button", { name: "Withdraw" }).click();
  await expect(small.getByRole("button", { name: "accept…" })).toBeVisible();
});

test("two hundred controls stay workable, and one more is refused with the limit", { tag: "@storm" }, async ({ page }) => {
  const controls = Array.from({ length: 200 }, (_, i) => ({
    id: `c${i}`,
    name: `c${i}`,
    kind: "button",
    placement: {
      kind: "pin",
      frame: "screen",
      anchor: [0, 0],
      pivot: [0, 0],
      offset: [`${8 + (i % 20) * 79}u`, `${8 + Math.floor(i / 20) * 71}u`],
      size: ["60u", "60u"],
    },
  }));
  const file = { format: "nodulum-layout", version: 1, name: "Two hundred", reference: { width: 1600, height: 720 }, scale: {}, controls };
  await open(page, "/handoff");
  await page.getByLabel("Files to import").setInputFiles({ name: "many.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(file)) });
  await expect(control(page, "c199")).toBeVisible();
  const before = await placeOf(page, "c55");
  const from = await middle(visual(page, "c55"));
  await drag(page, from, { x: from.x + 30, y: from.y + 20 }, 20);
  await expect.poll(async () => (await placeOf(page, "c55")).x).toBeGreaterThan(before.x + 50);
  await page.keyboard.press("d");
  await expect(page.getByText(/at most 200 controls/)).toBeVisible();
});

test("by keyboard alone: reached in order, named with kind, place and findings, moved, sized, dressed, undone", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await openLayout(page, "Brackwater, first draft");
  // Findings come from the worker a moment later.
  await expect(control(page, "horn")).toHaveAttribute("aria-label", /horn, button, .*serves horn, \d findings?/);
  const names = await page.locator('[data-testid="glass"] [role="button"]').evaluateAll((all) => all.map((e) => e.getAttribute("aria-label")!));
  for (const name of names) expect(name).toMatch(/^.+, (stick|d-pad|dpad|button|touchpad|swipe|keep-clear zone|cluster of \d+), /);
  await control(page, "helm").focus();
  await page.keyboard.press("Tab");
  await expect(page.locator('[data-control][aria-pressed="true"]')).toHaveCount(1);
  await control(page, "pause").focus();
  await page.keyboard.press("ArrowDown");
  const part = page.getByRole("slider", { name: "Growth of the hit area" });
  await part.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(part).toHaveAttribute("aria-valuetext", /^1\.\d mm$/);
  await expect(page.getByRole("button", { name: "Undo: hit area of pause" })).toBeVisible();
});

for (const theme of ["light", "dark"] as const)
  test(`axe finds nothing on the bench with things selected and lists open, ${theme}`, { tag: "@storm" }, async ({ page }) => {
    await page.addInitScript((t) => localStorage.setItem("theme", t), theme);
    await open(page);
    const clean = (where: string) => noViolations(page, where);
    await control(page, "helm").click({ position: { x: 12, y: 20 } });
    await clean("a stick");
    await control(page, "horn").click({ modifiers: ["Shift"] });
    await page.keyboard.press("u");
    await page.getByRole("button", { name: /^Overlays/ }).click();
    await clean("a cluster, overlays");
    await page.keyboard.press("Escape");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Choose the screens" }).click();
    await expect(page.getByRole("dialog")).toBeVisible();
    await clean("screens");
    await page.getByRole("button", { name: "Add a screen…" }).click();
    await clean("a screen of one's own");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /^Backdrop/ }).click();
    await clean("the backdrop");
  });

test("every card stands whole in the tray at 1280 × 800, without scrolling", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  for (const moment of ["under-way", "alongside"]) {
    await page.getByLabel("Moment shown").selectOption(moment);
    const all = page.locator("[data-control]");
    const count = await all.count();
    await all.first().focus();
    for (let i = 1; i < count; i += 1) {
      await page.keyboard.press("Tab");
      const id = (await page.locator("[data-control]:focus").getAttribute("data-control"))!;
      await expect(control(page, id)).toHaveAttribute("aria-pressed", "true");
      const cut = await page.locator('[aria-label="Tray"] > section').evaluateAll((columns) =>
        columns.flatMap((column) => {
          const body = column.lastElementChild!;
          const findings = body.querySelector("[data-finding]")?.closest("ul");
          const height = body.scrollHeight - (findings ? (findings as HTMLElement).offsetHeight : 0);
          return height > body.clientHeight + 1 || body.scrollWidth > body.clientWidth + 1
            ? [`${column.getAttribute("aria-label")} ${height}/${body.clientHeight}`]
            : [];
        }),
      );
      expect(`${id}: ${cut.join(", ")}`).toBe(`${id}: `);
    }
  }
});

test("curve, dead zone and travel are dragged in their pictures; a drag is one entry", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await control(page, "helm").click({ position: { x: 12, y: 20 } });
  const feel = region(page, "Feel");
  const bend = await middle(feel.getByRole("slider", { name: "Bend of the curve" }));
  await drag(page, bend, { x: bend.x, y: bend.y + 14 });
  const exponent = feel.getByRole("textbox", { name: "Exponent" });
  expect(Number(await exponent.inputValue())).toBeGreaterThan(1.8);
  await page.keyboard.press("Control+z");
  await expect(exponent).toHaveValue("1.4");
  await feel.getByLabel("Curve", { exact: true }).selectOption("Bezier");
  const handle = await middle(feel.getByRole("slider", { name: "Handle 1 of the curve" }).locator("circle").last());
  await drag(page, handle, { x: handle.x + 16, y: handle.y - 8 });
  await expect(feel.getByRole("slider", { name: "Handle 1 of the curve" })).toHaveAttribute("aria-valuetext", /^0\.7, 0\.2/);
  const ring = feel.getByRole("slider", { name: "Inner end of the dead zone" }).locator("circle").first();
  const box = (await ring.boundingBox())!;
  const centre = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await drag(page, { x: centre.x + 3, y: centre.y }, { x: centre.x + 22, y: centre.y });
  expect(Number(await feel.getByRole("textbox", { name: "Inner dead zone" }).inputValue())).toBeCloseTo(0.5, 1);
});

test.describe("by touch", () => {
  test.use({ hasTouch: true });
  test("a finger drags a control, two fingers zoom", async ({ page }) => {
    await open(page);
    const client = await page.context().newCDPSession(page);
    const touch = (type: "touchStart" | "touchMove" | "touchEnd", points: readonly { x: number; y: number; id: number }[]) =>
      client.send("Input.dispatchTouchEvent", { type, touchPoints: points.map((p) => ({ ...p })) });
    const before = await placeOf(page, "horn");
    const at = await middle(visual(page, "horn"));
    await touch("touchStart", [{ ...at, id: 1 }]);
    for (let i = 1; i <= 6; i += 1) await touch("touchMove", [{ x: at.x - i * 10, y: at.y, id: 1 }]);
    await touch("touchEnd", []);
    await expect.poll(async () => (await placeOf(page, "horn")).x).toBeLessThan(before.x - 100);
    const width = async () => (await page.getByTestId("glass").boundingBox())!.width;
    const fit = await width();
    const [a, b] = [await onGlass(page, 0.4, 0.15), await onGlass(page, 0.6, 0.25)];
    await touch("touchStart", [
      { ...a, id: 1 },
      { ...b, id: 2 },
    ]);
    for (let i = 1; i <= 8; i += 1)
      await touch("touchMove", [
        { x: a.x - i * 8, y: a.y, id: 1 },
        { x: b.x + i * 8, y: b.y, id: 2 },
      ]);
    await touch("touchEnd", []);
    await expect.poll(width).toBeGreaterThan(fit * 1.3);
    // Nothing was dragged by it.
    await expect(page.getByRole("button", { name: "Undo: move horn" })).toBeVisible();
  });
});
