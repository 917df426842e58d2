/** The application without its server, newer versions of it, and what its pages may do. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, type Locator, type Page } from "@playwright/test";
import { copyOfBuild, rewrite, serveBuild, serveExported } from "./builds";
import { test as base } from "./test";
import { control, drag, exportText, middle, open, openLayout, saved } from "./bench";

/** Its own server for a test, that can be stopped and started again, with another build if wished. */
interface OwnServer {
  readonly url: string;
  stop(): Promise<void>;
  start(folder?: string): Promise<void>;
}
const test = base.extend<{ isExported: boolean; server: OwnServer }>({
  isExported: [false, { option: true }],
  server: async ({ isExported }, provide) => {
    let running = isExported ? await serveExported(0) : await serveBuild(process.cwd(), 0);
    const { port } = running;
    const start = async (folder = process.cwd()) => {
      running = await serveBuild(folder, port);
    };
    await provide({ url: `http://127.0.0.1:${port}`, stop: () => running.stop(), start });
    await running.stop();
  },
});
test.use({ serviceWorkers: "allow" });

/** Waits until the browser says that it keeps the application. */
async function kept(page: Page): Promise<void> {
  await page.getByTestId("saved-state").click();
  await expect(page.getByText(/Nodulum also works offline|it opens and works without its server/)).toBeVisible();
  await page.keyboard.press("Escape");
}
/** Something typed and not entered holds a newer version back when it is asked for; gives the field. */
async function heldBack(page: Page, button: Locator): Promise<Locator> {
  await control(page, "helm").click({ position: { x: 8, y: 12 } });
  const field = page.getByRole("region", { name: "Tray" }).getByRole("textbox").first();
  // The tray follows the selection a moment later: what is typed before belongs to a field that goes.
  await expect(field).toHaveValue("helm");
  await field.fill("Wheel");
  // A click that takes no focus: a pointer would leave the field, which enters what is in it.
  await button.evaluate((element: HTMLElement) => element.click());
  await expect(page.getByText(/has unsaved text|typed and not entered/)).toBeVisible();
  return field;
}
const view = (page: Page, word: string) => page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: word });

test(
  "after one visit all works with the server gone: views, dialogues, workers, fonts, import, export, reload",
  { tag: "@storm" },
  async ({ page, server }) => {
    const problems: string[] = [];
    page.on("console", (message) => message.type() === "error" && problems.push(message.text()));
    page.on("pageerror", (error) => problems.push(error.message));
    await open(page, `${server.url}/`);
    await expect(page).toHaveURL(`${server.url}/welcome`);
    await open(page, `${server.url}/layout`);
    await kept(page);
    await server.stop();
    await expect(page.getByRole("region", { name: "Rail" }).getByText("checking…")).toHaveCount(0);
    const helm = await middle(control(page, "helm"));
    await drag(page, helm, { x: helm.x + 30, y: helm.y - 20 });
    await saved(page);
    const seen: Readonly<Record<string, Locator>> = {
      Actions: page.getByRole("toolbar", { name: "Filters" }),
      Rehearse: page.getByRole("region", { name: "Rehearsal" }),
      Screens: page.getByRole("region", { name: "Shelf" }),
      "Hand off": page.getByRole("region", { name: "Import", exact: true }),
      Layout: page.getByRole("region", { name: "Ledger" }),
    };
    for (const [word, region] of Object.entries(seen)) {
      await view(page, word).click();
      await expect(region).toBeVisible();
    }
    // Parts whose scripts had not been fetched: a chart, Settle in its worker, the history, the words, a dialogue.
    await view(page, "Screens").click();
    await page.getByRole("button", { name: "Spans", exact: true }).click();
    await expect(page.getByTestId("spans-state")).toHaveText("ready");
    await expect(page.getByTestId("span-chart").locator("svg").first()).toBeVisible();
    await view(page, "Layout").click();
    await page.keyboard.press("y");
    // Its worker has found something out.
    await expect(page.getByRole("region", { name: "Settle", exact: true }).first()).toContainText(/remaining|Apply|Nothing to fix/);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "History" }).click();
    await expect(page.getByRole("complementary", { name: "History" }).getByRole("listitem").first()).toBeVisible();
    await page.keyboard.press("Escape");
    await page.keyboard.press("?");
    await page.getByRole("dialog").getByRole("button", { name: "Glossary" }).click();
    await expect(page.locator("[data-word] svg path").first()).toBeVisible();
    await view(page, "Layout").click();
    await page.getByRole("button", { name: "Choose the screens" }).click();
    await expect(page.getByRole("dialog")).toBeVisible();
    await page.keyboard.press("Escape");
    await view(page, "Actions").click();
    await page.getByRole("button", { name: "From the game’s code…" }).click();
    await page.getByLabel("Source files").setInputFiles({ name: "game.ts", mimeType: "text/plain", buffer: Buffer.from('input.get("towlne");\n'.repeat(40)) });
    await expect(page.getByText("1 file read")).toBeVisible();
    await page.keyboard.press("Escape");
    // A large file goes to the reading worker.
    await view(page, "Hand off").click();
    const file = JSON.parse(await exportText(page)) as Record<string, unknown> & { name: string; actions: Record<string, unknown>[] };
    file.name = "Out at sea";
    file.actions = [...file.actions, ...Array.from({ length: 180 }, (_, i) => ({ name: `spare${i}`, kind: "press", note: "x".repeat(1900) }))];
    await view(page, "Hand off").click();
    await page
      .getByLabel("Files to import")
      .setInputFiles({ name: "sea.nodulum.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(file)) });
    await expect(page).toHaveTitle("Out at sea · Nodulum");
    await expect(page).toHaveURL(`${server.url}/layout`);
    // Each view by its own load, and the front door.
    for (const path of ["/screens", "/handoff", "/rehearse", "/actions", "/"]) {
      await open(page, `${server.url}${path}`);
      await expect(page).toHaveTitle("Out at sea · Nodulum");
    }
    await page.reload();
    await expect(page).toHaveTitle("Out at sea · Nodulum");
    expect(await page.evaluate(() => [document.fonts.check('12px "Archivo Variable"'), document.fonts.check('12px "JetBrains Mono Variable"')])).toEqual([
      true,
      true,
    ]);
    await openLayout(page, "Brackwater, first draft", true);
    await expect(page).toHaveTitle("Brackwater, first draft · Nodulum");
    expect(
      problems.filter((text) => !/ERR_CONNECTION_REFUSED|Failed to fetch|bad HTTP response code|An unknown error occurred when fetching the script/.test(text)),
    ).toEqual([]);
  },
);

test("with the server gone and nothing kept the page still goes from view to view", { tag: "@storm" }, async ({ page, server }) => {
  await page.addInitScript(() => Object.defineProperty(navigator, "serviceWorker", { value: undefined }));
  await page.addInitScript(() => delete (Navigator.prototype as unknown as Record<string, unknown>).serviceWorker);
  await open(page, `${server.url}/layout`);
  // The page fetches what it may need a few seconds after it has opened.
  await expect(page.locator("html[data-views]")).toHaveCount(1);
  await page.waitForLoadState("networkidle");
  await server.stop();
  for (const word of ["Screens", "Actions", "Rehearse", "Hand off", "Layout"]) {
    await view(page, word).click();
    await expect(page.getByTestId("saved-state")).toBeVisible();
    await expect(page.getByText("could not be fetched")).toHaveCount(0);
  }
  await page.goBack();
  await expect(page).toHaveURL(/handoff$/);
  await expect(page.getByRole("region", { name: "Import", exact: true })).toBeVisible();
});

test(
  "a newer version is told, waits for a word, keeps what is typed and unsaved, and leaves the other window be",
  { tag: "@storm" },
  async ({ page, context, server }) => {
    await open(page, `${server.url}/layout`);
    await kept(page);
    const other = await context.newPage();
    await open(other, `${server.url}/layout`);
    // The next build: another page, another worker.
    const next = copyOfBuild();
    rewrite(join(next, "public"), "sw.js", (text) => text.replace(/const VERSION = "[0-9a-f]+"/, 'const VERSION = "abcdef0123456789"'));
    rewrite(join(next, ".next", "server"), "layout.html", (text) => text.replace('lang="en"', 'lang="en" data-build="next"'));
    await server.stop();
    await server.start(next);
    await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
    const button = page.getByRole("button", { name: "New version" });
    await expect(button).toBeVisible();
    await expect(page.locator("html")).not.toHaveAttribute("data-build", "next");
    const field = await heldBack(page, button);
    await expect(page.locator("html")).not.toHaveAttribute("data-build", "next");
    await field.press("Enter");
    await saved(page);
    await button.click();
    await expect(page.locator("html")).toHaveAttribute("data-build", "next");
    await expect(page.getByTestId("saved-state")).toBeVisible();
    // The other window was reported and goes on; what it had not fetched yet is still there.
    await expect(other.getByText("Another window uses a new version")).toBeVisible();
    await expect(other.locator("html")).not.toHaveAttribute("data-build", "next");
    await view(other, "Screens").click();
    await expect(other.getByRole("region", { name: "Shelf" })).toBeVisible();
    await other.getByRole("button", { name: "Load again" }).click();
    await expect(other.getByRole("button", { name: "Load again" })).toHaveCount(0);
  },
);

test.describe("in a browser that keeps the application as it was exported", () => {
  test.use({ isExported: true });

  test("this one is announced and taken as any newer version; what was typed and what is kept is there", { tag: "@storm" }, async ({ page, server }) => {
    await open(page, `${server.url}/layout`);
    await kept(page);
    // A script of this build that the exported one has not.
    const old = await page.content();
    const html = readFileSync(join(".next", "server", "app", "layout.html"), "utf8");
    const [, own] = [...html.matchAll(/<script src="([^"]+)"/g)].find(([, path]) => !old.includes(path))!;
    const ours = page.locator(`script[src="${own}"]`);
    await server.stop();
    await server.start();
    await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
    const button = page.getByRole("button", { name: "New version" });
    await expect(button).toBeVisible();
    const field = await heldBack(page, button);
    await expect(ours).toHaveCount(0);
    await field.press("Enter");
    await saved(page);
    await button.click();
    await expect(ours).toHaveCount(1);
    await kept(page);
    // The server is not needed any more.
    await server.stop();
    await page.reload();
    await expect(ours).toHaveCount(1);
    await control(page, "helm").click({ position: { x: 8, y: 12 } });
    await expect(field).toHaveValue("Wheel");
    await view(page, "Rehearse").click();
    await expect(page.getByRole("region", { name: "Rehearsal" })).toBeVisible();
  });
});

test("no script but its own runs in a page, nothing is asked of anybody else, and it may be installed", async ({ page, server }) => {
  await open(page, `${server.url}/layout`);
  const refused = await page.evaluate(async () => {
    const seen: string[] = [];
    document.addEventListener("securitypolicyviolation", (event) => seen.push(event.effectiveDirective));
    const script = document.createElement("script");
    script.textContent = "window.ran = true";
    document.body.append(script);
    const image = document.createElement("img");
    image.setAttribute("onerror", "window.ran = true");
    image.src = "data:image/png;base64,AAAA";
    document.body.append(image);
    // Later, and not while the test's own words are evaluated, to which the policy does not apply.
    const evaluated = await new Promise((resolve) =>
      setTimeout(() => {
        try {
          // oxlint-disable-next-line no-eval -- it must be refused
          resolve((0, eval)("1"));
        } catch {
          resolve("refused");
        }
      }, 0),
    );
    const asked = await fetch("http://127.0.0.2:9/").catch(() => "refused");
    // Each kind of violation is reported, and by then what was refused would have run.
    const kinds = () => [...new Set(seen)].sort();
    while (kinds().length < 4) await new Promise((resolve) => document.addEventListener("securitypolicyviolation", resolve, { once: true }));
    return { evaluated, asked, ran: (window as unknown as { ran?: boolean }).ran ?? false, seen: kinds() };
  });
  expect(refused).toEqual({ evaluated: "refused", asked: "refused", ran: false, seen: ["connect-src", "script-src", "script-src-attr", "script-src-elem"] });
  const manifest = await page.evaluate(async () => {
    const { href } = document.querySelector<HTMLLinkElement>('link[rel="manifest"]')!;
    return (await (await fetch(href)).json()) as { start_url: string; display: string; icons: { src: string; sizes: string }[] };
  });
  expect(manifest).toMatchObject({ start_url: "/welcome", display: "standalone" });
  for (const icon of manifest.icons.filter((i) => i.sizes !== "any")) {
    const size = await page.evaluate(async (src) => {
      const image = new Image();
      image.src = src;
      await image.decode();
      return `${image.naturalWidth}x${image.naturalHeight}`;
    }, icon.src);
    expect(size).toBe(icon.sizes);
  }
});
