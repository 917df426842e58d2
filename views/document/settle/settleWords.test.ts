import type { BareFinding } from "../../../core/checks/finding";
import type { MoveReason } from "../../../core/settle/moves";
import { scenariosOf } from "../../../core/settle/problem/scenarios";
import { catalogueFor } from "../../../core/checks/catalogue";
import { sampleLayouts } from "../../../test/samples";
import { distinctTally, goneWords, remainingGroups, movedWords, reasonWords, screensWith } from "./settleWords";

const [layout] = sampleLayouts();
const [screen] = catalogueFor("landscape");
const scenarios = scenariosOf(
  layout,
  [screen],
  [
    { handed: "right", playerSize: 1 },
    { handed: "left", playerSize: 1.3 },
  ],
);
const finding = (severity: BareFinding["severity"], code: BareFinding["code"], ...subjects: string[]): BareFinding => ({
  code,
  severity,
  subjects,
  moment: null,
  measure: null,
  accepted: null,
});

test("a reason names the other control, the screen and the face; a size only where it is not 1", () => {
  const reason = (face: number, wanted: boolean, code: MoveReason["code"], ...subjects: string[]): MoveReason => ({
    code,
    subjects,
    scenario: face,
    requested: wanted,
  });
  expect(reasonWords(reason(0, true, "touch/overlap", "pump", "horn"), "horn", { layout, scenarios })).toBe(`for: clear of pump · ${screen.name}, right hand`);
  expect(reasonWords(reason(1, false, "reach/far", "horn"), "horn", { layout, scenarios })).toBe(
    `limited by: within reach · ${screen.name}, left hand, size 1.3`,
  );
  expect(reasonWords(reason(0, true, "misses", "pump"), "horn", { layout, scenarios })).toContain("fewer misses on pump");
  expect(reasonWords(reason(0, true, "misses", "horn"), "horn", { layout, scenarios })).toContain("for: missed less");
});

test("the same finding on several screens and faces counts once, accepted ones not at all", () => {
  const overlap = finding("blocker", "touch/overlap", "pump", "horn");
  const lived = { ...finding("warning", "reach/far", "log"), accepted: "meant" };
  const screens = [
    { name: "One", faces: [[overlap, lived], [overlap]] },
    { name: "Two", faces: [[overlap, finding("note", "touch/close", "pump", "horn")], []] },
  ];
  expect(distinctTally(screens)).toEqual({ blocker: 1, warning: 0, note: 1 });
  expect([screensWith(screens, "blocker"), screensWith(screens, "warning"), screensWith(screens, "note")]).toEqual([2, 0, 1]);
});

test("what went and what moved, in a line", () => {
  const tally = (blocker: number, warning: number, note: number) => ({ blocker, warning, note });
  expect(goneWords(tally(5, 12, 1), tally(0, 11, 1))).toBe("5 blockers and 1 warning fixed");
  expect(goneWords(tally(1, 2, 3), tally(0, 0, 0))).toBe("1 blocker, 2 warnings and 3 notes fixed");
  // Fewer of one and more of another: what came is for the table to tell.
  expect(goneWords(tally(0, 0, 1), tally(0, 0, 2))).toBe("nothing fixed");
  expect(movedWords([])).toBe("no changes");
});

test("what is left is told by what it is about, in the order in which it came", () => {
  const found = (scenario: number, one: BareFinding) => ({ scenario, finding: one });
  const [a, b] = [finding("warning", "reach/far", "log"), finding("blocker", "touch/small", "pause")];
  expect(remainingGroups([found(0, a), found(0, b), found(1, a)]).map((group) => group.map(({ scenario }) => scenario))).toEqual([[0, 1], [0]]);
});
