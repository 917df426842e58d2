/** Zooms the glass to what is selected. */
import { boundsOf } from "../../core/editing/align";
import type { EditContext } from "../../core/editing/placing";
import { clampTo } from "../../core/engine/geometry/point";
import { boxesOf } from "../interaction/targets";
import { fitScale } from "../canvas/useRoom";
import type { Session } from "../document/session";
import { benchStore, setBench, ZOOM_RANGE } from "./bench";
import { GLASS_MARGIN } from "./glassScale";

/** What is zoomed to takes this part of the room, so that its neighbours are seen about it. */
const PART = 0.5;

/** As near as what is selected fills the room, its middle in the middle. Without anything shown of it nothing happens. */
export function zoomToSelection(session: Session, context: EditContext, keys: readonly string[]): void {
  const bounds = boundsOf(boxesOf(context, keys));
  const { room } = benchStore(session).getState();
  if (!bounds || room.w === 0) return;
  const { widthPx, heightPx } = context.screen;
  const fit = fitScale(room, context.screen, GLASS_MARGIN);
  const wanted = PART * Math.min(room.w / Math.max(1, bounds.w), room.h / Math.max(1, bounds.h));
  const factor = clampTo(wanted / fit, ZOOM_RANGE.least, ZOOM_RANGE.most);
  const scale = fit * factor;
  setBench(session, {
    zoom: { mode: "free", factor },
    pan: { x: (widthPx / 2 - bounds.x - bounds.w / 2) * scale, y: (heightPx / 2 - bounds.y - bounds.h / 2) * scale },
  });
}
