"use client";
/** At a wire: that a press of one tick is nearly lost in an action that rises slowly, and what helps. */
import type { Action, Control } from "../../../core/format/types";
import { helpFleeting, type Fleeting, type FleetingHelp } from "../../../core/wiring/fleeting";
import { useSessionActions } from "../../document/SessionContext";

const HELP: Readonly<Record<FleetingHelp, string>> = {
  "rise-at-once": "Set rise to 0 ms",
  "hold-output": "Give until release",
  "hold-press": "Give while it is pressed",
};

export function FleetingHint({ action, control, told }: { action: Action; control: Control | null; told: Fleeting | null }) {
  const session = useSessionActions();
  if (!told) return null;
  const what = told.always ? "It gives for one tick only" : "A press shorter than one tick";
  return (
    <div role="group" aria-label="A short press" className="grid gap-1.5 border-t border-rule pt-2 text-[0.75rem]">
      <p>
        <span className="text-warning" aria-hidden>
          ◆
        </span>{" "}
        {what}
        {told.always ? ", which " : " "}gives only {Math.max(1, Math.round(told.part * 100))} % of the value, because {action.name} rises in{" "}
        <span className="figure">{action.riseMs} ms</span>.
      </p>
      <span className="flex flex-wrap gap-1">
        {told.helps.map((help) => (
          <button
            key={help}
            className="push h-6 px-1.5 text-[0.6875rem]"
            onClick={() => session.edit(HELP[help].toLowerCase(), (l) => helpFleeting(l, help, action.name, control?.id ?? null))}
          >
            {HELP[help]}
          </button>
        ))}
      </span>
    </div>
  );
}
