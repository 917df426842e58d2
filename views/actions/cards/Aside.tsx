"use client";
/** Beside the sheet: the card of what is picked, or what remains to do; below it the glass to try it on. */
import { hardwareWires } from "../../../core/wiring/hardwareWires";
import { byId, byName } from "../../../core/derived/byId";
import { setSheetState, useSheetState } from "../sheetState";
import type { SheetData } from "../useSheet";
import { ActionCard } from "./ActionCard";
import { ControlCard } from "./ControlCard";
import { TryGlass } from "./TryGlass";
import { HardwareCard, EndCard, ServeCard } from "./WireCards";
import { useSessionActions } from "../../document/SessionContext";

export function Aside({ data }: { data: SheetData }) {
  return (
    <aside aria-label="Selection" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
      <div className="min-h-0 flex-1 overflow-auto p-3" tabIndex={0} role="group" aria-label="Details">
        <Picked data={data} />
      </div>
      <TryGlass data={data} />
    </aside>
  );
}

function Picked({ data }: { data: SheetData }) {
  const pick = useSheetState((p) => p.pick);
  const { actions, controls } = data.layout;
  switch (pick?.kind) {
    case "action": {
      const action = byName(actions).get(pick.name);
      return action ? <ActionCard key={action.name} action={action} data={data} /> : <ToDoCard data={data} />;
    }
    case "control": {
      const control = byId(controls).get(pick.id);
      return control ? <ControlCard control={control} data={data} /> : <ToDoCard data={data} />;
    }
    case "serve": {
      const control = byId(controls).get(pick.id);
      return control?.serves[pick.index] ? <ServeCard control={control} index={pick.index} data={data} /> : <ToDoCard data={data} />;
    }
    case "hardware": {
      const action = byName(actions).get(pick.action);
      const wire = action && hardwareWires(action).find((w) => w.list === pick.list && w.index === pick.index);
      return action && wire ? <HardwareCard wire={wire} action={action} data={data} /> : <ToDoCard data={data} />;
    }
    case "end":
      return <EndCard end={pick.end} data={data} />;
    case undefined:
      return <ToDoCard data={data} />;
  }
}

function ToDoCard({ data }: { data: SheetData }) {
  const session = useSessionActions();
  const { toDo, statuses, loose, clashes } = data;
  return (
    <section aria-label="Open" className="grid gap-2">
      <h2 className="text-[0.875rem] font-semibold">{toDo.length === 0 ? "All done" : `${toDo.length} open`}</h2>
      {toDo.length === 0 && <p className="text-muted">Every touch action has a control in each of its moments, and every control serves an action.</p>}
      <ul className="grid gap-1">
        {toDo.map((t) => (
          <li key={t.kind === "action" ? `a ${t.name}` : `c ${t.id}`}>
            <button className="grid w-full gap-0 rounded-sm px-1 py-0.5 text-left hover:bg-paper" onClick={() => setSheetState(session, { pick: t })}>
              <span className={t.kind === "action" ? "figure" : ""}>{t.kind === "action" ? t.name : (byId(data.layout.controls).get(t.id)?.name ?? t.id)}</span>
              <span className="text-[0.6875rem] text-blocker">
                ■{" "}
                {t.kind === "action"
                  ? statuses.get(t.name)?.word
                  : loose
                      .filter((e) => e.control === t.id)
                      .map((e) => e.word)
                      .join("; ")}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {clashes.length > 0 && (
        <p className="text-[0.75rem] text-warning">◆ {clashes.length === 1 ? "One input triggers" : `${clashes.length} inputs trigger`} two actions at once.</p>
      )}
      <p className="text-muted">Select an action, a control or a wire to see its chain. Drag from an end to draw a wire.</p>
    </section>
  );
}
