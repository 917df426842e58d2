import { firstDifference } from "../core/rehearsal/frameDifferences";
import { takeFrames, layoutDigest, takeLengthMs } from "../core/rehearsal/take";
import { SAMPLES } from "./samples";
import { takesOfSample } from "./takes";

/** How many takes each sample has. */
const sampleTakes = [3, 3, 3, 1];

test.each(SAMPLES.map((sample, i) => [sample.name, i] as const))("the takes of %s are of that layout, and give what they gave", async (_, i) => {
  const layout = SAMPLES[i].layout();
  const takes = await takesOfSample(i);
  expect(takes).toHaveLength(sampleTakes[i]);
  expect(new Set(takes.map((t) => t.name)).size).toBe(takes.length);
  for (const take of takes) {
    expect(take.layout).toBe(layoutDigest(layout));
    const frames = takeFrames(take, layout);
    // A take is a test of the controls: where this fails and the change is meant, `npm run takes` writes them again.
    expect(frames.ok && take.frames && firstDifference(take.frames, frames.value)).toBeNull();
    expect(takeLengthMs(take)).toBeGreaterThan(1000);
  }
});

test("there are no takes beyond the samples", async () => {
  expect(await takesOfSample(SAMPLES.length)).toEqual([]);
});
