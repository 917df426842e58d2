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
const plus = (x: number, y: number, r: number) => `M${x - r} ${y}h${2 * r}M${x} ${y - r}v${2 * r}`;
const tick = (x: number, y: number) => `M${x} ${y}l3 3l6 -7`;
const device = b(4, 4, 56, 32);
/** Lines below each other, 6 apart. */
const lines = (x: number, y: number, w: number, n: number) => Array.from({ length: n }, (_, i) => `M${x} ${y + i * 6}h${w}`).join("");
const stick = (x: number, y: number, r: number) => c(x, y, r) + c(x, y, r * 0.45);
const dpad = (x: number, y: number, r: number) => {
  const t = r / 3;
  return `M${x - t} ${y - r}h${2 * t}v${r - t}h${r - t}v${2 * t}h${-(r - t)}v${r - t}h${-2 * t}v${-(r - t)}h${-(r - t)}v${-2 * t}h${r - t}z`;
};
const thumb = (x: number, y: number) => `M${x - 5} ${y + 18}v-12a5 6 0 0 1 10 0v12`;
const square = (x: number, y: number) => b(x - 3, y - 3, 6, 6);
const diamond = (x: number, y: number) => `M${x} ${y - 4.5}l4.5 4.5l-4.5 4.5l-4.5 -4.5z`;

export const DRAWINGS: Readonly<Record<string, Drawing>> = {
  accepted: { warning: diamond(18, 20), accent: tick(30, 20), muted: "M46 14h12M46 20h12M46 26h8" },
  action: { ink: b(14, 11, 36, 18), accent: "M2 20h12M50 20h12", muted: "M21 20h22" },
  anchor: { ink: device, accent: "M32 20L8 8", solid: c(8, 8, 2.5), muted: c(40, 24, 8) },
  arrangement: { ink: b(4, 10, 28, 16) + b(40, 4, 18, 32), accent: c(25, 19, 4) + c(52, 29, 4) },
  aspect: { ink: b(10, 9, 44, 20), muted: "M10 35h44M10 33v4M54 33v4M4 9v20M2 9h4M2 29h4" },
  away: { muted: c(20, 20, 11), dash: c(46, 20, 11) },
  axis: { ink: "M6 20h52M6 16v8M58 16v8M32 17v6", solid: c(43, 20, 4) },
  base: { ink: c(32, 20, 16), muted: c(32, 20, 7) },
  bench: { ink: b(4, 4, 56, 32), muted: "M16 4v20M48 4v20M4 24h56", accent: b(20, 8, 24, 12) },
  blocker: { blocker: square(20, 20) + "M30 20h26" },
  card: { ink: b(8, 5, 48, 30), muted: "M8 12h48" + lines(12, 18, 16, 3) + lines(38, 18, 12, 3) },
  changed: { muted: b(6, 10, 20, 20) + arrow(29, 20, 7), ink: b(40, 10, 18, 20), blocker: square(16, 20), accent: tick(45, 19) },
  cluster: { dash: b(12, 5, 40, 30), ink: c(23, 25, 6) + c(36, 16, 6) + c(44, 28, 5) },
  "contact sheet": { ink: b(6, 6, 16, 10) + b(26, 6, 22, 10) + b(6, 22, 20, 12) + b(32, 22, 26, 12), blocker: square(22, 7), warning: diamond(57, 23) },
  control: { ink: device, accent: stick(17, 25, 8) + c(50, 26, 5) },
  "dead zone": { ink: c(32, 20, 16), quiet: c(32, 20, 6), accent: "M38 20h10" },
  "drawn for": { ink: device, accent: b(9, 8, 46, 24), muted: "M4 38h56" },
  face: { ink: b(6, 8, 24, 14) + b(36, 8, 22, 14), muted: "M12 30q6 6 12 0M42 30q5 5 10 0", solid: c(11, 17, 3) + c(53, 17, 3) },
  feel: { ink: thumb(20, 12), accent: "M36 32q10 -2 22 -22", muted: "M36 32h22M36 32v-24" },
  finding: { ink: device, warning: diamond(46, 24) + c(46, 24, 8) },
  "first deeds": { ink: lines(24, 12, 30, 3), accent: tick(8, 12) + tick(8, 19), muted: c(12, 26, 2.5) },
  frame: { ink: b(4, 4, 56, 32), dash: b(10, 8, 44, 24) },
  ground: { land: b(6, 6, 36, 28), ink: c(34, 22, 8) + c(52, 22, 6) },
  grid: { ink: b(8, 5, 48, 30), muted: "M8 15h48M8 25h48M20 5v30M32 5v30M44 5v30", blocker: square(26, 10), warning: diamond(38, 20) },
  grow: { ink: c(32, 20, 8), hit: c(32, 20, 15), muted: arrow(40, 20, 7) },
  "hand-off": { ink: b(10, 12, 24, 18) + "M10 18h24M22 12v6", accent: arrow(38, 21, 18) },
  held: { solid: c(32, 22, 11), ink: thumb(32, 14) },
  "hit area": { ink: c(32, 20, 9), hit: c(32, 20, 16) },
  "hold all screens": { ink: b(4, 8, 22, 24) + c(15, 20, 5), muted: b(34, 4, 26, 14) + b(34, 22, 26, 14), accent: "M26 20h8M31 16v8" },
  home: { muted: c(18, 24, 8), ink: stick(44, 14, 8), accent: "M37 18l-11 4m1 -4l-2 4l4 2" },
  "keep-clear zone": { ink: device, zone: b(22, 4, 20, 9) },
  knob: { muted: c(32, 20, 16), solid: c(38, 15, 7) },
  "landing area": { land: b(6, 6, 30, 28), ink: stick(20, 22, 8), muted: thumb(50, 14) },
  layout: { ink: device, accent: stick(16, 26, 7) + c(50, 27, 5) + c(50, 13, 3) },
  "layout unit": { ink: "M8 26h48" + [8, 16, 24, 32, 40, 48, 56].map((x) => `M${x} 26v-6`).join(""), accent: "M8 14h8M8 12v4M16 12v4" },
  ledger: { ink: b(14, 4, 36, 32), blocker: square(21, 11), muted: "M28 11h16M21 20h23M21 28h23" },
  lock: { ink: b(22, 18, 20, 16), accent: "M26 18v-5a6 6 0 0 1 12 0v5" },
  look: { solid: c(14, 20, 8), ink: c(33, 20, 8), dash: c(52, 20, 8) },
  map: { ink: "M8 4v30h52", blocker: b(9, 24, 16, 9), warning: b(26, 28, 18, 5), accent: c(36, 14, 2) + c(48, 18, 2) + c(22, 10, 2) },
  miss: { hit: c(24, 20, 11), accent: c(21, 18, 1.5) + c(27, 22, 1.5) + c(24, 24, 1.5), blocker: c(40, 15, 1.5) + c(37, 29, 1.5), muted: c(50, 20, 9) },
  moment: { ink: b(4, 9, 24, 16) + b(36, 9, 24, 16), accent: c(10, 20, 3) + c(54, 20, 3) + b(45, 13, 6, 4), muted: arrow(29, 32, 8) },
  more: { ink: b(10, 6, 44, 14), muted: lines(16, 26, 32, 2), accent: plus(48, 13, 3) },
  motion: { ink: "M10 28l10 -10M26 24l8 -6M40 18l12 -6", accent: arrow(44, 30, 14) },
  note: { note: c(20, 20, 4) + "M30 20h26" },
  offset: { ink: device, accent: "M4 36h20M24 36v-12", muted: c(24, 24, 6) },
  override: { muted: c(20, 22, 8), accent: c(44, 16, 8), ink: arrow(29, 20, 6) },
  pad: { ink: "M14 12h36q8 4 8 16q-6 6 -12 -3h-28q-6 9 -12 3q0 -12 8 -16z", accent: dpad(20, 18, 4) + c(44, 18, 3.5) },
  parcel: { ink: b(16, 10, 32, 24) + "M16 17h32", accent: "M32 10v24", muted: "M38 24h6" },
  part: { ink: c(32, 20, 15), quiet: "M32 20v-15a15 15 0 0 1 13 22z" },
  "patch sheet": { ink: b(4, 6, 10, 8) + b(4, 26, 10, 8) + b(27, 15, 12, 10) + b(50, 6, 10, 28), accent: "M14 10q7 0 13 8M14 30q7 0 13 -8M39 20h11" },
  "picture frame": { ink: device, dashdot: b(12, 4, 40, 32) },
  "picture sheet": { ink: b(12, 4, 40, 32), muted: c(22, 13, 6) + c(38, 13, 6) + b(17, 23, 10, 9), accent: b(32, 23, 14, 9) },
  pin: { ink: device, solid: c(60, 36, 2.5), accent: "M60 36l-11 -9", muted: c(44, 23, 7) },
  pivot: { ink: c(36, 22, 11), solid: c(44, 30, 2.5), muted: plus(36, 22, 3) },
  "played file": { ink: "M18 4h20l8 8v24h-28z", accent: "M28 16l9 6l-9 6z" },
  player: { ink: c(32, 12, 6) + "M20 36v-6q0 -8 12 -8t12 8v6" },
  port: { ink: b(8, 8, 28, 24), accent: c(36, 14, 3) + c(36, 26, 3) + "M39 14h16M39 26h16" },
  press: { ink: c(24, 22, 11), accent: up(50, 30, 0) + "M50 8v16m-4 -4l4 4l4 -4" },
  rail: { ink: b(38, 3, 22, 9) + b(38, 16, 22, 9) + b(38, 29, 22, 8), muted: b(4, 6, 28, 28) },
  reach: { ink: device, reach: "M60 12A28 26 0 0 0 34 36", stretch: "M60 5A36 33 0 0 0 25 36" },
  "reading line": { muted: b(4, 4, 56, 32), ink: "M4 29h56", accent: "M8 33h30" },
  reference: { ink: device, accent: b(9, 8, 46, 24), muted: "M4 38h56" },
  rest: { ink: stick(32, 20, 14), muted: "M14 36h36" },
  report: { ink: "M16 3h24l8 8v26h-32zM40 3v8h8", muted: lines(21, 18, 22, 3), blocker: square(23, 11) },
  "room to the neighbours": { ink: c(16, 20, 6) + c(48, 20, 6), hit: c(16, 20, 12) + c(48, 20, 12), accent: "M28 20h8" },
  "safe frame": { ink: device, dash: b(11, 4, 49, 28), muted: "M4 15h3v10h-3" },
  scale: { ink: b(4, 12, 22, 14) + b(34, 6, 28, 26), accent: c(20, 22, 3) + c(56, 27, 4) },
  scatter: { muted: c(32, 20, 12), solid: [30, 34, 32, 37, 27, 33, 40].map((x, i) => c(x, [19, 22, 15, 18, 24, 28, 27][i], 1.2)).join("") },
  serve: { ink: stick(14, 20, 9) + b(44, 13, 16, 14), accent: "M23 20h21" },
  settle: { dash: c(24, 20, 8) + c(36, 20, 8), accent: c(19, 20, 8) + c(43, 20, 8), muted: arrow(10, 34, -5) + arrow(52, 34, 5) },
  share: { ink: b(4, 6, 56, 28), accent: "M4 34h18M4 31v6M22 31v6", muted: c(13, 23, 8) },
  sharing: { ink: c(26, 20, 11), hit: c(40, 20, 11), accent: up(33, 38, 10) },
  sheet: { ink: b(18, 3, 28, 34), muted: lines(22, 10, 8, 4), accent: lines(33, 10, 9, 4) },
  shelf: { ink: b(4, 14, 12, 18) + b(20, 8, 10, 24) + b(34, 18, 26, 14), muted: "M2 33h60" },
  "slide in, slide out": { ink: c(32, 20, 10), accent: arrow(4, 20, 14) + arrow(46, 20, 14) },
  snap: { accent: "M32 2v36", ink: b(12, 12, 20, 16), dash: b(36, 14, 18, 12) },
  span: { ink: device, accent: "M4 26h56v10h-56z", muted: arrow(14, 31, -7) + arrow(50, 31, 7) },
  spans: { muted: "M4 34h56M12 32v4M26 32v4M40 32v4M54 32v4", warning: "M14 12h22", blocker: "M30 22h26" },
  stage: { ink: b(8, 9, 48, 22), muted: "M8 4h48M8 36h48", accent: c(20, 22, 5), solid: c(46, 20, 3) },
  starter: { ink: device, accent: stick(16, 25, 7) + c(52, 28, 4) + c(43, 28, 4), muted: "M26 12h12" },
  state: { ink: "M22 36v-32", accent: "M22 5h22l-5 6l5 6h-22" },
  status: { ink: b(6, 12, 24, 16), accent: "M30 20h12", muted: c(46, 20, 4) + "M54 20h6" },
  "stick, d-pad, dpad, button": { ink: stick(14, 20, 10) + dpad(36, 20, 9) + c(56, 20, 6) },
  swipe: { dash: b(8, 6, 48, 28), accent: arrow(18, 20, 28) },
  take: { ink: "M6 30q8 -22 16 -8t16 0t20 -10", solid: c(12, 8, 3.5) },
  tap: { ink: c(32, 22, 3), muted: c(32, 22, 9), accent: "M32 4v10m-3 -3l3 3l3 -3" },
  tether: { ink: device, accent: "M40 22L60 4", solid: c(60, 4, 2.5), muted: c(34, 26, 7) },
  thumb: { ink: thumb(32, 10), muted: "M27 12q5 -4 10 0" },
  together: { ink: c(18, 20, 9) + c(46, 20, 9), accent: "M27 20h10" },
  told: { ink: lines(22, 10, 34, 4), accent: diamond(11, 10) + diamond(11, 28), muted: c(11, 19, 2) },
  touchpad: { dash: b(8, 6, 48, 28), ink: c(26, 22, 3), accent: "M29 21q8 -2 16 -8m-5 0l5 0l-2 5" },
  travel: { ink: c(32, 20, 16) + c(32, 20, 14.5), muted: c(32, 20, 4), accent: "M32 20h14" },
  tray: { ink: device, accent: b(4, 24, 56, 12), muted: "M18 24v12M32 24v12M46 24v12" },
  vector: { muted: c(32, 20, 16) + plus(32, 20, 16), accent: "M32 20l11 -9m-6 1l6 -1l-1 6" },
  warning: { warning: diamond(20, 20) + "M30 20h26" },
  welcome: { ink: b(4, 4, 56, 32), accent: b(32, 9, 22, 11), muted: lines(10, 12, 16, 3) + b(32, 24, 6, 5) + b(40, 24, 6, 5) + b(48, 24, 6, 5) },
  "worst pair": { ink: c(22, 20, 10) + c(42, 20, 10), blocker: c(34, 17, 1.5) + c(35, 22, 1.5) + c(37, 19, 1.5), accent: arrow(50, 34, 9) },
  "way out": { ink: b(6, 8, 34, 24), blocker: c(18, 20, 6) + c(26, 20, 6), accent: arrow(34, 20, 24) },
  wire: { ink: c(10, 12, 3) + c(54, 28, 3), accent: "M13 12q18 0 19 8t19 8" },
  workbench: { muted: b(4, 4, 56, 32), ink: "M4 29h56M14 29v7M50 29v7", accent: b(20, 10, 24, 12) },
};
