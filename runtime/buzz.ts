/** The device vibrates when a press of a button that asks for it begins, where it can. */
import type { Player } from "./player";

/** Gives what is to be called after every tick. */
export function createBuzz(player: Player): () => void {
  const pressed = new Set<string>();
  return () => {
    const { controls } = player.state();
    player.setup().controls.forEach((ready, i) => {
      const control = controls[i];
      if (ready.kind !== "button" || control.kind !== "button" || ready.feel.buzzMs === 0) return;
      if (control.press === null) pressed.delete(ready.id);
      else if (!pressed.has(ready.id)) {
        pressed.add(ready.id);
        navigator.vibrate?.(ready.feel.buzzMs);
      }
    });
  };
}
