import fc from "fast-check";
import { repeated } from "../../test/repeated";
import { sampleLayouts } from "../../test/samples";
import { addActions } from "../editing/edits/actions";
import { newLayout } from "../editing/edits/layout";
import { growControl, kindsFor } from "../editing/make";
import { editContextOf } from "../editing/placing";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import type { Layout } from "../format/types";
import { catalogueFor, RAIL_CLASSES } from "./catalogue";
import { bareFindings } from "./check";
import { findingsAbout, saidAbout } from "./findingsAbout";
import { facesOf } from "./grid";
import { growFree } from "./growFree";
import { sayIds } from "./say";

const rail = catalogueFor("landscape").filter(({ name }) => RAIL_CLASSES.includes(name));

test("controls grown at one place, one after the other, have no finding on any screen of the rail for any player", () => {
  const words = ["leap", "bleat", "dash", "bow", "call"].map((word) => ({ word, kind: "press" as const }));
  const made = newLayout("Goats", { width: 1600, height: 720 });
  const named = made.ok ? addActions(made.value, words) : made;
  if (!named.ok) throw new Error("no layout");
  expect(rail).toHaveLength(8);
  const screen = rail.find(({ name }) => name.startsWith("Tall phone 20:9"))!;
  let layout = named.value;
  for (const action of named.value.actions) {
    const context = editContextOf(layout, screen, PLAIN_PLAYER_VIEW);
    const at = { x: screen.widthPx * 0.84, y: screen.heightPx * 0.7 };
    const grown = growFree(context, { kind: null, action, at }, { screens: rail, players: facesOf(layout) });
    if (!grown.ok) throw new Error(JSON.stringify(grown.problems));
    expect(grown.value.found).toEqual([]);
    layout = grown.value.layout;
  }
  expect(layout.controls).toHaveLength(5);
  const found = rail.flatMap((on) => facesOf(layout).flatMap((player) => bareFindings(layout, on, { ...player, moment: null })));
  expect(found.map(({ code, subjects }) => `${code} ${subjects.join()}`)).toEqual([]);
});

test("whatever is grown wherever, what is told of it is what the checks find of it", () => {
  const [brackwater] = sampleLayouts();
  const screens = rail.filter((_, i) => i % 3 === 0);
  const players = facesOf(brackwater);
  const part = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.constantFrom(...brackwater.actions), part, part, fc.nat(4), (action, x, y, k) => {
      const [screen] = rail;
      const kinds = kindsFor(action);
      const context = editContextOf(brackwater, screen, PLAIN_PLAYER_VIEW);
      const grown = growControl(context, { kind: kinds[k % kinds.length], action, at: { x: x * screen.widthPx, y: y * screen.heightPx } });
      if (!grown.ok) throw new Error(JSON.stringify(grown.problems));
      const { layout, id } = grown.value;
      const told = findingsAbout(layout, [id], screens, players);
      const wanted = screens.flatMap((on) => players.flatMap((player) => bareFindings(layout, on, { ...player, moment: null })));
      const names = (found: readonly { code: string; subjects: readonly string[] }[]) =>
        [...new Set(found.map((f) => `${f.code} ${f.subjects.join(" ")}`))].sort();
      const isAbout = ({ code, subjects, accepted }: (typeof wanted)[number]) => accepted === null && !code.startsWith("bind/") && subjects.includes(id);
      expect(names(told.map(({ finding }) => finding))).toEqual(names(wanted.filter(isAbout)));
    }),
    { numRuns: repeated(30) },
  );
});

test("where there is no free place it says what is found, where and for whom", () => {
  const [brackwater] = sampleLayouts();
  const small = rail.find(({ name }) => name.startsWith("Small phone"))!;
  const crowded: Layout = { ...brackwater, limits: { ...brackwater.limits, minGapMm: 60 } };
  const context = editContextOf(crowded, small, PLAIN_PLAYER_VIEW);
  const action = crowded.actions.find(({ name }) => name === "horn")!;
  const grown = growFree(context, { kind: null, action, at: { x: small.widthPx / 2, y: small.heightPx / 2 } }, { screens: [small], players: facesOf(crowded) });
  if (!grown.ok) throw new Error(JSON.stringify(grown.problems));
  expect(grown.value.found.length).toBeGreaterThan(0);
  expect(saidAbout(grown.value.found, sayIds)).toMatch(/^(?:Blocker|Warning|Note), (?:right|left) hand, size [\d.]+: .*Small phone.* \(\d+ more\)\.$/);
});
