import { readLayout, parseLayout } from "./parse";
import { FILES, LISTS, MOST_FILE_BYTES, PICTURES, SCREENS, TEXTS, type Limit } from "./limits";
import { isNestedDeeper, readJson } from "./parseJson";
import { pngOf, svgOf } from "../../test/pictures";
import { readContents } from "../exchange/backup";
import { readScreens } from "../exchange/screens";
import type { Result } from "../engine/result";

type File = Record<string, unknown>;
const times = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i));
const pin = { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["0u", "0u"], size: ["90u", "90u"] };
const button = (id: string, more: File = {}) => ({ id, name: id, kind: "button", placement: pin, ...more });
const screen = (more: File = {}) => ({ name: "s", widthPx: 1000, heightPx: 500, ppi: 254, ...more });
const bench = (more: File): File => ({ workbench: more });
const file = (more: File = {}): File => ({
  format: "nodulum-layout",
  version: 1,
  name: "Limits",
  reference: { width: 1000, height: 500 },
  scale: {},
  moments: [{ id: "m", name: "m" }],
  ...more,
});
const keyed = (count: number, value: unknown, key = (i: number) => `k${i}`) => Object.fromEntries(times(count, (i) => [key(i), value]));
const png = pngOf(8, 8);

/** Lists that are read apart from a layout: this many of what they hold, read. */
const ELSEWHERE = {
  screens: (n: number) => readScreens(JSON.stringify(times(n, () => ({ widthPx: 1000, heightPx: 500, ppi: 254 })))),
  backupLayouts: (n: number) => readContents(contents({ layouts: times(n, () => ({ id: "l", name: "", savedAt: 1, deletedAt: null, file: "f" })) })),
  backupStates: (n: number) => readContents(contents({ states: times(n, () => ({ id: "s", layout: "l", name: "", time: 1, file: "f" })) })),
  backupTakes: (n: number) =>
    readContents(contents({ takes: times(n, () => ({ id: "t", layout: "l", name: "", time: 1, seconds: 1, digest: "d", file: "f", on: null })) })),
};
const contents = (more: File) => JSON.stringify({ format: "nodulum-backup", version: 1, made: 1, layouts: [], states: [], ...more });

test.each(Object.keys(ELSEWHERE) as (keyof typeof ELSEWHERE)[])("%s, in a file of their own: taken at the limit, refused over it", (key) => {
  const { most, words } = LISTS[key];
  expect(told(ELSEWHERE[key](most))).toBe("");
  expect(told(ELSEWHERE[key](most + 1))).toContain(words);
});

/** A layout file that holds this many of what a limit counts. */
const LISTED: Readonly<Record<Exclude<keyof typeof LISTS, keyof typeof ELSEWHERE>, (n: number) => File>> = {
  actions: (n) => ({ actions: times(n, (i) => ({ name: `a${i}`, kind: "press" })) }),
  moments: (n) => ({ moments: times(n, (i) => ({ id: `m${i}`, name: "m" })) }),
  clusters: (n) => ({ clusters: times(n, (i) => ({ id: `c${i}`, name: "c", placement: pin })) }),
  controls: (n) => ({ controls: times(n, (i) => button(`c${i}`)) }),
  keepClear: (n) => ({ keepClear: times(n, (i) => ({ id: `z${i}`, name: "z", placement: pin })) }),
  arrangements: (n) => ({ arrangements: times(n, (i) => ({ id: `a${i}`, name: "a", when: {} })) }),
  overrides: (n) => ({
    controls: times(200, (i) => button(`k${i}`)),
    keepClear: times(200, (i) => ({ id: `k${200 + i}`, name: "z", placement: pin })),
    clusters: times(64, (i) => ({ id: `k${400 + i}`, name: "c", placement: pin })),
    arrangements: [{ id: "a", name: "a", when: {}, overrides: keyed(n, { hidden: true }) }],
  }),
  together: (n) => ({ together: times(n, (i) => ({ id: `t${i}`, actions: [] })) }),
  togetherActions: (n) => ({ together: [{ id: "t", actions: times(n, (i) => `a${i}`) }] }),
  accepted: (n) => ({ accepted: times(n, () => ({ code: "touch/small", subjects: [], reason: "" })) }),
  subjects: (n) => ({ accepted: [{ code: "touch/small", subjects: times(n, (i) => `c${i}`), reason: "" }] }),
  pictures: (n) => ({ pictures: times(n, (i) => ({ id: `p${i}`, name: "p", type: "image/png", data: png })) }),
  momentsOf: (n) => ({ controls: [button("c", { moments: times(n, () => "m") })] }),
  serves: (n) => ({ controls: [button("c", { serves: times(n, () => ({ port: "press", action: "a" })) })] }),
  labels: (n) => ({ controls: [button("c", { look: { labels: keyed(n, "L", (i) => `en-x${i}`) } })] }),
  keys: (n) => ({ actions: [{ name: "a", kind: "press", keys: times(n, () => ({ code: "KeyA" })) }] }),
  mouse: (n) => ({ actions: [{ name: "a", kind: "press", mouse: times(n, () => ({ button: 1 })) }] }),
  pad: (n) => ({ actions: [{ name: "a", kind: "press", pad: times(n, () => ({ button: 1 })) }] }),
  cutouts: (n) => bench({ screens: [screen({ cutouts: times(n, () => ({ x: 0, y: 0, w: 1, h: 1 })) })] }),
  ownScreens: (n) => bench({ screens: times(n, (i) => screen({ name: `s${i}` })) }),
  rail: (n) => bench({ rail: times(n, (i) => `s${i}`) }),
  callees: (n) => bench({ callees: times(n, (i) => `f${i}`) }),
  momentPictures: (n) => bench({ momentPictures: keyed(n, { name: "p", type: "image/png", data: png }) }),
  playersPart: (n) => bench({ playersPart: keyed(n, 0.5) }),
  locked: (n) => bench({ locked: keyed(n, ["x"]) }),
};

const told = (result: Result<unknown>) => (result.ok ? "" : result.problems.map((p) => `${p.path}: ${p.message}`).join("\n"));

test.each(Object.keys(LISTED) as (keyof typeof LISTED)[])("%s: taken under and at the limit, refused over it, in its words", (key) => {
  const { most, words } = LISTS[key];
  for (const n of [most - 1, most]) expect(told(parseLayout(file(LISTED[key](n))))).toBe("");
  const over = parseLayout(file(LISTED[key](most + 1)));
  expect(told(over)).toContain(words);
  expect(told(over).split("\n")).toHaveLength(1);
});

const TEXT: Readonly<Record<keyof typeof TEXTS, (text: string) => File>> = {
  name: (name) => ({ name }),
  label: (label) => ({ controls: [button("c", { look: { label } })] }),
  actionName: (name) => ({ actions: [{ name, kind: "press" }] }),
  code: (code) => ({ actions: [{ name: "a", kind: "press", keys: [{ code }] }] }),
  icon: (icon) => ({ controls: [button("c", { look: { icon } })] }),
  languageTag: (tag) => ({ controls: [button("c", { look: { labels: { [tag]: "L" } } })] }),
  length: (text) => ({ controls: [button("c", { hit: { grow: text } })] }),
  note: (note) => ({ actions: [{ name: "a", kind: "press", note }] }),
  reason: (reason) => ({ accepted: [{ code: "c", subjects: [], reason }] }),
  findingCode: (code) => ({ accepted: [{ code, subjects: [], reason: "" }] }),
  subject: (subject) => ({ accepted: [{ code: "c", subjects: [subject], reason: "" }] }),
  callee: (callee) => bench({ callees: [callee] }),
  screenName: (name) => bench({ screens: [screen({ name })] }),
};
const letters = (key: string, n: number) =>
  key === "length" ? `${"1".repeat(n - 1)}u` : key === "languageTag" ? `en${"-abcdefg".repeat(12)}`.slice(0, n).replace(/-$/, "x") : "n".repeat(n);

test.each(Object.keys(TEXTS) as (keyof typeof TEXTS)[])("the text %s: taken at its limits, refused beyond them", (key) => {
  const { least, most, words }: Limit = TEXTS[key];
  const read = (n: number) => told(parseLayout(file(TEXT[key](letters(key, n)))));
  for (const n of [least ?? 2, most - 1, most]) expect(read(n)).toBe("");
  expect(read(most + 1)).toContain(words);
  for (const n of least === undefined ? [] : [least - 1]) expect(read(n)).toContain(words);
});

test.each([
  ["sidePx", (n: number) => screen({ widthPx: n })],
  ["sidePx", (n: number) => screen({ heightPx: n })],
  ["ppi", (n: number) => screen({ ppi: n })],
  ["insetPx", (n: number) => screen({ insets: { left: n } })],
  ["insetPx", (n: number) => screen({ edges: { top: n } })],
  ["insetPx", (n: number) => screen({ cornerPx: n })],
  ["cutoutPx", (n: number) => screen({ cutouts: [{ x: n, y: 0, w: 1, h: 1 }] })],
] as const)("a screen's %s: taken at both ends, refused beyond them", (key, make) => {
  const { least, most, words } = SCREENS[key] as Required<Limit>;
  const read = (n: number) => told(parseLayout(file(bench({ screens: [make(n)] }))));
  for (const n of [least, least + 1, most - 1, most]) expect(read(n)).toBe("");
  for (const n of [least - 1, most + 1]) expect(read(n)).toContain(words);
});

const picture = (data: string, type = "image/png") => file({ pictures: [{ id: "p", name: "p", type, data }] });

test("pictures: sides, area and bytes, one by one and together", () => {
  const { sidePx, area, allArea, fileBytes, allBytes, backdropBytes, backdropsBytes } = PICTURES;
  for (const [w, h] of [
    [sidePx.most, 1],
    [1, sidePx.most],
    [4096, 4096],
  ])
    expect(told(parseLayout(picture(pngOf(w, h))))).toBe("");
  for (const [w, h] of [
    [sidePx.most + 1, 1],
    [1, sidePx.most + 1],
    [0, 4],
  ])
    expect(told(parseLayout(picture(pngOf(w, h))))).toContain(sidePx.words);
  expect(told(parseLayout(picture(pngOf(4097, 4096))))).toContain(area.words);
  const many = (sizes: readonly (readonly [number, number])[]) =>
    told(parseLayout(file({ pictures: sizes.map(([w, h], i) => ({ id: `p${i}`, name: "p", type: "image/png", data: pngOf(w, h) })) })));
  expect(
    many([
      [4096, 4096],
      [4096, 4096],
    ]),
  ).toBe("");
  expect(
    many([
      [4096, 4096],
      [4096, 4096],
      [1, 1],
    ]),
  ).toBe(`pictures: ${allArea.words}`);
  expect(told(parseLayout(picture(pngOf(8, 8, fileBytes.most))))).toBe("");
  expect(told(parseLayout(picture(pngOf(8, 8, fileBytes.most + 3))))).toContain(fileBytes.words);
  const heavy = (n: number, more: number) =>
    told(
      parseLayout(
        file({
          pictures: [...times(n, () => fileBytes.most), ...(more ? [more] : [])].map((size, i) => ({
            id: `p${i}`,
            name: "p",
            type: "image/png",
            data: pngOf(8, 8, size),
          })),
        }),
      ),
    );
  expect(heavy(allBytes.most / fileBytes.most, 0)).toBe("");
  expect(heavy(allBytes.most / fileBytes.most, 60)).toContain(allBytes.words);
  const backdrop = (size: number) => ({ name: "b", type: "image/png", data: pngOf(8, 8, size) });
  expect(told(parseLayout(file(bench({ picture: backdrop(backdropBytes.most) }))))).toBe("");
  expect(told(parseLayout(file(bench({ picture: backdrop(backdropBytes.most + 3) }))))).toContain(backdropBytes.words);
  const all = (more: number) =>
    bench({ picture: backdrop(backdropBytes.most), momentPictures: { a: backdrop(backdropBytes.most), b: backdrop(backdropBytes.most - 60 + more) } });
  expect(told(parseLayout(file(all(60))))).toBe("");
  expect(
    told(
      parseLayout(
        file({
          ...all(60),
          workbench: { ...(all(60).workbench as File), momentPictures: { ...((all(60).workbench as File).momentPictures as File), c: backdrop(60) } },
        }),
      ),
    ),
  ).toContain(backdropsBytes.words);
});

test("an SVG's elements, nesting and layers: at the limit it is shown, over it refused", () => {
  const read = (body: string) => told(parseLayout(picture(svgOf(body), "image/svg+xml")));
  const most = PICTURES.svgElements.most;
  expect(read("<g/>".repeat(most - 1))).toBe("");
  expect(read("<g/>".repeat(most))).toContain("at most 20,000 elements");
  // What is used counts again: half of it drawn, and once more.
  expect(read(`<g id="a">${"<g/>".repeat(most / 2 - 3)}</g><use href="#a"/>`)).toBe("");
  expect(read(`<g id="a">${"<g/>".repeat(most / 2)}</g><use href="#a"/>`)).toContain(PICTURES.svgElements.words);
  const chain = (kind: string, by: string, n: number) =>
    times(n, (i) => `<${kind} id="m${i}"><g ${by}="url(#m${i + 1})"/></${kind}>`).join("") + `<${kind} id="m${n}"/><g ${by}="url(#m0)"/>`;
  for (const [kind, by] of [
    ["mask", "mask"],
    ["pattern", "fill"],
    ["filter", "filter"],
  ]) {
    expect(read(chain(kind, by, 2))).toBe("");
    expect(read(chain(kind, by, 3))).toContain(PICTURES.svgNesting.words);
  }
  const uses = (n: number) => `<g id="u0"/>${times(n, (i) => `<g id="u${i + 1}"><use href="#u${i}"/></g>`).join("")}`;
  expect(read(uses(3))).toBe("");
  expect(read(uses(4))).toContain(PICTURES.svgNesting.words);
  const layers = (n: number) => `<mask id="m"/>${'<g mask="url(#m)"/>'.repeat(n)}`;
  expect(read(layers(PICTURES.svgLayers.most - 1))).toBe("");
  expect(read(layers(PICTURES.svgLayers.most))).toContain(PICTURES.svgLayers.words);
});

test("an SVG's filters: as many steps as may be are shown, one more is refused; slow ones count for many", () => {
  const read = (steps: string, uses: number) =>
    told(parseLayout(picture(svgOf(`<filter id="f">${steps}</filter>${'<g filter="url(#f)"/>'.repeat(uses)}`), "image/svg+xml")));
  const { svgFilterSteps, svgOctaves } = PICTURES;
  // The filter itself is there once as well.
  expect(read("<feOffset/>", svgFilterSteps.most - 1)).toBe("");
  expect(read("<feOffset/>", svgFilterSteps.most)).toContain(svgFilterSteps.words);
  expect(read('<feTurbulence numOctaves="8"/>', 3)).toBe("");
  expect(read('<feTurbulence numOctaves="8"/>', 4)).toContain(svgFilterSteps.words);
  for (const attribute of ['filter="blur(1px)"', 'style="fill:red; filter: drop-shadow(1px 1px red)"']) {
    const uses = (n: number) => told(parseLayout(picture(svgOf(`<g ${attribute}/>`.repeat(n)), "image/svg+xml")));
    expect(uses(svgFilterSteps.most)).toBe("");
    expect(uses(svgFilterSteps.most + 1)).toContain(svgFilterSteps.words);
  }
  for (const octaves of ["9", "1e9", "many"]) expect(read(`<feTurbulence numOctaves="${octaves}"/>`, 1)).toContain(svgOctaves.words);
});

test("nesting: 64 deep is read, 65 is refused before it is parsed; brackets in strings do not count", () => {
  const nested = (n: number) => "[".repeat(n) + "]".repeat(n);
  expect(readJson(nested(64)).ok).toBe(true);
  expect(told(readJson(nested(65)))).toContain(FILES.nesting.words);
  expect(told(readJson(nested(3_000_000)))).toContain(FILES.nesting.words);
  expect(isNestedDeeper(`{"a\\"[[[[": "\\\\", "b": ["[[[["]}`, 2)).toBe(false);
  expect(isNestedDeeper(`{"a": "\\\\", "b": [[]]}`, 2)).toBe(true);
});

test("at most 50 problems are told, of 200 characters each, and the rest are counted", () => {
  const bad = parseLayout(file({ controls: times(200, (i) => ({ ...button(`c${i}`), placement: { ...pin, kind: "nail".repeat(100) } })) }));
  expect(bad.ok ? [] : bad.problems).toHaveLength(FILES.problems.most);
  expect(bad.ok ? null : bad.problems.at(-1)).toEqual({ path: "", message: "and 151 more problems" });
  const long = parseLayout(file({ ["k".repeat(4_000_000)]: 1 }));
  if (long.ok) throw new Error("taken");
  expect(long.problems.every((p) => p.path.length <= 200 && p.message.length <= 200)).toBe(true);
  expect(told(long)).toContain("unknown key");
  expect(told(parseLayout(file({ ["nam".padEnd(64, "e")]: 1 })))).not.toContain("did you mean");
  expect(told(parseLayout(file({ controlls: [] })))).toContain('did you mean "controls"');
  expect(told(parseLayout(file(keyed(90, 1))))).toMatch(/has 9\d keys, most of them unknown/);
  expect(told(parseLayout(file(keyed(9, 1))))).toContain("and 4 more unknown keys");
});

test("a file without pictures holds 8 MiB, and no file more than with all its pictures", () => {
  const text = JSON.stringify(file());
  const padded = (bytes: number) => text + " ".repeat(bytes - text.length);
  expect(told(readLayout(padded(FILES.bytesWithoutPictures.most)))).toBe("");
  expect(told(readLayout(padded(FILES.bytesWithoutPictures.most + 1)))).toContain(FILES.bytesWithoutPictures.words);
  expect(told(readLayout(padded(MOST_FILE_BYTES + 1)))).toContain(FILES.bytesWithoutPictures.words);
});

test.each([
  ["of no finite scale", { reference: { width: 1e-320, height: 1e-320 }, scale: { share: 1 } }],
  ["of no scale above 0", { reference: { width: 1e308, height: 1e308 }, scale: { share: 1, of: "area" } }],
  ["of a unit beyond numbers", { scale: { mmPerUnit: 1e308 } }],
])("a reference %s is refused where it stands", (_, more) => {
  expect(told(parseLayout(file(more)))).toMatch(/^reference: .* the scale is not a number of px; write the px/);
});

test("names stand in one line; the way out is told", () => {
  expect(told(parseLayout(file({ name: "Main\r\ndeck" })))).toBe('name: must have no control characters or line ends; write "Main deck"');
  for (const name of ["tab\there", "bell\u0007", "next\u0085", "line\u2028"])
    expect(told(parseLayout(file({ controls: [button("c", { name })] })))).toContain("no control characters");
  expect(told(parseLayout(file({ actions: [{ name: "a", kind: "press", note: "one\ntwo" }] })))).toBe("");
  expect(told(parseLayout(file({ name: "half \ud83d" })))).toContain("half a character");
  expect(told(parseLayout(file({ actions: [{ name: "a", kind: "press", note: "nul\u0000" }] })))).toContain("NUL");
});
