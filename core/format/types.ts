/** The layout behind the door of the file: what a game carries, and what only the editor needs. Values are never changed in place. */
import type { Cluster, Control, KeepClear, Moment, PlayedAction, PlayedLayout, Screen } from "../engine/types";

export type {
  ActionKind,
  Arrangement,
  Cluster,
  Control,
  ControlKind,
  Curve,
  DialControl,
  DpadControl,
  Frame,
  Hit,
  KeepClear,
  Look,
  Moment,
  Override,
  Pin,
  Placement,
  PlainPlacement,
  Port,
  Scale,
  Screen,
  Serve,
  Span,
  StickControl,
  SwipeControl,
} from "../engine/types";

/** A word the game reads. `read` false: kept, but not read today. `touch` never: meant for desks alone. */
export interface Action extends PlayedAction {
  read: boolean;
  touch: "wanted" | "never";
  note: string;
}

/** Where touches meant for a control land: mm, mm², and mm² by the square of a side in mm. */
export interface Scatter {
  biasMm: [number, number];
  baseMm2: [number, number];
  perSize: [number, number];
}
/** What counts as too small, too near, too far; mm, parts, and how the device is held. */
export interface Limits {
  minTargetMm: number;
  minGapMm: number;
  maxCover: number;
  grip: "two-thumbs" | "right-thumb" | "left-thumb";
  comfortMm: number;
  stretchMm: number;
  gripUpMm: number;
  scatter: Scatter;
}
/** A picture of the game behind the glass, base64. */
export interface BackdropPicture {
  name: string;
  type: "image/png" | "image/webp" | "image/jpeg";
  data: string;
}
/** What the editor alone remembers; see schema/file.ts. */
export interface Workbench {
  backdrop: "plain" | "harbour" | "post-office";
  colour?: string;
  picture?: BackdropPicture;
  momentPictures: Record<string, BackdropPicture>;
  fit: "fill" | "fit";
  dim: number;
  gridMm: number;
  screen: string;
  callees: string[];
  rail: string[];
  screens: Screen[];
  playersPart: Record<string, number>;
  locked: Record<string, ("x" | "y" | "size")[]>;
}

/** A layout as the editor holds it. */
export interface Layout extends PlayedLayout {
  format: "nodulum-layout";
  version: 1;
  actions: Action[];
  moments: Moment[];
  clusters: Cluster[];
  controls: Control[];
  keepClear: KeepClear[];
  /** Sets of actions that are wanted at the same time. */
  together: { id: string; actions: string[] }[];
  limits: Limits;
  /** Findings that someone has looked at and lives with. */
  accepted: { code: string; subjects: string[]; reason: string }[];
  workbench: Workbench;
}
