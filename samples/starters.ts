/** Starters: nine layouts of the project's own to begin with, each for a kind of play. */
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import driving from "./starters/driving.nodulum.json";
import flying from "./starters/flying.nodulum.json";
import gridSteps from "./starters/grid-steps.nodulum.json";
import menusAndMap from "./starters/menus-and-map.nodulum.json";
import oneThumb from "./starters/one-thumb.nodulum.json";
import rhythm from "./starters/rhythm.nodulum.json";
import sideView from "./starters/side-view.nodulum.json";
import throwAndAim from "./starters/throw-and-aim.nodulum.json";
import topView from "./starters/top-view.nodulum.json";

/** A starter. `plain`: the kind of play it is for, in a few words. */
export interface Starter {
  readonly name: string;
  readonly plain: string;
  readonly layout: () => Layout;
}

const starter = (file: { readonly name: string }, plain: string): Starter => ({
  name: file.name,
  plain,
  layout() {
    const read = parseLayout(file);
    if (!read.ok) throw new Error(`a shipped starter does not parse: ${JSON.stringify(read.problems)}`);
    return read.value;
  },
});

/** The starters, the commonest kinds of play first. */
export const STARTERS: readonly Starter[] = [
  starter(sideView, "walk, leap and dash, seen from the side"),
  starter(topView, "two sticks: one moves, one aims"),
  starter(driving, "a steering slide or wheel, and two pedals"),
  starter(oneThumb, "upright, swipes under one thumb"),
  starter(gridSteps, "step by step on a grid"),
  starter(flying, "a stick, a look, a throttle lever"),
  starter(throwAndAim, "aim and let go, a wheel, a zoom lever"),
  starter(menusAndMap, "menus and a map, by a d-pad"),
  starter(rhythm, "four plates in time"),
];
