"use client";
/** Binding by doing: while it is open, a key that is pressed, a pad that is moved, or a mouse input that is chosen is plugged into the action; then it closes. */
import { X } from "lucide-react";
import { Popover } from "radix-ui";
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Action } from "../../../core/format/types";
import { askedValues, endsOfSet, hardwareGives, hardwareWhyNot, hardwareWires, plugIn, plugInSet, sourceOfEnd } from "../../../core/wiring/hardwareWires";
import { movedEnd, type PadSnapshot } from "../../../core/wiring/moved";
import { useSessionActions } from "../../document/SessionContext";
import { padNow, switchSimulatedPad, useSimulatedPad } from "../../interaction/pads";
import { useKeyLetters } from "../../interaction/useKeyLetters";
import { endTitle, endWord, mouseWord } from "../../fields/keyWords";
import { setSheetState, useSheetState } from "../sheetState";
import { unplugWithNotice } from "../removeWire";

/** Mouse inputs offered, the main button last: it is the one that every touch would give. */
const MOUSE_ENDS = ["mouse 2", "mouse 1", "mouse 3", "mouse 4", "mouse move", "mouse 0"] as const;
/** Keys that have their own work in the window, and so cannot be bound by pressing them. */
const CHOSEN_KEYS = ["key Escape", "key Tab"] as const;

/** What a key is asked for. */
const VALUE_WORD: Readonly<Record<string, string>> = {
  "1": "+ (right or up)",
  "-1": "− (left or down)",
  "0,1": "up",
  "0,-1": "down",
  "-1,0": "left",
  "1,0": "right",
};

export function ListenAnchor({ action, children }: { action: Action; children: ReactNode }) {
  const session = useSessionActions();
  const open = useSheetState((p) => p.listening === action.name);
  return (
    <Popover.Root open={open} onOpenChange={(next) => setSheetState(session, { listening: next ? action.name : null })}>
      <Popover.Anchor asChild>{children}</Popover.Anchor>
      {open && <BindingCapture action={action} />}
    </Popover.Root>
  );
}

/** What inputs are bound to an action, one after the other: of an axis by keys the key of each value is asked for. */
function useBinding(action: Action) {
  const session = useSessionActions();
  const letters = useKeyLetters();
  const { name, kind } = action;
  const [refusal, setRefusal] = useState("");
  const [asked] = useState(() => askedValues(action));
  const [step, setStep] = useState(0);
  const edit = (words: string, change: Parameters<typeof session.edit>[1]) => session.edit(`bind ${words} to ${name}`, change);
  return {
    refusal,
    asked,
    step,
    letters,
    /** Goes on to the next one; false: it was the last. */
    skip(): boolean {
      if (step + 1 === asked.length) return false;
      setStep(step + 1);
      return true;
    },
    /** Binds an input, or says why not. Whether all that is asked for is bound by now. */
    accept(end: string): boolean {
      if (hardwareWires(action).some((w) => w.end === end)) {
        setRefusal(`${endTitle(end, letters)} already gives to ${name}.`);
        return false;
      }
      const made = sourceOfEnd(end)!;
      const why = hardwareWhyNot(made.source, kind);
      setRefusal(why === null ? "" : `${endTitle(end, letters)}: ${why}.`);
      if (why !== null) return false;
      if (asked.length === 0 || hardwareGives(made.source) !== "press") return edit(endWord(end), (l) => plugIn(l, name, end));
      const set = endsOfSet(end, kind);
      if (set.length > 1) return edit(set.map((one) => endWord(one)).join(", "), (l) => plugInSet(l, name, end));
      if (!edit(endWord(end), (l) => plugIn(l, name, end, asked[step]))) return false;
      setStep(step + 1);
      return step + 1 === asked.length;
    },
  };
}

/** Calls with each movement of a pad that can be bound. */
function usePadMoves(kind: Action["kind"], moved: (end: string) => void): void {
  const session = useSessionActions();
  const onMoved = useEffectEvent(moved);
  useEffect(() => {
    let animation = 0;
    let rest: PadSnapshot | null = null;
    let settled = true;
    const wants = kind === "axis" ? "axis" : "stick";
    const look = () => {
      const now = padNow(session);
      if (now && rest) {
        const end = movedEnd(rest, now, wants);
        // One movement binds one thing: the pad must come back before the next.
        if (end === null) settled = true;
        else if (settled) {
          settled = false;
          onMoved(end);
        }
      } else if (now) rest = now;
      else rest = null;
      animation = requestAnimationFrame(look);
    };
    animation = requestAnimationFrame(look);
    return () => cancelAnimationFrame(animation);
  }, [session, kind]);
}

function BindingCapture({ action }: { action: Action }) {
  const session = useSessionActions();
  const { name, kind } = action;
  const { asked, step, refusal, letters, accept, skip } = useBinding(action);
  /** A key was bound and is still down: it closes with the key, so that a key held long does nothing elsewhere. */
  const bound = useRef(false);
  const close = () => setSheetState(session, { listening: null });
  const keyButton = useRef<HTMLButtonElement>(null);
  /** Where the focus was; it goes back there. */
  const [before] = useState(() => document.activeElement as HTMLElement | null);
  const wanted = asked.at(step);
  const choose = (end: string) => void (accept(end) && close());
  usePadMoves(kind, choose);
  const onKey = (event: KeyboardEvent) => {
    if (event.code === "" || event.repeat || event.code === "Escape" || event.code === "Tab") return;
    event.preventDefault();
    event.stopPropagation();
    event.nativeEvent.stopPropagation();
    if (accept(`key ${event.code}`)) bound.current = true;
  };
  const onKeyUp = (event: KeyboardEvent) => {
    event.preventDefault();
    if (bound.current) close();
  };
  return (
    <Popover.Portal>
      <Popover.Content
        side="bottom"
        align="start"
        sideOffset={4}
        aria-label={`Bind an input to ${name}`}
        className="z-50 grid w-[18.75rem] gap-2 rounded-sm border border-edge bg-sheet p-3 shadow-xl"
        onCloseAutoFocus={(event) => {
          event.preventDefault();
          before?.focus();
        }}
        onInteractOutside={(event) => {
          if ((event.target as HTMLElement | null)?.closest("[data-simulated-pad]")) event.preventDefault();
        }}
      >
        <button
          ref={keyButton}
          className="h-10 rounded-sm border border-dashed border-accent text-accent"
          aria-label={`Press the key for ${name}${wanted === undefined ? "" : `: ${VALUE_WORD[String(wanted)]}`}, or move the pad; Escape ends it`}
          autoFocus
          onKeyDown={onKey}
          onKeyUp={onKeyUp}
        >
          {wanted === undefined ? "Press a key or move the pad" : `Press the key for ${VALUE_WORD[String(wanted)]}, or move the pad`}
        </button>
        {asked.length > 1 && (
          <div className="flex items-center gap-2">
            <p role="status" className="text-[0.75rem]">
              Key {step + 1} of {asked.length}
            </p>
            <button className="push ml-auto h-6 px-1.5 text-[0.6875rem]" onClick={() => (skip() ? keyButton.current?.focus() : close())}>
              Skip
            </button>
            <button className="push h-6 px-1.5 text-[0.6875rem]" onClick={close}>
              Done
            </button>
          </div>
        )}
        <p role="status" className="min-h-4 text-[0.6875rem] text-warning">
          {refusal && `◆ ${refusal}`}
        </p>
        <BoundInputs action={action} letters={letters} />
        <ChosenInputs kind={kind} onChoose={choose} />
      </Popover.Content>
    </Popover.Portal>
  );
}

/** What is bound already, each with its way out. */
function BoundInputs({ action, letters }: { action: Action; letters: ReturnType<typeof useKeyLetters> }) {
  const session = useSessionActions();
  const wires = hardwareWires(action);
  if (wires.length === 0) return null;
  return (
    <ul className="flex flex-wrap gap-1" aria-label={`Bound to ${action.name}`}>
      {wires.map((w) => (
        <li key={`${w.list} ${w.index}`} className="flex h-6 items-center rounded-sm border border-edge pl-1.5" title={endTitle(w.end, letters)}>
          <span className="figure text-[0.6875rem]">{endWord(w.end, letters)}</span>
          <button
            className="grid size-6 place-items-center text-muted"
            aria-label={`Remove ${endWord(w.end, letters)}`}
            onClick={() => unplugWithNotice(session, action.name, w.list, w.index)}
          >
            <X size={10} />
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Inputs that cannot be pressed here, to be chosen; and the simulated pad. */
function ChosenInputs({ kind, onChoose }: { kind: Action["kind"]; onChoose: (end: string) => void }) {
  const session = useSessionActions();
  const padOn = useSimulatedPad((s) => s.on);
  return (
    <>
      <div role="group" aria-label="Mouse" className="flex flex-wrap items-center gap-1">
        <span className="caption w-10">Mouse</span>
        {MOUSE_ENDS.map((end) => (
          <button
            key={end}
            className="push h-6 px-1.5 text-[0.6875rem]"
            disabled={hardwareWhyNot(sourceOfEnd(end)!.source, kind) !== null}
            title={end === "mouse 0" ? "Every touch on the screen would trigger this too" : (hardwareWhyNot(sourceOfEnd(end)!.source, kind) ?? undefined)}
            onClick={() => onChoose(end)}
          >
            {end === "mouse move" ? "movement" : mouseWord(Number(end.slice(6)))}
            {end === "mouse 0" && <span className="text-warning">◆</span>}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-1">
        <span className="caption w-10">Keys</span>
        {CHOSEN_KEYS.map((end) => (
          <button key={end} className="push h-6 px-1.5 text-[0.6875rem]" disabled={kind === "motion" || kind === "delta"} onClick={() => onChoose(end)}>
            {endWord(end)}
          </button>
        ))}
        <button className="push ml-auto h-6 px-1.5 text-[0.6875rem]" aria-pressed={padOn} onClick={() => switchSimulatedPad(session, !padOn)}>
          {padOn ? "Hide the simulated pad" : "Simulated pad"}
        </button>
      </div>
    </>
  );
}
