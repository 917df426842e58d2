/** Edits of arrangements: variants of the layout for a range of aspect or size. */
import { ownEntry } from "../../engine/playerChanges";
import { refused, type Result } from "../../engine/result";
import type { Arrangement, Layout } from "../../format/types";
import { checked } from "./checked";
import { freeIdOf } from "./ids";

export type When = Arrangement["when"];

/** Adds an arrangement, after the others; it changes nothing yet. Gives the layout and its id. */
export function addArrangement(layout: Layout, name: string, when: When): Result<{ layout: Layout; id: string }> {
  const id = freeIdOf(layout.arrangements, name, "arrangement");
  const problem = whenProblem(when);
  if (problem) return refused("arrangements", problem);
  const result = checked(layout, { ...layout, arrangements: [...layout.arrangements, { id, name, when, overrides: {} }] });
  return result.ok ? { ok: true, value: { layout: result.value, id } } : result;
}

/** Changes an arrangement's name or range. */
export function changeArrangement(layout: Layout, id: string, change: { name?: string; when?: When }): Result<Layout> {
  if (!layout.arrangements.some((a) => a.id === id)) return refused("arrangements", `there is no arrangement "${id}"`);
  const problem = change.when && whenProblem(change.when);
  if (problem) return refused("arrangements", problem);
  return checked(layout, { ...layout, arrangements: layout.arrangements.map((a) => (a.id === id ? { ...a, ...change } : a)) });
}

function whenProblem(when: When): string | null {
  for (const [name, range] of [
    ["aspect", when.aspect],
    ["short side", when.shortSideMm],
  ] as const)
    if (range?.min !== undefined && range.max !== undefined && range.min >= range.max) return `the ${name} must run from less to more`;
  return null;
}

/** Removes an arrangement with all that it changed. */
export function removeArrangement(layout: Layout, id: string): Result<Layout> {
  if (!layout.arrangements.some((a) => a.id === id)) return refused("arrangements", `there is no arrangement "${id}"`);
  return checked(layout, { ...layout, arrangements: layout.arrangements.filter((a) => a.id !== id) });
}

/** Puts an arrangement one place earlier or later: of several that match a screen, the first applies. */
export function moveArrangement(layout: Layout, id: string, by: -1 | 1): Result<Layout> {
  const list = [...layout.arrangements];
  const at = list.findIndex((a) => a.id === id);
  if (at < 0) return refused("arrangements", `there is no arrangement "${id}"`);
  const to = at + by;
  if (to < 0 || to >= list.length) return checked(layout, layout);
  [list[at], list[to]] = [list[to], list[at]];
  return checked(layout, { ...layout, arrangements: list });
}

/** Hides placeables under an arrangement, or shows them again. */
export function hideIn(layout: Layout, arrangement: string, ids: readonly string[], hidden: boolean): Result<Layout> {
  return checked(layout, {
    ...layout,
    arrangements: layout.arrangements.map((a) => {
      if (a.id !== arrangement) return a;
      const overrides = { ...a.overrides };
      for (const id of ids) {
        const next = { ...(ownEntry(overrides, id) ?? {}), hidden };
        if (!hidden && Object.keys(next).length === 1) delete overrides[id];
        else overrides[id] = next;
      }
      return { ...a, overrides };
    }),
  });
}
