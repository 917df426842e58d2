/** The routes by real requests, against the built application as `npm start` serves it. */
import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { request, type IncomingMessage } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strFromU8, unzipSync } from "fflate";
import { XMLParser } from "fast-xml-parser";
import { checkScreen } from "../core/checks/check";
import { catalogueFor } from "../core/checks/catalogue";
import { compile } from "../core/format/compile";
import { digestOfText } from "../core/format/digest";
import { layoutJsonSchema } from "../core/exchange/schema";
import { MOST_FILE_BYTES } from "../core/format/limits";
import { writeLayout } from "../core/format/write";
import { MOST_HELD_BYTES } from "./body";
import { repeated } from "../test/repeated";
import { sampleLayouts } from "../test/samples";

const [brackwater, , draft] = sampleLayouts();
const folder = mkdtempSync(join(tmpdir(), "nodulum-server-"));
/**
 * A server in its own process, with the environment that `npm start` gives it. Requests have time to arrive, and work to be done: what a
 * busy machine makes slow is not what is tested here.
 */
const START = `
import { serve } from ${JSON.stringify(join(process.cwd(), "scripts", "server.mjs"))};
const long = 600_000;
const server = await serve(0, { times: { requestTimeout: long, headersTimeout: long, keepAliveTimeout: long, timeout: long } });
console.log("port " + server.address().port);
`;
const servers: ChildProcess[] = [];
async function start(name: string, workSeconds = "600"): Promise<number> {
  const file = join(folder, `${name}.mjs`);
  writeFileSync(file, START);
  const env = {
    ...process.env,
    MALLOC_MMAP_THRESHOLD_: "65536",
    NODULUM_WORK_SECONDS: workSeconds,
    NODULUM_NAMES: "bench.lan",
    NODE_ENV: "production" as const,
  };
  const child = spawn(process.execPath, [file], { env });
  servers.push(child);
  const told: string[] = [];
  child.stderr.on("data", (piece) => told.push(String(piece)));
  return new Promise((resolve, reject) => {
    child.stdout.on("data", (piece) => /port \d/.test(String(piece)) && resolve(Number(/port (\d+)/.exec(String(piece))![1])));
    child.on("exit", () => reject(new Error(told.join(""))));
  });
}
let port = 0;
beforeAll(async () => {
  execFileSync(process.execPath, [join("scripts", "build.mjs")], { stdio: "ignore" });
  port = await start("usual");
});
afterAll(() => servers.forEach((child) => child.kill()));

const at = (path: string, on = port) => `http://127.0.0.1:${on}${path}`;
const JSON_TYPE = { "Content-Type": "application/json" };
const check = (query: string, body: string | Uint8Array<ArrayBuffer>, headers: Record<string, string> = JSON_TYPE) =>
  fetch(at(`/api/check${query}`), { method: "POST", headers, body });
const problemsOf = async (answer: Response) => ((await answer.json()) as { problems: { path: string; message: string }[] }).problems;
const text = writeLayout(draft);
/** The answer for a page asked for with these headers and no others, which `fetch` would add. */
const asked = (headers: Record<string, string>) =>
  new Promise<IncomingMessage>((resolve, reject) => {
    const asking = request({ host: "127.0.0.1", port, path: "/layout", headers }, (answer) => resolve(answer.resume()));
    asking.on("error", reject);
    asking.end();
  });

test("pages come as they were prerendered, whatever Next's router is asked for; what is known already is not sent again", async () => {
  const html = readFileSync(join(".next", "server", "app", "layout.html"), "utf8");
  const page = await fetch(at("/layout"));
  expect([page.status, page.headers.get("cache-control"), await page.text()]).toEqual([200, "no-cache", html]);
  const router = { RSC: "1", "Next-Router-State-Tree": "%5B%22%22%5D", "Next-Router-Prefetch": "1", "Next-Router-Segment-Prefetch": "/_tree" };
  for (const address of ["/layout?_rsc=1", "/layout?_rsc=", "/layout?anything=else"]) {
    const answer = await fetch(at(address), { headers: router });
    expect([answer.status, answer.headers.get("content-type"), await answer.text()]).toEqual([200, "text/html; charset=utf-8", html]);
  }
  expect((await asked({ "If-None-Match": page.headers.get("etag")! })).statusCode).toBe(304);
  const head = await fetch(at("/layout"), { method: "HEAD" });
  expect([head.status, head.headers.get("content-length")]).toEqual([200, String(Buffer.byteLength(html))]);
  const script = /src="(\/_next\/static\/[^"]+)"/.exec(html)![1];
  expect((await fetch(at(script))).headers.get("cache-control")).toBe("public, max-age=31536000, immutable");
  const home = await fetch(at("/"), { redirect: "manual" });
  expect([home.status, home.headers.get("location")]).toEqual([307, "/welcome"]);
});

test("pages and scripts are packed for a browser elsewhere, and not for one of this machine", async () => {
  const packing = async (host: string) => (await asked({ Host: host, "Accept-Encoding": "gzip" })).headers["content-encoding"];
  expect([await packing("bench.lan"), await packing("localhost")]).toEqual(["gzip", undefined]);
});

test("a layout in, its findings out: those of the command line, on every screen of the catalogue", async () => {
  const answer = await check("", text);
  expect([answer.status, answer.headers.get("content-type")]).toEqual([200, "application/json"]);
  const { screens } = (await answer.json()) as { screens: { name: string; findings: unknown[] }[] };
  expect(screens).toEqual(
    catalogueFor("landscape").map((screen) => ({ name: screen.name, findings: JSON.parse(JSON.stringify(checkScreen(draft, screen))) as unknown })),
  );
});

test("a screen, a hand, a size, a moment, all players", async () => {
  const one = (await (await check("?screen=2400x1080@411&handed=left&player-size=1.2&moment=alongside", text)).json()) as {
    screens: { name: string; findings: { moment: unknown }[] }[];
  };
  expect(one.screens.map((s) => s.name)).toEqual(["2400x1080@411"]);
  expect(one.screens[0].findings.every((f) => f.moment === null || f.moment === "alongside")).toBe(true);
  const all = (await (await check("?screen=2400x1080@411&players=all", text)).json()) as { screens: { name: string }[] };
  expect(all.screens.map((s) => s.name)).toEqual(
    ["right hand, size 0.8", "right hand, size 1.3", "left hand, size 0.8", "left hand, size 1.3"].map((face) => `2400x1080@411, ${face}`),
  );
});

test("SARIF and JUnit as asked, and a screen a line", async () => {
  const sarif = await check("?format=sarif&screen=2400x1080@411", text);
  expect(sarif.headers.get("content-type")).toBe("application/sarif+json");
  expect(await sarif.json()).toMatchObject({ version: "2.1.0", runs: [{ tool: { driver: { name: expect.any(String) as string } } }] });
  const junit = await check("?format=junit&screen=2400x1080@411", text);
  const { testsuites } = new XMLParser({ ignoreAttributes: false }).parse(await junit.text()) as { testsuites: { "@_failures": string } };
  expect(Number(testsuites["@_failures"])).toBeGreaterThan(0);
  const lines = await check("?format=ndjson", text);
  expect(lines.headers.get("content-type")).toBe("application/x-ndjson");
  const screens = (await lines.text())
    .trim()
    .split("\n")
    .map((line) => (JSON.parse(line) as { name: string }).name);
  expect(screens).toEqual(catalogueFor("landscape").map((s) => s.name));
});

const report = (query: string, body: string, headers: Record<string, string> = JSON_TYPE) =>
  fetch(at(`/api/report${query}`), { method: "POST", headers, body });

test("a layout in, the report about it out: whole in itself, with the parts, screens and paper asked for", async () => {
  const answer = await report("?screen=2400x1080@411&screen=2048x1536@264&paper=letter&part=layout&part=findings", text);
  expect([answer.status, answer.headers.get("content-type")]).toEqual([200, "text/html; charset=utf-8"]);
  expect(answer.headers.get("content-security-policy")).toBe("default-src 'none'; style-src 'unsafe-inline'; sandbox");
  const html = await answer.text();
  expect(html).toContain("<title>Brackwater, first draft: report</title>");
  expect(html).toContain("size: letter");
  expect(html).toContain(`<code>${digestOfText(text)}</code>`);
  expect([...html.matchAll(/<section id="part-(\w+)"/g)].map(([, part]) => part)).toEqual(["layout", "findings"]);
  expect(html).toContain("on 2 of 2 screens");
  for (const [query, words] of [
    ["?paper=a5", /paper.*none of a4, letter/],
    ["?part=poem", /part.*none of layout/],
    ["?colour=red", /colour.*known: screen/],
    ["?screen=wide", /screen\[0\]/],
  ] as const) {
    const refused = await report(query, text);
    expect(refused.status).toBe(400);
    expect((await problemsOf(refused)).map((p) => `${p.path}: ${p.message}`).join("\n")).toMatch(words);
  }
  expect((await report("", "{}")).status).toBe(422);
  expect((await report("", text, { "Content-Type": "text/plain" })).status).toBe(415);
  expect((await fetch(at("/api/report"))).status).toBe(405);
});

const post = (path: string, body: string, headers: Record<string, string> = JSON_TYPE) => fetch(at(path), { method: "POST", headers, body });

test("a layout in, its played file out, byte for byte", async () => {
  const answer = await post("/api/compile", text);
  expect([answer.status, answer.headers.get("content-type")]).toEqual([200, "application/json"]);
  expect(await answer.text()).toBe(compile(draft));
  expect((await post("/api/compile?screen=1x1@1", text)).status).toBe(400);
  expect((await post("/api/compile", "{}")).status).toBe(422);
});

test("a layout in, chosen parcels out as a zip; what cannot be painted here is named in it", async () => {
  const answer = await post("/api/handoff?parcel=played&parcel=tables&parcel=looks&parcel=names&language=lua&y=up&screen=2400x1080@411", text);
  expect([answer.status, answer.headers.get("content-type")]).toEqual([200, "application/zip"]);
  const files = unzipSync(new Uint8Array(await answer.arrayBuffer()));
  const names = Object.keys(files);
  expect(strFromU8(files["played/brackwater-first-draft.played.json"])).toBe(compile(draft));
  expect(names).toContain("names/actions.lua");
  expect(names.some((name) => name.endsWith(".png"))).toBe(false);
  expect(strFromU8(files["left-out.txt"])).toMatch(/PNGs of the looks/);
  const table = JSON.parse(strFromU8(files["tables/brackwater-first-draft-controls.json"])) as { origin: string; screens: { name: string }[] };
  expect([table.origin, table.screens.map(({ name }) => name)]).toEqual(["bottom left", ["2400x1080@411"]]);
  const all = await post("/api/handoff?screen=2400x1080@411", text);
  const folders = new Set(Object.keys(unzipSync(new Uint8Array(await all.arrayBuffer()))).map((name) => name.split("/")[0]));
  expect([...folders].sort()).toEqual([
    "c99",
    "drawings",
    "layout",
    "left-out.txt",
    "looks",
    "names",
    "page",
    "played",
    "report",
    "runtime",
    "sheet",
    "tables",
  ]);
  for (const [query, words] of [
    ["?parcel=poem", /parcel.*none of layout, played/],
    ["?parcel=takes", /parcel.*none of/],
    ["?y=left", /y.*none of down, up/],
  ] as const) {
    const refused = await post(`/api/handoff${query}`, text);
    expect(refused.status).toBe(400);
    expect((await problemsOf(refused)).map((p) => `${p.path}: ${p.message}`).join("\n")).toMatch(words);
  }
});

test.each<[string, number, () => Promise<Response>, RegExp]>([
  ["no JSON", 400, () => check("", "{ not json"), /JSON/],
  ["nothing", 400, () => check("", ""), /empty/],
  ["bytes that are no text", 400, () => check("", new Uint8Array([0xff, 0xfe, 0x00])), /UTF-8/],
  ["a layout with a fault", 422, () => check("", text.replace('"kind": "stick"', '"kind": "lever"')), /controls\[\d+\]/],
  ["no layout at all", 422, () => check("", "{}"), /format/],
  ["another type", 415, () => check("", text, { "Content-Type": "text/plain" }), /application\/json/],
  ["a format that is none", 400, () => check("?format=pdf", text), /format.*none of json, sarif, junit, ndjson/],
  ["a word that is not asked for", 400, () => check("?colour=red", text), /colour.*known: format/],
  ["a screen that is none", 400, () => check("?screen=wide", text), /screen\[0\]/],
  ["a moment that is none", 400, () => check("?moment=storm", text), /moment.*known: under-way/],
  ["more than a layout may hold", 413, () => check("", "x".repeat(MOST_FILE_BYTES + 1)), /a layout has at most/],
])("%s is answered with %i and says why", async (_, status, ask, message) => {
  const answer = await ask();
  expect(answer.status).toBe(status);
  expect((await problemsOf(answer)).map((p) => `${p.path}: ${p.message}`).join("\n")).toMatch(message);
});

test("a layout in, how far it is and what came of it out, a line each; what is asked wrongly is told", async () => {
  const button = (id: string, x: number) => ({
    id,
    name: id,
    kind: "button",
    placement: { kind: "pin", frame: "screen", anchor: [0, 1], pivot: [0.5, 0.5], offset: [`${x}mm`, "-20mm"], size: ["12mm", "12mm"] },
  });
  const near = JSON.stringify({
    format: "nodulum-layout",
    version: 1,
    name: "Near",
    reference: { width: 1600, height: 720 },
    scale: {},
    controls: [button("pump", 15), button("horn", 22)],
  });
  const settle = (query: string) => fetch(at(`/api/settle${query}`), { method: "POST", headers: JSON_TYPE, body: near });
  const answer = await settle("?screen=1600x720@254&players=all&lock=pump");
  expect([answer.status, answer.headers.get("content-type")]).toEqual([200, "application/x-ndjson"]);
  const lines = (await answer.text())
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as { progress?: { doing: string }; settled?: { kind: string; layout: unknown } });
  expect(lines[0].progress).toMatchObject({ doing: "looking" });
  const missed = (await (await settle("?screen=1600x720@254&misses=1&change=hit")).text()).trim().split("\n").at(-1)!;
  expect((JSON.parse(missed) as { settled: object }).settled).toMatchObject({ misses: expect.arrayContaining([expect.objectContaining({ id: "pump" })]) });
  expect(lines.at(-1)!.settled).toMatchObject({ kind: "settled", moves: [{ id: "horn" }], left: [], layout: { format: "nodulum-layout" } });
  for (const [query, path] of [
    ["?lock=none", "lock[0]"],
    ["?codes=touch/none", "codes[0]"],
    ["?severity=grave", "severity"],
    ["?change=colour", "change[0]"],
    ["?misses=far", "misses"],
    ["?notes=go", "notes"],
    ["?format=json", "format"],
  ]) {
    // prettier-ignore
    const refused = await settle(query);
    expect([refused.status, (await problemsOf(refused))[0].path]).toEqual([400, path]);
  }
});

test("only POST for a check, only GET for the schema, which is that of the command line", async () => {
  const wrong = await fetch(at("/api/check"));
  expect([wrong.status, wrong.headers.get("allow")]).toEqual([405, "POST"]);
  const schema = await fetch(at("/api/schema"));
  expect(schema.headers.get("content-type")).toBe("application/schema+json");
  expect(await schema.json()).toEqual(JSON.parse(JSON.stringify(layoutJsonSchema())));
  expect((await fetch(at("/api/schema"), { method: "POST" })).status).toBe(405);
  expect(schema.headers.get("access-control-allow-origin")).toBeNull();
});

/** What a process holds, MB. */
const memoryOf = ({ pid }: ChildProcess) => Number(execFileSync("ps", ["-o", "rss=", "-p", String(pid)], { encoding: "utf8" })) / 1024;
const pause = () => new Promise((resolve) => setTimeout(resolve, 250));

test("more checks and settles at once than may: two run and eight wait, all ten are answered; the others are told when to ask again; memory is back within a fifth", async () => {
  const own = await start("memory");
  const process = servers.at(-1)!;
  const ask = (path: string) => fetch(at(`${path}&screen=2400x1080@411`, own), { method: "POST", headers: JSON_TYPE, body: text });
  const all = async () => {
    const paths = [
      ...Array.from({ length: repeated(4) }, () => "/api/settle?change=hit"),
      ...Array.from({ length: repeated(36) }, () => "/api/check?players=all"),
    ];
    const answers = await Promise.all(paths.map(ask));
    const counts = new Map<number, number>();
    for (const answer of answers) {
      counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1);
      expect(Number(answer.headers.get("retry-after")) > 0).toBe(answer.status === 429);
      await answer.arrayBuffer();
    }
    return counts;
  };
  // What the first of their kind make it load and compile belongs to what was there before.
  for (let i = 0; i < 2; i += 1) await all();
  const before = memoryOf(process);
  const counts = await all();
  expect([...counts.keys()].sort()).toEqual([200, 429]);
  expect(counts.get(200)).toBeGreaterThanOrEqual(10);
  // A stuck test ends by the limit of all tests.
  while (memoryOf(process) > before * 1.2) await pause();
});

test("bodies of 31 MB leave no memory taken", async () => {
  const own = await start("bodies");
  const memory = () => memoryOf(servers.at(-1)!);
  const body = Buffer.from(`${text.slice(0, -2)}, "x": "${"y".repeat(31_000_000)}"}`);
  /** Sends the one buffer that all share; gives the status. */
  const large = () =>
    new Promise<number>((resolve, reject) => {
      const headers = { ...JSON_TYPE, "Content-Length": body.length };
      const asking = request({ host: "127.0.0.1", port: own, path: "/api/check?screen=2400x1080@411", method: "POST", headers, agent: false }, (answer) => {
        answer.resume();
        answer.on("end", () => resolve(answer.statusCode!));
      });
      asking.on("error", reject);
      asking.end(body);
    });
  // What the first of their kind make it load and compile belongs to what was there before.
  const small = () => fetch(at("/api/check?screen=2400x1080@411", own), { method: "POST", headers: JSON_TYPE, body: text });
  for (let i = 0; i < 3; i += 1) expect(await large()).toBe(422);
  expect((await small()).status).toBe(200);
  const before = memory();
  const statuses = await Promise.all(Array.from({ length: repeated(14) }, large));
  expect(statuses.every((status) => status === 422 || status === 429)).toBe(true);
  // Without another request: of more than 200 MB that were sent less stays than the two bodies that may be held at once.
  // A stuck test ends by the limit of all tests.
  while (memory() > before + MOST_HELD_BYTES / 1e6) await pause();
});

test("a check that takes too long is stopped and says so, and the server goes on", async () => {
  const slow = await start("slow", "0.001");
  const answer = await fetch(at("/api/check", slow), { method: "POST", headers: JSON_TYPE, body: writeLayout(brackwater) });
  expect(answer.status).toBe(503);
  expect((await problemsOf(answer))[0].message).toMatch(/took longer than 0\.001 s and was stopped/);
  expect((await fetch(at("/api/schema", slow))).status).toBe(200);
});

test("whoever goes away stops the work, running or waiting: the next is answered", async () => {
  // Ten settles that take longer than a test may.
  const own = await start("left", "6000");
  const button = (id: string, i: number) => ({
    id,
    name: id,
    kind: "button",
    placement: {
      kind: "pin",
      frame: "screen",
      anchor: [0, 1],
      pivot: [0.5, 0.5],
      offset: [`${15 + (i % 20) * 5}mm`, `${-20 - Math.floor(i / 20) * 4}mm`],
      size: ["12mm", "12mm"],
    },
  });
  const controls = Array.from({ length: 200 }, (_, i) => button(`b${i}`, i));
  const crowd = JSON.stringify({ format: "nodulum-layout", version: 1, name: "Crowd", reference: { width: 1600, height: 720 }, scale: {}, controls });
  const leaving = new AbortController();
  const asked = Array.from({ length: 10 }, () =>
    fetch(at("/api/settle?players=all", own), { method: "POST", headers: JSON_TYPE, body: crowd, signal: leaving.signal })
      .then((answer) => answer.text())
      .catch((error: Error) => error.name),
  );
  const check = async () => {
    const answer = await fetch(at("/api/check?screen=2400x1080@411", own), {
      method: "POST",
      headers: JSON_TYPE,
      body: text,
      signal: AbortSignal.timeout(600_000),
    });
    await answer.arrayBuffer();
    return answer.status;
  };
  // Two run and eight wait when there is no room for another.
  while ((await check()) !== 429) await pause();
  leaving.abort();
  expect(new Set(await Promise.all(asked))).toEqual(new Set(["AbortError"]));
  let status = await check();
  while (status === 429) {
    await pause();
    status = await check();
  }
  expect(status).toBe(200);
});
