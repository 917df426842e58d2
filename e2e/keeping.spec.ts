import { chromium, expect } from "@playwright/test";
import { test } from "./test";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { addAction, control, fromMenu, open, openLayout, saved, startLayout } from "./bench";

test("a browser killed right after “saved” has lost nothing", async ({ launchOptions, baseURL }) => {
  const folder = mkdtempSync(join(tmpdir(), "nodulum-browser-"));
  const launch = () => chromium.launchPersistentContext(folder, { ...launchOptions, baseURL, viewport: { width: 1280, height: 800 } });
  const first = await launch();
  const page = await first.newPage();
  await open(page);
  await startLayout(page, "Kept");
  await addAction(page, "anchor", "press");
  await saved(page);
  const gone = new Promise((resolve) => first.once("close", resolve));
  const killer = await first.newCDPSession(page);
  void killer.send("Browser.crash" as never).catch(() => undefined);
  await gone;
  const second = await launch();
  const again = await second.newPage();
  await open(again, "/actions");
  await expect(again.getByRole("button", { name: "Layouts; open: Kept" })).toBeVisible();
  await expect(again.getByLabel("Code name of anchor", { exact: true })).toHaveValue("anchor");
  await second.close();
});

test("several layouts: rename, duplicate, open, delete and bring back", async ({ page }) => {
  await open(page);
  await fromMenu(page, "Duplicate");
  await expect(page.getByRole("button", { name: "Layouts; open: Brackwater, copy" })).toBeVisible();
  await fromMenu(page, "Rename…");
  await page.getByRole("dialog").getByLabel("Name").fill("Low tide");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Layouts; open: Low tide" })).toBeVisible();
  await openLayout(page, "Pigeonhole");
  await expect(control(page, "walk")).toBeVisible();
  await expect(page.locator('[data-bench="tall"]')).toBeVisible();
  await fromMenu(page, "Delete");
  await expect(page.getByRole("button", { name: "Layouts; open: Pigeonhole" })).toHaveCount(0);
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(page.getByRole("button", { name: "Layouts; open: Pigeonhole" })).toBeVisible();
  await openLayout(page, "Low tide");
  await expect(control(page, "helm")).toBeVisible();
});

test("where storage is refused, work goes on in memory and says so", async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, "indexedDB", {
      value: {
        open: () => {
          throw new DOMException("Storage is blocked", "SecurityError");
        },
      },
    });
  });
  await open(page);
  await expect(page.getByTestId("saved-state")).toHaveText("in memory only");
  await startLayout(page, "Floating");
  await addAction(page, "anchor", "press");
  await expect(page.getByLabel("Code name of anchor", { exact: true })).toHaveValue("anchor");
});

test("where storage is full, the strip says not saved, and saved again when there is room", async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if ((window as { full?: boolean }).full) throw new DOMException("No room left", "QuotaExceededError");
      return put.apply(this, args);
    };
  });
  await open(page, "/actions");
  await page.evaluate(() => void ((window as { full?: boolean }).full = true));
  await addAction(page, "anchor", "press");
  await expect(page.getByTestId("saved-state")).toHaveText("not saved");
  await page.evaluate(() => void ((window as { full?: boolean }).full = false));
  await addAction(page, "buoy", "press");
  await saved(page);
});

test("bad files are refused with the reason, and nothing has changed", async ({ page }) => {
  await open(page, "/handoff");
  const text = await page.getByTestId("file-text").textContent();
  const input = page.getByLabel("Files to import");
  const take = (name: string, buffer: Buffer) => input.setInputFiles({ name, mimeType: "application/json", buffer });
  const said = page.getByRole("region", { name: "Import", exact: true }).getByRole("alert");
  const newer = { format: "nodulum-layout", version: 7, name: "N", reference: { width: 1, height: 1 }, scale: {} };
  await take("newer.json", Buffer.from(JSON.stringify(newer)));
  await expect(said).toContainText("has version 7; this program reads up to version 1");
  await take("typo.json", Buffer.from(JSON.stringify({ ...newer, version: 1, contrls: [] })));
  await expect(said).toContainText('unknown key "contrls"; did you mean "controls"?');
  await take("picture.json", Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a]));
  await expect(said).toContainText("This is a PNG picture");
  await take("broken.json", Buffer.from("{ not json"));
  await expect(said).toContainText("this is not JSON");
  await page.evaluate(() => {
    const input = document.querySelector<HTMLInputElement>('input[type="file"]')!;
    const data = new DataTransfer();
    data.items.add(new File([new Uint8Array(50 * 1048576)], "huge.json"));
    input.files = data.files;
    input.dispatchEvent(new Event("change", { bubbles: true }));
  });
  await expect(said).toContainText("The file has 50.0 MiB");
  await expect(page.getByRole("button", { name: "Layouts; open: Brackwater" })).toBeVisible();
  expect(await page.getByTestId("file-text").textContent()).toBe(text);
});
