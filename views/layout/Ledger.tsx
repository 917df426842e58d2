"use client";
/** The ledger: the actions, those not yet served first. Dragged onto the glass, one grows its control there, several selected ones what they become together; Enter grows them on the thumb's side. */
import { memo, useMemo, useRef, useState, type MouseEvent, type PointerEvent, type RefObject } from "react";
import { useDrag } from "../interaction/useDrag";
import { useKeys } from "../interaction/useKeys";
import { ViewLink } from "../shell/ViewLink";
import { byName } from "../../core/derived/byId";
import { layoutIndexOf, servingControls } from "../../core/derived/layoutIndex";
import type { Point } from "../../core/engine/geometry/point";
import type { Action } from "../../core/format/types";
import { fittingKind, togetherFor, type Together } from "../../core/editing/make";
import { leftToDo, actionStatuses, type ToDo } from "../../core/wiring/actionStatus";
import { benchContextNow } from "../document/benchContext";
import { useSession, useSessionActions } from "../document/SessionContext";
import { Roving, Stop } from "../../ui/Roving";
import { readingProps } from "../../ui/reading";
import { RegionHeading } from "../../ui/RegionHeading";
import { says } from "../shell/reading/sentences";
import type { GlassHandle } from "./Glass";
import { benchStore } from "./bench";
import { growActions } from "./grow";

/** A press must go this far before it is a drag, CSS px. */
const DRAG_PX = 4;

interface Drag {
  readonly actions: readonly Action[];
  readonly x: number;
  readonly y: number;
}

/** Which rows are marked; `names` in the order of the rows. */
function useMarks(names: readonly string[]) {
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  /** The row from which Shift-click extends. */
  const [from, setFrom] = useState<string | null>(null);
  return {
    marked,
    clear: () => setMarked(new Set()),
    toggle(name: string) {
      setFrom(name);
      setMarked((before) => {
        const next = new Set(before);
        if (!next.delete(name)) next.add(name);
        return next;
      });
    },
    only(name: string) {
      setFrom(name);
      setMarked(new Set([name]));
    },
    /** From the last one marked to this one. */
    through(name: string) {
      const [at, to] = [Math.max(0, names.indexOf(from ?? name)), names.indexOf(name)];
      if (from === null) setFrom(name);
      setMarked(new Set(names.slice(Math.min(at, to), Math.max(at, to) + 1)));
    },
  };
}

/** Goes through what is left to do: an action's row takes the focus, a control is selected on the glass. */
function useNextToDo(toDo: readonly ToDo[], list: RefObject<HTMLUListElement | null>): () => void {
  const session = useSessionActions();
  /** Which of them was gone to last, and where it stood. */
  const [last, setLast] = useState({ at: -1, key: "" });
  return () => {
    if (toDo.length === 0) return;
    // What has been done since has gone from the list, and the next one is in its place.
    const isThere = last.at >= 0 && last.at < toDo.length && keyOfToDo(toDo[last.at]) === last.key;
    const next = (last.at < 0 ? 0 : last.at + (isThere ? 1 : 0)) % toDo.length;
    const what = toDo[next];
    setLast({ at: next, key: keyOfToDo(what) });
    if (what.kind === "control") session.select([what.id]);
    else list.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(what.name)}"]`)?.focus();
  };
}

export const Ledger = memo(function Ledger({ wide, glass }: { wide: boolean; glass: RefObject<GlassHandle | null> }) {
  const session = useSessionActions();
  const actions = useSession((s) => s.layout.actions);
  const { served, statuses, toDo } = useStatuses();
  const [drag, setDrag] = useState<Drag | null>(null);
  const left = (a: Action) => statuses.get(a.name)?.toDo ?? false;
  const sorted = [...actions.filter(left), ...actions.filter((a) => !left(a))];
  const marks = useMarks(sorted.map(({ name }) => name));
  const chosen = marks.marked.size > 1 ? sorted.filter((a) => marks.marked.has(a.name)) : [];
  /** What a gesture on a row is about: that action, or all the marked ones if it is one of them. */
  const meant = (action: Action): readonly Action[] => (chosen.includes(action) ? chosen : [action]);
  const list = useRef<HTMLUListElement>(null);
  const goToNext = useNextToDo(toDo, list);
  useKeys("layout", { "next open": goToNext });
  const grow = (grown: readonly Action[], at: Point | null, as?: Together) => {
    if (growActions(session, benchContextNow(session), grown, { at, as })) marks.clear();
  };
  const follow = useDrag();
  /** Follows a press on a row: dragged onto the glass, a control grows there. */
  const onPress = (action: Action, event: PointerEvent) => {
    if (event.button !== 0 || event.shiftKey) return;
    const dragged = meant(action);
    follow(event, {
      thresholdPx: DRAG_PX,
      onMove: ({ at: { x, y } }) => setDrag({ actions: dragged, x, y }),
      onDrop: ({ at: { x, y } }) => {
        setDrag(null);
        const point = glass.current?.pointAt(x, y);
        if (point) grow(dragged, point);
      },
      onAbandon: () => setDrag(null),
    });
  };
  const onClick = (action: Action, event: MouseEvent) => {
    if (event.shiftKey) marks.through(action.name);
    else if (event.ctrlKey || event.metaKey || benchStore(session).getState().several) marks.toggle(action.name);
    else if (event.detail === 0) grow(meant(action), null);
    else {
      marks.only(action.name);
      session.select([...(served.get(action.name) ?? [])]);
    }
  };
  return (
    <section aria-label="Ledger" data-region="1" className={`flex h-full min-h-0 flex-col border-rule ${wide ? "border-r" : ""}`}>
      <header className="flex flex-wrap items-baseline justify-between gap-x-2 px-3 pt-2 pb-1">
        <RegionHeading title="Ledger" plain="actions of the game" />
        {chosen.length > 1 || actions.length === 0 || toDo.length === 0 ? (
          <span className="caption">{chosen.length > 1 ? `${chosen.length} selected` : actions.length === 0 ? "" : "all served"}</span>
        ) : (
          <button className="min-h-6 text-[0.6875rem] text-blocker underline" {...readingProps(says("ledger.next"), String(toDo.length))} onClick={goToNext}>
            {toDo.length} open
          </button>
        )}
      </header>
      {chosen.length > 1 && <TogetherChoice actions={chosen} onChoose={(grown, as) => grow(grown, null, as)} />}
      {actions.length === 0 ? (
        <NoActions />
      ) : (
        <Roving along="down">
          <ul ref={list} className="min-h-0 flex-1 overflow-auto pb-2">
            {sorted.map((action) => (
              <LedgerRow
                key={action.name}
                action={action}
                status={statuses.get(action.name)}
                isMarked={marks.marked.has(action.name)}
                onMark={() => marks.toggle(action.name)}
                onPress={(event) => onPress(action, event)}
                onClick={(event) => onClick(action, event)}
              />
            ))}
          </ul>
        </Roving>
      )}
      {drag && <DraggedActions drag={drag} />}
    </section>
  );
});

function NoActions() {
  return (
    <div className="grid gap-2 px-3 text-muted">
      <p>Add the actions that your game reads. Then drag them onto the glass.</p>
      <ViewLink className="push push-main justify-center" to="/actions">
        Add actions
      </ViewLink>
    </div>
  );
}

interface RowProps {
  readonly action: Action;
  readonly status: { readonly word: string; readonly toDo: boolean } | undefined;
  readonly isMarked: boolean;
  readonly onMark: () => void;
  readonly onPress: (event: PointerEvent) => void;
  readonly onClick: (event: MouseEvent) => void;
}

/** An action. Space marks it, Enter grows its control. */
function LedgerRow({ action, status, isMarked, onMark, onPress, onClick }: RowProps) {
  const { name, kind } = action;
  return (
    <li>
      <Stop isChosen={isMarked}>
        <button
          className={`flex w-full touch-none items-center gap-2 border-l-2 px-2.5 py-1 text-left hover:bg-sheet short:min-h-6 short:py-0 ${isMarked ? "border-accent bg-sheet" : "border-transparent"}`}
          data-row={name}
          aria-pressed={isMarked}
          {...readingProps(says("ledger.row", { action: name, kind, control: fittingKind(kind) }), status?.word)}
          onKeyDown={(event) => {
            if (event.key !== " ") return;
            event.preventDefault();
            onMark();
          }}
          onKeyUp={(event) => event.key === " " && event.preventDefault()}
          onPointerDown={onPress}
          onClick={onClick}
        >
          <span className="min-w-0 flex-1 short:flex short:flex-wrap short:items-baseline short:gap-x-2">
            <span className="figure block truncate">{name}</span>
            <span className={`block text-[0.6875rem] leading-tight ${status?.toDo ? "text-blocker" : "text-muted"}`}>
              {kind} · {status?.word}
            </span>
          </span>
          <span aria-hidden className="caption cursor-grab">
            ⠿
          </span>
        </button>
      </Stop>
    </li>
  );
}

/** What is dragged, under the pointer. */
function DraggedActions({ drag: { actions, x, y } }: { drag: Drag }) {
  return (
    <div
      className="pointer-events-none fixed z-50 -translate-x-1/2 -translate-y-1/2 rounded-sm border border-accent bg-sheet px-2 py-1 shadow"
      style={{ left: x, top: y }}
    >
      <span className="figure">{actions.map((a) => a.name).join(", ")}</span>{" "}
      <span className="caption">{actions.length > 1 ? TOGETHER[togetherFor(actions)[0]].toLowerCase() : fittingKind(actions[0].kind)}</span>
    </div>
  );
}

const TOGETHER: Readonly<Record<Together, string>> = { arc: "Cluster", stick: "One stick", dpad: "One d-pad", cross: "Cross of buttons" };

/** Buttons for what the selected actions can become together. */
function TogetherChoice({ actions, onChoose }: { actions: readonly Action[]; onChoose: (actions: readonly Action[], as: Together) => void }) {
  return (
    <div role="group" aria-label="Create from the selection" className="flex flex-wrap gap-1 px-3 pb-1.5">
      {togetherFor(actions).map((as) => (
        <button
          key={as}
          className="push h-6 px-1.5 text-[0.6875rem]"
          {...readingProps(says("ledger.together", { as: TOGETHER[as].toLowerCase() }))}
          onClick={() => onChoose(actions, as)}
        >
          {TOGETHER[as]}
        </button>
      ))}
    </div>
  );
}

const keyOfToDo = (what: ToDo): string => (what.kind === "action" ? `action ${what.name}` : `control ${what.id}`);

/** How the actions stand and what serves them, again only when that changes: not with every movement of a control. */
function useStatuses() {
  const controls = useSession((s) => servingControls(s.layout.controls));
  const actions = useSession((s) => s.layout.actions);
  const moments = useSession((s) => s.layout.moments);
  return useMemo(() => {
    const served = layoutIndexOf({ controls }).servers;
    const of = { actions, controls, moments };
    return { served, statuses: byName(actionStatuses(of)), toDo: leftToDo(of) };
  }, [controls, actions, moments]);
}
