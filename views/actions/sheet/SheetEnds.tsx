"use client";
/** A key, mouse or pad input on the patch sheet, with what it gives, and a warning where it gives too much. */
import { memo } from "react";
import { saySame } from "../../fields/sameData";
import type { Action, Moment } from "../../../core/format/types";
import { byId } from "../../../core/derived/byId";
import { hardwareWires, type HardwareWire } from "../../../core/wiring/hardwareWires";
import { MAIN_MOUSE, type Clash } from "../../../core/wiring/actionStatus";
import { directionWord, endTitle, endWord, type KeyLetters } from "../../fields/keyWords";
import { setSheetState } from "../sheetState";
import type { EndPosition } from "../sheetPositions";
import { fitClass, useFit } from "./useFit";
import type { Connecting } from "./useConnectionDrag";
import { useSessionActions } from "../../document/SessionContext";

interface Props {
  readonly place: EndPosition;
  /** The wires that hang on it, of all actions. */
  readonly wires: readonly (HardwareWire & { readonly kind: Action["kind"] })[];
  readonly clash: Clash | null;
  readonly moments: readonly Moment[];
  readonly letters: KeyLetters;
  readonly dim: boolean;
  readonly picked: boolean;
  readonly connecting: Connecting;
}

/** Every wire on an end, of all actions. */
export function wiresByEnd(actions: readonly Action[]): ReadonlyMap<string, Props["wires"]> {
  const all = new Map<string, (HardwareWire & { kind: Action["kind"] })[]>();
  for (const action of actions) for (const w of hardwareWires(action)) all.set(w.end, [...(all.get(w.end) ?? []), { ...w, kind: action.kind }]);
  return all;
}

export const SheetEnd = memo(function SheetEnd({ place, wires, clash, moments, letters, dim, picked, connecting }: Props) {
  const session = useSessionActions();
  const { end } = place;
  const fit = useFit({ kind: "end", end });
  const word = endWord(end, letters);
  const only = wires.length === 1 ? wires[0] : null;
  const here = wires.find((w) => w.action === place.by) ?? wires[0];
  const value = here && "value" in here.source ? here.source.value : undefined;
  const sign = here && (here.kind === "vector" || here.kind === "axis") && ("code" in here.source || "button" in here.source) ? directionWord(value) : null;
  const warning = clash ? `◆ ${clash.actions.length} actions` : end === MAIN_MOUSE ? "◆ every touch" : null;
  const told = clash
    ? `${clash.actions.join(" and ")} are both given by it${clash.moment === null ? "" : ` in ${byId(moments).get(clash.moment)?.name ?? clash.moment}`}`
    : end === MAIN_MOUSE
      ? "Main mouse button: every touch on the screen would trigger this action. Bind another button."
      : endTitle(end, letters);
  const pick = () =>
    setSheetState(session, { pick: only ? { kind: "hardware", action: only.action, list: only.list, index: only.index } : { kind: "end", end } });
  return (
    <li className="absolute flex w-full items-center justify-end gap-1.5" style={{ top: place.y, height: place.h }} data-end={end}>
      {warning && (
        <span className={`truncate text-[0.6875rem] ${dim ? "text-muted" : "text-warning"}`} title={told}>
          {warning}
        </span>
      )}
      <span
        data-target={`end ${end}`}
        tabIndex={-1}
        className={`flex h-[1.625rem] min-w-0 items-stretch rounded-sm border bg-sheet ${fitClass(fit, picked, dim)}`}
        title={fit.why ?? told}
      >
        <button
          className="flex h-full min-w-6 items-center gap-1.5 pl-1.5"
          aria-label={`${endTitle(end, letters)}, gives to ${wires.map((w) => w.action).join(", ")}`}
          onClick={pick}
        >
          <span className="figure truncate text-[0.6875rem]">{word}</span>
          {sign !== null && <span className="figure text-[0.625rem] text-muted">{sign}</span>}
        </button>
        <button
          className="grid w-6 shrink-0 cursor-crosshair touch-none place-items-center hover:text-accent"
          aria-label={`Draw another wire from ${endTitle(end, letters)}`}
          title="Drag to an action, or press Enter and use the arrow keys"
          {...connecting.endProps({ kind: "end", end })}
        >
          <span aria-hidden className="size-2 rounded-full border border-current bg-paper" />
        </button>
      </span>
    </li>
  );
}, saySame);
