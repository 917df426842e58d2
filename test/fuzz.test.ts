import { conformanceCases } from "./cases";
import { fuzz } from "./fuzz";
import { parseLayout } from "../core/format/parse";

test("broken files and streams: never a throw but a refusal, never a value out of range (a short run; npm run fuzz is the long one)", () => {
  const files = conformanceCases().map((c) => c.layout);
  const layouts = files.flatMap((file) => {
    const read = parseLayout(file);
    return read.ok ? [read.value] : [];
  });
  const { filesAccepted, tracesAccepted } = fuzz(files, layouts, 200, 1);
  // Neither side may be all or nothing, or the fuzz tests only the door or only the house.
  expect(filesAccepted).toBeGreaterThan(7);
  expect(filesAccepted).toBeLessThan(190);
  expect(tracesAccepted).toBeGreaterThan(40);
});
