import fc from "fast-check";
import { bytesOfText, readJsonNodes, type JsonEntry, type Node } from "./json";
import { repeated } from "../../../test/repeated";

/** The plain value of a tree; a key that is twice has its last value, as the platform's own reader has it. */
function plain(node: Node): unknown {
  if (node.is === "list") return (node.value as Node[]).map(plain);
  if (node.is !== "object") return node.value;
  const out: Record<string, unknown> = {};
  for (const { key, node: child } of node.value as JsonEntry[])
    Object.defineProperty(out, key, { value: plain(child), enumerable: true, configurable: true, writable: true });
  return out;
}
const read = (text: string | Uint8Array) => readJsonNodes(typeof text === "string" ? bytesOfText(text) : text);
const faultOf = (text: string | Uint8Array) => read(text).fault;

/** JSON without what this reader refuses though the standard takes it: NUL, lone surrogates, nesting deeper than 16. */
const json = fc.json({ maxDepth: 6 }).filter((text) => !text.includes("\\u0000") && text.isWellFormed());

test("reads what the platform reads", () => {
  fc.assert(
    fc.property(json, fc.constantFrom(undefined, 1, "\t"), (text, indent) => {
      const value: unknown = JSON.parse(text);
      const { root, fault } = read(JSON.stringify(value, null, indent));
      expect(fault).toBeNull();
      expect(plain(root!)).toEqual(value);
    }),
    { numRuns: repeated(300) },
  );
});

test("bytes of a text are UTF-8 as the platform writes it", () => {
  fc.assert(
    fc.property(
      fc.string({ unit: "binary" }).filter((s) => s.isWellFormed()),
      (text) => expect([...bytesOfText(text)]).toEqual([...new TextEncoder().encode(text)]),
    ),
  );
});

test("every value says from which byte to which it stands", () => {
  fc.assert(
    fc.property(json, (text) => {
      const bytes = bytesOfText(text);
      const check = (node: Node): void => {
        const part = new TextDecoder().decode(bytes.subarray(node.at, node.end));
        expect(JSON.parse(part)).toEqual(plain(node));
        if (node.is === "list") (node.value as Node[]).forEach(check);
        const entries = node.is === "object" ? (node.value as JsonEntry[]) : [];
        expect(entries.every((entry) => bytes[entry.at] === 34)).toBe(true);
        entries.forEach((entry) => check(entry.node));
      };
      check(read(bytes).root!);
    }),
  );
});

test("a text that breaks off is a fault within it, and what was read before stays", () => {
  const bytes = bytesOfText('{"a":[1,{"b":"é"}],"c":"d\\n"}');
  for (let length = 0; length < bytes.length; length += 1) {
    const { root, fault } = readJsonNodes(bytes.subarray(0, length));
    expect(fault).not.toBeNull();
    expect(fault!.at).toBeLessThanOrEqual(length);
    expect(root?.end ?? -1).toBe(-1);
  }
  const { root } = readJsonNodes(bytes.subarray(0, 8));
  expect(plain(root!)).toEqual({ a: [1] });
});

test("whatever bytes come, it neither throws nor takes what the platform refuses", () => {
  let [refused, taken] = [0, 0];
  const pieces = fc.constantFrom(...'{}[]:,"\\-+.eE0123 ntf\n', "true", "null", '"a"', "\\u00e9", "\\ud83d\\ude24", "1e5");
  fc.assert(
    fc.property(
      fc.oneof(
        fc.uint8Array({ maxLength: 40 }),
        fc.array(pieces, { maxLength: 20 }).map((p) => bytesOfText(p.join(""))),
      ),
      (bytes) => {
        const { root, fault } = readJsonNodes(bytes);
        const at = fault?.at ?? 0;
        expect(at >= 0 && at <= bytes.length).toBe(true);
        if (fault) refused += 1;
        else taken += 1;
        const same = fault ? null : JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
        expect(fault ? null : plain(root!)).toEqual(same);
      },
    ),
    { numRuns: repeated(3000) },
  );
  expect(Math.min(refused, taken)).toBeGreaterThan(15);
});

test.each([
  ["a byte order mark", [0xef, 0xbb, 0xbf, 0x7b, 0x7d], 0],
  ["an overlong form", [0x22, 0xc0, 0xaf, 0x22], 1],
  ["a surrogate in UTF-8", [0x22, 0xed, 0xa0, 0x80, 0x22], 1],
  ["beyond the last character", [0x22, 0xf4, 0x90, 0x80, 0x80, 0x22], 1],
  ["a continuation alone", [0x22, 0x80, 0x22], 1],
])("refuses bad UTF-8: %s", (_, bytes, at) => {
  expect(faultOf(Uint8Array.from(bytes))?.at).toBe(at);
});

test.each([
  ['"\\u0000"', /NUL/, 1],
  ['"\\ud800"', /lone surrogate/, 1],
  ['"\\udc00"', /lone surrogate/, 1],
  ['"\\ud800\\u0041"', /lone surrogate/, 1],
  ['"\\x"', /escape/, 1],
  ['"a\nb"', /control character/, 2],
  ["[1,]", /not a value/, 3],
  ["[01]", /not a value/, 1],
  ["[1.]", /not a value/, 1],
  ["[.5]", /not a value/, 1],
  ["NaN", /not a value/, 0],
  ['{"a" 1}', /colon/, 5],
  ["{a:1}", /key in quotes/, 1],
  ["[1 2]", /comma/, 3],
  ["{} {}", /more after the end/, 3],
  ['"open', /not closed/, 0],
])("refuses %s at its byte", (text, message, at) => {
  expect(faultOf(text)).toEqual({ at, message: expect.stringMatching(message) as string });
});

test("sixteen deep is taken, seventeen is not, in lists and objects alike", () => {
  const lists = (depth: number) => "[".repeat(depth) + "]".repeat(depth);
  const objects = (depth: number) => '{"a":'.repeat(depth - 1) + "{}" + "}".repeat(depth - 1);
  for (const nested of [lists, objects]) {
    expect(faultOf(nested(16))).toBeNull();
    expect(faultOf(nested(17))?.message).toMatch(/deeper than 16/);
    expect(faultOf(nested(100_000))?.message).toMatch(/deeper than 16/);
  }
});
