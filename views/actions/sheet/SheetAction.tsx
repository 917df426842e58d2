"use client";
/** An action on the patch sheet: its word, its kind, the status of it; an end at each side from which wires are drawn. */
import { withArticle } from "../../../core/derived/counted";
import { says } from "../../shell/reading/sentences";
import { Plus } from "lucide-react";
import { memo } from "react";
import { saySame } from "../../fields/sameData";
import type { Action, Moment } from "../../../core/format/types";
import { fittingKind } from "../../../core/editing/make";
import type { ActionStatus } from "../../../core/wiring/actionStatus";
import { TypedField } from "../../../ui/Typed";
import { useSessionActions } from "../../document/SessionContext";
import { setSheetState } from "../sheetState";
import type { SheetRow } from "../sheetPositions";
import { makeFitting } from "../makeFitting";
import { renamed } from "../renamed";
import { statusDetail } from "../statusDetail";
import { ListenAnchor } from "./BindingCapture";
import { fitClass, useFit } from "./useFit";
import type { Connecting } from "./useConnectionDrag";
import { TEXTS } from "../../../core/format/limits";

interface Props {
  readonly action: Action;
  readonly status: ActionStatus;
  readonly moments: readonly Moment[];
  readonly row: SheetRow;
  readonly dim: boolean;
  readonly picked: boolean;
  readonly connecting: Connecting;
}

export const STATUS_MARK = (status: ActionStatus): string => (status.toDo ? "■ " : status.kind === "idle" ? "◆ " : "");
export const statusClass = (status: ActionStatus): string => (status.toDo ? "text-blocker" : status.kind === "idle" ? "text-warning" : "text-muted");

export const SheetAction = memo(function SheetAction({ action, status, moments, row, dim, picked, connecting }: Props) {
  const session = useSessionActions();
  const { name } = action;
  const fit = useFit({ kind: "action", name });
  const pick = () => setSheetState(session, { pick: { kind: "action", name } });
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
          title="Click, then press a key or move a pad; or drag to an input in the list"
          {...connecting.endProps({ kind: "action", name, side: "hardware" }, () => {
            pick();
            setSheetState(session, { listening: name });
          })}
        >
          <Plus size={13} aria-hidden />
        </button>
      </ListenAnchor>
      <div className="min-w-0 flex-1 px-1.5">
        <div className="flex items-center gap-1">
          <span className="quiet-field min-w-0 flex-1" onFocus={pick}>
            <TypedField
              most={TEXTS.actionName.most}
              bare
              code
              label={`Code name of ${name}`}
              placeholder="code name"
              reads={says("action.word")}
              value={name}
              onCommit={(next) => renamed(session, name, next)}
            />
          </span>
          <span className="caption shrink-0">{action.kind}</span>
        </div>
        <p className={`flex items-center gap-1 text-[0.6875rem] leading-[1.125rem] ${statusClass(status)}`} title={statusDetail(status, moments)}>
          <span className="truncate pl-1.5">
            {STATUS_MARK(status)}
            {status.word}
          </span>
          {status.toDo && status.near === null && (
            <button
              className="ml-auto shrink-0 underline"
              onClick={(event) => {
                event.stopPropagation();
                makeFitting(session, action);
              }}
              aria-label={`Create ${withArticle(fittingKind(action.kind))} for ${name} on the bench`}
              title="Creates a control that fits this action on the bench"
            >
              Create {withArticle(fittingKind(action.kind))}
            </button>
          )}
        </p>
      </div>
      <button
        className="grid h-full w-6 shrink-0 cursor-crosshair touch-none place-items-center border-l border-rule hover:text-accent"
        aria-label={`Draw a wire from ${name} to a control`}
        title="Drag to a control, or press Enter and use the arrow keys"
        {...connecting.endProps({ kind: "action", name, side: "touch" })}
      >
        <span aria-hidden className="size-2.5 rounded-full border border-current bg-paper" />
      </button>
    </li>
  );
}, saySame);
