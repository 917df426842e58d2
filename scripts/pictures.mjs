/** `npm run pictures [NAME…]`: makes the pictures in docs/screenshots from the samples, at 1280×800. */
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, root } from "./lib.mjs";
import { serve } from "./server.mjs";

ensureInstalled();
if (ensureBuilt() !== 0) process.exit(1);
const { chromium } = await import("@playwright/test");
const port = 4341;
const server = await serve(port);
const out = join(root, "docs", "screenshots");
mkdirSync(out, { recursive: true });

const menu = async (page, name) => {
  await page.getByRole("button", { name: /^Layouts; open/ }).click();
  await page.getByRole("menuitem", { name, exact: true }).click();
  await page.waitForTimeout(800);
};
const select = async (page, id) => {
  await page.locator(`[data-control="${id}"]`).click({ position: { x: 10, y: 14 } });
  await page.mouse.move(640, 20);
};
const CODE = `class Action(Enum):
    HELM = 1
    HORN = 2
    TOW = 3
BINDINGS = { K_h: Action.HORN, K_t: Action.TOW, K_n: Action.NUDGE }
def handle_events(self, event):
    if event.key == K_ESCAPE:
        self.open_log()
    if BINDINGS.get(event.key) == Action.HORN:
        self.honk()
def draw(self):
    if self.state == State.MENU:
        self.screen.fill(NIGHT)
        sounds.play(Sounds.BELL)
`;
const PICTURES = [
  [
    "welcome",
    "/welcome",
    "light",
    async (page) => {
      await page.getByLabel("What does your game read?").fill("walk, leap, bleat, look");
      await page.getByLabel("Name of the game").fill("Moorland goats");
      await page.mouse.move(640, 20);
      await page.waitForTimeout(2500);
    },
  ],
  ["words", "/words", "light", async () => {}],
  [
    "code",
    "/actions",
    "light",
    async (page) => {
      await page.getByRole("button", { name: "From the game’s code…" }).click();
      await page.getByLabel("Source files").setInputFiles([
        { name: "tug.py", mimeType: "text/plain", buffer: Buffer.from(CODE) },
        { name: "winch.ts", mimeType: "text/plain", buffer: Buffer.from('if (input.pressed("towline")) winch();') },
      ]);
      await page.getByRole("checkbox", { name: /BINDINGS, right side/ }).check();
      await page.getByRole("checkbox", { name: /input\.pressed/ }).check();
      await page.mouse.move(640, 20);
    },
  ],
  ["layout", "/layout", "light", (page) => select(page, "helm")],
  [
    "layout-finding",
    "/layout",
    "light",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.waitForTimeout(1500);
      await page.locator('[data-finding="touch/buried"] button').first().click();
      await page.mouse.move(640, 20);
    },
  ],
  [
    "settle",
    "/layout",
    "light",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.keyboard.press("y");
      await page.getByRole("button", { name: "Apply", exact: true }).waitFor({ timeout: 120_000 });
      await page.mouse.move(640, 20);
      await page.waitForTimeout(800);
    },
  ],
  [
    "settle-dark",
    "/screens",
    "dark",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.getByRole("button", { name: "Grid", exact: true }).click();
      await page.getByRole("button", { name: /^Settle these/ }).click();
      await page.getByRole("button", { name: "Apply", exact: true }).waitFor({ timeout: 120_000 });
      await page.locator('[data-grid-row="log"] button').nth(4).click();
      await page.mouse.move(640, 20);
      await page.waitForTimeout(800);
    },
  ],
  [
    "layout-tall",
    "/layout",
    "light",
    async (page) => {
      await menu(page, "Pigeonhole");
      await select(page, "walk");
    },
  ],
  [
    "history",
    "/layout",
    "light",
    async (page) => {
      const drag = async (id, dx, dy) => {
        const box = await page.locator(`[data-control="${id}"] rect`).first().boundingBox();
        const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
        await page.mouse.move(x, y);
        await page.mouse.down();
        await page.mouse.move(x + dx, y + dy, { steps: 6 });
        await page.mouse.up();
      };
      await page.getByRole("button", { name: "History" }).click();
      await page.getByLabel("Name of the state").fill("before the playtest");
      await page.getByRole("button", { name: "Name this state" }).click();
      await page.getByRole("button", { name: "Remove the state before the playtest" }).waitFor();
      await drag("horn", -70, -40);
      await drag("helm", 40, -20);
      await select(page, "pump");
      await page.keyboard.press("Delete");
      await drag("lamp", 0, -30);
      await page.keyboard.press("Control+z");
      await page.getByLabel("Compare this version", { exact: true }).selectOption({ label: "before the playtest" });
      await page.getByRole("list", { name: "Differences" }).waitFor();
      await page.keyboard.press("Escape");
    },
  ],
  ["actions", "/actions", "light", (page) => menu(page, "Brackwater, first draft")],
  [
    "actions-chain",
    "/actions",
    "dark",
    async (page) => {
      await page.locator('[data-action="sidle"]').click({ position: { x: 60, y: 36 } });
      await page.keyboard.down("KeyE");
      await page.waitForTimeout(300);
    },
  ],
  [
    "rehearse",
    "/rehearse",
    "light",
    async (page) => {
      const box = await page.getByTestId("play-glass").boundingBox();
      await page.keyboard.press("KeyF");
      await page.mouse.move(box.x + box.width * 0.18, box.y + box.height * 0.7);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width * 0.22, box.y + box.height * 0.56, { steps: 8 });
      await page.waitForTimeout(2500);
      await page.keyboard.down("KeyH");
      await page.waitForTimeout(600);
    },
  ],
  [
    "screens",
    "/screens",
    "light",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.getByLabel("Order").selectOption("gravity");
      await page.waitForTimeout(2000);
    },
  ],
  [
    "grid",
    "/screens",
    "light",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.getByRole("button", { name: "Grid", exact: true }).click();
      await page.waitForTimeout(2500);
      await page.locator('[data-grid-row="nudge"] button').nth(7).click();
      await page.waitForTimeout(800);
    },
  ],
  [
    "spans",
    "/screens",
    "dark",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.getByRole("button", { name: "Spans", exact: true }).click();
      await page.getByTestId("spans-state").filter({ hasText: "ready" }).waitFor();
      const plot = await page.getByTestId("span-plot").boundingBox();
      await page.mouse.move(plot.x + plot.width * 0.52, plot.y + 120);
    },
  ],
  [
    "map",
    "/screens",
    "light",
    async (page) => {
      await page.getByRole("button", { name: "Map", exact: true }).click();
      await page.getByTestId("map-state").filter({ hasText: "ready" }).waitFor({ timeout: 60_000 });
      await page.getByLabel("Contour lines").selectOption({ index: 2 });
      const plot = await page.getByTestId("map-plot").boundingBox();
      await page.mouse.move(plot.x + plot.width * 0.8, plot.y + plot.height * 0.93);
    },
  ],
  [
    "misses",
    "/screens",
    "light",
    async (page) => {
      await menu(page, "Brackwater, first draft");
      await page.getByRole("button", { name: "Misses", exact: true }).click();
      await page.getByTestId("miss-move").waitFor({ timeout: 60_000 });
      await page.locator('[data-table-row="pause"] button').nth(5).click();
    },
  ],
  [
    "take",
    "/rehearse",
    "light",
    async (page) => {
      await page.getByRole("button", { name: /^Take steer/ }).click();
      await page.getByRole("button", { name: "Touches", exact: true }).click();
      await page.waitForTimeout(1700);
      await page.getByRole("button", { name: "Pause the take" }).click();
    },
  ],
  [
    "handoff",
    "/handoff",
    "light",
    async (page) => {
      await page.locator('[data-parcel="looks"]').click();
      await page.locator('[data-parcel="looks"]').getByText("MB").waitFor();
      await page.waitForTimeout(800);
    },
  ],
];

try {
  for (
    let i = 0;
    i < 100 &&
    !(await fetch(`http://127.0.0.1:${port}/layout`).then(
      (r) => r.ok,
      () => false,
    ));
    i += 1
  )
    await new Promise((resolve) => setTimeout(resolve, 100));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking"],
  });
  // Names on the command line choose some of the pictures.
  const chosen = process.argv.slice(2);
  for (const [name, path, theme, prepare] of PICTURES.filter(([one]) => chosen.length === 0 || chosen.includes(one))) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript((t) => localStorage.setItem("theme", t), theme);
    const page = await context.newPage();
    await page.goto(`http://127.0.0.1:${port}${path}`);
    await page.getByTestId("saved-state").waitFor();
    await page.waitForTimeout(1200);
    await prepare(page);
    await page.waitForTimeout(700);
    await page.screenshot({ path: join(out, `${name}.png`) });
    await context.close();
  }
  await browser.close();
} catch (error) {
  // Next's server takes uncaught errors for itself, so the script ends here.
  console.error(error);
  process.exit(1);
} finally {
  server.close();
  server.closeAllConnections();
}
