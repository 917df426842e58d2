/** The long fuzz: 20,000 broken files and streams and 1,000,000 broken played files, or as many as the first and the second argument say, from the seed of the third. */
import { conformanceCases } from "../test/cases";
import { fuzz, fuzzPlayed } from "../test/fuzz";
import { compile } from "../core/format/compile";
import { parseLayout } from "../core/format/parse";

const times = Number(process.argv[2] ?? 20_000);
const playedTimes = Number(process.argv[3] ?? 1_000_000);
const seed = Number(process.argv[4] ?? 1);
const files = conformanceCases().map((c) => c.layout);
const layouts = files.flatMap((file) => {
  const read = parseLayout(file);
  return read.ok ? [read.value] : [];
});
const { filesAccepted, tracesAccepted } = fuzz(files, layouts, times, seed);
console.log(`${times} files, ${filesAccepted} of them taken; ${times} streams, ${tracesAccepted} of them taken; nothing thrown, nothing out of range`);
/** Played files between two lines of progress. */
const STRETCH = 50_000;
const played = layouts.map(compile);
let playedAccepted = 0;
for (let done = 0; done < playedTimes; done += STRETCH) {
  const times = Math.min(STRETCH, playedTimes - done);
  playedAccepted += fuzzPlayed(played, times, seed + done);
  console.log(`${done + times} played files, ${playedAccepted} of them taken; nothing thrown`);
}
