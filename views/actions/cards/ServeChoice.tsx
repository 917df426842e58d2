"use client";
/** Lets one control more serve an action: every port that fits and does not serve it yet. */
import type { Action, Layout, Serve } from "../../../core/format/types";
import { joinPort, portsOf, portWhyNot } from "../../../core/wiring/serves";
import { useSessionActions } from "../../document/SessionContext";

export function ServeChoice({ action, layout }: { action: Action; layout: Layout }) {
  const session = useSessionActions();
  const free = layout.controls.flatMap((c) =>
    portsOf(c.kind)
      .filter((p) => portWhyNot(p, action.kind) === null && !(c.serves as readonly Serve[]).some((s) => s.port === p && s.action === action.name))
      .map((port) => ({ control: c, port })),
  );
  if (free.length === 0) return null;
  return (
    <select
      aria-label={`Add a control to ${action.name}`}
      className="box h-6 w-full px-1"
      value=""
      onChange={(event) => {
        const chosen = free[Number(event.target.value)];
        session.edit(`wire ${action.name} to ${chosen.control.name}`, (l) => joinPort(l, chosen.control.id, chosen.port, action.name));
      }}
    >
      <option value="">add a control…</option>
      {free.map(({ control, port }, i) => (
        <option key={`${control.id} ${port}`} value={i}>
          {control.name} · {port}
        </option>
      ))}
    </select>
  );
}
