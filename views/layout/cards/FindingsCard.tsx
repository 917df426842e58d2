"use client";
/** The findings of the screen on the bench: each leads to its place, shows itself on the glass, and is mended at a click where a small move does it. */
import { FindingList } from "../../shared/FindingList";
import { useFindingMoves } from "../useFindingMoves";

/** `of`: only those that name one of these; null: all. */
export function FindingsCard({ of }: { of: readonly string[] | null }) {
  const { findings, fixes, stale, point, fix } = useFindingMoves(of);
  if (of !== null && (findings === undefined || findings.length === 0)) return null;
  return <FindingList findings={findings} onPick={point} fixes={fixes} onFix={fix} stale={stale} />;
}
