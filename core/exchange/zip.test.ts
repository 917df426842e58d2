import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { openZip, type Zip } from "./zip";
import { repeated } from "../../test/repeated";

const opened = (bytes: Uint8Array): Zip => {
  const zip = openZip(bytes);
  if (!zip.ok) throw new Error(zip.problems[0].message);
  return zip.value;
};
const MIB = 1024 * 1024;

test("whatever was packed comes out as it went in, stored or deflated, under any name", () => {
  const name = fc.stringMatching(/^[a-zäöü0-9 ./-]{1,20}$/).filter((n) => !n.endsWith("/"));
  fc.assert(
    fc.property(fc.dictionary(name, fc.uint8Array({ maxLength: 2000 })), fc.constantFrom(0 as const, 6 as const), (files, level) => {
      const zip = opened(zipSync(files, { level }));
      expect([...zip.names].sort()).toEqual(Object.keys(files).sort());
      for (const [file, bytes] of Object.entries(files)) {
        expect(zip.bytesOf(file, bytes.length)).toEqual(bytes);
        expect(zip.bytesOf(file, bytes.length - 1)).toBeNull();
      }
      expect(zip.bytesOf("no such file", 10)).toBeNull();
    }),
  );
});

test("a file that says it is small is inflated no further than it may go", () => {
  const bytes = zipSync({ "bomb.json": new Uint8Array(60 * MIB) }, { level: 1 });
  expect(bytes.length).toBeLessThan(MIB);
  // The false size, in the header of the file and in the directory.
  const view = new DataView(bytes.buffer);
  for (let at = 0; at < bytes.length - 4; at += 1) {
    if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 100, true);
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 100, true);
  }
  const before = process.memoryUsage().arrayBuffers;
  expect(opened(bytes).bytesOf("bomb.json", MIB)).toBeNull();
  // What one step may inflate to; the whole would be 60 MiB.
  expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(30 * MIB);
});

test("60,000 entries: the directory is read once, however many of them are asked for", () => {
  const files = Object.fromEntries(Array.from({ length: 60_000 }, (_, i) => [`f${i}.txt`, strToU8(String(i))]));
  const bytes = zipSync(files, { level: 0 });
  const zip = opened(bytes);
  expect(zip.names).toHaveLength(60_000);
  // Once it is open, the directory is not looked at again.
  bytes.fill(0, bytes.length - 60_000 * 40);
  for (const i of [0, 1, 999]) expect(zip.bytesOf(`f${i}.txt`, 10)).toEqual(strToU8(String(i)));
});

test("broken zips are refused or give nothing, and never throw", () => {
  const sound = zipSync({ "a.json": strToU8("{}".repeat(500)), "b.txt": strToU8("b") });
  let refusals = 0;
  fc.assert(
    fc.property(
      fc.array(fc.record({ at: fc.nat({ max: sound.length - 1 }), to: fc.nat({ max: 255 }) }), { minLength: 1, maxLength: 8 }),
      fc.nat(),
      (edits, cut) => {
        const broken = sound.slice(0, cut % 3 === 0 ? cut % sound.length : sound.length);
        for (const { at, to } of edits) if (at < broken.length) broken[at] = to;
        const zip = openZip(broken);
        if (!zip.ok) refusals += 1;
        const sizes = zip.ok ? [...zip.value.names].map((name) => zip.value.bytesOf(name, 2000)?.length ?? 0) : [];
        expect(sizes.every((size) => size <= 2000)).toBe(true);
      },
    ),
    { numRuns: repeated(300) },
  );
  expect(refusals).toBeGreaterThan(10);
});
