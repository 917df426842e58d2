"use client";
/** Ways out as buttons: each asks again as if it were taken. */
import type { Suggestion } from "../../core/settle/suggest/suggest";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { named } from "../document/names";
import { goWay } from "../document/settle/settleSession";
import { useSettle } from "../document/settle/settleState";
import { wayWords } from "../document/settle/settleWords";

export function Ways({ label, ways }: { label: string; ways: readonly Suggestion[] }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const gone = useSettle((s) => s.ways);
  if (ways.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-1" role="group" aria-label={label}>
      <span className="caption">{label}</span>
      {ways.map((way) => (
        <button
          key={way.text}
          type="button"
          className="push h-auto min-h-6 px-1.5 text-left whitespace-normal"
          disabled={gone.some((one) => one.text === way.text)}
          onClick={() => goWay(session, way, true)}
          {...readingProps(says("settle.wayOut"), named(layout, way.text))}
        >
          {wayWords(layout, way)}{" "}
          <span className="figure text-[0.6875rem] whitespace-nowrap text-muted">{way.costMm2 === null ? "show cost" : `${way.costMm2.toFixed(1)} mm²`}</span>
        </button>
      ))}
    </div>
  );
}
