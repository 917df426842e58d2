import { catalogueFor } from "../../core/checks/catalogue";
import { facesOf } from "../../core/checks/grid";
import { resolvedOn } from "../../core/derived/resolved";
import { repeated } from "../../test/repeated";
import { sampleLayouts } from "../../test/samples";
import { coversOf, roomOf } from "../yard/places";
import { instruments } from "./draw";
import { boxOfTask, taskPlace } from "./taskPlace";

const [brackwater] = sampleLayouts();
const meet = (a: { x: number; y: number; w: number; h: number }, b: typeof a) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

test("on every screen, for every player and in every moment the task line lies under no control and no instrument", () => {
  for (const screen of catalogueFor("landscape").slice(0, repeated(24)))
    for (const face of facesOf(brackwater))
      for (const moment of [null, ...brackwater.moments.map((m) => m.id)]) {
        const shown = new Set(brackwater.controls.filter((c) => moment === null || c.moments.includes(moment)).map((c) => c.id));
        const { seen } = coversOf(resolvedOn(brackwater, screen, { ...face, moment: null }), (id) => shown.has(id));
        const size = { w: screen.widthPx, h: screen.heightPx };
        const covers = [...seen, ...instruments(size.w, size.h)];
        const place = taskPlace(covers, roomOf(screen), size);
        const where = `${screen.name}, ${face.handed}, ${face.playerSize}, ${moment}`;
        expect(place === null ? `${where}: no place` : "").toBe("");
        expect(covers.filter((cover) => meet(cover, boxOfTask(place!))).map(() => where)).toEqual([]);
      }
});

test("where nothing is in the way it stands as usual, in one line; on a covered screen nowhere", () => {
  const room = { x: 0, y: 0, w: 1600, h: 720 };
  expect(taskPlace([], room, room)).toMatchObject({ em: 19, lines: [expect.closeTo(78, -1)], x: expect.closeTo(800, -1) });
  expect(taskPlace([room], room, room)).toBeNull();
});
