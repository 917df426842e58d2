"use client";
/** Says at a wire that one way of a stick or d-pad serves several axes, and offers the other way. */
import { changeServe } from "../../core/editing/edits/actions";
import type { Action, Control, Serve } from "../../core/format/types";
import { sharedWay } from "../../core/wiring/sharedWay";
import { useSessionActions } from "../document/SessionContext";
import { PORT_WORD } from "./portWords";

export function SharedWayHint({ control, index, actions }: { control: Control; index: number; actions: readonly Action[] }) {
  const session = useSessionActions();
  const serve = (control.serves as readonly Serve[])[index];
  const shared = sharedWay(control, serve, actions);
  if (!shared) return null;
  const { others, free } = shared;
  return (
    <div role="group" aria-label={`Axes on one port of ${control.name}`} className="grid gap-1.5 text-[0.75rem]">
      <p>
        <span className="text-warning" aria-hidden>
          ◆
        </span>{" "}
        {PORT_WORD[serve.port]} also serves {others.join(" and ")}: one movement moves {others.length > 1 ? "Clear filter" : "both"}.
      </p>
      {free && (
        <button
          className="push h-6 justify-self-start px-1.5 text-[0.6875rem]"
          onClick={() => session.edit(`${serve.action} by ${PORT_WORD[free]}`, (l) => changeServe(l, control.id, index, { port: free }), true)}
        >
          Use {PORT_WORD[free]} for {serve.action}
        </button>
      )}
    </div>
  );
}
