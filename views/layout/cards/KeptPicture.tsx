"use client";
/** What a control keeps, as a picture that moves with the slider: the same control on the smallest, the open and the largest screen of the rail. */
import { keptSizes, threeScreens, type KeptSize } from "../../../core/derived/keptSizes";
import type { EditContext } from "../../../core/editing/placing";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { railOf } from "../../document/railScreens";

const WIDE = 194;
const HIGH = 70;
const GAP = 8;

export function KeptPicture({ context: { layout, screen } }: { context: EditContext }) {
  const control = layout.controls.find((c) => c.placement.kind === "pin" && typeof c.placement.frame === "string") ?? layout.controls.at(0);
  if (!control) return null;
  const sizes = keptSizes(layout, control.id, threeScreens(railOf(layout), screen));
  const scale = Math.min(
    (WIDE - GAP * Math.max(0, sizes.length - 1)) / sizes.reduce((sum, s) => sum + s.screenMm.w, 1e-6),
    HIGH / Math.max(1e-6, ...sizes.map((s) => s.screenMm.h)),
  );
  const told = sizes.map((s) => `${s.screen} ${figures(s)}`).join("; ");
  return (
    <div
      className="grid gap-0.5"
      role="img"
      aria-label={`${control.name} from screen to screen`}
      {...readingProps(says("scale.picture", { control: control.name, sizes: told }))}
    >
      <span className="field-name">
        <span className="figure">{control.name}</span> on the smallest, the current and the largest screen
      </span>
      <div className="flex items-end justify-between gap-1">
        {sizes.map((size) => (
          <Device key={size.screen} size={size} scale={scale} />
        ))}
      </div>
    </div>
  );
}

const figures = ({ mm, part }: KeptSize) => `${mm.toFixed(1)} mm, ${(part * 100).toFixed(0)} %`;

function Device({ size, scale }: { size: KeptSize; scale: number }) {
  const { box, screenMm } = size;
  return (
    <span className="grid justify-items-center gap-0.5" data-kept={size.screen}>
      <span className="grid h-[4.4rem] items-end">
        <svg className="overflow-visible" width={screenMm.w * scale} height={screenMm.h * scale} viewBox={`0 0 ${screenMm.w} ${screenMm.h}`} aria-hidden>
          <rect width={screenMm.w} height={screenMm.h} fill="var(--paper)" stroke="var(--ink)" vectorEffect="non-scaling-stroke" />
          <ellipse
            cx={box.x + box.w / 2}
            cy={box.y + box.h / 2}
            rx={box.w / 2}
            ry={box.h / 2}
            fill="var(--accent)"
            fillOpacity={0.25}
            stroke="var(--accent)"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
      </span>
      <span className="figure text-[0.6875rem]">{size.mm.toFixed(1)} mm</span>
      <span className="figure text-[0.6875rem] text-muted">{(size.part * 100).toFixed(0)} %</span>
    </span>
  );
}
