/** Assigns touches to controls, and handles moves, releases, cancels and hidden controls. */
import { contains as containsPoint } from "../geometry/shape";
import type { Contact, TouchInput } from "./events";
import { behaviourOf, isIdle } from "./behaviours";
import type { ReadyAny } from "./ready";
import type { InputSetup } from "./setup";
import { ownControl, type InputState, type TouchState } from "./inputState";

/** Whether a control is currently visible. */
export function isShown(state: InputState, control: ReadyAny): boolean {
  return state.on && (state.hidden.length === 0 || !state.hidden.includes(control.id)) && (state.moment === null || control.moments.includes(state.moment));
}

/**
 * Returns the stack at a point: the visible controls whose area contains it, top first, cut after the first with sharing `own`.
 * Controls held by another touch are ignored.
 */
export function stackAt(setup: InputSetup, state: InputState, { touch, x, y }: Pick<Contact, "touch" | "x" | "y">): number[] {
  const stack: number[] = [];
  for (let i = setup.controls.length - 1; i >= 0; i -= 1) {
    const control = setup.controls[i];
    if (!isShown(state, control) || !containsPoint(control.area, x, y)) continue;
    const captor = behaviourOf(state.controls[i].kind).capturedBy(state.controls[i]);
    if (captor !== null && captor !== touch) continue;
    stack.push(i);
    if (control.own) break;
  }
  return stack;
}

/** Handles a touch event. Events of unknown ids have no effect. */
export function touchEvent(setup: InputSetup, state: InputState, event: TouchInput): void {
  const at = state.touches.findIndex((touch) => touch.id === event.id);
  switch (event.type) {
    case "down": {
      if (at >= 0) cancelAt(setup, state, at);
      const contact = { touch: event.id, x: event.x, y: event.y, t: event.t };
      const stack = stackAt(setup, state, contact);
      for (const i of stack) beginTouch(setup, state, i, { contact, slid: false });
      state.touches.push({ id: event.id, x: event.x, y: event.y, contains: stack });
      return;
    }
    case "move":
      if (at >= 0) moveTo(setup, state, state.touches[at], event);
      return;
    case "up": {
      if (at < 0) return;
      const touch = state.touches[at];
      if (event.x !== touch.x || event.y !== touch.y) moveTo(setup, state, touch, event);
      const contact = { touch: touch.id, x: event.x, y: event.y, t: event.t };
      for (const i of touch.contains) behaviourOf(state.controls[i].kind).end(state.controls[i], setup.controls[i], contact);
      state.touches.splice(at, 1);
      return;
    }
    case "cancel":
      if (at >= 0) cancelAt(setup, state, at);
  }
}

/** Cancels every touch. */
export function cancelAll(setup: InputSetup, state: InputState): void {
  while (state.touches.length > 0) cancelAt(setup, state, state.touches.length - 1);
}

/** After a change of visibility: hidden controls are cancelled; their touches continue. */
export function letGoOfHidden(setup: InputSetup, state: InputState): void {
  for (const touch of state.touches) {
    touch.contains = touch.contains.filter((i) => {
      if (isShown(state, setup.controls[i])) return true;
      cancelTouch(setup, state, i, touch.id);
      return false;
    });
  }
  setup.controls.forEach((control, i) => {
    if (!isShown(state, control)) dropPending(state, i);
  });
}

/** Drops the taps, releases and fires that ended touches left for the next tick. */
export function dropPending(state: InputState, index: number): void {
  const { kind } = state.controls[index];
  if (!isIdle(state.controls[index])) behaviourOf(kind).drop(ownControl(state, index));
}

/** A touch starts on a control (by its index), or slides onto it. */
function beginTouch(setup: InputSetup, state: InputState, index: number, { contact, slid }: { readonly contact: Contact; readonly slid: boolean }): void {
  const own = ownControl(state, index);
  behaviourOf(own.kind).begin(own, setup.controls[index], contact, slid);
}

function cancelTouch(setup: InputSetup, state: InputState, index: number, touch: number): void {
  const own = state.controls[index];
  behaviourOf(own.kind).cancel(own, setup.controls[index], touch);
}

function cancelAt(setup: InputSetup, state: InputState, at: number): void {
  const touch = state.touches[at];
  for (const i of touch.contains) cancelTouch(setup, state, i, touch.id);
  state.touches.splice(at, 1);
}

function moveTo(setup: InputSetup, state: InputState, touch: TouchState, event: TouchInput): void {
  const contact = { touch: touch.id, x: event.x, y: event.y, t: event.t };
  const { contains } = touch;
  for (let n = 0; n < contains.length; n += 1) {
    const own = state.controls[contains[n]];
    if (behaviourOf(own.kind).move(own, setup.controls[contains[n]], contact)) contains.splice(n--, 1);
  }
  const captured = !setup.slides || touch.contains.some((i) => setup.controls[i].kind !== "button");
  if (!captured) {
    const before = stackAt(setup, state, { touch: touch.id, x: touch.x, y: touch.y });
    for (const i of stackAt(setup, state, contact)) {
      const control = setup.controls[i];
      if (control.kind !== "button" || !control.feel.slideIn || before.includes(i) || touch.contains.includes(i)) continue;
      beginTouch(setup, state, i, { contact, slid: true });
      touch.contains.push(i);
    }
  }
  touch.x = event.x;
  touch.y = event.y;
}
