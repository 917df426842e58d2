import { createHash } from "node:crypto";
import { readdirSync, readFileSync, symlinkSync } from "node:fs";
import { join } from "node:path";
import { XMLParser, XMLValidator } from "fast-xml-parser";
import { unzipSync } from "fflate";
import { readPlayed } from "../core/engine/read/played";
import { readLayout } from "../core/format/parse";
import { writeLayout } from "../core/format/write";
import { FINDING_CODES } from "../core/checks/finding";
import { conformanceCases, difference, missesCases } from "../test/cases";
import { commandLine, spawnNodulum } from "../test/commandLine";
import { sampleLayouts } from "../test/samples";

const { folder, put, nodulum } = commandLine();
const CORNER = { kind: "pin", frame: "safe", anchor: [1, 1], pivot: [1, 1] };
const [, second] = conformanceCases();
const layout = put("case.json", JSON.stringify(second.layout));
const playerView = ["--screen", second.options.screen, "--handed", second.options.handed, "--player-size", String(second.options.playerSize)];

test("resolve prints what the conformance case says", async () => {
  const { code, out } = await nodulum("resolve", layout, ...playerView);
  expect(code).toBe(0);
  const { screen, ...printed } = JSON.parse(out) as Record<string, unknown>;
  expect(screen).toMatchObject({ name: second.options.screen });
  expect(difference(printed, second.resolved)).toBeNull();
});

test("replay prints a line a tick, as the conformance case says", async () => {
  const trace = put("trace.ndjson", second.trace.map((e) => JSON.stringify(e)).join("\n"));
  const { code, out } = await nodulum("replay", layout, ...playerView, "--trace", trace, "--hz", String(second.options.hz));
  expect(code).toBe(0);
  expect(
    difference(
      out
        .trim()
        .split("\n")
        .map((line) => JSON.parse(line) as unknown),
      second.frames,
    ),
  ).toBeNull();
});

test("replay reads its events from a pipe, by - and by /dev/stdin, and names the line at fault", async () => {
  const trace = second.trace.map((e) => JSON.stringify(e)).join("\n");
  const file = put("piped.ndjson", trace);
  const call = (name: string) => ["replay", layout, ...playerView, "--hz", String(second.options.hz), "--trace", name];
  const { out } = await nodulum(...call(file));
  expect(out.split("\n").length).toBeGreaterThan(5);
  for (const name of ["-", "/dev/stdin"]) {
    expect(spawnNodulum(trace, ...call(name))).toMatchObject({ code: 0, out, err: "" });
    const broken = spawnNodulum(`${trace}\n{"t":1}`, ...call(name));
    expect([broken.code, broken.out]).toEqual([2, ""]);
    expect(broken.err).toMatch(new RegExp(`^nodulum: ${name}: .*line ${second.trace.length + 1}|^.*${name}: line ${second.trace.length + 1}`));
  }
});

test("a value on a wire from vector to vector is told, with what to write instead; what is printed is the same without it", async () => {
  const stick = (more: object) => ({
    ...{ id: "stick", name: "stick", kind: "stick", placement: { ...CORNER, offset: ["-10mm", "-10mm"], size: ["20mm", "20mm"] } },
    serves: [{ port: "vector", action: "walk", ...more }],
  });
  const file = (name: string, more: object) =>
    put(
      name,
      JSON.stringify({
        format: "nodulum-layout",
        version: 1,
        name: "S",
        reference: { width: 16, height: 9 },
        scale: {},
        actions: [{ name: "walk", kind: "vector" }],
        controls: [stick(more)],
      }),
    );
  const [with_, without] = [file("value.json", { value: [0.5, 0.5] }), file("plain.json", {})];
  const events = `{"t":1,"type":"down","id":1,"x":1250,"y":600}\n{"t":2,"type":"move","id":1,"x":1200,"y":600}`;
  const trace = put("value.ndjson", events);
  const call = (name: string) => nodulum("replay", name, "--screen", "1600x720@254", "--trace", trace);
  expect((await call(without)).err).toBe("");
  expect((await call(with_)).err).toBe(`${with_}: notice: controls[0].serves[0].value (stick): value ignored: vector gives an amount; write scale\n`);
  expect((await call(with_)).out).toBe((await call(without)).out);
});

test("check: 0 where all is well, 1 where the layout falls short, json by screens", async () => {
  const sample = join(process.cwd(), "samples", "pigeonhole.nodulum.json");
  expect((await nodulum("check", sample, "--players", "all", "--fail-on", "warning")).code).toBe(0);
  const idle = { id: "idle", name: "Idle", kind: "button", placement: { ...CORNER, offset: ["-10mm", "-10mm"], size: ["12mm", "12mm"] } };
  const silent = put(
    "silent.json",
    JSON.stringify({ format: "nodulum-layout", version: 1, name: "S", reference: { width: 16, height: 9 }, scale: {}, controls: [idle] }),
  );
  expect((await nodulum("check", silent)).code).toBe(0);
  expect((await nodulum("check", silent, "--fail-on", "warning")).code).toBe(1);
  const { code, out } = await nodulum(
    "check",
    join(process.cwd(), "samples", "brackwater-first-draft.nodulum.json"),
    "--screen",
    "640x480@229",
    "--format",
    "json",
  );
  expect(code).toBe(1);
  const report = JSON.parse(out) as { screens: { name: string; findings: { code: string }[] }[] };
  expect(report.screens.map((s) => s.name)).toEqual(["640x480@229"]);
  expect(report.screens[0].findings.map((f) => f.code)).toContain("bind/unknown-action");
});

test.each([
  [["resolve", "nowhere.json", "--screen", "1x1@1"], /file not found/],
  [["resolve", layout, "--screen", "big"], /not a screen/],
  [["resolve", layout], /required option/],
  [["check", layout, "--format", "pdf"], /Allowed choices/],
  [["check", layout, "--moment", "nowhen"], /no moment "nowhen"/],
  [["check", layout, "--handed", "both"], /not a hand/],
  [["dance"], /unknown command/],
])("faults of the call exit with 2 (%#)", async (args, expected) => {
  const { code, err, out } = await nodulum(...args);
  expect(code).toBe(2);
  expect(err).toMatch(expected);
  expect(out).toBe("");
});

test("a broken file exits with 2 and names the place", async () => {
  const broken = put("broken.json", JSON.stringify({ ...(second.layout as object), scale: { of: "weight" } }));
  const { code, err } = await nodulum("check", broken);
  expect(code).toBe(2);
  expect(err).toContain("scale.of");
});

test("compile prints the played file or writes it; the digest is that of the canonical text", async () => {
  const printed = await nodulum("compile", layout);
  expect(printed.code).toBe(0);
  const read = readPlayed(printed.out);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const source = readLayout(readFileSync(layout, "utf8"));
  if (!source.ok) throw new Error("the case does not parse");
  expect(read.value.digest).toBe(createHash("sha256").update(writeLayout(source.value)).digest("hex"));
  const out = join(folder, "case.played.json");
  expect(await nodulum("compile", layout, "-o", out)).toEqual({ code: 0, out: "", err: "" });
  expect(readFileSync(out, "utf8")).toBe(printed.out);
});

test("compile never writes over the layout it reads, by whatever path", async () => {
  const before = readFileSync(layout, "utf8");
  const link = join(folder, "link.json");
  symlinkSync(layout, link);
  for (const out of [layout, link]) {
    const { code, err } = await nodulum("compile", layout, "-o", out);
    expect([code, err]).toEqual([2, `nodulum: ${out}: is the layout file itself; choose another output file\n`]);
  }
  expect(readFileSync(layout, "utf8")).toBe(before);
  expect(await nodulum("compile", layout, "-o", join(folder, "nowhere", "x.json"))).toMatchObject({
    code: 2,
    err: expect.stringContaining("folder not found") as string,
  });
});

test("schema and help exit with 0", async () => {
  expect(JSON.parse((await nodulum("schema")).out)).toHaveProperty("$schema");
  expect(await nodulum("--help")).toMatchObject({ code: 0, out: expect.stringContaining("resolve") as string });
});

const draft = join(process.cwd(), "samples", "brackwater-first-draft.nodulum.json");
const small = ["--screen", "640x480@229"];

test("check in JUnit XML: well formed, its counts add up, blockers fail", async () => {
  const { code, out } = await nodulum("check", draft, ...small, "--screen", "2400x1080@411", "--format", "junit");
  expect(code).toBe(1);
  expect(XMLValidator.validate(out)).toBe(true);
  const { testsuites } = new XMLParser({ ignoreAttributes: false, isArray: (name) => name === "testsuite" || name === "testcase" }).parse(out) as {
    testsuites: {
      "@_tests": string;
      "@_failures": string;
      testsuite: { "@_tests": string; "@_failures": string; testcase: { "@_name": string; failure?: unknown }[] }[];
    };
  };
  expect(testsuites.testsuite).toHaveLength(2);
  for (const suite of testsuites.testsuite) {
    expect(Number(suite["@_tests"])).toBe(suite.testcase.length);
    expect(Number(suite["@_failures"])).toBe(suite.testcase.filter((c) => "failure" in c).length);
    expect(suite.testcase.map((c) => c["@_name"])).toContain("bind/unknown-action towline tow_line");
  }
  expect(Number(testsuites["@_failures"])).toBe(testsuites.testsuite.reduce((sum, s) => sum + Number(s["@_failures"]), 0));
});

test("check in SARIF: what the standard requires of a log, its rules and results", async () => {
  const log = JSON.parse((await nodulum("check", draft, ...small, "--format", "sarif")).out) as {
    version: string;
    runs: {
      tool: { driver: { name: string; rules: { id: string; shortDescription: { text: string } }[] } };
      results: {
        ruleId: string;
        ruleIndex: number;
        level: string;
        message: { text: string };
        baselineState: string;
        locations: { physicalLocation: { artifactLocation: { uri: string } } }[];
      }[];
    }[];
  };
  expect(log.version).toBe("2.1.0");
  const [{ tool, results }] = log.runs;
  expect(tool.driver.name).toBe("nodulum");
  expect(tool.driver.rules.map((r) => r.id)).toEqual([...FINDING_CODES]);
  expect(results.length).toBeGreaterThan(5);
  for (const r of results) {
    expect(tool.driver.rules[r.ruleIndex].id).toBe(r.ruleId);
    expect(["none", "note", "warning", "error"]).toContain(r.level);
    expect(["new", "unchanged", "updated", "absent"]).toContain(r.baselineState);
    expect(r.message.text.length).toBeGreaterThan(0);
    expect(r.locations[0].physicalLocation.artifactLocation.uri).toBe(draft);
  }
});

test("what a baseline knows does not fail; what is new does", async () => {
  const old = await nodulum("check", draft, ...small, "--format", "json");
  const same = await nodulum("check", draft, ...small, "--baseline", put("old.json", old.out));
  expect(same.code).toBe(0);
  expect(same.out).toContain("(known)");
  const report = JSON.parse(old.out) as { screens: { findings: { code: string }[] }[] };
  report.screens[0].findings = report.screens[0].findings.filter((f) => f.code !== "bind/unknown-action");
  expect((await nodulum("check", draft, ...small, "--baseline", put("less.json", JSON.stringify(report)))).code).toBe(1);
  expect(await nodulum("check", draft, ...small, "--baseline", put("none.json", "[]"))).toMatchObject({ code: 2 });
});

test("all players: both hands, smallest and largest", async () => {
  const { screens } = JSON.parse((await nodulum("check", draft, ...small, "--players", "all", "--format", "json")).out) as {
    screens: { name: string; findings: { code: string; measure: { value: number } }[] }[];
  };
  expect(screens.map((s) => s.name)).toEqual(
    ["right hand, size 0.8", "right hand, size 1.3", "left hand, size 0.8", "left hand, size 1.3"].map((p) => `640x480@229, ${p}`),
  );
  const size = (i: number) => screens[i].findings.find((f) => f.code === "touch/small")!.measure.value;
  expect(size(1) / size(0)).toBeCloseTo(1.3 / 0.8, 6);
  expect(size(2)).toBeCloseTo(size(0), 6);
});

test("spans: intervals in order within the range; faults of the call exit with 2", async () => {
  const range = ["--diagonal", "6.1", "--ppi", "420", "--from", "1.3", "--to", "1.5"];
  const { code, out } = await nodulum("spans", draft, ...range);
  expect(code).toBe(0);
  const printed = JSON.parse(out) as { from: number; to: number; spans: { code: string; intervals: [number, number][] }[] };
  expect([printed.from, printed.to]).toEqual([1.3, 1.5]);
  expect(printed.spans[0]).toMatchObject({ code: "bind/unknown-action", subjects: ["towline", "tow_line"], worst: null, intervals: [[1.3, 1.5]] });
  for (const { intervals } of printed.spans) for (const [a, b] of intervals) expect(a >= 1.3 && b <= 1.5 && a <= b).toBe(true);
  for (const wrong of [
    ["--from", "2"],
    ["--insets-mm", "1,2"],
    ["--ppi", "none"],
  ])
    expect((await nodulum("spans", draft, ...range, ...wrong)).code).toBe(2);
});

test("a player's size beyond any hand is a wrong call", async () => {
  for (const size of ["0.2", "4.1", "-1", "wide"]) {
    const { code, err } = await nodulum("resolve", layout, "--screen", "2400x1080@411", `--player-size=${size}`);
    expect([code, err]).toEqual([2, expect.stringContaining("is not a number from 0.25 to 4")]);
  }
});

describe("diff", () => {
  const [old] = sampleLayouts();
  const before = put("before.json", writeLayout(old));
  const changed = {
    ...old,
    controls: old.controls.filter((c) => c.id !== "horn").map((c) => (c.id === "helm" ? { ...c, feel: { ...c.feel, inner: 0.3 } } : c)),
  } as typeof old;
  const after = put("after.json", writeLayout({ ...changed, arrangements: [] }));

  test("tells in lines what changed, and ends with 1; nothing, and ends with 0", async () => {
    const { code, out } = await nodulum("diff", before, after, "--screen", "2400x1080@411");
    expect(code).toBe(1);
    expect(out.split("\n")).toEqual(expect.arrayContaining(["horn (button) went", "helm: feel inner 0.12 → 0.3"]));
    expect(await nodulum("diff", before, before)).toEqual({ code: 0, out: "", err: "" });
  });

  test("as data, with the screen it was measured on", async () => {
    const { code, out } = await nodulum("diff", before, after, "--format", "json");
    expect(code).toBe(1);
    const { screen, differences } = JSON.parse(out) as { screen: string; differences: unknown[] };
    expect(screen).toBe("as drawn, 1600 × 720 u");
    expect(differences).toContainEqual(expect.objectContaining({ what: "went", subject: { kind: "control", id: "horn", name: "horn" } }));
    expect(differences).toContainEqual(expect.objectContaining({ what: "field", field: "feel.inner", was: 0.12, is: 0.3 }));
    expect(JSON.parse((await nodulum("diff", before, before, "--format", "json")).out)).toMatchObject({ differences: [] });
  });

  test.each([
    ["another format", ["--format", "xml"], /--format: "xml" is not a format; write text or json/],
    ["no screen", ["--screen", "large"], /"large" is not a screen/],
  ])("%s is a wrong call", async (_what, more, why) => {
    const { code, err } = await nodulum("diff", before, after, ...more);
    expect([code, err]).toEqual([2, expect.stringMatching(why)]);
  });
});

test("misses prints a row a control, as the conformance case says, and within a moment alone where that is asked for", async () => {
  const [, , , case44] = missesCases();
  const { screen, handed, playerSize } = case44.options;
  const { code, out } = await nodulum(
    "misses",
    put("misses.json", JSON.stringify(case44.layout)),
    "--screen",
    screen,
    "--handed",
    handed,
    "--player-size",
    String(playerSize),
  );
  expect(code).toBe(0);
  const printed = JSON.parse(out) as { screen: { widthPx: number }; controls: { id: string; hit: number; nothing: number }[] };
  expect(printed.screen.widthPx).toBe(Number(screen.split("x")[0]));
  expect(printed.controls.map((c) => [c.id, c.hit.toFixed(2), c.nothing.toFixed(2)])).toEqual(
    case44.misses.map((c) => [c.id, c.hit.toFixed(2), c.nothing.toFixed(2)]),
  );
  const inMoment = await nodulum("misses", "samples/brackwater.nodulum.json", "--screen", "2400x1080@411", "--moment", "alongside");
  const ids = (JSON.parse(inMoment.out) as typeof printed).controls.map((c) => c.id);
  expect(ids).toContain("sidle-left");
  expect(ids).not.toContain("pump");
});

test("report writes one HTML file of the parts and screens that are asked for, with the digest of the layout; wrong calls say why", async () => {
  const draft = join(process.cwd(), "samples", "brackwater-first-draft.nodulum.json");
  const output = join(folder, "report.html");
  const { code, out } = await nodulum(
    "report",
    draft,
    "--screen",
    "2400x1080@411",
    "--parts",
    "layout,grid",
    "--paper",
    "letter",
    "--scale",
    "1",
    "-o",
    output,
  );
  expect([code, out]).toEqual([0, ""]);
  const html = readFileSync(output, "utf8");
  expect([...html.matchAll(/<section id="part-(\w+)"/g)].map(([, part]) => part)).toEqual(["layout", "grid"]);
  const read = readLayout(readFileSync(draft, "utf8"));
  if (!read.ok) throw new Error("the sample does not read");
  expect(html).toContain(createHash("sha256").update(writeLayout(read.value)).digest("hex"));
  expect(html).toContain("size: letter");
  for (const [more, why] of [
    [["--parts", "layout,poem"], /--parts: "poem" is not a part/],
    [["--paper", "a5"], /a4, letter/],
    [["-o", draft], /is the layout file itself/],
    [["--screen", "wide"], /--screen/],
  ] as const) {
    const wrong = await nodulum("report", draft, ...more);
    expect([wrong.code, wrong.err]).toEqual([2, expect.stringMatching(why)]);
  }
});

test("handoff writes chosen parcels into a folder or a zip; what needs a browser is named; wrong calls say what to write", async () => {
  const own = put("own.nodulum.json", writeLayout(sampleLayouts()[0]));
  const out = join(folder, "parcels");
  const take = join(process.cwd(), "samples", "takes", "brackwater-1.nodulum-take.json");
  const done = await nodulum("handoff", own, "--parcels", "played,tables,looks,takes", "--screen", "2400x1080@411", "--y", "up", "--take", take, "-o", out);
  expect([done.code, done.out]).toEqual([0, ""]);
  expect(done.err).toMatch(/not included: PNGs of the looks/);
  expect(readFileSync(join(out, "played", "brackwater.played.json"), "utf8")).toBe((await nodulum("compile", own)).out);
  expect(readFileSync(join(out, "tables", "brackwater-px.csv"), "utf8")).toMatch(/^screen,.*\n2400x1080@411,2400,1080,411,px,up,/);
  const [kept] = readdirSync(join(out, "takes"));
  expect((await nodulum("replay", own, "--take", join(out, "takes", kept), "--against")).code).toBe(0);
  const zip = join(folder, "parcels.zip");
  expect((await nodulum("handoff", own, "--parcels", "names", "--language", "rust", "--zip", zip)).code).toBe(0);
  expect(Object.keys(unzipSync(readFileSync(zip)))).toEqual(["names/actions.rs"]);
  for (const [more, words] of [
    [[], /give -o FOLDER or --zip FILE/],
    [["-o", out, "--parcels", "poem"], /"poem" is not a parcel; write layout, played/],
    [["--zip", own], /is the layout file itself/],
    [["-o", join(own, "below"), "--parcels", "played"], /cannot be written/],
  ] as const) {
    const wrong = await nodulum("handoff", own, "--screen", "2400x1080@411", ...more);
    expect([wrong.code, wrong.err]).toEqual([2, expect.stringMatching(words)]);
  }
});
