/** Layouts that were sound on some screens, and what a careless hand made of them: for the laws of Settle and its bench. Made from a number alone. */
import { randomFrom } from "./random";
import { bareFindings } from "../core/checks/check";
import { catalogueFor } from "../core/checks/catalogue";
import type { PlayerCase } from "../core/checks/grid";
import { parseLayout } from "../core/format/parse";
import type { Layout, Screen } from "../core/format/types";
import { isRequested } from "../core/settle/problem/targets";
import { SETTLED_CODES, USUALLY_CHANGEABLE, type SettleRequest } from "../core/settle/request";

/** Both hands, as laid out. */
export const BOTH_HANDS: readonly PlayerCase[] = [
  { handed: "right", playerSize: 1 },
  { handed: "left", playerSize: 1 },
];

interface Draft {
  id: string;
  kind: "button" | "stick" | "dpad";
  corner: 0 | 1;
  x: number;
  y: number;
  w: number;
  h: number;
  shape: "ellipse" | "box" | "capsule";
  moment: number;
}

/** How many controls a layout gets, on how many screens. */
export interface Size {
  readonly controls: number;
  readonly screens: number;
  /** Moments of the game, each with its own controls; 1: all are shown together. */
  readonly moments: number;
}

const MM_PER_UNIT = 0.09;
const inUnits = (mm: number) => `${Number((mm / MM_PER_UNIT).toFixed(1))}u`;

function layoutOf(drafts: readonly Draft[], share: number, moments: number): Layout {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "Spoiled",
    reference: { width: 1600, height: 720 },
    scale: { share, mmPerUnit: MM_PER_UNIT },
    moments: Array.from({ length: moments }, (_, i) => ({ id: `m${i}`, name: `Moment ${i}` })),
    controls: drafts.map(({ id, kind, corner, x, y, w, h, shape, moment }) => ({
      id,
      name: id,
      kind,
      moments: [`m${moment}`],
      placement: {
        kind: "pin",
        frame: "safe",
        anchor: [corner, 1],
        pivot: [0.5, 0.5],
        offset: [inUnits(corner === 0 ? x : -x), inUnits(-y)],
        size: [inUnits(w), inUnits(h)],
      },
      hit: { shape },
      ...(kind === "stick" ? { feel: { travel: inUnits(w / 2) } } : {}),
    })),
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** A request for everything that Settle is asked for by default. */
export function requestFor(layout: Layout, screens: readonly Screen[], faces: readonly PlayerCase[] = BOTH_HANDS): SettleRequest {
  return {
    layout,
    screens,
    faces,
    moment: null,
    codes: SETTLED_CODES,
    severities: ["blocker", "warning"],
    held: [],
    notesMayGrow: false,
    changeable: USUALLY_CHANGEABLE,
    missMm: 0,
    weights: {},
  };
}

/** How many findings of those asked for a layout has. */
export function countAsked(request: SettleRequest, layout: Layout = request.layout): number {
  let count = 0;
  for (const screen of request.screens)
    for (const face of request.faces) count += bareFindings(layout, screen, { ...face, moment: request.moment }).filter((f) => isRequested(request, f)).length;
  return count;
}

/** A layout that is sound on some screens, and the same with some controls moved, grown or made small. */
export interface Spoiled {
  readonly sound: Layout;
  readonly request: SettleRequest;
}

/** The spoiled layout of a seed; null where a sound one did not come about in a few tries. */
export function spoiledLayout(seed: number, size: Size): Spoiled | null {
  const random = randomFrom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const between = (low: number, high: number) => low + random() * (high - low);
  const all = catalogueFor("landscape");
  const screens = [...all].sort(() => random() - 0.5).slice(0, size.screens);
  const share = pick([0, 0.15, 0.35]);
  const drafts: Draft[] = [];
  let sound: Layout | null = null;
  for (let tries = 0; tries < 60 * size.controls && drafts.length < size.controls; tries += 1) {
    const kind = random() < 0.8 ? "button" : pick(["stick", "dpad"] as const);
    const w = kind === "button" ? between(9.6, 13) : between(14, 20);
    const isRound = kind !== "button" || random() < 0.7;
    const draft: Draft = {
      id: `c${drafts.length}`,
      kind,
      corner: random() < 0.5 ? 0 : 1,
      x: between(w / 2, 48),
      y: between(w / 2, 44),
      w,
      h: isRound ? w : between(9.6, 13),
      moment: Math.floor(random() * size.moments),
      shape: isRound ? "ellipse" : pick(["box", "capsule"] as const),
    };
    const layout = layoutOf([...drafts, draft], share, size.moments);
    const clean = screens.every((screen) =>
      BOTH_HANDS.every((face) => bareFindings(layout, screen, { ...face, moment: null }).every((f) => !isPlaceFinding(f.code))),
    );
    if (!clean) continue;
    drafts.push(draft);
    sound = layout;
  }
  if (!sound || drafts.length < Math.min(3, size.controls)) return null;
  const spoils = 1 + Math.floor(random() * 4);
  const broken = drafts.map((d) => ({ ...d }));
  for (let i = 0; i < spoils; i += 1) {
    const one = pick(broken);
    const how = random();
    if (how < 0.1) {
      const other = pick(broken);
      [one.x, one.y, other.x, other.y, one.corner, other.corner] = [other.x, other.y, one.x, one.y, other.corner, one.corner];
    } else if (how < 0.6) {
      one.x += between(-7, 7);
      one.y += between(-7, 7);
    } else if (how < 0.8) {
      const part = between(0.55, 0.9);
      one.w *= part;
      one.h *= part;
    } else {
      const part = between(1.15, 1.5);
      one.w *= part;
      one.h *= part;
    }
  }
  return { sound, request: requestFor(layoutOf(broken, share, size.moments), screens) };
}

const isPlaceFinding = (code: string) => !code.startsWith("bind/");
