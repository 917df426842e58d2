/** The takes that ship with the samples; fetched when they are asked for. */
import { parseTake } from "../core/exchange/takeFile";
import type { Take } from "../core/rehearsal/take";

/** Files of takes, as they are imported. */
type Files = readonly Promise<{ readonly default: unknown }>[];
const FETCH: readonly (() => Files)[] = [
  () => [import("./takes/brackwater-1.nodulum-take.json"), import("./takes/brackwater-2.nodulum-take.json"), import("./takes/brackwater-3.nodulum-take.json")],
  () => [import("./takes/pigeonhole-1.nodulum-take.json"), import("./takes/pigeonhole-2.nodulum-take.json"), import("./takes/pigeonhole-3.nodulum-take.json")],
  () => [
    import("./takes/brackwater-first-draft-1.nodulum-take.json"),
    import("./takes/brackwater-first-draft-2.nodulum-take.json"),
    import("./takes/brackwater-first-draft-3.nodulum-take.json"),
  ],
  () => [import("./takes/derrick-1.nodulum-take.json")],
];

/** The takes of a sample, by its place among the samples; none for a place beyond them. */
export async function takesOfSample(index: number): Promise<readonly Take[]> {
  const files = await Promise.all(FETCH[index]?.() ?? []);
  return files.map((file) => {
    const take = parseTake(file.default);
    if (!take.ok) throw new Error(`a shipped take does not parse: ${JSON.stringify(take.problems)}`);
    return take.value;
  });
}
