/** Rehearse: the stage really plays what is chosen; pinned fingers, loops, feel side by side. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { SCREEN_CLASSES, screenOf } from "../core/checks/catalogue";
import { more, noViolationsInStorm, open, type Place } from "./bench";

const glass = (page: Page) => page.getByTestId("play-glass");
const value = (page: Page, name: string) => page.getByTestId(`value-${name}`);
/** The value of an action once it has come to rest: an eased one takes its time. */
async function settled(page: Page, name: string): Promise<string | null> {
  let before: string | null = null;
  await expect
    .poll(
      async () => {
        const now = await value(page, name).textContent();
        const same = now === before;
        before = now;
        return same;
      },
      { intervals: [250] },
    )
    .toBe(true);
  return before;
}
const pinRow = (page: Page, n: number) => page.locator(`[data-pin="${n}"]`);

async function at(page: Page, fx: number, fy: number): Promise<Place> {
  const box = (await glass(page).boundingBox())!;
  return { x: box.x + box.width * fx, y: box.y + box.height * fy };
}
/** The middle of a control's hit area, as the overlay draws it. */
async function middleOf(page: Page, id: string): Promise<Place> {
  await page.getByLabel("Areas over the glass").selectOption("all");
  const box = (await page.locator(`[data-testid="stage-overlay"] [data-areas="${id}"]`).boundingBox())!;
  await page.getByLabel("Areas over the glass").selectOption("none");
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}
/** Presses, drags and lets go, with a button of the mouse. */
async function stroke(page: Page, from: Place, to: Place, button: "left" | "right" = "left"): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down({ button });
  await page.mouse.move(to.x, to.y, { steps: 8 });
  await page.mouse.up({ button });
}
const HELM = [0.18, 0.68] as const;

test("the stage draws only where something on it changes: not while all rests, and again with the first touch", { tag: "@storm" }, async ({ page }) => {
  await page.addInitScript(() => {
    const counted = window as unknown as { drawn: number };
    counted.drawn = 0;
    const own = CanvasRenderingContext2D.prototype.fillRect;
    CanvasRenderingContext2D.prototype.fillRect = function (...args) {
      if (this.canvas.closest("[data-testid=play-glass]")) counted.drawn += 1;
      return own.apply(this, args);
    };
  });
  await open(page, "/rehearse");
  await page.getByLabel("Scene").selectOption("yard");
  const drawn = () =>
    page.evaluate(async () => {
      const counted = window as unknown as { drawn: number };
      counted.drawn = 0;
      for (let i = 0; i < 30; i += 1) await new Promise((done) => requestAnimationFrame(done));
      return counted.drawn;
    });
  await expect.poll(drawn).toBe(0);
  const { x, y } = await at(page, 0.25, 0.7);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y - 10, { steps: 4 });
  expect(await drawn()).toBeGreaterThan(0);
  await page.mouse.up();
  // The puck comes to rest, its way fades.
  await expect.poll(drawn).toBe(0);
});

test(
  "one mouse is many fingers: a pinned stick stays pushed while buttons are pressed; it is taken up again, and lifted",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/rehearse");
    await stroke(page, await at(page, ...HELM), await at(page, 0.23, 0.55), "right");
    await expect(value(page, "helm")).toHaveText(/^0\.\d+, 0\.\d+$/);
    await expect(pinRow(page, 1)).toContainText("helm");
    const pushed = await settled(page, "helm");
    await page.getByRole("button", { name: "Pin", exact: true }).click();
    const horn = await middleOf(page, "horn");
    await stroke(page, horn, horn);
    await expect(pinRow(page, 2)).toContainText("horn");
    await expect(value(page, "horn")).toHaveText("true");
    await expect(value(page, "helm")).toHaveText(pushed!);
    await expect(page.locator("[data-pin-mark]")).toHaveCount(2);
    // Taken up again near its place, it moves on.
    await stroke(page, await at(page, 0.23, 0.55), await at(page, 0.14, 0.68));
    await expect(value(page, "helm")).toHaveText(/^-0\.\d+/);
    await noViolationsInStorm(page, "the stage with pins");
    await page.getByRole("button", { name: "Remove pin 2" }).click();
    await expect(value(page, "horn")).toHaveText("false");
    await pinRow(page, 1).focus();
    await page.keyboard.press("Delete");
    await expect(value(page, "helm")).toHaveText("0.00, 0.00");
  },
);

test(
  "a pin loops: a press again and again, at another speed, until it is told to stay; moved and lifted by keys alone",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/rehearse");
    const presses = () => page.getByTestId("value-horn").textContent();
    await page.getByLabel("Pin a finger on a control").selectOption({ label: "horn" });
    await expect(value(page, "horn")).toHaveText("true");
    await page.getByRole("button", { name: "Loop pin 1" }).click();
    const seen = new Set<string | null>();
    await expect.poll(async () => seen.add(await presses()).size).toBe(2);
    await page.getByRole("button", { name: "half speed" }).click();
    await expect(page.getByRole("button", { name: "half speed" })).toHaveAttribute("aria-pressed", "true");
    await page.getByRole("button", { name: "Loop pin 1" }).click();
    await expect(value(page, "horn")).toHaveText("true");
    // A stick, pinned and pushed by keys.
    await page.getByLabel("Pin a finger on a control").selectOption({ label: "helm" });
    await pinRow(page, 2).focus();
    for (let i = 0; i < 8; i += 1) await page.keyboard.press("ArrowUp");
    await expect(value(page, "helm")).toHaveText(/, 0\.[2-9]/);
    await page.getByRole("button", { name: "Remove all" }).click();
    await expect(value(page, "helm")).toHaveText("0.00, 0.00");
    await expect(page.locator("[data-pin]")).toHaveCount(0);
  },
);

test("another screen, hand and number of ticks are really played; pins stand at the same parts of it", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByLabel("Pin a finger on a control").selectOption({ label: "horn" });
  await expect(value(page, "horn")).toHaveText("true");
  await page.getByLabel("Ticks per second").selectOption("120");
  await expect(value(page, "horn")).toHaveText("true");
  await page.getByRole("button", { name: "Remove pin 1" }).click();
  const horn = await middleOf(page, "horn");
  await page.mouse.move(horn.x, horn.y);
  await page.mouse.down();
  await expect(value(page, "horn")).toHaveText("true");
  await page.mouse.up();
  // For a left hand the horn is at the other side.
  await page.getByLabel("Hand", { exact: true }).selectOption("left");
  await page.mouse.down();
  await expect(value(page, "horn")).toHaveText("false");
  await page.mouse.up();
  const mirrored = await middleOf(page, "horn");
  expect(mirrored.x).toBeLessThan(horn.x - 300);
  await page.mouse.move(mirrored.x, mirrored.y);
  await page.mouse.down();
  await expect(value(page, "horn")).toHaveText("true");
  await page.mouse.up();
  await page.getByLabel("Hand", { exact: true }).selectOption("right");
  await page.getByLabel("Screen").selectOption("Tablet 4:3");
  await expect(glass(page)).toHaveAttribute("aria-label", /Tablet 4:3/);
});

test("controls are switched off, one is hidden, the game begins anew, the mouse is itself, areas show what is touched", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  const horn = await middleOf(page, "horn");
  const press = async (expected: string) => {
    await page.mouse.move(horn.x, horn.y);
    await page.mouse.down();
    await expect(value(page, "horn")).toHaveText(expected);
    await page.mouse.up();
    await expect(value(page, "horn")).toHaveText("false");
  };
  await page.getByLabel("Areas over the glass").selectOption("touched");
  await press("true");
  await page.mouse.down();
  await expect(page.locator('[data-testid="stage-overlay"] [data-areas="horn"]')).toBeVisible();
  await expect(page.locator('[data-testid="stage-overlay"] [data-areas="helm"]')).toBeHidden();
  await page.mouse.up();
  await expect(page.getByTestId("feel-now")).toContainText("horn");
  await page.getByRole("button", { name: "horn shows" }).click();
  await press("false");
  await page.getByRole("button", { name: "Show horn again" }).click();
  await press("true");
  const controls = page.getByRole("button", { name: "Controls", exact: true });
  await controls.click();
  await press("false");
  await controls.click();
  await page.getByRole("button", { name: "Restart" }).click();
  await press("true");
  await page.getByLabel("Mouse").selectOption("itself");
  await press("false");
  await glass(page).focus();
  await page.keyboard.down("h");
  await expect(page.getByTestId("held-keys")).toHaveText("keys down: H");
  await page.keyboard.up("h");
  await expect(page.getByTestId("latency")).toContainText("touch to picture");
});

test("arriving by key leaves the keys to the window: 4 leads on; keys go to the game after Enter or a click", async ({ page }) => {
  await open(page, "/layout");
  await page.keyboard.press("3");
  await expect(glass(page)).toBeVisible();
  await expect(page.getByTestId("reading-line")).toContainText("Click the glass or press Enter: all keys then go to the game.");
  await expect(glass(page)).not.toBeFocused();
  await page.keyboard.press("4");
  await expect(page).toHaveURL(/\/screens$/);
  await page.keyboard.press("3");
  await expect(glass(page)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(glass(page)).toBeFocused();
  await page.keyboard.down("w");
  await expect(value(page, "helm")).toHaveText("0.00, 1.00");
  await page.keyboard.up("w");
  // With the game in hand a digit is the game's.
  await page.keyboard.press("4");
  await expect(page).toHaveURL(/\/rehearse$/);
  await page.keyboard.down("Escape");
  await expect(glass(page)).not.toBeFocused();
  await page.keyboard.up("Escape");
  await page.keyboard.press("4");
  await expect(page).toHaveURL(/\/screens$/);
});

test("appearance is rehearsed: what shows on each device at first, after a touch, a key, a pad; a value line stands over the glass", async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByLabel("Scene").selectOption({ label: "test yard" });
  const pixel = () =>
    page.evaluate(() => {
      const canvas = document.querySelector<HTMLCanvasElement>("[data-testid=play-glass] canvas")!;
      const at = canvas.getContext("2d")!.getImageData(canvas.width * 0.16, canvas.height * 0.68, 1, 1).data;
      return [at[0], at[1], at[2]];
    });
  // Where the stick is nothing is seen but the yard's ground.
  const GROUND = [0x16, 0x23, 0x2d];
  await expect.poll(pixel).not.toEqual(GROUND);
  await page.getByLabel("Device").selectOption("desktop");
  const told = page.getByTestId("appearance");
  await expect(told).toContainText("On a desktop at the start: controls are hidden; the layout shows them after a touch");
  await expect.poll(pixel).toEqual(GROUND);
  const part = page.getByRole("group", { name: "Visibility of the controls" });
  await part.getByRole("button", { name: "a touch" }).click();
  await expect(told).toContainText("after a touch: controls are shown");
  await expect.poll(pixel).not.toEqual(GROUND);
  // A key that is really pressed does the same as the button.
  await glass(page).focus();
  await page.keyboard.press("w");
  await expect(told).toContainText("after a key: controls are hidden");
  await page.getByLabel("Device").selectOption("phone");
  await expect(told).toContainText("On a phone at the start: controls are hidden");
  const helm = await at(page, ...HELM);
  await page.mouse.click(helm.x, helm.y);
  await expect(told).toContainText("after a touch: controls are shown");
  await page.getByRole("button", { name: "Values", exact: true }).click();
  await expect(page.getByTestId("value-line")).toContainText("helm 0.00, 0.00 · lamp");
  await page.mouse.move(helm.x, helm.y);
  await page.mouse.down();
  await page.mouse.move(helm.x + 40, helm.y, { steps: 4 });
  await expect(page.getByTestId("value-line")).not.toContainText("helm 0.00, 0.00");
  await page.mouse.up();
});

test("only the glass: nothing else is seen, and Escape held leads back", async ({ page }) => {
  await open(page, "/rehearse");
  await page.getByRole("button", { name: "Hide panels" }).click();
  const box = (await page.locator("[data-only=true]").boundingBox())!;
  expect(box).toMatchObject({ x: 0, y: 0, width: 1280, height: 800 });
  await expect(glass(page)).toBeFocused();
  await page.keyboard.down("Escape");
  await expect(page.locator("[data-only=true]")).toHaveCount(0);
  await page.keyboard.up("Escape");
});

test(
  "two feels side by side: changed over by a key while the thumb is down, kept across a reload, one taken and the other named in the history",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/rehearse");
    const feel = page.getByRole("region", { name: "Feel" });
    await feel.getByLabel("Control whose feel is open").selectOption("helm");
    await feel.getByRole("button", { name: "direct" }).click();
    await feel.getByRole("button", { name: "keep as A, try B" }).click();
    await feel.getByRole("button", { name: "heavy" }).click();
    const differences = feel.getByRole("list", { name: "A and B" });
    await expect(differences).toContainText("inner dead zone 0.05 · 0.18");
    await expect(differences).toContainText("curve linear · power 2.2");
    const from = await at(page, ...HELM);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + 36, from.y, { steps: 6 });
    const heavy = async () => parseFloat((await value(page, "helm").textContent())!);
    await expect.poll(heavy).toBeGreaterThan(0);
    const before = await heavy();
    await page.keyboard.press("F8");
    await expect(feel.getByRole("button", { name: "A", exact: true })).toHaveAttribute("aria-pressed", "true");
    await expect.poll(heavy).toBeGreaterThan(before + 0.05);
    await page.mouse.up();
    await expect(page.getByTestId("saved-state")).toHaveText("saved");
    await page.reload();
    await feel.getByLabel("Control whose feel is open").selectOption("helm");
    await expect(feel.getByRole("button", { name: "A", exact: true })).toHaveAttribute("aria-pressed", "true");
    await feel.getByRole("button", { name: "keep B" }).click();
    await expect(feel.getByRole("button", { name: "keep as A, try B" })).toBeVisible();
    await expect(feel.getByRole("textbox", { name: "Inner dead zone" })).toHaveValue(/0\.18/);
    await page.getByRole("button", { name: "History" }).click();
    await expect(page.getByRole("button", { name: /^State helm, feel A/ })).toBeVisible();
  },
);

test("real fingers, a pen, a pad and a pin play together; in a smaller window the pin stands at the same part of the glass", async ({ page }) => {
  await page.addInitScript(() => {
    const buttons = Array.from({ length: 17 }, () => ({ pressed: false, value: 0 }));
    const pad = { connected: true, mapping: "standard", id: "a pad", index: 0, timestamp: 0, axes: [0, 0, 0, 0], buttons };
    Object.assign(window, { pad });
    navigator.getGamepads = () => [pad as unknown as Gamepad];
  });
  await open(page, "/rehearse");
  const horn = await middleOf(page, "horn");
  await page.getByLabel("Pin a finger on a control").selectOption({ label: "pump" });
  await expect(pinRow(page, 1)).toContainText("pump");
  const cdp = await page.context().newCDPSession(page);
  const helm = await at(page, ...HELM);
  const touch = (type: "touchStart" | "touchMove" | "touchEnd", points: readonly (Place & { id: number })[]) =>
    cdp.send("Input.dispatchTouchEvent", { type, touchPoints: [...points] });
  await touch("touchStart", [{ ...helm, id: 1 }]);
  await touch("touchStart", [
    { ...helm, id: 1 },
    { ...horn, id: 2 },
  ]);
  await touch("touchMove", [
    { x: helm.x + 40, y: helm.y, id: 1 },
    { ...horn, id: 2 },
  ]);
  await expect(value(page, "helm")).toHaveText(/^0\.\d+/);
  await expect(value(page, "horn")).toHaveText("true");
  await touch("touchEnd", []);
  await expect(value(page, "horn")).toHaveText("false");
  // A pen on the horn, and the pad's left stick at the same time.
  const pen = (type: "mousePressed" | "mouseReleased") =>
    cdp.send("Input.dispatchMouseEvent", { type, ...horn, button: "left", buttons: type === "mousePressed" ? 1 : 0, clickCount: 1, pointerType: "pen" });
  const push = (x: number) => page.evaluate((axis) => void ((window as unknown as { pad: Gamepad }).pad.axes as number[]).splice(0, 1, axis), x);
  await pen("mousePressed");
  await push(-1);
  await expect(value(page, "horn")).toHaveText("true");
  await expect(value(page, "helm")).toHaveText("-1.00, 0.00");
  await push(0);
  await pen("mouseReleased");
  await expect(value(page, "helm")).toHaveText("0.00, 0.00");
  await expect(value(page, "horn")).toHaveText("false");
  await expect(pinRow(page, 1)).toContainText("pump");
  const words = (await pinRow(page, 1).textContent())!;
  await page.setViewportSize({ width: 1024, height: 700 });
  await expect(pinRow(page, 1)).toHaveText(words);
  await expect(page.locator("[data-pin-mark]")).toHaveCount(1);
});

test(
  "pins stay while another view is shown, and are down again when it is come back to; with ten of them the next press says why it makes none",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/rehearse");
    const view = (name: string) => page.getByRole("navigation", { name: "Views" }).getByRole("link", { name }).click();
    const pin = (label: string) => page.getByLabel("Pin a finger on a control").selectOption({ label });
    await stroke(page, await at(page, ...HELM), await at(page, 0.23, 0.55), "right");
    await expect(value(page, "helm")).toHaveText(/^0\.\d+, 0\.\d+$/);
    await pin("horn");
    await view("Layout");
    await expect(page.getByTestId("play-glass")).toHaveCount(0);
    await view("Rehearse");
    await expect(value(page, "horn")).toHaveText("true");
    await expect(page.locator("[data-pin]")).toHaveCount(2);
    await expect(pinRow(page, 1)).toContainText("helm");
    await stroke(page, await at(page, 0.23, 0.55), await at(page, 0.23, 0.55), "right");
    await expect(page.locator("[data-pin]")).toHaveCount(2);
    for (const x of [0.4, 0.45, 0.5, 0.55, 0.6, 0.65, 0.7, 0.75]) await stroke(page, await at(page, x, 0.9), await at(page, x, 0.9), "right");
    await expect(page.locator("[data-pin]")).toHaveCount(10);
    const free = await at(page, 0.4, 0.75);
    await stroke(page, free, free, "right");
    await expect(page.getByText("Ten fingers are pinned")).toBeVisible();
  },
);

test("several buttons of the mouse at once: each counts for itself, whichever is let go first", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  const helm = await at(page, ...HELM);
  const horn = await middleOf(page, "horn");
  // The main button steers; the second one, pressed meanwhile, takes nothing from it.
  await page.mouse.move(helm.x, helm.y);
  await page.mouse.down();
  await page.mouse.move(helm.x + 40, helm.y, { steps: 4 });
  await page.mouse.down({ button: "right" });
  await page.mouse.move(helm.x + 41, helm.y);
  await expect(value(page, "helm")).toHaveText(/^0\.\d+/);
  await page.mouse.up({ button: "right" });
  await expect(value(page, "helm")).toHaveText(/^0\.\d+/);
  await page.mouse.up();
  await expect(value(page, "helm")).toHaveText("0.00, 0.00");
  // The second one pins; the main one pressed meanwhile becomes a finger once the pin is let go.
  await page.mouse.move(horn.x, horn.y);
  await page.mouse.down({ button: "right" });
  await expect(value(page, "horn")).toHaveText("true");
  await page.mouse.down();
  await page.mouse.up({ button: "right" });
  const away = await at(page, 0.5, 0.9);
  await page.mouse.move(away.x, away.y, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator("[data-pin]")).toHaveCount(1);
  await expect(pinRow(page, 1)).toContainText("horn");
  await expect(value(page, "horn")).toHaveText("true");
});

test(
  "true size is millimetre for millimetre by the calibration, full window leaves the game and its bar, words are shown in another language",
  { tag: "@storm" },
  async ({ page }) => {
    await page.addInitScript(() => localStorage.setItem("nodulum.cssPxPerMm", "4"));
    await open(page, "/rehearse");
    await page.getByLabel("Screen").selectOption("Small phone 16:9");
    await page.getByLabel("Zoom").selectOption("true size");
    const small = screenOf(
      SCREEN_CLASSES.find((c) => c.name === "Small phone 16:9")!,
      "landscape",
    );
    const box = (await glass(page).boundingBox())!;
    expect(box.width).toBeCloseTo((small.widthPx / small.ppi) * 25.4 * 4, 0);
    await page.getByLabel("Zoom").selectOption("full window");
    await expect(page.getByRole("region", { name: "Traces" })).toHaveCount(0);
    await expect(page.getByRole("region", { name: "Feel" })).toHaveCount(0);
    expect((await glass(page).boundingBox())!.width).toBeGreaterThan(1000);
    await page.getByLabel("Zoom").selectOption("fit");
    await expect(page.getByRole("region", { name: "Traces" })).toBeVisible();
    // The horn gets a German word; the glass is drawn with it, and then no more.
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
    await page.locator('[data-control="horn"]').click();
    await more(page, "Look");
    const look = page.getByRole("region", { name: "Look" });
    await look.getByRole("textbox", { name: "Language" }).fill("de");
    await page.keyboard.press("Enter");
    await look.getByRole("textbox", { name: "Word in German" }).fill("Nebel");
    await page.keyboard.press("Enter");
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Rehearse" }).click();
    const horn = await middleOf(page, "horn");
    const drawn = () => page.screenshot({ clip: { x: horn.x - 24, y: horn.y - 10, width: 48, height: 20 } });
    const written = await drawn();
    await page.getByLabel("Word language").selectOption("German");
    await expect.poll(async () => (await drawn()).equals(written)).toBe(false);
  },
);

test("the chain follows the thumb from kind to kind, and each kind has feels to begin with", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/rehearse");
  const horn = await middleOf(page, "horn");
  await page.mouse.move(horn.x, horn.y);
  await page.mouse.down();
  await expect(page.getByTestId("feel-now")).toHaveText(/^held \d+\.\d s · horn true$/);
  await page.mouse.up();
  await expect(page.getByTestId("feel-now")).toHaveText("horn false");
  await page.getByRole("button", { name: "heavy" }).click();
  const feel = page.getByRole("region", { name: "Feel" });
  await expect(feel.getByLabel("Slide out")).toHaveValue("release");
  const lamp = await middleOf(page, "lamp");
  await stroke(page, lamp, { x: lamp.x + 30, y: lamp.y });
  await expect(page.getByTestId("feel-now")).toContainText("lamp");
  await expect(feel.getByText("finger")).toBeVisible();
});
