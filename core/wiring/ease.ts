/** How smoothing feels: the value of an action that is given in full for a while and then let go, tick by tick. */
import type { Action } from "../format/types";
import { actionValue, emptyGroups } from "../engine/input/combine";
import { hardwareEvent, restingHardware } from "../engine/input/hardwareInput";
import { tickTime } from "../engine/input/advance";

/**
 * The value (0…1) at every tick while a key gives an axis in full for `heldMs`, and after it until `lastMs`. It is computed by
 * the same function that plays, so the picture cannot differ from the feel.
 */
export function easeTrace(smoothing: Pick<Action, "riseMs" | "fallMs">, heldMs: number, lastMs: number, hz: number): { t: number; value: number }[] {
  const action = {
    name: "",
    kind: "axis",
    keys: [{ code: "KeyA", value: 1 }],
    mouse: [],
    pad: [],
    ease: "all",
    combine: "sum",
    ...smoothing,
  } as unknown as Action;
  const sources = { action, kind: "axis", touch: [], smooth: smoothing.riseMs > 0 || smoothing.fallMs > 0, plain: false } as const;
  const hardware = restingHardware();
  const groups = emptyGroups();
  const smoothed = { x: 0, y: 0 };
  const trace = [{ t: 0, value: 0 }];
  hardwareEvent(hardware, { t: 0, type: "key", code: "KeyA", down: true });
  for (let n = 1, before = 0; before < lastMs; n += 1) {
    const time = tickTime(n, hz);
    if (before < heldMs && time >= heldMs) hardwareEvent(hardware, { t: heldMs, type: "key", code: "KeyA", down: false });
    hardware.taps = [];
    trace.push({ t: time, value: actionValue(sources, { readings: [], hardware, repeats: [], groups }, smoothed, { time, ms: time - before }) as number });
    before = time;
  }
  return trace;
}
