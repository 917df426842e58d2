"use client";
/** The ledger: the actions, those not yet served first. Dragged onto the glass, one grows its control there; Enter grows it in the middle of the thumb's side. */
import { memo, useEffect, useMemo, useRef, useState, type PointerEvent, type RefObject } from "react";
import Link from "next/link";
import type { Action } from "../../core/layout/types";
import { fittingKind, growControl } from "../../core/placement/make";
import { ok } from "../../core/result";
import { useSession, useSessionActions } from "../session/context";
import { sightFor } from "../session/prepared";
import { benchScreenOf } from "../session/screens";
import type { Session } from "../session/session";
import type { GlassHandle } from "./Glass";

/** A press must go this far before it is a drag, CSS px. */
const DRAG_PX = 4;

interface Drag {
  readonly action: Action;
  readonly x: number;
  readonly y: number;
}

export const Ledger = memo(function Ledger({ wide, glass }: { wide: boolean; glass: RefObject<GlassHandle | null> }) {
  const session = useSessionActions();
  const actions = useSession((s) => s.layout.actions);
  const served = useServed();
  const [drag, setDrag] = useState<Drag | null>(null);
  const start = useRef<{ action: Action; x: number; y: number } | null>(null);
  const servedBy = (action: Action) => served.get(action.name) ?? [];
  const left = (a: Action) => a.read && a.touch === "wanted" && servedBy(a).length === 0;
  const sorted = [...actions.filter(left), ...actions.filter((a) => !left(a))];
  const toDo = actions.filter(left).length;

  const grow = (action: Action, x: number, y: number) => {
    const kind = fittingKind(action.kind);
    const grown = growControl(sightNow(session), action, kind, x, y);
    if (!grown.ok) session.edit("grow", () => grown);
    else if (session.edit(`grow ${action.name}`, () => ok(grown.value.layout))) session.select([grown.value.id]);
  };
  const growAtHome = (action: Action) => {
    const { widthPx: w, heightPx: h } = sightNow(session).screen;
    grow(action, action.kind === "vector" || action.kind === "axis" ? w * 0.16 : w * 0.84, h * 0.7);
  };
  useEffect(() => {
    if (!drag) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "Escape") return;
      event.stopPropagation();
      start.current = null;
      setDrag(null);
    };
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  }, [drag]);
  const onMove = (event: PointerEvent) => {
    const from = start.current;
    if (from && (drag || Math.hypot(event.clientX - from.x, event.clientY - from.y) > DRAG_PX))
      setDrag({ action: from.action, x: event.clientX, y: event.clientY });
  };
  const onUp = (event: PointerEvent) => {
    if (drag && start.current) {
      const point = glass.current?.pointAt(event.clientX, event.clientY);
      if (point) grow(drag.action, point.x, point.y);
    }
    start.current = null;
    setDrag(null);
  };

  return (
    <section aria-label="Ledger" className={`flex min-h-0 flex-col border-rule ${wide ? "border-r" : ""}`}>
      <header className="flex items-baseline justify-between px-3 pt-2.5 pb-1.5">
        <h2 className="heading">Ledger</h2>
        <span className="caption">{actions.length === 0 ? "" : toDo === 0 ? "all served" : `${toDo} to serve`}</span>
      </header>
      {actions.length === 0 ? (
        <div className="grid gap-2 px-3 text-muted">
          <p>First say what the game reads. Each action then stands here, to be dragged onto the glass.</p>
          <Link className="push push-main justify-center" href="/actions">
            Add actions
          </Link>
        </div>
      ) : (
        <ul className="min-h-0 flex-1 overflow-auto pb-2">
          {sorted.map((action) => {
            const by = servedBy(action);
            return (
              <li key={action.name}>
                <button
                  className="flex w-full touch-none items-center gap-2 px-3 py-1 text-left hover:bg-sheet"
                  title={`Drag onto the glass, or press Enter: a ${fittingKind(action.kind)} grows for ${action.name}`}
                  onPointerDown={(event) => {
                    if (event.button !== 0) return;
                    event.currentTarget.setPointerCapture(event.pointerId);
                    start.current = { action, x: event.clientX, y: event.clientY };
                  }}
                  onPointerMove={onMove}
                  onPointerUp={onUp}
                  onPointerCancel={() => {
                    start.current = null;
                    setDrag(null);
                  }}
                  onClick={(event) => {
                    if (event.detail === 0) growAtHome(action);
                    else if (by.length > 0) session.select(by);
                  }}
                >
                  <span className="min-w-0 flex-1">
                    <span className="figure block truncate">{action.name}</span>
                    <span className={`block truncate text-[11px] ${left(action) ? "text-blocker" : "text-muted"}`}>
                      {action.kind} · {stateWord(action, by.length)}
                    </span>
                  </span>
                  <span aria-hidden className="caption cursor-grab">
                    ⠿
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      )}
      {drag && (
        <div
          className="pointer-events-none fixed z-50 -translate-x-1/2 -translate-y-1/2 rounded-sm border border-accent bg-sheet px-2 py-1 shadow"
          style={{ left: drag.x, top: drag.y }}
        >
          <span className="figure">{drag.action.name}</span> <span className="caption">{fittingKind(drag.action.kind)}</span>
        </div>
      )}
    </section>
  );
});

/** Which controls serve which action, anew only when that changes: not with every movement of a control. */
function useServed(): ReadonlyMap<string, readonly string[]> {
  const text = useSession((s) => JSON.stringify(s.layout.controls.map((c) => [c.id, c.serves.map((serve) => serve.action)])));
  return useMemo(() => {
    const served = new Map<string, string[]>();
    for (const [id, names] of JSON.parse(text) as [string, string[]][]) for (const name of new Set(names)) served.set(name, [...(served.get(name) ?? []), id]);
    return served;
  }, [text]);
}

/** The sight of the bench at this moment. */
function sightNow(session: Session) {
  const { layout, moment } = session.store.getState();
  return sightFor(layout, benchScreenOf(layout), moment);
}

function stateWord(action: Action, count: number): string {
  if (count > 1) return `served by ${count}`;
  if (count === 1) return "served";
  if (!action.read) return "not read";
  return action.touch === "never" ? "desk only" : "nothing on touch";
}
