/** The example game as it ships, played by touch; every example of docs/RUNTIME.md run as it is. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect } from "@playwright/test";
import { test } from "./test";
import { GAME, Hand, openGame, played } from "./gamePage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under its names is its own */
const folder = join("examples", "quay");
const layout = () => played(JSON.parse(readFileSync(join(folder, "quay.nodulum.json"), "utf8")) as object);
const files = () => ({
  ...Object.fromEntries(readdirSync(folder).map((name) => [`/${name}`, readFileSync(join(folder, name), "utf8")])),
  ...Object.fromEntries(
    readdirSync(join("dist", "runtime"))
      .filter((name) => name.endsWith(".js"))
      .map((name) => [`/nodulum-runtime/${name}`, readFileSync(join("dist", "runtime", name), "utf8")]),
  ),
  "/quay.played.json": layout(),
});

test("quay: from the menu to a crate by two thumbs, and nothing goes wrong on the way", async ({ page }) => {
  const problems: string[] = [];
  page.on("console", (message) => message.type() === "error" && !message.text().includes("404") && problems.push(message.text()));
  page.on("pageerror", (error) => problems.push(error.message));
  await openGame(page, "", { ...files(), "/": readFileSync(join(folder, "index.html"), "utf8") });
  await page.getByRole("button", { name: "start" }).tap();
  const hand = await Hand.of(page);
  const leap = { x: 900 - (15 / 25.4) * 160, y: 420 - (15 / 25.4) * 160 };
  // The goat is below the middle; up to the crates and to the left, leaping.
  await hand.down(1, 150, 300);
  await hand.move(1, 110, 270);
  await hand.down(2, leap.x, leap.y);
  await expect(page.locator("#score")).toHaveText("1 of 5 crates");
  await hand.up(2);
  await hand.up(1);
  expect(problems).toEqual([]);
});

const EXAMPLES = [...readFileSync(join("docs", "RUNTIME.md"), "utf8").matchAll(/```js\n([\s\S]*?)```/g)].map(([, code]) => code);

for (const withNone of [false, true])
  test(
    `every example of the page about the runtime runs as it stands${withNone ? ", also where a build puts nodulum-runtime/none in the place of all of it" : ""}`,
    { tag: withNone ? "@storm" : [] },
    async ({ page }) => {
      expect(EXAMPLES.length).toBeGreaterThan(5);
      const { exports } = JSON.parse(readFileSync(join("dist", "runtime", "package.json"), "utf8")) as {
        exports: Record<string, string | { default: string }>;
      };
      const maps = Object.fromEntries(
        Object.entries(exports).map(([path, to]) => [
          `nodulum-runtime${path.slice(1)}`,
          withNone ? "/runtime/none.js" : `/runtime${(typeof to === "string" ? to : to.default).slice(1)}`,
        ]),
      );
      const problems: string[] = [];
      page.on("pageerror", (error) => problems.push(error.message));
      for (const [i, code] of EXAMPLES.entries()) {
        const body = `<script type="importmap">${JSON.stringify({ imports: maps })}</script><canvas id="game" style="width:100vw;height:100vh"></canvas><script type="module" src="/example.js"></script>`;
        await openGame(page, body, { "/example.js": `${code}\nwindow.isDone = true;`, "/quay.played.json": layout() });
        await page.waitForFunction(() => (window as any).isDone === true);
        // Two thumbs on the game meanwhile: whoever reads values while nothing or something is held finds them in the right shape.
        const hand = await Hand.of(page);
        await hand.down(1, 130, 300);
        await hand.down(2, 805, 325);
        for (let k = 0; k < 12; k += 1) await page.evaluate(() => new Promise((done) => requestAnimationFrame(done)));
        expect([i, problems]).toEqual([i, []]);
      }
      expect(page.url()).toBe(`${GAME}/`);
    },
  );
