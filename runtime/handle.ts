/** What a game holds in its hand: options in, a handle out. Types alone; docs/RUNTIME.md reports each by example. */
import type { ActionValue, ActionValues, InputEvent } from "../core/engine/input/events";
import type { Box, Point } from "../core/engine/geometry/point";
import type { ControlKind, PlayedLayout, Screen } from "../core/engine/types";
import type { DrawnControl } from "./art";
import type { OwnChanges } from "./overrides";
import type { PlayedSource } from "./playedSource";

/** When controls are seen: as the layout file says, or overruled by the game. */
export type Appear = PlayedLayout["appear"];

/** What a drawing is given. */
export interface PaintFrame {
  readonly layout: PlayedLayout;
  readonly screen: Screen;
  readonly drawn: readonly DrawnControl[];
  /** How strongly all of it is seen, 0…1, where it fades in and out. */
  readonly opacity: number;
  /** CSS px a px of the screen. */
  readonly scale: number;
}
/** Something that draws what is played over an element; `nodulum-runtime/draw` has one. */
export interface Painter {
  /** Draws. Called before a picture in which anything of the frame differs from the last one; what is the same in `drawn` is the very same object. */
  paint(frame: PaintFrame): void;
  /** Asked before every picture: whether it must draw though nothing of the frame has changed, as when an image has come in or its canvas is cleared by others. */
  isStale?(): boolean;
  /** Whether it can be seen; false: the controls take no touches. Seen where this is omitted. */
  isSeen?(): boolean;
  dispose(): void;
}
/** Makes a painter over an element. */
export type MakePainter = (over: HTMLElement) => Painter;

export interface PlayOptions {
  /** The element that the controls are over, or its selector: the game's canvas, or what holds it. `play` throws where it is null or not found. */
  readonly over: Element | string | null;
  /** The screen; without, it is made from the element, the window's safe area and `ppi`. */
  readonly screen?: Screen;
  /** CSS px an inch; without, 160 where the main pointer is coarse, 96 else. */
  readonly ppi?: number;
  readonly handed?: "right" | "left";
  readonly playerSize?: number;
  /** The moment it begins in, by its id; null: every control. */
  readonly moment?: string | null;
  /** The language of words on controls, a BCP 47 tag. */
  readonly language?: string;
  /** Ticks a second, 60 by default. */
  readonly hz?: number;
  /** What draws the controls: `drawing` of `nodulum-runtime/draw`. Without, the game draws them itself, by `controls()`. */
  readonly draw?: MakePainter | undefined;
  /** Whether keys, mouse and pads count. True by default. */
  readonly keys?: boolean;
  readonly mouse?: boolean;
  readonly pads?: boolean;
  /** Overrules the file; the address does both, by `?nodulum-appear=always`. */
  readonly appear?: Appear;
  /** `own`: it steps by itself, before each picture; `game`: the game calls `step`. */
  readonly loop?: "own" | "game";
  /** What a player had changed, as `own.json()` gave it. */
  readonly overrides?: unknown;
  /** Hears of what cannot be thrown: a pad that came or went. */
  readonly onPad?: (isThere: boolean) => void;
}

/** A control as a game draws it: CSS px from the top left of the element. */
export interface PlayedControl {
  readonly id: string;
  readonly kind: ControlKind;
  /** What is seen, and what takes touches. */
  readonly visual: Box;
  readonly hit: Box;
  /** The middle of its base, and of its knob (of what has none the same). */
  readonly base: Point;
  readonly knob: Point;
  readonly held: boolean;
  /** 0…1: its look's, faded where it is. */
  readonly opacity: number;
  /** The id of the layout's picture for it as it is now; null: none. */
  readonly picture: string | null;
}

/** A word that the game asked for and the layout does not have. */
export interface UnknownName {
  readonly times: number;
  /** The word that is most like it; null: none is. */
  readonly nearest: string | null;
}

/** What a player may change for himself. Everything keeps to the layout's limits, or is refused. */
export interface Own {
  /** Moves a control, mm to the right and down. False: it would leave the safe frame or lie on another; nothing has changed. */
  move(id: string, right: number, down: number): boolean;
  /** Sizes a control by a factor, within the layout's player sizes. */
  size(id: string, factor: number): boolean;
  /** How strongly a control is seen, as a part of its look's opacity, 0.1…1. */
  fade(id: string, part: number): boolean;
  /** What an action gives, times a factor, 0.1…5. */
  sensitivity(action: string, factor: number): boolean;
  /** Inverts an action horizontally, vertically or both. */
  invert(action: string, across: boolean, upDown: boolean): boolean;
  /** Returns all changes, for the game to store and pass to `play` again. */
  json(): OwnChanges;
  reset(): void;
}

/** Called after each tick with the value of every action, the time since the start (ms) and the events of the tick. */
export type OnTick = (values: ActionValues, timeMs: number, events: readonly InputEvent[]) => void;

/** A playing layout. `Name`: the action names of the game, such as `ActionName` of the exported constants, so that a misspelled name does not compile. */
export interface Handle<Name extends string = string> {
  /**
   * Returns the value of an action: true or false for a press, −1…1 for an axis, [x, y] with y up for a vector or a motion. A motion is the
   * change in the last step. An unknown name returns the value at rest of the nearest action, or false if none is similar. The type is any
   * unless you give one: `const gas: number = controls.value("gas")`.
   */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- the kind is not known from the name; any can be destructured, computed with and tested
  value<V extends ActionValue = any>(name: Name): V;
  /** Returns the direction of a vector in degrees counter-clockwise from the right; 0 for a zero vector. */
  angle(name: Name): number;
  /** Returns the magnitude of an action's value, 0…1 (for a motion: its length). */
  magnitude(name: Name): number;
  /** Whether a press began (ended) between the last two steps. */
  justPressed(name: Name): boolean;
  justReleased(name: Name): boolean;
  /** Calls the listener after every tick; returns a function that removes it. */
  onTick(listener: OnTick): () => void;
  /** Runs all due ticks up to now (ms, as `performance.now()`), for a game with its own loop. */
  step(nowMs?: number): void;
  /** Returns the visible controls in drawing order. */
  controls(): readonly PlayedControl[];
  /** Shows or hides a control. */
  show(id: string, on: boolean): void;
  moment: string | null;
  handed: "right" | "left";
  playerSize: number;
  language: string;
  appear: Appear;
  /** The element below the controls. */
  readonly over: HTMLElement;
  readonly screen: Screen;
  readonly layout: PlayedLayout;
  /** SHA-256 of the layout file, from the played file. */
  readonly digest: string;
  readonly hz: number;
  /** Whether the touch controls are enabled. Disabled, they are hidden and take no touches. */
  enabled: boolean;
  /** Replaces the layout. Accepts the same sources as `play`; touches continue on unchanged controls. */
  replace(played: PlayedSource): void;
  readonly overrides: Own;
  /** Names that were read but do not exist. */
  readonly unknownNames: Readonly<Record<string, UnknownName>>;
  /** How often each name was read. */
  readonly reads: Readonly<Record<string, number>>;
  /** Removes listeners, drawing and animation frames. */
  dispose(): void;
}
