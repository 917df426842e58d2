/** The five kinds behind one set of verbs: the only place that knows which file represents which kind. */
import { buttonCancel, buttonDown, buttonMove, buttonUp, readButton, restingButton, commitButtonTick, type ButtonState } from "./button";
import { dpadCancel, dpadDown, dpadMove, dpadUp, readDpad, restingDpad, commitDpadTick, type DpadState } from "./dpad";
import type { Contact } from "./events";
import type { PortReading } from "./ports";
import type { ReadyAny, ReadyButton, ReadyDpad, ReadyStick, ReadySwipe, ReadyTouchpad } from "./ready";
import { copyStickHeld, readStick, restingStick, commitStickTick, stickCancel, stickDown, stickMove, stickUp, type StickState } from "./stick";
import { readSwipe, restingSwipe, commitSwipeTick, swipeCancel, swipeDown, swipeMove, swipeUp, type SwipeState } from "./swipe";
import { readTouchpad, restingTouchpad, commitTouchpadTick, touchpadCancel, touchpadDown, touchpadMove, touchpadUp, type TouchpadState } from "./touchpad";

/** The state of one control: plain data. */
export type ControlState = StickState | DpadState | ButtonState | TouchpadState | SwipeState;

/** The state of a control of this kind at rest. */
export function restingControl(kind: ReadyAny["kind"]): ControlState {
  switch (kind) {
    case "stick":
      return restingStick();
    case "dpad":
      return restingDpad();
    case "button":
      return restingButton();
    case "touchpad":
      return restingTouchpad();
    case "swipe":
      return restingSwipe();
  }
}

/** The touch that keeps a control from all others, or null. A button lets any number of touches in. */
export function capturedBy(state: ControlState): number | null {
  return state.kind === "button" ? null : (state.held?.touch ?? null);
}

// State and control always are at the same index of the same setup, so their kinds agree; the casts below rest on that.

/** The control takes a touch that came down on it, or (`slid`, buttons alone) slid onto it. */
export function receiveTouch(state: ControlState, control: ReadyAny, c: Contact, slid: boolean): void {
  switch (state.kind) {
    case "stick":
      return stickDown(state, control as ReadyStick, c);
    case "dpad":
      return dpadDown(state, control as ReadyDpad, c);
    case "button":
      return buttonDown(state, control as ReadyButton, c, slid);
    case "touchpad":
      return touchpadDown(state, c);
    case "swipe":
      return swipeDown(state, c);
  }
}

/** Brings a held control up to date; true where it lets the touch go (a button the thumb has left). */
export function moveTouch(state: ControlState, control: ReadyAny, c: Contact): boolean {
  switch (state.kind) {
    case "stick":
      stickMove(state, control as ReadyStick, c);
      return false;
    case "dpad":
      dpadMove(state, control as ReadyDpad, c);
      return false;
    case "button":
      return buttonMove(state, control as ReadyButton, c);
    case "touchpad":
      touchpadMove(state, control as ReadyTouchpad, c);
      return false;
    case "swipe":
      swipeMove(state, control as ReadySwipe, c);
      return false;
  }
}

/** A touch it holds is lifted, at the contact's point (screen px) and time (ms). */
export function liftTouch(state: ControlState, control: ReadyAny, c: Contact): void {
  switch (state.kind) {
    case "stick":
      return stickUp(state);
    case "dpad":
      return dpadUp(state);
    case "button":
      return buttonUp(state, control as ReadyButton, c);
    case "touchpad":
      return touchpadUp(state);
    case "swipe":
      return swipeUp(state);
  }
}

/** A touch it holds is taken away: what no tick has seen of it never was. */
export function cancelTouch(state: ControlState, control: ReadyAny, touch: number): void {
  switch (state.kind) {
    case "stick":
      return stickCancel(state);
    case "dpad":
      return dpadCancel(state);
    case "button":
      return buttonCancel(state, control as ReadyButton, touch);
    case "touchpad":
      return touchpadCancel(state);
    case "swipe":
      return swipeCancel(state);
  }
}

/** What the control gives at a tick. */
export function readControl(state: ControlState, control: ReadyAny, tickTime: number): PortReading {
  switch (state.kind) {
    case "stick":
      return readStick(state);
    case "dpad":
      return readDpad(state);
    case "button":
      return readButton(state, control as ReadyButton, tickTime);
    case "touchpad":
      return readTouchpad(state);
    case "swipe":
      return readSwipe(state, control as ReadySwipe);
  }
}

/** After a tick has read it: what was owed is paid, what is held has been seen. */
export function commitTick(state: ControlState, control: ReadyAny, tickTime: number): void {
  switch (state.kind) {
    case "stick":
      return commitStickTick(state);
    case "dpad":
      return commitDpadTick(state);
    case "button":
      return commitButtonTick(state, control as ReadyButton, tickTime);
    case "touchpad":
      return commitTouchpadTick(state);
    case "swipe":
      return commitSwipeTick(state);
  }
}

/** Whether nothing of a control would change at a tick without events: no touch, nothing owed. A latch may be on. */
export function isIdle(state: ControlState): boolean {
  switch (state.kind) {
    case "stick":
    case "dpad":
      return state.held === null && state.tap === null;
    case "button":
      return (
        state.press === null && state.contacts.length === 0 && !state.pending.tap && !state.pending.release && !state.pending.long && !state.pending.double
      );
    case "touchpad":
      return state.held === null && !state.tap && state.dx === 0 && state.dy === 0;
    case "swipe":
      return state.held === null && state.pending === null;
  }
}

/** A copy that shares nothing that changes in place. */
export function copyControl(state: ControlState): ControlState {
  switch (state.kind) {
    case "stick":
      return { kind: "stick", held: state.held && copyStickHeld(state.held), tap: state.tap };
    case "dpad":
      return { kind: "dpad", held: state.held && { touch: state.held.touch, direction: state.held.direction, seen: state.held.seen }, tap: state.tap };
    case "button":
      return {
        kind: "button",
        contacts: state.contacts.slice(),
        press: state.press && { start: state.press.start, double: state.press.double, seen: state.press.seen, longSeen: state.press.longSeen },
        latched: state.latched,
        previous: state.previous,
        beforePrevious: state.beforePrevious,
        pending: { tap: state.pending.tap, release: state.pending.release, long: state.pending.long, double: state.pending.double },
      };
    case "touchpad":
      return { ...state, held: state.held && { ...state.held } };
    case "swipe": {
      const { held } = state;
      return { kind: "swipe", held: held && { ...held, path: held.path.slice(), fire: held.fire && { ...held.fire } }, pending: state.pending };
    }
  }
}
