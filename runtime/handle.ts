/** The public types of the runtime: options, handle, painter. docs/RUNTIME.md has examples. */
import type { ActionValue, ActionValues, InputEvent } from "../core/engine/input/events";
import type { Box, Point } from "../core/engine/geometry/point";
import type { ActionKind, ControlKind, PlayedLayout, Screen } from "../core/engine/types";
import type { DrawnControl, GivenState } from "./draw/drawn";
import type { OwnChanges } from "./overrides";
import type { PlayedSource } from "./playedSource";

/** When controls are visible: as in the layout file, or overridden by the game. */
export type Appear = PlayedLayout["appear"];

/** The input of a painter. */
export interface PaintFrame {
  readonly layout: PlayedLayout;
  readonly screen: Screen;
  readonly drawn: readonly DrawnControl[];
  /** Opacity of all controls, 0…1, while they fade in or out. */
  readonly opacity: number;
  /** CSS px per screen px. */
  readonly scale: number;
}
/** Draws the controls over an element; `nodulum-runtime/draw` provides one. */
export interface Painter {
  /** Draws a frame. Called before an animation frame if anything changed; unchanged items of `drawn` keep their identity. */
  paint(frame: PaintFrame): void;
  /** Called before every animation frame: whether it must draw although nothing changed, for example because an image has loaded or the canvas was cleared. */
  isStale?(): boolean;
  /** Whether the drawing is visible; if false, the controls take no touches. Default: true. */
  isSeen?(): boolean;
  dispose(): void;
}
/** Creates a painter over an element. */
export type MakePainter = (over: HTMLElement) => Painter;

export interface PlayOptions {
  /** The element below the controls, or its selector: the game's canvas or its container. `play` throws if it is null or not found. */
  readonly over: Element | string | null;
  /** The screen. Default: computed from the element, the window's safe area and `ppi`. */
  readonly screen?: Screen;
  /** CSS px per inch. Default: 160 if the main pointer is coarse, else 96. */
  readonly ppi?: number;
  readonly handed?: "right" | "left";
  readonly playerSize?: number;
  /** The first moment, by its id; null shows all controls. */
  readonly moment?: string | null;
  /** The language of labels, a BCP 47 tag. */
  readonly language?: string;
  /** Ticks per second. Default: 60. */
  readonly hz?: number;
  /** Draws the controls: `drawing` of `nodulum-runtime/draw`. By default, the game draws them, using `controls()`. */
  readonly draw?: MakePainter | undefined;
  /** Whether keys, mouse and pads are read. Default: true. */
  readonly keys?: boolean;
  readonly mouse?: boolean;
  readonly pads?: boolean;
  /** Whether the device vibrates at presses of buttons that the layout lets vibrate (`buzzMs`). Default: true. */
  readonly buzz?: boolean;
  /** Whether the screen stays awake from the first touch on, while the page is seen. Default: true. */
  readonly awake?: boolean;
  /** Overrides the file; `?nodulum-appear=always` in the URL overrides both. */
  readonly appear?: Appear;
  /** `own`: one step per animation frame; `game`: the game calls `step`. */
  readonly loop?: "own" | "game";
  /** Changes of the player, from `overrides.json()`. */
  readonly overrides?: unknown;
  /** Called when a pad is connected or removed. */
  readonly onPad?: (isThere: boolean) => void;
}

/** A control for games that draw the controls: CSS px from the top left of the element. */
export interface PlayedControl {
  readonly id: string;
  readonly kind: ControlKind;
  /** The picture, and the area that takes touches. */
  readonly visual: Box;
  readonly hit: Box;
  /** The centres of base and knob (equal for controls without a knob). */
  readonly base: Point;
  readonly knob: Point;
  readonly held: boolean;
  /** Opacity, 0…1, including fading. */
  readonly opacity: number;
  /** How far a dial is turned, degrees clockwise; 0 for others. */
  readonly turn: number;
  /** The id of the layout's picture for the current state; null: none. */
  readonly picture: string | null;
  /** What `state` was last told of it; null: nothing. */
  readonly state: GivenState | null;
}

/** A name that the game read and the layout does not have. */
export interface UnknownName {
  readonly times: number;
  /** The most similar name; null if none is similar. */
  readonly nearest: string | null;
}

/** Changes that a player makes. Each stays within the layout's limits or returns false. */
export interface Own {
  /** Moves a control, mm right and down. Returns false without a change if it would leave the safe frame or overlap another control. */
  move(id: string, right: number, down: number): boolean;
  /** Scales a control, within the layout's player sizes. */
  size(id: string, factor: number): boolean;
  /** Sets the opacity of a control as a fraction of its look's opacity, 0.1…1. */
  fade(id: string, part: number): boolean;
  /** Multiplies the value of an action by a factor, 0.1…5. */
  sensitivity(action: string, factor: number): boolean;
  /** Inverts an action horizontally, vertically or both. */
  invert(action: string, across: boolean, upDown: boolean): boolean;
  /** Returns all changes, for the game to store and pass to `play` again. */
  json(): OwnChanges;
  reset(): void;
}

/** Called after each tick with the value of every action, the time since the start (ms) and the events of the tick. */
export type OnTick = (values: ActionValues, timeMs: number, events: readonly InputEvent[]) => void;

/** The value of each kind of action. A vector and a motion are [x, y], y up. */
export interface ValueByKind {
  readonly press: boolean;
  readonly axis: number;
  readonly vector: readonly [number, number];
  readonly motion: readonly [number, number];
  readonly delta: number;
}
/** What a game knows of its actions: their names, or their kinds by name, such as `typeof actions` of the exported constants. */
export type KnownActions = string | Readonly<Record<string, ActionKind>>;
/** The names of actions; where kinds are known, those of one kind. */
export type NameOf<A extends KnownActions, K extends ActionKind = ActionKind> = A extends string
  ? A
  : { [N in keyof A & string]: A[N] extends K ? N : never }[keyof A & string];
/** The general read: by kinds it infers the type of a value; without them it is any, or what you say it is. */
export type ReadValue<A extends KnownActions> = [A] extends [Readonly<Record<string, ActionKind>>]
  ? <N extends keyof A & string>(name: N) => ValueByKind[A[N]]
  : // eslint-disable-next-line @typescript-eslint/no-explicit-any -- the kind is not known from the name; any can be destructured, computed with and tested
    <V extends ActionValue = any>(name: NameOf<A>) => V;
/** What `on` tells of: a press began, or ended. */
export type PressEvent = "pressed" | "released";

/**
 * A playing layout. `A`: what the game knows of its actions, so that a misspelled name does not compile: `play<typeof actions>(…)` with the exported
 * constants, where a wrong kind does not compile either; or their names alone.
 */
export interface Handle<A extends KnownActions = string> {
  /**
   * Returns the value of an action: true or false for a press, −1…1 for an axis, [x, y] with y up for a vector or a motion, a number for a delta.
   * Motions and deltas are the change in the last step. An unknown name returns the value at rest of the nearest action, or false if none is
   * similar. The type is inferred from `typeof actions`; else it is any unless you give one: `const gas: number = controls.value("gas")`.
   */
  readonly value: ReadValue<A>;
  /** The value of a press. An unknown name, and an action of another kind, give false; so do those below, each its own value at rest. */
  press(name: NameOf<A, "press">): boolean;
  /** The value of an axis, −1…1. */
  axis(name: NameOf<A, "axis">): number;
  /** The value of a vector, of length 0…1: x right, y up. */
  vector(name: NameOf<A, "vector">): readonly [x: number, y: number];
  /** How far a motion went in the last step: x right, y up. */
  motion(name: NameOf<A, "motion">): readonly [x: number, y: number];
  /** How far a delta went in the last step. */
  delta(name: NameOf<A, "delta">): number;
  /** Returns the direction of a vector in degrees counter-clockwise from the right; 0 for a zero vector. */
  angle(name: NameOf<A>): number;
  /** Returns the magnitude of an action's value, 0…1 (for a motion or delta: how far it went). */
  magnitude(name: NameOf<A>): number;
  /** Whether a press began (ended) between the last two steps. */
  justPressed(name: NameOf<A, "press">): boolean;
  justReleased(name: NameOf<A, "press">): boolean;
  /** Calls the listener whenever a press begins or ends, during the step; returns a function that removes it. */
  on(event: PressEvent, name: NameOf<A, "press">, listener: () => void): () => void;
  /** Calls the listener after every tick; returns a function that removes it. */
  onTick(listener: OnTick): () => void;
  /** Runs all due ticks up to now (ms, as `performance.now()`), for a game with its own loop. */
  step(nowMs?: number): void;
  /** Returns the visible controls in drawing order. */
  controls(): readonly PlayedControl[];
  /**
   * Says of a control what its drawing shows: `{ enabled: false }` dims it, `cooldown` (the part of a wait that is left, 0…1) sweeps over its face,
   * `count` is a small number, `word` and `icon` stand in place of its own. No value changes by it. What is said replaces all that was said
   * before; null: nothing. Throws where the layout has no such control.
   */
  state(id: string, given: GivenState | null): void;
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
  /** The same, for `using controls = play(…)`. */
  [Symbol.dispose](): void;
}
