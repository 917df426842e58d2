/** Rough conditions: storage that fills in the middle of something, a clock that jumps, decimal commas, the largest files, every view with the largest layout, and on paper. */
import { writeFileSync } from "node:fs";
import { expect, type Locator, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, canBeFull, control, fromMenu, middle, open, opened, placeOf, saved, savedState, setFull, visual, word } from "./bench";

const fallen: string[] = [];
test.beforeEach(({ page }) => {
  fallen.length = 0;
  page.on("pageerror", (error) => fallen.push(error.message));
});
test.afterEach(() => expect(fallen).toEqual([]));

const VIEWS = ["/actions", "/layout", "/rehearse", "/screens", "/handoff"];
const importFile = (page: Page, name: string, text: string) =>
  page.getByLabel("Files to import").setInputFiles({ name, mimeType: "application/json", buffer: Buffer.from(text) });

test(
  "storage that is full when a drag is let go, and when a picture is added: not saved is said, nothing is lost, and all of it is saved when there is room",
  { tag: "@storm" },
  async ({ page }) => {
    await canBeFull(page);
    await open(page);
    await saved(page);
    const before = await placeOf(page, "horn");
    const from = await middle(visual(page, "horn"));
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 40, from.y, { steps: 3 });
    await setFull(page, true);
    await page.mouse.up();
    await expect(savedState(page)).toHaveText("not saved");
    // With nothing selected the layout's own cards are shown.
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /^Backdrop/ }).click();
    const png = await page.screenshot({ clip: { x: 0, y: 0, width: 80, height: 40 } });
    await page.getByLabel("Screenshot file").setInputFiles({ name: "night.png", mimeType: "image/png", buffer: png });
    await page.keyboard.press("Escape");
    await expect(savedState(page)).toHaveText("not saved");
    await setFull(page, false);
    await saved(page);
    await page.reload();
    expect((await placeOf(page, "horn")).x).toBeLessThan(before.x);
    await expect(page.getByRole("button", { name: /^Backdrop: night/ })).toBeVisible();
  },
);

test("a database one version older is read with its log and states; its undo goes on", async ({ page }) => {
  await page.goto("/icon.svg");
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open("nodulum", 3);
        request.onupgradeneeded = () => {
          const db = request.result;
          db.createObjectStore("layouts", { keyPath: "id" });
          db.createObjectStore("choices");
          db.createObjectStore("pictures");
          db.createObjectStore("log", { keyPath: ["layout", "seq"] });
          db.createObjectStore("states", { keyPath: "id" }).createIndex("layout", "layout");
        };
        request.onerror = () => reject(request.error!);
        request.onsuccess = () => {
          const db = request.result;
          const tx = db.transaction([...db.objectStoreNames], "readwrite");
          const text = (name: string) => JSON.stringify({ format: "nodulum-layout", version: 1, name, reference: { width: 1600, height: 720 }, scale: {} });
          tx.objectStore("layouts").put({ id: "old", name: "Renamed", text: text("Renamed"), savedAt: 5, deletedAt: null, revision: 1 });
          const changes = [{ kind: "value", path: ["name"], was: "Older", is: "Renamed" }];
          tx.objectStore("log").put({ layout: "old", seq: 1, record: { id: "e1", kind: "edit", label: "rename", time: 4, by: "w", changes }, digests: [] });
          tx.objectStore("states").put({ id: "s", layout: "old", name: "at the start", time: 3, text: text("Older") });
          tx.oncomplete = () => (db.close(), resolve());
        };
      }),
  );
  await open(page, "/layout");
  await opened(page, "Renamed");
  await page.getByRole("button", { name: "History" }).click();
  await expect(page.getByRole("button", { name: "Remove the state at the start" })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: rename/ }).click();
  await opened(page, "Older");
  await saved(page);
});

test.describe("with a clock of its own", () => {
  test.use({ ownContext: true });

  test(
    "a clock that goes back ten years: edits are saved, undone and listed in the order they were made, and are there after a reload",
    { tag: "@storm" },
    async ({ page }) => {
      await page.clock.install({ time: new Date("2026-06-01T10:00:00") });
      await open(page, "/actions");
      await addAction(page, "before", "press");
      await saved(page);
      await page.clock.setSystemTime(new Date("2016-06-01T10:00:00"));
      await addAction(page, "after", "press");
      await saved(page);
      await page.reload();
      await expect(word(page, "after")).toBeVisible();
      await page.getByRole("button", { name: "History" }).click();
      const rows = page.getByRole("complementary", { name: "History" }).getByRole("listitem");
      await expect(rows.first()).toContainText("after");
      await page.getByRole("button", { name: /^Undo: add after/ }).click();
      await expect(word(page, "after")).toHaveCount(0);
      await expect(word(page, "before")).toBeVisible();
      await page.getByRole("button", { name: /^Redo: add after/ }).click();
      await expect(word(page, "after")).toBeVisible();
      await saved(page);
    },
  );
});

/** Types a number into a field as it is written with a comma; gives what the field then holds, with a point. */
async function typedWithComma(page: Page, field: Locator, text: string): Promise<string> {
  await field.fill(text);
  await field.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: /number|length/ })).toHaveCount(0);
  return (await field.inputValue()).replace(",", ".");
}

test(
  "decimal commas in number fields: of cards, of lengths, of a new screen, of filters, of a new layout and of calibration",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/layout");
    await control(page, "helm").click();
    let counted = 0;
    for (const column of ["Place", "Touch", "Feel", "Look"]) {
      const fields = page.getByRole("region", { name: column, exact: true }).locator("input.text-right:not([type])");
      for (let i = 0; i < (await fields.count()); i += 1) {
        const field = fields.nth(i);
        if (!(await field.isVisible())) continue;
        const before = await field.inputValue();
        if (!/^-?\d+(\.\d+)?$/.test(before)) continue;
        // The number that is there, written with a comma and a nought behind it.
        const same = before.includes(".") ? before.replace(".", ",") : `${before},0`;
        expect([column, i, Number(await typedWithComma(page, field, same))]).toEqual([column, i, Number(before)]);
        counted += 1;
      }
    }
    expect(counted).toBeGreaterThan(8);
    await open(page, "/screens");
    await page.getByRole("button", { name: "your screens…" }).click();
    const form = page.getByRole("dialog", { name: "Your screens" });
    await form.getByRole("button", { name: "Add a screen…" }).click();
    await form.getByLabel("Density, ppi").fill("411,5");
    await form.getByLabel("Insets left").fill("12,5");
    await form.getByLabel(/^Cut-outs/).fill("10,5 0 30 40");
    await form.getByLabel("Name").fill("Comma phone");
    await form.getByRole("button", { name: /^(Keep|Add|Save)/ }).click();
    await expect(form.getByRole("alert")).toHaveCount(0);
    await page.keyboard.press("Escape");
    await expect(page.getByText("Comma phone").first()).toBeVisible();
    const filter = page.getByRole("complementary", { name: "Filter" });
    await filter.getByLabel("Aspect to", { exact: true }).fill("1,4");
    await page.keyboard.press("Enter");
    await expect(filter.getByLabel("Aspect to", { exact: true })).toHaveValue("1.4");
    await open(page, "/layout");
    await page.getByRole("button", { name: "True size", exact: true }).click();
    const calibration = page.getByRole("dialog", { name: "True size" });
    await calibration.getByLabel(/pixels per inch/).fill("96,5");
    await expect(calibration.getByRole("alert")).toHaveCount(0);
    await page.keyboard.press("Escape");
    await fromMenu(page, "New layout…");
    const started = page.getByRole("dialog", { name: "New layout" });
    await started.getByLabel("Name of the game").fill("Comma");
    await started.getByRole("button", { name: /^more/ }).click();
    await started.getByLabel("Width").fill("1600,0");
    await started.getByRole("button", { name: "Open on the bench" }).click();
    await opened(page, "Comma");
  },
);

test("a take of 64 MiB is imported and listed while the page works; one byte more is refused with the limit", { tag: "@storm" }, async ({ page }, info) => {
  const point = (i: number) => ({ x: 400 + (i % 500) * 0.123456789, y: 600.25 + (i % 300) * 0.987654321 });
  const events = Array.from({ length: 200_000 }, (_, i) => ({ t: i * 9, id: 1, type: i === 0 ? "down" : "move", ...point(i) }));
  const none = { left: 0, top: 0, right: 0, bottom: 0 };
  const screen = { name: "Wide", widthPx: 2400, heightPx: 1080, ppi: 411, insets: none, cornerPx: 0, cutouts: [], edges: none };
  const head = {
    format: "nodulum-take",
    version: 1,
    name: "The longest",
    layout: "0".repeat(64),
    screen,
    handed: "right",
    playerSize: 1,
    hz: 60,
    moment: null,
  };
  const text = JSON.stringify({ ...head, events, frames: null });
  const whole = 64 * 1024 * 1024;
  const file = (name: string, bytes: number) => {
    const path = info.outputPath(name);
    writeFileSync(path, text.padEnd(bytes));
    return path;
  };
  await open(page, "/handoff");
  await page.getByLabel("Files to import").setInputFiles(file("over.nodulum-take.json", whole + 1));
  await expect(page.getByRole("region", { name: "Import" }).getByRole("alert")).toContainText("64 MiB");
  await page.getByLabel("Files to import").setInputFiles(file("longest.nodulum-take.json", whole));
  await page.locator('[data-parcel="played"]').click();
  await expect(page.locator('[data-parcel="played"]')).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByTestId("taken-in")).toContainText("“longest.nodulum-take.json” was added to the takes");
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Rehearse" }).click();
  await expect(page.getByRole("button", { name: /The longest/ }).first()).toBeVisible();
});

/** A layout with as many controls as there may be, each with its own action. */
function largest(): string {
  const ids = Array.from({ length: 200 }, (_, i) => i);
  const offset = (i: number) => [`${8 + (i % 20) * 79}u`, `${8 + Math.floor(i / 20) * 71}u`];
  const placement = (i: number) => ({ kind: "pin", frame: "screen", anchor: [0, 0], pivot: [0, 0], offset: offset(i), size: ["60u", "60u"] });
  const controls = ids.map((i) => ({ id: `c${i}`, name: `c${i}`, kind: "button", placement: placement(i), serves: [{ port: "press", action: `a${i}` }] }));
  const actions = ids.map((i) => ({ name: `a${i}`, kind: "press" }));
  return JSON.stringify({ format: "nodulum-layout", version: 1, name: "Two hundred", reference: { width: 1600, height: 720 }, scale: {}, actions, controls });
}

test("two hundred controls and actions through every view: each shows them, and each prints", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/handoff");
  await importFile(page, "largest.json", largest());
  await expect(control(page, "c199")).toBeVisible();
  await saved(page);
  const link = (name: string) => page.getByRole("navigation", { name: "Views" }).getByRole("link", { name });
  await link("Actions").click();
  await expect(word(page, "a0")).toBeVisible();
  await link("Rehearse").click();
  await expect(page.getByTestId("play-glass")).toBeVisible();
  await link("Screens").click();
  await expect(page.getByTestId("screens-shown")).toBeVisible();
  await link("Hand off").click();
  await page.locator('[data-parcel="tables"]').click();
  await expect(page.locator('[data-parcel="tables"]')).toHaveAttribute("aria-pressed", "true");
  for (const view of VIEWS) {
    await open(page, view);
    const pdf = await page.pdf({ format: "A4", printBackground: true });
    const pages = pdf.toString("latin1").match(/\/Type \/Page\b/g)!.length;
    expect([view, pages >= 1 && pages <= 12]).toEqual([view, true]);
  }
});
