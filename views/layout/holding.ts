/** Holding all screens while something is dragged: the drag stops, or gives way, where it would break one of the rail; the reading line says which and why. */
import { brokenBy, holdScreens, allowedWay, type Broken, type GoodWay, type ScreenHold } from "../../core/checks/screenHold";
import { sayNames } from "../../core/checks/say";
import type { Point } from "../../core/engine/geometry/point";
import { ok, type Result } from "../../core/engine/result";
import type { Layout } from "../../core/format/types";
import { sayOnLine } from "../reading/watch";
import { benchScreenOf, railOf } from "../session/screens";
import type { Session } from "../session/session";
import { benchStore, setBench } from "./bench";

/** The screens that are held, as the player in view sees them: that on the bench first, then the rail. */
function heldNow(session: Session): ScreenHold {
  const { layout, playerView } = session.store.getState();
  return holdScreens(layout, [...new Set([benchScreenOf(layout), ...railOf(layout)])], playerView);
}

/** Says what holds, or that nothing does any more. */
function tell(layout: Layout, broken: Broken | null): void {
  const before = benchStore.getState().heldBy;
  if (!broken) {
    if (before === null) return;
    setBench({ heldBy: null });
    return sayOnLine(null);
  }
  if (before !== broken.screen.name) setBench({ heldBy: broken.screen.name });
  const [why] = broken.finding.word(sayNames(layout)).split(";");
  sayOnLine(`Held by ${broken.screen.name}: ${why.replaceAll("`", "").replace(` on ${broken.screen.name}`, "")}.`);
}

/** A drag on the glass that may be held. */
export interface Holding {
  /** A drag begins: what is found now may stay, and nothing more may come. */
  begin(): void;
  /** An edit so far along its way; what comes of it. */
  preview(edit: (way: Point) => Result<Layout>, way: Point): Result<Layout>;
  /** What belongs to the drag after its last preview; where it would break a screen, the layout without it. */
  follow(now: Layout, after: Result<Layout>): Result<Layout>;
  end(): void;
}

/** Holds the drags of a glass, while that is switched on. */
export function createHolding(session: Session): Holding {
  let drag: { readonly held: ScreenHold; last: GoodWay } | null = null;
  return {
    begin() {
      const { layout } = session.store.getState();
      drag = benchStore.getState().holds ? { held: heldNow(session), last: { way: { x: 0, y: 0 }, version: layout } } : null;
    },
    preview(edit, way) {
      if (!drag) return edit(way);
      const made = allowedWay(drag.held, edit, drag.last, way);
      if (!made.ok) return made;
      drag.last = made.value;
      tell(drag.held.layout, made.value.broken);
      return ok(made.value.version);
    },
    follow: (now, after) => (drag && after.ok && brokenBy(drag.held, after.value) ? ok(now) : after),
    end() {
      if (drag) setBench({ heldBy: null });
      drag = null;
    },
  };
}

/** Whether an edit by key may be made; where it may not, the line says which screen holds it. */
export function isHeldBack(session: Session, edit: () => Result<Layout>): boolean {
  if (!benchStore.getState().holds) return false;
  const made = edit();
  const held = heldNow(session);
  const broken = made.ok ? brokenBy(held, made.value) : null;
  if (broken) tell(held.layout, broken);
  else tell(held.layout, null);
  return broken !== null;
}

/** Switches it on or off, and says so. */
export function switchHolding(): void {
  const holds = !benchStore.getState().holds;
  setBench({ holds, heldBy: null });
  sayOnLine(holds ? "All screens are held: a drag stops or gives way where it would break one of the rail." : "Screens are not held any more.");
}
