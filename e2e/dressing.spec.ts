/** Dressing: words, icons, colours, own pictures, the held look, fading away. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, colourAt, control, exportText, more, open, saved, startLayout } from "./bench";

const look = (page: Page) => page.getByRole("region", { name: "Look" });
const SVG = `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40" onload="window.pwned=1"><script>window.pwned=1</script><rect width="40" height="40" fill="#ff0000"/><image href="http://127.0.0.1:9/x.png"/></svg>`;

test("an icon, a word, a turn, the held look", async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  await look(page).getByRole("button", { name: "Icon: none" }).click();
  await page.getByLabel("Search icons").fill("mega");
  await page.getByRole("button", { name: "megaphone", exact: true }).click();
  await expect(look(page).getByRole("button", { name: "Icon: megaphone" })).toBeVisible();
  await look(page).getByRole("textbox", { name: "Word on it" }).fill("");
  await page.keyboard.press("Enter");
  await look(page).getByRole("textbox", { name: "Rotation" }).fill("45");
  await page.keyboard.press("Enter");
  await more(page, "Look");
  await look(page).getByRole("textbox", { name: "Fade to when unused" }).fill("10");
  await page.keyboard.press("Enter");
  await expect(look(page).getByRole("textbox", { name: "Fade after" })).toHaveValue("3000");
  await saved(page);
  const rest = await colourAt(page, 0.917, 0.48);
  await page.keyboard.press("p");
  await expect.poll(() => colourAt(page, 0.917, 0.48)).not.toEqual(rest);
  await page.keyboard.press("p");
  await expect.poll(() => colourAt(page, 0.917, 0.48)).toEqual(rest);
  await page.keyboard.press("5");
  const file = JSON.parse(await exportText(page)) as { controls: { id: string; look: object }[] };
  expect(file.controls.find((c) => c.id === "horn")!.look).toMatchObject({ icon: "megaphone", rotateDeg: 45, away: { opacity: 0.1, afterMs: 3000 } });
});

test("own pictures are shown as images alone: nothing in them acts; broken and large ones are refused", async ({ page }) => {
  await open(page);
  await control(page, "pump").click();
  await look(page)
    .getByRole("button", { name: /^Picture, rest/ })
    .click();
  const dialog = page.getByRole("dialog", { name: "Pictures of pump" });
  const input = dialog.getByLabel("Picture file, rest");
  await input.setInputFiles({ name: "huge.png", mimeType: "image/png", buffer: Buffer.alloc(600 * 1024) });
  await expect(page.getByText(/huge\.png is too large: 600 KiB; at most 512 KiB/)).toBeVisible();
  await input.setInputFiles({ name: "broken.svg", mimeType: "image/svg+xml", buffer: Buffer.from("<p>no drawing</p>") });
  await expect(page.getByText(/broken\.svg is damaged/)).toBeVisible();
  await input.setInputFiles({ name: "valve.svg", mimeType: "image/svg+xml", buffer: Buffer.from(SVG) });
  // The word is drawn over it: it can be hidden there.
  await expect(dialog.getByRole("status")).toContainText("The word “pump” is drawn over the picture.");
  await dialog.getByRole("button", { name: "Hide the word" }).click();
  await expect(dialog.getByRole("status")).toHaveCount(0);
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(look(page).getByRole("button", { name: "Picture, rest: valve.svg" })).toBeVisible();
  await expect(look(page).getByRole("textbox", { name: "Word on it" })).toHaveValue("");
  const at = await page.evaluate(() => {
    const rect = document.querySelector('[data-control="pump"] rect')!;
    return [(Number(rect.getAttribute("x")) + 10) / 2400, (Number(rect.getAttribute("y")) + 10) / 1080] as const;
  });
  // Red at the control's own opacity of 0.6, over the dark water.
  await expect.poll(async () => (await colourAt(page, at[0], at[1]))[0]).toBeGreaterThan(140);
  expect(await page.evaluate(() => (window as { pwned?: number }).pwned)).toBeUndefined();
  await page.keyboard.press("5");
  const file = JSON.parse(await exportText(page)) as { pictures: { data: string }[] };
  const kept = Buffer.from(file.pictures[0].data, "base64").toString("utf8");
  expect(kept).not.toMatch(/script|onload|href/);
  await page.keyboard.press("2");
  await look(page)
    .getByRole("button", { name: /^Picture, rest/ })
    .click();
  await dialog.getByRole("combobox", { name: "Picture, At rest" }).selectOption("no picture");
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(look(page).getByRole("button", { name: "Picture, rest: none" })).toBeVisible();
});

test(
  "the pictures of a stick stand in one dialog; art turns and its word stays upright; a button is created with an icon",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page);
    await control(page, "helm").click({ position: { x: 12, y: 20 } });
    await look(page)
      .getByRole("button", { name: /^Picture, knob/ })
      .click();
    const dialog = page.getByRole("dialog", { name: "Pictures of helm" });
    await expect(dialog.locator("[data-slot]")).toHaveText([/^Base, at rest/, /^Base, held/, /^Knob/]);
    const svg = (name: string) => ({ name, mimeType: "image/svg+xml", buffer: Buffer.from(SVG) });
    await dialog.getByLabel("Picture file, rest").setInputFiles(svg("base.svg"));
    await dialog.getByRole("combobox", { name: "Picture, Knob" }).selectOption("base.svg");
    await dialog.getByRole("button", { name: "Done" }).click();
    for (const part of ["rest", "knob"]) await expect(look(page).getByRole("button", { name: `Picture, ${part}: base.svg` })).toBeVisible();
    await control(page, "horn").click();
    await look(page).getByRole("textbox", { name: "Rotation" }).fill("90");
    await page.keyboard.press("Enter");
    await look(page).getByRole("checkbox", { name: "Rotate the word too" }).uncheck();
    await page.getByRole("button", { name: "Undo: rotation of the word of horn" }).waitFor();
    await startLayout(page, "Icons");
    await addAction(page, "jump", "press");
    await page.getByLabel("Name of the new action").blur();
    await page.keyboard.press("2");
    await page.getByRole("region", { name: "Ledger" }).locator('[data-row="jump"]').focus();
    await page.keyboard.press("Enter");
    await page.getByRole("toolbar", { name: "Kind of jump" }).getByRole("button", { name: "Icon instead of word" }).click();
    await expect(look(page).getByRole("textbox", { name: "Word on it" })).toHaveValue("");
    await expect(look(page).getByRole("button", { name: /^Icon: (?!none)/ })).toBeVisible();
  },
);

test("several at once: one colour for all, and what differs says so", async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  for (const id of ["towline", "pump"]) await control(page, id).click({ modifiers: ["Shift"] });
  await expect(look(page).getByRole("textbox", { name: "Word on it" })).toHaveAttribute("placeholder", "mixed");
  await look(page).getByLabel("rest: line").fill("#ffd166");
  await page.keyboard.press("Escape");
  for (const id of ["horn", "pump"]) {
    await control(page, id).click();
    await expect(look(page).getByLabel("rest: line")).toHaveValue("#ffd166");
  }
});
