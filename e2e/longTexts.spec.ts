/** Texts that are pasted into fields and are far too long: cut at the field's limit, wherever they are pasted. */
import { expect, type Locator, type Page } from "@playwright/test";
import { test } from "./test";
import { open } from "./bench";

const LONG = "long ".repeat(40_000);

/** Pastes as a user does, from the clipboard. */
async function paste(page: Page, field: Locator): Promise<number> {
  await field.click();
  await field.press("Control+a");
  await field.press("Control+v");
  return (await field.inputValue()).length;
}

test(
  "pasted into search fields, names, numbers and addresses, a text of 200,000 letters is cut at the limit of each",
  { tag: "@storm" },
  async ({ page, context, baseURL }) => {
    await context.grantPermissions(["clipboard-read", "clipboard-write"], { origin: baseURL });
    await open(page, "/actions");
    await page.evaluate((text) => navigator.clipboard.writeText(text), LONG);
    const action = page.locator('input[aria-label^="Code name of"]').first();
    expect(await paste(page, page.getByLabel("Search"))).toBe(80);
    await page.getByLabel("Search").fill("");
    expect(await paste(page, page.getByLabel("Name of the new action"))).toBe(64);
    expect(await paste(page, action)).toBe(64);
    await action.press("Escape");
    await open(page, "/handoff");
    expect(await paste(page, page.getByLabel("Address of your page"))).toBe(2000);
    await open(page, "/words");
    expect(await paste(page, page.getByRole("searchbox"))).toBe(80);
    await open(page, "/layout");
    await page.locator('[data-control="horn"]').click();
    expect(await paste(page, page.getByRole("region", { name: "Place", exact: true }).getByRole("textbox").first())).toBeLessThanOrEqual(80);
  },
);
