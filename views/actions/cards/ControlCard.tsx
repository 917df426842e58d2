"use client";
/** A control as an end of wires: what it serves, and one action more. */
import { ViewLink } from "../../shell/ViewLink";
import { byName } from "../../../core/derived/byId";
import type { Control, Serve } from "../../../core/format/types";
import { joinPort, portsOf, portWhyNot, serveGives } from "../../../core/wiring/serves";
import { useSessionActions } from "../../document/SessionContext";
import { Chips } from "./Chips";
import { changeMoments } from "../../../core/editing/edits/controls";
import { setSheetState } from "../sheetState";
import { portSign } from "../sheet/SheetControl";
import type { SheetData } from "../useSheet";

export function ControlCard({ control, data }: { control: Control; data: SheetData }) {
  const session = useSessionActions();
  const { actions, moments } = data.layout;
  const serves = control.serves as readonly Serve[];
  const free = actions.flatMap((a) =>
    portsOf(control.kind)
      .filter((p) => portWhyNot(p, a.kind) === null && !serves.some((s) => s.port === p && s.action === a.name))
      .map((port) => ({ action: a, port })),
  );
  const toggle = (id: string) =>
    session.edit(`moments of ${control.name}`, (l) =>
      changeMoments(l, [control.id], control.moments.includes(id) ? control.moments.filter((m) => m !== id) : [...control.moments, id]),
    );
  return (
    <section aria-label={`The control ${control.name}`} className="grid gap-2">
      <h2 className="flex items-baseline gap-2">
        <span className="truncate text-[0.875rem] font-semibold">{control.name}</span>
        <span className="caption">{control.kind}</span>
        <ViewLink className="push ml-auto h-6 px-1.5 text-[0.6875rem]" to="/layout" onClick={() => session.select([control.id])}>
          Open on the bench
        </ViewLink>
      </h2>
      {serves.length === 0 && <p className="text-[0.75rem] text-warning">◆ serves nothing</p>}
      <ul aria-label={`What ${control.name} serves`} className="grid gap-1">
        {serves.map((s, index) => {
          const action = byName(actions).get(s.action);
          return (
            <li key={index}>
              <button
                className="push h-6 w-full justify-between gap-2"
                onClick={() => setSheetState(session, { pick: { kind: "serve", id: control.id, index } })}
              >
                <span className="figure min-w-0 truncate">
                  {portSign(s.port)} → {s.action}
                </span>
                <span className={action ? "caption" : "text-[0.6875rem] text-blocker"}>{action ? serveGives(s, action.kind) : "no action"}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {free.length > 0 && (
        <select
          aria-label={`Add an action to ${control.name}`}
          className="box h-6 w-full px-1"
          value=""
          onChange={(event) => {
            const { action, port } = free[Number(event.target.value)];
            session.edit(`wire ${control.name} to ${action.name}`, (l) => joinPort(l, control.id, port, action.name));
          }}
        >
          <option value="">{serves.length === 0 ? "serve an action…" : "serve one more…"}</option>
          {free.map(({ action, port }, i) => (
            <option key={`${action.name} ${port}`} value={i}>
              {action.name} by {port}
            </option>
          ))}
        </select>
      )}
      {moments.length > 0 && (
        <Chips label="Visible in" items={moments.map((m) => ({ id: m.id, word: m.name, on: control.moments.includes(m.id) }))} onToggle={toggle} />
      )}
    </section>
  );
}
