"use client";
/** A and B of the control whose feel is open: kept, changed over while playing, distinguished in words, and one of them taken. */
import { feelDifferences, FEEL_STARTS, putFeel } from "../../core/editing/feelSides";
import type { Control } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useAsking, useSession, useSessionActions, useStates } from "../document/SessionContext";
import { changeOver, dropSides, keepAsA, sidesNow, useSides } from "./sides";

const BUTTON = "push h-6 px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent";

export function SideBySide({ control }: { control: Control }) {
  const session = useSessionActions();
  const states = useStates();
  const ask = useAsking();
  const id = useSession((s) => s.id);
  const kept = useSides(id, control.id);
  const sides = kept && sidesNow(kept, control);
  /** One becomes the layout's, the other is kept in the history by a name. */
  const choose = (side: "a" | "b") => {
    if (!sides) return;
    const other = side === "a" ? "b" : "a";
    if (sides.now !== side && !changeOver(session, control)) return;
    const beside = putFeel(session.store.getState().layout, control.id, sides[other]);
    if (!beside.ok) return session.tellRefusal(beside);
    ask(states.nameVersion(`${control.name}, feel ${other.toUpperCase()}`, beside.value));
    dropSides(session, control.id);
  };
  return (
    <div role="group" aria-label="Side by side" className="grid gap-1 border-y border-rule py-1.5">
      <div className="flex flex-wrap items-center gap-1">
        {sides ? (
          <>
            {(["a", "b"] as const).map((side) => (
              <button
                key={side}
                type="button"
                className={BUTTON}
                aria-pressed={sides.now === side}
                onClick={() => sides.now !== side && changeOver(session, control)}
                {...readingProps(says("sides.over"), side.toUpperCase())}
              >
                {side.toUpperCase()}
              </button>
            ))}
            <span className="mx-1 h-4 w-px bg-rule" />
            {(["a", "b"] as const).map((side) => (
              <button key={side} type="button" className={BUTTON} onClick={() => choose(side)} {...readingProps(says("sides.choose"), side.toUpperCase())}>
                Keep {side.toUpperCase()}
              </button>
            ))}
          </>
        ) : (
          <button type="button" className={BUTTON} onClick={() => keepAsA(session, control)} {...readingProps(says("sides.keep"))}>
            Keep as A, try B
          </button>
        )}
        {FEEL_STARTS[control.kind].map(({ name, plain, feel }) => (
          <button
            key={name}
            type="button"
            className={BUTTON}
            onClick={() => session.edit(`${name} feel of ${control.name}`, (l) => putFeel(l, control.id, feel))}
            {...readingProps(says("sides.start", { plain }), name)}
          >
            {name}
          </button>
        ))}
      </div>
      {sides && <Differences lines={feelDifferences(sides.a, sides.b)} />}
    </div>
  );
}

function Differences({ lines }: { lines: readonly string[] }) {
  return (
    <ul aria-label="A and B" className="text-[0.6875rem] text-muted">
      {lines.length === 0 && <li>A and B are the same: change something.</li>}
      {lines.map((line) => (
        <li key={line} className="figure truncate">
          {line}
        </li>
      ))}
    </ul>
  );
}
