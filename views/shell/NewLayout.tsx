"use client";
/** Starting a layout from nothing: a name, the screen it is drawn for, and what its controls keep. */
import { typedNumber } from "../../core/editing/arithmetic";
import { go } from "../shared/go";
import { useId, useState, type FormEvent } from "react";
import { problemText } from "../../core/engine/result";
import type { Layout, Scale } from "../../core/format/types";
import { More } from "../../ui/More";
import { says } from "../reading/sentences";
import { Dialogue } from "../../ui/Dialogue";
import { StarterChoice } from "./StarterChoice";
import { useLibrary } from "../session/context";
import { Keeps } from "../shared/Keeps";
import { ScaleFields } from "../shared/ScaleFields";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

const REFERENCES: readonly (readonly [string, number, number])[] = [
  ["Wide, 1600 × 720", 1600, 720],
  ["Wide, 1280 × 720", 1280, 720],
  ["Tall, 720 × 1440", 720, 1440],
  ["Tall, 720 × 1280", 720, 1280],
  ["Tablet, 1024 × 768", 1024, 768],
];

export function NewLayout({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="New layout" open={open} onOpenChange={onOpenChange} wide>
      <NewLayoutForm onDone={() => onOpenChange(false)} />
    </Dialogue>
  );
}

function NewLayoutForm({ onDone }: { onDone: () => void }) {
  const library = useLibrary();
  const ids = { name: useId(), w: useId(), h: useId() };
  const [name, setName] = useState("");
  const [width, setWidth] = useState("1600");
  const [height, setHeight] = useState("720");
  const [share, setShare] = useState(0.3);
  const [scale, setScale] = useState<Pick<Scale, "of" | "mmPerUnit">>({ of: "shorter", mmPerUnit: 0.09 });
  const [problem, setProblem] = useState("");
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const made = await library.start(name.trim(), { width: typedNumber(width), height: typedNumber(height) }, { share, ...scale });
    if (!made.ok) {
      setProblem(problemText(made.problems));
      return;
    }
    onDone();
    go("/actions");
  };
  const begin = async (starter: Layout) => {
    const made = await library.add({ ...starter, name: name.trim() || starter.name });
    if (!made.ok) return setProblem(problemText(made.problems));
    onDone();
    go("/layout");
  };
  return (
    <form className="grid gap-4" onSubmit={(event) => void submit(event)}>
      <div className="grid gap-1">
        <label htmlFor={ids.name} className="caption">
          Name
        </label>
        <input
          id={ids.name}
          className="box h-8 px-2"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          data-first
          placeholder="What the game is called"
        />
      </div>
      <fieldset className="grid gap-1.5">
        <legend className="caption mb-1">Drawn for: the screen you think in, in layout units (u)</legend>
        <div className="flex flex-wrap gap-1.5">
          {REFERENCES.map(([word, w, h]) => (
            <button
              key={word}
              type="button"
              className="push"
              aria-pressed={Number(width) === w && Number(height) === h}
              style={Number(width) === w && Number(height) === h ? { borderColor: "var(--accent)", color: "var(--accent)" } : undefined}
              onClick={() => {
                setWidth(String(w));
                setHeight(String(h));
              }}
            >
              {word}
            </button>
          ))}
        </div>
        <div className="mt-1 flex items-center gap-2">
          <label htmlFor={ids.w} className="caption">
            Width
          </label>
          <input
            id={ids.w}
            className="box figure h-7 w-20 px-2 text-right"
            inputMode="numeric"
            maxLength={FIELD_LETTERS.number}
            value={width}
            onChange={(e) => setWidth(e.target.value)}
          />
          <label htmlFor={ids.h} className="caption ml-2">
            Height
          </label>
          <input
            id={ids.h}
            className="box figure h-7 w-20 px-2 text-right"
            inputMode="numeric"
            maxLength={FIELD_LETTERS.number}
            value={height}
            onChange={(e) => setHeight(e.target.value)}
          />
          <span className="caption">u</span>
        </div>
      </fieldset>
      <Keeps share={share} onChange={setShare} />
      <More set={(scale.of !== "shorter" ? 1 : 0) + (scale.mmPerUnit !== 0.09 ? 1 : 0)} reads={says("region.more")}>
        <ScaleFields scale={scale} onChange={(_, change) => setScale({ ...scale, ...change })} />
      </More>
      {problem && (
        <p role="alert" className="whitespace-pre-line text-blocker">
          {problem}
        </p>
      )}
      <div className="flex justify-end">
        <button className="push push-main h-8">Start</button>
      </div>
      <fieldset className="grid gap-1.5">
        <legend className="caption mb-1">Or begin with a starter: nothing is found on any screen, and its words become yours</legend>
        <StarterChoice onPick={(layout) => void begin(layout)} />
      </fieldset>
    </form>
  );
}
