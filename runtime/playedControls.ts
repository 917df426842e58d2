/** Controls as a game draws them itself: CSS px from the top left of the element. */
import { KINDS } from "../core/engine/kinds";
import type { Box } from "../core/engine/geometry/point";
import { touchArea } from "../core/engine/input/ready";
import type { Resolved } from "../core/engine/placement/resolve";
import type { DrawnControl } from "./draw/drawn";
import type { PlayedControl } from "./handle";

interface ControlsParts {
  readonly resolved: Resolved;
  readonly drawn: readonly DrawnControl[];
  readonly scale: number;
  readonly strength: number;
}

export function playedControls({ resolved, drawn, scale, strength }: ControlsParts): PlayedControl[] {
  const css = ({ x, y, w, h }: Box): Box => ({ x: x * scale, y: y * scale, w: w * scale, h: h * scale });
  const places = new Map(resolved.controls.map((at) => [at.id, at]));
  return drawn.map(({ control, box, travel, pose, given }) => {
    const at = places.get(control.id)!;
    const { look } = control;
    const base = pose.origin ?? { x: box.x + box.w / 2, y: box.y + box.h / 2 };
    const knob = KINDS[control.kind].hasKnob ? { x: base.x + pose.x * travel, y: base.y - pose.y * travel } : base;
    const face = pose.held ? look.held : look.rest;
    const gone = !pose.held && pose.away && look.away ? face.opacity + (look.away.opacity - face.opacity) * pose.away : face.opacity;
    return {
      id: control.id,
      kind: control.kind,
      visual: css(box),
      hit: css(touchArea(at)),
      base: { x: base.x * scale, y: base.y * scale },
      knob: { x: knob.x * scale, y: knob.y * scale },
      held: pose.held,
      opacity: gone * strength,
      turn: control.kind === "dial" ? pose.x : 0,
      picture: (pose.held ? (look.art?.held ?? look.art?.rest) : look.art?.rest) ?? null,
      state: given ?? null,
    };
  });
}
