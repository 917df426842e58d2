/**
 * Twenty-four classes of screens as they exist on the market, without names of makers. Each is given upright, with what
 * changes when it is turned; `screenOf` gives either orientation. px and insets are device pixels.
 */
import type { Screen } from "../format/types";

/** A class of screens, upright. `notchPx`: what the system keeps free at the top; `homePx`: at the bottom, upright and turned. */
export interface ScreenClass {
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly cornerPx: number;
  readonly insets: { readonly top: number; readonly bottom: number };
  readonly insetsTurned: Sides;
  readonly cutouts: readonly { readonly x: number; readonly y: number; readonly w: number; readonly h: number }[];
  readonly edges: Sides;
  readonly edgesTurned: Sides;
}
interface Sides {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

const sides = (left: number, top: number, right: number, bottom: number): Sides => ({ left, top, right, bottom });
const NONE = sides(0, 0, 0, 0);

/** A class without anything at its edges. */
function bare(name: string, widthPx: number, heightPx: number, { ppi, edgePx = 0 }: { readonly ppi: number; readonly edgePx?: number }): ScreenClass {
  const edges = edgePx > 0 ? sides(0, edgePx, 0, edgePx) : NONE;
  return { name, widthPx, heightPx, ppi, cornerPx: 0, insets: { top: 0, bottom: 0 }, insetsTurned: NONE, cutouts: [], edges, edgesTurned: edges };
}

interface Rounded {
  readonly ppi: number;
  readonly cornerPx: number;
  /** The cut-out in the middle of the top: width, height, distance from the top. */
  readonly cutout: readonly [w: number, h: number, y: number];
  readonly top: number;
  readonly home: number;
  /** Turned: what is kept free at both ends, and at the bottom. */
  readonly ends: readonly [left: number, right: number];
  readonly homeTurned: number;
  /** Strips from which the system takes swipes: at the sides (going back) and at the bottom (going home). */
  readonly back: number;
  readonly homeSwipe: number;
}

function phone(name: string, widthPx: number, heightPx: number, r: Rounded): ScreenClass {
  const [w, h, y] = r.cutout;
  return {
    name,
    widthPx,
    heightPx,
    ppi: r.ppi,
    cornerPx: r.cornerPx,
    insets: { top: r.top, bottom: r.home },
    insetsTurned: sides(r.ends[0], 0, r.ends[1], r.homeTurned),
    cutouts: w > 0 ? [{ x: (widthPx - w) / 2, y, w, h }] : [],
    edges: sides(r.back, 0, r.back, r.homeSwipe),
    edgesTurned: sides(r.back, 0, r.back, r.homeSwipe),
  };
}

/** The catalogue. Sizes: px and ppi of screens sold since 2014; insets and strips as their systems report them to full-screen games. */
export const SCREEN_CLASSES: readonly ScreenClass[] = [
  bare("Small phone 16:9", 750, 1334, { ppi: 326, edgePx: 26 }),
  bare("Phone 16:9", 1080, 1920, { ppi: 441, edgePx: 48 }),
  bare("Budget phone 18:9", 720, 1440, { ppi: 295, edgePx: 36 }),
  phone("Tall phone 18.5:9", 1440, 2960, {
    ppi: 568,
    cornerPx: 120,
    cutout: [0, 0, 0],
    top: 0,
    home: 0,
    ends: [0, 0],
    homeTurned: 0,
    back: 84,
    homeSwipe: 112,
  }),
  phone("Small tall phone 19.5:9, notch", 1080, 2340, {
    ppi: 476,
    cornerPx: 132,
    cutout: [480, 96, 0],
    top: 132,
    home: 93,
    ends: [132, 132],
    homeTurned: 60,
    back: 0,
    homeSwipe: 60,
  }),
  phone("Tall phone 19.5:9, notch", 1170, 2532, {
    ppi: 460,
    cornerPx: 142,
    cutout: [484, 97, 0],
    top: 141,
    home: 102,
    ends: [141, 141],
    homeTurned: 63,
    back: 0,
    homeSwipe: 63,
  }),
  phone("Large tall phone 19.5:9, cut-out", 1290, 2796, {
    ppi: 460,
    cornerPx: 165,
    cutout: [378, 111, 33],
    top: 177,
    home: 102,
    ends: [177, 177],
    homeTurned: 63,
    back: 0,
    homeSwipe: 63,
  }),
  phone("Tall phone 20:9, notch", 1080, 2400, {
    ppi: 411,
    cornerPx: 96,
    cutout: [84, 84, 18],
    top: 96,
    home: 48,
    ends: [96, 0],
    homeTurned: 48,
    back: 66,
    homeSwipe: 48,
  }),
  phone("Budget tall phone 20:9, notch", 720, 1600, {
    ppi: 269,
    cornerPx: 56,
    cutout: [110, 56, 0],
    top: 64,
    home: 32,
    ends: [64, 0],
    homeTurned: 32,
    back: 44,
    homeSwipe: 32,
  }),
  phone("Large phone 20:9", 1440, 3200, {
    ppi: 525,
    cornerPx: 130,
    cutout: [96, 96, 28],
    top: 118,
    home: 62,
    ends: [118, 0],
    homeTurned: 62,
    back: 84,
    homeSwipe: 62,
  }),
  phone("Ultra-wide phone 21:9", 1080, 2520, {
    ppi: 449,
    cornerPx: 88,
    cutout: [0, 0, 0],
    top: 0,
    home: 52,
    ends: [0, 0],
    homeTurned: 52,
    back: 70,
    homeSwipe: 52,
  }),
  phone("Flip phone open 22:9", 1080, 2640, {
    ppi: 425,
    cornerPx: 104,
    cutout: [78, 78, 24],
    top: 102,
    home: 50,
    ends: [102, 0],
    homeTurned: 50,
    back: 68,
    homeSwipe: 50,
  }),
  phone("Foldable closed 23:9", 904, 2316, {
    ppi: 402,
    cornerPx: 70,
    cutout: [80, 80, 20],
    top: 96,
    home: 46,
    ends: [96, 0],
    homeTurned: 46,
    back: 64,
    homeSwipe: 46,
  }),
  phone("Foldable open 6:5", 1812, 2176, {
    ppi: 373,
    cornerPx: 60,
    cutout: [0, 0, 0],
    top: 0,
    home: 44,
    ends: [0, 0],
    homeTurned: 44,
    back: 60,
    homeSwipe: 44,
  }),
  phone("Large foldable open 8:7", 2208, 1840, {
    ppi: 374,
    cornerPx: 60,
    cutout: [0, 0, 0],
    top: 0,
    home: 44,
    ends: [0, 0],
    homeTurned: 44,
    back: 60,
    homeSwipe: 44,
  }),
  bare("Square-ish 31:27, 3.9 inches", 1080, 1240, { ppi: 420 }),
  bare("Small tablet 16:10", 800, 1280, { ppi: 216, edgePx: 20 }),
  phone("Small tablet 3:2", 1488, 2266, { ppi: 326, cornerPx: 43, cutout: [0, 0, 0], top: 0, home: 40, ends: [0, 0], homeTurned: 40, back: 0, homeSwipe: 40 }),
  bare("Tablet 4:3", 1536, 2048, { ppi: 264, edgePx: 40 }),
  phone("Tablet 16:10", 1600, 2560, { ppi: 274, cornerPx: 40, cutout: [0, 0, 0], top: 0, home: 34, ends: [0, 0], homeTurned: 34, back: 46, homeSwipe: 34 }),
  phone("Large tablet 4:3", 2048, 2732, { ppi: 264, cornerPx: 36, cutout: [0, 0, 0], top: 0, home: 40, ends: [0, 0], homeTurned: 40, back: 0, homeSwipe: 40 }),
  bare("Handheld 16:9, 6.2 inches", 720, 1280, { ppi: 237 }),
  bare("Small 4:3, 3.5 inches", 480, 640, { ppi: 229 }),
  {
    ...phone("Phone browser with its bars", 1080, 2400, {
      ppi: 411,
      cornerPx: 96,
      cutout: [84, 84, 18],
      top: 240,
      home: 144,
      ends: [96, 0],
      homeTurned: 48,
      back: 66,
      homeSwipe: 48,
    }),
    insetsTurned: sides(96, 216, 0, 48),
    edgesTurned: sides(66, 72, 66, 48),
  },
];

/** A screen class held one way. Turned to landscape its top lies at the left. */
export function screenOf(screenClass: ScreenClass, orientation: "landscape" | "portrait"): Screen {
  const { name, ppi, cornerPx } = screenClass;
  const [short, long] = [Math.min(screenClass.widthPx, screenClass.heightPx), Math.max(screenClass.widthPx, screenClass.heightPx)];
  if (orientation === "portrait") {
    return {
      name,
      widthPx: short,
      heightPx: long,
      ppi,
      cornerPx,
      insets: { left: 0, right: 0, ...screenClass.insets },
      cutouts: screenClass.cutouts.map((c) => ({ ...c })),
      edges: { ...screenClass.edges },
    };
  }
  return {
    name,
    widthPx: long,
    heightPx: short,
    ppi,
    cornerPx,
    insets: { ...screenClass.insetsTurned },
    cutouts: screenClass.cutouts.map((c) => ({ x: c.y, y: short - c.x - c.w, w: c.h, h: c.w })),
    edges: { ...screenClass.edgesTurned },
  };
}

/** The screens on which a layout is meant to run: the catalogue, less the screens of the other orientation. With "both", each class twice, its orientation in its name. */
export function catalogueFor(orientation: "landscape" | "portrait" | "both"): Screen[] {
  if (orientation !== "both") return SCREEN_CLASSES.map((c) => screenOf(c, orientation));
  return SCREEN_CLASSES.flatMap((c) => (["landscape", "portrait"] as const).map((o) => ({ ...screenOf(c, o), name: `${c.name}, ${o}` })));
}

/** The eight that are in a new layout's rail: from the smallest to the largest, every shape once. */
export const RAIL_CLASSES: readonly string[] = [
  "Tall phone 20:9, notch",
  "Small phone 16:9",
  "Large tall phone 19.5:9, cut-out",
  "Foldable closed 23:9",
  "Foldable open 6:5",
  "Handheld 16:9, 6.2 inches",
  "Tablet 4:3",
  "Small 4:3, 3.5 inches",
];
