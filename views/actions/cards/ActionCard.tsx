"use client";
/** Everything of an action: kind, moments, where it is wanted, smoothing, its note; what serves it in each moment; what adds up to its value. */
import { withArticle } from "../../../core/derived/counted";
import { changeAction } from "../../../core/editing/edits/actions";
import { byId } from "../../../core/derived/byId";
import type { Action, Layout } from "../../../core/format/types";
import type { ActionStatus } from "../../../core/wiring/actionStatus";
import { fittingKind } from "../../../core/editing/make";
import { inputSumOf } from "../../../core/wiring/serves";
import { ChoiceField, SwitchField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { endWord } from "../../fields/keyWords";
import { makeFitting } from "../makeFitting";
import { setSheetState } from "../sheetState";
import { STATUS_MARK, statusClass } from "../sheet/SheetAction";
import type { SheetData } from "../useSheet";
import { BareMoments } from "../../fields/BareMoments";
import { Chips } from "./Chips";
import { EasePicture } from "./EasePicture";
import { KindField } from "./KindField";
import { ServeChoice } from "./ServeChoice";
import { deleteAction } from "../../document/remove";

/** Longer than this nothing can be felt as one movement any more, ms. */
const LONGEST_MS = 10_000;

export function ActionCard({ action, data }: { action: Action; data: SheetData }) {
  const session = useSessionActions();
  const { layout, statuses, letters } = data;
  const { name } = action;
  const status = statuses.get(name)!;
  const change = (label: string, next: Partial<Action>) => session.edit(`${label} of ${name}`, (l) => changeAction(l, name, next), true);
  const toggle = (id: string) =>
    change("moments", { moments: layout.moments.map((m) => m.id).filter((m) => (m === id ? !action.moments.includes(m) : action.moments.includes(m))) });
  return (
    <section aria-label={`The action ${name}`} className="grid gap-2">
      <h2 className="flex items-baseline gap-2">
        <span className="figure truncate text-[0.875rem] font-semibold">{name}</span>
        <button className="push ml-auto h-6 px-1.5 text-[0.6875rem]" onClick={() => deleteAction(session, name)} aria-label={`Remove ${name}`}>
          Remove
        </button>
      </h2>
      <p className={`text-[0.75rem] ${statusClass(status)}`}>
        {STATUS_MARK(status)}
        {status.word}
      </p>
      {action.read && action.touch === "wanted" && <ServedBy name={name} status={status} moments={layout.moments} />}
      {status.toDo && (
        <button className="push push-main justify-center" onClick={() => makeFitting(session, action)}>
          Make {withArticle(fittingKind(action.kind))} for it
        </button>
      )}
      <BareMoments name={name} layout={layout} />
      <ServeChoice action={action} layout={layout} />
      <button className="push h-6 justify-center" onClick={() => setSheetState(session, { listening: name, form: "sheet" })}>
        Bind a key, mouse or pad input…
      </button>
      <Inputs action={action} layout={layout} letters={letters} />
      <KindField action={action} />
      <ChoiceField
        label="Used"
        reads={says("action.wanted", { action: name })}
        value={action.touch}
        options={[
          ["wanted", "on touch"],
          ["never", "on desktop only"],
        ]}
        onChange={(touch) => change("devices", { touch })}
      />
      <SwitchField
        after
        label="Read by the game"
        reads={says("action.read", { action: name })}
        value={action.read}
        onChange={(read) => change("reading", { read })}
      />
      {layout.moments.length > 0 && (
        <Chips label="Moments" items={layout.moments.map((m) => ({ id: m.id, word: m.name, on: action.moments.includes(m.id) }))} onToggle={toggle} />
      )}
      {(action.kind === "axis" || action.kind === "vector") && <Smoothing action={action} change={change} />}
      <NoteField key={name} name={name} note={action.note} onChange={(note) => change("note", { note })} />
    </section>
  );
}

/** What serves an action in each moment. */
function ServedBy({ name, status, moments }: { name: string; status: ActionStatus; moments: Layout["moments"] }) {
  return (
    <ul aria-label={`Controls of ${name}`} className="grid gap-0.5 text-[0.75rem]">
      {status.moments.map(({ moment, by }) => (
        <li key={moment ?? ""} className="flex gap-2">
          <span className="caption w-24 shrink-0 truncate pt-px">{moment === null ? "always" : (byId(moments).get(moment)?.name ?? moment)}</span>
          {by.length > 0 ? <span className="min-w-0">{by.join(", ")}</span> : <span className="text-blocker">nothing</span>}
        </li>
      ))}
    </ul>
  );
}

/** The inputs of an action, and how they come together. */
function Inputs({ action, layout, letters }: { action: Action; layout: Layout; letters: SheetData["letters"] }) {
  const sum = inputSumOf(layout, action, (end) => endWord(end, letters));
  return (
    <div role="group" aria-label={`Inputs of ${action.name}`} className="grid gap-0.5 border-y border-rule py-1.5 text-[0.75rem]">
      {sum.terms.length === 0 && <span className="text-muted">No input yet.</span>}
      {sum.terms.map((t, i) => (
        <span key={i} className="flex justify-between gap-2">
          <span className="figure truncate">
            {i === 0 ? "" : action.kind === "press" ? "or " : "+ "}
            {t.from}
          </span>
          <span className="figure shrink-0 text-muted">{t.gives}</span>
        </span>
      ))}
      {sum.terms.length > 1 && <span className="caption">{sum.rule}</span>}
    </div>
  );
}

/** How an axis or a vector goes from one value to the next. */
function Smoothing({ action, change }: { action: Action; change: (label: string, next: Partial<Action>) => boolean }) {
  return (
    <div role="group" aria-label="Smoothing" className="grid gap-1">
      <NumberField
        label="Rise"
        unit="ms"
        reads={says("action.rise", { action: action.name })}
        min={0}
        max={LONGEST_MS}
        step={10}
        value={action.riseMs}
        onChange={(riseMs) => change("rise", { riseMs })}
      />
      <NumberField
        label="Fall"
        unit="ms"
        reads={says("action.fall", { action: action.name })}
        min={0}
        max={LONGEST_MS}
        step={10}
        value={action.fallMs}
        onChange={(fallMs) => change("fall", { fallMs })}
      />
      <EasePicture action={action} />
      {(action.riseMs > 0 || action.fallMs > 0) && (
        <ChoiceField
          label="Smoothing of"
          reads={says("action.slowed")}
          value={action.ease}
          options={[
            ["all", "all inputs"],
            ["switches", "only keys and buttons"],
          ]}
          onChange={(ease) => change("smoothing", { ease })}
        />
      )}
      <ChoiceField
        label="Together"
        reads={says("action.together")}
        value={action.combine}
        options={[
          ["sum", "touch, keys and pad add up"],
          ["strongest", "only the strongest counts"],
        ]}
        onChange={(combine) => change("how inputs combine", { combine })}
      />
    </div>
  );
}

function NoteField({ name, note, onChange }: { name: string; note: string; onChange: (note: string) => void }) {
  return (
    <textarea
      aria-label={`Note on ${name}`}
      placeholder="Note"
      rows={2}
      maxLength={2000}
      className="box w-full px-1.5 py-1"
      key={note}
      defaultValue={note}
      onBlur={(event) => event.target.value !== note && onChange(event.target.value)}
    />
  );
}
