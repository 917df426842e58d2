/** Which controls a touch holds, told whenever that changes. */
import { isIdle, type ControlState } from "../../core/engine/input/behaviours";
import type { Player } from "../../runtime/player";

/** Gives what stops the listening; the listener hears at once what holds now. */
export type OnTouched = (listener: (ids: readonly string[]) => void) => () => void;

/** The touches that a control has. */
const touchesOf = (state: ControlState): readonly number[] =>
  state.kind === "button" ? state.contacts.map((c) => c.touch) : state.held ? [state.held.touch] : [];

/** The control that a touch has gone to, by its id; null where it fell on none. */
export function holderOf(player: Player, touch: number): string | null {
  const { controls } = player.state();
  const index = controls.findIndex((c) => touchesOf(c).includes(touch));
  return index < 0 ? null : player.setup().controls[index].id;
}

export interface TouchedControls {
  /** To be called after every frame. The control that a hand touched last, if another than before has been; what a loop touches by itself is reported by `isLooped`, and counts for nothing. */
  look(player: Pick<Player, "setup" | "state">, isLooped: (touch: number) => boolean): string | null;
  readonly onTouched: OnTouched;
}

export function createTouchedControls(): TouchedControls {
  let held: readonly string[] = [];
  const listeners = new Set<(ids: readonly string[]) => void>();
  return {
    look(player, isLooped) {
      const { controls } = player.state();
      const ready = player.setup().controls;
      const ids = ready.flatMap(({ id }, i) => (isIdle(controls[i]) ? [] : [id]));
      if (ids.length === held.length && ids.every((id, i) => id === held[i])) return null;
      const byHand = (id: string) => touchesOf(controls[ready.findIndex((c) => c.id === id)]).some((touch) => !isLooped(touch));
      const fresh = ids.filter((id) => !held.includes(id) && byHand(id));
      held = ids;
      listeners.forEach((listener) => listener(ids));
      return fresh.at(-1) ?? null;
    },
    onTouched(listener) {
      listeners.add(listener);
      listener(held);
      return () => listeners.delete(listener);
    },
  };
}
