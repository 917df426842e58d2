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
import type { KeptLayout } from "../../../core/exchange/storedRecords";
import { Dialogue } from "../../../ui/Dialogue";
import { FileInput } from "../../../ui/FileInput";
import { useLibrary, useSession, useSessionActions } from "../../document/SessionContext";
import { benchScreenOf } from "../../document/railScreens";
import { namesOf } from "../../document/names";
import { readLayoutFile } from "../../document/files/readFile";
import { choiceOf, WordsTable } from "../../fields/WordsTable";

export function OtherDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="From another layout" open={open} onOpenChange={onOpenChange} wide>
      <FromOther onDone={() => onOpenChange(false)} />
    </Dialogue>
  );
}

// oxlint-disable-next-line max-lines-per-function -- one table: each word with its choices
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
      (error: unknown) => current && setProblem(`The stored layouts cannot be listed: ${error instanceof Error ? error.message : String(error)}`),
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
          aria-label="Other layout"
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
          <option value="">one of your layouts, or a starter…</option>
          <optgroup label="Your layouts">
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
          label="Layout file with the controls"
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
    if (!used.ok) return session.edit("copy", madeOn(here, used));
    if (!session.edit(`copy ${namesOf(used.value.layout, used.value.ids)} from ${from.name}`, madeOn(here, ok(used.value.layout)))) return;
    session.select(used.value.ids);
    session.tell({
      text: `${counted(used.value.ids.length, "control")} copied from “${from.name}”. Arrangements are not copied.`,
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
            All
          </button>
          <button className="h-6 px-1 text-[0.6875rem] underline" onClick={() => setControls(new Map())}>
            None
          </button>
        </header>
        <ul className="grid max-h-[12.5rem] grid-cols-2 gap-x-4 overflow-auto border border-rule p-1">
          {from.controls.map((c) => (
            <li key={c.id} className="flex min-h-7 items-center gap-2 px-1">
              <span className="min-w-0 flex-1 truncate">
                {c.name} <span className="caption">{c.kind}</span>
              </span>
              <select
                aria-label={`What to copy from ${c.name}`}
                className="box h-6 px-1 text-[0.6875rem]"
                value={controls.get(c.id) ?? "leave"}
                onChange={(event) => choose(c.id, event.target.value as ControlChoice | "leave")}
              >
                <option value="control">control</option>
                <option value="look">look only</option>
                <option value="leave">nothing</option>
              </select>
            </li>
          ))}
        </ul>
        <p className="caption mt-1">
          A copied control keeps its cluster, feel, look, pictures and size. “Look only” applies the look to your controls of the same kind that serve the same
          actions. Wires that do not fit and arrangements are not copied.
        </p>
      </section>
      <button className="push push-main justify-self-end" disabled={controls.size === 0} onClick={run}>
        Copy {controls.size} of {from.controls.length}
      </button>
    </>
  );
}
