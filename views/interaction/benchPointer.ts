/**
 * What the pointer does on the glass: select, move, resize, tie, draw a box, span a marquee, push the glass about.
 *
 * One pointer's way (see drag.ts), and what it is about, decided by what was pressed. A gesture begins with the first real movement and
 * is one entry in the history; whatever abandons it puts everything back. What is constant while it lasts is computed when it begins.
 */
import { carryTo } from "../../core/editing/anchors";
import { seenAs } from "../../core/editing/placing";
import { clusterOf, placeableBox, placeableOf, placementIn } from "../../core/editing/placeables";
import { type SnapTargets } from "../../core/editing/snap";
import type { Point } from "../../core/engine/geometry/point";
import { pxPerMm } from "../../core/engine/placement/screen";
import { nameOf } from "../document/names";
import { dragStep, IDLE, type DragCommand, type DragInput, type DragState, type Modifiers, type WindowPoint } from "./drag";
import { snapTargets, targetOfPointer } from "./targets";
import {
  begun,
  changesLayout,
  clicked,
  dropped,
  moved,
  NOTHING_SHOWN,
  type GlassAbout,
  type GlassCommand,
  type GlassGesture,
  type GlassWorld,
  type PressedOn,
  CARRY_MM,
} from "./glassGesture";

/** Movement below this is a click, CSS px. */
const CLICK_PX = 3;
/** Where a pointer is in its way on the glass. */
export type GlassState = DragState<GlassGesture>;
export const GLASS_AT_REST: GlassState = IDLE;

/** What happens. `point`: where on the screen, px; `pans`: the middle button, or Space held. */
export type GlassInput =
  | {
      readonly type: "down";
      readonly pointer: number;
      readonly at: WindowPoint;
      readonly point: Point;
      readonly on: PressedOn;
      readonly shift: boolean;
      readonly pans: boolean;
    }
  | { readonly type: "move" | "up"; readonly pointer: number; readonly at: WindowPoint; readonly point: Point; readonly keys: Modifiers }
  | { readonly type: "cancel"; readonly pointer: number }
  | { readonly type: "abandon" };

export interface GlassStep {
  readonly state: GlassState;
  readonly commands: readonly GlassCommand[];
}

/** The next state and what is to be done. */
export function glassStep(state: GlassState, input: GlassInput, world: GlassWorld): GlassStep {
  if (input.type === "down" && state.phase === "idle") {
    const { about, commands } = pressed(input, world);
    const gesture: GlassGesture = { about, point: input.point, context: world.context, targets: targetsOf(about, world) };
    const step = dragStep(state, { type: "down", pointer: input.pointer, at: input.at, about: gesture }, CLICK_PX);
    return { state: step.state, commands: [...step.commands.flatMap((c) => worked(c, input, world)), ...commands] };
  }
  const gesture = state.phase === "idle" ? null : state.about;
  const told: DragInput<GlassGesture> = input.type === "down" ? { type: "down", pointer: input.pointer, at: input.at, about: gesture! } : input;
  const step = dragStep(state, told, CLICK_PX);
  const ended = state.phase !== "idle" && step.state.phase === "idle";
  return { state: step.state, commands: [...step.commands.flatMap((c) => worked(c, input, world)), ...(ended ? [CLEAN] : [])] };
}
const CLEAN: GlassCommand = { do: "show", shown: NOTHING_SHOWN };

/** What a press is about, and what it does at once. */
function pressed(input: GlassInput & { type: "down" }, world: GlassWorld): { about: GlassAbout; commands: readonly GlassCommand[] } {
  const { context, selection, entered, tool } = world;
  const { on, shift } = input;
  const only = (about: GlassAbout) => ({ about, commands: [] });
  if (input.pans) return only({ kind: "pan", pan: world.pan });
  if (tool !== null) return only({ kind: "draw" });
  switch (on.kind) {
    case "handle": {
      const placeable = placeableOf(context.layout, on.of);
      const box = placeable && placeableBox(context.resolved, placeable);
      if (!box) return only({ kind: "press" });
      return only({ kind: "resize", id: on.of, handle: on.handle, box: { x: box.x, y: box.y, w: box.w, h: box.h } });
    }
    case "tether":
      return only({ kind: "anchor", id: on.id });
    case "glass":
      return only({ kind: "marquee", ids: shift ? selection : [] });
    case "control": {
      const { layout, resolved } = context;
      const key = targetOfPointer(layout, resolved.arrangement, on.id, entered);
      if (shift) {
        const ids = selection.includes(key) ? selection.filter((s) => s !== key) : [...selection, key];
        return { about: { kind: "press" }, commands: [{ do: "select", ids }] };
      }
      const leaves = entered !== null && key !== entered && clusterOf(placementIn(layout, resolved.arrangement, key)) !== entered;
      const ids = selection.includes(key) ? selection : [key];
      return {
        about: { kind: "move", ids, clicked: key },
        commands: [...(leaves ? [{ do: "enter", cluster: null } as const] : []), ...(ids === selection ? [] : [{ do: "select", ids } as const])],
      };
    }
  }
}

function targetsOf(about: GlassAbout, { context, scale, grid }: GlassWorld): SnapTargets | null {
  if (about.kind === "move") return snapTargets(context, about.ids, scale, grid);
  return about.kind === "resize" ? snapTargets(context, [about.id], scale, grid) : null;
}

/** What a step of the drag means on the glass. */
function worked(command: DragCommand<GlassGesture>, input: GlassInput, world: GlassWorld): readonly GlassCommand[] {
  switch (command.do) {
    case "capture":
      return [command];
    case "begin":
      return begun(command.about);
    case "move":
      return "point" in input ? moved(command.about, { from: command.from, at: command.at, point: input.point, keys: command.keys }, world) : [];
    case "drop":
      return "point" in input ? dropped(command.about, { from: command.from, at: command.at, point: input.point, keys: command.keys }, world) : [];
    case "click":
      return clicked(command.about, world);
    case "abandon":
      return changesLayout(command.about) ? [{ do: "cancel" }] : [];
  }
}

/** A double click goes into a cluster, or carries a control to where its tether is tied. */
export function glassDoubleClick(on: PressedOn, { context, entered }: GlassWorld): readonly GlassCommand[] {
  if (on.kind === "tether") {
    const { id } = on;
    return [{ do: "edit", label: `carry ${nameOf(context.layout, id)}`, edit: seenAs(context, (now) => carryTo(now, id, CARRY_MM * pxPerMm(context.screen))) }];
  }
  if (on.kind !== "control") return [];
  const key = targetOfPointer(context.layout, context.resolved.arrangement, on.id, entered);
  if (placeableOf(context.layout, key)?.kind !== "cluster") return [];
  return [
    { do: "enter", cluster: key },
    { do: "select", ids: [on.id] },
  ];
}
