/** The tug's world: a night harbour 2400 × 720 long, the quay along the top. Pure: state and values in, state out. Lengths in world units, y down; angles in radians, clockwise from +x. */
import type { ActionValues } from "../../core/engine/input/events";
import { clampTo } from "../../core/engine/geometry/point";
import { axisOf, pairOf, pressOf } from "../game";

export const WORLD = { w: 2400, h: 720, quay: 150 } as const;
/** Where the barge waits and where the shed burns. @internal exported for its test */
export const BARGE_START = { x: 1500, y: 420 } as const;
export const FIRE = { x: 1750, y: 96 } as const;

/** Where the barge belongs: a berth along the quay, world units. */
export const BERTH = { x: 380, y: WORLD.quay + 10, w: 190, h: 100 } as const;

/** Speeds in units per second, accelerations per second squared. */
const TOP_SPEED = 150;
const THRUST = 130;
const DRAG = 0.75;
const TURN = 1.5;
const NUDGE_SPEED = 42;
/** The tug is alongside when this near to the quay and this slow. */
const ALONGSIDE_DISTANCE = 90;
const ALONGSIDE_SPEED = 26;
const LEAVING_SPEED = 60;
const TOW_REACH = 190;
const JET_REACH = 330;

export interface TugState {
  readonly x: number;
  readonly y: number;
  readonly heading: number;
  readonly speed: number;
  /** The searchlight's angle from the bow. */
  readonly lamp: number;
  readonly horn: boolean;
  readonly pumping: boolean;
  readonly barge: { readonly x: number; readonly y: number; readonly towed: boolean };
  /** What remains of the fire, 1…0. */
  readonly fire: number;
  readonly logOpen: boolean;
  readonly paused: boolean;
  readonly alongside: boolean;
  /** Presses at the last tick, so that a press counts once. */
  readonly was: { readonly log: boolean; readonly pause: boolean };
  /** The barge lies in its berth, the line cast off. */
  readonly berthed: boolean;
  /** When both were done, the barge in its berth and the fire out, s; null while there is something to do. */
  readonly doneAt: number | null;
  /** Time in the world, s. */
  readonly time: number;
}

export function newTug(): TugState {
  return {
    x: 700,
    y: 460,
    heading: -0.35,
    speed: 0,
    lamp: 0,
    horn: false,
    pumping: false,
    barge: { ...BARGE_START, towed: false },
    fire: 1,
    logOpen: false,
    paused: false,
    alongside: false,
    was: { log: false, pause: false },
    berthed: false,
    doneAt: null,
    time: 0,
  };
}

/** One tick of `ms`. */
export function sail(tug: TugState, values: ActionValues, ms: number): TugState {
  const was = { log: pressOf(values, "log"), pause: pressOf(values, "pause") };
  const logOpen = was.log && !tug.was.log ? !tug.logOpen : tug.logOpen;
  const paused = was.pause && !tug.was.pause ? !tug.paused : tug.paused;
  if (logOpen || paused) return { ...tug, logOpen, paused, was, horn: false, pumping: false };
  const s = ms / 1000;
  const [turn, throttle] = pairOf(values, "helm");
  const [nudgeX, nudgeY] = pairOf(values, "nudge");
  const sidle = axisOf(values, "sidle");
  const speed = clampTo(tug.speed + (throttle * THRUST - tug.speed * DRAG) * s, -TOP_SPEED * 0.4, TOP_SPEED);
  const grip = 0.35 + 0.65 * Math.min(1, Math.abs(speed) / 60);
  const heading = tug.heading + turn * TURN * grip * s;
  const sideways = sidle * NUDGE_SPEED;
  const x = clampTo(tug.x + (Math.cos(heading) * speed - Math.sin(heading) * sideways + nudgeX * NUDGE_SPEED) * s, 60, WORLD.w - 60);
  const y = clampTo(tug.y + (Math.sin(heading) * speed + Math.cos(heading) * sideways - nudgeY * NUDGE_SPEED) * s, WORLD.quay + 42, WORLD.h - 40);
  const [lampTurn] = pairOf(values, "lamp");
  const lamp = wrap(tug.lamp + (lampTurn * Math.PI) / 180);
  const near = y - WORLD.quay < ALONGSIDE_DISTANCE;
  const alongside = near && Math.abs(speed) < (tug.alongside ? LEAVING_SPEED : ALONGSIDE_SPEED);
  const pumping = pressOf(values, "pump");
  const beam = wrap(heading + lamp);
  const onFire = pumping && Math.hypot(FIRE.x - x, FIRE.y - y) < JET_REACH && Math.abs(wrap(Math.atan2(FIRE.y - y, FIRE.x - x) - beam)) < 0.35;
  const barge = tow(tug.barge, { x, y, heading }, pressOf(values, "towline"));
  const fire = clampTo(tug.fire - (onFire ? s / 6 : 0), 0, 1);
  const berthed = !barge.towed && isInBerth(barge);
  const time = tug.time + s;
  return {
    x,
    y,
    heading,
    speed,
    lamp,
    horn: pressOf(values, "horn"),
    pumping,
    barge,
    fire,
    logOpen,
    paused,
    alongside,
    was,
    berthed,
    doneAt: tug.doneAt ?? (berthed && fire <= 0 ? time : null),
    time,
  };
}

/** Whether the barge lies in its berth. */
const isInBerth = ({ x, y }: { readonly x: number; readonly y: number }): boolean =>
  x >= BERTH.x && x <= BERTH.x + BERTH.w && y >= BERTH.y && y <= BERTH.y + BERTH.h;

/** Where the barge is once the tug is at `at`; `line`: whether the towline is out. */
function tow(barge: TugState["barge"], { x, y, heading }: Pick<TugState, "x" | "y" | "heading">, line: boolean): TugState["barge"] {
  const stern = { x: x - Math.cos(heading) * 46, y: y - Math.sin(heading) * 46 };
  const dx = barge.x - stern.x;
  const dy = barge.y - stern.y;
  const far = Math.hypot(dx, dy);
  const towed = line && (barge.towed || far < TOW_REACH);
  if (!towed || far <= 90) return { ...barge, towed };
  return { x: stern.x + (dx * 90) / far, y: clampTo(stern.y + (dy * 90) / far, WORLD.quay + 34, WORLD.h - 30), towed };
}

/** An angle brought into −π…π. */
function wrap(angle: number): number {
  return Math.atan2(Math.sin(angle), Math.cos(angle));
}

/** The moment of the game, by the ids of the sample's layout. */
export function momentOf(tug: TugState): "under-way" | "alongside" | "log-open" {
  if (tug.logOpen) return "log-open";
  return tug.alongside ? "alongside" : "under-way";
}
