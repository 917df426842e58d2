/** `nodulum-runtime/stand-ins`: a layout as a keyboard, a pad or a mouse, for games that know nothing of it. */
export { asKeys } from "./standIns/asKeys";
export { asMouse } from "./standIns/asMouse";
export { asPad } from "./standIns/asPad";
