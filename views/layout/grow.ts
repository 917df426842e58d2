/** Making things on the glass: a control, a cluster or a zone is put into the layout, selected, and a control's kind offered for choice. */
import type { Box, Point } from "../../core/engine/geometry/point";
import { addZone } from "../../core/editing/edits/zones";
import type { Action, Layout } from "../../core/format/types";
import { growFree, placedFree } from "../../core/checks/growFree";
import { findingsAbout } from "../../core/checks/findingsAbout";
import { inCluster } from "../../core/editing/placeables";
import { pinFor, type EditContext } from "../../core/editing/placing";
import { fittingKind, growControl, growTogether, type Together } from "../../core/editing/make";
import { framesOf, pxPerMm } from "../../core/engine/placement/screen";
import { ok, refused, type Result } from "../../core/engine/result";
import { madeOn } from "../../core/versions/merge";
import type { Session } from "../document/session";
import { startPoint } from "../document/startPoint";
import { placeFor, tellAbout } from "../document/newControls";
import { setBench } from "./bench";

/** Adds what was grown in a context, selects it, remembers a control for the choice of its kind, and reports what is found of it on any screen of the rail. */
export function growInto(
  session: Session,
  context: Pick<EditContext, "layout" | "screen">,
  grown: Result<{ layout: Layout; id: string }>,
  label: string,
): boolean {
  const { layout: from, screen } = context;
  if (!grown.ok) return session.edit(label, madeOn(from, grown));
  const { layout, id } = grown.value;
  if (!session.edit(label, madeOn(from, ok(layout)))) return false;
  session.select([id]);
  const isControl = layout.controls.some((c) => c.id === id);
  setBench(session, { grown: isControl ? id : null });
  const { screens, players } = placeFor({ layout, screen });
  tellAbout(session, layout, findingsAbout(layout, isControl ? [id] : inCluster(layout, id, null), screens, players));
  return true;
}

/** Grows one action's control, or what several become together (without `as` the likeliest), at a point; at none given where the thumb that will most likely want it lies, clear of others. */
export function growActions(session: Session, context: EditContext, actions: readonly Action[], { at, as }: { at: Point | null; as?: Together }): boolean {
  const [action] = actions;
  const home = startPoint(context, fittingKind(action.kind));
  const place = placeFor(context);
  if (actions.length === 1) {
    const grown = at ? growControl(context, { kind: null, action, at }) : growFree(context, { kind: null, action, at: home }, place);
    return growInto(session, context, grown, `grow ${action.name}`);
  }
  const grown = growTogether(context, actions, at ?? home, as);
  if (!grown.ok) return growInto(session, context, grown, "grow controls");
  const { layout, id } = grown.value;
  const isCluster = layout.clusters.some((cluster) => cluster.id === id);
  if (!isCluster)
    return growInto(session, context, at ? grown : ok({ id, ...placedFree(context, layout, { key: id, ids: [id] }, place) }), `grow ${actions.length} actions`);
  const inside = inCluster(layout, id, context.resolved.arrangement);
  return growInto(session, context, ok({ id, ...placedFree(context, layout, { key: id, ids: inside }, place) }), `grow ${actions.length} controls`);
}

/** A new zone's size, mm. */
const ZONE_MM = { w: 24, h: 10 } as const;

/** Adds a keep-clear zone in a box that was drawn, or about a point. */
export function growZone(session: Session, context: EditContext, at: Point | Box): void {
  const mm = pxPerMm(context.screen);
  const { safe } = framesOf(context.screen);
  const about = (p: Point): Box => ({
    x: Math.max(safe.x, p.x - (ZONE_MM.w * mm) / 2),
    y: Math.max(safe.y, p.y - (ZONE_MM.h * mm) / 2),
    w: ZONE_MM.w * mm,
    h: ZONE_MM.h * mm,
  });
  const placement = pinFor(context, "zone", "safe", "w" in at ? at : about(at));
  if (!placement) {
    return session.tellRefusal(refused("", "this screen has no room for a zone: its safe frame is empty"));
  }
  const made = addZone(context.layout, placement as Parameters<typeof addZone>[1]);
  growInto(session, context, made, "add a keep-clear zone");
}
