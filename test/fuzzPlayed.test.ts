import { sampleLayouts } from "./samples";
import { compile } from "../core/format/compile";
import { placed, staged } from "./stage";
import { fuzzPlayed } from "./fuzz";
import { repeated } from "./repeated";

/** Small ones, in which a break more often falls on something that matters. */
const SMALL = [
  staged([], []),
  staged(
    [
      { id: "s", name: "S", kind: "stick", placement: { ...placed(50, 50, 40), frame: { cluster: "c" } }, serves: [{ port: "vector", action: "go" }] },
      { id: "b", name: "B", kind: "button", placement: placed(90, 50, 20), serves: [{ port: "press", action: "hop", repeat: { delayMs: 1, intervalMs: 2 } }] },
    ],
    [
      { name: "go", kind: "vector", keys: [{ code: "KeyW", value: [0, 1] }], pad: [{ stick: "left" }], mouse: [{ button: 2, value: [1, 0] }] },
      { name: "hop", kind: "press" },
    ],
    { clusters: [{ id: "c", name: "C", placement: placed(50, 50, 60) }] },
  ),
].map(compile);

/** A million of them are `npm run fuzz`. */
const FILES = repeated(1500);

test("broken played files: the reader's own error or a layout that plays, never another throw", () => {
  const files = sampleLayouts().map(compile).concat(SMALL);
  const accepted = fuzzPlayed(files, FILES, 1);
  expect(accepted).toBeGreaterThan(FILES / 100);
  expect(accepted).toBeLessThan(FILES * 0.95);
});
