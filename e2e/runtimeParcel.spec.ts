/** The parcel *runtime*, taken by the command line and served as a folder: its page plays every sample and every starter by touch. */
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { expect } from "@playwright/test";
import { test } from "./test";
import { replay } from "../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../core/engine/input/events";
import { prepareLayout } from "../core/engine/placement/prepare";
import { resolve } from "../core/engine/placement/resolve";
import { readPlayed } from "../core/engine/read/played";
import type { PlayedLayout, Screen } from "../core/engine/types";
import { commandLine, spawnNodulum } from "../test/commandLine";
import { GAME, Hand } from "./gamePage";

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under its names is its own */
test.use({ hasTouch: true, isMobile: true });

const LAYOUTS = ["samples", join("samples", "starters")].flatMap((folder) =>
  readdirSync(folder)
    .filter((name) => name.endsWith(".nodulum.json"))
    .map((name) => join(folder, name)),
);
const TYPES: Readonly<Record<string, string>> = { html: "text/html", js: "text/javascript", json: "application/json" };

for (const file of LAYOUTS)
  test(
    `the page of ${file} gives what a replay gives, for every control in every moment, with two fingers`,
    { tag: file.includes("pigeonhole") ? [] : "@storm" },
    async ({ page }) => {
      const { folder } = commandLine();
      expect(spawnNodulum("", "handoff", file, "--parcels", "runtime", "-o", folder)).toMatchObject({ code: 0, err: "" });
      const at = join(folder, "runtime");
      const playedName = readdirSync(at).find((name) => name.endsWith(".played.json"))!;
      const read = readPlayed(readFileSync(join(at, playedName)));
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      const { layout } = read.value;
      await page.setViewportSize(layout.orientation === "portrait" ? { width: 420, height: 860 } : { width: 900, height: 420 });
      await page.context().route(`${GAME}/**`, (route) => {
        const path = decodeURIComponent(new URL(route.request().url()).pathname);
        const asked = join(at, path === "/" ? "index.html" : path);
        if (!statSync(asked, { throwIfNoEntry: false })?.isFile()) return route.fulfill({ status: 404, body: "" });
        return route.fulfill({ contentType: TYPES[asked.split(".").pop()!] ?? "text/plain", body: readFileSync(asked, "utf8") });
      });
      const faults: string[] = [];
      page.on("pageerror", (error) => faults.push(error.message));
      await page.goto(`${GAME}/`);
      await page.waitForFunction(() => document.querySelector("#values")?.textContent !== "" && (window as any).controls !== undefined);
      // The page begins in the first moment.
      expect(await page.evaluate(() => (window as any).controls.moment)).toBe(layout.moments[0]?.id ?? null);
      await page.evaluate(() => {
        const { controls } = window as any;
        const ticks: unknown[] = ((window as any).ticks = []);
        controls.onTick((values: unknown, t: number, events: unknown) => ticks.push(JSON.parse(JSON.stringify({ values, t, events }))));
      });
      const hand = await Hand.of(page);
      const touched = new Set<string>();
      for (const moment of layout.moments.length > 0 ? layout.moments.map(({ id }) => id) : [null]) {
        await page.evaluate((id) => void ((window as any).controls.moment = id), moment);
        await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
        const places = await page.evaluate(() =>
          (window as any).controls.controls().map(({ id, hit }: any) => ({ id, x: hit.x + hit.w / 2, y: hit.y + hit.h / 2, w: hit.w })),
        );
        for (const [i, { id, x, y, w }] of places.entries()) {
          touched.add(id);
          const other = places[(i + 1) % places.length];
          await hand.down(1, x, y);
          await hand.move(1, x + w / 5, y - w / 7);
          if (other.id !== id) await hand.down(2, other.x, other.y);
          await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
          if (other.id !== id) await hand.up(2);
          await hand.up(1);
          await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
        }
      }
      expect([...touched].sort()).toEqual(layout.controls.map(({ id }) => id).sort());
      const { ticks, screen, text } = await page.evaluate(() => ({
        ticks: (window as any).ticks as { values: ActionValues; t: number; events: InputEvent[] }[],
        screen: (window as any).controls.screen as Screen,
        text: document.querySelector("#values")!.textContent,
      }));
      expect(faults).toEqual([]);
      expect(text.split("\n").map((line) => line.split(":")[0])).toEqual(layout.actions.map(({ name }) => name));
      const again = replayed(layout, screen, ticks);
      // A replay ends with the last event; the page went on until it was asked.
      expect(again.length).toBeGreaterThan(ticks.findLastIndex(({ events }) => events.length > 0));
      expect(rounded(ticks.slice(0, again.length).map(({ values }) => values))).toEqual(rounded(again.slice(0, ticks.length)));
      // Every action that a control serves by more than a movement over a border has given something.
      const given = new Set(
        ticks.flatMap(({ values }) =>
          Object.entries(values).flatMap(([name, value]) => (value === false || value === 0 || String(value) === "0,0" ? [] : [name])),
        ),
      );
      const served = new Set(
        layout.controls.flatMap((c) => (c.kind === "swipe" || (c.kind === "button" && c.feel.press !== "hold") ? [] : c.serves.map((s) => s.action))),
      );
      expect([...served].filter((name) => !given.has(name))).toEqual([]);
    },
  );

/** What a replay gives for the events that the page's engine took, tick for tick. */
function replayed(layout: PlayedLayout, screen: Screen, ticks: readonly { readonly t: number; readonly events: readonly InputEvent[] }[]): ActionValues[] {
  const tickMs = 1000 / 60;
  const from = ticks[0].t - tickMs;
  const events = ticks.flatMap((tick) => tick.events).map((event) => ({ ...event, t: event.t - from }));
  const resolved = resolve(prepareLayout(layout), screen, { handed: "right", playerSize: 1, moment: null });
  const frames = replay(layout, resolved, events, { hz: 60, moment: layout.moments[0]?.id ?? null });
  return frames.map(({ values }) => values);
}

/** To nine decimals: a replay counts its time from the first tick that was written down, which moves the last digit. */
const rounded = (values: readonly ActionValues[]): unknown =>
  JSON.parse(JSON.stringify(values, (_key, value: unknown) => (typeof value === "number" ? Number(value.toFixed(9)) + 0 : value)));
