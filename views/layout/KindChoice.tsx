"use client";
/** Beside a control that has just grown: which other kinds could serve its action. One click makes it that. */
import { byId, byName } from "../../core/derived/byId";
import { changeLook } from "../../core/editing/edits/controls";
import { kindsFor } from "../../core/editing/make";
import { useBenchContext } from "../document/benchContext";
import { useSessionActions } from "../document/SessionContext";
import { setBench, useBench } from "./bench";
import { KIND_WORD, KindIcon } from "./controlKinds";
import { proposedIcon } from "./cards/proposedIcon";
import { requestKindChange } from "./kindChange";
import { changeServe } from "../../core/editing/edits/actions";

interface Props {
  readonly scale: number;
  /** Where the glass begins in the room it has, CSS px. */
  readonly left: number;
  readonly top: number;
  readonly room: { readonly w: number; readonly h: number };
}

export function KindChoice(props: Props) {
  const grown = useBench((b) => b.grown);
  return grown === null ? null : <KindsOf id={grown} {...props} />;
}

function KindsOf({ id, scale, left, top, room }: Props & { id: string }) {
  const session = useSessionActions();
  const context = useBenchContext();
  const control = byId(context.layout.controls).get(id);
  const at = byId(context.resolved.controls).get(id);
  if (!control || !at) return null;
  const action = byName(context.layout.actions).get(control.serves[0]?.action) ?? null;
  const kinds = kindsFor(action);
  const icon = control.kind === "button" ? proposedIcon([control]) : null;
  if (kinds.length < 2 && icon === null) return null;
  const serve = control.serves[0];
  const asksWay = (control.kind === "stick" || control.kind === "dpad") && action?.kind === "axis" && (serve?.port === "x" || serve?.port === "y");
  const width = kinds.length * 28 + 8 + (asksWay ? 190 : 0) + (icon === null ? 0 : 120);
  const x = Math.min(Math.max(4, left + at.visual.x * scale), room.w - width - 4);
  const above = top + at.visual.y * scale - 50;
  const y = above > 4 ? above : top + (at.visual.y + at.visual.h) * scale + 12;
  return (
    <div
      role="toolbar"
      aria-label={`Kind of ${control.name}`}
      className="absolute z-10 flex gap-0.5 rounded-sm border border-edge bg-sheet p-0.5 shadow-md"
      style={{ left: x, top: Math.min(y, room.h - 36) }}
    >
      {kinds.map((kind) => (
        <button
          key={kind}
          aria-pressed={control.kind === kind}
          aria-label={KIND_WORD[kind]}
          title={KIND_WORD[kind]}
          className={`grid size-7 place-items-center rounded-sm ${control.kind === kind ? "bg-accent text-on-accent" : "hover:bg-paper"}`}
          onClick={() => {
            setBench(session, { grown: null });
            requestKindChange(session, control.id, kind);
          }}
        >
          <KindIcon kind={kind} />
        </button>
      ))}
      {icon !== null && (
        <button
          className="ml-1 h-7 rounded-sm border-l border-rule px-1.5 text-[0.6875rem] hover:bg-paper"
          onClick={() => session.edit(`icon of ${control.name}`, (l) => changeLook(l, control.id, { icon, label: "" }), true)}
        >
          Icon instead of word
        </button>
      )}
      {asksWay && (
        <span
          role="group"
          aria-label={`Which way of ${control.name} serves ${action.name}`}
          className="ml-1 flex items-center gap-0.5 border-l border-rule pl-1.5"
        >
          <span className="caption">which way?</span>
          {WAYS.map(([port, word]) => (
            <button
              key={port}
              aria-pressed={serve.port === port}
              className={`h-7 rounded-sm px-1.5 text-[0.6875rem] ${serve.port === port ? "bg-accent text-on-accent" : "hover:bg-paper"}`}
              onClick={() => session.edit(`${action.name} by ${word}`, (l) => changeServe(l, control.id, 0, { port }), true)}
            >
              {word}
            </button>
          ))}
        </span>
      )}
    </div>
  );
}

/** The two ways of a stick or d-pad that can give to an axis. */
const WAYS = [
  ["x", "left–right"],
  ["y", "up–down"],
] as const;
