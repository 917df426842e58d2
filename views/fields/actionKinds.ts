/** The kinds of actions, in words. */
import type { ActionKind } from "../../core/format/types";

export const ACTION_KINDS: readonly (readonly [ActionKind, string])[] = [
  ["press", "press · true or false"],
  ["axis", "axis · −1 to 1"],
  ["vector", "vector · x and y"],
  ["motion", "motion · change per tick"],
  ["delta", "delta · change per tick, one way"],
];
