import { createCalm, type CalmClock } from "./calm";

/** A source, a clock and a timer that are led by hand. */
function stage() {
  let value = 0;
  let dragging = false;
  let time = 1000;
  let changed: () => void = () => undefined;
  const timers = new Map<number, { at: number; act: () => void }>();
  const clock: CalmClock = {
    now: () => time,
    later: (act, ms) => {
      timers.set(timers.size + 1, { at: time + ms, act });
      return timers.size;
    },
    forget: (timer: never) => void timers.delete(timer),
  };
  const stopped = jest.fn();
  const calm = createCalm(
    {
      now: () => value,
      dragging: () => dragging,
      subscribe: (onChange) => {
        changed = onChange;
        return stopped;
      },
    },
    100,
    clock,
  );
  const heard: number[] = [];
  const stop = calm.subscribe(() => heard.push(calm.get()));
  return {
    calm,
    heard,
    stop,
    stopped,
    timers,
    set: (next: number, drag = dragging) => {
      value = next;
      dragging = drag;
      changed();
    },
    pass: (ms: number) => {
      time += ms;
      for (const [id, { at, act }] of [...timers]) if (at <= time && timers.delete(id)) act();
    },
  };
}

test("at rest it follows at once, and says nothing where nothing changed", () => {
  const { set, heard } = stage();
  set(1);
  set(1);
  set(2);
  expect(heard).toEqual([1, 2]);
});

test("while something is dragged it follows at most every so often, the latest, and the last of it is never left out", () => {
  const { set, pass, heard, calm } = stage();
  pass(500);
  set(1, true);
  set(2);
  pass(40);
  set(3);
  expect(heard).toEqual([1]);
  pass(60);
  expect(heard).toEqual([1, 3]);
  set(4);
  pass(100);
  expect([heard, calm.get()]).toEqual([[1, 3, 4], 4]);
});

test("let go, it follows at once and no timer is left behind", () => {
  const { set, pass, heard, timers } = stage();
  pass(500);
  set(1, true);
  set(2);
  set(3, false);
  expect([heard, timers.size]).toEqual([[1, 3], 0]);
});

test("whoever stops listening hears nothing more", () => {
  const { set, pass, heard, stop, stopped, timers } = stage();
  pass(500);
  set(1, true);
  set(2);
  stop();
  pass(200);
  expect([heard, timers.size, stopped.mock.calls.length]).toEqual([[1], 0, 1]);
});
