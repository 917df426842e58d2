/** `nodulum-runtime/none`: the same types and calls, resting values, no code: for builds without touch. */
import type { Handle, PlayOptions } from "./handle";
import type { PlayedSource } from "./play";

/** Plays nothing: every action rests. */
export function play<Name extends string = string>(_played?: PlayedSource, options?: Partial<PlayOptions>): Handle<Name> {
  const nothing = () => undefined;
  const no = () => false;
  const none = {
    value: no,
    angle: () => 0,
    strength: () => 0,
    rose: no,
    fell: no,
    onTick: () => nothing,
    step: nothing,
    controls: () => [],
    show: nothing,
    moment: options?.moment ?? null,
    handed: options?.handed ?? "right",
    playerSize: options?.playerSize ?? 1,
    language: options?.language ?? "",
    appear: options?.appear ?? "touch",
    off: nothing,
    on: nothing,
    replace: nothing,
    own: { move: no, size: no, fade: no, sensitivity: no, invert: no, json: () => ({ controls: {}, actions: {} }), reset: nothing },
    digest: null,
    hz: options?.hz ?? 60,
    asked: {},
    reads: {},
    close: nothing,
  };
  return none as unknown as Handle<Name>;
}
export const drawing = undefined;
