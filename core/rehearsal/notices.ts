/**
 * What a rehearsal reports by itself: things that nobody looks for and that explain why a game feels wrong. Each is reported once a subject, at the
 * tick at which it was seen first, and how often it was.
 */
import type { ActionValue, ActionValues } from "../engine/input/events";
import { ownEntry } from "../engine/playerChanges";
import type { Layout } from "../format/types";
import type { TouchMark } from "./touchMarks";
import type { PlayedState } from "./traceLog";

/**
 * unnamed pair: two actions given at once that no *together* set names · stick never full: a stick that was used never gave all it has ·
 * stick no fine half: one that was used never stayed in the lower half of what it gives · slip: two presses of a control shorter than 60 ms
 * within 150 ms · lost touch: one that nothing took, within 5 mm of a control · never given: an action that was not given at all.
 */
export type NoticeKind = "unnamed pair" | "stick never full" | "stick no fine half" | "slip" | "lost touch" | "never active";
export interface Notice {
  readonly kind: NoticeKind;
  /** Names of actions, or ids of controls. */
  readonly subjects: readonly string[];
  /** The tick at which it was seen first, from 1; of what never was, the last tick. */
  readonly tick: number;
  readonly times: number;
}

/** A press shorter than this is none that was meant, ms. */
const SLIP_MS = 60;
/** Two such within this, from the beginning of the first to that of the second, ms. */
const SLIP_WITHIN_MS = 150;
/** A stick that gives at least this much gives all it has: the rest is rounding. */
const FULL = 0.999;
/** A stick is used once it has given something for this long, ms; it stays in its fine half when it is there this long without a break. */
const USED_MS = 500;
const STAYS_MS = 100;

const isGiven = (value: ActionValue | undefined): boolean =>
  typeof value === "object" ? value[0] !== 0 || value[1] !== 0 : value !== undefined && value !== false && value !== 0;

export interface Listener {
  /** Takes a tick, from 1: what it gave, the state after it, how long it is (ms), and the marks of its touches. */
  tick(tick: number, values: ActionValues, played: PlayedState, more: { readonly tickMs: number; readonly marks: readonly TouchMark[] }): void;
  /** What has been heard so far, in the order of the kinds and then of the ticks. */
  told(): readonly Notice[];
}

const ORDER: readonly NoticeKind[] = ["slip", "lost touch", "unnamed pair", "stick never full", "stick no fine half", "never active"];

type Tell = (kind: NoticeKind, subjects: readonly string[], tick: number) => void;

/** Hears which actions are given at once: as long as both of two stay given it is one time. */
function pairHearer({ actions, together }: Pick<Layout, "actions" | "together">, tell: Tell) {
  const named = new Set(together.flatMap((set) => set.actions.flatMap((a) => set.actions.map((b) => `${a}\n${b}`))));
  const given = new Set<string>();
  let before = new Set<string>();
  return {
    tick(tick: number, values: ActionValues) {
      const active = actions.filter((a) => isGiven(ownEntry(values, a.name))).map((a) => a.name);
      const now = new Set<string>();
      active.forEach((a, i) => {
        given.add(a);
        for (const b of active.slice(i + 1)) {
          const key = `${a}\n${b}`;
          if (named.has(key)) continue;
          now.add(key);
          if (!before.has(key)) tell("unnamed pair", [a, b], tick);
        }
      });
      before = now;
    },
    neverGiven: () => actions.map((a) => a.name).filter((name) => !given.has(name)),
  };
}

interface StickUse {
  usedMs: number;
  fineMs: number;
  isFull: boolean;
  isFine: boolean;
}

/** Hears how far sticks are pushed, and whether they stay in the lower half of what they give. */
function stickHearer() {
  const sticks = new Map<string, StickUse>();
  return {
    tick({ setup, state }: PlayedState, tickMs: number) {
      setup.controls.forEach((control, i) => {
        const own = state.controls[i];
        if (own.kind !== "stick" || !own.held) return;
        let use = sticks.get(control.id);
        if (!use) sticks.set(control.id, (use = { usedMs: 0, fineMs: 0, isFull: false, isFine: false }));
        const gives = Math.hypot(own.held.vx, own.held.vy);
        if (gives > 0) use.usedMs += tickMs;
        use.fineMs = gives > 0 && gives < 0.5 ? use.fineMs + tickMs : 0;
        if (use.fineMs >= STAYS_MS) use.isFine = true;
        if (gives >= FULL) use.isFull = true;
      });
    },
    /** The sticks that were used and never were what is asked. */
    never: (what: "isFull" | "isFine") => [...sticks].filter(([, use]) => use.usedMs >= USED_MS && !use[what]).map(([id]) => id),
  };
}

/** Hears touches that nothing took, and slips. */
function touchHearer(tell: Tell) {
  const downs = new Map<number, TouchMark>();
  const short = new Map<string, TouchMark>();
  return (mark: TouchMark): void => {
    if (mark.kind === "down") {
      downs.set(mark.touch, mark);
      if (mark.fate === "nothing" && mark.meant !== null) tell("lost touch", [mark.meant], mark.tick);
    }
    const down = mark.kind === "lift" ? downs.get(mark.touch) : undefined;
    if (!down) return;
    downs.delete(mark.touch);
    const control = down.took[0];
    if (control === undefined || mark.t - down.t >= SLIP_MS) return;
    const before = short.get(control);
    if (before && down.t - before.t <= SLIP_WITHIN_MS) tell("slip", [control], down.tick);
    short.set(control, down);
  };
}

/** One that has heard nothing yet. `together` sets are those of the layout that is played. */
export function createListener(layout: Pick<Layout, "actions" | "together">): Listener {
  const found = new Map<string, Notice>();
  const tell: Tell = (kind, subjects, tick) => {
    const key = [kind, ...subjects].join("\n");
    const before = found.get(key);
    found.set(key, before ? { ...before, times: before.times + 1 } : { kind, subjects, tick, times: 1 });
  };
  const pairs = pairHearer(layout, tell);
  const sticks = stickHearer();
  const hearTouch = touchHearer(tell);
  let last = 0;
  return {
    tick(tick, values, played, { tickMs, marks }) {
      last = tick;
      pairs.tick(tick, values);
      sticks.tick(played, tickMs);
      marks.forEach(hearTouch);
    },
    told() {
      const never = (kind: NoticeKind, ids: readonly string[]) => ids.map((id): Notice => ({ kind, subjects: [id], tick: last, times: 1 }));
      const all = [
        ...found.values(),
        ...never("stick never full", sticks.never("isFull")),
        ...never("stick no fine half", sticks.never("isFine")),
        ...(last > 0 ? never("never active", pairs.neverGiven()) : []),
      ];
      return all.sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || a.tick - b.tick);
    },
  };
}

/** What is reported, as a sentence. `nameOf`: what a control is called. */
export function noticeText({ kind, subjects: [a, b], times }: Notice, nameOf: (control: string) => string): string {
  const often = times === 1 ? "" : `, ${times} times`;
  switch (kind) {
    case "unnamed pair":
      return `${a} and ${b} were active together${often}, but no together set contains them`;
    case "stick never full":
      return `${nameOf(a)} never reached full deflection`;
    case "stick no fine half":
      return `${nameOf(a)} was never held in the lower half of its range`;
    case "slip":
      return `${nameOf(a)} slipped${often}: two presses shorter than 60 ms within 150 ms`;
    case "lost touch":
      return `no control got a touch within 5 mm of ${nameOf(a)}${often}`;
    case "never active":
      return `${a} was never active`;
  }
}
