import { conformanceCases, difference } from "../../../test/cases";
import { parseLayout } from "../../format/parse";
import { printResolved } from "../../exchange/resolvedData";
import { resolveLayout } from "./resolve";
import { parseScreen } from "./screen";

test.each(conformanceCases().map((c) => [c.seed, c] as const))("case %i resolves to the digit", (_seed, c) => {
  const layout = parseLayout(c.layout);
  const screen = parseScreen(c.options.screen);
  if (!layout.ok || !screen.ok) throw new Error(JSON.stringify([layout, screen]));
  const { screen: _screen, ...resolved } = printResolved(
    resolveLayout(layout.value, screen.value, { handed: c.options.handed, playerSize: c.options.playerSize, moment: null }),
  );
  expect(difference(resolved, c.resolved)).toBeNull();
});
