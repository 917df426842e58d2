/** Edits of keep-clear zones: what controls must leave free. */
import { refused, type Result } from "../../engine/result";
import type { KeepClear, Layout, PlainPlacement } from "../../format/types";
import { checked } from "./checked";
import { freeId, freeName } from "./controls";

/** Adds a zone of a placement, in every moment; gives the layout and the zone's id. */
export function addZone(layout: Layout, placement: PlainPlacement, name = "Keep clear"): Result<{ layout: Layout; id: string }> {
  const wish = freeName(layout, name);
  const zone: KeepClear = { id: freeId(layout, wish), name: wish, placement, moments: layout.moments.map((m) => m.id), taps: false };
  const result = checked(layout, { ...layout, keepClear: [...layout.keepClear, zone] });
  return result.ok ? { ok: true, value: { layout: result.value, id: zone.id } } : result;
}

/** Says whether the game itself takes taps in a zone. */
export function changeTaps(layout: Layout, id: string, taps: boolean): Result<Layout> {
  if (!layout.keepClear.some((z) => z.id === id)) return refused("keepClear", `there is no zone "${id}"`);
  return checked(layout, { ...layout, keepClear: layout.keepClear.map((z) => (z.id === id ? { ...z, taps } : z)) });
}
