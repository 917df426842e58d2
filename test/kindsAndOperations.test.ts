/** Every kind of control × every operation of the editor: what is made, changed, sent out and read again stays that control, and undo brings all back. */
import { checkScreen } from "../core/checks/check";
import { missesOn } from "../core/checks/misses";
import { byId } from "../core/derived/byId";
import { dissolve, gather } from "../core/editing/clusters";
import { changeFeel, removePlaceables } from "../core/editing/edits/controls";
import { addAction } from "../core/editing/edits/actions";
import { newLayout } from "../core/editing/edits/layout";
import { clearArt, setArt, type ArtPart } from "../core/editing/edits/pictures";
import { FEEL_STARTS } from "../core/editing/feelSides";
import { fittingServe, growControl } from "../core/editing/make";
import { makeCopies, makeMirroredCopies } from "../core/editing/mirroredCopies";
import { withPlacement } from "../core/editing/placeables";
import { editContextOf, placeAt } from "../core/editing/placing";
import { KINDS } from "../core/engine/kinds";
import { PLAIN_PLAYER_VIEW, resolveLayout } from "../core/engine/placement/resolve";
import { readPlayed } from "../core/engine/read/played";
import { ok, type Result } from "../core/engine/result";
import { PORTS } from "../core/engine/types";
import { layoutJsonSchema } from "../core/exchange/schema";
import { clipText, readClip } from "../core/exchange/clip";
import { compile } from "../core/format/compile";
import { layoutDigest } from "../core/rehearsal/take";
import { parseLayout } from "../core/format/parse";
import type { Action, Control, ControlKind, Layout } from "../core/format/types";
import { writeLayout } from "../core/format/write";
import { controlsCsv, controlTable } from "../core/handoff/controlTable";
import { sheetHtml } from "../core/handoff/sheetHtml";
import { settle } from "../core/settle/settle";
import { changeControlKind, previewControlKind } from "../core/wiring/controlKind";
import { changesBetween, inverseOf, applyChanges } from "../core/versions/fieldChanges";
import { plainScreen } from "../core/engine/placement/screen";
import { openWindow } from "./window";

const SCREEN = plainScreen("bench", 2400, 1080, 411);
const KIND_LIST = Object.keys(KINDS) as ControlKind[];
const ACTION_KINDS: readonly Action["kind"][] = ["press", "axis", "vector", "motion", "delta"];

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const contextOf = (layout: Layout) => editContextOf(layout, SCREEN, PLAIN_PLAYER_VIEW);
const only = (layout: Layout): Control => layout.controls[0];
const boxOf = (layout: Layout, id: string) => byId(resolveLayout(layout, SCREEN, PLAIN_PLAYER_VIEW).controls).get(id)!.visual;
const near = (box: object) => Object.fromEntries(Object.entries(box).map(([side, px]) => [side, expect.closeTo(px as number, 3) as number]));

/** A layout with one control of a kind, grown for the first kind of action that it can give to, and with an action of each kind. */
function grownWith(kind: ControlKind): Layout {
  const empty = ACTION_KINDS.reduce((layout, one) => get(addAction(layout, one, one)), get(newLayout("One", { width: 1600, height: 720 })));
  const action = empty.actions.find((one) => fittingServe(kind, one) !== null)!;
  return get(growControl(contextOf(empty), { kind, action, at: { x: 600, y: 500 } })).layout;
}

/** An operation: what is made of a layout with one control; it asserts what is its own. */
interface Operation {
  readonly name: string;
  readonly run: (layout: Layout) => Layout;
}

const PIXEL = {
  name: "dot.png",
  type: "image/png" as const,
  data: "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
};

const OPERATIONS: readonly Operation[] = [
  {
    name: "create: it serves what its ports fit, and nothing is found but what is not served",
    run(layout) {
      const { kind, serves } = only(layout);
      expect(serves).toHaveLength(1);
      expect(PORTS[kind] as readonly string[]).toContain(serves[0].port);
      expect(checkScreen(layout, SCREEN).filter(({ code }) => code !== "bind/unserved")).toEqual([]);
      return layout;
    },
  },
  {
    name: "copy: the copy is the same but for its name, id and place",
    run(layout) {
      const copied = get(makeCopies(contextOf(layout), [only(layout).id])).layout;
      const own = ({ kind, feel, look, hit, serves }: Control) => ({ kind, feel, look, hit, serves });
      expect(copied.controls.map(own)).toEqual([own(only(layout)), own(only(layout))]);
      return copied;
    },
  },
  {
    name: "copied as text and read again",
    run(layout) {
      expect(get(readClip(clipText(layout, [only(layout).id]))).layout.controls).toEqual(layout.controls);
      return layout;
    },
  },
  {
    name: "mirror: the copy is on the other side, and seen by the left hand where the first is seen by the right",
    run(layout) {
      const mirrored = get(makeMirroredCopies(contextOf(layout), [only(layout).id])).layout;
      const [first, second] = mirrored.controls;
      const left = byId(resolveLayout(mirrored, SCREEN, { ...PLAIN_PLAYER_VIEW, handed: "left" }).controls);
      expect(left.get(second.id)!.visual).toEqual(near(boxOf(mirrored, first.id)));
      return mirrored;
    },
  },
  {
    name: "cluster: gathered with a copy and dissolved nothing moves",
    run(layout) {
      const two = get(makeCopies(contextOf(layout), [only(layout).id])).layout;
      const gathered = get(
        gather(
          contextOf(two),
          two.controls.map(({ id }) => id),
          "Both",
        ),
      );
      const apart = get(dissolve(contextOf(gathered.layout), gathered.id));
      for (const { id } of two.controls) {
        expect(boxOf(gathered.layout, id)).toEqual(near(boxOf(two, id)));
        expect(boxOf(apart, id)).toEqual(near(boxOf(two, id)));
      }
      return gathered.layout;
    },
  },
  {
    name: "span: it fills the part of the screen that it is given",
    run(layout) {
      const inset = { left: "0u", top: "0u", right: "0u", bottom: "0u" };
      const spanned = get(withPlacement(layout, null, only(layout).id, { kind: "span", frame: "screen", from: [0.25, 0.5], to: [0.5, 0.75], inset }));
      expect(boxOf(spanned, only(spanned).id)).toEqual({ x: 600, y: 540, w: 600, h: 270 });
      return spanned;
    },
  },
  {
    name: "resize: it lies in the box that it was dragged to",
    run(layout) {
      const box = { x: 700, y: 400, w: 320, h: 280 };
      const sized = get(placeAt(contextOf(layout), only(layout).id, box, true));
      expect(boxOf(sized, only(sized).id)).toEqual(near(box));
      return sized;
    },
  },
  {
    name: "art: on every part, kept once, gone with its last use",
    run(layout) {
      const ids = [only(layout).id];
      const parts: readonly ArtPart[] = ["rest", "held", "knob"];
      const dressed = parts.reduce((l, part) => get(setArt(l, ids, part, PIXEL)), layout);
      expect([dressed.pictures.length, Object.keys(only(dressed).look.art!)]).toEqual([1, ["rest", "held", "knob"]]);
      expect(parts.reduce((l, part) => get(clearArt(l, ids, part)), dressed)).toEqual(layout);
      return dressed;
    },
  },
  {
    name: "feel: every start of its kind is taken",
    run(layout) {
      const starts = FEEL_STARTS[only(layout).kind];
      expect(starts.length).toBeGreaterThan(0);
      return starts.reduce((l, { feel }) => get(changeFeel(l, only(l).id, feel)), layout);
    },
  },
  {
    name: "another kind: what is told to be kept is kept, in every kind there is",
    run(layout) {
      const { id } = only(layout);
      const others = KIND_LIST.filter((kind) => kind !== only(layout).kind).map((kind) => {
        const changed = get(changeControlKind(layout, id, kind));
        expect([only(changed).kind, only(changed).serves.length]).toEqual([kind, previewControlKind(layout, id, kind).kept.length]);
        return changed;
      });
      return others[0];
    },
  },
  {
    name: "settle: one that lies beyond the screen is brought back, and no finding is left that was asked for",
    run(layout) {
      const away = get(placeAt(contextOf(layout), only(layout).id, { x: -150, y: 300, w: 300, h: 300 }, true));
      const request = {
        ...{ layout: away, screens: [SCREEN], faces: [{ handed: "right" as const, playerSize: 1 }], moment: null, notesMayGrow: true },
        ...{
          codes: ["place/off-screen" as const, "place/unsafe" as const],
          severities: ["blocker" as const, "warning" as const],
          changeable: ["place" as const],
        },
        ...{ held: [], missMm: 0, weights: {} },
      };
      const asked = checkScreen(away, SCREEN).filter(({ code }) => code === "place/off-screen" || code === "place/unsafe");
      expect(asked.length).toBeGreaterThan(0);
      expect(settle(request).remaining).toEqual([]);
      return away;
    },
  },
  {
    name: "misses: told of every kind that is aimed at",
    run(layout) {
      const told = missesOn(layout, resolveLayout(layout, SCREEN, PLAIN_PLAYER_VIEW), { handed: "right", moment: null });
      expect(told.map(({ id }) => id)).toEqual(KINDS[only(layout).kind].isTarget ? [only(layout).id] : []);
      return layout;
    },
  },
  {
    name: "export: played file, table and sheet have it, and the JSON schema knows its kind",
    run(layout) {
      const { id, kind, name } = only(layout);
      const read = readPlayed(compile(layout));
      expect(read.ok && read.value.layout.controls.map((c) => [c.id, c.kind])).toEqual([[id, kind]]);
      const table = controlTable(layout, { screens: [SCREEN], playerView: PLAIN_PLAYER_VIEW, direction: "down" });
      expect(controlsCsv(table, "px", "down")).toContain(id);
      const sheet = sheetHtml({ layout, digest: layoutDigest(layout), date: "2026-01-01", screen: SCREEN, paper: "a4", ticked: new Set() });
      expect(sheet).toContain(name);
      expect(JSON.stringify(layoutJsonSchema())).toContain(`"const":"${kind}"`);
      return layout;
    },
  },
  {
    name: "delete: nothing of it is left",
    run(layout) {
      const gone = get(removePlaceables(layout, [only(layout).id]));
      expect(gone.controls).toEqual([]);
      return gone;
    },
  },
];

describe.each(KIND_LIST)("a %s", (kind) => {
  test.each(OPERATIONS.map((operation) => [operation.name, operation] as const))("%s", (_name, { run }) => {
    const first = grownWith(kind);
    const after = run(first);
    // Import: what is written is read as it was, and its fields tell the way there and back.
    expect(get(parseLayout(JSON.parse(writeLayout(after))))).toEqual(after);
    const changes = changesBetween(first, after);
    expect(writeLayout(applyChanges(first, changes).layout)).toBe(writeLayout(after));
    expect(writeLayout(applyChanges(after, inverseOf(changes)).layout)).toBe(writeLayout(first));
    // Undo and redo, to the byte.
    const { session } = openWindow(first);
    session.edit("the operation", (layout) => ok(applyChanges(layout, changes).layout));
    session.undo();
    expect(writeLayout(session.store.getState().layout)).toBe(writeLayout(first));
    if (session.store.getState().history.future.length > 0) session.redo();
    expect(writeLayout(session.store.getState().layout)).toBe(writeLayout(after));
  });
});
