/** What a game holds in its hand: options in, a handle out. Types alone; docs/RUNTIME.md tells each by example. */
import type { ActionValue, ActionValues, InputEvent } from "../core/engine/input/events";
import type { Box, Point } from "../core/engine/geometry/point";
import type { ControlKind, PlayedLayout, Screen } from "../core/engine/types";
import type { Drawn } from "./art";
import type { OwnChanges } from "./own";
import type { PlayedSource } from "./source";

/** When controls are seen: as the layout file says, or overruled by the game. */
export type Appear = PlayedLayout["appear"];

/** What a drawing is given. */
export interface Frame {
  readonly layout: PlayedLayout;
  readonly screen: Screen;
  readonly drawn: readonly Drawn[];
  /** How strongly all of it is seen, 0…1, where it fades in and out. */
  readonly strength: number;
  /** CSS px a px of the screen. */
  readonly scale: number;
}
/** Something that draws what is played over an element; `nodulum-runtime/draw` has one. */
export interface Painter {
  /** Draws. Called before a picture in which anything of the frame differs from the last one; what is the same in `drawn` is the very same object. */
  paint(frame: Frame): void;
  /** Asked before every picture: whether it must draw though nothing of the frame has changed, as when an image has come in or its canvas is cleared by others. */
  isStale?(): boolean;
  /** Whether it can be seen; false: the controls take no touches. Seen where this is left out. */
  isSeen?(): boolean;
  close(): void;
}
/** Makes a painter over an element. */
export type MakePainter = (over: HTMLElement) => Painter;

export interface PlayOptions {
  /** The element that the controls stand over, or its selector: the game's canvas, or what holds it. `play` throws where it is null or not found. */
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
  /** Ticks a second, 60 unless told. */
  readonly hz?: number;
  /** What draws the controls: `drawing` of `nodulum-runtime/draw`. Without, the game draws them itself, by `controls()`. */
  readonly draw?: MakePainter | undefined;
  /** Whether keys, mouse and pads count. True unless told. */
  readonly keys?: boolean;
  readonly mouse?: boolean;
  readonly pads?: boolean;
  /** Overrules the file; the address does both, by `?nodulum-appear=always`. */
  readonly appear?: Appear;
  /** `own`: it steps by itself, before each picture; `game`: the game calls `step`. */
  readonly loop?: "own" | "game";
  /** What a player had changed, as `own.json()` gave it. */
  readonly own?: unknown;
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
export interface Asked {
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
  /** Turns an action round, across, up and down. */
  invert(action: string, across: boolean, upDown: boolean): boolean;
  /** All that was changed, to be kept by the game and given to `play` again. */
  json(): OwnChanges;
  reset(): void;
}

/** Hears a tick: what every action gives, the time since it began to play (ms), what came in it. */
export type OnTick = (values: ActionValues, timeMs: number, events: readonly InputEvent[]) => void;

/** A layout that plays. `Name`: the words of the game, such as `ActionName` of the constants, so that a misspelt one does not compile. */
export interface Handle<Name extends string = string> {
  /**
   * What an action gives: a press true/false, an axis −1…1, a vector or a motion [x, y], y up. A motion is that of the last step. A word that the
   * layout does not have gives what the nearest word that it has gives at rest; false where none is near. The type is any
   * unless its use says more: `const gas: number = controls.value("gas")`.
   */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- of a word alone the kind is not known; any is what can be taken apart, counted with and asked
  value<V extends ActionValue = any>(name: Name): V;
  /** The way a vector points, degrees counter-clockwise from the right; 0 where it gives nothing. */
  angle(name: Name): number;
  /** How much an action gives, 0…1 (a motion: how far it went). */
  strength(name: Name): number;
  /** Whether a press began, ended, since the last step but one. */
  rose(name: Name): boolean;
  fell(name: Name): boolean;
  /** Hears the values of every tick, its time and the events that came in it; gives what stops it. */
  onTick(listener: OnTick): () => void;
  /** Plays up to now (ms, as `performance.now()`): for a game with its own loop. */
  step(nowMs?: number): void;
  /** Every control that shows, in drawing order. */
  controls(): readonly PlayedControl[];
  /** Hides a control or shows it again. */
  show(id: string, on: boolean): void;
  moment: string | null;
  handed: "right" | "left";
  playerSize: number;
  language: string;
  appear: Appear;
  /** The element that the controls stand over. */
  readonly over: HTMLElement;
  readonly screen: Screen;
  readonly layout: PlayedLayout;
  /** SHA-256 of the layout's file, as the played file says it. */
  readonly digest: string;
  readonly hz: number;
  /** All controls off, and on again. */
  off(): void;
  on(): void;
  /** Another layout, given as to `play`; touches go on on what is the same. */
  replace(played: PlayedSource): void;
  readonly own: Own;
  /** Words that were asked for and are not there, and how often each word was read. */
  readonly asked: Readonly<Record<string, Asked>>;
  readonly reads: Readonly<Record<string, number>>;
  /** Leaves nothing behind. */
  close(): void;
}
