"use client";
/** Which screens are in the rail and in which order; your own screens; lists in and out as CSV and JSON. */
import { ArrowDown, ArrowUp, Plus, X } from "lucide-react";
import { useRef, useState } from "react";
import { screensCsv, screensJson } from "../../../core/exchange/screens";
import { setRail } from "../../../core/editing/edits/ownScreens";
import type { Screen } from "../../../core/format/types";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { Dialogue } from "../../../ui/Dialogue";
import { FileInput } from "../../../ui/FileInput";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { railOf, shelfOf } from "../../document/railScreens";
import { saveText } from "../../document/files/download";
import { OwnScreens } from "../../fields/ownScreens/OwnScreens";
import { takeInScreens } from "../../fields/ownScreens/takeInScreens";
import { ScreenForm, type ScreenFormRequest } from "../../fields/ownScreens/ScreenForm";

const ICON = "grid size-6 place-items-center rounded-sm hover:bg-paper disabled:opacity-30";

export function RailDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const [form, setForm] = useState<ScreenFormRequest | null>(null);
  const [problem, setProblem] = useState("");
  const file = useRef<HTMLInputElement>(null);
  const rail = railOf(layout);
  return (
    <Dialogue title="Screens of the rail" open={open} onOpenChange={onOpenChange} wide>
      {form ? (
        <ScreenForm wish={form} onDone={() => setForm(null)} />
      ) : (
        <div className="grid gap-3">
          <Chosen />
          <OwnScreens onForm={setForm} />
          {problem && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problem}
            </p>
          )}
          <div className="flex flex-wrap gap-1.5">
            <button className="push" onClick={() => file.current?.click()}>
              Import a list…
            </button>
            <FileInput
              ref={file}
              accept=".csv,.json,text/csv,application/json"
              label="List of screens to import"
              onFile={(chosen) => void takeInScreens(session, chosen).then(setProblem)}
            />
            <button className="push ml-auto" onClick={() => saveText("screens.csv", screensCsv(rail), "text/csv")}>
              Export as CSV
            </button>
            <button className="push" onClick={() => saveText("screens.json", screensJson(rail))}>
              Export as JSON
            </button>
          </div>
        </div>
      )}
    </Dialogue>
  );
}

/** The screens in the rail, in its order, and the others. */
function Chosen() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const rail = railOf(layout);
  const names = rail.map((s) => s.name);
  const rest = shelfOf(layout).filter((s) => !names.includes(s.name));
  const put = (label: string, next: readonly string[]) => session.edit(label, (l) => setRail(l, next));
  const move = (at: number, by: -1 | 1) => {
    const next = [...names];
    [next[at], next[at + by]] = [next[at + by], next[at]];
    put("order of the rail", next);
  };
  return (
    <div className="grid grid-cols-2 gap-4">
      <section aria-label="In the rail">
        <h3 className="heading mb-1">In the rail</h3>
        <ul className="h-[23.75rem] overflow-auto border border-rule">
          {rail.map((screen, i) => (
            <li key={screen.name} className="flex items-center gap-0.5 border-b border-rule px-2 py-1">
              <ScreenWords screen={screen} />
              <button className={ICON} aria-label={`${screen.name} earlier`} disabled={i === 0} onClick={() => move(i, -1)}>
                <ArrowUp size={14} />
              </button>
              <button className={ICON} aria-label={`${screen.name} later`} disabled={i === rail.length - 1} onClick={() => move(i, 1)}>
                <ArrowDown size={14} />
              </button>
              <button
                className={ICON}
                aria-label={`Remove ${screen.name} from the rail`}
                disabled={rail.length === 1}
                onClick={() =>
                  put(
                    "remove a screen from the rail",
                    names.filter((n) => n !== screen.name),
                  )
                }
              >
                <X size={14} />
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Other screens">
        <h3 className="heading mb-1">Others</h3>
        <ul className="h-[23.75rem] overflow-auto border border-rule">
          {rest.map((screen) => (
            <li key={screen.name} className="flex items-center gap-0.5 border-b border-rule px-2 py-1">
              <button className={ICON} aria-label={`Add ${screen.name} to the rail`} onClick={() => put("add a screen to the rail", [...names, screen.name])}>
                <Plus size={14} />
              </button>
              <ScreenWords screen={screen} />
            </li>
          ))}
          {rest.length === 0 && <li className="p-2 text-muted">All screens are in the rail.</li>}
        </ul>
      </section>
    </div>
  );
}

function ScreenWords({ screen }: { screen: Screen }) {
  return (
    <span className="min-w-0 flex-1">
      <span className="block truncate">{screen.name}</span>
      <span className="figure block truncate text-[0.6875rem] text-muted">
        {screen.widthPx} × {screen.heightPx} px · {(screen.widthPx / pxPerMm(screen)).toFixed(0)} × {(screen.heightPx / pxPerMm(screen)).toFixed(0)} mm
      </span>
    </span>
  );
}
