/** The layout behind the door: the schema's output with the dependent defaults filled in. Values are never changed in place. */
import type { z } from "zod";
import type { controlsSchema } from "./schema/control";
import type { fileSchema, screenSchema } from "./schema/file";

type RawFile = z.output<typeof fileSchema>;
type WithMoments<T> = T extends unknown ? Omit<T, "moments"> & { moments: string[] } : never;

type RawControl = z.output<typeof controlsSchema>;
type RawOf<K extends RawControl["kind"]> = Extract<RawControl, { kind: K }>;
type RawButton = RawOf<"button">;

export type StickControl = WithMoments<RawOf<"stick">>;
export type DpadControl = WithMoments<RawOf<"dpad">>;
export type ButtonControl = WithMoments<Omit<RawButton, "feel"> & { feel: Omit<RawButton["feel"], "slideOut"> & { slideOut: "keep" | "release" } }>;
export type TouchpadControl = WithMoments<RawOf<"touchpad">>;
export type SwipeControl = WithMoments<RawOf<"swipe">>;
export type Control = StickControl | DpadControl | ButtonControl | TouchpadControl | SwipeControl;
export type ControlKind = Control["kind"];

export type Action = WithMoments<RawFile["actions"][number]>;
export type ActionKind = Action["kind"];
export type Moment = RawFile["moments"][number];
export type Cluster = RawFile["clusters"][number];
export type KeepClear = WithMoments<RawFile["keepClear"][number]>;
export type Hit = Control["hit"];
export type Look = Control["look"];
export type Curve = StickControl["feel"]["curve"];
export type Screen = z.output<typeof screenSchema>;
export type Scale = RawFile["scale"];
export type Limits = RawFile["limits"];
export type Workbench = RawFile["workbench"];

export type Placement = Control["placement"];
export type Pin = Extract<Placement, { kind: "pin" }>;
export type Span = Extract<Placement, { kind: "span" }>;
export type PlainPlacement = NonNullable<StickControl["feel"]["landing"]>;
export type Frame = Pin["frame"];
export type Clamp = NonNullable<Pin["clamp"]>;

/** A port name of any kind of control. */
export type Port = Control["serves"][number]["port"];
/** One line of a control's serves: which port gives what to which action. */
export interface Serve {
  port: Port;
  action: string;
  value?: number | [number, number];
  scale?: number | [number, number];
  repeat?: { delayMs: number; intervalMs: number; restMs: number };
}

type RawArrangement = RawFile["arrangements"][number];
export interface Override {
  placement?: Placement;
  hit?: Hit;
  landing?: PlainPlacement;
  hidden: boolean;
}
export type Arrangement = Omit<RawArrangement, "overrides"> & { overrides: Record<string, Override> };

export type Layout = Omit<RawFile, "orientation" | "actions" | "controls" | "keepClear" | "arrangements"> & {
  orientation: "landscape" | "portrait" | "both";
  actions: Action[];
  controls: Control[];
  keepClear: KeepClear[];
  arrangements: Arrangement[];
};
/** The file as the schema alone reads it: dependent defaults may still be missing. */
export type FileValue = RawFile;
