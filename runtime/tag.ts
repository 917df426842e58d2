/**
 * The file for a script tag, for games without layout support:
 * `<script src="nodulum-runtime.js" data-played="layout.played.json" data-over="#game" data-as="keys"></script>`.
 * `window.nodulum` has everything of the package; `nodulum.handle` is the handle of the tag.
 */
import { drawing } from "./drawing";
import type { Handle, PlayOptions } from "./handle";
import { overlay } from "./overlay";
import { fullscreen } from "./fullscreen";
import { play } from "./play";
import { watch, type NameWatch } from "./nameWatch";
import { readPlayed } from "./playedSource";
import { asKeys } from "./standIns/asKeys";
import { asMouse } from "./standIns/asMouse";
import { asPad } from "./standIns/asPad";

const nodulum = { play, readPlayed, fullscreen, drawing, asKeys, asPad, asMouse, handle: null as Handle | null, watched: null as NameWatch | null };
Object.assign(window, { nodulum });

declare global {
  interface Window {
    /** The package, if its script tag is loaded. */
    readonly nodulum?: typeof nodulum;
  }
}

const fault = (message: string) => console.error(`nodulum-runtime: ${message}`);

/** The attributes of the tag. `data-as`: keys, pad, mouse, separated by spaces. */
async function begin({ played, over = "canvas", as = "", watch: watches, moment, appear, ppi, handed, size }: DOMStringMap): Promise<void> {
  // Watch a game without a layout too: its keys are the start of a layout.
  if (played === undefined) return void (watches !== undefined && (nodulum.watched = watch(null)));
  const element = document.querySelector(over);
  if (!(element instanceof HTMLElement)) return fault(`data-over="${over}": there is no such element`);
  const answer = await fetch(played);
  if (!answer.ok) return fault(`data-played="${played}": answered with ${answer.status}`);
  const kinds = as.split(/\s+/).filter(Boolean);
  const unknown = kinds.find((kind) => !["keys", "pad", "mouse"].includes(kind));
  if (unknown !== undefined) return fault(`data-as="${as}": "${unknown}" is none of keys, pad, mouse`);
  for (const [name, value, known] of [
    ["appear", appear, ["touch", "always", "no-pad"]],
    ["handed", handed, ["right", "left"]],
  ] as const)
    if (value !== undefined && !(known as readonly string[]).includes(value)) return fault(`data-${name}="${value}" is none of ${known.join(", ")}`);
  for (const [name, value] of [
    ["ppi", ppi],
    ["size", size],
  ] as const)
    if (value !== undefined && !(Number(value) > 0)) return fault(`data-${name}="${value}" is not a number above 0`);
  const options: PlayOptions = {
    over: element,
    draw: drawing,
    // A stand-in for keys or mouse must not read its own events, nor double real ones.
    keys: !kinds.includes("keys"),
    mouse: !kinds.includes("mouse"),
    pads: !kinds.includes("pad"),
    ...(moment === undefined ? {} : { moment }),
    ...(appear === undefined ? {} : { appear: appear as PlayOptions["appear"] }),
    ...(ppi === undefined ? {} : { ppi: Number(ppi) }),
    ...(handed === undefined ? {} : { handed: handed as "left" | "right" }),
    ...(size === undefined ? {} : { playerSize: Number(size) }),
  };
  const handle = play(new Uint8Array(await answer.arrayBuffer()), options);
  nodulum.handle = handle;
  if (watches !== undefined) nodulum.watched = watch(handle);
  overlay(handle, element);
  if (kinds.includes("keys")) asKeys(handle);
  if (kinds.includes("pad")) asPad(handle);
  if (kinds.includes("mouse")) asMouse(handle);
  dispatchEvent(new CustomEvent("nodulum", { detail: handle }));
}

const { currentScript } = document;
if (currentScript instanceof HTMLScriptElement) {
  const { dataset } = currentScript;
  const start = () => void begin(dataset).catch((error: unknown) => fault(error instanceof Error ? error.message : String(error)));
  if (document.readyState === "loading") addEventListener("DOMContentLoaded", start);
  else start();
}
