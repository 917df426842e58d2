"use client";
/** A screen of one's own: px, pixels an inch or inches, insets, corners, cut-outs, edge strips. */
import { useState, type FormEvent } from "react";
import { addScreens, changeScreen } from "../../../core/editing/edits/screens";
import type { Screen } from "../../../core/format/types";
import { problemText } from "../../../core/engine/result";
import { useSession, useSessionActions } from "../../session/context";

interface Props {
  readonly screen: Screen;
  /** The name of the screen it takes the place of; null: a new one. */
  readonly replaces: string | null;
  readonly used: ReadonlySet<string>;
  readonly rail: readonly string[];
  readonly onDone: () => void;
}

const SIDES = ["left", "top", "right", "bottom"] as const;

/** Cut-outs as text: `x y w h`, a semicolon between two. Null where it is not that. */
function readCutouts(text: string): Screen["cutouts"] | null {
  const parts = text
    .split(";")
    .map((p) => p.trim())
    .filter((p) => p !== "")
    .map((p) => p.split(/[\s,]+/).map(Number));
  return parts.every((p) => p.length === 4 && p.every(Number.isFinite)) ? parts.map(([x, y, w, h]) => ({ x, y, w, h })) : null;
}

export function ScreenForm({ screen, replaces, used, rail, onDone }: Props) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const [name, setName] = useState(screen.name);
  const [figures, setFigures] = useState({
    width: String(screen.widthPx),
    height: String(screen.heightPx),
    ppi: String(screen.ppi),
    corner: String(screen.cornerPx),
    insets: SIDES.map((s) => String(screen.insets[s])),
    edges: SIDES.map((s) => String(screen.edges[s])),
    cutouts: screen.cutouts.map((c) => `${c.x} ${c.y} ${c.w} ${c.h}`).join("; "),
  });
  const [problem, setProblem] = useState("");
  const diagonal = Math.hypot(Number(figures.width), Number(figures.height)) / Number(figures.ppi);
  const set = (change: Partial<typeof figures>) => setFigures({ ...figures, ...change });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const cutouts = readCutouts(figures.cutouts);
    if (!cutouts) return setProblem("Cut-outs are written x y w h in px, a semicolon between two.");
    const sides = (texts: readonly string[]) => Object.fromEntries(SIDES.map((s, i) => [s, Number(texts[i])])) as Screen["insets"];
    const next: Screen = {
      name: name.trim(),
      widthPx: Number(figures.width),
      heightPx: Number(figures.height),
      ppi: Number(figures.ppi),
      cornerPx: Number(figures.corner),
      insets: sides(figures.insets),
      edges: sides(figures.edges),
      cutouts,
    };
    const changed = replaces === null ? addScreens(layout, [next], rail, used) : changeScreen(layout, replaces, next, used);
    if (!changed.ok) return setProblem(problemText(changed.problems, 3));
    session.edit(replaces === null ? `add ${next.name}` : `change ${next.name}`, () => changed);
    onDone();
  };
  const box = "box figure h-7 px-2 text-right";
  const field = (label: string, value: string, onChange: (text: string) => void, unit: string) => (
    <label className="grid gap-0.5">
      <span className="caption">
        {label}, {unit}
      </span>
      <input className={box} inputMode="decimal" value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  );
  const four = (legend: string, key: "insets" | "edges") => (
    <fieldset className="grid grid-cols-4 gap-2">
      <legend className="caption mb-0.5">{legend}, px</legend>
      {SIDES.map((side, i) => (
        <label key={side} className="grid gap-0.5">
          <span className="caption">{side}</span>
          <input
            className={box}
            inputMode="decimal"
            aria-label={`${legend} ${side}`}
            value={figures[key][i]}
            onChange={(event) => set({ [key]: figures[key].map((v, j) => (j === i ? event.target.value : v)) })}
          />
        </label>
      ))}
    </fieldset>
  );
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <label className="grid gap-0.5">
        <span className="caption">Name</span>
        <input className="box h-7 px-2" value={name} maxLength={80} autoFocus onChange={(event) => setName(event.target.value)} />
      </label>
      <div className="grid grid-cols-5 gap-2">
        {field("Width", figures.width, (width) => set({ width }), "px")}
        {field("Height", figures.height, (height) => set({ height }), "px")}
        {field("Density", figures.ppi, (ppi) => set({ ppi }), "ppi")}
        <label className="grid gap-0.5">
          <span className="caption">or diagonal, inches</span>
          <input
            className={box}
            inputMode="decimal"
            key={figures.ppi}
            defaultValue={Number.isFinite(diagonal) ? diagonal.toFixed(2) : ""}
            onBlur={(event) => {
              const inches = Number(event.target.value.replace(",", "."));
              if (inches > 0 && Math.abs(inches - diagonal) > 0.004) set({ ppi: String(Number(((diagonal * Number(figures.ppi)) / inches).toFixed(2))) });
            }}
          />
        </label>
        {field("Corner radius", figures.corner, (corner) => set({ corner }), "px")}
      </div>
      {four("Insets", "insets")}
      {four("System's edge strips", "edges")}
      <label className="grid gap-0.5">
        <span className="caption">Cut-outs, px: x y w h; x y w h</span>
        <input className="box figure h-7 px-2" value={figures.cutouts} onChange={(event) => set({ cutouts: event.target.value })} />
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
        <button className="push push-main">{replaces === null ? "Add it" : "Change it"}</button>
      </div>
    </form>
  );
}
