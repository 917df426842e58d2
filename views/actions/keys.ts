/** Keys in words, and what a newly bound key gives. */
import type { Action } from "../../core/layout/types";

type Value = number | [number, number];

/** A KeyboardEvent.code as it is spoken of: KeyW → W, ArrowUp → ↑. */
export function keyWord(code: string): string {
  const arrows: Record<string, string> = { ArrowUp: "↑", ArrowDown: "↓", ArrowLeft: "←", ArrowRight: "→" };
  return arrows[code] ?? code.replace(/^(Key|Digit)/, "");
}

/** What a key can give: directions of a vector, ends of an axis. */
export const DIRECTIONS: Readonly<Record<"vector" | "axis", readonly (readonly [string, Value])[]>> = {
  vector: [
    ["▲", [0, 1]],
    ["▼", [0, -1]],
    ["◀", [-1, 0]],
    ["▶", [1, 0]],
  ],
  axis: [
    ["−1", -1],
    ["+1", 1],
  ],
};

/** A key's value in a sign. */
export function directionWord(value: Value | undefined): string {
  if (Array.isArray(value)) return DIRECTIONS.vector.find(([, v]) => Array.isArray(v) && v[0] === value[0] && v[1] === value[1])?.[0] ?? value.join(", ");
  return value === undefined || value === 1 ? "+1" : value === -1 ? "−1" : String(value);
}

const USUAL: Readonly<Record<string, string>> = { KeyW: "▲", ArrowUp: "▲", KeyS: "▼", ArrowDown: "▼", KeyA: "◀", ArrowLeft: "◀", KeyD: "▶", ArrowRight: "▶" };

/** What a key gives when it is newly bound: by its usual direction, else the first that no other key gives. */
export function nextKeyValue(action: Pick<Action, "kind" | "keys">, code: string): Value | undefined {
  if (action.kind !== "vector" && action.kind !== "axis") return undefined;
  const all = DIRECTIONS[action.kind];
  const usual = all.find(([word]) => word === USUAL[code]);
  if (usual) return usual[1];
  const taken = action.keys.map((k) => directionWord(k.value));
  return (all.find(([word]) => !taken.includes(word)) ?? all[0])[1];
}
