/** Ten fixed requests to Settle, with the least cost and price that are known of each: results of earlier versions and of long random searches. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { PlayerCase } from "../core/checks/grid";
import { plainScreen } from "../core/engine/placement/screen";
import { parseLayout } from "../core/format/parse";
import type { Screen } from "../core/format/types";
import type { SettleRequest } from "../core/settle/request";
import { BOTH_HANDS, requestFor, spoiledLayout } from "../test/spoiled";

/** A request and the least that is known of it, mm². */
export interface FixedCase {
  readonly name: string;
  readonly request: SettleRequest;
  readonly best: { readonly cost: number; readonly price: number };
}

const RIGHT: readonly PlayerCase[] = BOTH_HANDS.slice(0, 1);
const WIDE: readonly Screen[] = [plainScreen("2400×1080, 411 ppi", 2400, 1080, 411)];

const json = (file: string): unknown => JSON.parse(readFileSync(join("bench", "cases", `${file}.json`), "utf8"));

function fromFile(name: string, faces: readonly PlayerCase[], best: FixedCase["best"], screens = json(`${name}.screens`) as Screen[]): FixedCase {
  const read = parseLayout(json(name));
  if (!read.ok) throw new Error(`${name}: ${JSON.stringify(read.problems)}`);
  return { name, request: requestFor(read.value, screens, faces), best };
}

const fromSeed = (seed: number, best: FixedCase["best"]): FixedCase => ({
  name: `spoiled ${seed}`,
  request: spoiledLayout(seed, { controls: 6, screens: 2, moments: 1 })!.request,
  best,
});

/** The cases. */
export const fixedCases = (): readonly FixedCase[] => [
  fromFile("f1-false-proof", RIGHT, { cost: 0.252, price: 0.252 }, [...WIDE]),
  fromFile("f2-two-controls", RIGHT, { cost: 0.117, price: 0.157 }, [...WIDE]),
  fromFile("f2-n2", BOTH_HANDS, { cost: 0.413, price: 0.5 }),
  fromFile("a3-flying", RIGHT, { cost: 130.4, price: 164.119 }),
  fromFile("f4-n8", BOTH_HANDS, { cost: 10.573, price: 11.204 }),
  fromSeed(5, { cost: 4.497, price: 4.497 }),
  fromSeed(11, { cost: 4.652, price: 4.748 }),
  fromSeed(21, { cost: 5.833, price: 5.949 }),
  fromSeed(40, { cost: 6.351, price: 6.659 }),
  fromSeed(43, { cost: 35.839, price: 40.046 }),
];
