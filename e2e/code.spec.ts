/** What the game reads: from its own code, from a list, and back to its code. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { readFileSync } from "node:fs";
import { noViolationsInStorm, open, startLayout } from "./bench";

const dialogue = (page: Page) => page.getByRole("dialog");
const SOURCE = `// input.pressed("never")
export function tick(input: Input) {
  if (input.pressed("horn")) sound.play("horn.ogg");
  if (input.pressed("tow_line")) winch();
  if (input.pressed("flare")) fire();
  if (input.pressed("flare")) again();
}`;

test("source is read, what reads an input is ticked once, new words are taken over, one nearly the same is respelt", async ({ page }) => {
  await open(page, "/actions");
  await page.getByRole("button", { name: "From the game’s code…" }).click();
  await dialogue(page)
    .getByLabel("Source files")
    .setInputFiles([
      { name: "winch.ts", mimeType: "text/plain", buffer: Buffer.from(SOURCE) },
      { name: "data.bin", mimeType: "application/octet-stream", buffer: Buffer.from([0, 1, 2]) },
      { name: "odd.ts", mimeType: "text/plain", buffer: Buffer.from("a\u0000b") },
    ]);
  await expect(dialogue(page).getByRole("status")).toHaveText("1 file read, 2 skipped (too large, or no text)");
  // What most likely reads an input is ticked already.
  await expect(dialogue(page).getByRole("checkbox", { name: /^input\.pressed\(…\)/ })).toBeChecked();
  await expect(dialogue(page).getByRole("checkbox", { name: /^sound\.play\(…\)/ })).not.toBeChecked();
  const word = (name: string) => dialogue(page).locator(`[data-word="${name}"]`);
  await expect(word("flare")).toContainText("new");
  await expect(word("flare")).toContainText("winch.ts:5, winch.ts:6");
  await expect(word("tow_line")).toContainText("similar");
  await expect(word("tow_line")).toContainText("in the layout towline");
  await expect(word("horn")).toContainText("known");
  await expect(word("helm")).toContainText("not found");
  await expect(word("never")).toHaveCount(0);
  await noViolationsInStorm(page);
  await word("log").getByRole("button", { name: "Mark as not read" }).click();
  await expect(word("log")).toHaveCount(0);
  await word("flare").getByRole("button", { name: "Import" }).click();
  await word("tow_line").getByRole("button", { name: "Use this spelling" }).click();
  await expect(word("tow_line")).toContainText("known");
  await page.keyboard.press("Escape");
  await expect(page.getByLabel("Code name of flare", { exact: true })).toHaveValue("flare");
  await expect(page.getByLabel("Code name of tow_line", { exact: true })).toHaveValue("tow_line");
  await page.getByRole("button", { name: "Undo: rename towline to tow_line" }).click();
  await expect(page.getByLabel("Code name of towline", { exact: true })).toHaveValue("towline");
  // What was ticked is remembered with the layout.
  await page.getByRole("button", { name: "From the game’s code…" }).click();
  await dialogue(page).getByLabel("Source to read").fill('input.pressed("plank");');
  await dialogue(page).getByRole("button", { name: "Read it" }).click();
  await expect(word("plank")).toContainText("new");
});

test("a list shows what it would change, and changes that; constants are saved", async ({ page }) => {
  await open(page, "/actions");
  await page.getByRole("button", { name: "Lists and constants…" }).click();
  const input = dialogue(page).getByLabel("List of actions to import");
  await input.setInputFiles({ name: "bad.csv", mimeType: "text/csv", buffer: Buffer.from("name,kind\nhorn,shout") });
  await expect(dialogue(page).getByRole("alert")).toContainText("bad.csv: row 2, kind");
  await input.setInputFiles({ name: "more.csv", mimeType: "text/csv", buffer: Buffer.from("name,kind,note\nhorn,,loud\nflare,press,") });
  const preview = dialogue(page).getByRole("group", { name: "Changes" });
  await expect(preview).toContainText("1 added, 1 changed");
  await expect(preview).toContainText("horn: note");
  await preview.getByRole("button", { name: "Import" }).click();
  await dialogue(page).getByLabel("Language").selectOption("rust");
  await expect(dialogue(page).getByLabel("The constants")).toContainText('pub const FLARE: &str = "flare"; // press');
  const waiting = page.waitForEvent("download");
  await dialogue(page).getByRole("button", { name: "Save actions.rs" }).click();
  expect(readFileSync(await (await waiting).path(), "utf8")).toContain('pub const TOWLINE: &str = "towline"; // press');
  await page.keyboard.press("Escape");
  await expect(page.getByLabel("Code name of flare", { exact: true })).toHaveValue("flare");
});

/** Drops this many made files of source onto the dialogue, as a folder would be. */
async function dropFiles(page: Page, count: number, bytes: number): Promise<void> {
  await expect(dialogue(page).getByLabel("Source to read")).toBeVisible();
  await page.evaluate(
    ([n, size]) => {
      const line = (i: number) => `if (input.pressed("act_${i % 40}")) { go(${i}); } // "not_this_${i}"\n`;
      const transfer = new DataTransfer();
      for (let i = 0; i < n; i += 1) transfer.items.add(new File([line(i).repeat(Math.ceil(size / 60))], `src/part_${i}.ts`, { type: "text/plain" }));
      transfer.items.add(new File([new Uint8Array(3 * 1024 * 1024)], "huge.ts"));
      document.querySelector("[role=dialog] [data-drop]")!.dispatchEvent(new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer: transfer }));
    },
    [count, bytes],
  );
}

test(
  "a large folder is read with progress, can be stopped, and leaves the view free; what is too large is passed over",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/actions");
    await page.getByRole("button", { name: "From the game’s code…" }).click();
    await dropFiles(page, 3000, 9000);
    await expect(dialogue(page).getByRole("progressbar", { name: "Progress" })).toBeVisible();
    await dialogue(page).getByRole("button", { name: "Stop" }).click();
    await expect(dialogue(page).getByRole("progressbar")).toHaveCount(0);
    await expect(dialogue(page).getByRole("region", { name: "Functions that read input" })).toHaveCount(0);
    await dropFiles(page, 600, 6000);
    // The view answers while files are read: typing goes on.
    await dialogue(page).getByLabel("Source to read").fill("typed meanwhile");
    await expect(dialogue(page).getByRole("status")).toHaveText("600 files read, 1 skipped (too large, or no text)");
    await expect(dialogue(page).locator("[data-word^=act_]")).toHaveCount(40);
    await expect(dialogue(page).locator("[data-word^=not_this]")).toHaveCount(0);
  },
);

test("keys and pad inputs that the game reads by the web's standards are bound from where they are read", async ({ page }) => {
  await open(page, "/actions");
  await page.getByRole("button", { name: "From the game’s code…" }).click();
  await dialogue(page).getByLabel("Source to read").fill('if (e.code === "KeyW" || e.code === "KeyB") go(); if (pad.buttons[5].pressed) stop();');
  await dialogue(page).getByRole("button", { name: "Read it" }).click();
  const row = (end: string) => dialogue(page).locator(`[data-end="${end}"]`);
  await expect(row("key KeyW")).toContainText("action helm");
  await row("pad button 5").getByRole("combobox").selectOption("horn");
  await expect(row("pad button 5")).toContainText("action horn");
  // The main button and touches are one row: every touch gives them, and so does the action that is made of them.
  await dialogue(page)
    .getByLabel("Source to read")
    .fill("if (event.button === 0 && mouse) fire();\nif (e.touches.length > 0) fire();\nif (mouse.isDown(Mouse.LEFT)) fire();");
  await dialogue(page).getByRole("button", { name: "Read it" }).click();
  await expect(row("mouse 0")).toContainText("every touch triggers this");
  await expect(row("mouse 0")).toContainText(/:\d and \d more/);
  await expect(dialogue(page).locator('[data-word="LEFT"]')).toHaveCount(0);
  await row("mouse 0").getByRole("button", { name: "a new action fire" }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Undo: bind mouse left to fire" })).toBeVisible();
  await expect(page.getByLabel("Code name of fire", { exact: true })).toHaveValue("fire");
  await page.getByLabel("Code name of fire", { exact: true }).focus();
  await expect(page.getByText("every touch", { exact: false }).first()).toBeVisible();
});

test(
  "constants are taken over by their own spelling, of a kind chosen first; files are left out; what to change stands in a list to tick off",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/actions");
    await startLayout(page, "Tug");
    await page.getByRole("button", { name: "From the game’s code…" }).click();
    const file = (name: string, text: string) => ({ name, mimeType: "text/plain", buffer: Buffer.from(text) });
    await dialogue(page)
      .getByLabel("Source files")
      .setInputFiles([
        file("tug.py", "if event.key == K_SPACE: honk()\nif action == Action.TOW: tow()\nif action == Action.HELM: steer()\n"),
        file("test_tug.py", "assert action == Action.WRECK\n"),
      ]);
    const word = (name: string) => dialogue(page).locator(`[data-word="${name}"]`);
    const asks = dialogue(page).getByRole("checkbox", { name: /^action == …/ });
    await expect(asks).toBeChecked();
    // Nothing is gone, nor known, with nothing ticked.
    await asks.uncheck();
    await expect(dialogue(page).locator("[data-word]")).toHaveCount(0);
    await asks.check();
    await expect(word("WRECK")).toBeVisible();
    await dialogue(page).getByText("Exclude files").click();
    await dialogue(page)
      .getByRole("checkbox", { name: /^test_tug\.py/ })
      .uncheck();
    await expect(word("WRECK")).toHaveCount(0);
    await dialogue(page).getByLabel("Kind of HELM").selectOption("axis");
    await dialogue(page).getByRole("button", { name: "Add all 2 new ones" }).click();
    await expect(word("TOW")).toContainText("known");
    await dialogue(page).locator('[data-end="key Space"]').getByRole("button", { name: "a new action honk" }).click();
    await expect(dialogue(page).locator('[data-end="key Space"]')).toContainText("action honk");
    await dialogue(page).getByRole("button", { name: "Code changes" }).click();
    const lines = dialogue(page).getByRole("list", { name: "Lines to change" }).getByRole("listitem");
    await expect(lines).toHaveCount(3);
    await expect(lines.first()).toContainText("tug.py:1");
    await expect(lines.first()).toContainText("if controls.just_pressed(actions.HONK): honk()");
    await expect(lines.nth(2)).toContainText("if controls.value(actions.HELM): steer()");
    await expect(dialogue(page).getByTestId("without-runtime")).toContainText("There is no Nodulum runtime for Python.");
    const stub = page.waitForEvent("download");
    await dialogue(page).getByRole("button", { name: "Download controls.py (stub)" }).click();
    expect(readFileSync(await (await stub).path(), "utf8")).toContain('"honk": False,');
    await lines.first().getByRole("checkbox").check();
    await noViolationsInStorm(page, "what to change");
    const waiting = page.waitForEvent("download");
    await dialogue(page).getByRole("button", { name: "Download Markdown" }).click();
    const markdown = readFileSync(await (await waiting).path(), "utf8");
    expect(markdown).toContain("- [x] line 1, honk: `if event.key == K_SPACE: honk()`");
    expect(markdown).toContain("- [ ] line 2, TOW");
    await page.keyboard.press("Escape");
    await expect(page.getByLabel("Code name of HELM", { exact: true })).toHaveValue("HELM");
  },
);
