/** Scenarios: each requested screen for each requested player, and where every control is there, in mm. */
import { arrangementFor } from "../../engine/placement/arrangement";
import { resolve, type PlayerView } from "../../engine/placement/resolve";
import { framesOf, pxPerMm, type ScreenFrames } from "../../engine/placement/screen";
import type { Box } from "../../engine/geometry/point";
import { preparedOf } from "../../derived/prepared";
import type { PlayerCase } from "../../checks/grid";
import type { Layout, Screen } from "../../format/types";

/** A screen for one player. `mm`: px per mm. */
export interface Scenario {
  readonly screen: Screen;
  readonly player: PlayerCase;
  readonly view: PlayerView;
  readonly mm: number;
  /** The frames, mm. */
  readonly frames: ScreenFrames;
  readonly arrangement: string | null;
  readonly mirrored: boolean;
}

/** How many numbers describe a control, mm: its visual box, hit box, travel and landing area (boxes as x, y, w, h). */
export const NUMBERS = 13;
export const VISUAL = 0;
export const HIT = 4;
export const TRAVEL = 8;
export const LANDING = 9;

/** Each screen for each player, sorted, so that the order of the request does not matter. */
export function scenariosOf(layout: Layout, screens: readonly Screen[], faces: readonly PlayerCase[]): Scenario[] {
  const sorted = screens.map((screen) => ({ screen, text: JSON.stringify(screen) })).sort((a, b) => (a.text < b.text ? -1 : a.text > b.text ? 1 : 0));
  return sorted.flatMap(({ screen }) => {
    const mm = pxPerMm(screen);
    const inMm = ({ x, y, w, h }: Box): Box => ({ x: x / mm, y: y / mm, w: w / mm, h: h / mm });
    const all = framesOf(screen, layout.picture);
    const frames = { screen: inMm(all.screen), safe: inMm(all.safe), picture: inMm(all.picture) };
    const arrangement = layout.arrangements[arrangementFor(layout.arrangements, screen)]?.id ?? null;
    return faces.map((face): Scenario => ({
      screen,
      player: face,
      view: { ...face, moment: null },
      mm,
      frames,
      arrangement,
      mirrored: face.handed === "left",
    }));
  });
}

/** Where the controls of a layout are in a scenario: `NUMBERS` per control, in the order of the file; NaN for controls that are not there. */
export function numbersOn(layout: Layout, { screen, view, mm }: Scenario, places: ReadonlyMap<string, number>): Float64Array {
  const numbers = new Float64Array(NUMBERS * layout.controls.length).fill(NaN);
  const put = (at: number, { x, y, w, h }: Box) => {
    numbers[at] = x / mm;
    numbers[at + 1] = y / mm;
    numbers[at + 2] = w / mm;
    numbers[at + 3] = h / mm;
  };
  for (const control of resolve(preparedOf(layout), screen, view).controls) {
    const at = places.get(control.id)! * NUMBERS;
    put(at + VISUAL, control.visual);
    put(at + HIT, control.hit);
    if (control.travel !== undefined) numbers[at + TRAVEL] = control.travel / mm;
    if (control.landing) put(at + LANDING, control.landing);
  }
  return numbers;
}
