"use client";
/** The border of a region of the bench: dragged, or moved by the arrow keys; a double click gives the region its usual size. */
import { useRef } from "react";
import { readingProps } from "../../ui/reading";
import { useDrag } from "../interaction/useDrag";
import { says } from "../shell/reading/sentences";
import { REGIONS, remPx, sizeRegion, useRegions, type Region } from "./regions";
import { useSessionActions } from "../document/SessionContext";

interface Props {
  readonly region: Region;
  /** Where the region lies from its border. */
  readonly side: "below" | "left" | "right";
  /** What the region is called. */
  readonly word: string;
}

/** One step of an arrow key, rem. */
const STEP = 1;

export function Border({ region, side, word }: Props) {
  const session = useSessionActions();
  const line = useRef<HTMLDivElement>(null);
  const size = useRegions()[region];
  const follow = useDrag();
  const across = side === "below";
  /** The region's size as it is drawn, rem. */
  const sizeNow = () => {
    const box = line.current?.parentElement?.getBoundingClientRect();
    return box ? (across ? box.height : box.width) / remPx() : REGIONS[region].least;
  };
  const outward = side === "left" ? 1 : -1;
  return (
    <div
      ref={line}
      role="separator"
      tabIndex={0}
      aria-label={`Border of ${word}`}
      aria-orientation={across ? "horizontal" : "vertical"}
      aria-valuemin={REGIONS[region].least}
      aria-valuemax={REGIONS[region].most}
      aria-valuenow={Math.round(size ?? REGIONS[region].usual)}
      aria-valuetext={`${Math.round(size ?? REGIONS[region].usual)} rem`}
      data-border={region}
      className={`absolute z-20 touch-none hover:bg-accent/40 focus-visible:bg-accent ${
        across ? "inset-x-0 -top-[3px] h-[7px] cursor-row-resize" : `inset-y-0 w-[7px] cursor-col-resize ${side === "left" ? "-right-[3px]" : "-left-[3px]"}`
      }`}
      {...readingProps(says("region.border"), word)}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.preventDefault();
        const from = sizeNow();
        follow(event, {
          thresholdPx: 0,
          onMove: ({ from: start, at }) => sizeRegion(session, region, from + (outward * (across ? at.y - start.y : at.x - start.x)) / remPx()),
          onDrop: () => undefined,
          onAbandon: () => sizeRegion(session, region, from),
        });
      }}
      onDoubleClick={() => sizeRegion(session, region, null)}
      onKeyDown={(event) => {
        const way = across ? { ArrowUp: -1, ArrowDown: 1 }[event.key] : { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (way === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        sizeRegion(session, region, sizeNow() + outward * way * STEP);
      }}
    />
  );
}
