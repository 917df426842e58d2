import { byId } from "../derived/byId";
import { resolvedOn } from "../derived/resolved";
import { isUnderlay } from "../derived/underlay";
import { clearance } from "../engine/geometry/distance";
import { lengthOf } from "../engine/placement/length";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { framesOf, plainScreen, pxPerMm } from "../engine/placement/screen";
import { parseLayout } from "../format/parse";
import type { Layout, Screen } from "../format/types";
import type { Result } from "../engine/result";
import { sampleLayouts } from "../../test/samples";
import { changeHit } from "./edits/controls";
import { applyNeighbourGrowth, unclaimedPart, neighbourGrowth } from "./neighbourGrowth";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const SCREENS: readonly Screen[] = [plainScreen("long", 2400, 1080, 411), plainScreen("tablet", 2048, 1536, 264), plainScreen("small", 1280, 720, 300)];
const placedIn = (layout: Layout, screen: Screen) => resolvedOn(layout, screen, PLAIN_PLAYER_VIEW);
const ids = (layout: Layout) => layout.controls.map((c) => c.id);

/** Buttons in a row and one below, with 4 mm, 10 mm and more between them. */
function buttons(more: Record<string, unknown> = {}): Layout {
  const button = (id: string, x: string, y: string, hit: Record<string, unknown> = {}) => ({
    id,
    name: id,
    kind: "button",
    placement: { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: [x, y], size: ["10mm", "10mm"] },
    hit,
  });
  return get(
    parseLayout({
      format: "nodulum-layout",
      version: 1,
      name: "Rows",
      reference: { width: 1600, height: 720 },
      scale: {},
      controls: [
        button("a", "3mm", "3mm"),
        button("b", "17mm", "3mm", { shape: "box" }),
        button("c", "37mm", "3mm", { shape: "capsule" }),
        button("d", "3mm", "30mm"),
      ],
      ...more,
    }),
  );
}

/** Whether anything overlaps on a screen that is not ground and is seen together. */
function overlapsOn(layout: Layout, screen: Screen): string[] {
  const { controls } = placedIn(layout, screen);
  const known = byId(layout.controls);
  return controls.flatMap((a, i) =>
    controls.slice(i + 1).flatMap((b) => {
      const [one, other] = [known.get(a.id)!, known.get(b.id)!];
      const together = layout.moments.length === 0 || one.moments.some((m) => other.moments.includes(m));
      return together && !isUnderlay(one) && !isUnderlay(other) && clearance(a.hit, b.hit).px < -1e-6 ? [`${a.id} ${b.id} on ${screen.name}`] : [];
    }),
  );
}

test("a button grows to the border of its cell, or to the safe frame, whichever is nearer", () => {
  const grown = Object.fromEntries(neighbourGrowth(buttons(), ids(buttons()), SCREENS).map((r) => [r.id, r.growMm]));
  // a: 4 mm to b, so 2; b the same; c: 10 mm to b, 5, but 3 mm to the top of the frame; d: 3 mm to the left of it.
  expect(grown).toEqual({ a: 2, b: 2, c: 3, d: 3 });
});

test("grown alone or with all others it is the same: its neighbours' cells stay free for them", () => {
  const layout = buttons();
  const alone = get(applyNeighbourGrowth(layout, neighbourGrowth(layout, ["a"], SCREENS)));
  expect(byId(alone.controls).get("a")!.hit.grow).toBe("2mm");
  expect(byId(alone.controls).get("b")!.hit.grow).toBe("0u");
  for (const screen of SCREENS) expect(overlapsOn(alone, screen)).toEqual([]);
});

test("a keep-clear zone and a landing area above are walls; what shows at other times is none", () => {
  const zone = (moments?: string[]) => ({
    moments: [
      { id: "day", name: "Day" },
      { id: "night", name: "Night" },
    ],
    keepClear: [
      {
        id: "map",
        name: "Map",
        moments,
        placement: { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["3mm", "41mm"], size: ["30mm", "9mm"] },
      },
    ],
  });
  const roomOf = (layout: Layout) => neighbourGrowth(layout, ["d"], SCREENS)[0].growMm;
  expect(roomOf(buttons(zone()))).toBe(1);
  const night = buttons(zone(["night"]));
  expect(roomOf({ ...night, controls: night.controls.map((c) => ({ ...c, moments: ["day"] })) })).toBe(3);
});

test("on the samples: nothing overlaps on any screen that did not before, and none could grow by 0.5 mm more", () => {
  for (const sample of sampleLayouts()) {
    const screens = SCREENS.filter((s) => (sample.orientation === "portrait" ? false : s.widthPx > s.heightPx));
    const shown = screens.length > 0 ? screens : [plainScreen("tall", 1080, 2160, 400), plainScreen("tall small", 720, 1280, 300)];
    const found = neighbourGrowth(sample, ids(sample), shown);
    const grown = get(applyNeighbourGrowth(sample, found));
    const bare = get(
      applyNeighbourGrowth(
        sample,
        found.map((r) => ({ ...r, growMm: 0 })),
      ),
    );
    for (const screen of shown) {
      const already = overlapsOn(bare, screen);
      expect(overlapsOn(grown, screen).filter((pair) => !already.includes(pair))).toEqual([]);
    }
    for (const room of found) {
      // Everything half a millimetre larger: this one meets a neighbour that grows as far, or leaves the frame, or meets a wall, somewhere.
      const more = { ...room, growMm: room.growMm + 0.5 };
      const larger = get(
        applyNeighbourGrowth(
          sample,
          found.map((r) => ({ ...r, growMm: more.growMm })),
        ),
      );
      const meetsSomething = shown.some((screen) => {
        const placed = placedIn(larger, screen);
        const own = placed.controls.find((c) => c.id === room.id);
        if (!own) return false;
        const { safe } = framesOf(screen, sample.picture);
        const outside = own.hit.x < safe.x || own.hit.y < safe.y || own.hit.x + own.hit.w > safe.x + safe.w || own.hit.y + own.hit.h > safe.y + safe.h;
        const wall = placed.keepClear.some((z) => clearance(own.hit, { shape: "box", ...z }).px < 0);
        const above = placed.controls.some((c) => c.landing && c.id !== room.id && clearance(own.hit, { shape: "box", ...c.landing }).px < 0);
        return outside || wall || above || overlapsOn(larger, screen).some((pair) => pair.split(" ").includes(room.id));
      });
      expect([room.id, meetsSomething]).toEqual([room.id, true]);
    }
  }
});

test("the picture stays: only the growth of hit areas changes", () => {
  const layout = buttons();
  const grown = get(applyNeighbourGrowth(layout, neighbourGrowth(layout, ids(layout), SCREENS)));
  expect(grown.controls.map(({ hit: _hit, ...rest }) => rest)).toEqual(layout.controls.map(({ hit: _hit, ...rest }) => rest));
  expect(grown.controls.every((c) => lengthOf(c.hit.grow).amount > 0)).toBe(true);
});

test("a least size is counted in: what it raises already needs no growth", () => {
  const layout = get(changeHit(buttons(), "d", { minMm: 14 }));
  const { growMm } = neighbourGrowth(layout, ["d"], SCREENS)[0];
  expect(growMm).toBe(3);
});

test("what belongs to nobody: all of an empty frame, less with every area", () => {
  const screen = SCREENS[0];
  const one = { ...buttons(), controls: buttons().controls.slice(1, 2) };
  const mm = pxPerMm(screen);
  expect(unclaimedPart({ ...one, controls: [] }, screen)).toBe(1);
  expect(unclaimedPart(one, screen)).toBeCloseTo(1 - (10 * mm * 10 * mm) / (2400 * 1080), 6);
});
