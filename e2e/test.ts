/**
 * `test` of the browser tests. A test with the usual options gets a new page in a context that all tests of a worker share: its pages run
 * in one process, which keeps the application's compiled scripts, and loading it takes about a third less work. After each test its pages are closed
 * and what they kept is deleted. A test with other options (touch, another window, service workers), or with `ownContext`, has a context of
 * its own; so has every test of the storm.
 */
import { test as base, type BrowserContext } from "@playwright/test";
import { isStorm } from "../test/repeated";

const WINDOW = { width: 1280, height: 800 };

/** A context, and how to make it as new. */
interface Shared {
  readonly context: BrowserContext;
  clean(): Promise<void>;
}

export const test = base.extend<{ ownContext: boolean }, { shared: () => Promise<Shared> }>({
  ownContext: [false, { option: true }],
  shared: [
    async ({ browser }, provide) => {
      const made: Promise<Shared>[] = [];
      await provide(() => (made[0] ??= createShared(() => browser.newContext())));
      for (const each of made) await (await each).context.close();
    },
    { scope: "worker" },
  ],
  context: async ({ browser, shared, ownContext, viewport, hasTouch, isMobile, serviceWorkers }, provide) => {
    const isUsual = !hasTouch && !isMobile && serviceWorkers === "block" && viewport?.width === WINDOW.width && viewport.height === WINDOW.height;
    if (isStorm || ownContext || !isUsual) {
      const own = await browser.newContext();
      await provide(own);
      await own.close();
      return;
    }
    const { context, clean } = await shared();
    await provide(context);
    await clean();
  },
});

/** Makes the context with a page that stays, so that its process does. */
async function createShared(make: () => Promise<BrowserContext>): Promise<Shared> {
  const context = await make();
  const kept = await context.newPage();
  await kept.goto("/icon.svg");
  const session = await context.newCDPSession(kept);
  const clean = async () => {
    const pages = context.pages().filter((page) => page !== kept);
    const origins = new Set(pages.flatMap((page) => page.frames().map((frame) => new URL(frame.url(), "about:blank").origin)));
    for (const page of pages) await page.close();
    await context.unrouteAll();
    await context.clearPermissions();
    await context.clearCookies();
    await context.setOffline(false);
    // From within: it waits for what the closed pages had begun.
    await kept.evaluate(async () => {
      localStorage.clear();
      for (const { name } of await indexedDB.databases())
        await new Promise((resolve, reject) => {
          const deleting = indexedDB.deleteDatabase(name!);
          deleting.onsuccess = resolve;
          deleting.onerror = reject;
        });
      for (const name of await caches.keys()) await caches.delete(name);
    });
    origins.delete(new URL(kept.url()).origin);
    for (const origin of origins) if (origin !== "null") await session.send("Storage.clearDataForOrigin", { origin, storageTypes: "all" });
  };
  return { context, clean };
}
