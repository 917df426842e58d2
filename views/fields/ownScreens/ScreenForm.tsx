"use client";
/** Your own screen: px, pixels an inch or inches, insets, corners, cut-outs, edge strips. */
import { typedNumber } from "../../../core/editing/arithmetic";
import { madeOn } from "../../../core/versions/merge";
import { useState, type FormEvent } from "react";
import { addScreens, changeScreen } from "../../../core/editing/edits/ownScreens";
import type { Screen } from "../../../core/format/types";
import { problemText } from "../../../core/engine/result";
import { catalogueFor } from "../../../core/checks/catalogue";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { railOf } from "../../document/railScreens";
import { ScreenPicture } from "./ScreenPicture";
import { FIELD_LETTERS } from "../../../ui/fieldLimits";

/** A screen to be described. `replaces`: the name of the screen it takes the place of; null: a new one. */
export interface ScreenFormRequest {
  readonly screen: Screen;
  readonly replaces: string | null;
}
interface Props {
  readonly wish: ScreenFormRequest;
  readonly onDone: () => void;
}

const SIDES = ["left", "top", "right", "bottom"] as const;

/** Cut-outs as text: `x y w h`, a semicolon between two. Null where it is not that. */
function readCutouts(text: string): Screen["cutouts"] | null {
  const parts = text
    .split(";")
    .map((p) => p.trim())
    .filter((p) => p !== "")
    .map((p) => {
      // Where spaces part the four, a comma is a decimal point; else it parts them.
      const words = p.split(/\s+/);
      return words.length === 4 ? words.map(typedNumber) : p.split(/[\s,]+/).map(Number);
    });
  return parts.every((p) => p.length === 4 && p.every(Number.isFinite)) ? parts.map(([x, y, w, h]) => ({ x, y, w, h })) : null;
}

/** The screen as it is typed so far; null where a figure is none. */
function drawnScreen(name: string, figures: Figures): Screen | null {
  const cutouts = readCutouts(figures.cutouts);
  const sides = (texts: readonly string[]) => Object.fromEntries(SIDES.map((s, i) => [s, typedNumber(texts[i])])) as Screen["insets"];
  const screen: Screen = {
    name: name.trim(),
    widthPx: typedNumber(figures.width),
    heightPx: typedNumber(figures.height),
    ppi: typedNumber(figures.ppi),
    cornerPx: typedNumber(figures.corner),
    insets: sides(figures.insets),
    edges: sides(figures.edges),
    cutouts: cutouts ?? [],
  };
  const numbers = [screen.widthPx, screen.heightPx, screen.ppi, screen.cornerPx, ...Object.values(screen.insets), ...Object.values(screen.edges)];
  return cutouts && numbers.every(Number.isFinite) && screen.widthPx > 0 && screen.heightPx > 0 && screen.ppi > 0 ? screen : null;
}

interface Figures {
  readonly width: string;
  readonly height: string;
  readonly ppi: string;
  readonly corner: string;
  readonly insets: readonly string[];
  readonly edges: readonly string[];
  readonly cutouts: string;
}
const figuresOf = (screen: Screen): Figures => ({
  width: String(screen.widthPx),
  height: String(screen.heightPx),
  ppi: String(screen.ppi),
  corner: String(screen.cornerPx),
  insets: SIDES.map((s) => String(screen.insets[s])),
  edges: SIDES.map((s) => String(screen.edges[s])),
  cutouts: screen.cutouts.map((c) => `${c.x} ${c.y} ${c.w} ${c.h}`).join("; "),
});

export function ScreenForm({ wish: { screen, replaces }, onDone }: Props) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const rail = railOf(layout).map((s) => s.name);
  const used = new Set(catalogueFor(layout.orientation).map((s) => s.name));
  const [name, setName] = useState(screen.name);
  const [figures, setFigures] = useState(() => figuresOf(screen));
  const [problem, setProblem] = useState("");
  const set = (change: Partial<Figures>) => setFigures({ ...figures, ...change });
  const drawn = drawnScreen(name, figures);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const cutouts = readCutouts(figures.cutouts);
    if (!cutouts) return setProblem("Write cut-outs as x y w h in px, separated by semicolons.");
    const next = drawnScreen(name, figures);
    if (!next) return setProblem("Every value must be a number; width, height and density must be above 0.");
    const changed = replaces === null ? addScreens(layout, [next], rail, used) : changeScreen(layout, replaces, next, used);
    if (!changed.ok) return setProblem(problemText(changed.problems, 3));
    session.edit(replaces === null ? `add ${next.name}` : `change ${next.name}`, madeOn(layout, changed));
    onDone();
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <label className="grid min-w-0 gap-0.5">
        <span className="caption">Name</span>
        <input className="box h-7 px-2" value={name} maxLength={80} autoFocus onChange={(event) => setName(event.target.value)} />
      </label>
      {drawn && <ScreenPicture screen={drawn} onChange={(next) => setFigures(figuresOf(next))} />}
      <Sizes figures={figures} drawn={drawn} set={set} />
      <FourSides legend="Insets" values={figures.insets} onChange={(insets) => set({ insets })} />
      <FourSides legend="System edge strips" values={figures.edges} onChange={(edges) => set({ edges })} />
      <label className="grid min-w-0 gap-0.5">
        <span className="caption">Cut-outs, px: x y w h; x y w h</span>
        <input
          className="box figure h-7 px-2"
          value={figures.cutouts}
          maxLength={FIELD_LETTERS.address}
          onChange={(event) => set({ cutouts: event.target.value })}
        />
      </label>
      {problem && (
        <p role="alert" className="whitespace-pre-line text-blocker">
          {problem}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <button type="button" className="push" onClick={onDone}>
          Back
        </button>
        <button className="push push-main">{replaces === null ? "Add" : "Change"}</button>
      </div>
    </form>
  );
}

const BOX = "box figure h-7 w-full min-w-0 px-2 text-right";

function Figure({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  return (
    <label className="grid min-w-0 gap-0.5">
      <span className="caption">{label}</span>
      <input className={BOX} inputMode="decimal" maxLength={FIELD_LETTERS.number} value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  );
}

/** Width, height, density; the density also by the diagonal or the width in millimetres. */
function Sizes({ figures, drawn, set }: { figures: Figures; drawn: Screen | null; set: (change: Partial<Figures>) => void }) {
  const diagonal = Math.hypot(typedNumber(figures.width), typedNumber(figures.height)) / typedNumber(figures.ppi);
  return (
    <div className="grid grid-cols-6 gap-2">
      <Figure label="Width, px" value={figures.width} onChange={(width) => set({ width })} />
      <Figure label="Height, px" value={figures.height} onChange={(height) => set({ height })} />
      <Figure label="Density, ppi" value={figures.ppi} onChange={(ppi) => set({ ppi })} />
      <label className="grid min-w-0 gap-0.5">
        <span className="caption">Or diagonal, inches</span>
        <input
          className={BOX}
          inputMode="decimal"
          maxLength={FIELD_LETTERS.number}
          key={figures.ppi}
          defaultValue={Number.isFinite(diagonal) ? diagonal.toFixed(2) : ""}
          onBlur={(event) => {
            const inches = typedNumber(event.target.value);
            if (inches > 0 && Math.abs(inches - diagonal) > 0.004) set({ ppi: String(Number(((diagonal * typedNumber(figures.ppi)) / inches).toFixed(2))) });
          }}
        />
      </label>
      <label className="grid min-w-0 gap-0.5">
        <span className="caption">Or width, mm</span>
        <input
          className={BOX}
          inputMode="decimal"
          maxLength={FIELD_LETTERS.number}
          key={`${figures.ppi} ${figures.width}`}
          defaultValue={drawn ? ((drawn.widthPx / drawn.ppi) * 25.4).toFixed(1) : ""}
          onBlur={(event) => {
            const mm = typedNumber(event.target.value);
            const before = drawn ? (drawn.widthPx / drawn.ppi) * 25.4 : 0;
            if (mm > 0 && Math.abs(mm - before) > 0.04) set({ ppi: String(Number(((typedNumber(figures.width) * 25.4) / mm).toFixed(2))) });
          }}
        />
      </label>
      <Figure label="Corner radius, px" value={figures.corner} onChange={(corner) => set({ corner })} />
    </div>
  );
}

/** A figure for each side. */
function FourSides({ legend, values, onChange }: { legend: string; values: readonly string[]; onChange: (values: readonly string[]) => void }) {
  return (
    <fieldset className="grid grid-cols-4 gap-2">
      <legend className="caption mb-0.5">{legend}, px</legend>
      {SIDES.map((side, i) => (
        <label key={side} className="grid min-w-0 gap-0.5">
          <span className="caption">{side}</span>
          <input
            className={BOX}
            inputMode="decimal"
            maxLength={FIELD_LETTERS.number}
            aria-label={`${legend} ${side}`}
            value={values[i]}
            onChange={(event) => onChange(values.map((v, j) => (j === i ? event.target.value : v)))}
          />
        </label>
      ))}
    </fieldset>
  );
}
