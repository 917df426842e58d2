/// <reference lib="esnext.disposable" preserve="true" />
/** `nodulum-runtime`: plays a layout over an element of a page. */
export { play } from "./play";
export { load } from "./load";
export { readPlayed, type PlayedJson, type PlayedSource } from "./playedSource";
export { fullscreen } from "./fullscreen";
export type {
  Appear,
  UnknownName as Asked,
  PaintFrame as Frame,
  Handle,
  KnownActions,
  MakePainter,
  NameOf,
  PressEvent,
  ValueByKind,
  OnTick,
  Own,
  Painter,
  PlayedControl,
  PlayOptions,
} from "./handle";
export type { GivenState } from "./draw/drawn";
export type { OwnChanges } from "./overrides";
export type { ActionValue, ActionValues, InputEvent } from "../core/engine/input/events";
export type { PlayedLayout, Screen } from "../core/engine/types";
