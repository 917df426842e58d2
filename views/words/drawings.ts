/**
 * A small drawing for each word of the interface, in a box of 64 × 40: paths by the way they are drawn. Patterns and colours mean what
 * they mean on the bench: plum and hatched is a hit area, sea blue and dotted a landing area, rust a keep-clear zone.
 */

/** How a path is drawn. `solid` and `quiet` are filled. */
export type Stroke =
  | "ink"
  | "muted"
  | "dash"
  | "dashdot"
  | "accent"
  | "solid"
  | "quiet"
  | "hit"
  | "land"
  | "zone"
  | "reach"
  | "stretch"
  | "blocker"
  | "warning"
  | "note";
export type Drawing = Partial<Readonly<Record<Stroke, string>>>;

const c = (x: number, y: number, r: number) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
const b = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}z`;
const arrow = (x: number, y: number, dx: number) => `M${x} ${y}h${dx}m${dx > 0 ? -3 : 3} -3l${dx > 0 ? 3 : -3} 3l${dx > 0 ? -3 : 3} 3`;
const up = (x: number, y: number, dy: number) => `M${x} ${y}v${-dy}m-3 3l3 -3l3 3`;
const device = b(4, 4, 56, 32);
const stick = (x: number, y: number, r: number) => c(x, y, r) + c(x, y, r * 0.45);
const thumb = (x: number, y: number) => `M${x - 5} ${y + 18}v-12a5 6 0 0 1 10 0v12`;
const square = (x: number, y: number) => b(x - 3, y - 3, 6, 6);
const diamond = (x: number, y: number) => `M${x} ${y - 4.5}l4.5 4.5l-4.5 4.5l-4.5 -4.5z`;

export const DRAWINGS: Readonly<Record<string, Drawing>> = {
  action: { ink: b(14, 11, 36, 18), accent: "M2 20h12M50 20h12", muted: "M21 20h22" },
  arrangement: { ink: b(4, 10, 28, 16) + b(40, 4, 18, 32), accent: c(25, 19, 4) + c(52, 29, 4) },
  base: { ink: c(32, 20, 16), muted: c(32, 20, 7) },
  bench: { ink: b(4, 4, 56, 32), muted: "M16 4v20M48 4v20M4 24h56", accent: b(20, 8, 24, 12) },
  cluster: { dash: b(12, 5, 40, 30), ink: c(23, 25, 6) + c(36, 16, 6) + c(44, 28, 5) },
  control: { ink: device, accent: stick(17, 25, 8) + c(50, 26, 5) },
  "dead zone": { ink: c(32, 20, 16), quiet: c(32, 20, 6), accent: "M38 20h10" },
  face: { ink: b(6, 8, 24, 14) + b(36, 8, 22, 14), muted: "M12 30q6 6 12 0M42 30q5 5 10 0", solid: c(11, 17, 3) + c(53, 17, 3) },
  finding: { ink: device, warning: diamond(46, 24) + c(46, 24, 8) },
  frame: { ink: b(4, 4, 56, 32), dash: b(10, 8, 44, 24) },
  glass: { ink: device, quiet: c(8, 20, 1.5) },
  grip: { ink: device, muted: thumb(12, 16) + thumb(52, 16) },
  grow: { ink: c(32, 20, 8), hit: c(32, 20, 15), muted: arrow(40, 20, 7) },
  "hit area": { ink: c(32, 20, 9), hit: c(32, 20, 16) },
  "keep-clear zone": { ink: device, zone: b(22, 4, 20, 9) },
  knob: { muted: c(32, 20, 16), solid: c(38, 15, 7) },
  "landing area": { land: b(6, 6, 30, 28), ink: stick(20, 22, 8), muted: thumb(50, 14) },
  "layout unit": { ink: "M8 26h48" + [8, 16, 24, 32, 40, 48, 56].map((x) => `M${x} 26v-6`).join(""), accent: "M8 14h8M8 12v4M16 12v4" },
  ledger: { ink: b(14, 4, 36, 32), blocker: square(21, 11), muted: "M28 11h16M21 20h23M21 28h23" },
  miss: { hit: c(24, 20, 11), accent: c(21, 18, 1.5) + c(27, 22, 1.5) + c(24, 24, 1.5), blocker: c(40, 15, 1.5) + c(37, 29, 1.5), muted: c(50, 20, 9) },
  moment: { ink: b(4, 9, 24, 16) + b(36, 9, 24, 16), accent: c(10, 20, 3) + c(54, 20, 3) + b(45, 13, 6, 4), muted: arrow(29, 32, 8) },
  parcel: { ink: b(16, 10, 32, 24) + "M16 17h32", accent: "M32 10v24", muted: "M38 24h6" },
  pin: { ink: device, solid: c(60, 36, 2.5), accent: "M60 36l-11 -9", muted: c(44, 23, 7) },
  "played file": { ink: "M18 4h20l8 8v24h-28z", accent: "M28 16l9 6l-9 6z" },
  player: { ink: c(32, 12, 6) + "M20 36v-6q0 -8 12 -8t12 8v6" },
  port: { ink: b(8, 8, 28, 24), accent: c(36, 14, 3) + c(36, 26, 3) + "M39 14h16M39 26h16" },
  rail: { ink: b(38, 3, 22, 9) + b(38, 16, 22, 9) + b(38, 29, 22, 8), muted: b(4, 6, 28, 28) },
  reach: { ink: device, reach: "M60 12A28 26 0 0 0 34 36", stretch: "M60 5A36 33 0 0 0 25 36" },
  scale: { ink: b(4, 12, 22, 14) + b(34, 6, 28, 26), accent: c(20, 22, 3) + c(56, 27, 4) },
  scatter: { muted: c(32, 20, 12), solid: [30, 34, 32, 37, 27, 33, 40].map((x, i) => c(x, [19, 22, 15, 18, 24, 28, 27][i], 1.2)).join("") },
  serve: { ink: stick(14, 20, 9) + b(44, 13, 16, 14), accent: "M23 20h21" },
  settle: { dash: c(24, 20, 8) + c(36, 20, 8), accent: c(19, 20, 8) + c(43, 20, 8), muted: arrow(10, 34, -5) + arrow(52, 34, 5) },
  sharing: { ink: c(26, 20, 11), hit: c(40, 20, 11), accent: up(33, 38, 10) },
  shelf: { ink: b(4, 14, 12, 18) + b(20, 8, 10, 24) + b(34, 18, 26, 14), muted: "M2 33h60" },
  "slide in, slide out": { ink: c(32, 20, 10), accent: arrow(4, 20, 14) + arrow(46, 20, 14) },
  span: { ink: device, accent: "M4 26h56v10h-56z", muted: arrow(14, 31, -7) + arrow(50, 31, 7) },
  starter: { ink: device, accent: stick(16, 25, 7) + c(52, 28, 4) + c(43, 28, 4), muted: "M26 12h12" },
  swipe: { dash: b(8, 6, 48, 28), accent: arrow(18, 20, 28) },
  take: { ink: "M6 30q8 -22 16 -8t16 0t20 -10", solid: c(12, 8, 3.5) },
  tether: { ink: device, accent: "M40 22L60 4", solid: c(60, 4, 2.5), muted: c(34, 26, 7) },
  touchpad: { dash: b(8, 6, 48, 28), ink: c(26, 22, 3), accent: "M29 21q8 -2 16 -8m-5 0l5 0l-2 5" },
  travel: { ink: c(32, 20, 16) + c(32, 20, 14.5), muted: c(32, 20, 4), accent: "M32 20h14" },
  tray: { ink: device, accent: b(4, 24, 56, 12), muted: "M18 24v12M32 24v12M46 24v12" },
  wire: { ink: c(10, 12, 3) + c(54, 28, 3), accent: "M13 12q18 0 19 8t19 8" },
};
