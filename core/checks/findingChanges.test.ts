import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { changeHit } from "../editing/edits/controls";
import { accept } from "../editing/edits/accept";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { plainScreen } from "../engine/placement/screen";
import { changesOf, changeTally, screenChanges } from "./findingChanges";
import { bareFindings } from "./check";
import type { BareFinding } from "./finding";
import { repeated } from "../../test/repeated";

const finding = (more: Partial<BareFinding> = {}): BareFinding => ({
  code: "touch/small",
  severity: "warning",
  subjects: ["horn"],
  moment: null,
  measure: { value: 8, unit: "mm" },
  accepted: null,
  ...more,
});
const kinds = (was: readonly BareFinding[], is: readonly BareFinding[]) => changesOf(was, is).map(({ kind }) => kind);

test("nothing has changed against oneself; what is new one way is gone the other, what is worse is better", () => {
  let singles = 0;
  const other = { new: "resolved", resolved: "new", worse: "better", better: "worse" } as const;
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, screenArbitrary, (a, b, screen) => {
      const [was, is] = [bareFindings(a, screen, PLAIN_PLAYER_VIEW), bareFindings(b, screen, PLAIN_PLAYER_VIEW)];
      expect(changesOf(was, was)).toEqual([]);
      const [there, back] = [changesOf(was, is), changesOf(is, was)];
      // In several moments at once there may be one change one way and several the other: what it is about stays the same.
      const about = (changes: typeof there, turned: boolean) =>
        new Set(
          changes.map(({ kind, was: before, is: after }) =>
            JSON.stringify([turned ? other[kind] : kind, (after ?? before)!.code, (after ?? before)!.subjects]),
          ),
        );
      const single = (changes: typeof there) => changes.every(({ was: before, is: after }) => (after ?? before)!.moment === null);
      const isSingle = single(there) && single(back);
      if (isSingle) singles += 1;
      expect(isSingle ? about(there, false) : null).toEqual(isSingle ? about(back, true) : null);
      expect(there.filter((c) => c.kind === "new").length).toBe(back.filter((c) => c.kind === "resolved").length);
    }),
    { numRuns: repeated(60) },
  );
  expect(singles).toBeGreaterThan(5);
});

test("worse is a higher severity, or a worse measure by more than texts show; what is smaller is worse for what is too small", () => {
  expect(kinds([], [finding()])).toEqual(["new"]);
  expect(kinds([finding()], [])).toEqual(["resolved"]);
  expect(kinds([finding()], [finding({ severity: "blocker" })])).toEqual(["worse"]);
  expect(kinds([finding()], [finding({ measure: { value: 7.9, unit: "mm" } })])).toEqual(["worse"]);
  expect(kinds([finding()], [finding({ measure: { value: 8.2, unit: "mm" } })])).toEqual(["better"]);
  expect(kinds([finding()], [finding({ measure: { value: 8.02, unit: "mm" } })])).toEqual([]);
  const far = (value: number) => finding({ code: "reach/far", measure: { value, unit: "mm" } });
  expect(kinds([far(60)], [far(70)])).toEqual(["worse"]);
});

test("a finding without a moment stands for every one: more moments are worse, fewer better; other moments are new", () => {
  const inMoment = (moment: string | null) => finding({ code: "touch/overlap", moment, measure: { value: 0.2, unit: "share" } });
  expect(kinds([inMoment("alongside")], [inMoment(null)])).toEqual(["worse"]);
  expect(kinds([inMoment(null)], [inMoment("alongside")])).toEqual(["better"]);
  expect(kinds([inMoment(null)], [inMoment("alongside"), inMoment("under-way")])).toEqual(["better"]);
  expect(kinds([inMoment("alongside")], [inMoment("under-way")])).toEqual(["new", "resolved"]);
});

test("what somebody has come to live with is gone, and back when it is taken back", () => {
  const [, , draft] = sampleLayouts();
  const screen = plainScreen("Wide phone", 2400, 1080, 420);
  const accepted = accept(draft, { code: "touch/small", subjects: ["pause"] }, "it is only for us");
  if (!accepted.ok) throw new Error("refused");
  const changes = changesOf(bareFindings(draft, screen), bareFindings(accepted.value, screen));
  expect(changes.map(({ kind, was }) => [kind, was?.code, was?.subjects])).toEqual([["resolved", "touch/small", ["pause"]]]);
  expect(changesOf(bareFindings(accepted.value, screen), bareFindings(draft, screen)).map(({ kind }) => kind)).toEqual(["new"]);
});

test("of a screen the same change on several faces counts once, with the first face of them", () => {
  const [, , draft] = sampleLayouts();
  const grown = changeHit(draft, "pause", { grow: "4mm" });
  if (!grown.ok) throw new Error("refused");
  const screen = plainScreen("Wide phone", 2400, 1080, 420);
  const judged = (layout: typeof draft) => ({
    name: screen.name,
    faces: (["right", "left"] as const).map((handed) => bareFindings(layout, screen, { handed, playerSize: 1, moment: null })),
  });
  const found = screenChanges(judged(draft), judged(grown.value)).filter(({ change }) => change.was?.code === "touch/small");
  expect(found).toMatchObject([{ face: 0, change: { kind: "resolved", was: { subjects: ["pause"] } } }]);
  expect(changeTally(found)).toEqual({ new: 0, worse: 0, better: 0, resolved: 1 });
});
