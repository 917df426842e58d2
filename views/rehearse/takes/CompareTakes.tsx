"use client";
/** One take over two layouts or named states: where they first differ, by how much, and what each action did on both. */
import { useEffect, useEffectEvent, useState } from "react";
import type { KeptState } from "../../../core/exchange/storedRecords";
import { ok, problemText, refused, type Result } from "../../../core/engine/result";
import type { TakeDifference } from "../../../core/rehearsal/compareTake";
import type { Layout } from "../../../core/format/types";
import { Dialogue } from "../../../ui/Dialogue";
import { readingProps } from "../../../ui/reading";
import { Select, type Choices } from "../../../ui/Select";
import { compareInWorker } from "../../../workers/takes";
import { says } from "../../shell/reading/sentences";
import { useSession, useStates } from "../../document/SessionContext";
import type { OpenedTake } from "../../document/takeLibrary";
import { TakeDifferences } from "./TakeDifferences";
import type { ListedTake } from "../../document/useTakeList";

interface Props {
  readonly list: readonly ListedTake[];
  readonly read: (one: ListedTake) => Promise<Result<OpenedTake>>;
  readonly onClose: () => void;
}
type Side = "own" | "now" | `state ${string}`;

export function CompareTakes({ list, read, onClose }: Props) {
  const [chosen, setChosen] = useState(list[0]?.key ?? "");
  const [a, setA] = useState<Side>("own");
  const [b, setB] = useState<Side>("now");
  const [carries, setCarries] = useState(true);
  const named = useNamed();
  const one = list.find((t) => t.key === chosen) ?? list[0];
  const found = useComparison({ one, read, a, b, named, carries });
  const sides: [Side, string][] = [["own", "original layout"], ["now", "current layout"], ...named.map((s): [Side, string] => [`state ${s.id}`, s.name])];
  return (
    <Dialogue title="Compare a take" open wide="widest" onOpenChange={(open) => !open && onClose()}>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <Choice label="Take" value={one?.key ?? ""} options={list.map((t) => [t.key, t.name])} onChange={setChosen} />
        <Choice label="A" value={a} options={sides} onChange={(side) => setA(side as Side)} />
        <Choice label="B" value={b} options={sides} onChange={(side) => setB(side as Side)} />
        <label className="flex items-center gap-1.5" {...readingProps(says("takes.carries"), carries ? "yes" : "no")}>
          <input type="checkbox" className="accent-[var(--accent)]" checked={carries} onChange={(event) => setCarries(event.target.checked)} />
          Move touches with their controls
        </label>
      </div>
      {found === null && <p className="caption">Comparing…</p>}
      {found && !found.ok && (
        <p role="alert" className="text-blocker">
          {problemText(found.problems, 2)}
        </p>
      )}
      {found?.ok && <TakeDifferences key={`${chosen} ${a} ${b} ${carries}`} comparison={found.value.comparison} hz={found.value.hz} />}
    </Dialogue>
  );
}

function Choice({ label, ...rest }: { label: string; value: string; options: Choices; onChange: (value: string) => void }) {
  return (
    <label className="flex items-center gap-1.5">
      <span className="caption">{label}</span>
      <Select label={label === "Take" ? "Compared take" : `Layout ${label}`} reads={says("takes.side")} className="max-w-[15rem]" {...rest} />
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

/** The comparison asked for; null while it is computed. An answer that comes too late is dropped. */
function useComparison({ one, read, a, b, named, carries }: Asked): Found | null {
  const states = useStates();
  const now = useSession((s) => s.gesture?.base ?? s.layout);
  const key = JSON.stringify([one?.key, a, b, carries]);
  const [found, setFound] = useState<{ readonly key: string; readonly now: Layout; readonly result: Found } | null>(null);
  const compare = useEffectEvent((isCurrent: () => boolean) => {
    if (!one) return;
    const sideOf = async (side: Side, opened: OpenedTake): Promise<Result<Layout>> => {
      if (side === "now") return ok(now);
      if (side === "own") return opened.on ? ok(opened.on) : refused("", "the layout of this take is not stored here; choose other versions for A and B");
      const state = named.find((s) => `state ${s.id}` === side);
      return state ? states.layoutOf(state) : refused("", "this state no longer exists");
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
      (result) => isCurrent() && setFound({ key, now, result }),
      (error: unknown) => isCurrent() && setFound({ key, now, result: refused("", error instanceof Error ? error.message : String(error)) }),
    );
  });
  // The key identifies what is compared; `read` and `named` are new objects with the same meaning.
  useEffect(() => {
    let current = true;
    compare(() => current);
    return () => {
      current = false;
    };
  }, [key, now, states, named.length]);
  return found && found.key === key && found.now === now ? found.result : null;
}
