/** What is drawn of a control, and what it is drawn with. */
import type { Box } from "../../core/engine/geometry/point";
import type { Control } from "../../core/engine/types";

/** What a control shows: at rest, or held, with the knob's deflection (−1…1, y up) and where its base is when it has moved. */
export interface Pose {
  readonly held: boolean;
  /** Long untouched: how far it has faded to the look it then has, 0…1. */
  readonly away?: number;
  readonly x: number;
  readonly y: number;
  readonly origin?: { readonly x: number; readonly y: number };
}
export const POSE_AT_REST: Pose = { held: false, x: 0, y: 0 };

/** A part of a control that can be drawn by itself: its base with all its arms, a stick's knob, its icon and word, one arm of a d-pad. */
export type LookPart = "base" | "knob" | "mark" | Arm;
/** An arm of a d-pad, by where it points. */
export type Arm = "right" | "up" | "left" | "down";

/** What a game says of a control. What is absent is drawn as the layout has it. */
export interface GivenState {
  /** False: dimmed, with a line across. */
  readonly enabled?: boolean;
  /** The part of a wait that is left, 0…1: a sweep over the face, clockwise from its top. */
  readonly cooldown?: number;
  /** A number in the corner, such as what is left of it; whole, −999…9999 are written out. */
  readonly count?: number;
  /** In place of the word. */
  readonly word?: string;
  /** In place of the icon, by its name; one that the game does not carry is left out. */
  readonly icon?: string;
}
/** One control to draw: its visual box and travel in px of the canvas' present coordinates. */
export interface DrawnControl {
  readonly control: Control;
  readonly box: Box;
  readonly travel: number;
  readonly pose: Pose;
  /** What the game says of it; absent: nothing. */
  readonly given?: GivenState;
  /** The only part that is drawn; absent: all of it. */
  readonly part?: LookPart;
}

/** As much of a canvas as drawing controls takes: whatever offers this can be drawn on. */
export type DrawingContext = Pick<
  CanvasRenderingContext2D,
  | "save"
  | "restore"
  | "translate"
  | "rotate"
  | "scale"
  | "beginPath"
  | "closePath"
  | "moveTo"
  | "lineTo"
  | "quadraticCurveTo"
  | "ellipse"
  | "roundRect"
  | "fill"
  | "stroke"
  | "drawImage"
  | "fillText"
  | "measureText"
  | "globalAlpha"
  | "lineWidth"
  | "lineCap"
  | "lineJoin"
  | "fillStyle"
  | "strokeStyle"
  | "font"
  | "textAlign"
  | "textBaseline"
  | "direction"
>;
/** The image behind a picture's id, once it has come in; null before that, or where it is broken. */
export type PictureOf = (id: string) => CanvasImageSource | null;
/** The icons at hand, by name: SVG path data in a 24 × 24 box. A game carries those its layout uses, the app all of them. */
export type Icons = Readonly<Record<string, string>>;

/** How the letters and lines of states are drawn: `scale`, the player's size of text (1: as browsers have it); `isStrong`: more contrast is wished for. */
export interface GivenStyle {
  readonly scale: number;
  readonly isStrong: boolean;
}
/** What looks are made of beyond lines and words. */
export interface Supplies {
  readonly pictureOf: PictureOf;
  readonly icons: Icons;
  /** How wide a word is, as a part of its letters' em; absent: as the canvas measures it. */
  readonly wordEm?: (word: string) => number;
  /** How what the game says of controls is drawn; absent: at the browser's own size of text and contrast. */
  readonly givenStyle?: GivenStyle;
  /** An icon as this canvas strokes it; absent: as every canvas does. */
  readonly pathOf?: (data: string) => Path2D;
}
