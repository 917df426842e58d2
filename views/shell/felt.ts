/** That a stick was felt: one moved under a thumb, on whatever glass it is played; of a layout without sticks any control. */
import { isIdle } from "../../core/engine/input/behaviours";
import type { Player } from "../../runtime/player";
import type { Session } from "../document/session";
import { tickOff } from "./firstStepsState";

/** To be called after every frame of play. */
export function tickOffFelt(session: Session, player: Player): void {
  const { touches, controls } = player.state();
  if (touches.length === 0) return;
  const sticks = controls.filter((c) => c.kind === "stick");
  if ((sticks.length > 0 ? sticks : controls).some((c) => !isIdle(c))) tickOff(session, "felt");
}
