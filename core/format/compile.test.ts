import fc from "fast-check";
import { createHash } from "node:crypto";
import { replay } from "../engine/input/advance";
import type { InputEvent } from "../engine/input/events";
import { resolveLayout } from "../engine/placement/resolve";
import { parseScreen } from "../engine/placement/screen";
import { readPlayed } from "../engine/read/played";
import { problemText } from "../engine/result";
import type { PlayedLayout } from "../engine/types";
import { printResolved } from "../exchange/resolvedData";
import { fileArbitrary, fileLayout } from "../../test/arbitrary";
import { conformanceCases, difference } from "../../test/cases";
import { sampleLayouts } from "../../test/samples";
import { compile, digestOf } from "./compile";
import { parseLayout } from "./parse";
import type { Layout } from "./types";
import { writeLayout } from "./write";
import { repeated } from "../../test/repeated";

const read = (text: string | Uint8Array): PlayedLayout => {
  const played = readPlayed(text);
  if (!played.ok) throw new Error(problemText(played.problems));
  return played.value.layout;
};
const [brackwater] = sampleLayouts();

test.each(conformanceCases().map((c) => [c.seed, c] as const))("case %i, parsed, compiled and read, plays to the digit", (_seed, c) => {
  const layout = parseLayout(c.layout);
  const screen = parseScreen(c.options.screen);
  if (!layout.ok || !screen.ok) throw new Error("the case does not parse");
  const played = read(compile(layout.value));
  const { handed, playerSize, hz } = c.options;
  const resolved = resolveLayout(played, screen.value, { handed, playerSize, moment: null });
  const { screen: _screen, ...printed } = printResolved(resolved);
  expect(difference(printed, c.resolved)).toBeNull();
  const frames = replay(played, resolved, c.trace as InputEvent[], { hz });
  expect(frames.length).toBe(c.frames.length);
  for (const [i, frame] of frames.entries()) expect(difference(frame, c.frames[i], `tick ${i + 1}`)).toBeNull();
});

test("any layout: what is read is what was compiled, less what only the editor needs; the same bytes every time, also over the file", () => {
  fc.assert(
    fc.property(fileArbitrary, (file) => {
      const layout = fileLayout(file);
      const text = compile(layout);
      const { format: _f, version: _v, together: _t, limits: _l, accepted: _a, workbench: _w, actions, ...rest } = layout;
      expect(read(text)).toEqual({ ...rest, actions: actions.map(({ read: _r, touch: _touch, note: _n, ...action }) => action) });
      const again = parseLayout(JSON.parse(writeLayout(layout)));
      expect(again.ok && compile(again.value)).toBe(text);
    }),
    { numRuns: repeated(150) },
  );
});

test("the digest is SHA-256 of the canonical text; it stands in the file and is given back", () => {
  const digest = createHash("sha256").update(writeLayout(brackwater), "utf8").digest("hex");
  expect(digestOf(brackwater)).toBe(digest);
  const played = readPlayed(compile(brackwater));
  expect(played.ok && played.value.digest).toBe(digest);
});

test("every key is there in its order, null where nothing stands, nothing of the editor, minified without a mark at the start", () => {
  const text = compile(brackwater);
  expect(text.startsWith('{"format":"nodulum-played","version":1,"digest":"')).toBe(true);
  expect(Object.keys(JSON.parse(text) as object).join()).toBe(
    "format,version,digest,name,reference,scale,orientation,picture,playerSizes,appear,actions,moments,clusters,controls,keepClear,arrangements,pictures",
  );
  const { controls, actions, arrangements } = JSON.parse(text) as Record<"controls" | "actions" | "arrangements", Record<string, Record<string, unknown>>[]>;
  expect(Object.keys(actions[0]).join()).toBe("name,kind,moments,keys,mouse,pad,riseMs,fallMs,ease,combine");
  const helm = controls.find((c) => c.id === ("helm" as never))!;
  expect(Object.keys(helm.look).join()).toBe("label,labels,icon,rotateDeg,turnLabel,rest,held,away,hideAtRest,knobSize,knob,home,homeAfterMs,returnMs,art");
  expect(helm.look).toMatchObject({ icon: null, away: null, knob: null, art: null });
  expect(Object.keys(helm.feel).join()).toBe(
    "origin,rest,tapMs,tapMm,start,travel,landing,inner,outer,deadZone,curve,directions,axes,pressAt,releaseAt,holdDeg",
  );
  expect(helm.serves).toEqual([{ port: "vector", action: "helm", value: null, scale: null, repeat: null }]);
  expect(Object.values(arrangements[0].overrides)[0]).toMatchObject({ hit: null, landing: null, hidden: false });
  expect(JSON.stringify(JSON.parse(text))).toBe(text);
});

test("a layout that falls short compiles as it is", () => {
  const draft = sampleLayouts()[2];
  const stray = (l: Pick<Layout, "controls"> | PlayedLayout) => l.controls.flatMap((c) => c.serves.map((s) => s.action)).filter((a) => a === "tow_line");
  expect(stray(read(compile(draft)))).toEqual(stray(draft));
});
