"use client";
/** Draws the parts of the screen: frames, rounded corners, cut-outs, system edge strips, the mm grid, thumb reach, and the keep-clear zones. */
import { memo } from "react";
import type { Layout, Screen } from "../../core/format/types";
import { framesOf, pxPerMm } from "../../core/engine/placement/screen";
import { thumbPivots } from "../../core/editing/thumbs";
import type { ResolvedZone } from "../../core/engine/placement/resolve";
import type { Overlays } from "../canvas/overlays";
import { ON_GLASS } from "../canvas/tones";

const THIN = { fill: "none", vectorEffect: "non-scaling-stroke", pointerEvents: "none" } as const;

interface Props {
  readonly screen: Screen;
  readonly picture: Layout["picture"];
  readonly limits: Layout["limits"];
  readonly gridMm: number;
  readonly overlays: Overlays;
  readonly scale: number;
}

export const FrameLines = memo(
  function Frames({ screen, picture, gridMm, limits, overlays, scale }: Props) {
    const frames = framesOf(screen, picture);
    const { widthPx: w, heightPx: h, cornerPx } = screen;
    const words = { fontSize: 10 / scale, pointerEvents: "none" } as const;
    return (
      <g pointerEvents="none">
        {overlays.grid && <Grid w={w} h={h} step={gridMm * pxPerMm(screen)} />}
        {overlays.edges && <EdgeStrips screen={screen} scale={scale} />}
        {overlays.reach && <Reach screen={screen} limits={limits} scale={scale} />}
        {overlays.frames && (
          <>
            <rect
              x={frames.safe.x}
              y={frames.safe.y}
              width={frames.safe.w}
              height={frames.safe.h}
              stroke={ON_GLASS.ink}
              strokeOpacity={0.8}
              strokeDasharray="12 6"
              {...THIN}
              data-frame="safe"
            />
            {picture && (
              <>
                <rect
                  x={frames.picture.x}
                  y={frames.picture.y}
                  width={frames.picture.w}
                  height={frames.picture.h}
                  stroke={ON_GLASS.ink}
                  strokeOpacity={0.8}
                  strokeDasharray="10 4 2 4"
                  {...THIN}
                  data-frame="picture"
                />
                <text x={frames.picture.x + 5 / scale} y={frames.picture.y + frames.picture.h - 5 / scale} fill={ON_GLASS.ink} fillOpacity={0.7} {...words}>
                  picture
                </text>
              </>
            )}
            {cornerPx > 0 && (
              <rect x={0} y={0} width={w} height={h} rx={cornerPx} stroke={ON_GLASS.muted} strokeDasharray="2 2" {...THIN} data-frame="corners" />
            )}
            {screen.cutouts.map((c) => (
              <rect
                key={`${c.x} ${c.y}`}
                x={c.x}
                y={c.y}
                width={c.w}
                height={c.h}
                rx={Math.min(c.w, c.h) / 2}
                stroke={ON_GLASS.ink}
                {...THIN}
                fill="url(#cross)"
                data-frame="cut-out"
              />
            ))}
          </>
        )}
      </g>
    );
  },
  (a, b) =>
    a.screen === b.screen && a.picture === b.picture && a.limits === b.limits && a.gridMm === b.gridMm && a.overlays === b.overlays && a.scale === b.scale,
);

function Grid({ w, h, step }: { w: number; h: number; step: number }) {
  const lines: string[] = [];
  for (let x = step; x < w; x += step) lines.push(`M${x} 0V${h}`);
  for (let y = step; y < h; y += step) lines.push(`M0 ${y}H${w}`);
  return <path d={lines.join("")} stroke={ON_GLASS.ink} strokeOpacity={0.14} strokeWidth={1} {...THIN} data-overlay="grid" />;
}

function EdgeStrips({ screen, scale }: { screen: Screen; scale: number }) {
  const { widthPx: w, heightPx: h, edges } = screen;
  const strips = [
    ["left", 0, 0, edges.left, h],
    ["right", w - edges.right, 0, edges.right, h],
    ["top", 0, 0, w, edges.top],
    ["bottom", 0, h - edges.bottom, w, edges.bottom],
  ] as const;
  return (
    <g data-overlay="edges">
      {strips.map(([side, x, y, width, height]) =>
        width > 0 && height > 0 ? (
          <g key={side}>
            <rect x={x} y={y} width={width} height={height} fill="url(#strip)" stroke={ON_GLASS.muted} strokeWidth={1} vectorEffect="non-scaling-stroke" />
            {side === "bottom" && (
              <text x={w / 2} y={y - 4 / scale} textAnchor="middle" fontSize={10 / scale} fill={ON_GLASS.muted}>
                system swipes
              </text>
            )}
          </g>
        ) : null,
      )}
    </g>
  );
}

/** Draws the reach of the thumbs: comfortable solid, stretched dotted. */
function Reach({ screen, limits, scale }: { screen: Screen; limits: Layout["limits"]; scale: number }) {
  const mm = pxPerMm(screen);
  const { comfortMm, stretchMm } = limits;
  return (
    <g data-overlay="reach">
      <clipPath id="screen-clip">
        <rect x={0} y={0} width={screen.widthPx} height={screen.heightPx} />
      </clipPath>
      <g clipPath="url(#screen-clip)">
        {thumbPivots({ limits }, screen).map((p) => (
          <g key={p.x}>
            <circle cx={p.x} cy={p.y} r={comfortMm * mm} stroke={ON_GLASS.reach} strokeWidth={1.5} {...THIN} />
            <circle cx={p.x} cy={p.y} r={stretchMm * mm} stroke={ON_GLASS.reach} strokeWidth={1.5} strokeDasharray="1 4" strokeLinecap="round" {...THIN} />
            <text
              x={p.x + (p.x === 0 ? 1 : -1) * comfortMm * mm * 0.72}
              y={p.y - comfortMm * mm * 0.72}
              textAnchor={p.x === 0 ? "start" : "end"}
              fontSize={10 / scale}
              fill={ON_GLASS.reach}
            >
              {comfortMm} mm
            </text>
          </g>
        ))}
      </g>
    </g>
  );
}

/** Draws a keep-clear zone with its name. */
export function ZoneArea({ zone, name, taps, scale, widthPx }: { zone: ResolvedZone; name: string; taps: boolean; scale: number; widthPx: number }) {
  // Near the right edge, the name is right-aligned.
  const right = zone.x + zone.w / 2 > widthPx * 0.8;
  return (
    <g pointerEvents="none">
      <rect
        x={zone.x}
        y={zone.y}
        width={zone.w}
        height={zone.h}
        fill="url(#cross)"
        fillOpacity={0.7}
        stroke={ON_GLASS.clear}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
      <text
        x={right ? zone.x + zone.w : zone.x + 2 / scale}
        textAnchor={right ? "end" : "start"}
        y={zone.y + zone.h + 11 / scale}
        fontSize={10 / scale}
        fill={ON_GLASS.clear}
      >
        {name}
        {taps ? " · takes taps" : ""}
      </text>
    </g>
  );
}
