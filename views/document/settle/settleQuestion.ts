/** What Settle is asked, from what was chosen in words. */
import { FINDING_CODES, SEVERITIES, type FindingCode } from "../../../core/checks/finding";
import { facesOf, type PlayerCase } from "../../../core/checks/grid";
import type { Layout, Screen } from "../../../core/format/types";
import { SETTLED_CODES, type SettleRequest } from "../../../core/settle/request";
import type { SettleGoal, SettleChoice } from "./settleChoice";

const isOf = (aim: SettleGoal) => (code: FindingCode) => code.startsWith(`${aim}/`);

/** The hands and sizes of a choice. */
export function facesFor({ hands, sizes }: Pick<SettleChoice, "hands" | "sizes">, layout: Pick<Layout, "playerSizes">): readonly PlayerCase[] {
  const of = hands === "both" ? (["right", "left"] as const) : [hands];
  const ends = facesOf(layout).map(({ playerSize }) => playerSize);
  const all = sizes === "usual" ? [1] : [...new Set([1, ...ends])].sort((a, b) => a - b);
  return of.flatMap((handed) => all.map((playerSize) => ({ handed, playerSize })));
}

/** The codes whose findings must be fixed, in the order of all codes. @internal exported for its test */
export const codesFor = ({ aims }: Pick<SettleChoice, "aims">): readonly FindingCode[] =>
  FINDING_CODES.filter((code) => SETTLED_CODES.includes(code) && aims.some((aim) => isOf(aim)(code)));

/** Where it is asked, and of what nothing may change. */
export interface SettleScope {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly held: readonly string[];
}

/** The question as the core takes it; or why it cannot be asked, in words. */
export function questionOf(choice: SettleChoice, { layout, screens, held }: SettleScope): SettleRequest | string {
  if (screens.length === 0) return "No screen selected. Clear the filter or choose the whole shelf.";
  if (choice.aims.length === 0) return "Select at least one goal.";
  if (choice.changeable.length === 0) return "Select at least one thing that may change.";
  return {
    layout,
    screens,
    faces: facesFor(choice, layout),
    moment: null,
    codes: codesFor(choice),
    severities: SEVERITIES.slice(0, SEVERITIES.indexOf(choice.severity) + 1),
    changeable: choice.changeable,
    held,
    notesMayGrow: choice.notesMayGrow,
    missMm: choice.missMm,
    weights: {},
  };
}
