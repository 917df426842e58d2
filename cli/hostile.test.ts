import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { textOfFile } from "../views/document/files/textOfFile";
import { readLayout } from "../core/format/parse";
import { commandLine } from "../test/commandLine";

const { folder, put, nodulum } = commandLine();
const pin = { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["9mm", "9mm"], size: ["90u", "90u"] };
const file = (more: object = {}) => ({ format: "nodulum-layout", version: 1, name: "H", reference: { width: 1000, height: 500 }, scale: {}, ...more });
const button = (more: object = {}) => ({ id: "b", name: "B", kind: "button", placement: pin, ...more });
/** Anything that a terminal would act on. */
const ACTS = /[\u0000-\u0009\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069\u2028\u2029]/;

test("no file acts upon the terminal: words of a layout, a screen's name, a broken key, a file's own name", async () => {
  const esc = "\u001b]0;gone\u0007\u009b31m\u202e";
  const layout = put(
    "esc.json",
    JSON.stringify(
      file({
        controls: [button({ serves: [{ port: "press", action: `no${esc}` }] }), button({ id: "c" })],
        accepted: [{ code: "bind/unknown-action", subjects: ["b"], reason: `seen${esc}\nnext` }],
      }),
    ),
  );
  const empty = put("empty.json", JSON.stringify(file()));
  const broken = put(`bro${"\u001b"}ken.json`, JSON.stringify({ ...file(), [`key${esc}`]: 1 }));
  for (const args of [
    ...["text", "json", "junit", "sarif"].map((format) => ["check", layout, "--format", format, "--screen", "1000x500@254"]),
    ["diff", empty, layout],
    ["diff", empty, layout, "--format", "json"],
    ["check", broken],
    ["check", layout, "--moment", esc],
    ["resolve", layout, "--screen", esc],
    [esc],
  ]) {
    const { out, err } = await nodulum(...args);
    expect(out + err).not.toMatch(ACTS);
    expect(out + err).not.toBe("");
  }
});

test("command line and browser take the same bytes: strict UTF-8, one byte order mark", async () => {
  const good = JSON.stringify(file({ name: "Grüße" }));
  const bytes = (text: string) => new TextEncoder().encode(text);
  const cases: readonly (readonly [Uint8Array, boolean])[] = [
    [bytes(good), true],
    [bytes(`\uFEFF${good}`), true],
    [bytes(`\uFEFF\uFEFF${good}`), false],
    [new Uint8Array(Buffer.from(good, "latin1")), false],
    [bytes(good.replace("Grüße", "\\ud83d")), false],
    [new Uint8Array([0xff, 0xfe, ...Buffer.from(good, "utf16le")]), false],
    [new Uint8Array(0), false],
    [new Uint8Array(Buffer.concat([Buffer.from(good), Buffer.from([0xc3])])), false],
  ];
  for (const [i, [content, taken]] of cases.entries()) {
    const { code } = await nodulum("compile", put(`bytes${i}.json`, content), "-o", join(folder, "out.json"));
    const text = await textOfFile({ size: content.length, arrayBuffer: () => Promise.resolve(content.slice().buffer) });
    expect([i, code, text.ok && readLayout(text.value).ok]).toEqual([i, taken ? 0 : 2, taken]);
  }
});

const layout = put(
  "layout.json",
  JSON.stringify(
    file({
      actions: [
        { name: "__proto__", kind: "press", keys: [{ code: "KeyA" }] },
        { name: "constructor", kind: "axis" },
      ],
      controls: [
        button({
          serves: [
            { port: "press", action: "__proto__" },
            { port: "press", action: "constructor" },
          ],
        }),
      ],
    }),
  ),
);
const replay = (lines: readonly unknown[] | string) =>
  nodulum(
    "replay",
    layout,
    "--screen",
    "1000x500@254",
    "--trace",
    put("t.ndjson", typeof lines === "string" ? lines : lines.map((l) => JSON.stringify(l)).join("\n")),
  );

test("names such as __proto__ and constructor play", async () => {
  const { code, out } = await replay([{ t: 1, id: 1, type: "down", x: 130, y: 130 }]);
  expect(code).toBe(0);
  expect(out.split("\n")[0]).toBe('{"t":16.666666666666668,"values":{"__proto__":true,"constructor":1}}');
});

test("a long trace is played as it is read; a fault on its last line is told, and nothing is printed", async () => {
  const key = (t: number) => ({ t, type: "key", code: "KeyA", down: t % 2 === 0 });
  const long = await replay([key(0), key(400_001)]);
  expect(long.code).toBe(0);
  expect(long.out.trim().split("\n")).toHaveLength(24_002);
  expect(await replay([...Array.from({ length: 20_000 }, (_, i) => key(i)), { t: 5, type: "blur" }])).toMatchObject({
    code: 2,
    out: "",
    err: expect.stringContaining("line 20001: its time 5"),
  });
});

test("a trace of one endless line, or of bytes that are no text, is refused", async () => {
  expect(await replay(" ".repeat(40) + "9".repeat(500_000))).toMatchObject({
    code: 2,
    out: "",
    err: expect.stringContaining("must have 16384 characters at most"),
  });
  writeFileSync(join(folder, "latin.ndjson"), Buffer.from('{"t":0,"type":"key","code":"ü","down":true}', "latin1"));
  expect(await nodulum("replay", layout, "--screen", "1000x500@254", "--trace", join(folder, "latin.ndjson"))).toMatchObject({
    code: 2,
    out: "",
    err: expect.stringContaining("UTF-8"),
  });
});
