import { catalogueFor } from "./catalogue";
import { arrangementFor } from "../engine/placement/arrangement";
import { sampleLayouts } from "../../test/samples";
import { arrangementForScreens } from "./arrangementForScreens";

const shelf = catalogueFor("landscape");

test.each(sampleLayouts().map((layout) => [layout.name, layout] as const))(
  "an arrangement for some screens of %s holds on each of them first, and tells how many others it holds on",
  (_, layout) => {
    for (const screens of [[shelf[18]], [shelf[0], shelf[5]], shelf.slice(17, 22), shelf]) {
      const made = arrangementForScreens(layout, { screens, shelf, name: "For these" });
      if (!made.ok) throw new Error(JSON.stringify(made.problems));
      const { arrangements } = made.value.layout;
      expect(arrangements[0].name).toBe("For these");
      for (const screen of screens) expect(arrangementFor(arrangements, screen)).toBe(0);
      expect(made.value.others).toBe(shelf.filter((s) => !screens.includes(s) && arrangementFor(arrangements, s) === 0).length);
      expect(arrangements.slice(1)).toEqual(layout.arrangements);
    }
  },
);
