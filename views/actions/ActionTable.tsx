"use client";
/** The same as the sheet in rows: an action a row, with its kind, the status of it, its inputs and the controls that serve it. Everything the sheet does can be done here. */
import { says } from "../shell/reading/sentences";
import { X } from "lucide-react";
import { byId } from "../../core/derived/byId";
import { memo } from "react";

import type { Action, Layout } from "../../core/format/types";
import { hardwareWires, type HardwareWire } from "../../core/wiring/hardwareWires";
import { hardwareSourceGives, serveGives, wiresOf } from "../../core/wiring/serves";
import type { ActionStatus } from "../../core/wiring/actionStatus";
import { TypedField } from "../../ui/Typed";
import { useSessionActions } from "../document/SessionContext";
import { KindField } from "./cards/KindField";
import { ServeChoice } from "./cards/ServeChoice";
import { directionWord, endTitle, endWord, type KeyLetters } from "../fields/keyWords";
import { setSheetState, useSheetState } from "./sheetState";
import { ListenAnchor } from "./sheet/BindingCapture";
import { STATUS_MARK, statusClass } from "./sheet/SheetAction";
import { renamed } from "./renamed";
import { statusDetail } from "./statusDetail";
import type { SheetData } from "./useSheet";
import { nameOf } from "../document/names";
import { removeWire, unplugWithNotice } from "./removeWire";
import { TEXTS } from "../../core/format/limits";

export function ActionTable({ data }: { data: SheetData }) {
  const session = useSessionActions();
  const { seen, statuses, layout, letters, loose } = data;
  const strays = loose.filter(
    (e) => e.index === null || !layout.actions.some((a) => a.name === byId(layout.controls).get(e.control)?.serves[e.index!]?.action),
  );
  return (
    <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="group" aria-label="Actions as a table">
      <table className="w-full border-collapse text-left">
        <caption className="sr-only">Actions and their inputs</caption>
        <thead className="sticky top-0 z-10 bg-paper">
          <tr>
            {["Action", "Kind", "Status", "Keys, mouse, pads", "Touch controls"].map((word) => (
              <th key={word} scope="col" className="heading border-b border-rule px-2 py-1.5 font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {seen.map((action) => (
            <TableRow key={action.name} action={action} status={statuses.get(action.name)!} layout={layout} letters={letters} />
          ))}
        </tbody>
      </table>
      {strays.length > 0 && (
        <ul aria-label="Controls without actions" className="grid gap-1 p-2">
          {strays.map((e) => (
            <li key={`${e.control} ${e.index}`}>
              <button
                className="text-left text-blocker"
                onClick={() =>
                  setSheetState(session, { pick: e.index === null ? { kind: "control", id: e.control } : { kind: "serve", id: e.control, index: e.index } })
                }
              >
                ■ {byId(layout.controls).get(e.control)?.name}: {e.word}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

// oxlint-disable-next-line max-lines-per-function -- one row of many cells
const TableRow = memo(function TableRow({ action, status, layout, letters }: { action: Action; status: ActionStatus; layout: Layout; letters: KeyLetters }) {
  const session = useSessionActions();
  const picked = useSheetState((p) => p.pick?.kind === "action" && p.pick.name === action.name);
  const { name } = action;
  const inputs = hardwareWires(action);
  const pick = () => setSheetState(session, { pick: { kind: "action", name } });
  return (
    <tr
      className={`border-b border-rule align-top ${picked ? "bg-sheet shadow-[inset_3px_0_0_var(--accent)]" : ""}`}
      data-action={name}
      tabIndex={-1}
      onClick={pick}
      onFocus={pick}
    >
      <th scope="row" className="min-w-[8.125rem] px-2 py-1 font-normal">
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
      </th>
      <td className="w-[9.375rem] px-2 py-1">
        <KindField bare action={action} />
      </td>
      <td className={`px-2 py-1.5 text-[0.75rem] ${statusClass(status)}`}>
        {STATUS_MARK(status)}
        {status.word}
        {layout.moments.length > 0 && action.read && action.touch === "wanted" && (
          <span className="caption block max-w-[12.5rem]">{statusDetail(status, layout.moments)}</span>
        )}
      </td>
      <td className="px-2 py-1">
        <span className="flex flex-wrap gap-1">
          {inputs.map((w) => (
            <Chip
              key={`${w.list} ${w.index}`}
              word={`${endWord(w.end, letters)}${signOf(w, action.kind)}`}
              title={`${endTitle(w.end, letters)}, gives ${hardwareSourceGives(w, action.kind)}`}
              onPick={() => setSheetState(session, { pick: { kind: "hardware", action: name, list: w.list, index: w.index } })}
              remove={`Remove ${endWord(w.end, letters)} from ${name}`}
              onRemove={() => unplugWithNotice(session, name, w.list, w.index)}
            />
          ))}
          <ListenAnchor action={action}>
            <button
              className="h-6 rounded-sm border border-dashed border-edge px-1.5 text-[0.6875rem] text-muted"
              aria-label={`Bind a key, mouse or pad input to ${name}`}
              onClick={() => setSheetState(session, { listening: name })}
            >
              + input
            </button>
          </ListenAnchor>
        </span>
      </td>
      <td className="min-w-[9.375rem] px-2 py-1">
        <span className="mb-1 flex flex-wrap gap-1 empty:hidden">
          {wiresOf(layout, name).flatMap((w) =>
            w.kind === "touch"
              ? [
                  <Chip
                    key={`${w.control} ${w.index}`}
                    word={`${nameOf(layout, w.control)} ${w.serve.port}`}
                    title={serveGives(w.serve, action.kind)}
                    onPick={() => setSheetState(session, { pick: { kind: "serve", id: w.control, index: w.index } })}
                    remove={`Remove the wire from ${nameOf(layout, w.control)} ${w.serve.port} to ${name}`}
                    onRemove={() => removeWire(session, w.control, w.index)}
                  />,
                ]
              : [],
          )}
        </span>
        <ServeChoice action={action} layout={layout} />
      </td>
    </tr>
  );
});

/** What a key or button gives toward an axis or a vector, in a sign after its word. */
function signOf({ source }: HardwareWire, kind: Action["kind"]): string {
  return (kind === "vector" || kind === "axis") && ("code" in source || "button" in source) ? ` ${directionWord(source.value)}` : "";
}

function Chip({ word, title, onPick, remove, onRemove }: { word: string; title: string; onPick: () => void; remove: string; onRemove: () => void }) {
  return (
    <span className="flex h-6 max-w-full min-w-0 items-center rounded-sm border border-edge bg-sheet pl-1" title={title}>
      <button
        className="figure h-6 min-w-6 truncate text-[0.6875rem]"
        onClick={(event) => {
          event.stopPropagation();
          onPick();
        }}
      >
        {word}
      </button>
      <button className="grid size-6 shrink-0 place-items-center text-muted" aria-label={remove} onClick={onRemove}>
        <X size={10} />
      </button>
    </span>
  );
}
