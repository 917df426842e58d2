"use client";
/** A screen with before and after over each other: arrows with their mm, as far along as the slider says. */
import type { PlayerCase } from "../../core/checks/grid";
import { editContextOf } from "../../core/editing/placing";
import type { Screen } from "../../core/format/types";
import { Compared } from "./Compared";
import { useSession } from "../document/SessionContext";
import type { Between } from "./LiveLayout";
import { DrawnScreen } from "./DrawnScreen";

/** The picture fits a drawer in the smallest window, CSS px. */
const ROOM = { w: 262, h: 190 };

export function SettledPicture({ screen, face, way }: { screen: Screen; face: PlayerCase; way: Between }) {
  const scale = Math.min(ROOM.w / screen.widthPx, ROOM.h / screen.heightPx);
  const moment = useSession((s) => s.playerView.moment);
  const view = { ...face, moment };
  return (
    <DrawnScreen screen={screen} player={face} between={way} scale={scale} of="Before and after">
      <Compared compared={way} context={editContextOf(way.is, screen, view)} scale={scale} withMm />
    </DrawnScreen>
  );
}
