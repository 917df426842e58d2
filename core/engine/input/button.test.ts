import { placed, playOn, pressButton, staged, touch, trueAt } from "../../../test/stage";
import type { InputEvent } from "./events";

const button = (feel: object = {}, id = "b", x = 200) => pressButton(id, x, feel);
const press = (id = "b") => ({ name: id, kind: "press" });
const one = (feel: object) => staged([button(feel)], [press()]);
const tap = (from: number, to: number, end: "up" | "cancel" = "up", x = 200): InputEvent[] => [touch(from, "down", x, 300), touch(to, end, x, 300)];
/** When the button is true under some events. */
const times = (feel: object, events: InputEvent[], until = 0) => trueAt(playOn(one(feel), events, until), "b");

test("hold: while pressed, and once for a tap that no tick saw", () => {
  expect(times({}, tap(5, 35))).toEqual([10, 20, 30]);
  expect(times({}, tap(2, 4))).toEqual([10]);
  expect(times({}, [...tap(2, 4), ...tap(6, 8)])).toEqual([10]);
});

test("hold: two thumbs are one press, which ends when the last one lifts", () => {
  expect(times({}, [touch(5, "down", 200, 300, 1), touch(15, "down", 210, 300, 2), touch(25, "up", 200, 300, 1), touch(35, "up", 210, 300, 2)])).toEqual([
    10, 20, 30,
  ]);
});

test("latch: each press turns it over; a cancel no tick saw turns it back, a seen one does not", () => {
  expect(times({ press: "latch" }, [...tap(5, 15), ...tap(35, 36)], 60)).toEqual([10, 20, 30]);
  expect(times({ press: "latch" }, tap(2, 4, "cancel"), 40)).toEqual([]);
  expect(times({ press: "latch" }, tap(5, 15, "cancel"), 40)).toEqual([10, 20, 30, 40, 50]);
  expect(times({ press: "latch" }, [...tap(1, 2), ...tap(3, 4)], 30)).toEqual([]);
});

test("pulse: once at the tick after a press starts", () => {
  expect(times({ press: "pulse" }, [...tap(5, 45), ...tap(55, 85)])).toEqual([10, 60]);
  expect(times({ press: "pulse" }, tap(2, 4, "cancel"), 30)).toEqual([]);
});

test("release: once after a lift inside the hit area, never after a lift outside or a cancel", () => {
  expect(times({ press: "release" }, tap(5, 25), 50)).toEqual([30]);
  expect(times({ press: "release" }, [touch(5, "down", 200, 300), touch(25, "up", 400, 300)], 50)).toEqual([]);
  expect(times({ press: "release" }, tap(5, 25, "cancel"), 50)).toEqual([]);
});

test("long: from longMs on while pressed; once where it became long and ended unseen; not by a cancel", () => {
  expect(times({ press: "long", longMs: 30 }, tap(5, 55))).toEqual([40, 50]);
  expect(times({ press: "long", longMs: 30 }, tap(5, 34), 60)).toEqual([]);
  expect(times({ press: "long", longMs: 30 }, tap(5, 36), 60)).toEqual([40]);
  expect(times({ press: "long", longMs: 30 }, tap(5, 36, "cancel"), 60)).toEqual([]);
});

test("double: the second of two presses near in time; it is not the first of another", () => {
  const feel = { press: "double", withinMs: 50 };
  expect(times(feel, [...tap(5, 8), ...tap(45, 65)])).toEqual([50, 60]);
  expect(times(feel, [...tap(5, 8), ...tap(56, 65)], 90)).toEqual([]);
  expect(times(feel, [...tap(5, 8), ...tap(25, 28), ...tap(45, 65)])).toEqual([30]);
  expect(times(feel, [...tap(5, 8), ...tap(25, 28), ...tap(45, 48), ...tap(61, 75)])).toEqual([30, 70]);
});

test("double: a cancelled press never was, seen or not", () => {
  const feel = { press: "double", withinMs: 100 };
  expect(times(feel, [...tap(5, 15, "cancel"), ...tap(25, 45)], 60)).toEqual([]);
  expect(times(feel, [...tap(5, 8), ...tap(15, 25, "cancel"), ...tap(35, 55)])).toEqual([20, 40, 50]);
});

test("slide out: keeps on, or lets go where the thumb leaves", () => {
  const leave = [touch(5, "down", 200, 300), touch(15, "move", 400, 300), touch(45, "up", 400, 300)];
  expect(times({}, leave)).toEqual([10, 20, 30, 40]);
  expect(times({ slideOut: "release" }, leave, 60)).toEqual([10]);
});

test("slide in: a thumb that comes from beside presses, and comes back only by sliding in again", () => {
  const layout = staged([button({ slideIn: true }, "a", 200), button({ slideIn: true }, "b", 400), button({}, "c", 600)], [press("a"), press("b"), press("c")]);
  const values = playOn(layout, [
    touch(5, "down", 200, 300),
    touch(15, "move", 400, 300),
    touch(25, "move", 600, 300),
    touch(35, "move", 400, 300),
    touch(45, "up", 400, 300),
  ]);
  expect([trueAt(values, "a"), trueAt(values, "b"), trueAt(values, "c")]).toEqual([[10], [20, 40], []]);
});

test("a touch that began on nothing can slide in; one that a stick holds cannot", () => {
  const stick = { id: "s", name: "s", kind: "stick", placement: placed(700, 300, 100), serves: [] };
  const layout = staged([stick, button({ slideIn: true })], [press()]);
  expect(trueAt(playOn(layout, [touch(5, "down", 20, 20), touch(15, "move", 200, 300)], 30), "b")).toEqual([20, 30, 40]);
  expect(trueAt(playOn(layout, [touch(5, "down", 700, 300), touch(15, "move", 200, 300)], 30), "b")).toEqual([]);
});

test("repeat: at once, after the delay, then at each interval; anew after a let-go", () => {
  const layout = staged([{ ...button(), serves: [{ port: "press", action: "b", repeat: { delayMs: 30, intervalMs: 20 } }] }], [press()]);
  expect(trueAt(playOn(layout, tap(5, 95)), "b")).toEqual([10, 40, 60, 80]);
  expect(trueAt(playOn(layout, [...tap(5, 25), ...tap(45, 65)]), "b")).toEqual([10, 50]);
});

test("out of sight it lets go as by cancel and gives nothing; a latch remembers", () => {
  const moments = {
    moments: [
      { id: "sail", name: "Sail" },
      { id: "dock", name: "Dock" },
    ],
  };
  const layout = (feel: object) => staged([{ ...button(feel), moments: ["sail"] }], [press()], moments);
  const to = (t: number, moment: string): InputEvent => ({ t, type: "moment", moment });
  expect(trueAt(playOn(layout({}), [touch(5, "down", 200, 300), to(25, "dock"), to(45, "sail")], 60), "b")).toEqual([10, 20]);
  expect(trueAt(playOn(layout({ press: "latch" }), [...tap(5, 8), to(25, "dock"), to(45, "sail")], 50), "b")).toEqual([10, 20, 50, 60]);
  expect(
    trueAt(
      playOn(layout({ press: "release" }), [touch(5, "down", 200, 300), { t: 15, type: "off" }, { t: 25, type: "on" }, touch(35, "up", 200, 300)], 50),
      "b",
    ),
  ).toEqual([]);
});
