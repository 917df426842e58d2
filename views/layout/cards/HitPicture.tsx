"use client";
/** The hit area about the visual box as a small live picture: its edge is dragged to grow it, its middle to shift it. */
import { KINDS } from "../../../core/engine/kinds";
import { useRef } from "react";
import { clampTo } from "../../../core/engine/geometry/point";
import { formatLength, lengthOf } from "../../../core/engine/placement/length";
import type { Control, Hit } from "../../../core/format/types";
import { convertLength, ownMeasure, pxOf, type EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { LivePart, LivePicture, PICTURE } from "../../canvas/LiveParts";
import { readingOf } from "../../fields/form/entries";
import { TOUCH } from "./touchFields";
import { ShapePath } from "../../canvas/Areas";

interface Props {
  readonly context: EditContext;
  readonly control: Control;
  readonly hit: Hit;
  readonly at: ResolvedControl;
  readonly onHit: (change: Partial<Hit>) => void;
}

/** The visual box takes this share of the picture, so that there is room to grow into. */
const PART = 0.5;

export function HitPicture({ context, control, hit, at, onHit }: Props) {
  const session = useSessionActions();
  const svg = useRef<SVGSVGElement>(null);
  const mm = pxPerMm(context.screen);
  const { visual, k } = at;
  const scale = (PICTURE * PART) / Math.max(visual.w, visual.h, 1);
  const toPicture = (box: { x: number; y: number; w: number; h: number }) => ({
    x: PICTURE / 2 + (box.x - visual.x - visual.w / 2) * scale,
    y: PICTURE / 2 + (box.y - visual.y - visual.h / 2) * scale,
    w: box.w * scale,
    h: box.h * scale,
  });
  /** A length of the control itself for px on the screen, in the unit the old one has. */
  const lengthFor = (px: number, old: string) => {
    const { unit } = lengthOf(old);
    return convertLength(formatLength(px / k, "px"), unit, ownMeasure(context, at));
  };
  const px = (length: string) => pxOf(length, ownMeasure(context, at));
  const base = hit.size ? px(hit.size[0]) : visual.w;
  const mirror = context.playerView.handed === "left" ? -1 : 1;
  const now = toPicture(at.hit);
  const own = toPicture(visual);
  const grow = px(hit.grow);
  const [sx, sy] = [px(hit.shift[0]), px(hit.shift[1])];
  const drag = { onStart: () => session.begin(`hit area of ${control.name}`), onEnd: () => session.commit(), onCancel: () => session.cancel() };
  const middle = { x: now.x + now.w / 2, y: now.y + now.h / 2 };
  return (
    <LivePicture label="Hit area" svg={svg} reads={says("touch.picture")}>
      <defs>
        <pattern id="hatch-small" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--hit)" strokeWidth={1} />
        </pattern>
      </defs>
      <ShapePath shape={{ ...now, shape: at.hit.shape }} fill="url(#hatch-small)" stroke="var(--hit)" pointerEvents="none" />
      <ShapePath shape={{ ...own, shape: KINDS[control.kind].isField ? "box" : "ellipse" }} fill="none" stroke="var(--ink)" pointerEvents="none" />
      <LivePart
        label="Growth of the hit area"
        part="grow"
        reads={readingOf(TOUCH.grow, { mm: `${(grow / mm).toFixed(1)} mm` })}
        svg={svg}
        value={grow / mm}
        min={-20}
        max={40}
        text={`${(grow / mm).toFixed(1)} mm`}
        drag={drag}
        cursor="ew-resize"
        onMove={(p) => onHit({ grow: lengthFor(clampTo(Math.abs(p.x - middle.x) / scale - base / 2, -base / 2, base * 3), hit.grow) })}
        onStep={(x, y) => onHit({ grow: lengthFor(grow + (x + y) * 0.1 * mm, hit.grow) })}
      >
        <rect x={now.x + now.w - 6} y={middle.y - 10} width={12} height={20} fill="transparent" />
        <rect x={now.x + now.w - 3} y={middle.y - 3} width={6} height={6} fill="var(--sheet)" stroke="var(--hit)" strokeWidth={1.5} />
      </LivePart>
      <LivePart
        label="Shift of the hit area"
        part="shift"
        reads={readingOf(TOUCH.shiftX, { mm: `${(sx / mm).toFixed(1)} mm` })}
        svg={svg}
        value={sx / mm}
        min={-50}
        max={50}
        text={`${(sx / mm).toFixed(1)} mm across, ${(sy / mm).toFixed(1)} mm down`}
        drag={drag}
        cursor="move"
        onMove={(p) =>
          onHit({ shift: [lengthFor((mirror * (p.x - PICTURE / 2)) / scale, hit.shift[0]), lengthFor((p.y - PICTURE / 2) / scale, hit.shift[1])] })
        }
        onStep={(x, y) => onHit({ shift: [lengthFor(sx + x * 0.1 * mm, hit.shift[0]), lengthFor(sy - y * 0.1 * mm, hit.shift[1])] })}
      >
        <circle cx={middle.x} cy={middle.y} r={9} fill="transparent" />
        <path d={`M${middle.x - 4} ${middle.y}h8M${middle.x} ${middle.y - 4}v8`} stroke="var(--hit)" strokeWidth={1.5} />
      </LivePart>
    </LivePicture>
  );
}
