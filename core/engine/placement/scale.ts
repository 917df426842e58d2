/** The one scale of a layout: what a layout unit comes to on a screen. */
import type { Scale, Screen } from "../types";
import { pxPerMm } from "./screen";

/** How a screen's size compares with the reference, by the side the layout goes by. */
export function sizeRatio(of: Scale["of"], widthPx: number, heightPx: number, reference: { width: number; height: number }): number {
  const { width, height } = reference;
  switch (of) {
    case "shorter":
      return Math.min(widthPx, heightPx) / Math.min(width, height);
    case "longer":
      return Math.max(widthPx, heightPx) / Math.max(width, height);
    case "area":
      return Math.sqrt((widthPx * heightPx) / (width * height));
    case "width":
      return widthPx / width;
    case "height":
      return heightPx / height;
    case "inside":
      return Math.min(widthPx / width, heightPx / height);
    case "outside":
      return Math.max(widthPx / width, heightPx / height);
  }
}

/** Pixels a layout unit: (mmPerUnit·ppi/25.4)^(1−q) · r^q (model.md section 1). At share q = 0 a unit keeps its millimetres, at 1 its share of the screen. */
export function unitPx(scale: Scale, reference: { width: number; height: number }, screen: Screen): number {
  const q = scale.share;
  const byMm = scale.mmPerUnit * pxPerMm(screen);
  const byShare = sizeRatio(scale.of, screen.widthPx, screen.heightPx, reference);
  if (q === 0) return byMm;
  if (q === 1) return byShare;
  return Math.pow(byMm, 1 - q) * Math.pow(byShare, q);
}
