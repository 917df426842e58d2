"use client";
/** Start from your game: its words (typed, pasted, or found in its code), how it is held, its name; then the bench, with the ledger filled. */
import { isEqual } from "../../core/engine/equal";
import { useMemo, useRef, useState } from "react";
import { problemText, type Result } from "../../core/engine/result";
import { typedNumber } from "../../core/editing/arithmetic";
import { layoutOfGame, REFERENCE, type Held } from "../../core/exchange/gameLayout";
import { FileInput } from "../../ui/FileInput";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { CalleeList } from "../fields/code/CalleeList";
import { CodeDrop, CodeSources } from "../fields/code/CodeSources";
import { useLibrary, useSessionActions } from "../document/SessionContext";
import { textOfFile } from "../document/files/textOfFile";
import { DrawnFor, USUAL_SCALE, type DrawnForChoice } from "./DrawnFor";
import { GameNames } from "./GameNames";
import { useGameInput } from "./useGameInput";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

const HELD: readonly (readonly [Held, string, string])[] = [
  ["wide", "landscape", "M2 5h16v10H2z"],
  ["tall", "portrait", "M6 2h8v16H6z"],
  ["either", "both", "M2 8h12v9H2zM11 8V2h7v15h-4"],
];

// oxlint-disable-next-line max-lines-per-function -- one form: its parts share what was typed
export function StartFromGame({ begin }: { begin: (making: Promise<Result<unknown>>) => Promise<boolean> }) {
  const library = useLibrary();
  const told = useGameInput();
  const [name, setName] = useState("");
  const [held, setHeld] = useState<Held>("wide");
  const [drawn, setDrawn] = useState<Partial<DrawnForChoice>>({});
  const usual = REFERENCE[held];
  const choice: DrawnForChoice = { width: String(usual.width), height: String(usual.height), scale: USUAL_SCALE, ...drawn };
  const { width, height, scale } = choice;
  const [isMaking, setIsMaking] = useState(false);
  const preview = useMemo(
    () =>
      layoutOfGame({
        name: name.trim() || "My game",
        held,
        reference: { width: typedNumber(width), height: typedNumber(height) },
        scale,
        words: told.words,
        inputs: told.inputs,
        callees: told.ticked,
      }),
    [name, held, width, height, scale, told.words, told.inputs, told.ticked],
  );
  const make = async () => {
    if (!preview.ok || isMaking) return;
    setIsMaking(true);
    if (!(await begin(library.add(preview.value)))) setIsMaking(false);
  };
  return (
    <section aria-labelledby="your-game" className="grid gap-3">
      <h2 id="your-game" className="text-base font-semibold">
        Start from your game
      </h2>
      <div className="grid gap-1">
        <label htmlFor="told-words" className="font-medium">
          What does your game read?
        </label>
        <textarea
          id="told-words"
          data-first
          rows={4}
          maxLength={FIELD_LETTERS.source}
          className="box figure px-2 py-1.5"
          placeholder={"type or paste the names, one per line\nwalk, leap, bleat, look"}
          spellCheck={false}
          value={told.text}
          onChange={(event) => told.setText(event.target.value)}
          {...readingProps(says("welcome.words"))}
        />
      </div>
      <OtherWays told={told} onLayoutFile={(text) => begin(library.importText(text))} />
      {told.shown.length === 0 && told.problem === "" && (
        <p className="text-muted">
          They appear in the ledger next to the bench. Drag one onto the glass to create its control, named and bound; you see it on other screens at once.
        </p>
      )}
      <GameNames told={told} />
      <form
        className="flex flex-wrap items-end gap-x-6 gap-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <HeldChoice
          held={held}
          onHeld={(chosen) => {
            setHeld(chosen);
            setDrawn({ scale });
          }}
        />
        <GameName name={name} onName={setName} />
        <div className="w-full">
          <DrawnFor
            choice={choice}
            set={Number(width !== String(usual.width) || height !== String(usual.height)) + Number(!isEqual(scale, USUAL_SCALE))}
            onChange={(change) => setDrawn({ ...drawn, ...change })}
          />
        </div>
        <button className="push push-main h-8" disabled={!preview.ok || isMaking}>
          Open on the bench
        </button>
      </form>
      {!preview.ok && (
        <p role="alert" className="whitespace-pre-line text-blocker">
          {problemText(preview.problems, 3)}
        </p>
      )}
    </section>
  );
}

/** Words read from code, or a layout file opened instead. */
function OtherWays({ told, onLayoutFile }: { told: ReturnType<typeof useGameInput>; onLayoutFile: (text: string) => Promise<boolean> }) {
  const session = useSessionActions();
  const [fromCode, setFromCode] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const openFile = async (chosen: File) => {
    const text = await textOfFile(chosen);
    if (!text.ok) return session.tellRefusal(text);
    await onLayoutFile(text.value);
  };
  return (
    <>
      <p className="flex flex-wrap items-center gap-1.5">
        <button type="button" className="push" aria-expanded={fromCode} onClick={() => setFromCode(!fromCode)}>
          Or read them from the code…
        </button>
        <button type="button" className="push" onClick={() => file.current?.click()}>
          Or open a layout file…
        </button>
        <FileInput ref={file} accept=".json,application/json" label="Layout file to open" onFile={(chosen) => void openFile(chosen)} />
      </p>
      {fromCode && (
        <section aria-label="Words from code" className="grid gap-3 border-l-2 border-rule pl-3">
          <CodeDrop code={told.code}>
            <CodeSources code={told.code} />
            {told.code.scanned && <CalleeList ranked={told.ranked} ticked={told.ticked} onTick={told.tick} short />}
          </CodeDrop>
        </section>
      )}
    </>
  );
}

function HeldChoice({ held, onHeld }: { held: Held; onHeld: (held: Held) => void }) {
  return (
    <fieldset className="flex items-center gap-1.5">
      <legend className="caption mb-1">Orientation</legend>
      {HELD.map(([key, word, d]) => (
        <button
          key={key}
          type="button"
          className="push h-8 gap-1.5 aria-pressed:border-accent aria-pressed:text-accent"
          aria-pressed={held === key}
          onClick={() => onHeld(key)}
          {...readingProps(says("welcome.held"), word)}
        >
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
            <path d={d} fill="none" stroke="currentColor" />
          </svg>
          {word}
        </button>
      ))}
    </fieldset>
  );
}

function GameName({ name, onName }: { name: string; onName: (name: string) => void }) {
  return (
    <label className="grid min-w-[11rem] flex-1 gap-1">
      <span className="caption">Name</span>
      <input
        aria-label="Name of the game"
        className="box h-8 px-2"
        value={name}
        maxLength={80}
        placeholder="Name of your game"
        onChange={(event) => onName(event.target.value)}
        {...readingProps(says("welcome.name"))}
      />
    </label>
  );
}
