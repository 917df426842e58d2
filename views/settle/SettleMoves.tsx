"use client";
/** What moved, how far, and which finding on which screen asked for it; each may be omitted, and the rest is settled again. */
import type { SettledMove } from "../../core/settle/moves";
import { moveWords } from "../../core/settle/describeResult";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { nameOf } from "../document/names";
import { movedWords, reasonWords } from "../document/settle/settleWords";
import { type Proposal } from "../document/settle/settleState";
import { hold } from "../document/settle/settleSession";

/** What went farthest, or grew most, first. */
function byHowMuch(moves: readonly SettledMove[]): readonly SettledMove[] {
  const most = ({ farthest, wider, higher, hitWider, hitHigher }: SettledMove) => Math.max(farthest, ...[wider, higher, hitWider, hitHigher].map(Math.abs));
  return [...moves].sort((a, b) => most(b) - most(a));
}

export function SettleMoves({ proposal: { settled } }: { proposal: Proposal }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const { moves, scenarios } = settled;
  if (moves.length === 0) return null;
  return (
    <>
      <h3 className="caption">{movedWords(moves)}; mean of all screens and players</h3>
      <ul className="grid gap-0.5" aria-label="What moved">
        {byHowMuch(moves).map((move) => (
          <li key={move.id} className="flex items-start gap-2 border-t border-rule pt-0.5" data-settle-move={move.id}>
            <button
              type="button"
              className="min-h-6 min-w-0 flex-1 rounded-sm text-left hover:bg-paper"
              onClick={() => session.select([move.id])}
              {...readingProps(
                says("settle.move", {
                  reasons: move.reasons.map((reason) => reasonWords(reason, move.id, { layout, scenarios })).join("; ") || "with the others",
                }),
                nameOf(layout, move.id),
              )}
            >
              <span className="font-semibold">{nameOf(layout, move.id)}</span>{" "}
              <span className="figure text-[0.6875rem]">{moveWords(move).replaceAll("`", "")}</span>
              {move.reasons.slice(0, 2).map((reason, i) => (
                <span key={i} className="caption block">
                  {reasonWords(reason, move.id, { layout, scenarios })}
                </span>
              ))}
            </button>
            <button
              type="button"
              className="push h-6 shrink-0 px-1.5 text-[0.6875rem]"
              onClick={() => hold(session, move.id, true)}
              {...readingProps(says("settle.leaveOut"), nameOf(layout, move.id))}
            >
              Exclude
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
