/** Where something is and where it takes touches, as rows of the sheet: computed as drawn, where a px is a unit. */
import { drawnFor } from "../versions/compare";
import { nameById } from "../derived/byId";
import { resolvedOn } from "../derived/resolved";
import { centreOf, type Box } from "../engine/geometry/point";
import { PLAIN_PLAYER_VIEW, type Resolved, type ResolvedControl } from "../engine/placement/resolve";
import { framesOf } from "../engine/placement/screen";
import type { Arrangement, Control, Frame, Layout, Placement } from "../format/types";
import { number, pair, row, units, type SheetRow } from "./sheetRow";

/** Where things are as drawn: on a screen with as many px as the reference has units, so that a px is a unit. */
export interface DesignPlaces {
  readonly layout: Layout;
  readonly resolved: Resolved;
}

/** A layout as drawn, by its base alone (null) or under one arrangement, whatever screen that is for. */
export function drawn(layout: Layout, arrangement: Arrangement | null): DesignPlaces {
  // The base by itself, or one arrangement alone and always.
  const alone = { ...layout, arrangements: arrangement === null ? [] : [{ ...arrangement, when: {} }] };
  return { layout: alone, resolved: resolvedOn(alone, drawnFor(layout), PLAIN_PLAYER_VIEW) };
}

const frameWords = (frame: Frame, layout: Layout): string => (typeof frame === "string" ? `${frame} frame` : `cluster ${nameById(layout, frame.cluster)}`);

function frameBox(frame: Frame, { layout, resolved }: DesignPlaces): Box {
  if (typeof frame === "string") return framesOf(resolved.screen, layout.picture)[frame];
  return Object.hasOwn(resolved.clusters, frame.cluster) ? resolved.clusters[frame.cluster] : { x: 0, y: 0, w: 0, h: 0 };
}

/** A fraction down as one up. */
const turned = (fraction: number): number => 1 - fraction;

/** Where something is: `box` is where it came to. */
export function placeRows(placement: Placement, box: Box, on: DesignPlaces): SheetRow[] {
  const frame = frameBox(placement.frame, on);
  const size = row("place", "size", `${units(box.w)} × ${units(box.h)}`, placement.kind === "pin" ? placement.size.join(" × ") : "");
  const tied = row("place", "frame", frameWords(placement.frame, on.layout));
  if (placement.kind === "span") {
    const { from, to, inset } = placement;
    const both = (field: string, [x, y]: readonly [number, number]): SheetRow => ({
      part: "place",
      field,
      down: pair(x, y),
      up: pair(x, turned(y)),
      written: "",
    });
    return [
      tied,
      both("spans from", from),
      both("spans to", to),
      row("place", "inset left, top, right, bottom", [inset.left, inset.top, inset.right, inset.bottom].join(", ")),
      size,
    ];
  }
  const { anchor, pivot, offset, clamp } = placement;
  const dx = box.x + pivot[0] * box.w - frame.x - anchor[0] * frame.w;
  const dy = box.y + pivot[1] * box.h - frame.y - anchor[1] * frame.h;
  return [
    tied,
    { part: "place", field: "anchor x, y", down: pair(...anchor), up: pair(anchor[0], turned(anchor[1])), written: "" },
    { part: "place", field: "pivot x, y", down: pair(...pivot), up: pair(pivot[0], turned(pivot[1])), written: "" },
    { part: "place", field: "offset x, y", down: pair(dx, dy, units), up: pair(dx, -dy, units), written: offset.join(", ") },
    size,
    ...(clamp?.minMm === undefined ? [] : [row("place", "shorter side at least", `${number(clamp.minMm)} mm`)]),
    ...(clamp?.maxMm === undefined ? [] : [row("place", "shorter side at most", `${number(clamp.maxMm)} mm`)]),
  ];
}

/** Where a control takes touches. */
export function touchRows({ hit }: Control, at: ResolvedControl, { screen }: Resolved): SheetRow[] {
  const [seen, area] = [centreOf(at.visual), centreOf(at.hit)];
  const [sx, sy] = [area.x - seen.x, area.y - seen.y];
  const { landing } = at;
  return [
    row("touch", "hit area", `${hit.shape}, ${units(at.hit.w)} × ${units(at.hit.h)}`),
    ...(sx !== 0 || sy !== 0
      ? [{ part: "touch" as const, field: "its centre from the control's", down: pair(sx, sy, units), up: pair(sx, -sy, units), written: hit.shift.join(", ") }]
      : []),
    ...(hit.minMm > 0 ? [row("touch", "each side at least", `${number(hit.minMm)} mm`)] : []),
    row("touch", "touches", hit.sharing === "own" ? "kept from what lies below" : "shared with what lies below"),
    ...(landing
      ? [
          {
            part: "touch" as const,
            field: "landing area x, y",
            down: pair(landing.x, landing.y, units),
            up: pair(landing.x, screen.heightPx - landing.y - landing.h, units),
            written: "",
          },
          row("touch", "landing area size", `${units(landing.w)} × ${units(landing.h)}`),
        ]
      : []),
  ];
}
