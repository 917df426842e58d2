"use client";
/** The game inside the device, played with mouse, keys, pad or real touch; live values beside it, feel to be changed while playing, traces below. */
import { ownEntry } from "../../core/engine/own";
import { useTheme } from "next-themes";
import { byId } from "../../core/derived/byId";
import { editContextOf } from "../../core/editing/placing";
import { useEffect, useMemo, useRef, useState } from "react";
import type { ActionValues } from "../../core/engine/input/events";
import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import { createTug, TUG_WORDS } from "../../samples/tug/tug";
import { createYard } from "../../samples/yard/yard";
import { FeelCard } from "../shared/FeelCard";
import { useSession, useSessionActions } from "../session/context";
import { benchScreenOf } from "../session/screens";
import { MomentChoice } from "../shared/MomentChoice";
import { fitScale, useRoom } from "../shared/useRoom";
import { createTraces, drawTraces, valueText } from "./traces";
import { tickOffFelt } from "../shell/felt";
import { useRehearsal } from "../shared/useRehearsal";

export function RehearseView() {
  const layout = useSession((s) => s.layout);
  const moment = useSession((s) => s.playerView.moment);
  const screen = benchScreenOf(layout);
  const actions = layout.actions;
  const canTug = TUG_WORDS.every((word) => actions.some((a) => a.name === word));
  const [wantsYard, setWantsYard] = useState(false);
  const yard = wantsYard || !canTug;
  const shape = actions.map((a) => `${a.kind} ${a.name}`).join("\n");
  // The yard is built anew when a word or a kind changes, not with every other edit.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const game = useMemo(() => (yard ? createYard(actions) : createTug()), [yard, shape]);
  const traces = useMemo(() => createTraces(), []);
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const trace = useRef<HTMLCanvasElement>(null);
  const figures = useRef(new Map<string, HTMLElement>());
  const room = useRoom(area);
  const scale = fitScale(room, screen, 24);
  const { resolvedTheme } = useTheme();

  const onDrawn = (values: ActionValues) => {
    for (const [name, element] of figures.current) {
      const text = valueText(ownEntry(values, name));
      if (element.textContent !== text) element.textContent = text;
    }
    const element = trace.current;
    const ctx = element?.getContext("2d");
    if (!element || !ctx) return;
    const density = window.devicePixelRatio || 1;
    const [w, h] = [element.clientWidth, element.clientHeight];
    if (element.width !== Math.round(w * density)) element.width = Math.round(w * density);
    if (element.height !== Math.round(h * density)) element.height = Math.round(h * density);
    ctx.setTransform(density, 0, 0, density, 0, 0);
    drawTraces(ctx, actions, traces, { w, h, colours: TONES[resolvedTheme === "dark" ? "dark" : "light"] });
  };
  const { bind } = useRehearsal({ layout, screen, scale, game, moment, canvas, onDrawn, onTick: (values) => traces.push(values), onPlayed: tickOffFelt });
  const glass = useRef<HTMLDivElement>(null);
  const ready = room.w > 0;
  useEffect(() => glass.current?.focus({ preventScroll: true }), [ready]);

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_18.75rem] grid-rows-[minmax(0,1fr)_auto]">
      <section aria-label="Rehearsal" className="flex min-h-0 min-w-0 flex-col">
        <header className="flex flex-wrap items-center gap-3 px-4 pt-2">
          <h2 className="font-semibold">{yard ? "The test yard" : "The tug"}</h2>
          <span className="caption">{screen.name}</span>
          {canTug && (
            <button className="push h-6" onClick={() => setWantsYard(!wantsYard)}>
              {yard ? "Play the tug" : "Play the test yard"}
            </button>
          )}
          {yard && <MomentChoice />}
          <span className="caption ml-auto">Click the glass: keys go to the game. Hold Escape to leave it.</span>
        </header>
        <div ref={area} className="grid min-h-0 flex-1 place-items-center overflow-hidden">
          {room.w > 0 && (
            <div
              className="border border-ink bg-sheet p-[6px] focus-within:border-accent focus-within:ring-1 focus-within:ring-accent"
              style={{ borderRadius: Math.max(4, screen.cornerPx * scale + 7) }}
            >
              <div
                ref={glass}
                {...bind}
                tabIndex={0}
                role="application"
                aria-label={`The game on ${screen.name}; keys go to it while it has the focus, hold Escape to leave`}
                data-testid="play-glass"
                className="touch-none overflow-hidden bg-[#0c141b] outline-none select-none"
                style={{ borderRadius: screen.cornerPx * scale, width: screen.widthPx * scale, height: screen.heightPx * scale }}
              >
                <canvas ref={canvas} className="block h-full w-full" />
              </div>
            </div>
          )}
        </div>
      </section>
      <aside className="row-span-2 flex min-h-0 flex-col overflow-auto border-l border-rule bg-sheet">
        <section aria-label="Values" className="border-b border-rule px-4 py-3">
          <h2 className="heading mb-1.5">Values</h2>
          {actions.length === 0 && <p className="text-muted">No actions yet; add them in view 1.</p>}
          <dl className="grid grid-cols-[1fr_auto] gap-y-0.5">
            {actions.map((a) => (
              <div key={a.name} className="contents">
                <dt className="figure truncate">{a.name}</dt>
                <dd
                  className="figure text-right"
                  data-testid={`value-${a.name}`}
                  ref={(element) => {
                    if (element) figures.current.set(a.name, element);
                    else figures.current.delete(a.name);
                  }}
                />
              </div>
            ))}
          </dl>
        </section>
        <FeelPanel />
      </aside>
      <section
        aria-label="Traces"
        className="grid grid-cols-[5.75rem_1fr] grid-rows-[minmax(0,1fr)] overflow-hidden border-t border-rule"
        style={{ height: Math.min(220, Math.max(60, actions.length * 18)) }}
      >
        <ul className="grid" style={{ gridTemplateRows: `repeat(${Math.max(1, actions.length)}, 1fr)` }}>
          {actions.map((a) => (
            <li key={a.name} className="figure flex items-center truncate pl-4 text-[0.6875rem] text-muted">
              {a.name}
            </li>
          ))}
        </ul>
        <div className="relative">
          <canvas ref={trace} role="img" aria-label="The last six seconds of every action" className="absolute inset-0 h-full w-full" />
        </div>
      </section>
    </div>
  );
}

const TONES = {
  light: { ink: "#18242E", rule: "#D8D2C4", accent: "#2B44C7" },
  dark: { ink: "#E8E4DA", rule: "#2A3944", accent: "#8EA2FF" },
} as const;

/** The feel of one control, open while playing. */
function FeelPanel() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const selection = useSession((s) => s.selection);
  const control = byId(layout.controls).get(selection[0]) ?? layout.controls.find((c) => c.kind === "stick") ?? layout.controls[0];
  if (!control) return null;
  const context = editContextOf(layout, benchScreenOf(layout), PLAIN_PLAYER_VIEW);
  return (
    <section aria-label="Feel" className="grid content-start gap-1.5 px-4 py-3">
      <h2 className="heading">Feel</h2>
      <select aria-label="Control whose feel is open" className="box h-6 px-1" value={control.id} onChange={(event) => session.select([event.target.value])}>
        {layout.controls.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name} · {c.kind}
          </option>
        ))}
      </select>
      <FeelCard context={context} controls={[control]} placed={[byId(context.resolved.controls).get(control.id)]} />
    </section>
  );
}
