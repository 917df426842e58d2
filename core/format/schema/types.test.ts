/** The types written by hand say exactly what the schema reads: each assignable to the other, held by the type checker. */
import type { z } from "zod";
import { fileSchema } from "./file";
import type { Control, Override, PlayedAction, PlayedLayout, Screen } from "../../engine/types";
import type { Action, Layout, Workbench } from "../types";
import type { screenSchema } from "./file";

/** What the schema gives, with the defaults that depend on other fields filled in (`fillDependent`). */
type Raw = z.output<typeof fileSchema>;
type Filled<T> = T extends { feel: { slideOut?: infer S } }
  ? Omit<T, "moments" | "feel"> & { moments: string[]; feel: Omit<T["feel"], "slideOut"> & { slideOut: NonNullable<S> } }
  : T extends unknown
    ? Omit<T, "moments"> & { moments: string[] }
    : never;
type RawOverride = Raw["arrangements"][number]["overrides"][string];
type FilledOverride = Omit<RawOverride, "hit"> & { hit?: Omit<NonNullable<RawOverride["hit"]>, "shape"> & { shape: "ellipse" | "box" | "capsule" } };
type FilledLayout = Omit<Raw, "orientation" | "actions" | "controls" | "keepClear" | "arrangements"> & {
  orientation: NonNullable<Raw["orientation"]>;
  actions: Filled<Raw["actions"][number]>[];
  controls: Filled<Raw["controls"][number]>[];
  keepClear: Filled<Raw["keepClear"][number]>[];
  arrangements: (Omit<Raw["arrangements"][number], "overrides"> & { overrides: Record<string, FilledOverride> })[];
};

/** True only where each type is assignable to the other, absent keys included. */
type Same<A, B> = [Required<A>] extends [Required<B>]
  ? [Required<B>] extends [Required<A>]
    ? [A] extends [B]
      ? [B] extends [A]
        ? true
        : never
      : never
    : never
  : never;

test("the schema and the types of engine and file are the same, both ways", () => {
  const same: [
    Same<Filled<Raw["controls"][number]>, Control>,
    Same<FilledOverride, Override>,
    Same<Filled<Raw["actions"][number]>, Action>,
    Same<z.output<typeof screenSchema>, Screen>,
    Same<Raw["workbench"], Workbench>,
    Same<FilledLayout, Layout>,
  ] = [true, true, true, true, true, true];
  expect(same).toHaveLength(6);
});

test("what a game carries is part of what the editor holds", () => {
  const part = (layout: Layout): PlayedLayout => layout;
  const action = (a: Action): PlayedAction => a;
  expect([part, action]).toHaveLength(2);
  const carried: readonly (keyof PlayedLayout)[] = [
    "name",
    "reference",
    "scale",
    "orientation",
    "picture",
    "playerSizes",
    "appear",
    "actions",
    "moments",
    "clusters",
    "controls",
    "keepClear",
    "arrangements",
    "pictures",
  ];
  expect(Object.keys(fileSchema.shape).filter((key) => !["format", "version", "together", "limits", "accepted", "workbench"].includes(key))).toEqual(carried);
});
