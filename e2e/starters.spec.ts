/** Starters: a layout begun with one, and one's controls brought into a game that has its own words. */
import { expect } from "@playwright/test";
import { test } from "./test";
import { addAction, control, fromMenu, noViolationsInStorm, open, opened, saved, startLayout } from "./bench";

test("a layout begins with a starter: named, on the bench, nothing found, everything served", async ({ page }) => {
  await open(page);
  await fromMenu(page, "New layout…");
  const dialogue = page.getByRole("dialog", { name: "New layout" });
  const starters = dialogue.getByRole("list", { name: "Starters" }).getByRole("button");
  await expect(starters).toHaveCount(9);
  await noViolationsInStorm(page, "the starters");
  await starters.filter({ hasText: "Side view" }).click();
  await opened(page, "Side view");
  await expect(page).toHaveURL(/\/layout$/);
  await expect(control(page, "leap")).toBeVisible();
  await expect(page.getByRole("region", { name: "Bench" })).toContainText("no findings");
  await expect(page.getByRole("region", { name: "Ledger" })).toContainText("all served");
  await saved(page);
});

test("a starter's controls come into a game of one's own, its words matched to the game's", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await startLayout(page, "Moorland");
  await addAction(page, "leap", "press");
  await addAction(page, "Dash", "press");
  await page.getByRole("button", { name: "From another layout…" }).click();
  const dialogue = page.getByRole("dialog", { name: "From another layout" });
  await dialogue.getByLabel("Other layout").selectOption({ label: "Side view: walk, leap and dash, seen from the side" });
  await expect(dialogue.getByLabel(/leap/).first()).toBeVisible();
  await dialogue.getByRole("button", { name: /^Copy/ }).click();
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
  await expect(control(page, "leap")).toHaveAttribute("aria-label", /serves leap/);
  await expect(control(page, "dash")).toHaveAttribute("aria-label", /serves Dash/);
});
