import { conformanceCases, difference } from "../../../test/cases";
import { parseLayout } from "../../format/parse";
import { resolveLayout } from "../placement/resolve";
import { parseScreen } from "../placement/screen";
import { replay } from "./advance";
import type { InputEvent } from "./events";

test.each(conformanceCases().map((c) => [c.seed, c] as const))("case %i replays to the digit", (_seed, c) => {
  const layout = parseLayout(c.layout);
  const screen = parseScreen(c.options.screen);
  if (!layout.ok || !screen.ok) throw new Error(JSON.stringify([layout, screen]));
  const resolved = resolveLayout(layout.value, screen.value, { handed: c.options.handed, playerSize: c.options.playerSize, moment: null });
  const frames = replay(layout.value, resolved, c.trace as InputEvent[], { hz: c.options.hz });
  expect(frames.length).toBe(c.frames.length);
  for (const [i, output] of frames.entries()) expect(difference(output, c.frames[i], `tick ${i + 1}`)).toBeNull();
});
