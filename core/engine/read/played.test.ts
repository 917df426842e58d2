import { sampleLayouts } from "../../../test/samples";
import { placed, staged } from "../../../test/stage";
import { compile } from "../../format/compile";
import { problemText } from "../result";
import { bytesOfText } from "./json";
import { readPlayed } from "./played";

const layout = staged(
  [
    {
      id: "helm",
      name: "Helm",
      kind: "stick",
      placement: { ...placed(100, 100, 80), frame: { cluster: "ring" } },
      look: { art: { rest: "brass" } },
      serves: [{ port: "vector", action: "go", scale: 2 }],
    },
    { id: "horn", name: "Horn", kind: "button", placement: placed(300, 100, 60), serves: [{ port: "press", action: "horn" }] },
  ],
  [
    {
      name: "go",
      kind: "vector",
      keys: [{ code: "KeyW", value: [0, 1] }],
      pad: [{ stick: "left" }, { button: 3, value: [1, 0] }],
      mouse: [{ button: 2, value: [0, 1] }],
    },
    { name: "horn", kind: "press" },
  ],
  {
    clusters: [{ id: "ring", name: "Ring", placement: placed(100, 100, 90) }],
    keepClear: [{ id: "map", name: "Map", placement: placed(800, 60, 50) }],
    moments: [{ id: "sail", name: "Sail" }],
    arrangements: [{ id: "small", name: "Small", when: { aspect: { max: 1.5 } }, overrides: { helm: { hidden: true } } }],
    pictures: [{ id: "brass", name: "brass", type: "image/png", data: "AAAA" }],
  },
);
const text = compile(layout);
const said = (file: string | Uint8Array) => {
  const read = readPlayed(file);
  return read.ok ? "taken" : problemText(read.problems);
};
const swap = (from: string, to: string) => {
  expect(text).toContain(from);
  return said(text.replace(from, to));
};

test("any order of keys, absent optional keys, numbers with exponents, one number for two", () => {
  const turned = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(turned)
      : value !== null && typeof value === "object"
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .flatMap(([key, item]) => (item === null ? [] : [[key, turned(item)]])),
          )
        : value;
  const read = readPlayed(JSON.stringify(turned(JSON.parse(text)), null, 3));
  const straight = readPlayed(text);
  expect(read).toEqual(straight);
  expect(swap('"width":1000', '"width":1e3')).toBe("taken");
  expect(swap('"scale":1,"inner"', '"scale":[1,1],"inner"')).toBe("taken");
  expect(said(bytesOfText(text))).toBe("taken");
});

test.each([
  ['"format":"nodulum-played"', '"format":"nodulum-layout"', 'format: this is not a played file: format must be "nodulum-played"'],
  ['"version":1', '"version":2', "version: the file is of version 2, this reader reads version 1"],
  ['"name":"Stage"', '"name":"Stage","nmae":"x"', "nmae: unknown key"],
  ['"name":"Stage"', '"name":"Stage","name":"x"', "name: stands twice"],
  ['"inner":0.1,"outer":0.95,"deadZone"', '"inner":0.96,"outer":0.95,"deadZone"', "controls[0].feel: inner must be less than outer"],
  ['"inner":0.1,"outer":0.95,"deadZone"', '"outer":0.95,"deadZone"', "controls[0].feel.inner: is missing"],
  ['"pressAt":0.5', '"pressAt":1.5', "controls[0].feel.pressAt: must be a finite number from 0 to 1"],
  ['"directions":0', '"directions":1.5', "controls[0].feel.directions: must be a whole number from 0 to 32"],
  ['"width":1000', '"width":1e999', "reference.width: must be a finite number above 0"],
  ['"offset":["300px","100px"]', '"offset":["3e2px","100px"]', 'controls[1].placement.offset[0]: must be a length of at most 24 characters, such as "12mm"'],
  [
    '"offset":["300px","100px"]',
    '"offset":["300.000000000000000000000px","100px"]',
    'controls[1].placement.offset[0]: must be a length of at most 24 characters, such as "12mm"',
  ],
  ['"size":["60px","60px"]', '"size":["60px","0px"]', "controls[1].placement.size[1]: must be more than 0"],
  ['"size":["60px","60px"]', '"size":["60px"]', "controls[1].placement.size: must be a list of two"],
  ['"port":"press"', '"port":"vector"', "taken"],
  [
    '"port":"press"',
    '"port":"pull"',
    "controls[1].serves[0].port: must be one of vector, x, y, up, down, left, right, held, active, tapped, released, aim, press, motion, dx, dy, turn",
  ],
  ['"kind":"button"', '"kind":"lever"', "controls[1].kind: must be one of stick, dpad, button, touchpad, swipe, dial"],
  ['"id":"horn"', '"id":"helm"', "controls[1].id: is used twice"],
  ['"id":"map"', '"id":"ring"', "keepClear[0].id: is used twice"],
  ['{"name":"horn","kind":"press"', '{"name":"go","kind":"press"', "actions[1].name: is used twice"],
  ['"cluster":"ring"', '"cluster":"helm"', "controls[0].placement.frame.cluster: there is no cluster of this id"],
  ['"rest":"brass"', '"rest":"gold"', "controls[0].look.art.rest: there is no picture of this id"],
  ['"name":"Helm"', '"name":"\\ud800"', "byte"],
  ['"name":"Helm"', '"name":"a\\u0000"', "byte"],
  ['"name":"Helm"', `"name":"${"é".repeat(81)}"`, "controls[0].name: must be a text of 1 to 80 characters"],
  ['"hidden":true', '"hidden":1', "arrangements[0].overrides.helm.hidden: must be one of true, false"],
  ['"data":"AAAA"', '"data":"A A"', "pictures[0].data: must be base64 of at most 512 KiB"],
  ['"moments":[{"id":"sail"', '"moments":[{"id":"Sail"', "moments[0].id: must be an id: a small letter, then small letters, digits, hyphens"],
  ['"mouse":[{"button":2', '"mouse":[{"knob":2', "actions[0].mouse[0]: must have one of button, move"],
])("%s → %s: %s", (from, to, message) => {
  const found = swap(from, to);
  expect(message === "byte" ? found.slice(0, 5) : found).toBe(message === "byte" ? "byte " : message);
});

test("of several faults the first in the file is told, also before a break of the JSON itself", () => {
  const twice = text.replace('"pressAt":0.5', '"pressAt":9').replace('"width":1000', '"width":-1');
  expect(said(twice)).toBe("reference.width: must be a finite number above 0");
  expect(said(twice.slice(0, -30))).toBe("reference.width: must be a finite number above 0");
  expect(said(text.slice(0, -30))).toMatch(/^byte \d+: /);
  expect(said(`${text} x`)).toBe(`byte ${bytesOfText(text).length + 1}: there is more after the end`);
});

test("JSON itself: the byte is told", () => {
  expect(said("")).toBe("byte 0: this is not a value");
  expect(said("[1,]")).toMatch(/^: must be an object$|^byte 3: |^must be an object$/);
  expect(said('{"a":01}')).toMatch(/a: unknown key|byte 5/);
  expect(said("\ufeff{}")).toBe("byte 0: this is not a value");
  expect(said(Uint8Array.of(0x7b, 0x22, 0xc0, 0x80, 0x22, 0x7d))).toBe("byte 2: bad UTF-8");
  expect(said(`{"a":${"[".repeat(20)}`)).toMatch(/nested deeper than 16|a: unknown key/);
});

test("sizes: 16 MiB in all, 64 clusters, 32 serves, 1,024 bytes a text, 6 MiB of pictures", () => {
  expect(said(new Uint8Array(16 * 1024 * 1024 + 1))).toBe("the file is larger than 16 MiB");
  const json = JSON.parse(text) as { clusters: object[]; controls: { serves: object[] }[]; actions: { note?: string }[]; pictures: object[] };
  const many = <T>(item: T, n: number) => Array.from({ length: n }, () => item);
  expect(said(JSON.stringify({ ...json, clusters: json.clusters.concat(many(json.clusters[0], 64)) }))).toMatch(/^clusters(\[1\]\.id)?: /);
  json.controls[0].serves = many(json.controls[0].serves[0], 33);
  expect(said(JSON.stringify(json))).toBe("controls[0].serves: at most 32 serves");
  json.controls[0].serves = json.controls[0].serves.slice(0, 32);
  expect(said(JSON.stringify(json))).toBe("taken");
  const large = Array.from({ length: 13 }, (_, i) => ({ id: `p${i}`, name: "p", type: "image/png", data: "A".repeat(699_000) }));
  expect(said(JSON.stringify({ ...json, pictures: json.pictures.concat(large) }))).toBe("pictures[13].data: the pictures hold more than 6 MiB in all");
});

test("names that objects have of their own are names like any other", () => {
  const odd = staged([{ id: "constructor", name: "C", kind: "button", placement: placed(10, 10, 10) }], [{ name: "__proto__", kind: "press" }]);
  const read = readPlayed(compile(odd));
  expect(read.ok && read.value.layout.controls[0].id).toBe("constructor");
  expect(read.ok && read.value.layout.actions[0].name).toBe("__proto__");
});

test("the samples read", () => {
  for (const sample of sampleLayouts()) expect(said(compile(sample))).toBe("taken");
});
