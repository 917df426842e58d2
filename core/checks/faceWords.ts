/** Faces, measures and marks of the screens in words. */
import { counted } from "../derived/counted";
import type { PlayerCase, GridCell } from "./grid";
import type { FindingMeasure } from "./finding";

/** "right hand, size 0.8". */
export const faceWords = ({ handed, playerSize }: PlayerCase): string => `${handed} hand, size ${playerSize}`;

/** Whom a count is for: "both hands, sizes 0.8 and 1.3", or of one player alone "right hand, size 1". */
export function playersWords(players: readonly PlayerCase[]): string {
  if (players.length === 1) return faceWords(players[0]);
  const hands = new Set(players.map(({ handed }) => handed));
  const sizes = [...new Set(players.map(({ playerSize }) => playerSize))];
  return `${hands.size > 1 ? "both hands" : `${players[0].handed} hand`}, ${sizes.length > 1 ? "sizes" : "size"} ${sizes.join(" and ")}`;
}

/** A measure as a cell writes it: mm to a tenth, shares in per cent, ratios to a tenth. */
export function measureWords(measure: FindingMeasure | null): string {
  if (!measure) return "";
  switch (measure.unit) {
    case "mm":
      return `${measure.value.toFixed(1)} mm`;
    case "share":
      return `${Math.round(measure.value * 100)} %`;
    case "ratio":
      return `${measure.value.toFixed(1)} : 1`;
  }
}

/** "2 blockers, 1 note; 1 accepted". */
export function tallyWords(cell: GridCell | null): string {
  if (!cell) return "no findings";
  const parts = (["blocker", "warning", "note"] as const).flatMap((s) => (cell.tally[s] > 0 ? [counted(cell.tally[s], s)] : []));
  const open = parts.length > 0 ? parts.join(", ") : "nothing open";
  return cell.accepted > 0 ? `${open}; ${cell.accepted} accepted` : open;
}

const GROUP_WORDS = { phone: "phones", between: "between", tablet: "tablets" } as const;
/** What a group is called. */
export const groupWord = (name: string | null): string => (name === null ? "base" : (GROUP_WORDS[name as keyof typeof GROUP_WORDS] ?? name));
