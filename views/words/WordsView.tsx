"use client";
/** The glossary: each term with a drawing and a sentence, generated from docs/GLOSSARY.md. */
import { useDeferredValue, useState } from "react";
import { DRAWINGS, type Drawing, type Stroke } from "./drawings";
import { WORDS } from "./glossary";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

interface Style {
  readonly stroke: string;
  readonly fill?: string;
  readonly dash?: string;
}
const STYLE: Readonly<Record<Stroke, Style>> = {
  ink: { stroke: "var(--ink)" },
  muted: { stroke: "var(--muted)" },
  dash: { stroke: "var(--ink)", dash: "5 3" },
  dashdot: { stroke: "var(--ink)", dash: "6 2 1 2" },
  accent: { stroke: "var(--accent)" },
  solid: { stroke: "var(--accent)", fill: "var(--accent)" },
  quiet: { stroke: "var(--muted)", fill: "var(--muted)" },
  hit: { stroke: "var(--hit)", fill: "url(#word-hatch)" },
  land: { stroke: "var(--land)", fill: "url(#word-dots)" },
  zone: { stroke: "var(--clear)", fill: "url(#word-cross)" },
  reach: { stroke: "var(--reach)" },
  stretch: { stroke: "var(--reach)", dash: "1 3" },
  blocker: { stroke: "var(--blocker)", fill: "var(--blocker)" },
  warning: { stroke: "var(--warning)" },
  note: { stroke: "var(--note)" },
};

export function WordsView() {
  const [search, setSearch] = useState("");
  const wanted = useDeferredValue(search.trim().toLowerCase());
  const shown = WORDS.filter(({ word, means }) => wanted === "" || `${word} ${means}`.toLowerCase().includes(wanted));
  return (
    <div className="h-full overflow-auto bg-paper">
      <Patterns />
      <div className="mx-auto grid max-w-[78rem] gap-4 px-8 py-6">
        <header className="flex flex-wrap items-end justify-between gap-4">
          <div>
            <h1 className="text-lg font-semibold">Glossary</h1>
            <p className="text-muted">The terms that Nodulum uses, each with a drawing.</p>
          </div>
          <label className="grid gap-1">
            <span className="caption">Search</span>
            <input
              className="box h-8 w-60 px-2"
              type="search"
              maxLength={FIELD_LETTERS.search}
              value={search}
              onChange={(event) => setSearch(event.target.value)}
              data-first
            />
          </label>
        </header>
        <p role="status" className="caption">
          {shown.length} of {WORDS.length} terms
        </p>
        <ul aria-label="Glossary" className="grid grid-cols-[repeat(auto-fill,minmax(21rem,1fr))] gap-x-8">
          {shown.map(({ word, means }) => (
            <li key={word} className="grid min-h-[4rem] grid-cols-[64px_minmax(0,1fr)] items-start gap-x-4 border-t border-rule py-2.5" data-word={word}>
              <WordDrawing drawing={DRAWINGS[word]} />
              <div>
                <h2 className="font-semibold">{word}</h2>
                <p className="text-[0.8125rem] leading-snug text-muted">{plainText(means)}</p>
              </div>
            </li>
          ))}
        </ul>
        {shown.length === 0 && <p>No term matches.</p>}
      </div>
    </div>
  );
}

/** A line of the glossary with its code marked as such. */
function plainText(means: string) {
  return means.split(/(`[^`]+`)/).map((piece, i) =>
    piece.startsWith("`") ? (
      <code key={i} className="figure text-[0.75rem] text-ink">
        {piece.slice(1, -1)}
      </code>
    ) : (
      piece
    ),
  );
}

function WordDrawing({ drawing }: { drawing: Drawing | undefined }) {
  return (
    <svg width="64" height="40" viewBox="0 0 64 40" aria-hidden>
      {(Object.entries(drawing ?? {}) as [Stroke, string][]).map(([stroke, d]) => (
        <path key={stroke} d={d} stroke={STYLE[stroke].stroke} fill={STYLE[stroke].fill ?? "none"} strokeDasharray={STYLE[stroke].dash} strokeWidth={1.3} />
      ))}
    </svg>
  );
}

function Patterns() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden>
      <pattern id="word-hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0v5" stroke="var(--hit)" strokeWidth="1" />
      </pattern>
      <pattern id="word-dots" width="5" height="5" patternUnits="userSpaceOnUse">
        <circle cx="1.5" cy="1.5" r=".9" fill="var(--land)" />
      </pattern>
      <pattern id="word-cross" width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 0l5 5M5 0l-5 5" stroke="var(--clear)" strokeWidth=".8" />
      </pattern>
    </svg>
  );
}
