/** The chain in one picture: wires by pointer and by key, whole chains, kinds, inputs bound by doing, moments, controls from another layout. */
import { expect, type Locator, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, control, drag, exportText, middle, noViolationsInStorm, open, openLayout, saved, startLayout } from "./bench";

const action = (page: Page, name: string) => page.locator(`[data-action="${name}"]`);
const card = (page: Page, id: string) => page.locator(`[data-sheet-control="${id}"]`);
const end = (page: Page, text: string) => page.getByRole("list", { name: "Keys, mouse and pads" }).locator(`[data-end="${text}"]`);
const touchEnd = (page: Page, name: string) => page.getByRole("button", { name: `Draw a wire from ${name} to a control` });
const plus = (page: Page, name: string) => page.getByRole("button", { name: `Bind a key, mouse or pad input to ${name}` });
const aside = (page: Page) => page.getByRole("complementary", { name: "Selection" });
const wire = (page: Page, key: string) => page.locator(`[data-wire="${key}"]`);

async function drawWire(page: Page, from: Locator, to: Locator): Promise<void> {
  await drag(page, await middle(from), await middle(to), 8);
}

test("wires are drawn from either end; one that does not fit is refused with what would", async ({ page }) => {
  await open(page, "/actions");
  // From the action: only what fits lights up, the rest says why.
  const from = await middle(touchEnd(page, "lamp"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  const horn = await middle(card(page, "horn"));
  await page.mouse.move(horn.x, horn.y, { steps: 6 });
  await expect(card(page, "horn")).toHaveClass(/dimmed/);
  await expect(page.getByTestId("sheet").getByRole("status")).toHaveText(
    /horn: no port of a button gives to a motion; a touchpad's motion, or a vector with a scale would fit/,
  );
  await page.mouse.up();
  await expect(card(page, "horn").getByText("lamp")).toHaveCount(0);
  // Held over a stick, its ports show; the wire goes to the one it is let go on.
  await drawWire(page, touchEnd(page, "horn"), card(page, "helm"));
  await expect(card(page, "helm")).toContainText("horn");
  await expect(page.getByRole("button", { name: "Undo: wire horn to helm" })).toBeVisible();
  // From a control's port to an action, and from a key to a second action.
  await card(page, "nudge").click();
  await drawWire(page, page.getByRole("button", { name: "Draw a wire from the active port of nudge" }), action(page, "pump"));
  await expect(card(page, "nudge")).toContainText("pump");
  await drawWire(page, page.getByRole("button", { name: /^Draw another wire from key KeyH/ }), action(page, "pump"));
  await expect(end(page, "key KeyH").first()).toContainText("◆ 2 actions");
  await expect(wire(page, "hardware keys 1 pump")).toBeAttached();
  for (let i = 0; i < 3; i += 1) await page.getByRole("button", { name: /^Undo: wire/ }).click();
  await expect(card(page, "helm")).not.toContainText("horn");
});

test("a value that a wire ignores is told at the wire, and removed by a click", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/actions");
  const placement = { kind: "pin", frame: "screen", anchor: [0, 1], pivot: [0, 1], offset: ["10mm", "-10mm"], size: ["24mm", "24mm"] };
  const fins = { id: "fins", name: "fins", kind: "stick", placement, serves: [{ port: "vector", action: "swim", value: [1, 0] }] };
  const layout = { format: "nodulum-layout", version: 1, name: "Kelp", reference: { width: 1600, height: 720 }, scale: {}, controls: [fins] };
  const text = JSON.stringify({ ...layout, actions: [{ name: "swim", kind: "vector" }] });
  await page.goto("/handoff");
  await page.getByLabel("Files to import").setInputFiles({ name: "kelp.nodulum.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await expect(page.getByRole("button", { name: "Layouts; open: Kelp" })).toBeVisible();
  await saved(page);
  await page.goto("/actions");
  await expect(card(page, "fins").getByTitle("value ignored: vector gives an amount; write scale")).toHaveText("value ignored");
  await card(page, "fins").getByRole("button", { name: "Remove", exact: true }).click();
  await expect(card(page, "fins")).not.toContainText("ignored");
  await expect(page.getByRole("button", { name: "Undo: remove the ignored value of fins" })).toBeVisible();
});

test("a wire is drawn by keyboard alone, along the ends that fit", async ({ page }) => {
  await open(page, "/actions");
  await touchEnd(page, "lamp").focus();
  await page.keyboard.press("Enter");
  const status = page.getByTestId("sheet").getByRole("status");
  await expect(status).toHaveText("lamp → helm: Enter connects, Escape cancels");
  await page.keyboard.press("ArrowDown");
  await expect(status).toHaveText("lamp → helm vector: Enter connects, Escape cancels");
  await page.keyboard.press("Escape");
  await expect(touchEnd(page, "lamp")).toBeFocused();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(card(page, "helm")).toContainText("lamp");
  // A wire of a stick toward a motion has the units a second it needs, and they can be changed in its card.
  await page.getByRole("button", { name: "The wire from helm vector to lamp" }).click();
  const fields = aside(page).getByRole("region", { name: "The wire from helm to lamp" });
  await expect(fields).toContainText("x, y × 120 per second");
  await fields.getByLabel("x times").fill("40");
  await fields.getByLabel("x times").press("Enter");
  await expect(fields).toContainText("x, y × (40, 120) per second");
  await fields.getByRole("button", { name: "Remove" }).click();
  await expect(card(page, "helm")).not.toContainText("lamp");
});

test("one button serves two actions, each with what it gives: it sounds, repeated, and pushes forward", async ({ page }) => {
  await open(page, "/actions");
  await card(page, "horn").click();
  const more = aside(page).getByLabel("Add an action to horn");
  await more.selectOption({ label: "helm by press" });
  await page.getByRole("button", { name: "The wire from horn press to helm" }).click();
  await aside(page).getByLabel("Gives x").fill("1/2");
  await aside(page).getByLabel("Gives x").press("Enter");
  await page.getByRole("button", { name: "The wire from horn press to horn" }).click();
  await aside(page).getByLabel("repeats while held").check();
  await aside(page).getByLabel("Repeats every").fill("50");
  await aside(page).getByLabel("Repeats every").press("Enter");
  await expect(card(page, "horn")).toContainText("every 50 ms after 400 ms");
  await action(page, "helm").click({ position: { x: 60, y: 36 } });
  const sum = aside(page).getByRole("group", { name: "Inputs of helm" });
  await expect(sum).toContainText("+ horn(0.5, 1)");
  await expect(sum).toContainText("added, shortened to length 1");
  // It plays so: the small glass gives both at once.
  const glass = (await page.getByTestId("try-glass").boundingBox())!;
  await page.mouse.move(glass.x + glass.width * 0.797, glass.y + glass.height * 0.632);
  await page.mouse.down();
  await expect(page.getByTestId("live")).toHaveText("now: helm, horn");
  await page.mouse.up();
  // Picked, a wire goes at a key.
  await page.getByRole("button", { name: "The wire from horn press to helm" }).click();
  await page.keyboard.press("Delete");
  await expect(card(page, "horn")).not.toContainText("helm");
});

test("a pick shows its whole chain and quiets the rest; what is in use is marked along its wires", async ({ page }) => {
  await open(page, "/actions");
  await action(page, "sidle").click({ position: { x: 60, y: 36 } });
  await expect(card(page, "sidle-left")).not.toHaveClass(/dimmed/);
  await expect(card(page, "helm")).toHaveClass(/dimmed/);
  await expect(aside(page).getByRole("group", { name: "Inputs of sidle" })).toContainText("added, kept within −1 to 1");
  await noViolationsInStorm(page);
  // A wire can be picked where it runs.
  await wire(page, "serve 0 horn").dispatchEvent("click");
  await expect(aside(page).getByRole("region", { name: "The wire from horn to horn" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(card(page, "helm")).not.toHaveClass(/dimmed/);
  // A key held anywhere on the sheet, a thumb on the small glass, and a pad run along their wires.
  await page.keyboard.down("KeyE");
  await expect(wire(page, "hardware keys 1 sidle")).toHaveAttribute("data-live", "");
  await expect(page.getByTestId("live")).toHaveText("now: sidle");
  await page.keyboard.up("KeyE");
  await expect(wire(page, "hardware keys 1 sidle")).not.toHaveAttribute("data-live", "");
  const glass = (await page.getByTestId("try-glass").boundingBox())!;
  await page.mouse.move(glass.x + glass.width * 0.18, glass.y + glass.height * 0.68);
  await page.mouse.down();
  await page.mouse.move(glass.x + glass.width * 0.18, glass.y + glass.height * 0.4, { steps: 4 });
  await expect(wire(page, "serve 0 helm")).toHaveAttribute("data-live", "");
  await page.mouse.up();
  await expect(wire(page, "serve 0 helm")).not.toHaveAttribute("data-live", "");
  await page.getByRole("button", { name: "Simulated pad" }).click();
  await page.getByRole("button", { name: "Pad button 3", exact: true }).focus();
  await page.keyboard.down("Enter");
  await expect(wire(page, "hardware pad 0 horn")).toHaveAttribute("data-live", "");
  await page.keyboard.up("Enter");
});

test("keys by pressing, a pad by moving it, the mouse by choice; the main button and a shared key are pointed out", { tag: "@storm" }, async ({ page }) => {
  // A keyboard of another layout: the key of the code KeyQ bears the letter A.
  await page.addInitScript(() =>
    Object.defineProperty(navigator, "keyboard", {
      value: {
        getLayoutMap: () =>
          Promise.resolve(
            new Map([
              ["KeyQ", "a"],
              ["KeyW", "z"],
            ]),
          ),
      },
    }),
  );
  await open(page, "/actions");
  await startLayout(page, "Bindings");
  await addAction(page, "run", "vector");
  await addAction(page, "hop", "press");
  await plus(page, "run").click();
  const popover = page.getByRole("dialog", { name: "Bind an input to run" });
  // A key that is pressed before it listens is nobody's.
  await expect(popover).toBeVisible();
  await page.keyboard.press("KeyW");
  // Bound with the three that belong to it, it closes; the focus is back where it was, and Enter opens it for the next.
  await expect(popover).toHaveCount(0);
  await expect(plus(page, "run")).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(popover.getByRole("listitem").filter({ hasText: "Z" })).toHaveAttribute("title", "key KeyW, Z on this keyboard");
  // What does not fit is refused with the reason.
  await expect(popover.getByRole("button", { name: "movement" })).toBeDisabled();
  await popover.getByRole("button", { name: "Simulated pad" }).click();
  const stick = await middle(page.getByRole("button", { name: /^Pad, right stick/ }));
  await drag(page, stick, { x: stick.x + 30, y: stick.y });
  await expect(popover).toHaveCount(0);
  await plus(page, "run").click();
  await expect(popover.getByRole("list", { name: "Bound to run" })).toContainText("pad, right stick");
  await page.getByRole("button", { name: "Pad button 14", exact: true }).click();
  await expect(popover).toHaveCount(0);
  await plus(page, "run").click();
  await expect(popover.getByRole("list", { name: "Bound to run" })).toContainText("pad 14");
  await noViolationsInStorm(page);
  await popover.getByRole("button", { name: /^Press the key for run/ }).focus();
  await page.keyboard.press("Escape");
  await expect(plus(page, "run")).toBeFocused();
  // At the loose end of its wire it is bound too.
  await page.getByRole("button", { name: "Bind an input to hop, at the end of its wire" }).click();
  await expect(page.getByRole("dialog", { name: "Bind an input to hop" })).toBeVisible();
  await page.keyboard.press("KeyW");
  await expect(page.getByRole("dialog", { name: "Bind an input to hop" })).toHaveCount(0);
  await plus(page, "hop").click();
  await page.getByRole("dialog", { name: "Bind an input to hop" }).getByRole("button", { name: "left ◆" }).click();
  await expect(page.getByRole("dialog", { name: "Bind an input to hop" })).toHaveCount(0);
  // What is picked is renamed by a key.
  await page.keyboard.press("F2");
  await expect(page.getByLabel("Code name of hop", { exact: true })).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(end(page, "key KeyW").first()).toContainText("◆ 2 actions");
  await expect(end(page, "mouse 0")).toContainText("◆ every touch");
  await expect(end(page, "pad stick right")).toBeVisible();
  await page.getByRole("link", { name: /Hand off/ }).click();
  const file = JSON.parse(await exportText(page)) as { actions: { name: string; keys?: unknown; pad?: unknown }[] };
  expect(file.actions[0]).toMatchObject({
    keys: [
      { code: "KeyW", value: [0, 1] },
      { code: "KeyS", value: [0, -1] },
      { code: "KeyA", value: [-1, 0] },
      { code: "KeyD", value: [1, 0] },
    ],
    pad: [{ stick: "right" }, { button: 14, value: [-1, 0] }, { button: 12, value: [0, 1] }, { button: 13, value: [0, -1] }, { button: 15, value: [1, 0] }],
  });
});

test("a change of kind says first which wires no longer fit; smoothing, moments, note are the action's own", async ({ page }) => {
  await open(page, "/actions");
  const word = page.getByLabel("Code name of horn", { exact: true });
  await word.fill("Fog Horn");
  await word.press("Enter");
  await expect(card(page, "horn")).toContainText("Fog Horn");
  const pump = page.getByLabel("Code name of pump", { exact: true });
  await pump.fill("towline");
  await pump.press("Enter");
  await expect(page.getByText("there is already an action `towline`")).toBeVisible();
  await expect(pump).toHaveValue("pump");
  await action(page, "helm").click({ position: { x: 60, y: 36 } });
  await aside(page).getByLabel("Kind of helm").selectOption("motion");
  const preview = aside(page).getByRole("group", { name: "Effect of the kind motion on helm" });
  await expect(preview).toContainText("4 wires do not fit:");
  await expect(preview).toContainText("it gives true or false, the action is a motion");
  await preview.getByRole("button", { name: "Keep vector" }).click();
  await expect(aside(page).getByLabel("Kind of helm")).toHaveValue("vector");
  await aside(page).getByLabel("Kind of helm").selectOption("motion");
  await preview.getByRole("button", { name: "Change and remove them" }).click();
  await expect(end(page, "key KeyW")).toHaveCount(0);
  await expect(end(page, "pad stick left")).toBeVisible();
  await page.getByRole("button", { name: "Undo: kind of helm" }).click();
  await expect(end(page, "key KeyW")).toBeVisible();
  await aside(page).getByRole("textbox", { name: "rise" }).fill("300");
  await aside(page).getByRole("textbox", { name: "rise" }).press("Enter");
  await expect(aside(page).getByRole("img", { name: "Rises to full in 300 ms; falls to 0 in 180 ms after release" })).toBeVisible();
  await aside(page).getByLabel("Note on helm").fill("turn and throttle");
  await aside(page).getByLabel("Note on helm").blur();
  await expect(page.getByRole("button", { name: "Undo: note of helm" })).toBeVisible();
  // Meant for desks alone, it is no longer left to do; wanted in a moment where nothing serves it, it is.
  await expect(page.getByTestId("to-do")).toContainText("all done");
  await aside(page).getByRole("group", { name: "moments" }).getByRole("button", { name: "Log open" }).click();
  await expect(action(page, "helm")).toContainText("no touch control in Log open");
  await expect(page.getByTestId("to-do")).toHaveText("■ 1 open");
  await aside(page).getByLabel("Used", { exact: true }).selectOption("never");
  await expect(action(page, "helm")).toContainText("marked desktop only, but has a touch control");
  await aside(page).getByLabel("Read by the game").uncheck();
  await expect(action(page, "helm")).toContainText("not read");
});

test("next open item is a key away, here and in the ledger; one step makes a fitting control", async ({ page }) => {
  await open(page, "/actions");
  await openLayout(page, "Brackwater, first draft");
  await addAction(page, "anchor", "press");
  await addAction(page, "ANCHOR", "press");
  await expect(page.getByText("the same word twice?")).toBeVisible();
  await expect(page.getByTestId("to-do")).toHaveText("■ 3 open");
  await page.getByLabel("Name of the new action").blur();
  await page.keyboard.press("o");
  await expect(action(page, "towline")).toBeFocused();
  await page.keyboard.press("o");
  await expect(action(page, "anchor")).toBeFocused();
  await page.getByRole("button", { name: "Create a button for anchor on the bench", exact: true }).click();
  await expect(action(page, "anchor")).toContainText("served");
  await expect(page.getByTestId("to-do")).toHaveText("■ 2 open");
  await page.keyboard.press("2");
  await expect(control(page, "anchor")).toBeVisible();
  const ledger = page.getByRole("region", { name: "Ledger" });
  await expect(ledger.getByRole("button", { name: "2 open" })).toBeVisible();
  await page.keyboard.press("o");
  await page.keyboard.press("o");
  await expect(ledger.getByRole("button", { name: /^ANCHOR/ })).toBeFocused();
});

test("search, filter, groups and folds; the same as a table, where all can be done too", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/actions");
  await page.keyboard.press("/");
  await page.keyboard.type("sidle-left");
  await expect(page.locator("[data-action]")).toHaveCount(1);
  // What is searched for outlasts a look at another view.
  await page.getByRole("link", { name: /Rehearse/ }).click();
  await page.getByRole("link", { name: /Actions/ }).click();
  await expect(page.locator("[data-action]")).toHaveCount(1);
  await page.getByLabel("Search").focus();
  await page.keyboard.press("Escape");
  await expect(page.locator("[data-action]")).toHaveCount(9);
  await page.getByLabel("Filter by moment").selectOption({ label: "Log open" });
  await expect(action(page, "helm")).toHaveCount(0);
  await expect(action(page, "log")).toBeVisible();
  await page.getByLabel("Filter by moment").selectOption("");
  await page.getByLabel("Group by moment").check();
  const group = page.getByRole("button", { name: /^used Under way and Alongside|^used Under way \d/ }).first();
  await group.click();
  await expect(group).toHaveAttribute("aria-expanded", "false");
  expect(await page.locator("[data-action]").count()).toBeLessThan(9);
  await page.getByRole("button", { name: "Fold all" }).click();
  await expect(page.locator("[data-action]")).toHaveCount(0);
  await page.getByRole("button", { name: "Unfold all" }).click();
  await expect(page.locator("[data-action]")).toHaveCount(9);
  await page.getByRole("button", { name: "Table", exact: true }).click();
  const row = (name: string) => page.getByRole("row").filter({ has: page.getByLabel(`Code name of ${name}`, { exact: true }) });
  await expect(row("horn")).toContainText("served");
  await row("horn").getByLabel("Add a control to horn").selectOption({ label: "helm · active" });
  await expect(row("horn")).toContainText("helm active");
  await expect(row("horn")).toContainText("served twice");
  await row("horn").getByRole("button", { name: "Remove H from horn" }).click();
  await row("horn").getByRole("button", { name: "Bind a key, mouse or pad input to horn" }).click();
  await page.keyboard.press("KeyJ");
  await expect(row("horn").getByRole("button", { name: "J", exact: true })).toBeVisible();
  await noViolationsInStorm(page);
});

test("moments: added, ordered, shown in a grid, removed with what becomes of what was theirs alone", async ({ page }) => {
  await open(page, "/actions");
  await page.getByRole("button", { name: "Moments…" }).click();
  const dialogue = page.getByRole("dialog", { name: "Moments" });
  await dialogue.getByLabel("Name of the new moment").fill("Adrift");
  await dialogue.getByLabel("Name of the new moment").press("Enter");
  await dialogue.getByRole("button", { name: "Adrift earlier" }).click();
  await expect(dialogue.locator("[data-moment]").nth(2)).toHaveAttribute("data-moment", "adrift");
  await dialogue.getByLabel("horn in Adrift").check();
  await expect(dialogue.getByLabel("horn in Adrift")).toBeChecked();
  await dialogue.getByRole("button", { name: "Actions" }).click();
  await expect(dialogue.getByLabel("helm in Adrift")).not.toBeChecked();
  await noViolationsInStorm(page);
  await dialogue.getByRole("button", { name: "Remove the moment Alongside" }).click();
  const becomes = dialogue.getByRole("group", { name: "What happens to controls and actions that only Alongside uses" });
  await expect(becomes).toContainText("sidle-left, sidle-right");
  await becomes.getByLabel("The moment to move it to").selectOption({ label: "Under way" });
  await becomes.getByRole("button", { name: "Move it to" }).click();
  await expect(dialogue.locator("[data-moment]")).toHaveCount(3);
  await expect(dialogue.getByLabel("sidle in Under way")).toBeChecked();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Undo: remove the moment Alongside" }).click();
  await page.getByRole("button", { name: "Moments…" }).click();
  await expect(dialogue.locator("[data-moment]")).toHaveCount(4);
  // An action that is wanted where nothing gives it: its control is shown there, or it is wanted there no longer.
  await dialogue.getByRole("button", { name: "Actions" }).click();
  for (const name of ["helm", "pump"]) await dialogue.getByLabel(`${name} in Adrift`).check();
  await page.keyboard.press("Escape");
  const bare = (name: string) => page.getByRole("group", { name: `Moments without a control for ${name}` });
  await action(page, "helm").click({ position: { x: 60, y: 36 } });
  await bare("helm").getByRole("button", { name: "Show helm" }).click();
  await expect(bare("helm")).toHaveCount(0);
  await action(page, "pump").click({ position: { x: 60, y: 36 } });
  await bare("pump").getByRole("button", { name: "Not needed" }).click();
  await expect(bare("pump")).toHaveCount(0);
  await page.getByRole("button", { name: "Moments…" }).click();
  await expect(dialogue.getByLabel("pump in Adrift")).not.toBeChecked();
  await expect(dialogue.getByLabel("helm in Adrift")).toBeChecked();
});

test("controls of another layout: words are matched, what does not go together is said, they are taken over undoably", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/actions");
  await startLayout(page, "Ferry");
  await addAction(page, "helm", "vector");
  await addAction(page, "tow_line", "press");
  await addAction(page, "lamp", "press");
  await page.getByRole("button", { name: "From another layout…" }).click();
  const dialogue = page.getByRole("dialog", { name: "From another layout" });
  await dialogue.getByLabel("Other layout").selectOption({ label: "Brackwater" });
  const word = (name: string) => dialogue.locator(`[data-word="${name}"]`);
  await expect(word("helm")).toContainText("same");
  await expect(word("towline")).toContainText("similar");
  await expect(word("lamp")).toContainText("the motion port gives movement, the action is a press");
  await dialogue.getByLabel("Action for lamp").selectOption("leave");
  await expect(word("lamp")).toContainText("your choice");
  await noViolationsInStorm(page);
  await dialogue.getByRole("button", { name: "None", exact: true }).click();
  for (const name of ["helm", "towline", "lamp"]) await dialogue.getByLabel(`What to copy from ${name}`, { exact: true }).selectOption("control");
  await dialogue.getByRole("button", { name: "Copy 3 of 10" }).click();
  await expect(page.getByText("3 controls copied from “Brackwater”.")).toBeVisible();
  await expect(card(page, "towline")).toContainText("tow_line");
  await expect(card(page, "lamp")).toContainText("serves nothing");
  await expect(card(page, "helm")).toContainText("x,y");
  await page.getByRole("button", { name: /^Undo: copy / }).click();
  await expect(card(page, "towline")).toHaveCount(0);
});
