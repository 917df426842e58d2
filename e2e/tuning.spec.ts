/** Play in my page: the editor opens the game's own page, which takes every edit at once, says what it asks for in vain, and listens to nobody else. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { open } from "./bench";
import { GAME, gameBody, serveGame } from "./gamePage";

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under these names is its own */
const BODY = gameBody(`appear: "always"`).replace(
  "window.isReady = true;",
  `const { tuned } = await import("/runtime/tuned.js"); window.end = tuned(window.handle); window.isReady = true;`,
);

/** Waits until a page has read every message that was sent to it: they come in order. */
const messagesRead = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((done) => {
        addEventListener("message", (event) => event.data === "last" && done());
        postMessage("last", "*");
      }),
  );

test("an edit goes to the game's own page at once, words asked in vain come back, and another window's messages are not heard", async ({ page, context }) => {
  await serveGame(context, BODY);
  await open(page, "/handoff");
  const section = page.getByRole("region", { name: "In your game" });
  await section.getByLabel("Address of your page").fill("ftp://nowhere");
  await section.getByRole("button", { name: "Open my page" }).click();
  await expect(section.getByRole("alert")).toContainText("is not the address of a page");
  await section.getByLabel("Address of your page").fill(`${GAME}/`);
  const opening = context.waitForEvent("page");
  await section.getByRole("button", { name: "Open my page" }).click();
  const game = await opening;
  await expect(page.getByTestId("tuning-state")).toHaveText(/gets every edit at once/);
  // The page had its own layout; now it plays the one that is open here.
  const names = () => game.evaluate(() => (window as any).handle.layout.controls.map((c: any) => c.name));
  await expect.poll(names).toContain("towline");
  await game.evaluate(() => (window as any).handle.value("tow_line"));
  await expect(section.getByText("tow_line")).toBeVisible();
  await expect(section.getByText("did you mean towline?")).toBeVisible();
  // It goes on in another view.
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
  await page.locator('[data-control="pump"]').click();
  await page.keyboard.press("Delete");
  await expect.poll(names).not.toContain("pump");
  await page.keyboard.press("Control+z");
  await expect.poll(names).toContain("pump");
  // Without the token, or from elsewhere, nothing is taken.
  const before = await names();
  await page.evaluate(() => undefined);
  await game.evaluate(() => {
    const played = JSON.stringify({ nodulum: "nonsense" });
    postMessage({ nodulum: "layout", token: "guessed", played }, "*");
    dispatchEvent(
      new MessageEvent("message", {
        origin: "http://evil.test",
        data: { nodulum: "layout", token: new URLSearchParams(location.search).get("nodulum-token"), played },
      }),
    );
  });
  await messagesRead(game);
  expect(await names()).toEqual(before);
  await game.close();
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Hand off" }).click();
  await expect(page.getByTestId("tuning-state")).toHaveText("The page was closed.");
});

test("a page that the editor has not opened does nothing of it", async ({ page }) => {
  await serveGame(page.context(), BODY);
  await page.goto(`${GAME}/?nodulum-token=abc&nodulum-editor=${encodeURIComponent("http://evil.test")}`);
  await page.waitForFunction(() => (window as any).isReady === true);
  await page.evaluate(() => postMessage({ nodulum: "layout", token: "abc", played: "{}" }, "*"));
  await messagesRead(page);
  expect(await page.evaluate(() => (window as any).handle.layout.name)).toBe("Quay");
});

test(
  "a page that sends 20,000 messages of every shape breaks nothing: they are counted, Hand off is usable, and its sound ones are still read",
  { tag: "@storm" },
  async ({ page, context }) => {
    await serveGame(context, BODY);
    await open(page, "/handoff");
    const section = page.getByRole("region", { name: "In your game" });
    await section.getByLabel("Address of your page").fill(`${GAME}/`);
    const opening = context.waitForEvent("page");
    await section.getByRole("button", { name: "Open my page" }).click();
    const game = await opening;
    await expect(page.getByTestId("tuning-state")).toHaveText(/gets every edit at once/);
    await game.evaluate(() => {
      const flags = new URLSearchParams(location.search);
      const [token, editor] = [flags.get("nodulum-token"), flags.get("nodulum-editor")!];
      const many = Object.fromEntries(Array.from({ length: 3000 }, (_, i) => [`word ${i}`, { times: i, nearest: null }]));
      const bad: unknown[] = [
        { nodulum: "asked", asked: { horn: { times: 1, nearest: { an: "object" } } } },
        { nodulum: "asked", asked: { horn: null } },
        { nodulum: "asked", asked: [["horn", 1]] },
        { nodulum: "asked", asked: { ["x".repeat(5000)]: { times: 1, nearest: null } } },
        { nodulum: "taken", problem: "y".repeat(50_000) },
        { nodulum: "taken", problem: ["no", "text"] },
        { nodulum: "unheard-of" },
        { nodulum: "ready" },
      ];
      for (let i = 0; i < 20_000; i += 1) {
        const message = i % 500 === 0 ? { nodulum: "asked", asked: many } : bad[i % bad.length];
        window.opener.postMessage({ ...(message as object), token }, editor);
      }
    });
    await expect(page.getByTestId("unreadable")).toContainText("The page sent an unreadable message");
    // Usable meanwhile: a parcel is chosen and shown, a view changed and come back from.
    await page.locator('[data-parcel="played"]').click();
    await expect(page.locator('[data-parcel="played"]')).toHaveAttribute("aria-pressed", "true");
    const count = async () => Number(/([\d,]+) times/.exec((await page.getByTestId("unreadable").textContent())!)![1].replaceAll(",", ""));
    await expect.poll(count).toBeGreaterThan(19_000);
    expect(await page.getByTestId("unreadable").textContent()).not.toContain("horn");
    // The page goes on as before: a word asked in vain comes through.
    await game.evaluate(() => (window as any).handle.value("tow_line"));
    await expect(section.getByText("did you mean towline?")).toBeVisible();
  },
);
