/** Importing what is large or hostile: the page goes on, says how far it is, and stops when it is reported to. */
import { expect, type Page, type Route } from "@playwright/test";
import { test } from "./test";
import { readFileSync } from "node:fs";
import { strToU8, zipSync } from "fflate";
import { addAction, open, opened, saved } from "./bench";

const SAMPLE = readFileSync("samples/pigeonhole.nodulum.json", "utf8");
const importFiles = (page: Page, name: string, bytes: Uint8Array) =>
  page.getByLabel("Files to import").setInputFiles({ name, mimeType: "application/zip", buffer: Buffer.from(bytes) });
const refusal = (page: Page) => page.getByRole("region", { name: "Import" }).getByRole("alert");

/** A zip whose file unpacks to this many MiB and says that it is 100 bytes. */
function bomb(mib: number): Uint8Array {
  const bytes = zipSync({ "bomb.json": new Uint8Array(mib * 1024 * 1024) }, { level: 1 });
  const view = new DataView(bytes.buffer);
  for (let at = 0; at < bytes.length - 4; at += 1) {
    if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 100, true);
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 100, true);
  }
  return bytes;
}

/** Holds the scripts that are asked for from now on until they are let go. */
async function holdScripts(page: Page): Promise<() => Promise<void>> {
  const held: Route[] = [];
  let isHeld = true;
  await page.route("**/_next/static/**", (route) => (isHeld ? void held.push(route) : route.continue()));
  return async () => {
    isHeld = false;
    for (const route of held) await route.continue().catch(() => undefined);
  };
}

test(
  "a zip that lies about its size and one of 60,000 files: told what is wrong with them, and the layouts beside them come in",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/handoff");
    await importFiles(page, "bomb.zip", bomb(120));
    await expect(refusal(page)).toContainText("“bomb.json” in “bomb.zip”: is damaged, or too large");
    const many = Object.fromEntries(Array.from({ length: 60_000 }, (_, i) => [`f${i}.bin`, strToU8(String(i))]));
    await importFiles(page, "many.zip", zipSync({ "first.nodulum.json": strToU8(SAMPLE.replace('"Pigeonhole"', '"Brought in"')), ...many }, { level: 0 }));
    await expect(refusal(page)).toContainText("“many.zip” has 60001 files; only the first 1000 were read");
    await expect(page.getByTestId("taken-in")).toContainText("“first.nodulum.json” was added to your layouts.");
    await opened(page, "Brought in");
  },
);

test(
  "while files are read the page says so and works; stopped, nothing of them is imported, and the next import is read",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/handoff");
    await expect(page.locator('[data-parcel="layout"]')).toBeVisible();
    const release = await holdScripts(page);
    const zip = zipSync({ "held.nodulum.json": strToU8(SAMPLE.replace('"Pigeonhole"', '"Held"')) });
    await importFiles(page, "held.zip", zip);
    const underWay = page.getByRole("group", { name: "Reading “held.zip”" });
    await expect(underWay).toBeVisible();
    // The page is not busy: it takes words and shows them.
    await page.locator('[data-parcel="played"]').click();
    await expect(page.locator('[data-parcel="played"]')).toHaveAttribute("aria-pressed", "true");
    await underWay.getByRole("button", { name: "Stop" }).click();
    await expect(refusal(page)).toHaveText("Stopped. Nothing was imported.");
    await expect(underWay).toHaveCount(0);
    await release();
    await importFiles(page, "held.zip", zip);
    // A layout that comes alone is shown at once.
    await expect(page).toHaveURL(/\/layout$/);
    await opened(page, "Held");
  },
);

const COUNT = 3000;

test(
  "a backup with 3,000 named states is brought back whole; stopped in its midst, what was added stays and the rest comes with the next",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/actions");
    await addAction(page, "anchor", "press");
    await saved(page);
    const layout = JSON.parse(SAMPLE) as object;
    const states = Array.from({ length: COUNT }, (_, i) => ({ id: `s${i}`, layout: "kept", name: `State ${i}`, time: i + 1, file: `states/${i}.json` }));
    const contents = {
      format: "nodulum-backup",
      version: 1,
      made: 1,
      layouts: [{ id: "kept", name: "From a backup", savedAt: 1, deletedAt: null, file: "layouts/1.nodulum.json" }],
      states,
      takes: [],
    };
    const files: Record<string, Uint8Array> = {
      "backup.json": strToU8(JSON.stringify(contents)),
      "layouts/1.nodulum.json": strToU8(JSON.stringify({ ...layout, name: "From a backup" })),
    };
    for (const { file } of states) files[file] = strToU8(SAMPLE);
    const backup = { name: "backup.zip", mimeType: "application/zip", buffer: Buffer.from(zipSync(files, { level: 1 })) };
    await page.getByTestId("saved-state").click();
    const kept = page.getByRole("dialog", { name: "Stored data" });
    // Each state waits for the browser's storage: it stops at the first once it is reported to.
    await page.evaluate(() => {
      const put = IDBObjectStore.prototype.put;
      let count = 0;
      IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
        if (this.name === "states" && (count += 1) === 200) document.querySelector<HTMLButtonElement>("[data-stop]")?.click();
        return put.apply(this, args);
      };
    });
    await kept.getByLabel("Backup to import").setInputFiles(backup);
    await expect(kept.getByRole("alert")).toContainText("Stopped. What was added stays");
    await kept.getByLabel("Backup to import").setInputFiles(backup);
    await expect(kept.getByRole("status")).toContainText("1 identical");
    const added = Number(/([\d,]+) named states added/.exec((await kept.getByRole("status").textContent())!)![1].replace(",", ""));
    const there = await page.evaluate(
      () =>
        new Promise<number>((resolve, reject) => {
          const opening = indexedDB.open("nodulum");
          opening.onerror = () => reject(new Error("not opened"));
          opening.onsuccess = () => {
            const counting = opening.result.transaction("states").objectStore("states").count();
            counting.onsuccess = () => resolve(counting.result);
          };
        }),
    );
    expect(there).toBe(COUNT);
    expect(added).toBeGreaterThan(0);
    expect(added).toBeLessThan(COUNT);
  },
);
