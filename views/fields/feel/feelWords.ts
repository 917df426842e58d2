/** What the fields of every kind of feel share. */
import type { Control } from "../../../core/format/types";
import type { EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";

export type OfKind<K extends Control["kind"]> = Extract<Control, { kind: K }>;
/** What every kind's fields work with. */
export interface FeelProps<K extends Control["kind"]> {
  readonly context: EditContext;
  readonly controls: readonly OfKind<K>[];
  readonly placed: readonly (ResolvedControl | undefined)[];
  /** Changes a field of all of them: one entry of the history with the changes like it before. */
  readonly change: (field: string, value: unknown) => unknown;
  /** Changes fields of all of them within a gesture under way. */
  readonly preview: (change: Record<string, unknown>) => unknown;
  readonly begin: (label: string) => void;
  readonly commit: () => void;
  readonly cancel: () => void;
  readonly refuse: (text: string) => void;
}

export const AXES = [
  ["both", "any direction"],
  ["x", "horizontal only"],
  ["y", "vertical only"],
] as const;
