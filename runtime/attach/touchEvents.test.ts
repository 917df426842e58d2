import fc from "fast-check";
import { createTouchSieve, type OneTouch } from "./touchEvents";
import { repeated } from "../../test/repeated";

/** Fingers that come down, move and go up in any order, each ours or the game's, several of them in one event. */
interface Deed {
  readonly finger: number;
  readonly with: number | null;
}
const deeds = fc.array(fc.record({ finger: fc.nat(4), with: fc.option(fc.nat(4), { nil: null }) }), { maxLength: 60 });

interface Told {
  readonly type: string;
  readonly changed: readonly number[];
  readonly touches: readonly number[];
}

/** Plays steps on a glass and writes down what a game is reported. A browser numbers touches by the first number that is free. */
function play(list: readonly Deed[], isOurs: (finger: number) => boolean, has: (finger: number) => boolean): Told[] {
  const sieve = createTouchSieve();
  const down = new Map<number, OneTouch & { readonly finger: number }>();
  const told: Told[] = [];
  let pointerId = 10;
  for (const { finger, with: other } of list) {
    const fingers = [finger, ...(other === null || other === finger ? [] : [other])].filter(has);
    if (fingers.length === 0) continue;
    // What a finger does next depends on the fingers alone, so that it is the same without ours: down, move, move, up.
    const starts = fingers.filter((one) => !down.has(one));
    const type = starts.length > 0 ? "touchstart" : finger % 2 === 0 ? "touchend" : "touchmove";
    const changedFingers = type === "touchstart" ? starts : fingers;
    for (const one of type === "touchstart" ? starts : []) {
      let identifier = 0;
      while ([...down.values()].some((touch) => touch.identifier === identifier)) identifier += 1;
      const at = { identifier, clientX: one * 50, clientY: 20, finger: one };
      down.set(one, at);
      sieve.down((pointerId += 1), { x: at.clientX, y: at.clientY }, isOurs(one));
    }
    const changedTouches = changedFingers.map((one) => down.get(one)!);
    if (type === "touchend") for (const one of changedFingers) down.delete(one);
    const touches = [...down.values()];
    const event = { type, touches, targetTouches: touches, changedTouches };
    const sifted = sieve.sift(event);
    if (sifted === "none") continue;
    const { changedTouches: changed, touches: all } = sifted === "all" ? event : sifted;
    const names = (some: ArrayLike<OneTouch>) => Array.from(some, (touch) => (touch as (typeof touches)[number]).finger);
    told.push({ type, changed: names(changed), touches: names(all) });
  }
  return told;
}

test("whatever the order of fingers, a game is told exactly what it would be told if ours did not exist", () => {
  let mixed = 0;
  fc.assert(
    fc.property(deeds, fc.uniqueArray(fc.nat(4), { maxLength: 3 }), (list, ours) => {
      const isOurs = (finger: number) => ours.includes(finger);
      // Of two fingers in one event both are of one hand here; events with fingers of both are the next test's.
      const oneHand = list.map((deed) => ({ ...deed, with: deed.with !== null && isOurs(deed.with) === isOurs(deed.finger) ? deed.with : null }));
      const told = play(oneHand, isOurs, () => true);
      expect(told).toEqual(
        play(
          oneHand,
          () => false,
          (finger) => !isOurs(finger),
        ),
      );
      if (ours.length > 0 && told.length > 3) mixed += 1;
    }),
    { numRuns: repeated(400) },
  );
  expect(mixed).toBeGreaterThan(50);
});

test("an event of fingers of both is told with the game's alone, and the number of a finger that has gone may be another's", () => {
  const sieve = createTouchSieve();
  const touch = (identifier: number, clientX: number) => ({ identifier, clientX, clientY: 0 });
  const event = (type: string, touches: OneTouch[], changedTouches: OneTouch[]) => sieve.sift({ type, touches, targetTouches: touches, changedTouches });
  const [stick, game] = [touch(0, 10), touch(1, 200)];
  sieve.down(1, { x: 10, y: 0 }, true);
  sieve.down(2, { x: 200, y: 0 }, false);
  expect(event("touchstart", [stick, game], [stick, game])).toEqual({ touches: [game], targetTouches: [game], changedTouches: [game] });
  expect(event("touchmove", [stick, game], [stick, game])).toEqual({ touches: [game], targetTouches: [game], changedTouches: [game] });
  expect(event("touchend", [game], [stick])).toBe("none");
  expect(sieve.holds()).toBe(false);
  // The game's second finger gets the number 0 that ours had.
  sieve.down(3, { x: 10, y: 0 }, false);
  expect(event("touchstart", [touch(0, 10), game], [touch(0, 10)])).toBe("all");
  expect(event("touchend", [game], [touch(0, 10)])).toBe("all");
});

test("a pointer whose touch never started is not waited for", () => {
  const sieve = createTouchSieve();
  sieve.down(1, { x: 10, y: 0 }, true);
  sieve.gone(1);
  sieve.down(2, { x: 12, y: 0 }, false);
  const touch = { identifier: 0, clientX: 10, clientY: 0 };
  expect(sieve.sift({ type: "touchstart", touches: [touch], targetTouches: [touch], changedTouches: [touch] })).toBe("all");
});
