/** Hand off: every parcel is taken and opened by its own reader kind; what comes in is shown first, and is where it stood. */
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { expect, type Page, type TestInfo } from "@playwright/test";
import { test } from "./test";
import { XMLParser, XMLValidator } from "fast-xml-parser";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import Papa from "papaparse";
import { pngSize } from "../core/format/pictures/pixelSize";
import { canBeShown } from "../core/format/pictures/picture";
import { control, glass, noViolationsInStorm, open, placeOf, saved } from "./bench";

type Files = Readonly<Record<string, Uint8Array>>;

/** Looks at a parcel and takes it; gives its bytes, its name, and how large the list says it is. */
async function takeParcel(page: Page, id: string): Promise<{ name: string; bytes: Uint8Array; size: string }> {
  const button = page.locator(`[data-parcel="${id}"]`);
  await button.click();
  const take = page.getByRole("region", { name: "Options" }).getByRole("button", { name: /^Download the/ });
  await expect(take).toBeEnabled();
  const waiting = page.waitForEvent("download");
  await take.click();
  const download = await waiting;
  const size = await button.locator("span").last().textContent();
  return { name: download.suggestedFilename(), bytes: new Uint8Array(readFileSync(await download.path())), size: size! };
}

/** A size as the list writes it, within what it rounds off. */
function expectSize(size: string, bytes: number): void {
  const [, figure, unit] = /^([\d.]+) (B|kB|MB)$/.exec(size)!;
  const one = { B: 1, kB: 1000, MB: 1_000_000 }[unit]!;
  const step = figure.includes(".") ? one / 10 : one;
  expect(Math.abs(Number(figure) * one - bytes)).toBeLessThanOrEqual(step / 2);
}

/** Where a file is on the disk, as a browser is reported it. */
function onDisk(info: TestInfo, name: string, bytes: Uint8Array): string {
  const path = info.outputPath(name);
  writeFileSync(path, bytes);
  return pathToFileURL(path).href;
}

const xml = (bytes: Uint8Array) => {
  const text = strFromU8(bytes);
  expect(XMLValidator.validate(text)).toBe(true);
  return text;
};
const csvOf = (bytes: Uint8Array) => Papa.parse<Record<string, string>>(strFromU8(bytes), { header: true, skipEmptyLines: true });

test("files for the game: played file, names, runtime and page, each as large as it says", async ({ page }) => {
  await open(page, "/handoff");
  const layout = await takeParcel(page, "layout");
  expect(JSON.parse(strFromU8(layout.bytes))).toMatchObject({ format: "nodulum-layout", name: "Brackwater" });
  expectSize(layout.size, layout.bytes.length);
  const played = await takeParcel(page, "played");
  expect([played.name, (JSON.parse(strFromU8(played.bytes)) as { format: string }).format]).toEqual(["brackwater.played.json", "nodulum-played"]);
  expectSize(played.size, played.bytes.length);
  await page.locator('[data-parcel="names"]').click();
  await page.getByLabel("language of the parcel").selectOption({ label: "Kotlin" });
  const names = await takeParcel(page, "names");
  expect([names.name, strFromU8(names.bytes)]).toEqual(["Actions.kt", expect.stringContaining('const val HELM = "helm"')]);
  const runtime = await takeParcel(page, "runtime");
  expectSize(runtime.size, runtime.bytes.length);
  const files: Files = unzipSync(runtime.bytes);
  expect(strFromU8(files["runtime/brackwater.played.json"])).toBe(strFromU8(played.bytes));
  // The folder is served, and the page in it plays by a finger.
  const server: Server = createServer((request, response) => {
    const file = files[`runtime${decodeURIComponent(new URL(request.url!, "http://x").pathname)}`];
    const type = request.url!.endsWith(".js") ? "text/javascript" : request.url!.endsWith(".html") ? "text/html" : "application/json";
    response.writeHead(file ? 200 : 404, { "Content-Type": type }).end(file ? Buffer.from(file) : "");
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  try {
    const { port } = server.address() as { port: number };
    const game = await page.context().newPage();
    await game.goto(`http://127.0.0.1:${port}/index.html`);
    await expect(game.locator("#values")).toContainText("helm: [0,0]");
    await game.keyboard.down("d");
    await expect(game.locator("#values")).toContainText("helm: [1,0]");
    await game.close();
  } finally {
    server.close();
  }
});

test("pictures: SVGs that parse, PNGs of their sizes, a sheet whose rectangles hold what the single pictures hold", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/handoff");
  const { bytes, size } = await takeParcel(page, "looks");
  expectSize(size, bytes.length);
  const files: Files = unzipSync(bytes);
  interface Place {
    name: string;
    x: number;
    y: number;
    w: number;
    h: number;
  }
  const sheet = JSON.parse(strFromU8(files["looks/sheet.json"])) as { width: number; height: number; scale: number; places: Place[] };
  expect(pngSize(files["looks/sheet.png"])).toEqual({ width: sheet.width, height: sheet.height });
  const names = sheet.places.map(({ name }) => name);
  expect(names).toEqual(expect.arrayContaining(["helm-rest", "helm-held-knob", "nudge-held-up", "horn-held"]));
  for (const { name, w, h } of sheet.places) {
    const [width, height] = [w / sheet.scale, h / sheet.scale];
    expect(xml(files[`looks/svg/${name}.svg`])).toContain(`viewBox="0 0 ${width} ${height}"`);
    // What is handed off could be put on a control: our own door takes it.
    expect(canBeShown("image/svg+xml", Buffer.from(files[`looks/svg/${name}.svg`]).toString("base64"))).toBe(true);
    for (const scale of [1, 2, 3, 4]) expect(pngSize(files[`looks/png-${scale}x/${name}.png`])).toEqual({ width: width * scale, height: height * scale });
  }
  // The knob over the base is the whole; the SVG is the PNG but for the smoothing of edges; the sheet is cut as it says.
  const data = (path: string, type: string) => `data:${type};base64,${Buffer.from(files[path]).toString("base64")}`;
  const place = sheet.places.find(({ name }) => name === "helm-rest")!;
  const differences = await page.evaluate(
    async ({ whole, base, knob, svg, sheetUrl, at }) => {
      const image = async (url: string) => {
        const one = new Image();
        one.src = url;
        await one.decode();
        return one;
      };
      const pixels = async (urls: readonly string[], shift?: { x: number; y: number }) => {
        const canvas = document.createElement("canvas");
        canvas.width = at.w;
        canvas.height = at.h;
        const ctx = canvas.getContext("2d")!;
        for (const url of urls) {
          const one = await image(url);
          if (shift) ctx.drawImage(one, -shift.x, -shift.y);
          else ctx.drawImage(one, 0, 0, at.w, at.h);
        }
        return ctx.getImageData(0, 0, at.w, at.h).data;
      };
      const mean = (a: Uint8ClampedArray, b: Uint8ClampedArray) => a.reduce((sum, value, i) => sum + Math.abs(value - b[i]), 0) / a.length;
      const first = await pixels([whole]);
      return [mean(first, await pixels([base, knob])), mean(first, await pixels([svg])), mean(first, await pixels([sheetUrl], at)), first.some((v) => v > 0)];
    },
    {
      whole: data("looks/png-2x/helm-rest.png", "image/png"),
      base: data("looks/png-2x/helm-rest-base.png", "image/png"),
      knob: data("looks/png-2x/helm-rest-knob.png", "image/png"),
      svg: data("looks/svg/helm-rest.svg", "image/svg+xml"),
      sheetUrl: data("looks/sheet.png", "image/png"),
      at: { x: place.x, y: place.y, w: place.w, h: place.h },
    },
  );
  expect(differences[0]).toBeLessThan(1);
  expect(differences[1]).toBeLessThan(1);
  expect(differences[2]).toBeLessThan(0.01);
  expect(differences[3]).toBe(true);
});

test(
  "for people and tables: the sheet with what is ticked, drawings in layers, tables both ways of y; documents open from the disk without network",
  { tag: "@storm" },
  async ({ page, browser }, info) => {
    await open(page, "/handoff");
    await page.locator('[data-parcel="sheet"]').click();
    await page.getByLabel("horn is entered and tested.").check();
    await page.reload();
    await expect(page.getByLabel("horn is entered and tested.")).toBeChecked();
    const files: Files = unzipSync((await takeParcel(page, "sheet")).bytes);
    const values = csvOf(files["sheet/brackwater-sheet.csv"]);
    expect(values.errors).toEqual([]);
    expect(values.data.find(({ id, field }) => id === "helm" && field === "anchor x, y")).toMatchObject({ "y down": "0, 1", "y up": "0, 0" });
    const context = await browser.newContext({ offline: true });
    const document = await context.newPage();
    await document.goto(onDisk(info, "sheet.html", files["sheet/brackwater-sheet.html"]));
    await expect(document.getByRole("heading", { name: "Brackwater: sheet" })).toBeVisible();
    await expect(document.locator("li").filter({ hasText: "horn is entered" })).toContainText("✓");
    await expect(document.locator("li").filter({ hasText: "pump is entered" })).not.toContainText("✓");
    const report = (await takeParcel(page, "report")).bytes;
    await document.goto(onDisk(info, "report.html", report));
    await expect(document.getByRole("heading", { name: "Findings", exact: true })).toBeVisible();
    await context.close();

    const drawn: Files = unzipSync((await takeParcel(page, "drawings")).bytes);
    const svg = new XMLParser({ ignoreAttributes: false }).parse(xml(drawn["drawings/screens/tall-phone-20-9-notch.svg"])) as {
      svg: { g: { "@_id": string }[] };
    };
    expect(svg.svg.g.map((layer) => layer["@_id"])).toEqual(["layer.glass", "layer.zones", "layer.areas", "layer.controls", "layer.names", "layer.measures"]);
    expect(pngSize(drawn["drawings/screens/tall-phone-20-9-notch.png"])).toEqual({ width: 2400, height: 1080 });
    expect(xml(drawn["drawings/contact-sheet.svg"]).match(/data-screen=/g)?.length).toBe(8);

    await page.locator('[data-parcel="tables"]').click();
    const down = csvOf(unzipSync((await takeParcel(page, "tables")).bytes)["tables/brackwater-px.csv"]).data;
    await page.getByLabel("y runs of the parcel").selectOption("up");
    const up = csvOf(unzipSync((await takeParcel(page, "tables")).bytes)["tables/brackwater-px.csv"]).data;
    expect(up.length).toBe(down.length);
    up.forEach((row, i) => expect(Number(row.y) + Number(row.h) + Number(down[i].y)).toBeCloseTo(Number(row["screen height px"]), 4));
    await page.locator('[data-parcel="sheet"]').click();
    await expect(page.getByRole("region", { name: "Checklist" })).toBeVisible();
    await noViolationsInStorm(page);
  },
);

test("all as one zip: a folder a parcel, takes with their frames among them", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/handoff");
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "All as one zip" }).click();
  const download = await waiting;
  const files: Files = unzipSync(new Uint8Array(readFileSync(await download.path())));
  expect(download.suggestedFilename()).toBe("brackwater-handoff.zip");
  const folders = [...new Set(Object.keys(files).map((path) => path.split("/")[0]))].sort();
  expect(folders).toEqual(["c99", "drawings", "layout", "looks", "names", "page", "played", "report", "runtime", "sheet", "tables", "takes"]);
  const takes = Object.keys(files).filter((path) => path.startsWith("takes/"));
  expect(takes.length).toBe(3);
  for (const path of takes) expect((JSON.parse(strFromU8(files[path])) as { frames: unknown[] }).frames.length).toBeGreaterThan(60);
});

const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 800 360"><rect width="800" height="360"/>
  <circle id="left-stick" cx="110" cy="250" r="60"/><rect id="horn" x="700" y="20" width="60" height="40"/>
  <g transform="translate(500 200)"><circle id="one" r="26"/><circle id="two" cx="60" r="26"/><circle id="three" cx="30" cy="50" r="26"/></g></svg>`;

test("a drawing comes in: guesses shown and put right, a control moved, new ones tied and clustered, taken back in one step", async ({ page }) => {
  await open(page, "/handoff");
  await page.getByLabel("Files to import").setInputFiles({ name: "hud.svg", mimeType: "image/svg+xml", buffer: Buffer.from(DRAWING) });
  const dialogue = page.getByRole("dialog", { name: "Rectangles of hud.svg" });
  await expect(dialogue.getByTestId("rectangles-said")).toHaveText("4 new, 1 moved");
  await expect(dialogue.getByLabel("Kind of left-stick")).toHaveValue("stick");
  await expect(dialogue.getByLabel("What horn is")).toHaveValue("horn");
  await dialogue.getByLabel("Action of left-stick").selectOption("helm");
  await dialogue.getByLabel("Import one").uncheck();
  await expect(dialogue.locator("[data-stands]")).toHaveCount(4);
  await dialogue.getByLabel("Import one").check();
  await noViolationsInStorm(page);
  await dialogue.getByRole("button", { name: "Import" }).click();
  await expect(page).toHaveURL(/layout$/);
  await expect(control(page, "left-stick")).toBeVisible();
  await saved(page);
  await page.keyboard.press("5");
  await page.locator('[data-parcel="layout"]').click();
  interface Control {
    id: string;
    placement: { frame?: unknown; anchor: number[] };
    serves?: { action: string }[];
  }
  const text = () => page.getByTestId("file-text").textContent();
  await expect.poll(text).toContain('"left-stick"');
  const file = JSON.parse((await text())!) as { controls: Control[]; clusters: { id: string }[] };
  const by = (id: string) => file.controls.find((one) => one.id === id)!;
  expect([by("left-stick").placement.anchor, by("left-stick").serves?.map(({ action }) => action)]).toEqual([[0, 1], ["helm"]]);
  expect([by("one"), by("two"), by("three")].map(({ placement }) => placement.frame)).toEqual([0, 1, 2].map(() => ({ cluster: file.clusters.at(-1)!.id })));
  await page.getByRole("button", { name: /^Undo: import 5 rectangles/ }).click();
  await expect.poll(text).not.toContain('"left-stick"');
});

test(
  "a table that left comes back in as the same places; columns are matched by hand; several layouts in a zip; what is nothing is told",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/handoff");
    await page.locator('[data-parcel="tables"]').click();
    await page.getByLabel("y runs of the parcel").selectOption("up");
    const files: Files = unzipSync((await takeParcel(page, "tables")).bytes);
    await page.keyboard.press("2");
    const before = await placeOf(page, "towline");
    await page.keyboard.press("5");
    await page.getByLabel("Files to import").setInputFiles({ name: "back.csv", mimeType: "text/csv", buffer: Buffer.from(files["tables/brackwater-mm.csv"]) });
    const back = page.getByRole("dialog", { name: "Rectangles of back.csv" });
    await expect(back.getByTestId("rectangles-said")).toHaveText("0 new, 10 moved");
    await expect(back.getByLabel("Direction of y")).toHaveValue("up");
    await expect(back.getByLabel("Unit")).toHaveValue("mm");
    await back.getByRole("button", { name: "Import" }).click();
    const after = await placeOf(page, "towline");
    for (const side of ["x", "y", "w", "h"] as const) expect(after[side]).toBeCloseTo(before[side], 2);
    // A table of another make: its columns say nothing to us.
    await page.keyboard.press("5");
    const other = "Teil;mitte_x;mitte_y;breite;hoehe\nnew one;0,5;0.5;0.1;0.2\n".replace("0,5", "0.5");
    await page.getByLabel("Files to import").setInputFiles({ name: "other.csv", mimeType: "text/csv", buffer: Buffer.from(other) });
    const matching = page.getByRole("dialog", { name: "Rectangles of other.csv" });
    await expect(matching.getByRole("alert")).toContainText("say which column is name, x, y, w, h");
    for (const [field, column] of [
      ["name", "Teil"],
      ["x", "mitte_x"],
      ["y", "mitte_y"],
      ["width", "breite"],
      ["height", "hoehe"],
    ])
      await matching.getByLabel(`Column of ${field}`, { exact: true }).selectOption(column);
    await matching.getByLabel("Unit").selectOption("fractions");
    await matching.getByLabel("What x and y measure").selectOption("middle");
    await expect(matching.getByTestId("rectangles-said")).toHaveText("1 new, 0 moved");
    await matching.getByRole("button", { name: "Import" }).click();
    await expect(control(page, "new-one")).toBeVisible();
    await page.keyboard.press("5");
    const layout = (name: string) => JSON.stringify({ format: "nodulum-layout", version: 1, name, reference: { width: 100, height: 50 }, scale: {} });
    const zip = zipSync({ "a.nodulum.json": strToU8(layout("Ebb")), "inner/b.json": strToU8(layout("Flow")), "notes.doc": strToU8("x") });
    await page.getByLabel("Files to import").setInputFiles({ name: "two.zip", mimeType: "application/zip", buffer: Buffer.from(zip) });
    await expect(page.getByTestId("taken-in")).toContainText("“b.json” was added to your layouts.");
    await expect(page.getByRole("region", { name: "Import" }).getByRole("alert")).toContainText("“notes.doc”: is not a file that can be imported");
    await page.getByRole("button", { name: /^Layouts; open/ }).click();
    for (const name of ["Ebb", "Flow"]) await expect(page.getByRole("menuitem", { name })).toBeVisible();
  },
);

test(
  "game art: what left as a sheet is cut by its rectangles, matched by name, put right by hand and put on; a folder too",
  { tag: "@storm" },
  async ({ page }, info) => {
    await open(page, "/handoff");
    const files: Files = unzipSync((await takeParcel(page, "looks")).bytes);
    const one = (name: string, mimeType: string, bytes: Uint8Array) => ({ name, mimeType, buffer: Buffer.from(bytes) });
    await page
      .getByLabel("Game art to import")
      .setInputFiles([
        one("horn_pressed@2x.png", "image/png", files["looks/png-2x/horn-held.png"]),
        one("mystery.svg", "image/svg+xml", files["looks/svg/pump-rest.svg"]),
      ]);
    const dialogue = page.getByRole("dialog", { name: "Game art" });
    await expect(dialogue.getByLabel("Look for horn_pressed@2x.png")).toHaveValue("horn held");
    await expect(dialogue.getByLabel("Look for mystery.svg")).toHaveValue("\u0000");
    await dialogue.getByLabel("Look for mystery.svg").selectOption("horn rest");
    await noViolationsInStorm(page);
    await dialogue.getByRole("button", { name: "Apply" }).click();
    await expect(page.getByRole("button", { name: "Undo: art for 2 looks" })).toBeVisible();
    await expect(glass(page)).toBeVisible();
    await page.keyboard.press("5");
    await page
      .getByLabel("Game art to import")
      .setInputFiles([one("sheet.png", "image/png", files["looks/sheet.png"]), one("sheet.json", "application/json", files["looks/sheet.json"])]);
    const { places } = JSON.parse(strFromU8(files["looks/sheet.json"])) as { places: unknown[] };
    await dialogue.getByRole("button", { name: `Cut by its ${places.length} rectangles` }).click();
    await expect(dialogue.locator("[data-art]")).toHaveCount(places.length);
    await expect(dialogue.getByLabel("Look for helm-rest-knob", { exact: true })).toHaveValue("helm knob");
    await dialogue.getByLabel("columns of the sheet").fill("2");
    await dialogue.getByLabel("rows of the sheet").fill("1");
    await dialogue.getByRole("button", { name: "Cut by the grid" }).click();
    await expect(dialogue.locator("[data-art]")).toHaveCount(2);
    await page.keyboard.press("Escape");
    const folder = info.outputPath("art");
    mkdirSync(join(folder, "buttons"), { recursive: true });
    writeFileSync(join(folder, "buttons", "pump.png"), files["looks/png-1x/pump-rest.png"]);
    writeFileSync(join(folder, "towline_on.png"), files["looks/png-1x/towline-held.png"]);
    await page.getByLabel("Folder of pictures to import").setInputFiles(folder);
    await expect(dialogue.getByLabel("Look for pump.png")).toHaveValue("pump rest");
    await expect(dialogue.getByLabel("Look for towline_on.png")).toHaveValue("towline held");
  },
);
