"use client";
/** Controls of another layout for this game: the words of the two are matched, what does not go together is said, then controls or looks are taken over. */
import { counted } from "../../../core/derived/counted";
import { madeOn } from "../../../core/versions/merge";
import { useEffect, useMemo, useRef, useState } from "react";
import { byId } from "../../../core/derived/byId";
import type { Layout } from "../../../core/format/types";
import { unitPx } from "../../../core/engine/placement/scale";
import { ok, problemText, refused, type Result } from "../../../core/engine/result";
import { matchWords, mismatches, adopt, type ControlChoice, type WordChoice } from "../../../core/wiring/adopt";
import type { Starter } from "../../../samples/starters";
import type { KeptLayout } from "../../../core/exchange/kept";
import { Dialogue } from "../../../ui/Dialogue";
import { FileInput } from "../../../ui/FileInput";
import { useLibrary, useSession, useSessionActions } from "../../session/context";
import { benchScreenOf } from "../../session/screens";
import { namesOf } from "../../shared/names";
import { readLayoutFile } from "../../shared/readFile";
import { choiceOf, WordsTable } from "./WordsTable";

export function OtherDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="From another layout" open={open} onOpenChange={onOpenChange} wide>
      <FromOther onDone={() => onOpenChange(false)} />
    </Dialogue>
  );
}

function FromOther({ onDone }: { onDone: () => void }) {
  const library = useLibrary();
  const openId = useSession((s) => s.id);
  const [kept, setKept] = useState<readonly KeptLayout[]>([]);
  const [starters, setStarters] = useState<readonly Starter[]>([]);
  const [from, setFrom] = useState<Layout | null>(null);
  const [problem, setProblem] = useState("");
  const file = useRef<HTMLInputElement>(null);
  useEffect(() => {
    let current = true;
    library.list().then(
      (all) => current && setKept(all.kept.filter((l) => l.id !== openId)),
      (error: unknown) => current && setProblem(`The kept layouts cannot be listed: ${error instanceof Error ? error.message : String(error)}`),
    );
    return () => {
      current = false;
    };
  }, [library, openId]);
  useEffect(() => {
    let current = true;
    import("../../../samples/starters").then(
      (m) => current && setStarters(m.STARTERS),
      // Without the server the kept layouts and files are there all the same.
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, []);
  const show = (read: Result<Layout>, name: string) => {
    setProblem(read.ok ? "" : `${name}: ${problemText(read.problems, 3)}`);
    setFrom(read.ok ? read.value : null);
  };
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-center gap-1.5">
        <select
          aria-label="The other layout"
          className="box h-7 max-w-[20rem] px-1"
          defaultValue=""
          onChange={(event) => {
            const starter = starters.find((s) => `starter ${s.name}` === event.target.value);
            if (starter) return show(ok(starter.layout()), starter.name);
            const chosen = byId(kept).get(event.target.value);
            if (chosen)
              library.layoutOf(chosen).then(
                (read) => show(read, chosen.name),
                (error: unknown) => show(refused("", error instanceof Error ? error.message : String(error)), chosen.name),
              );
          }}
        >
          <option value="">a layout kept here, or a starter…</option>
          <optgroup label="Kept here">
            {kept.map((l) => (
              <option key={l.id} value={l.id}>
                {l.name}
              </option>
            ))}
          </optgroup>
          <optgroup label="Starters">
            {starters.map(({ name, plain }) => (
              <option key={name} value={`starter ${name}`}>
                {name}: {plain}
              </option>
            ))}
          </optgroup>
        </select>
        <span className="caption">or</span>
        <button className="push" onClick={() => file.current?.click()}>
          A file…
        </button>
        <FileInput
          ref={file}
          accept=".json,application/json"
          label="Layout to take controls from"
          onFile={(f) => void readLayoutFile(f).then((read) => show(read, f.name))}
        />
      </div>
      {problem && (
        <p role="alert" className="whitespace-pre-line text-blocker">
          {problem}
        </p>
      )}
      {from && <Matching key={from.name} from={from} onDone={onDone} />}
    </div>
  );
}

function Matching({ from, onDone }: { from: Layout; onDone: () => void }) {
  const session = useSessionActions();
  const here = useSession((s) => s.layout);
  const [controls, setControls] = useState<ReadonlyMap<string, ControlChoice>>(() => new Map(from.controls.map((c) => [c.id, "control"])));
  const [byHand, setByHand] = useState<ReadonlyMap<string, WordChoice>>(new Map());
  const ids = useMemo(() => [...controls.keys()], [controls]);
  const matches = useMemo(() => matchWords(from, ids, here.actions), [from, ids, here.actions]);
  const words = useMemo(() => new Map(matches.map((m) => [m.word, byHand.get(m.word) ?? choiceOf(m)])), [matches, byHand]);
  const wrong = useMemo(() => mismatches(from, here, words, ids), [from, here, words, ids]);
  const choose = (id: string, choice: ControlChoice | "leave") => {
    const next = new Map(controls);
    if (choice === "leave") next.delete(id);
    else next.set(id, choice);
    setControls(next);
  };
  const run = () => {
    const screen = benchScreenOf(here);
    const unitRatio = unitPx(from.scale, from.reference, screen) / unitPx(here.scale, here.reference, screen);
    const used = adopt(here, from, { words, controls, unitRatio });
    if (!used.ok) return session.edit("take over", madeOn(here, used));
    if (!session.edit(`take ${namesOf(used.value.layout, used.value.ids)} over from ${from.name}`, madeOn(here, ok(used.value.layout)))) return;
    session.select(used.value.ids);
    session.tell({
      text: `${counted(used.value.ids.length, "control")} taken over from “${from.name}”. Arrangements stay behind.`,
      tone: "plain",
    });
    onDone();
  };
  return (
    <>
      <WordsTable
        from={from}
        here={here}
        matches={matches}
        words={words}
        wrong={wrong}
        byHand={byHand}
        onChoose={(word, choice) => setByHand(new Map(byHand).set(word, choice))}
      />
      <section aria-label="Controls of the other layout">
        <header className="mb-1 flex items-center gap-2">
          <h3 className="heading">Controls</h3>
          <button className="h-6 px-1 text-[0.6875rem] underline" onClick={() => setControls(new Map(from.controls.map((c) => [c.id, "control"])))}>
            all
          </button>
          <button className="h-6 px-1 text-[0.6875rem] underline" onClick={() => setControls(new Map())}>
            none
          </button>
        </header>
        <ul className="grid max-h-[12.5rem] grid-cols-2 gap-x-4 overflow-auto border border-rule p-1">
          {from.controls.map((c) => (
            <li key={c.id} className="flex min-h-7 items-center gap-2 px-1">
              <span className="min-w-0 flex-1 truncate">
                {c.name} <span className="caption">{c.kind}</span>
              </span>
              <select
                aria-label={`What to take of ${c.name}`}
                className="box h-6 px-1 text-[0.6875rem]"
                value={controls.get(c.id) ?? "leave"}
                onChange={(event) => choose(c.id, event.target.value as ControlChoice | "leave")}
              >
                <option value="control">the control</option>
                <option value="look">its look alone</option>
                <option value="leave">nothing</option>
              </select>
            </li>
          ))}
        </ul>
        <p className="caption mt-1">
          A control comes with its cluster, feel, look and pictures, at the size it has there. A look alone goes onto the controls here of its kind that serve
          the same. Wires that do not go together stay behind, and so do arrangements.
        </p>
      </section>
      <button className="push push-main justify-self-end" disabled={controls.size === 0} onClick={run}>
        Take over {controls.size} of {from.controls.length}
      </button>
    </>
  );
}
