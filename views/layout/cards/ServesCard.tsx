"use client";
/** What a control serves: a line for each port that gives to an action, and a new one. */
import { memo } from "react";
import { byName } from "../../../core/derived/byId";
import { X } from "lucide-react";
import { bind, changeServe, unbind } from "../../../core/editing/edits/actions";
import { portFits } from "../../../core/engine/input/fits";
import { PORTS } from "../../../core/engine/types";
import type { Action, Control, Layout, Serve } from "../../../core/format/types";
import type { Result } from "../../../core/engine/result";
import { nearestWord } from "../../../core/engine/nearest";
import { fittingServe } from "../../../core/editing/make";
import { serveBy } from "../../../core/wiring/serves";
import { ChoiceField } from "../../../ui/Choice";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { PORT_WORD } from "../../fields/portWords";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { ServeFields } from "../../fields/ServeFields";
import { SharedWayHint } from "../../fields/SharedWayHint";
import { removeWithNotice } from "../../document/remove";

export const ServesCard = memo(
  function ServesCard({ controls }: { controls: readonly Control[] }) {
    const session = useSessionActions();
    const actions = useSession((s) => s.layout.actions);
    const one = controls.length === 1 ? controls[0] : null;
    const serves = (one?.serves ?? []) as readonly Serve[];
    const free = actions.filter((a) => controls.every((c) => fittingServe(c.kind, a) !== null) && !serves.some((s) => s.action === a.name));
    const shared = actions.filter((a) => controls.every((c) => c.serves.some((s) => s.action === a.name)));
    return (
      <>
        {one && serves.length === 0 && <p className="text-warning">◆ serves nothing yet</p>}
        {one && serves.map((serve, index) => <ServeLine key={index} control={one} serve={serve} index={index} actions={actions} />)}
        {!one && <p className="text-muted">{shared.length > 0 ? `All of them serve ${shared.map((a) => a.name).join(", ")}.` : "No common actions."}</p>}
        {free.length > 0 && (
          <label className="field-row [--name:4rem]" data-row>
            <span className="field-name">{serves.length === 0 ? "Serves" : "And"}</span>
            <select
              aria-label="Add an action"
              {...readingProps(says("serves.more"))}
              className="box h-6 w-full px-1"
              value=""
              onChange={(event) => {
                const action = byName(actions).get(event.target.value);
                if (!action) return;
                session.edit(`bind ${controls.map((c) => c.name).join(", ")} to ${action.name}`, (l) =>
                  controls.reduce<Result<Layout>>((r, c) => (r.ok ? bind(r.value, c.id, fittingServe(c.kind, action, c.serves as readonly Serve[])!) : r), {
                    ok: true,
                    value: l,
                  }),
                );
              }}
            >
              <option value="">{serves.length === 0 ? "an action…" : "one more…"}</option>
              {free.map((a) => (
                <option key={a.name}>{a.name}</option>
              ))}
            </select>
          </label>
        )}
      </>
    );
  },
  (a, b) => a.controls.length === b.controls.length && a.controls.every((c, i) => c.id === b.controls[i].id && c.serves === b.controls[i].serves),
);

function ServeLine({ control, serve, index, actions }: { control: Control; serve: Serve; index: number; actions: readonly Action[] }) {
  const session = useSessionActions();
  const action = byName(actions).get(serve.action);
  const near = action
    ? null
    : nearestWord(
        serve.action,
        actions.map((a) => a.name),
      );
  const ports: readonly Serve["port"][] = PORTS[control.kind];
  const fitting = action ? ports.filter((p) => portFits(p, action.kind)) : ports;
  const shown = fitting.includes(serve.port) ? fitting : [serve.port, ...fitting];
  const change = (label: string, next: Partial<Serve>) => session.edit(`${label} of ${control.name}`, (l) => changeServe(l, control.id, index, next), true);
  return (
    <div className="grid">
      <div className="field-row [--name:4rem]" data-row>
        <span className={`figure leading-none break-words ${action ? "" : "text-blocker"}`}>{serve.action}</span>
        <span className="flex items-center gap-0.5">
          <span className="min-w-0 flex-1">
            <ChoiceField
              bare
              label={`Port to ${serve.action}`}
              value={serve.port}
              options={shown.map((p) => [p, `←\u2009${PORT_WORD[p]}`])}
              reads={says("serves.port", { action: serve.action })}
              onChange={(port) => change("port", action ? { value: undefined, scale: undefined, ...serveBy(port, action) } : { port })}
            />
          </span>
          <button
            className="grid size-6 shrink-0 place-items-center"
            aria-label={`Remove ${serve.action}`}
            {...readingProps(says("serves.remove", { action: serve.action }))}
            onClick={() =>
              removeWithNotice(session, `unbind ${control.name} from ${serve.action}`, `“${control.name}” stopped serving “${serve.action}”`, (l) =>
                unbind(l, control.id, index),
              )
            }
          >
            <X size={13} />
          </button>
        </span>
      </div>
      {!action && (
        <p className="text-[0.6875rem] text-blocker">
          ■ not read by the game
          {near && (
            <button className="ml-1 underline" onClick={() => change("action", { action: near })}>
              Use {near}
            </button>
          )}
        </p>
      )}
      {action && portFits(serve.port, action.kind) && <ServeFields serve={serve} action={action} onChange={change} />}
      <SharedWayHint control={control} index={index} actions={actions} />
    </div>
  );
}
