/**
 * The clipboard format of controls: a small layout with the selected controls, their clusters, actions, moments and pictures, as text
 * that another tab can paste. It is parsed and validated like any other file.
 */
import { z } from "zod";
import { readThrough } from "../format/readThrough";
import { readJson } from "../format/parseJson";
import { LISTS, TEXTS } from "../format/limits";
import { parseLayout } from "../format/parse";
import { listOf, textSchema } from "../format/schema/parts";
import type { Layout, Serve } from "../format/types";
import { plainLayout } from "../format/write";
import { clusterOf } from "../editing/placeables";
import { ok, refused, type Result } from "../engine/result";
import type { Clip } from "../wiring/paste";

const FORMAT = "nodulum-controls";
const clipSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  whole: listOf(textSchema(TEXTS.subject), LISTS.clusters),
  layout: z.unknown(),
});

/** Returns the selected controls and clusters (with their controls) as text, in drawing order. */
export function clipText(layout: Layout, keys: readonly string[]): string {
  const chosen = new Set(keys);
  const whole = layout.clusters.map((c) => c.id).filter((id) => chosen.has(id));
  const controls = layout.controls.filter((c) => chosen.has(c.id) || chosen.has(clusterOf(c.placement) ?? ""));
  const homes = new Set(controls.map((c) => clusterOf(c.placement)));
  const words = new Set(controls.flatMap((c) => (c.serves as readonly Serve[]).map((s) => s.action)));
  const pictures = new Set(controls.flatMap((c) => Object.values(c.look.art ?? {})));
  const part: Layout = {
    ...layout,
    actions: layout.actions.filter((a) => words.has(a.name)),
    clusters: layout.clusters.filter((c) => homes.has(c.id)),
    controls,
    keepClear: [],
    arrangements: [],
    together: [],
    accepted: [],
    pictures: layout.pictures.filter((p) => pictures.has(p.id)),
    workbench: { ...layout.workbench, picture: undefined, momentPictures: {}, screens: [], rail: [], callees: [], locked: {}, playersPart: {} },
  };
  return JSON.stringify({ format: FORMAT, version: 1, whole, layout: plainLayout(part) }, null, 2);
}

/** Parses the text of the clipboard. */
export function readClip(text: string): Result<Clip> {
  const none = "the clipboard has no controls; copy some first";
  const value = readJson(text);
  const read = value.ok ? readThrough(clipSchema, value.value) : value;
  if (!read.ok) return refused("", none);
  const layout = parseLayout(read.value.layout);
  if (!layout.ok) return layout;
  return layout.value.controls.length === 0 ? refused("", none) : ok({ layout: layout.value, whole: read.value.whole });
}
