import fc from "fast-check";
import { createOwner, type Owned } from "./owner";

/** A thing that counts: how often it was created, and what became of each. */
function counted(lasts: "layout" | "window") {
  const made: { readonly number: number; readonly before: number | null; isEnded: boolean }[] = [];
  const owned: Owned<string, (typeof made)[number]> = {
    lasts,
    create: (_, before) => {
      const one = { number: made.length, before: before?.number ?? null, isEnded: false };
      made.push(one);
      return one;
    },
    end: (one) => void (one.isEnded = true),
  };
  return { made, owned };
}

test("in any order of uses and changes there is one value at a time, and every other one has ended", () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom("use", "use the other", "change" as const), { maxLength: 30 }), (steps) => {
      const [layout, window] = [counted("layout"), counted("window")];
      const owner = createOwner(() => "session");
      for (const step of steps) {
        if (step === "change") owner.changeLayout();
        const [used, wanted] =
          step === "use" ? [owner.get(layout.owned), layout.made.at(-1)] : step === "change" ? [] : [owner.get(window.owned), window.made[0]];
        expect(used).toBe(wanted);
        expect(layout.made.filter(({ isEnded }) => !isEnded).length).toBeLessThanOrEqual(1);
        expect(window.made.every(({ isEnded }) => !isEnded) && window.made.length <= 1).toBe(true);
      }
      // Each value of a layout was created from the last one before it.
      expect(layout.made.map(({ before }) => before)).toEqual(layout.made.map((_, i) => (i === 0 ? null : i - 1)));
      owner.close();
      expect([...layout.made, ...window.made].every(({ isEnded }) => isEnded)).toBe(true);
    }),
  );
});

test("what is created may use what else is owned", () => {
  const owner = createOwner(() => 2);
  const inner: Owned<number, number> = { lasts: "window", create: (subject) => subject * 10 };
  const outer: Owned<number, number> = { lasts: "layout", create: () => owner.get(inner) + 1 };
  expect([owner.get(outer), owner.get(inner)]).toEqual([21, 20]);
});
