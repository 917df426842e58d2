/** The handle on what a player changes for himself: each change is tried first, and made only where it keeps to the layout's limits. */
import type { Resolved } from "../core/engine/placement/resolve";
import type { PlayedLayout } from "../core/engine/types";
import type { Own } from "./handle";
import { AS_GIVEN, AS_LAID_OUT, keepsClear, NO_CHANGES, readOwn, type OwnAction, type OwnChanges, type OwnControl } from "./own";

export interface OwnParts {
  readonly layout: () => PlayedLayout;
  /** Where everything stands with some changes. */
  readonly placesWith: (own: OwnChanges) => Resolved;
  readonly changed: () => void;
}

export interface OwnHandle extends Own {
  readonly changes: () => OwnChanges;
}

const inRange = (value: number, low: number, high: number) => value >= low && value <= high;

export function createOwn({ layout, placesWith, changed }: OwnParts, kept: unknown): OwnHandle {
  let own = readOwn(kept);
  const of = (id: string): OwnControl => (Object.hasOwn(own.controls, id) ? own.controls[id] : AS_LAID_OUT);
  const put = (id: string, change: Partial<OwnControl>): boolean => {
    const next: OwnChanges = { ...own, controls: { ...own.controls, [id]: { ...of(id), ...change } } };
    if (!keepsClear(layout(), placesWith(own), placesWith(next), id)) return false;
    own = next;
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
    move: (id, right, down) => put(id, { right: of(id).right + right, down: of(id).down + down }),
    size: (id, factor) => inRange(factor, layout().playerSizes.min, layout().playerSizes.max) && put(id, { size: factor }),
    fade: (id, part) => inRange(part, 0.1, 1) && put(id, { fade: part }),
    sensitivity: (name, factor) => inRange(factor, 0.1, 5) && putAction(name, { factor }),
    invert: (name, across, upDown) => putAction(name, { across, upDown }),
    json: () => own,
    reset() {
      own = NO_CHANGES;
      changed();
    },
  };
}
