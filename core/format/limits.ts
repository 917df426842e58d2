/**
 * What may come in at most, in one table: every list, every text, every size, each with the words in which the door refuses more. A file of
 * a few KB must not cost minutes or gigabytes, so what is over a limit is reported before anything of it is looked at.
 *
 * The played file has the same limits where it has the same lists (docs/PLAYED.md), so that what is taken here can be compiled and played.
 */
import { MOST_NEAR_LETTERS } from "../engine/nearest";

/** One limit. `most` (and `least`, where there is one) is still taken. */
export interface Limit {
  readonly least?: number;
  readonly most: number;
  /** What is said of more (or less), as the end of a sentence about the place. */
  readonly words: string;
}

const KIB = 1024;
const MIB = 1024 * KIB;
/** Formats a whole number with a comma between thousands. toLocaleString loads locale data, which takes about 60 ms of every page load. */
const grouped = (n: number): string => String(n).replace(/\B(?=(?:\d{3})+$)/g, ",");
const count = (most: number, holder: string, what: string): Limit => ({ most, words: `${holder} holds at most ${grouped(most)} ${what}` });
const letters = (most: number): Limit => ({ most, words: `must have ${most} characters at most` });
const range = (least: number, most: number, unit: string): Limit & { readonly least: number } => ({
  least,
  most,
  words: `must be a number from ${least} to ${most}${unit && ` ${unit}`}`,
});
const bytes = (most: number, holder: string, what: string): Limit => ({
  most,
  words: `${holder} at most ${most >= MIB ? `${most / MIB} MiB` : `${most / KIB} KiB`}${what && ` ${what}`}`,
});
const pixels = (most: number, holder: string): Limit => ({
  most,
  words: `${holder} at most ${grouped(most)} pixels, width times height; save it smaller`,
});

/** Lists, by what they hold. */
export const LISTS = {
  actions: count(200, "a layout", "actions"),
  moments: count(32, "a layout", "moments"),
  clusters: count(64, "a layout", "clusters"),
  controls: count(200, "a layout", "controls"),
  keepClear: count(200, "a layout", "keep-clear zones"),
  arrangements: count(16, "a layout", "arrangements"),
  /** Every control, cluster and zone. */
  overrides: count(464, "an arrangement", "overrides"),
  together: count(32, "a layout", "together sets"),
  togetherActions: count(8, "a together set", "actions"),
  accepted: count(2000, "a layout", "accepted findings"),
  subjects: count(464, "a finding", "subjects"),
  pictures: count(200, "a layout", "pictures"),
  momentsOf: count(32, "it", "moments"),
  serves: count(32, "a control", "serves"),
  labels: count(64, "a control", "labels by language"),
  keys: count(32, "an action", "keys"),
  mouse: count(32, "an action", "mouse inputs"),
  pad: count(32, "an action", "pad inputs"),
  cutouts: count(16, "a screen", "cut-outs"),
  ownScreens: count(64, "a layout", "custom screens"),
  rail: count(64, "rail", "screens"),
  callees: count(200, "a layout", "callees of the game's code"),
  momentPictures: count(32, "a layout", "backdrops of moments"),
  playersPart: count(256, "a layout", "players' parts"),
  locked: count(464, "a layout", "locks"),
  /** Of a backup. */
  backupLayouts: count(10_000, "a backup", "layouts"),
  backupStates: count(100_000, "a backup", "named states"),
  backupTakes: count(100_000, "a backup", "takes"),
  /** Screens of a their own list, as it is read from a file. */
  screens: count(1000, "a list", "screens"),
} as const satisfies Readonly<Record<string, Limit>>;

/** Texts, in UTF-16 code units (what JavaScript and JSON Schema's maxLength in most programs count). */
export const TEXTS = {
  name: { least: 1, ...letters(80), words: "must have 1 to 80 characters" },
  label: letters(80),
  actionName: { least: 1, ...letters(64), words: "must have 1 to 64 characters" },
  code: { least: 1, ...letters(64), words: "must have 1 to 64 characters" },
  icon: { least: 1, ...letters(48), words: "must have 1 to 48 characters" },
  languageTag: letters(64),
  /** As in the played file. */
  length: letters(24),
  note: letters(2000),
  reason: letters(2000),
  findingCode: letters(64),
  subject: letters(80),
  callee: letters(200),
  screenName: letters(80),
} as const satisfies Readonly<Record<string, Limit>>;

/** Screens, and what is drawn of them. */
export const SCREENS = {
  sidePx: range(100, 20_000, "px"),
  ppi: range(30, 1500, "pixels per inch"),
  /** Insets, edges, corners; places and sizes of cut-outs. */
  insetPx: range(0, 20_000, "px"),
  cutoutPx: range(-20_000, 20_000, "px"),
  /** A canvas has no more pixels than this, however large what it shows; it is drawn coarser then. 4,096 × 4,096: 64 MiB. */
  canvasPx: pixels(4096 * 4096, "a canvas holds"),
} as const satisfies Readonly<Record<string, Limit>>;

/** Pictures: as files, and as what they become when they are decoded. */
export const PICTURES = {
  fileBytes: bytes(512 * KIB, "a picture holds", ""),
  allBytes: bytes(6 * MIB, "the pictures of a layout hold", "in all"),
  backdropBytes: bytes(4 * MIB, "a backdrop holds", ""),
  backdropsBytes: bytes(12 * MIB, "the backdrops of a layout hold", "in all"),
  sidePx: { least: 1, most: 8192, words: "a picture's sides are from 1 to 8,192 pixels; save it smaller" },
  /** 64 MiB decoded. */
  area: pixels(4096 * 4096, "a picture holds"),
  /** 128 MiB decoded; backdrops are shown one at a time and do not count. */
  allArea: pixels(8192 * 4096, "the pictures of a layout hold, all together,"),
  /** What is used again counts each time. */
  svgElements: count(20_000, "an SVG", "elements, what is used again counted each time"),
  /** How deep uses, masks, patterns and filters may be in one another. */
  svgNesting: { most: 3, words: "uses, masks, patterns and filters may be nested at most 3 deep" },
  /** Each step of a filter goes over the whole drawing; the slow ones over and over. */
  svgFilterSteps: count(32, "an SVG", "steps of filters at work, counted with each use; turbulence, lighting and the like count 8, morphology 16"),
  svgOctaves: { least: 0, most: 8, words: "turbulence may have at most 8 octaves" },
  /** Each of them is its own picture to be drawn. */
  svgLayers: count(200, "an SVG", "masks, patterns and filters at work, what is used again counted each time"),
} as const satisfies Readonly<Record<string, Limit>>;

/** Traces of events, and the events in them (docs/FORMAT.md; the same hold for takes). */
export const TRACES = {
  events: count(200_000, "a trace", "events"),
  timeMs: range(0, 1_800_000, "ms"),
  touchId: { least: -(2 ** 31), most: 2 ** 31 - 1, words: "must be a whole number of 32 bits" },
  mouseButton: { least: 0, most: 31, words: "must be a whole number from 0 to 31" },
  padButtons: count(64, "a pad", "buttons"),
  padAxes: count(16, "a pad", "axes"),
  /** A line with a whole pad in it has some 1,600. */
  lineLetters: letters(16_384),
  bytes: bytes(64 * MIB, "a trace holds", ""),
} as const satisfies Readonly<Record<string, Limit>>;

/** Takes: what of them is not as of traces. */
export const TAKES = {
  bytes: bytes(64 * MIB, "a take holds", ""),
  events: count(200_000, "a take", "events"),
  /** At the highest rate, for as long as a take may be, and the tick after. */
  frames: count(1_800_002, "a take", "frames"),
  hz: { least: 1, most: 1000, words: "must be a whole number from 1 to 1000, ticks per second" },
  playerSize: range(0.25, 4, ""),
} as const satisfies Readonly<Record<string, Limit>>;

/** The file as a whole. */
export const FILES = {
  bytesWithoutPictures: bytes(8 * MIB, "the file is too large: a layout holds", "without its pictures"),
  nesting: { most: 64, words: "it is nested more than 64 deep; no Nodulum file is" },
  /** More problems than this are counted, not told. */
  problems: { most: 50, words: "more problems" },
  /** A problem's place, and its words, are cut to this. */
  problemLetters: letters(200),
  /** Of a longer word no near one is sought. */
  nearLetters: letters(MOST_NEAR_LETTERS),
  /** Unknown keys of one object that are named; the others are counted. */
  unknownKeys: { most: 5, words: "more unknown keys" },
} as const satisfies Readonly<Record<string, Limit>>;

/** No layout file is larger, bytes: 8 MiB, and its pictures and backdrops as base64. */
export const MOST_FILE_BYTES = FILES.bytesWithoutPictures.most + Math.ceil(((PICTURES.allBytes.most + PICTURES.backdropsBytes.most) * 4) / 3);

/** A picture's base64 text is at most this long. */
export const base64Letters = (limit: Limit): Limit => ({ most: Math.ceil(limit.most / 3) * 4, words: limit.words });
