/** Which kind of action a word most likely names: what games usually call a way to go, a view that turns, a pedal. Only a beginning; the user says. */
import type { ActionKind } from "../format/types";

const USUAL: readonly (readonly [ActionKind, ReadonlySet<string>])[] = [
  ["vector", new Set("move movement walk go roam helm aim direction dir stick dpad navigate vector drive".split(" "))],
  ["motion", new Set("look camera view orbit motion delta".split(" "))],
  ["axis", new Set("steer steering turn throttle zoom lean sidle yaw pitch axis rudder".split(" "))],
];

/** The kind a word most likely is of, by any of its parts; a press where nothing reports. */
export function wordKind(word: string): ActionKind {
  const parts = word
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .split(/[^a-z\d]+/);
  return USUAL.find(([, words]) => parts.some((part) => words.has(part)))?.[0] ?? "press";
}
