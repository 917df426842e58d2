/** Laws of the chain, over any layout. */
import fc from "fast-check";
import { checkScreen } from "../checks/check";
import { frozen, layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { portFits, serveLacks } from "../engine/input/fits";
import { addMoment, moveMoment, onlyIn, removeMoment, type Homeless } from "../editing/edits/moments";
import { readLayout } from "../format/parse";
import type { Layout, Serve } from "../format/types";
import { writeLayout } from "../format/write";
import type { Result } from "../engine/result";
import { joinPort, portsOf, portWhyNot, wiresOf } from "./serves";
import { hardwareClashes, leftToDo, looseEnds, actionStatuses } from "./actionStatus";
import { matchWords, mismatches, adopt, type ControlChoice, type WordChoice } from "./adopt";
import { repeated } from "../../test/repeated";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const RUNS = { numRuns: repeated(20) };
const servesOf = (layout: Layout) => layout.controls.flatMap((c) => (c.serves as readonly Serve[]).map((serve) => ({ control: c.id, serve })));

test("an action is left to do exactly where the findings say that nothing serves it, as long as all wires fit", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (any, screen) => {
      // Wires that do not fit are a their own finding, and what an arrangement hides is a matter of the screen.
      const kinds = new Map(any.actions.map((a) => [a.name, a.kind]));
      const fits = (s: Serve) => {
        const kind = kinds.get(s.action);
        return kind === undefined || (portFits(s.port, kind) && serveLacks(s.port, kind, s.value, s.scale) === null);
      };
      const controls = any.controls.map((c) => ({ ...c, serves: (c.serves as Serve[]).filter(fits) })) as Layout["controls"];
      const layout = { ...any, controls, arrangements: [] };
      const unserved = new Set(checkScreen(layout, screen).flatMap((f) => (f.code === "bind/unserved" ? f.subjects : [])));
      expect(new Set(actionStatuses(layout).flatMap((s) => (s.toDo ? [s.name] : [])))).toEqual(unserved);
      const wrong = checkScreen(layout, screen).flatMap((f) => (f.code === "bind/unknown-action" || f.code === "bind/silent" ? [f.subjects[0]] : []));
      expect(new Set(looseEnds(layout).map((e) => e.control))).toEqual(new Set(wrong));
      expect(leftToDo(layout).length === 0 && unserved.size + wrong.length > 0).toBe(false);
    }),
    RUNS,
  );
});

test("every wire of a layout belongs to one action, or is loose", () => {
  fc.assert(
    fc.property(layoutArbitrary, (layout) => {
      const touch = layout.actions.flatMap((a) => wiresOf(layout, a.name)).filter((w) => w.kind === "touch");
      const known = new Set(layout.actions.map((a) => a.name));
      expect(touch.length).toBe(servesOf(layout).filter(({ serve }) => known.has(serve.action)).length);
      const loose = new Set(looseEnds(layout).map((e) => e.control));
      expect(servesOf(layout).filter(({ control, serve }) => !known.has(serve.action) && !loose.has(control))).toEqual([]);
      for (const clash of hardwareClashes(layout)) expect(clash.actions.length).toBeGreaterThan(1);
    }),
    RUNS,
  );
});

test("a port joins an action exactly where nothing speaks against it, changes nothing else, and what it made is sound", () => {
  fc.assert(
    fc.property(layoutArbitrary.map(frozen), fc.nat(), fc.nat(), fc.nat(), (layout, c, a, p) => {
      fc.pre(layout.controls.length > 0 && layout.actions.length > 0);
      const control = layout.controls[c % layout.controls.length];
      const action = layout.actions[a % layout.actions.length];
      const port = portsOf(control.kind)[p % portsOf(control.kind).length];
      const there = (control.serves as readonly Serve[]).some((s) => s.port === port && s.action === action.name);
      const joined = joinPort(layout, control.id, port, action.name);
      expect(joined.ok).toBe(!there && portWhyNot(port, action.kind) === null);
      expect(joined.ok || joined.problems[0].message).not.toBe("");
      fc.pre(joined.ok);
      expect(joined.value.actions).toBe(layout.actions);
      expect(joined.value.controls.filter((x, i) => x !== layout.controls[i]).map((x) => x.id)).toEqual([control.id]);
      expect(readLayout(writeLayout(joined.value)).ok).toBe(true);
      expect(looseEnds(joined.value).filter((e) => e.control === control.id).length).toBeLessThanOrEqual(
        looseEnds(layout).filter((e) => e.control === control.id).length,
      );
    }),
    RUNS,
  );
});

test("a moment moved there and back stands as before; one removed leaves nothing that names it, whatever becomes of its own", () => {
  fc.assert(
    fc.property(layoutArbitrary, fc.nat(), fc.nat(), fc.constantFrom<Homeless["kind"]>("none", "remove", "to"), (any, n, to, kind) => {
      const layout = get(addMoment(get(addMoment(any, "Ebb")), "Flood"));
      const { moments } = layout;
      const moment = moments[n % moments.length];
      const back = get(moveMoment(get(moveMoment(layout, moment.id, to % moments.length)), moment.id, moments.indexOf(moment)));
      expect(writeLayout(back)).toBe(writeLayout(layout));
      const other = moments.find((m) => m.id !== moment.id)!;
      const alone = onlyIn(layout, moment.id);
      const gone = get(removeMoment(layout, moment.id, kind === "to" ? { kind, moment: other.id } : { kind }));
      expect([...gone.actions, ...gone.controls, ...gone.keepClear].some((x) => x.moments.includes(moment.id))).toBe(false);
      expect(readLayout(writeLayout(gone)).ok).toBe(true);
      const of = (id: string) => gone.controls.find((c) => c.id === id)?.moments;
      for (const id of alone.controls) expect(of(id)).toEqual(kind === "to" ? [other.id] : kind === "none" ? [] : undefined);
    }),
    RUNS,
  );
});

test("whatever is taken over of any layout into any other is sound, and brings no wire that does not fit", () => {
  fc.assert(
    fc.property(
      layoutArbitrary.map(frozen),
      layoutArbitrary.map(frozen),
      fc.constantFrom<WordChoice["kind"]>("means", "new", "leave"),
      fc.constantFrom<ControlChoice>("control", "look"),
      (here, from, wish, what) => {
        const ids = from.controls.map((c) => c.id);
        const words = new Map(
          matchWords(from, ids, here.actions).map((m): [string, WordChoice] => [
            m.word,
            wish === "means" ? (m.to === null ? { kind: "new" } : { kind: "means", action: m.to }) : { kind: wish },
          ]),
        );
        const used = adopt(here, from, { words, controls: new Map(ids.map((id) => [id, what])), unitRatio: 1.5 });
        // Nothing to take over, or a look that no control here can wear, is refused; all else is taken.
        fc.pre(used.ok);
        const { layout } = used.value;
        expect(readLayout(writeLayout(layout)).ok).toBe(true);
        expect(layout.actions.slice(0, here.actions.length)).toEqual(here.actions);
        const before = new Set(here.controls.map((c) => c.id));
        const actions = new Map(layout.actions.map((a) => [a.name, a]));
        for (const control of layout.controls.filter((c) => !before.has(c.id)))
          for (const s of control.serves as readonly Serve[]) expect(portFits(s.port, actions.get(s.action)!.kind)).toBe(true);
        // What was reported beforehand as not going together is what stays behind, where words mean actions that are here.
        fc.pre(what === "control" && wish === "means" && [...words.values()].every((w) => w.kind === "means"));
        expect(servesOf(layout).length).toBe(servesOf(here).length + servesOf(from).length - mismatches(from, here, words, ids).length);
      },
    ),
    RUNS,
  );
});
