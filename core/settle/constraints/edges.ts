/** `touch/edge`: sticks and ground stay out of the strips at the edges in which the system takes swipes for itself. */
import { KINDS } from "../../engine/kinds";
import { commonArea } from "../../engine/geometry/commonArea";
import { areaOf, type Shape } from "../../engine/geometry/shape";
import type { PlacedControl } from "../problem/scenarioData";
import type { Scenario } from "../problem/scenarios";
import { areaOn, areaPlace, boxTerms, ofControl, targetFor, type Constraint, type ConstraintContext } from "./constraint";
import { shareContactAlong } from "./contact";
import { SHARE_MARGIN } from "./sharing";

/** The edge strips of a screen, mm. */
function stripsOf({ screen, frames, mm }: Scenario): Shape[] {
  const { w, h } = frames.screen;
  const [left, top, right, bottom] = [screen.edges.left / mm, screen.edges.top / mm, screen.edges.right / mm, screen.edges.bottom / mm];
  const strips: Shape[] = [
    { shape: "box", x: 0, y: 0, w: left, h },
    { shape: "box", x: w - right, y: 0, w: right, h },
    { shape: "box", x: 0, y: 0, w, h: top },
    { shape: "box", x: 0, y: h - bottom, w, h: bottom },
  ];
  return strips.filter((strip) => strip.w > 0 && strip.h > 0);
}

export function* edgeConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const placed of context.data.controls) if (KINDS[placed.control.kind].isDragged) yield* outOfStrips(context, placed);
}

function* outOfStrips(context: ConstraintContext, placed: PlacedControl): Iterable<Constraint> {
  const target = targetFor(context, "touch/edge", [placed.control.id]);
  const area = areaOn(context.numbers, placed);
  const whole = areaOf(area);
  if (!(whole > 0)) return;
  const allowed = target.measure - (target.kept ? 0 : SHARE_MARGIN);
  const strips = stripsOf(context.data.scenario);
  const parts = strips.map((strip) => commonArea(area, strip) / whole);
  const all = parts.reduce((a, b) => a + b, 0);
  if (context.brief && all <= allowed) return;
  for (const [i, strip] of strips.entries()) {
    // Several strips divide the allowed share in the ratio of what they cover now.
    const share = all > 0 ? allowed * Math.max(0.25, parts[i] / all) : allowed / 2;
    const inward = { x: strip.w < strip.h ? (strip.x > 0 ? 1 : -1) : 0, y: strip.w < strip.h ? 0 : strip.y > 0 ? 1 : -1 };
    const contact = shareContactAlong(area, strip, { of: "a", share }, inward);
    if (contact) yield ofControl(context, placed, "touch/edge", { target, value: contact.value, terms: boxTerms(areaPlace(placed), contact.a) });
  }
}
