"use client";
/** A screen of Settle drawn small, with what is to be seen over it and its name below. */
import type { ReactNode } from "react";
import type { PlayerCase } from "../../core/checks/grid";
import type { Screen } from "../../core/format/types";
import { LiveLayout, type Between } from "./LiveLayout";
import { scenarioName } from "../document/settle/settleWords";

interface Props {
  readonly screen: Screen;
  readonly player: PlayerCase;
  readonly between: Between;
  /** CSS px a px of the screen. */
  readonly scale: number;
  /** What the picture is of, before the name of the scenario. */
  readonly of: string;
  /** Drawn over it, in px of the screen. */
  readonly children: ReactNode;
}

export function DrawnScreen({ screen, player, between, scale, of, children }: Props) {
  const name = scenarioName({ screen, player });
  const [width, height] = [screen.widthPx * scale, screen.heightPx * scale];
  return (
    <figure className="grid content-start justify-items-center gap-0.5">
      <span className="relative block" style={{ width, height }}>
        <LiveLayout screen={screen} scale={scale} label={`${of} on ${name}`} face={player} between={between} />
        <svg aria-hidden className="absolute inset-0 overflow-hidden" width={width} height={height} viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`}>
          {children}
        </svg>
      </span>
      <figcaption className="caption" style={{ maxWidth: Math.max(width, 150) }}>
        {name}
      </figcaption>
    </figure>
  );
}
