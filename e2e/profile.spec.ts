/**
 * A profile with every kind of stored data, made by the version of December 2026 (`fixtures/profile-2026-12.json`): every record of its
 * database and of localStorage. Later versions must open all of it, migrated or not.
 */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { control, open, openLayout, saved } from "./bench";

interface Profile {
  readonly version: number;
  readonly stores: readonly {
    readonly name: string;
    readonly keyPath: string | string[] | null;
    readonly indexes: readonly { readonly index: string; readonly keyPath: string | string[] }[];
    readonly records: readonly { readonly key?: string; readonly value: unknown }[];
  }[];
  readonly localStorage: Readonly<Record<string, string>>;
}

/** Writes the profile into an empty browser, before the application has run in it. */
async function restore(page: Page, profile: Profile): Promise<void> {
  await page.goto("/icon.svg");
  await page.evaluate(
    ({ version, stores, localStorage: choices }) =>
      new Promise<void>((resolve, reject) => {
        for (const [key, value] of Object.entries(choices)) localStorage.setItem(key, value);
        const opening = indexedDB.open("nodulum", version);
        opening.onerror = () => reject(opening.error!);
        opening.onupgradeneeded = () => {
          for (const { name, keyPath, indexes } of stores) {
            const store = opening.result.createObjectStore(name, { keyPath });
            for (const one of indexes) store.createIndex(one.index, one.keyPath);
          }
        };
        opening.onsuccess = () => {
          const db = opening.result;
          const tx = db.transaction([...db.objectStoreNames], "readwrite");
          for (const { name, records } of stores) for (const { key, value } of records) tx.objectStore(name).put(value, key);
          tx.onerror = () => reject(tx.error!);
          tx.oncomplete = () => {
            db.close();
            resolve();
          };
        };
      }),
    profile as unknown as { version: number; stores: Profile["stores"][number][]; localStorage: Record<string, string> },
  );
}

const view = (page: Page, name: string) => page.getByRole("navigation", { name: "Views" }).getByRole("link", { name }).click();

test("everything that the version of December 2026 stored opens: layouts, undo, states, takes, pictures, feels and choices", async ({ page }) => {
  const profile = JSON.parse(readFileSync("e2e/fixtures/profile-2026-12.json", "utf8")) as Profile;
  expect(profile.stores.filter((store) => store.records.length === 0).map((store) => store.name)).toEqual([]);
  await restore(page, profile);
  await open(page);
  await saved(page);
  await expect(page.getByRole("button", { name: "Layouts; open: Brackwater" })).toBeVisible();
  // Choices in localStorage.
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  // The history: undo and redo go on where they were.
  await expect(page.getByRole("button", { name: /^Undo: / })).toBeEnabled();
  await page.getByRole("button", { name: "History" }).click();
  await expect(page.getByRole("button", { name: "Remove the state before the playtest" })).toBeVisible();
  await page.keyboard.press("Escape");
  // A picture, stored apart by its digest.
  await control(page, "pump").click();
  await expect(page.getByRole("region", { name: "Look" }).getByRole("button", { name: "Picture, rest: valve.svg" })).toBeVisible();
  // A take and two feels side by side.
  await view(page, "Rehearse");
  await page.getByRole("region", { name: "Feel" }).getByLabel("Control whose feel is open").selectOption("helm");
  await expect(page.getByRole("region", { name: "Feel" }).getByRole("list", { name: "A and B" })).toContainText("inner dead zone");
  await page.getByRole("button", { name: /^Take take 1,/ }).click();
  await expect(page.getByTestId("take-glass")).toBeVisible();
  // The checklist and the options of the parcels.
  await view(page, "Hand off");
  await page.locator('[data-parcel="sheet"]').click();
  await expect(page.getByLabel("horn is entered and tested.")).toBeChecked();
  await page.locator('[data-parcel="names"]').click();
  await expect(page.getByLabel("language of the parcel")).toHaveValue("kotlin");
  // Another layout, and one that was deleted.
  await openLayout(page, "Dry dock", true);
  await view(page, "Actions");
  await expect(page.getByLabel("Code name of crane", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: /^Layouts; open/ }).click();
  await page.getByRole("menuitem", { name: "Restore a deleted layout…" }).click();
  await page
    .getByRole("button", { name: /Scrap/ })
    .or(page.getByRole("menuitem", { name: /Scrap/ }))
    .first()
    .click();
  await expect(page.getByRole("button", { name: "Layouts; open: Scrap" })).toBeVisible();
  // Nothing was reported as damaged.
  await page.getByTestId("saved-state").click();
  await expect(page.getByText("All stored data can be read.")).toBeVisible();
});
