/** Controls on the clipboard: a small JSON text, read at the door like every other. */
import { z } from "zod";
import { fillDependent, leaveOutDependent } from "../layout/dependent";
import { schemaProblems } from "../layout/parse";
import { controlsSchema } from "../layout/schema/control";
import type { Control, Layout } from "../layout/types";
import { ok, refused, type Result } from "../result";

const FORMAT = "nodulum-controls";
const clipSchema = z.strictObject({ format: z.literal(FORMAT), version: z.literal(1), controls: z.array(controlsSchema).min(1).max(200) });

/** The chosen controls as text, in drawing order. */
export function clipText(layout: Layout, ids: readonly string[]): string {
  const controls = leaveOutDependent(layout).controls.filter((c) => ids.includes(c.id));
  return JSON.stringify({ format: FORMAT, version: 1, controls }, null, 2);
}

/** Controls from such a text, fitted to a layout: moments it does not have are left out, and what stood in a cluster it lacks stands in the safe frame. */
export function readClip(text: string, layout: Layout): Result<Control[]> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused("", "the clipboard holds no controls; copy some first");
  }
  if ((value as { format?: unknown } | null)?.format !== FORMAT) return refused("", "the clipboard holds no controls; copy some first");
  const read = clipSchema.safeParse(value);
  if (!read.success) return { ok: false, problems: schemaProblems(read.error) };
  const moments = new Set(layout.moments.map((m) => m.id));
  const clusters = new Set(layout.clusters.map((c) => c.id));
  const raw = read.data.controls.map((c): (typeof read.data.controls)[number] => ({ ...c, moments: c.moments?.filter((m) => moments.has(m)) }));
  const filled = fillDependent({ ...leaveOutDependent(layout), controls: raw }).controls;
  return ok(
    filled.map((c) =>
      c.placement.kind === "pin" && typeof c.placement.frame === "object" && !clusters.has(c.placement.frame.cluster)
        ? ({ ...c, placement: { ...c.placement, frame: "safe" } } as Control)
        : c,
    ),
  );
}
