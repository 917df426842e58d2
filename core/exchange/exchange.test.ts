import { fileNamesOnce } from "./fileName";
import { sampleLayouts } from "../../test/samples";
import { fileSchema } from "../format/schema/file";
import { fallsShort, textReport } from "./checkText";
import { layoutJsonSchema } from "./schema";
import { readScreens } from "./screens";
import { readTrace } from "./traceFile";

const [brackwater] = sampleLayouts();

test("a trace is read line by line; faults name their line", () => {
  const good = readTrace('{"t":1,"type":"down","id":1,"x":2,"y":3}\n\n{"t":1,"type":"blur"}\n', brackwater);
  expect(good).toMatchObject({ ok: true, value: [{ type: "down" }, { type: "blur" }] });
  const bad = readTrace(
    '{"t":5,"type":"off"}\n{"t":1,"type":"on"}\nnonsense\n{"t":9,"type":"down","id":1,"x":1e999,"y":0}\n{"t":9,"type":"hover"}',
    brackwater,
  );
  expect(bad.ok ? [] : bad.problems.map((p) => p.path)).toEqual(["line 2", "line 3", "line 4", "line 5"]);
});

test("a trace before time 0, or of moments and controls that the layout lacks, is refused; none and what it has are taken", () => {
  const good = ['{"t":0,"type":"moment","moment":null}', '{"t":0,"type":"moment","moment":"alongside"}', '{"t":0,"type":"control","id":"helm","shown":false}'];
  expect(readTrace(good.join("\n"), brackwater).ok).toBe(true);
  for (const line of ['{"t":-1,"type":"off"}', '{"t":0,"type":"moment","moment":"ashore"}', '{"t":0,"type":"control","id":"wheel","shown":true}']) {
    const read = readTrace(line, brackwater);
    expect(read.ok ? [] : read.problems.map((p) => p.path)).toEqual(["line 1"]);
  }
});

test("a list of screens gets names from px where it has none", () => {
  expect(readScreens('[{"widthPx":640,"heightPx":480,"ppi":229}]')).toMatchObject({ ok: true, value: [{ name: "640×480", insets: { left: 0 } }] });
  const bad = readScreens('[{"widthPx":0,"heightPx":480,"ppi":229}]');
  expect(bad.ok ? "" : `${bad.problems[0].path} ${bad.problems[0].message}`).toBe("[0].widthPx must be a number from 100 to 20000 px");
});

test("the JSON Schema is of 2020-12, closed, and knows every top-level key", () => {
  const schema = layoutJsonSchema() as { $schema: string; additionalProperties: boolean; required: string[]; properties: Record<string, unknown> };
  expect(schema.$schema).toBe("https://json-schema.org/draft/2020-12/schema");
  expect(schema.additionalProperties).toBe(false);
  expect(schema.required.sort()).toEqual(["format", "name", "reference", "scale", "version"]);
  expect(Object.keys(schema.properties)).toEqual(Object.keys(fileSchema.shape));
});

test("reports count what is not accepted, and fail by what they are asked", () => {
  const finding = { code: "touch/small" as const, severity: "warning" as const, subjects: ["a"], measure: null, text: "small", moment: null, accepted: null };
  const screens = [{ name: "S", findings: [finding, { ...finding, accepted: "fine" }] }];
  expect(textReport(screens)).toContain("1 screen: 0 blockers, 1 warning, 0 notes");
  expect(textReport(screens)).toContain("(accepted: fine)");
  expect(fallsShort(screens, "blocker")).toBe(false);
  expect(fallsShort(screens, "warning")).toBe(true);
});

test("file names are used once, however alike the names are, and keep their endings", () => {
  const fileName = fileNamesOnce();
  expect(["Quay", "quay", "Quay!", "Tide"].map((name) => fileName(name, ".json"))).toEqual(["quay.json", "quay-2.json", "quay-3.json", "tide.json"]);
});
