"use client";
/** An action on the patch sheet: its word, its kind, how it stands; an end at each side from which wires are drawn. */
import { Plus } from "lucide-react";
import { memo } from "react";
import type { Action, Moment } from "../../../core/format/types";
import { fittingKind } from "../../../core/editing/make";
import type { Stand } from "../../../core/wiring/states";
import { TypedField } from "../../../ui/Typed";
import { useSessionActions } from "../../session/context";
import { setPatch } from "../patch";
import type { Row } from "../places";
import { makeFitting } from "../makeFitting";
import { renamed } from "../renamed";
import { standDetail } from "../standDetail";
import { ListenAnchor } from "./Listen";
import { fitClass, useFit } from "./useFit";
import type { Pulling } from "./usePull";

interface Props {
  readonly action: Action;
  readonly stand: Stand;
  readonly moments: readonly Moment[];
  readonly row: Row;
  readonly dim: boolean;
  readonly picked: boolean;
  readonly pulling: Pulling;
}

export const STAND_MARK = (stand: Stand): string => (stand.toDo ? "■ " : stand.kind === "idle" ? "◆ " : "");
export const standClass = (stand: Stand): string => (stand.toDo ? "text-blocker" : stand.kind === "idle" ? "text-warning" : "text-muted");

export const SheetAction = memo(function SheetAction({ action, stand, moments, row, dim, picked, pulling }: Props) {
  const session = useSessionActions();
  const { name } = action;
  const fit = useFit({ kind: "action", name });
  const pick = () => setPatch({ pick: { kind: "action", name } });
  return (
    <li
      className={`absolute flex w-full items-center rounded-sm border bg-sheet ${fitClass(fit, picked, dim)}`}
      style={{ top: row.y + (row.h - 46) / 2, height: 46 }}
      data-action={name}
      data-target={`action ${name}`}
      tabIndex={-1}
      title={fit.why ?? undefined}
      onClick={pick}
    >
      <ListenAnchor action={action}>
        <button
          className="grid h-full w-6 shrink-0 cursor-crosshair touch-none place-items-center border-r border-rule text-muted hover:text-accent"
          aria-label={`Bind a key, mouse or pad input to ${name}`}
          title="Click and press a key or move a pad; or drag to an input that stands here"
          {...pulling.endProps({ kind: "action", name, side: "desk" }, () => {
            pick();
            setPatch({ listening: name });
          })}
        >
          <Plus size={13} aria-hidden />
        </button>
      </ListenAnchor>
      <div className="min-w-0 flex-1 px-1.5">
        <div className="flex items-center gap-1">
          <span className="quiet-field min-w-0 flex-1" onFocus={pick}>
            <TypedField bare code label={`Word of ${name}`} value={name} onCommit={(next) => renamed(session, name, next)} />
          </span>
          <span className="caption shrink-0">{action.kind}</span>
        </div>
        <p className={`flex items-center gap-1 text-[11px] leading-[18px] ${standClass(stand)}`} title={standDetail(stand, moments)}>
          <span className="truncate pl-1.5">
            {STAND_MARK(stand)}
            {stand.word}
          </span>
          {stand.toDo && stand.near === null && (
            <button
              className="ml-auto shrink-0 underline"
              onClick={(event) => {
                event.stopPropagation();
                makeFitting(session, action);
              }}
              aria-label={`Make a ${fittingKind(action.kind)} for ${name} on the bench`}
              title="Makes a fitting control on the bench, bound to this action"
            >
              make a {fittingKind(action.kind)}
            </button>
          )}
        </p>
      </div>
      <button
        className="grid h-full w-6 shrink-0 cursor-crosshair touch-none place-items-center border-l border-rule hover:text-accent"
        aria-label={`Draw a wire from ${name} to a control`}
        title="Drag to a control; or Enter, then the arrow keys"
        {...pulling.endProps({ kind: "action", name, side: "touch" })}
      >
        <span aria-hidden className="size-2.5 rounded-full border border-current bg-paper" />
      </button>
    </li>
  );
});
