/** The long fuzz: 20,000 broken files and 20,000 streams, or as many as the first argument says, from the seed of the second. */
import { conformanceCases } from "../test/cases";
import { fuzz } from "../test/fuzz";
import { parseLayout } from "../core/format/parse";

const times = Number(process.argv[2] ?? 20_000);
const seed = Number(process.argv[3] ?? 1);
const files = conformanceCases().map((c) => c.layout);
const layouts = files.flatMap((file) => {
  const read = parseLayout(file);
  return read.ok ? [read.value] : [];
});
const { filesTaken, tracesTaken } = fuzz(files, layouts, times, seed);
console.log(`${times} files, ${filesTaken} of them taken; ${times} streams, ${tracesTaken} of them taken; nothing thrown, nothing out of range`);
