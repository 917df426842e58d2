/** Records damaged by hand in every store: each is reported by name with what can be saved, and all the rest works. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { open, opened, saved, savedState } from "./bench";

const fallen: string[] = [];
test.beforeEach(({ page }) => {
  fallen.length = 0;
  page.on("pageerror", (error) => fallen.push(error.message));
});
test.afterEach(() => expect(fallen).toEqual([]));

const layoutText = (name: string, more: object = {}) =>
  JSON.stringify({ format: "nodulum-layout", version: 1, name, reference: { width: 1600, height: 720 }, scale: {}, ...more });
const kept = (id: string, name: string, text: string) => ({ id, name, text, savedAt: 5, deletedAt: null, revision: 3 });
const GONE = "a".repeat(64);
const WRONG = "b".repeat(64);
const withPicture = (digest: string) => ({ pictures: [{ id: "art", name: "art", type: "image/png", data: `sha256:${digest}` }] });
const step = (n: number) => ({
  id: `e${n}`,
  kind: "edit",
  label: `edit ${n}`,
  time: n,
  by: "w",
  changes: [{ kind: "value", path: ["name"], was: "Good", is: "Good" }],
});

/** What somebody, or a disk, has done to the database. */
const RECORDS: readonly { readonly store: string; readonly value: unknown; readonly key?: unknown }[] = [
  { store: "layouts", value: kept("good", "Good", layoutText("Good")) },
  { store: "layouts", value: { id: "bad", name: "Shipwreck", text: 7 } },
  { store: "layouts", value: kept("torn", "Torn", "{ half") },
  { store: "layouts", value: kept("bare", "Bare", layoutText("Bare", withPicture(GONE))) },
  { store: "pictures", key: WRONG, value: "AAAA" },
  { store: "layouts", value: kept("other", "Other", layoutText("Other", withPicture(WRONG))) },
  { store: "log", value: { layout: "good", seq: 1, record: step(1), digests: [] } },
  { store: "log", value: { layout: "good", seq: 2, record: { id: 4, kind: "poem" }, digests: [] } },
  { store: "log", value: { layout: "good", seq: 3, record: step(3), digests: [] } },
  { store: "states", value: { id: "s1", layout: "good", name: "before the playtest", time: "noon", text: 3 } },
  { store: "takes", value: { id: "t1", layout: "good", name: "quay at night", time: 3, seconds: "long", digest: "x" } },
  { store: "takes", value: { id: "t2", layout: "good", name: "in the fog", time: 3, seconds: 4, digest: "x" } },
  { store: "takeTexts", key: "t2", value: { text: "{ half", on: null } },
  { store: "takes", value: { id: "t3", layout: "good", name: "lost at sea", time: 3, seconds: 4, digest: "x" } },
  { store: "choices", key: "open", value: { not: "an id" } },
];

async function damaged(page: Page): Promise<void> {
  await open(page);
  await saved(page);
  await page.goto("/icon.svg");
  await page.evaluate(
    (records) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open("nodulum");
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const db = opening.result;
          const tx = db.transaction([...db.objectStoreNames], "readwrite");
          tx.objectStore("layouts").clear();
          for (const { store, value, key } of records) tx.objectStore(store).put(value, key as IDBValidKey | undefined);
          tx.onerror = () => reject(tx.error!);
          tx.oncomplete = () => {
            db.close();
            sessionStorage.clear();
            resolve();
          };
        };
      }),
    RECORDS as unknown as { store: string; value: unknown; key?: unknown }[],
  );
}

test(
  "eight kinds of damage, each by its name with what can be saved of it; the sound layout opens, and what is left can be downloaded and imported",
  { tag: "@storm" },
  async ({ page }) => {
    await damaged(page);
    await open(page);
    await opened(page, "Good");
    await savedState(page).click();
    const list = page.getByRole("region", { name: "Damaged records" });
    for (const words of [
      "“Shipwreck”: text: ",
      "“Torn”: this is not JSON",
      "“Bare”: one of its pictures is missing.The rest is complete: download it with empty pictures and import it.",
      `the picture ${WRONG.slice(0, 8)}: differs from the stored one`,
      "the history of “Good”: 1 of its 3 steps cannot be read.The layout is complete.",
      "the state “before the playtest”: ",
      "the take “quay at night”: seconds: ",
      "the take “in the fog”: is not JSON",
      "the take “lost at sea”: its events are missing.",
      "which layout was open: is not the id of a layout.Nothing is lost: the latest layout opens.",
    ])
      await expect(list).toContainText(words);
    const download = page.waitForEvent("download");
    await list.getByRole("button", { name: "Download the rest of “Bare”" }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe("bare.nodulum.json");
    const left = readFileSync(await file.path());
    await page.keyboard.press("Escape");
    await page.goto("/handoff");
    await page.getByLabel("Files to import").setInputFiles({ name: "bare.nodulum.json", mimeType: "application/json", buffer: left });
    await opened(page, "Bare");
    await saved(page);
  },
);

test("where nothing is damaged, that is said", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await saved(page);
  await savedState(page).click();
  await expect(page.getByRole("dialog", { name: "Stored data" })).toContainText("All stored data can be read.");
});
