/**
 * One pointer's way from press to release, as states and steps.
 *
 * A press is a click until the pointer has gone some way; then it is a drag, and ends as a drop or is abandoned. It is abandoned by
 * Escape, by a pointer that is cancelled or whose capture is lost, by a second finger, and when what it is about goes away: none of
 * these may end like a release.
 */

/** A point of the window, CSS px. */
export interface WindowPoint {
  readonly x: number;
  readonly y: number;
}
/** Keys held while the pointer moves. */
export interface Modifiers {
  readonly shift: boolean;
  readonly alt: boolean;
}

/** Where a pointer is in its way; `about`: what was pressed. */
export type DragState<T> =
  | { readonly phase: "idle" }
  | { readonly phase: "pressed"; readonly pointer: number; readonly from: WindowPoint; readonly about: T }
  | { readonly phase: "dragging"; readonly pointer: number; readonly from: WindowPoint; readonly about: T };

/** What happens to it. `abandon`: Escape, cancel, lost capture, unmount; `down` of another pointer while one is under way is a second finger. */
export type DragInput<T> =
  | { readonly type: "down"; readonly pointer: number; readonly at: WindowPoint; readonly about: T }
  | { readonly type: "move"; readonly pointer: number; readonly at: WindowPoint; readonly keys: Modifiers }
  | { readonly type: "up"; readonly pointer: number; readonly at: WindowPoint; readonly keys: Modifiers }
  | { readonly type: "cancel"; readonly pointer: number }
  | { readonly type: "abandon" };

/** What a drag reports: it follows the pointer from where it was pressed to where it is. */
export interface DragReport<T> {
  readonly about: T;
  readonly from: WindowPoint;
  readonly at: WindowPoint;
  readonly keys: Modifiers;
}

/** What is to be done. After `begin` there is always exactly one `drop` or one `abandon`; a press that is no drag ends in `click`, or in nothing. */
export type DragCommand<T> =
  | { readonly do: "capture"; readonly pointer: number }
  | ({ readonly do: "begin" } & DragReport<T>)
  | ({ readonly do: "move" } & DragReport<T>)
  | ({ readonly do: "drop" } & DragReport<T>)
  | { readonly do: "click"; readonly about: T; readonly at: WindowPoint; readonly keys: Modifiers }
  | { readonly do: "abandon"; readonly about: T };

export interface DragStep<T> {
  readonly state: DragState<T>;
  readonly commands: readonly DragCommand<T>[];
}

/** A pointer that presses nothing. */
export const IDLE = { phase: "idle" } as const;
const nothing = <T>(state: DragState<T>): DragStep<T> => ({ state, commands: [] });

/** The next state and what is to be done. `thresholdPx`: how far a press must go to be a drag; at 0 any movement is one. */
export function dragStep<T>(state: DragState<T>, input: DragInput<T>, thresholdPx: number): DragStep<T> {
  if (input.type === "down") {
    if (state.phase !== "idle") return input.pointer === state.pointer ? nothing(state) : abandoned(state);
    return {
      state: { phase: "pressed", pointer: input.pointer, from: input.at, about: input.about },
      commands: [{ do: "capture", pointer: input.pointer }],
    };
  }
  if (state.phase === "idle") return nothing(state);
  if (input.type === "abandon") return abandoned(state);
  if (input.pointer !== state.pointer) return nothing(state);
  switch (input.type) {
    case "cancel":
      return abandoned(state);
    case "move":
      return moved(state, input, thresholdPx);
    case "up": {
      const { state: last, commands } = moved(state, input, thresholdPx);
      if (last.phase !== "dragging") return { state: IDLE, commands: [{ do: "click", about: state.about, at: input.at, keys: input.keys }] };
      const { about, from } = state;
      return { state: IDLE, commands: [...commands, { do: "drop", about, from, at: input.at, keys: input.keys }] };
    }
  }
}

type UnderWay<T> = Exclude<DragState<T>, { phase: "idle" }>;

function moved<T>(state: UnderWay<T>, { at, keys }: { readonly at: WindowPoint; readonly keys: Modifiers }, thresholdPx: number): DragStep<T> {
  const { about, from, pointer } = state;
  const way = Math.hypot(at.x - from.x, at.y - from.y);
  if (state.phase === "pressed" && (way < thresholdPx || way === 0)) return nothing(state);
  const told = { about, from, at, keys };
  const move: DragCommand<T> = { do: "move", ...told };
  return {
    state: { phase: "dragging", pointer, from, about },
    commands: state.phase === "pressed" ? [{ do: "begin", ...told }, move] : [move],
  };
}

function abandoned<T>(state: UnderWay<T>): DragStep<T> {
  return { state: IDLE, commands: state.phase === "dragging" ? [{ do: "abandon", about: state.about }] : [] };
}
