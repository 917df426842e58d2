/** The fields of what takes the touch. */
import { lengthOf } from "../../../core/engine/placement/length";
import type { Control, Hit } from "../../../core/format/types";
import { entriesOf, type Entry, type LengthEntry, type SwitchEntry } from "../../fields/form/entries";

type HitEntry = Entry<Control, Partial<Hit>>;

const DRAG = "drag on the picture · ↑ ↓";
const hit = entriesOf<Control, Hit>((c) => c.hit);
/** A hit area as large as the visual box, written as its own size. */
const AS_ITS_BOX: [string, string] = ["100%w", "100%h"];

const shift = (i: 0 | 1, entry: { label: string; says: string }): LengthEntry<Control, Partial<Hit>> => ({
  ...entry,
  kind: "length",
  part: "shift",
  keys: DRAG,
  more: true,
  // Zero is zero in any unit.
  isSet: (c) => lengthOf(c.hit.shift[i]).amount !== 0,
  read: (c) => c.hit.shift[i],
  edit: (length, c) => ({ shift: i === 0 ? [length, c.hit.shift[1]] : [c.hit.shift[0], length] }),
});

const side = (i: 0 | 1, entry: { label: string; word: string; says: string }): LengthEntry<Control, Partial<Hit>> => ({
  ...entry,
  kind: "length",
  more: true,
  isSet: () => false,
  shown: (all) => all.some((c) => c.hit.size !== undefined),
  read: ({ hit: { size = AS_ITS_BOX } }) => size[i],
  edit: (length, { hit: { size = AS_ITS_BOX } }) => ({ size: i === 0 ? [length, size[1]] : [size[0], length] }),
});

const OWN_SIZE: SwitchEntry<Control, Partial<Hit>> = {
  kind: "switch",
  label: "Separate size",
  says: "Separate size: {value}. Without it, the hit area has the size of the picture and scales with it.",
  more: true,
  read: (c) => c.hit.size !== undefined,
  edit: (own) => ({ size: own ? AS_ITS_BOX : undefined }),
};

export const TOUCH = {
  shape: hit.choice("shape", {
    label: "Shape",
    says: "Shape of the hit area: {value}. A touch inside it reaches the control.",
    options: [
      ["ellipse", "ellipse"],
      ["box", "box"],
      ["capsule", "capsule"],
    ],
    edits: "hit shape",
  }),
  grow: hit.length("grow", {
    label: "Grow",
    part: "grow",
    says: "Grow: the hit area extends {value} ({mm}) beyond the picture on every side.",
    keys: DRAG,
  }),
  minMm: hit.number("minMm", {
    label: "At least",
    says: "Minimum: each side of the hit area is at least {value}. 0 mm sets no minimum.",
    unit: "mm",
    min: 0,
    max: 100,
    step: 0.5,
    edits: "least hit size",
  }),
  sharing: hit.choice("sharing", {
    label: "Touch goes to",
    says: "A touch here goes to {value}. Controls below are those that this control covers.",
    options: [
      ["own", "this control only"],
      ["shared", "controls below too"],
    ],
    edits: "sharing",
  }),
  shiftX: shift(0, {
    label: "Shift right",
    says: "Shift right: the hit area is {value} ({mm}) to the right of the picture; negative values shift left.",
  }),
  shiftY: shift(1, { label: "Shift down", says: "Shift down: the hit area is {value} ({mm}) below the picture; negative values shift up." }),
  ownSize: OWN_SIZE,
  width: side(0, { label: "Width of the hit area", word: "Width", says: "Width of the hit area before it grows: {value}." }),
  height: side(1, { label: "Height of the hit area", word: "Height", says: "Height of the hit area before it grows: {value}." }),
} satisfies Record<string, HitEntry>;
