/** Implements `overrides` of the handle: a change is applied only if it stays within the layout's limits. */
import type { Resolved } from "../core/engine/placement/resolve";
import type { PlayedLayout } from "../core/engine/types";
import type { Own } from "./handle";
import { AS_GIVEN, AS_LAID_OUT, fitOwn, keepsClear, NO_CHANGES, readOwn, withOwn, type OwnAction, type OwnChanges, type OwnControl } from "./overrides";

export interface OwnParts {
  readonly layout: () => PlayedLayout;
  /** The layout's positions without changes. */
  readonly laidOut: () => Resolved;
  readonly changed: () => void;
}

export interface OwnHandle extends Own {
  readonly changes: () => OwnChanges;
}

const inRange = (value: number, low: number, high: number) => value >= low && value <= high;

export function createOwn({ layout, laidOut, changed }: OwnParts, kept: unknown): OwnHandle {
  let own = readOwn(kept);
  /** The changes limited to this screen: what the player sees, and the basis of the next change. */
  const here = () => fitOwn(layout(), laidOut(), own);
  const put = (id: string, change: (now: OwnControl) => Partial<OwnControl>): boolean => {
    const seen = here();
    const now = Object.hasOwn(seen.controls, id) ? seen.controls[id] : AS_LAID_OUT;
    const one = { ...now, ...change(now) };
    const next: OwnChanges = { ...seen, controls: { ...seen.controls, [id]: one } };
    if (!keepsClear(layout(), withOwn(laidOut(), seen), withOwn(laidOut(), next), id)) return false;
    own = { ...own, controls: { ...own.controls, [id]: one } };
    changed();
    return true;
  };
  const putAction = (name: string, change: Partial<OwnAction>): boolean => {
    if (!layout().actions.some((action) => action.name === name)) return false;
    const before = Object.hasOwn(own.actions, name) ? own.actions[name] : AS_GIVEN;
    own = { ...own, actions: { ...own.actions, [name]: { ...before, ...change } } };
    return true;
  };
  return {
    changes: () => own,
    move: (id, right, down) => put(id, (now) => ({ right: now.right + right, down: now.down + down })),
    size: (id, factor) => inRange(factor, layout().playerSizes.min, layout().playerSizes.max) && put(id, () => ({ size: factor })),
    fade: (id, part) => inRange(part, 0.1, 1) && put(id, () => ({ fade: part })),
    sensitivity: (name, factor) => inRange(factor, 0.1, 5) && putAction(name, { factor }),
    invert: (name, across, upDown) => putAction(name, { across, upDown }),
    json: () => own,
    reset() {
      own = NO_CHANGES;
      changed();
    },
  };
}
