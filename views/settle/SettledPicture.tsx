"use client";
/** A screen with before and after over each other: arrows with their mm, as far along as the slider says. */
import type { Face } from "../../core/checks/grid";
import { editContextOf } from "../../core/editing/placing";
import type { Screen } from "../../core/format/types";
import { Compared } from "../layout/Compared";
import { useSession } from "../session/context";
import { LiveLayout, type Between } from "../shared/LiveLayout";
import { facedName } from "./settleWords";

/** The picture fits a drawer in the smallest window, CSS px. */
const ROOM = { w: 262, h: 190 };

export function SettledPicture({ screen, face, way }: { screen: Screen; face: Face; way: Between }) {
  const scale = Math.min(ROOM.w / screen.widthPx, ROOM.h / screen.heightPx);
  const moment = useSession((s) => s.playerView.moment);
  const view = { ...face, moment };
  const words = facedName({ screen, face });
  return (
    <figure className="grid justify-items-center gap-0.5">
      <span className="relative block" style={{ width: screen.widthPx * scale, height: screen.heightPx * scale }}>
        <LiveLayout screen={screen} scale={scale} label={`Before and after on ${words}`} face={face} between={way} />
        <svg
          aria-hidden
          className="absolute inset-0 overflow-visible"
          width={screen.widthPx * scale}
          height={screen.heightPx * scale}
          viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`}
        >
          <Compared compared={way} context={editContextOf(way.is, screen, view)} scale={scale} withMm />
        </svg>
      </span>
      <figcaption className="caption">{words}</figcaption>
    </figure>
  );
}
