/** Which wires something runs along at this moment, and the marks in the page that show it. */
import { isDown, mouseCode, padAxis, padButton, padStick } from "../../core/engine/input/hardwareInput";
import { byId } from "../../core/derived/byId";
import { readControl } from "../../core/engine/input/behaviours";
import type { PortReading } from "../../core/engine/input/ports";
import type { Layout, Port, Serve } from "../../core/format/types";
import { hardwareWires, type HardwareWire } from "../../core/wiring/hardwareWires";
import type { Player } from "../../runtime/player";
import { hardwareWireKey, serveWireKey } from "./sheetPositions";

/** A mark stays at least so long, ms: a tap between two frames is seen too. */
const STAYS_MS = 160;
/** A pad button counts from here on (model.md). */
const PRESSED = 0.5;

/** Whether a port gives anything. */
function portLive(port: Port, reading: PortReading, held: boolean): boolean {
  switch (port) {
    case "vector":
    case "motion":
      return reading.vx !== 0 || reading.vy !== 0;
    case "aim":
      return reading.aimX !== 0 || reading.aimY !== 0;
    case "dx":
      return reading.vx !== 0;
    case "dy":
      return reading.vy !== 0;
    case "turn":
      return reading.turn !== 0;
    case "x":
      return reading.x !== 0;
    case "y":
      return reading.y !== 0;
    case "press":
      // A button that fires on release, late or twice is in use while it is held.
      return reading.press || held;
    case "held":
    case "active":
    case "up":
    case "down":
    case "left":
    case "right":
    case "tapped":
    case "released":
      return reading[port];
  }
}

function hardwareLive({ source }: HardwareWire, hardware: ReturnType<Player["state"]>["hardware"]): boolean {
  if ("code" in source) return isDown(hardware, source.code);
  if ("move" in source) return (source.move !== "y" && hardware.dx !== 0) || (source.move !== "x" && hardware.dy !== 0);
  if ("axis" in source) return padAxis(hardware, source.axis, source.inner, source.outer) !== 0;
  if ("stick" in source) {
    const [x, y] = padStick(hardware, source.stick, source.inner, source.outer);
    return x !== 0 || y !== 0;
  }
  return "button" in source && (isDown(hardware, mouseCode(source.button)) || padButton(hardware, source.button) >= PRESSED);
}

/** The keys of the wires that something runs along now, and the actions it reaches. @internal exported for its test */
export function liveWires(layout: Layout, player: Pick<Player, "state" | "setup" | "resolved">): { wires: Set<string>; actions: Set<string> } {
  const state = player.state();
  const setup = player.setup();
  const wires = new Set<string>();
  const actions = new Set<string>();
  for (const action of layout.actions)
    for (const wire of hardwareWires(action))
      if (hardwareLive(wire, state.hardware)) {
        wires.add(hardwareWireKey(action.name, wire.list, wire.index));
        actions.add(action.name);
      }
  const known = byId(layout.controls);
  setup.controls.forEach((ready, i) => {
    const control = known.get(ready.id);
    const at = state.controls[i];
    if (!control || at === undefined) return;
    const held = at.kind === "button" ? at.contacts.length > 0 : at.held !== null;
    if (!held && at.kind !== "button" && at.kind !== "swipe" && at.kind !== "touchpad") return;
    const reading = readControl(at, ready, state.time);
    (control.serves as readonly Serve[]).forEach((serve, index) => {
      const live = portLive(serve.port, reading, held) || (held && at.kind === "touchpad");
      if (!live) return;
      wires.add(serveWireKey(control.id, index));
      actions.add(serve.action);
    });
  });
  return { wires, actions };
}

export interface LiveMarks {
  /** Marks the wires in the page; gives the names of the actions that are reached, in the layout's order. */
  mark(layout: Layout, player: Player, nowMs: number): readonly string[];
}

/** The marks are set on the elements themselves: a wire that comes alive is no reason to draw the sheet again. */
export function createLiveMarks(): LiveMarks {
  const until = new Map<string, number>();
  const actionsUntil = new Map<string, number>();
  let shown: ReadonlySet<string> = new Set();
  let of: Layout | null = null;
  let told: readonly string[] = [];
  return {
    mark(layout, player, nowMs) {
      const { wires, actions } = liveWires(layout, player);
      for (const key of wires) until.set(key, nowMs + STAYS_MS);
      for (const name of actions) actionsUntil.set(name, nowMs + STAYS_MS);
      for (const map of [until, actionsUntil]) for (const [key, end] of map) if (end < nowMs) map.delete(key);
      const live = new Set(until.keys());
      // After an edit some of the wires are new elements, without a mark.
      if (of !== layout || live.size !== shown.size || [...live].some((key) => !shown.has(key))) {
        for (const element of document.querySelectorAll<SVGElement>("[data-wire]")) element.toggleAttribute("data-live", live.has(element.dataset.wire!));
        shown = live;
        of = layout;
      }
      const names = layout.actions.flatMap((a) => (actionsUntil.has(a.name) ? [a.name] : []));
      if (names.join("\n") !== told.join("\n")) told = names;
      return told;
    },
  };
}
