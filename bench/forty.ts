/** The played file of the bench's layout of forty controls. */
import { compile } from "../core/format/compile";
import { parseLayout } from "../core/format/parse";

const kinds = ["stick", "dpad", "button", "button", "touchpad"] as const;
const controls = Array.from({ length: 40 }, (_, i) => {
  const kind = kinds[i % kinds.length];
  const port = kind === "button" ? "press" : kind === "touchpad" ? "motion" : "vector";
  const offset = [`${2 + (i % 10) * 18}mm`, `${2 + Math.floor(i / 10) * 20}mm`];
  const placement = { kind: "pin", frame: "screen", anchor: [0, 0], pivot: [0, 0], offset, size: ["16mm", "16mm"] };
  return { id: `c${i}`, name: `c${i}`, kind, placement, look: { label: kind === "button" ? `b${i}` : "" }, serves: [{ port, action: `a${i}` }] };
});
const actions = controls.map(({ serves: [{ port, action }] }) => ({ name: action, kind: port }));
const read = parseLayout({ format: "nodulum-layout", version: 1, name: "Forty", reference: { width: 1600, height: 720 }, scale: {}, actions, controls });
if (!read.ok) throw new Error(JSON.stringify(read.problems));

export const compiled = compile(read.value);
