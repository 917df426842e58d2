/** Storage has a whole life: every way in which it can refuse, vanish, lag or be damaged. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, canBeFull, control, exportText, fromMenu, open, openLayout, opened, saved, savedState, setFull, startLayout, word } from "./bench";

/** What a page lets fall: nothing may. */
const fallen: string[] = [];
test.beforeEach(({ page }) => {
  fallen.length = 0;
  page.on("pageerror", (error) => fallen.push(error.message));
});
test.afterEach(() => expect(fallen).toEqual([]));

/** Puts layouts into a database of an older version before the application opens it. */
async function inDatabase(page: Page, version: number, layouts: readonly object[]): Promise<void> {
  await page.goto("/icon.svg");
  await page.evaluate(
    ([at, records]) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open("nodulum", at);
        request.onupgradeneeded = () => {
          const db = request.result;
          db.createObjectStore("layouts", { keyPath: "id" });
          db.createObjectStore("choices");
        };
        request.onerror = () => reject(request.error!);
        request.onsuccess = () => {
          const db = request.result;
          const tx = db.transaction("layouts", "readwrite");
          for (const record of records) tx.objectStore("layouts").put(record);
          tx.oncomplete = () => {
            db.close();
            resolve();
          };
        };
      }),
    [version, layouts] as const,
  );
}
const GOOD = {
  id: "good",
  name: "Good",
  savedAt: 5,
  deletedAt: null,
  text: JSON.stringify({ format: "nodulum-layout", version: 1, name: "Good", reference: { width: 1600, height: 720 }, scale: {} }),
};

test.describe("storage's life", () => {
  for (const [answer, words] of [
    [true, "The browser keeps it until you clear it"],
    [false, "The browser may delete it when the disk is full"],
  ] as const)
    test(`the browser is asked to keep it after the first edit, and its answer is shown: ${answer}`, async ({ page }) => {
      await page.addInitScript((promised) => {
        Object.assign(window, { asked: 0 });
        navigator.storage.persisted = () => Promise.resolve(false);
        navigator.storage.persist = () => {
          (window as unknown as { asked: number }).asked += 1;
          return Promise.resolve(promised);
        };
      }, answer);
      await open(page, "/actions");
      const asked = () => page.evaluate(() => (window as unknown as { asked: number }).asked);
      expect(await asked()).toBe(0);
      await addAction(page, "anchor", "press");
      await expect.poll(asked).toBe(1);
      await addAction(page, "buoy", "press");
      await savedState(page).click();
      await expect(page.getByRole("dialog", { name: "Stored data" })).toContainText(words);
      expect(await asked()).toBe(1);
    });

  test("an older Nodulum in another window holds the store: said plainly, work goes on in memory", async ({ page, context }) => {
    const old = await context.newPage();
    await inDatabase(old, 1, [GOOD]);
    await old.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const request = indexedDB.open("nodulum", 1);
          request.onsuccess = () => resolve(Object.assign(window, { held: request.result }) && undefined);
        }),
    );
    await open(page);
    await expect(savedState(page)).toHaveText("in memory only");
    await savedState(page).click();
    await expect(page.getByRole("dialog", { name: "Stored data" })).toContainText(/an older Nodulum is open in another window; close it/);
    await old.close();
    await page.reload();
    await opened(page, "Good");
    await saved(page);
  });

  test("a newer Nodulum wants the store: this window makes room and says so; what a newer one keeps is there and untouched", async ({ page, context }) => {
    await open(page, "/actions");
    await saved(page);
    const newer = await context.newPage();
    await newer.goto("/icon.svg");
    const version = () =>
      newer.evaluate(
        () =>
          new Promise<number>((resolve, reject) => {
            const request = indexedDB.open("nodulum", 99);
            request.onblocked = () => reject(new Error("blocked"));
            request.onsuccess = () => {
              resolve(request.result.version);
              request.result.close();
            };
          }),
      );
    expect(await version()).toBe(99);
    await expect(page.getByText(/A newer Nodulum is open in another window/)).toBeVisible();
    await addAction(page, "anchor", "press");
    await expect(savedState(page)).toHaveText("not saved");
    const later = await context.newPage();
    await open(later, "/actions");
    await expect(savedState(later)).toHaveText("in memory only");
    await savedState(later).click();
    await expect(later.getByRole("dialog", { name: "Stored data" })).toContainText(
      /newer Nodulum stored its data in this browser, and this older one cannot read it/,
    );
    expect(await version()).toBe(99);
  });

  test("cleared while it is open: the open layout is kept again, from this window, and told", { tag: "@storm" }, async ({ page, context }) => {
    await open(page, "/actions");
    await addAction(page, "anchor", "press");
    await saved(page);
    const session = await context.newCDPSession(page);
    await session.send("Storage.clearDataForOrigin", { origin: new URL(page.url()).origin, storageTypes: "indexeddb" });
    await expect(page.getByText("The browser cleared its stored data.")).toBeVisible();
    await addAction(page, "buoy", "press");
    await saved(page);
    await page.reload();
    await expect(word(page, "buoy")).toBeVisible();
    await expect(word(page, "anchor")).toBeVisible();
    await page.getByRole("button", { name: "Undo: add buoy" }).click();
    await expect(page.getByRole("button", { name: "Undo: add anchor" })).toBeEnabled();
  });

  test("storage that never answers: within 5 s there is a way on, in memory, said plainly", { tag: "@storm" }, async ({ page }) => {
    await page.addInitScript(() => {
      const Real = IDBOpenDBRequest;
      IDBFactory.prototype.open = () =>
        Object.create(Real.prototype, { addEventListener: { value: () => undefined }, removeEventListener: { value: () => undefined } }) as IDBOpenDBRequest;
    });
    await page.goto("/layout");
    await expect(savedState(page)).toHaveText("in memory only");
    await expect(control(page, "helm")).toBeVisible();
    await savedState(page).click();
    await expect(page.getByRole("dialog", { name: "Stored data" })).toContainText(/the browser's storage did not answer within 3 s/);
  });

  test("storage that opens and refuses to be read: what is there is untouched, work goes on in memory", async ({ page }) => {
    await open(page);
    await saved(page);
    await page.addInitScript(() => {
      IDBObjectStore.prototype.getAll = () => {
        throw new DOMException("The file is damaged", "UnknownError");
      };
    });
    await page.reload();
    await expect(savedState(page)).toHaveText("in memory only");
    await savedState(page).click();
    await expect(page.getByRole("dialog", { name: "Stored data" })).toContainText(/cannot be read: The file is damaged. The stored data is unchanged/);
  });

  test("a page whose script never comes shows a way out by itself", { tag: "@storm" }, async ({ page }) => {
    await page.route(/\/_next\/static\/.*\.js/, (route) => route.abort());
    await page.goto("/layout");
    await expect(page.getByText("Opening…")).toBeVisible();
    await expect(page.getByRole("link", { name: "Load it again" })).toBeVisible();
    fallen.length = 0;
  });

  test("one bad record among good ones is set aside with its download; the rest opens", async ({ page }) => {
    await inDatabase(page, 1, [GOOD, { id: "bad", name: "Shipwreck", text: 7 }, { id: "torn", name: "Torn", text: "{ half", savedAt: 9, deletedAt: null }]);
    await open(page);
    await opened(page, "Good");
    await expect(page.getByText(/“Shipwreck” cannot be read and was set aside unchanged/)).toBeVisible();
    await fromMenu(page, "Shipwreck");
    const waiting = page.waitForEvent("download");
    await page.getByRole("button", { name: "Download unchanged" }).click();
    const stream = await (await waiting).createReadStream();
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(chunk as Buffer);
    expect(JSON.parse(Buffer.concat(chunks).toString("utf8"))).toEqual({ id: "bad", name: "Shipwreck", text: 7 });
    await fromMenu(page, "Torn");
    await expect(page.getByText(/“Torn” was not opened: this is not JSON/)).toBeVisible();
    await opened(page, "Good");
  });

  test(
    "where everything is full from the start, deleting, duplicating and naming are refused in words, and nothing falls",
    { tag: "@storm" },
    async ({ page }) => {
      await canBeFull(page);
      await open(page, "/actions");
      await saved(page);
      await setFull(page, true);
      await fromMenu(page, "Delete");
      await expect(page.getByText(/the browser’s storage failed: No room left/)).toBeVisible();
      await opened(page, "Brackwater");
      await page.getByRole("button", { name: "History" }).click();
      await page.getByLabel("Name of the state").fill("full");
      await page.getByRole("button", { name: "Name this state" }).click();
      await expect(page.getByText(/the state could not be stored: No room left/)).toBeVisible();
      await fromMenu(page, "Duplicate");
      await opened(page, "Brackwater, copy");
      await expect(savedState(page)).toHaveText("not saved");
      await setFull(page, false);
      await saved(page);
    },
  );

  test("on plain http, without randomUUID, locks and workers, everything goes on", { tag: "@storm" }, async ({ page, context }) => {
    const other = await context.newPage();
    for (const each of [page, other])
      await each.addInitScript(() => {
        Object.defineProperty(crypto, "randomUUID", { value: undefined });
        Object.defineProperty(navigator, "locks", { value: undefined });
        Object.defineProperty(navigator, "storage", { value: undefined });
        Object.defineProperty(window, "Worker", { value: undefined });
      });
    await open(page);
    await startLayout(page, "Plain");
    await addAction(page, "anchor", "press");
    await saved(page);
    await open(other, "/actions");
    await addAction(other, "buoy", "press");
    await expect(word(page, "buoy")).toBeVisible();
    await page.getByRole("button", { name: "Undo: add anchor" }).click();
    await expect(word(other, "anchor")).toHaveCount(0);
    await openLayout(page, "Brackwater, first draft");
    await page.getByRole("link", { name: "Layout" }).click();
    await expect(page.getByText(/\d+ blockers/).first()).toBeVisible();
    await savedState(page).click();
    await expect(page.getByRole("dialog", { name: "Stored data" })).toContainText("persistent storage only on a secure page");
  });
});

test("a backup is one zip, and brings layouts and states back into an empty browser; what is newer is left", async ({ page, browser }) => {
  await open(page, "/actions");
  await addAction(page, "anchor", "press");
  await page.getByRole("button", { name: "History" }).click();
  await page.getByLabel("Name of the state").fill("with an anchor");
  await page.getByRole("button", { name: "Name this state" }).click();
  await expect(page.getByRole("button", { name: "Remove the state with an anchor" })).toBeVisible();
  await page.keyboard.press("Escape");
  await savedState(page).click();
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Download a backup" }).click();
  const path = await (await waiting).path();
  const fresh = await browser.newContext();
  const there = await fresh.newPage();
  await open(there, "/actions");
  await fromMenu(there, "Duplicate");
  await addAction(there, "mine", "press");
  await savedState(there).click();
  await there.getByLabel("Backup to import").setInputFiles(path);
  await expect(there.getByRole("dialog", { name: "Stored data" })).toContainText(/1 updated from the backup/);
  await there.keyboard.press("Escape");
  await expect(word(there, "mine")).toBeVisible();
  await fromMenu(there, "Brackwater", true);
  await expect(word(there, "anchor")).toBeVisible();
  await there.getByRole("button", { name: "History" }).click();
  await expect(there.getByRole("button", { name: "Remove the state with an anchor" })).toBeVisible();
  await fresh.close();
});

test("loaded again and again before it stands, a layout is still the one that opens", async ({ page }) => {
  await open(page);
  for (let i = 0; i < 4; i += 1) {
    await page.reload();
    await savedState(page).waitFor();
  }
  await opened(page, "Brackwater");
});

test("a layout that cannot be drawn takes nothing with it: export it, look at another; it is not opened by itself again", async ({ page }) => {
  await page.addInitScript(() => {
    const draw = CanvasRenderingContext2D.prototype.drawImage;
    CanvasRenderingContext2D.prototype.drawImage = function (this: CanvasRenderingContext2D, ...args: Parameters<typeof draw>) {
      if (localStorage.getItem("broken") === "yes") throw new Error("this canvas is broken");
      return draw.apply(this, args);
    } as typeof draw;
  });
  const setBroken = (broken: boolean) => page.evaluate((word) => localStorage.setItem("broken", word), broken ? "yes" : "no");
  await page.goto("/icon.svg");
  await setBroken(true);
  await page.goto("/layout");
  await expect(page.getByText("This layout could not be drawn.")).toBeVisible();
  await page.getByRole("link", { name: "Hand off" }).click();
  expect(await exportText(page)).toContain('"name": "Brackwater"');
  await setBroken(false);
  await openLayout(page, "Pigeonhole");
  await page.getByRole("link", { name: "Layout" }).click();
  await expect(control(page, "walk")).toBeVisible();
  await setBroken(true);
  await openLayout(page, "Brackwater", true);
  await expect(page.getByText("This layout could not be drawn.")).toBeVisible();
  await setBroken(false);
  await page.reload();
  await expect(page.getByText(/“Brackwater” could not be drawn last time/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Layouts; open: Brackwater", exact: true })).toHaveCount(0);
  fallen.length = 0;
});
