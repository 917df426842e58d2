/** `nodulum-runtime/stand-ins`: plays a layout as a keyboard, a pad or a mouse, for games without layout support. */
export { asKeys } from "./standIns/asKeys";
export { asMouse } from "./standIns/asMouse";
export { asPad } from "./standIns/asPad";
