"use client";
/** One take over two layouts or named states: where they first differ, by how much, and what each action did on both. */
import { useEffect, useState } from "react";
import { Bar, BarChart, CartesianGrid, Legend, Line, LineChart, XAxis, YAxis } from "recharts";
import type { KeptState } from "../../../core/exchange/kept";
import { ok, problemText, refused, type Result } from "../../../core/engine/result";
import type { ActionFigures } from "../../../core/rehearsal/frameDifferences";
import type { TakeDifference } from "../../../core/rehearsal/compareTake";
import type { Layout } from "../../../core/format/types";
import type { ActionKind } from "../../../core/engine/types";
import { Dialogue } from "../../../ui/Dialogue";
import { readingProps } from "../../../ui/reading";
import { compareInWorker } from "../../../workers/takes";
import { says } from "../../reading/sentences";
import { useSession, useStates } from "../../session/context";
import type { OpenedTake } from "../../session/takes";
import { valueText } from "../valueText";
import { timeWords } from "../lanes/laneView";
import type { ListedTake } from "../../shared/useTakeList";

interface Props {
  readonly list: readonly ListedTake[];
  readonly read: (one: ListedTake) => Promise<Result<OpenedTake>>;
  readonly onClose: () => void;
}
type Side = "own" | "now" | `state ${string}`;
type Action = TakeDifference["actions"][number];

const CHART = { width: 424, height: 176, margin: { top: 6, right: 8, bottom: 0, left: -18 } } as const;

export function CompareTakes({ list, read, onClose }: Props) {
  const [chosen, setChosen] = useState(list[0]?.key ?? "");
  const [a, setA] = useState<Side>("own");
  const [b, setB] = useState<Side>("now");
  const [carries, setCarries] = useState(true);
  const named = useNamed();
  const one = list.find((t) => t.key === chosen) ?? list[0];
  const found = useComparison({ one, read, a, b, named, carries });
  const sides: [Side, string][] = [
    ["own", "the layout it was played on"],
    ["now", "the layout as it is now"],
    ...named.map((s): [Side, string] => [`state ${s.id}`, s.name]),
  ];
  return (
    <Dialogue title="Compare a take" open wide="widest" onOpenChange={(open) => !open && onClose()}>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <Choice label="Take" value={one?.key ?? ""} options={list.map((t) => [t.key, t.name])} onChange={setChosen} />
        <Choice label="A" value={a} options={sides} onChange={(side) => setA(side as Side)} />
        <Choice label="B" value={b} options={sides} onChange={(side) => setB(side as Side)} />
        <label className="flex items-center gap-1.5" {...readingProps(says("takes.carries"), carries ? "yes" : "no")}>
          <input type="checkbox" className="accent-[var(--accent)]" checked={carries} onChange={(event) => setCarries(event.target.checked)} />
          touches move with their controls
        </label>
      </div>
      {found === null && <p className="caption">Played twice…</p>}
      {found && !found.ok && (
        <p role="alert" className="text-blocker">
          {problemText(found.problems, 2)}
        </p>
      )}
      {found?.ok && <Comparison key={`${chosen} ${a} ${b} ${carries}`} comparison={found.value.comparison} hz={found.value.hz} />}
    </Dialogue>
  );
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly [string, string][];
  onChange: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-1.5">
      <span className="caption">{label}</span>
      <select
        aria-label={label === "Take" ? "Take that is compared" : `Layout ${label}`}
        className="box h-6 max-w-[15rem] px-1 text-[0.75rem]"
        value={value}
        onChange={(event) => onChange(event.target.value)}
        {...readingProps(says("takes.side"), options.find(([key]) => key === value)?.[1] ?? "")}
      >
        {options.map(([key, word]) => (
          <option key={key} value={key}>
            {word}
          </option>
        ))}
      </select>
    </label>
  );
}

function useNamed(): readonly KeptState[] {
  const states = useStates();
  const [named, setNamed] = useState<readonly KeptState[]>([]);
  useEffect(() => {
    let current = true;
    states.list().then(
      (all) => current && setNamed(all),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [states]);
  return named;
}

interface Asked {
  readonly one: ListedTake | undefined;
  readonly read: Props["read"];
  readonly a: Side;
  readonly b: Side;
  readonly named: readonly KeptState[];
  readonly carries: boolean;
}
type Found = Result<{ readonly comparison: TakeDifference; readonly hz: number }>;

/** The comparison asked for; null while it is worked out. An answer that comes too late is dropped. */
function useComparison({ one, read, a, b, named, carries }: Asked): Found | null {
  const states = useStates();
  const now = useSession((s) => s.gesture?.base ?? s.layout);
  const key = JSON.stringify([one?.key, a, b, carries]);
  const [found, setFound] = useState<{ readonly key: string; readonly now: Layout; readonly result: Found } | null>(null);
  useEffect(() => {
    if (!one) return;
    let current = true;
    const sideOf = async (side: Side, opened: OpenedTake): Promise<Result<Layout>> => {
      if (side === "now") return ok(now);
      if (side === "own") return opened.on ? ok(opened.on) : refused("", "the layout this take was played on is not known here; choose another for A and B");
      const state = named.find((s) => `state ${s.id}` === side);
      return state ? states.layoutOf(state) : refused("", "this state is no longer kept");
    };
    const work = async (): Promise<Found> => {
      const opened = await read(one);
      if (!opened.ok) return opened;
      const [first, second] = [await sideOf(a, opened.value), await sideOf(b, opened.value)];
      if (!first.ok) return first;
      if (!second.ok) return second;
      const { take, on } = opened.value;
      const comparison = await compareInWorker({ take, from: on ?? first.value, a: first.value, b: second.value, carries });
      return comparison.ok ? ok({ comparison: comparison.value, hz: take.hz }) : comparison;
    };
    work().then(
      (result) => current && setFound({ key, now, result }),
      (error: unknown) => current && setFound({ key, now, result: refused("", error instanceof Error ? error.message : String(error)) }),
    );
    return () => {
      current = false;
    };
    // The key says all that is asked for; `read` and `named` are new objects that mean the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, now, states, named.length]);
  return found && found.key === key && found.now === now ? found.result : null;
}

/** What one action did, in the figure that tells most of its kind, with its unit. */
function figureWords(kind: ActionKind, figures: ActionFigures | null): string {
  if (!figures) return "–";
  switch (kind) {
    case "press":
      return `pressed ${figures.seconds.toFixed(2)} s`;
    case "motion":
      return `way ${figures.way.toFixed(1)} mm`;
    case "axis":
    case "vector":
      return `mean ${figures.mean.toFixed(3)}`;
  }
}

function Comparison({ comparison: { first, actions, ticks }, hz }: { comparison: TakeDifference; hz: number }) {
  const differing = actions.filter((x) => x.difference.firstTick !== null);
  const [shown, setShown] = useState((differing[0] ?? actions[0])?.difference.action ?? "");
  const one = actions.find((x) => x.difference.action === shown);
  return (
    <div className="grid gap-3">
      <p data-testid="first-difference">
        {!first && `The same on both: ${ticks.a} ticks.`}
        {first?.action && (
          <>
            They first differ at tick {first.tick}, {timeWords(first.tick, hz)}: <span className="figure">{first.action}</span> gives{" "}
            <span className="figure">{valueText(first.was ?? undefined)}</span> on A and <span className="figure">{valueText(first.is ?? undefined)}</span> on
            B.
          </>
        )}
        {first && first.action === null && `A has ${ticks.a} ticks, B has ${ticks.b}; up to tick ${first.tick - 1} they are the same.`}
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
          {["action", "on A", "on B", "first differs", "by at most"].map((word, i) => (
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
