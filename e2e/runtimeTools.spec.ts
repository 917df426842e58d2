/** What is next to the runtime: the players' page, the overlay, the hint to turn, what was asked. */
import { writeFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { gameBody, Hand, LAYOUT, openGame, played, ready } from "./gamePage";
import { noViolations } from "./bench";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under these names is the package's own */
const load = (page: Page, entry: string, name: string, work: string) =>
  page.evaluate(`(async () => { const { ${name} } = await import("/runtime/${entry}.js"); const over = document.querySelector("#game"); ${work} })()`);

test("the players' page: by finger and by key a control goes where it may, is sized and faded, an action made more sensitive, all of it kept", async ({
  page,
}) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  await load(
    page,
    "playersPage",
    "playersPage",
    `window.closePage = playersPage(handle, over, { words: { done: "back" }, onDone: () => (window.kept = JSON.stringify(handle.overrides.json())) });`,
  );
  const dialogue = page.getByRole("dialog", { name: "Drag the controls to where your thumbs are" });
  await noViolations(page, "the players' page");
  const box = dialogue.getByRole("button", { name: "leap" });
  const before = (await box.boundingBox())!;
  const hand = await Hand.of(page);
  await hand.down(1, before.x + 20, before.y + 20);
  await hand.move(1, before.x - 60, before.y + 10);
  await hand.up(1);
  const after = (await dialogue.getByRole("button", { name: "leap" }).boundingBox())!;
  expect(after.x).toBeCloseTo(before.x - 80, 0);
  // The game has heard nothing of it.
  expect(await page.evaluate(() => (window as any).ticks.some((tick: any) => tick.values.leap))).toBe(false);
  await dialogue.getByRole("button", { name: "leap" }).focus();
  await page.keyboard.press("ArrowUp");
  expect((await dialogue.getByRole("button", { name: "leap" }).boundingBox())!.y).toBeCloseTo(after.y - 160 / 25.4, 0);
  await dialogue.getByRole("button", { name: "larger" }).click();
  await dialogue.getByRole("button", { name: "fainter" }).click();
  await dialogue.getByLabel("look, sensitivity").fill("2");
  await dialogue.getByLabel("look, up and down turned round").check();
  await dialogue.getByRole("button", { name: "back" }).click();
  await expect(dialogue).toHaveCount(0);
  const kept = JSON.parse(await page.evaluate(() => (window as any).kept as string)) as {
    controls: Record<string, Record<string, number>>;
    actions: Record<string, unknown>;
  };
  expect(kept.controls.leap.size).toBeCloseTo(1.1, 9);
  expect(kept.controls.leap.fade).toBeCloseTo(0.8, 9);
  expect(kept.actions.look).toEqual({ factor: 2, across: false, upDown: true });
});

test("the overlay stands only where it is asked for, and is gone when it is ended", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  const count = () => page.evaluate(() => document.querySelectorAll("canvas").length);
  const before = await count();
  await load(page, "overlay", "overlay", `overlay(handle, over);`);
  expect(await count()).toBe(before);
  await load(page, "overlay", "overlay", `handle.value("leep"); window.end = overlay(handle, over, { always: true });`);
  expect(await count()).toBe(before + 1);
  // It draws something: areas, words, values.
  await page.waitForFunction(() => {
    const canvas = document.querySelectorAll("canvas")[document.querySelectorAll("canvas").length - 1];
    return canvas
      .getContext("2d")!
      .getImageData(0, 0, canvas.width, canvas.height)
      .data.some((v) => v > 0);
  });
  await page.evaluate(() => (window as any).end());
  expect(await count()).toBe(before);
});

test("a game that is held wide asks to be turned while it is tall, and locks the screen where it may", async ({ page }) => {
  await page.addInitScript(() => {
    (window as any).locked = [];
    Object.defineProperty(screen.orientation, "lock", { value: (way: string) => ((window as any).locked.push(way), Promise.resolve()) });
  });
  await openGame(page, gameBody(`appear: "always"`), { "/quay.played.json": played({ ...LAYOUT, orientation: "landscape" }) });
  await ready(page);
  await load(page, "turn", "keepTurned", `window.end = keepTurned(handle, over, { words: "Turn the phone" });`);
  const hint = page.getByText("Turn the phone");
  await expect(hint).toBeHidden();
  await page.setViewportSize({ width: 420, height: 900 });
  await expect(hint).toBeVisible();
  await page.setViewportSize({ width: 900, height: 420 });
  await expect(hint).toBeHidden();
  await page.evaluate(() => {
    Object.defineProperty(document, "fullscreenElement", { value: document.body, configurable: true });
    document.dispatchEvent(new Event("fullscreenchange"));
  });
  expect(await page.evaluate(() => (window as any).locked)).toEqual(["landscape"]);
  await page.evaluate(() => (window as any).end());
  await expect(hint).toHaveCount(0);
});

test("what was asked and which keys went down is a file that Actions takes in", { tag: "@storm" }, async ({ page, browser }, info) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  await load(page, "nameWatch", "watch", `window.watched = watch(handle);`);
  await page.evaluate(() => ["walk", "leap", "leap", "hron", "anchor"].forEach((word) => (window as any).handle.value(word)));
  await page.keyboard.down("KeyW");
  await page.keyboard.press("Space");
  await page.keyboard.up("KeyW");
  const text = await page.evaluate(() => (window as any).watched.file() as string);
  const file = JSON.parse(text) as { words: { word: string; times: number }[]; keys: { code: string; together: string[] }[] };
  expect(file.words.map(({ word, times }) => [word, times])).toEqual([
    ["walk", 1],
    ["leap", 2],
    ["hron", 1],
    ["anchor", 1],
  ]);
  expect(file.keys.map(({ code, together }) => [code, together])).toEqual([
    ["KeyW", []],
    ["Space", ["KeyW"]],
  ]);
  const path = info.outputPath("asked.json");
  writeFileSync(path, text);
  const editor = await (
    await browser.newContext({ baseURL: info.project.use.baseURL, viewport: { width: 1280, height: 800 }, serviceWorkers: "block" })
  ).newPage();
  await editor.goto("/actions");
  await expect(editor.getByTestId("saved-state")).toBeVisible();
  await editor.getByRole("button", { name: "From the game’s code…" }).click();
  const dialogue = editor.getByRole("dialog");
  await dialogue.getByLabel("Source files").setInputFiles(path);
  await dialogue.getByRole("checkbox", { name: /while it was played/ }).check();
  await expect(dialogue.locator('[data-word="anchor"]')).toContainText("new");
  await expect(dialogue.locator('[data-word="hron"]')).toContainText("similar");
  await expect(dialogue.locator('[data-word="helm"]')).toContainText("not found");
  await editor.close();
});

test("changes that a player made elsewhere, or somebody made up, never put a control out of reach: each is on the screen, is touched there with two fingers at once, and is as it was saved", async ({
  page,
}) => {
  const kept = { controls: { walk: { right: -10_000, down: 10_000, size: 4, fade: 1 }, leap: { right: 9000, down: -9000, size: 0.25, fade: 1 } }, actions: {} };
  await openGame(page, gameBody(`appear: "always", overrides: ${JSON.stringify(JSON.stringify(kept))}`));
  await ready(page);
  for (const viewport of [
    { width: 900, height: 420 },
    { width: 640, height: 360 },
  ]) {
    await page.setViewportSize(viewport);
    // The layout is placed again before the next picture.
    const places = () =>
      page.evaluate(
        () =>
          (window as any).handle.controls().map(({ id, base }: any) => ({ id, x: base.x, y: base.y, w: base.w ?? 0, h: base.h ?? 0 })) as {
            id: string;
            x: number;
            y: number;
          }[],
      );
    await expect.poll(async () => (await places()).every(({ x, y }) => x >= 0 && y >= 0 && x <= viewport.width && y <= viewport.height)).toBe(true);
    const at = (id: string, all: readonly { id: string; x: number; y: number }[]) => all.find((one) => one.id === id)!;
    const all = await places();
    const hand = await Hand.of(page);
    await hand.down(1, at("walk", all).x, at("walk", all).y);
    await hand.down(2, at("leap", all).x, at("leap", all).y);
    await expect
      .poll(() =>
        page.evaluate(() =>
          (window as any).handle
            .controls()
            .filter((c: any) => c.held)
            .map((c: any) => c.id)
            .sort(),
        ),
      )
      .toEqual(["leap", "walk"]);
    await hand.up(2);
    await hand.up(1);
  }
  expect(await page.evaluate(() => (window as any).handle.overrides.json())).toEqual(kept);
});
