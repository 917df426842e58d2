"use client";
/** What two replays of a take have apart: the first difference in words, one action as lines, all of them as a chart and a table. */
import { counted } from "../../../core/derived/counted";
import { useState } from "react";
import { Bar, BarChart, CartesianGrid, Legend, Line, LineChart, XAxis, YAxis } from "recharts";
import type { ActionFigures } from "../../../core/rehearsal/frameDifferences";
import type { TakeDifference } from "../../../core/rehearsal/compareTake";
import type { ActionKind } from "../../../core/engine/types";
import { timeWords } from "../lanes/laneView";
import { valueText } from "../../fields/valueText";

type Action = TakeDifference["actions"][number];

const CHART = { width: 424, height: 176, margin: { top: 6, right: 8, bottom: 0, left: -18 } } as const;

/** What one action did, in the figure that reports most of its kind, with its unit. */
function figureWords(kind: ActionKind, figures: ActionFigures | null): string {
  if (!figures) return "–";
  switch (kind) {
    case "press":
      return `pressed ${figures.seconds.toFixed(2)} s`;
    case "motion":
    case "delta":
      return `way ${figures.way.toFixed(1)} mm`;
    case "axis":
    case "vector":
      return `mean ${figures.mean.toFixed(3)}`;
  }
}

export function TakeDifferences({ comparison: { first, actions, ticks }, hz }: { comparison: TakeDifference; hz: number }) {
  const differing = actions.filter((x) => x.difference.firstTick !== null);
  const [shown, setShown] = useState((differing[0] ?? actions[0])?.difference.action ?? "");
  const one = actions.find((x) => x.difference.action === shown);
  return (
    <div className="grid gap-3">
      <p data-testid="first-difference">
        {!first && `The same on both: ${counted(ticks.a, "tick")}.`}
        {first?.action && (
          <>
            They first differ at tick {first.tick}, {timeWords(first.tick, hz)}: <span className="figure">{first.action}</span> gives{" "}
            <span className="figure">{valueText(first.was ?? undefined)}</span> on A and <span className="figure">{valueText(first.is ?? undefined)}</span> on
            B.
          </>
        )}
        {first && first.action === null && `A has ${counted(ticks.a, "tick")}, B has ${ticks.b}; up to tick ${first.tick - 1} they are the same.`}
      </p>
      <div className="grid grid-cols-2 gap-4 max-[60rem]:grid-cols-1">
        <figure className="grid gap-1">
          <figcaption className="caption">
            {shown}: A as a full line, B dashed{one && isLength(one) ? "; the length of it" : ""}
          </figcaption>
          {one && <Lines action={one} />}
        </figure>
        <figure className="grid gap-1">
          <figcaption className="caption">presses: the part of the time pressed · axes and vectors: the mean length</figcaption>
          <BarChart
            {...CHART}
            data={actions.filter((x) => x.kind !== "motion").map((x) => ({ action: x.difference.action, A: x.a?.mean, B: x.b?.mean }))}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="action" tick={{ fontSize: 10, fill: "var(--muted)" }} stroke="var(--edge)" interval={0} />
            <YAxis tick={{ fontSize: 10, fill: "var(--muted)" }} stroke="var(--edge)" />
            <Legend wrapperStyle={{ fontSize: 11 }} iconSize={8} />
            <Bar dataKey="A" fill="var(--accent)" isAnimationActive={false} />
            <Bar dataKey="B" fill="none" stroke="var(--ink)" isAnimationActive={false} />
          </BarChart>
        </figure>
      </div>
      <Table actions={actions} hz={hz} shown={shown} onShow={setShown} />
    </div>
  );
}
const isLength = ({ difference: { was, is } }: Action) => typeof (was ?? is) === "object" && (was ?? is) !== null;

function Lines({ action }: { action: Action }) {
  return (
    <LineChart {...CHART} data={[...action.points]} accessibilityLayer={false}>
      <CartesianGrid stroke="var(--rule)" vertical={false} />
      <XAxis
        dataKey="s"
        type="number"
        domain={[0, "dataMax"]}
        unit=" s"
        tick={{ fontSize: 10, fill: "var(--muted)" }}
        stroke="var(--edge)"
        tickFormatter={(s: number) => s.toFixed(1)}
      />
      <YAxis tick={{ fontSize: 10, fill: "var(--muted)" }} stroke="var(--edge)" />
      <Line dataKey="a" name="A" stroke="var(--accent)" strokeWidth={1.75} dot={false} isAnimationActive={false} />
      <Line dataKey="b" name="B" stroke="var(--ink)" strokeWidth={1.25} strokeDasharray="4 3" dot={false} isAnimationActive={false} />
    </LineChart>
  );
}

function Table({ actions, hz, shown, onShow }: { actions: readonly Action[]; hz: number; shown: string; onShow: (action: string) => void }) {
  const cell = "border-b border-rule px-2 py-0.5";
  return (
    <table className="w-full text-[0.75rem]">
      <caption className="sr-only">Every action on A and on B</caption>
      <thead className="text-left text-muted">
        <tr>
          {["action", "on A", "on B", "first differs", "max. difference"].map((word, i) => (
            <th key={word} scope="col" className={`${cell} font-normal ${i > 0 ? "text-right" : ""}`}>
              {word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {actions.map(({ kind, difference: { action, firstTick, most }, a, b }) => (
          <tr key={action} data-compared={action} className={action === shown ? "bg-paper" : ""}>
            <th scope="row" className={`${cell} text-left font-normal`}>
              <button type="button" className="figure min-h-6 hover:text-accent" aria-pressed={action === shown} onClick={() => onShow(action)}>
                {action}
              </button>
            </th>
            <td className={`${cell} figure text-right`}>{figureWords(kind, a)}</td>
            <td className={`${cell} figure text-right`}>{figureWords(kind, b)}</td>
            <td className={`${cell} figure text-right`}>{firstTick === null ? "never" : `tick ${firstTick}, ${timeWords(firstTick, hz)}`}</td>
            <td className={`${cell} figure text-right`}>{firstTick === null ? "0" : most.toFixed(3)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
