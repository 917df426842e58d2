/**
 * Files that mean harm: too large, too deep, with numbers and names that break what is careless, pictures that unpack to gigabytes, SVGs that
 * act, reach out or multiply; and sound files at every limit at once. Made at random from a seed, so that one can be had again.
 */
import { readFileSync } from "node:fs";
import { deflateSync } from "node:zlib";
import { mutate } from "../test/fuzz";
import { randomFrom } from "../test/random";
import { pngOf } from "../test/pictures";

/** A file, and in a word or two what it tries. */
export interface HostileFile {
  readonly what: string;
  readonly bytes: Buffer;
}

type Random = () => number;
type Json = Record<string, unknown>;
const times = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i));
const some = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];
const base64 = (text: string | Buffer) => Buffer.from(text).toString("base64");
const pin = (x = 10, y = 10, size = "90u") => ({ kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: [`${x}mm`, `${y}mm`], size: [size, size] });
const button = (id: string, more: Json = {}): Json => ({ id, name: id, kind: "button", placement: pin(), ...more });
const layout = (more: Json = {}): Json => ({
  format: "nodulum-layout",
  version: 1,
  name: "Hostile",
  reference: { width: 1600, height: 720 },
  scale: {},
  ...more,
});
const json = (what: string, value: unknown): HostileFile => ({ what, bytes: Buffer.from(JSON.stringify(value)) });
const text = (what: string, content: string): HostileFile => ({ what, bytes: Buffer.from(content) });

/** Lists far over their limits, long texts, long keys, files of megabytes. */
function sizes(random: Random): HostileFile {
  const n = Math.floor(10 ** (2 + random() * 3.3));
  const list = some(random, ["controls", "actions", "clusters", "keepClear", "together", "accepted", "arrangements", "moments", "pictures"]);
  return some<() => HostileFile>(random, [
    () => json(`${n} ${list}`, layout({ [list]: times(n, (i) => (random() < 0.5 ? {} : button(`c${i}`))) })),
    () => json(`${n} serves`, layout({ controls: [button("c", { serves: times(n, () => ({ port: "press", action: "a" })) })] })),
    () => json(`${n} keys`, layout({ actions: [{ name: "a", kind: "press", keys: times(n, () => ({ code: "KeyA" })) }] })),
    () => json(`${n} screens`, layout({ workbench: { screens: times(n, (i) => ({ name: `s${i}`, widthPx: 20000, heightPx: 20000, ppi: 30 })) } })),
    () => json(`${n} unknown keys`, layout(Object.fromEntries(times(n, (i) => [`key${i}`, 1])))),
    () => json("a key of 4 million letters", layout({ ["k".repeat(4_000_000)]: 1 })),
    () => json("a name of 4 million letters", layout({ name: "n".repeat(4_000_000) })),
    () => json("a length of 4 million digits", layout({ controls: [button("c", { hit: { grow: `${"1".repeat(4_000_000)}u` } })] })),
    () => text("8 MiB of brackets in a text", JSON.stringify(layout({ name: "[{".repeat(4_000_000) }))),
    () => text("30 MiB of spaces", JSON.stringify(layout()) + " ".repeat(30 * 1024 * 1024)),
    () =>
      json(
        `${n} overrides`,
        layout({
          controls: [button("c")],
          arrangements: [{ id: "a", name: "a", when: {}, overrides: Object.fromEntries(times(n, (i) => [`o${i}`, { hidden: 7 }])) }],
        }),
      ),
  ])();
}

function nesting(random: Random): HostileFile {
  const depth = Math.floor(10 ** (1 + random() * 5));
  const [open, close] = random() < 0.5 ? ["[", "]"] : ['{"a":', "}"];
  const deep = `${open.repeat(depth)}1${close.repeat(depth)}`;
  const key = some(random, ["workbench", "controls", "limits", "x", "scale"]);
  return text(
    `${depth} deep in ${key}`,
    JSON.stringify(layout({ [key]: "HERE" })).replace('"HERE"', () => deep),
  );
}

/** Numbers at the ends of what there is, and sound layouts at every limit. */
function numbers(random: Random): HostileFile {
  const odd = some(random, ["1e308", "-1e308", "1e-320", "1e999", "-0", "9".repeat(400), "0.1e-400"]);
  const put = (value: Json) =>
    text(
      `the number ${odd.slice(0, 12)}`,
      JSON.stringify(value).replaceAll('"HERE"', () => odd),
    );
  return some<() => HostileFile>(random, [
    () => put(layout({ reference: { width: "HERE", height: 720 }, scale: { share: 1 } })),
    () => put(layout({ scale: { mmPerUnit: "HERE" }, controls: [button("c")] })),
    () => put(layout({ playerSizes: { min: 1e-9, max: "HERE" }, controls: [button("c")] })),
    () => put(layout({ controls: [button("c", { hit: { minMm: "HERE" }, look: { rotateDeg: "HERE" } })] })),
    () => put(layout({ limits: { minGapMm: "HERE", comfortMm: "HERE" }, controls: [button("c"), button("d")] })),
    () => put(layout({ picture: { minAspect: 1e-300, maxAspect: "HERE" }, controls: [button("c")] })),
    () => put(layout({ workbench: { screens: [{ name: "s", widthPx: "HERE", heightPx: 100, ppi: 30 }] } })),
    () =>
      json(
        "64 screens as large as they may be",
        layout({
          controls: [button("c")],
          workbench: {
            screen: "s1",
            rail: times(64, (i) => `s${i}`),
            gridMm: 0.5,
            screens: times(64, (i) => ({ name: `s${i}`, widthPx: 20000, heightPx: i % 2 ? 20000 : 100, ppi: 30 })),
          },
        }),
      ),
    () =>
      json(
        "everything there may be",
        layout({
          actions: times(200, (i) => ({ name: `a${i}`, kind: "press", keys: times(32, (k) => ({ code: `Key${k}` })) })),
          moments: times(32, (i) => ({ id: `m${i}`, name: `M${i}` })),
          controls: times(200, (i) =>
            button(`c${i}`, {
              placement: pin((i % 20) * 6, Math.floor(i / 20) * 6, "60u"),
              feel: { slideIn: true },
              serves: times(8, (k) => ({ port: "press", action: `a${(i + k) % 200}` })),
            }),
          ),
          together: times(32, (i) => ({ id: `t${i}`, actions: times(8, (k) => `a${(i * 6 + k * 5) % 200}`) })),
          arrangements: times(16, (i) => ({
            id: `r${i}`,
            name: `R${i}`,
            when: { aspect: { min: 0.1 + i / 10, max: 0.2 + i / 10 } },
            overrides: Object.fromEntries(times(200, (c) => [`c${c}`, { hidden: c % 3 === 0 }])),
          })),
        }),
      ),
  ])();
}

const NAMES = [
  "__proto__",
  "constructor",
  "toString",
  "hasOwnProperty",
  "\u001b]0;x\u0007",
  "a\nb",
  "\u202egnp.exe",
  "<img src=x onerror=ran=1>",
  "javascript:ran=1",
  "=1+1",
  "\u0000",
  "\ud800",
  "😀".repeat(40),
  "${ran=1}",
  "../../x",
  "{{constructor}}",
];
function names(random: Random): HostileFile {
  const name = some(random, NAMES);
  const id = some(random, ["constructor", "c", "proto", "valueof"]);
  return json(
    `the name ${JSON.stringify(name).slice(0, 30)}`,
    layout({
      name: random() < 0.3 ? name : "Names",
      actions: [
        { name, kind: some(random, ["press", "vector", "axis", "motion"]), note: name, keys: [{ code: name }] },
        { name: `${name}2`, kind: "press" },
      ],
      moments: [{ id: "m", name: random() < 0.5 ? name : "m" }],
      controls: [
        button(id, { name: random() < 0.5 ? name : "B", look: { label: name, icon: name, labels: { en: name } }, serves: [{ port: "press", action: name }] }),
        { id: "s", name: "S", kind: "stick", placement: pin(40, 20), serves: [{ port: "vector", action: name }] },
      ],
      arrangements: [{ id: "a", name: "A", when: {}, overrides: { [random() < 0.5 ? id : name]: { hidden: false } } }],
      workbench: { screens: [{ name, widthPx: 1000, heightPx: 500, ppi: 254 }], screen: name, rail: [name], playersPart: { [name]: 0.5 }, callees: [name] },
    }),
  );
}

const withPicture = (what: string, type: string, data: string): HostileFile =>
  json(what, layout({ pictures: [{ id: "p", name: "p", type, data }], controls: [button("c", { look: { art: { rest: "p" } } })] }));

/** A PNG that says it has few pixels and unpacks to many, or the other way about. */
function pngBomb(width: number, height: number, unpacked: number): string {
  const png = Buffer.from(pngOf(width, height), "base64");
  const packed = deflateSync(Buffer.alloc(unpacked), { level: 9 });
  const at = png.indexOf("IDAT");
  const length = png.readUInt32BE(at - 4);
  const head = Buffer.alloc(4);
  head.writeUInt32BE(packed.length);
  return base64(Buffer.concat([png.subarray(0, at - 4), head, Buffer.from("IDAT"), packed, Buffer.alloc(4), png.subarray(at + length + 8)]));
}

function pictures(random: Random): HostileFile {
  const sides = [1, 8, 4096, 8192, 8193, 65535, 2 ** 31];
  const [w, h] = [some(random, sides), some(random, sides)];
  return some<() => HostileFile>(random, [
    () => withPicture(`a PNG of ${w} × ${h}`, "image/png", pngOf(Math.min(w, 20000), Math.min(h, 20000), 200)),
    () => withPicture("a PNG that unpacks to 200 MiB", "image/png", pngBomb(w > 8192 ? 8 : w, 1, 200 * 1024 * 1024)),
    () => withPicture("bytes at random", some(random, ["image/png", "image/webp"]), base64(Buffer.from(times(600, () => Math.floor(random() * 256))))),
    () => withPicture("broken base64", "image/png", some(random, ["A", "!!!!", "AAAA=AAA", "AAA", "=", "Ä".repeat(8)])),
    () =>
      withPicture(
        "a bitmap by another name",
        "image/png",
        base64(Buffer.concat([Buffer.from("BM"), Buffer.alloc(16), Buffer.from([0xff, 0xff, 0xff, 0x7f, 0xff, 0xff, 0xff, 0x7f]), Buffer.alloc(400)])),
      ),
    () => withPicture("an SVG that calls itself a PNG", "image/png", base64("<svg xmlns='http://www.w3.org/2000/svg' onload='ran=1'/>")),
    () =>
      json(
        "200 pictures",
        layout({
          pictures: times(200, (i) => ({ id: `p${i}`, name: "p", type: "image/png", data: pngOf(400 + i, 400) })),
          controls: times(200, (i) => button(`c${i}`, { look: { art: { rest: `p${i}` } } })),
        }),
      ),
    () => json("a backdrop of 4096 × 4096", layout({ workbench: { picture: { name: "b", type: "image/png", data: pngOf(4096, 4096) } } })),
    () => withPicture("a truncated PNG", "image/png", base64(Buffer.from(pngOf(300, 300), "base64").subarray(0, 40 + Math.floor(random() * 60)))),
  ])();
}

/** An address that nobody may ask; the runner listens there. */
export const CANARY = "http://127.0.0.1:4377/canary";

function svgs(random: Random): HostileFile {
  const n = Math.floor(10 ** (1 + random() * 3.6));
  const deep = 2 + Math.floor(random() * 30);
  const bodies: readonly (readonly [what: string, body: string])[] = [
    ["a script", "<script>ran=1</script>"],
    ["a handler", '<rect width="8" height="8" onload="ran=1" onclick="ran=1"/>'],
    ["a foreign object", `<foreignObject width="8" height="8"><img xmlns="http://www.w3.org/1999/xhtml" src="${CANARY}" onerror="ran=1"/></foreignObject>`],
    ["a picture from outside", `<image href="${CANARY}" width="8" height="8"/>`],
    ["a style from outside", `<style>@import url(${CANARY}); rect{fill:url(${CANARY}#a)}</style><rect width="8" height="8"/>`],
    ["a font from outside", `<style>@font-face{font-family:a;src:url(${CANARY})}text{font-family:a}</style><text>a</text>`],
    ["a use from outside", `<use href="${CANARY}#a"/>`],
    [
      "masks in masks",
      times(
        deep,
        (i) => `<mask id="m${i}"><rect width="8" height="8" fill="#fff" mask="url(#m${i + 1})"/><rect width="8" height="8" mask="url(#m${i + 1})"/></mask>`,
      ).join("") + '<rect width="8" height="8" mask="url(#m0)"/>',
    ],
    ["uses of uses", times(deep, (i) => `<g id="u${i + 1}">${`<use href="#u${i}"/>`.repeat(10)}</g>`).join("") + '<rect id="u0" width="1" height="1"/>'],
    [
      "patterns in patterns",
      times(
        3,
        (i) => `<pattern id="p${i}" width=".01" height=".01" patternUnits="userSpaceOnUse"><rect width="8" height="8" fill="url(#p${i + 1})"/></pattern>`,
      ).join("") + '<rect width="8" height="8" fill="url(#p0)"/>',
    ],
    [
      "filters",
      `<filter id="f"><feGaussianBlur stdDeviation="1e6"/><feTurbulence numOctaves="1000" baseFrequency="9"/><feMorphology radius="1e5" operator="dilate"/></filter>${'<rect width="8" height="8" filter="url(#f)"/>'.repeat(Math.min(n, 199))}`,
    ],
    ["many elements", '<circle cx="4" cy="4" r="3" fill-opacity=".1"/>'.repeat(Math.min(n * 5, 30_000))],
    ["tiny dashes", `<path d="M0 0${"L8 8L0 0".repeat(Math.min(n, 3000))}" stroke="#000" stroke-width=".01" stroke-dasharray="1e-7 1e-7"/>`],
    ["deep groups", "<g>".repeat(n) + "</g>".repeat(n)],
    ["a long path", `<path d="M0 0${"c1 2 3 4 5 6".repeat(Math.min(n * 4, 20_000))}" stroke="#000"/>`],
    ["an animation", `<rect width="8" height="8"><set attributeName="href" to="${CANARY}"/><animate attributeName="onload" values="ran=1"/></rect>`],
    ["broken XML", "<g><rect></g></rect>"],
    ["big text", `<text font-size="1e9">${"W".repeat(Math.min(n * 10, 100_000))}</text>`],
    ["figures at the end of numbers", '<rect x="-1e308" width="1e308" height="1e308" transform="scale(1e30) rotate(1e30)"/><circle r="1e38"/>'],
  ];
  const [what, body] = some(random, bodies);
  const head = some(random, [
    "",
    "",
    "",
    `<!DOCTYPE svg [<!ENTITY a "${"x".repeat(100)}"><!ENTITY b "${"&a;".repeat(100)}">]>`,
    `<?xml-stylesheet href="${CANARY}"?>`,
  ]);
  const size = some(random, ["", 'width="1e9" height="1e9"', 'width="0" height="0"', 'viewBox="0 0 1e-30 1e30"']);
  return withPicture(
    `an SVG with ${what}${head && ", and a head"}`,
    "image/svg+xml",
    base64(`${head}<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8" ${size}>${body}</svg>`.replace(/viewBox="0 0 8 8" viewBox/, "viewBox")),
  );
}

const SAMPLES = ["brackwater", "pigeonhole", "brackwater-first-draft", "derrick"].map(
  (name) => JSON.parse(readFileSync(`samples/${name}.nodulum.json`, "utf8")) as Json,
);
function broken(random: Random): HostileFile {
  const value = structuredClone(some(random, SAMPLES));
  mutate(value, random);
  return json("a sample with something broken", value);
}

function notText(random: Random): HostileFile {
  const sound = Buffer.from(JSON.stringify(some(random, SAMPLES)));
  return some<() => HostileFile>(random, [
    () => ({ what: "bytes at random", bytes: Buffer.from(times(2000, () => Math.floor(random() * 256))) }),
    () => ({ what: "cut off", bytes: sound.subarray(0, Math.floor(random() * sound.length)) }),
    () => ({ what: "two byte order marks", bytes: Buffer.concat([Buffer.from("\uFEFF\uFEFF"), sound]) }),
    () => ({ what: "UTF-16", bytes: Buffer.from(sound.toString(), "utf16le") }),
    () => ({ what: "nothing", bytes: Buffer.alloc(0) }),
    () => ({ what: "a million zeros", bytes: Buffer.alloc(1_000_000) }),
  ])();
}

const SORTS = [sizes, nesting, numbers, names, pictures, svgs, svgs, broken, notText];

/** The hostile file of a seed. */
export function hostileFile(seed: number): HostileFile {
  const random = randomFrom(seed);
  return SORTS[seed % SORTS.length](random);
}
