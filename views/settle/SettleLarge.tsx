"use client";
/** Changes that a person would hesitate to make: each in a sentence, with what can be done instead. */
import { useSession } from "../document/SessionContext";
import { named } from "../document/names";
import type { Proposal } from "../document/settle/settleState";
import { Ways } from "./Ways";

/** So many are shown. */
const MOST_SHOWN = 4;

export function SettleLarge({ proposal: { settled } }: { proposal: Proposal }) {
  const layout = useSession((s) => s.layout);
  const { large } = settled;
  if (large.length === 0) return null;
  return (
    <ul className="grid gap-1" aria-label="Large changes">
      {large.slice(0, MOST_SHOWN).map(({ text, suggestions }) => (
        <li key={text} className="grid gap-0.5 border-l-2 border-warning pl-1.5 text-[0.75rem]">
          {named(layout, text)}.
          <Ways label="Instead" ways={suggestions} />
        </li>
      ))}
      {large.length > MOST_SHOWN && <li className="caption">and {large.length - MOST_SHOWN} more large changes</li>}
    </ul>
  );
}
