import { checkScreen } from "../core/checks/check";
import { catalogueFor } from "../core/checks/catalogue";
import { sampleLayouts } from "../test/samples";

const [brackwater, pigeonhole, firstDraft, derrick] = sampleLayouts();

test.each([brackwater, pigeonhole, derrick].map((layout) => [layout.name, layout] as const))(
  "%s has no finding that is not accepted with a reason, on any screen, in either hand, for the smallest and the largest player",
  (_name, layout) => {
    const screens = catalogueFor(layout.orientation);
    expect(screens).toHaveLength(24);
    const left = screens.flatMap((screen) =>
      (["right", "left"] as const).flatMap((handed) =>
        [layout.playerSizes.min, 1, layout.playerSizes.max].flatMap((playerSize) =>
          checkScreen(layout, screen, { handed, playerSize, moment: null }).flatMap((f) =>
            f.accepted ? [] : [`${screen.name}, ${handed}, ${playerSize}: ${f.text}`],
          ),
        ),
      ),
    );
    expect(left).toEqual([]);
    expect(layout.accepted.every((a) => a.reason.length > 20)).toBe(true);
  },
);

test("the first draft has the mistakes people really make", () => {
  const codes = new Set(catalogueFor("landscape").flatMap((screen) => checkScreen(firstDraft, screen).map((f) => f.code)));
  for (const code of ["bind/unknown-action", "touch/buried", "touch/overlap", "feel/travel-cut", "touch/small", "place/unsafe"] as const)
    expect(codes).toContain(code);
});
