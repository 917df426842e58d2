import fc from "fast-check";
import { changeLook, reorderControls } from "../editing/edits/controls";
import { addMoment } from "../editing/edits/moments";
import { storedForm } from "../derived/storedForm";
import { layoutText } from "../derived/text";
import { sampleLayouts } from "../../test/samples";
import { frozen, layoutArbitrary } from "../../test/arbitrary";
import { digestOfText } from "./digest";
import { digestsIn, pictureData, readStored, wholeText } from "./stored";
import type { Layout } from "./types";
import { writeLayout } from "./write";
import { repeated } from "../../test/repeated";

const [harbour] = sampleLayouts();
const backdrop = (data: string) => ({ name: "quay", type: "image/png" as const, data });
const picture = (id: string, data: string) => ({ id, name: id, type: "image/png" as const, data });
const withPictures: Layout = {
  ...harbour,
  pictures: [picture("a", "AAAA"), picture("b", "BBBB"), picture("c", "AAAA")],
  workbench: { ...harbour.workbench, picture: backdrop("CCCC"), momentPictures: { alongside: backdrop("BBBB") } },
};
const store = (layout: Layout) => {
  const { text, digests } = storedForm(layout);
  const data = pictureData(layout);
  return { text, known: new Map(digests.map((digest, i) => [digest, data[i]])) };
};

test("stored and read again it is the same layout; its pictures stand apart, each once", () => {
  const { text, known } = store(withPictures);
  expect(text).not.toMatch(/AAAA|BBBB|CCCC/);
  expect([...known.values()].sort()).toEqual(["AAAA", "BBBB", "CCCC"]);
  expect([...digestsIn(text)].sort()).toEqual([...known.keys()].sort());
  expect(known.get(digestOfText("CCCC"))).toBe("CCCC");
  expect(readStored(text, (digest) => known.get(digest))).toEqual({ ok: true, value: withPictures });
  expect(JSON.parse(wholeText(text, (digest) => known.get(digest)))).toEqual(JSON.parse(writeLayout(withPictures)));
});

test("the text of a file is read as what it is", () => {
  expect(readStored(writeLayout(withPictures), () => undefined)).toEqual({ ok: true, value: withPictures });
  expect(digestsIn(writeLayout(withPictures))).toEqual([]);
});

test("a picture that is no more is told with its place, and everything else can still be taken away", () => {
  const { text, known } = store(withPictures);
  known.delete(digestOfText("AAAA"));
  expect(readStored(text, (digest) => known.get(digest))).toEqual({
    ok: false,
    problems: [
      { path: "pictures[0].data", message: "this picture is no longer stored" },
      { path: "pictures[2].data", message: "this picture is no longer stored" },
    ],
  });
  expect(wholeText(text, (digest) => known.get(digest))).toContain("BBBB");
  expect(readStored('{"sha256:', () => "")).toMatchObject({ ok: false });
  expect(wholeText('{"sha256:', () => "")).toBe('{"sha256:');
});

test("what is kept of texts gives what would be written anew, whatever was edited in between", () => {
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, (a, b) => {
      for (const layout of [a, { ...a, moments: b.moments, name: b.name }, { ...b, controls: a.controls, arrangements: a.arrangements }, a])
        expect(layoutText(frozen(layout))).toBe(writeLayout(layout));
    }),
    { numRuns: repeated(40) },
  );
});

test("a moment that comes makes every control say where it shows", () => {
  layoutText(harbour);
  const more = addMoment(harbour, "storm");
  if (!more.ok) throw new Error("refused");
  expect(layoutText(more.value)).toBe(writeLayout(more.value));
  expect(layoutText(more.value)).not.toBe(layoutText(harbour));
});

test("an arrangement's text follows the kind of the control whose hit area it changes", () => {
  const hit = harbour.controls.find((c) => c.id === "horn")!.hit;
  const layout: Layout = {
    ...harbour,
    arrangements: [{ id: "n", name: "N", when: {}, overrides: { horn: { hidden: false, hit: { ...hit, shape: "box", minMm: 3 } } } }],
  };
  const pad = { ...harbour.controls.find((c) => c.id === "lamp")!, id: "horn" };
  const swapped: Layout = { ...layout, controls: layout.controls.map((c) => (c.id === "horn" ? pad : c)) };
  for (const version of [layout, swapped, layout]) expect(layoutText(version)).toBe(writeLayout(version));
});

test("an edit makes only the text of what it changed", () => {
  let texts = 0;
  const known = new WeakMap<object, string>();
  const keeper = {
    text(part: object, _of: unknown, make: () => string) {
      const before = known.get(part);
      if (before !== undefined) return before;
      texts += 1;
      const text = make();
      known.set(part, text);
      return text;
    },
  };
  writeLayout(harbour, keeper);
  texts = 0;
  const edited = changeLook(harbour, "horn", { label: "HOOT" });
  if (!edited.ok) throw new Error("refused");
  expect(writeLayout(edited.value, keeper)).toBe(writeLayout(edited.value));
  expect(texts).toBe(1);
  const fewer = reorderControls(harbour, ["horn"], "bottom");
  if (!fewer.ok) throw new Error("refused");
  texts = 0;
  writeLayout(fewer.value, keeper);
  expect(texts).toBe(0);
});
