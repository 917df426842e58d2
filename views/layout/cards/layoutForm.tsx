"use client";
/** The fields of the layout's own settings and of its scale. */
import type { changeLayout } from "../../../core/editing/edits/layout";
import type { Layout } from "../../../core/format/types";
import type { ChoiceEntry, Entry, Form, NumberEntry } from "../../fields/form/entries";
import { DEFAULT_LAYOUT } from "../../../core/format/defaults";
import { ScaleFields } from "../../fields/ScaleFields";
import { Backdrop, GrowAll, Looks } from "./layoutOwn";

export type LayoutChange = Parameters<typeof changeLayout>[1];
type LayoutEntry = Entry<Layout, LayoutChange>;
type NumberFields = Omit<NumberEntry<Layout, LayoutChange>, "kind" | "read" | "edit">;

/** A number of the layout. */
const number = (entry: NumberFields, read: (layout: Layout) => number, edit: (value: number, layout: Layout) => LayoutChange): LayoutEntry => ({
  ...entry,
  kind: "number",
  read,
  edit: (value, layout) => edit(value as number, layout),
});
/** A limit that findings go by. */
const limit = <K extends "minTargetMm" | "minGapMm" | "comfortMm" | "stretchMm">(key: K, entry: NumberFields): LayoutEntry =>
  number(
    { unit: "mm", ...entry, more: true },
    ({ limits }) => limits[key],
    (value, { limits }) => ({ limits: { ...limits, [key]: value } }),
  );
const choice = <V extends string>(
  entry: Omit<ChoiceEntry<Layout, LayoutChange>, "kind" | "read" | "edit" | "options"> & { readonly options: readonly (readonly [V, string])[] },
  read: (layout: Layout) => V,
  edit: (value: V, layout: Layout) => LayoutChange,
): LayoutEntry => ({ ...entry, kind: "choice", read, edit: (value, layout) => edit(value as V, layout) });

const designSide = (side: "width" | "height", says: string): LayoutEntry =>
  number(
    { label: `Design ${side}`, unit: "u", min: 1, max: 100_000, says, edits: "design size" },
    ({ reference }) => reference[side],
    (value, { reference }) => ({
      reference: { ...reference, [side]: value },
    }),
  );

const pictureEnd = (end: "minAspect" | "maxAspect", entry: { label: string; word: string; says: string }): LayoutEntry => ({
  ...entry,
  kind: "number",
  min: 0.1,
  max: 10,
  step: 0.05,
  none: "as the screen",
  edits: "picture frame",
  more: true,
  read: ({ picture }) => picture?.[end] ?? "none",
  edit: (aspect, { picture }) => ({ picture: aspect === "none" ? undefined : { minAspect: aspect, maxAspect: aspect, ...picture, [end]: aspect } }),
});

export const LAYOUT_FORM: Form<Layout, LayoutChange> = {
  entries: [
    {
      kind: "text",
      label: "Name",
      says: "Name of the layout: {value}.",
      edits: "rename the layout",
      read: ({ name }) => name,
      edit: (name) => ({ name: name.trim() }),
    },
    designSide("width", "Design width: {value}. Layout units (u) and shares of the screen refer to it."),
    designSide("height", "Design height: {value}."),
    choice(
      {
        label: "Orientation",
        says: "Orientation: {value}. Screens of the other orientation are excluded.",
        options: [
          ["landscape", "landscape"],
          ["portrait", "portrait"],
          ["both", "both"],
        ],
      },
      ({ orientation }) => orientation,
      (orientation) => ({ orientation }),
    ),
    choice(
      {
        label: "Grip",
        says: "Grip: {value}. The thumbs’ reach is measured from it.",
        options: [
          ["two-thumbs", "two thumbs"],
          ["right-thumb", "right thumb"],
          ["left-thumb", "left thumb"],
        ],
      },
      ({ limits }) => limits.grip,
      (grip, { limits }) => ({ limits: { ...limits, grip } }),
    ),
    { kind: "own", label: "Backdrop", Show: Backdrop },
    { kind: "own", label: "Looks", Show: Looks },
    { kind: "own", label: "Hit areas", Show: GrowAll, shown: ([{ controls }]) => controls.length > 0 },
    choice(
      {
        label: "Controls",
        says: "When the game shows the controls: {value}.",
        options: [
          ["touch", "from the first touch"],
          ["always", "always"],
          ["no-pad", "while no pad is used"],
        ],
        edits: "when controls show",
        more: true,
      },
      ({ appear }) => appear,
      (appear) => ({ appear }),
    ),
    number(
      {
        label: "Grid",
        says: "Grid: a line every {value}. Controls snap to it while it is visible.",
        keys: "G shows it",
        unit: "mm",
        min: 0.5,
        max: 50,
        step: 0.5,
        more: true,
      },
      ({ workbench }) => workbench.gridMm,
      (gridMm, { workbench }) => ({ workbench: { ...workbench, gridMm } }),
    ),
    limit("minTargetMm", {
      label: "Minimum target",
      says: "Minimum target: hit areas smaller than {value} are reported. Thumbs often miss targets below about 9 mm.",
      min: 0,
      max: 50,
      step: 0.5,
    }),
    limit("minGapMm", { label: "Minimum gap", says: "Minimum gap: hit areas closer than {value} are reported.", min: 0, max: 50, step: 0.5 }),
    number(
      {
        label: "Maximum cover",
        says: "Maximum cover: controls that cover more than {value} of the screen are reported.",
        unit: "%",
        min: 0,
        max: 100,
        step: 5,
        digits: 1,
        more: true,
      },
      ({ limits }) => limits.maxCover * 100,
      (percent, { limits }) => ({ limits: { ...limits, maxCover: percent / 100 } }),
    ),
    pictureEnd("minAspect", {
      label: "Picture frame, minimum aspect",
      word: "Picture, min. aspect",
      says: "Narrowest picture: {value} to 1. Beyond it the game shows black bars.",
    }),
    pictureEnd("maxAspect", {
      label: "Picture frame, maximum aspect",
      word: "Picture, max.",
      says: "Widest picture: {value} to 1. Beyond it the game shows black bars.",
    }),
  ],
};

const playerSize = (end: "min" | "max", entry: { label: string; says: string }): LayoutEntry =>
  number(
    { unit: "×", step: 0.05, min: 0.1, max: 5, edits: "player sizes", more: true, ...entry },
    ({ playerSizes }) => playerSizes[end],
    (value, { playerSizes }) => ({
      playerSizes: { ...playerSizes, [end]: value },
    }),
  );

/** What of the scale is seldom set. `here`: what a unit comes to on the screen in view. */
export const scaleForm = (here: { readonly px: number; readonly mm: number }): Form<Layout, LayoutChange> => ({
  entries: [
    {
      kind: "own",
      label: "Scale",
      more: true,
      isSet: ({ scale }) => scale.of !== DEFAULT_LAYOUT.scale.of || scale.mmPerUnit !== DEFAULT_LAYOUT.scale.mmPerUnit,
      Show: ({ controls: [{ scale }], change }) => (
        <ScaleFields scale={scale} here={here} onChange={(words, next) => change(words, (layout) => ({ scale: { ...layout.scale, ...next } }))} />
      ),
    },
    playerSize("min", { label: "Smallest player size", says: "Smallest player size: {value} times the normal size." }),
    playerSize("max", { label: "Largest player size", says: "Largest player size: {value} times the normal size." }),
    limit("comfortMm", {
      label: "Comfortable thumb reach",
      says: "Comfortable reach: a thumb reaches up to {value} from its root without effort.",
      keys: "R shows it",
      min: 1,
      max: 300,
      edits: "thumb reach",
    }),
    limit("stretchMm", {
      label: "Stretched thumb reach",
      says: "Stretch reach: beyond {value} from its root, a thumb reaches only if the hand moves.",
      keys: "R shows it",
      min: 1,
      max: 300,
      edits: "thumb reach",
    }),
  ],
});
