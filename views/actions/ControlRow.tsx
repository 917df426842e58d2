"use client";
/** A touch control on the patch sheet, with the ports it serves by. */
import { changeServe } from "../../core/layout/edits/actions";
import type { Action, Control, Serve } from "../../core/layout/types";
import { nearestWord } from "../../core/nearest";
import { useSessionActions } from "../session/context";
import type { Places } from "./sheet";

interface Props {
  readonly control: Control;
  readonly actions: readonly Action[];
  readonly places: Places;
  readonly dim: boolean;
  readonly picked: boolean;
  readonly onPick: () => void;
}

export function ControlRow({ control, actions, places, dim, picked, onPick }: Props) {
  const session = useSessionActions();
  const serves = control.serves as readonly Serve[];
  return (
    <li
      style={{ marginBottom: places.gap }}
      className={`rounded-sm border bg-sheet transition-opacity ${picked ? "border-accent" : "border-rule"} ${dim ? "opacity-35" : ""}`}
      onClick={onPick}
    >
      <p className="flex items-center gap-2 px-2.5" style={{ height: places.controlHead - 1 }}>
        <span className="truncate font-medium">{control.name}</span>
        <span className="caption">{control.kind}</span>
      </p>
      {serves.length === 0 && (
        <p className="px-2.5 text-[11px] text-warning" style={{ height: places.serveHeight - 1 }}>
          ◆ serves nothing
        </p>
      )}
      {serves.map((serve, i) => {
        const known = actions.some((a) => a.name === serve.action);
        const near = known
          ? null
          : nearestWord(
              serve.action,
              actions.map((a) => a.name),
            );
        return (
          <p key={i} className="flex items-center gap-2 px-2.5" style={{ height: places.serveHeight - (i === serves.length - 1 ? 1 : 0) }}>
            <span className="caption w-12">{serve.port}</span>
            <span className={`figure truncate ${known ? "" : "text-blocker"}`}>{serve.action}</span>
            {!known && (
              <span className="ml-auto flex items-center gap-1.5 text-[11px] text-blocker">
                {near ? `nearly ${near}` : "not read"}
                {near && (
                  <button
                    className="underline"
                    onClick={() => session.edit(`bind ${control.id} to ${near}`, (l) => changeServe(l, control.id, i, { action: near }))}
                  >
                    take {near}
                  </button>
                )}
              </span>
            )}
          </p>
        );
      })}
    </li>
  );
}
