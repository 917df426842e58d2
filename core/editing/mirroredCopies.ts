/** Copies of what is on the glass: the second side, a mirrored twin with its own names and nothing bound yet; and plain copies, bound as their originals, set off a little. */
import { duplicateControls, freeId, freeName } from "./edits/controls";
import { byId } from "../derived/byId";
import { checked } from "./edits/checked";
import type { Cluster, Control, Layout, Pin } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { mirrorControl, mirrorPlacement } from "./mirrored";
import { moveBy, editContextOf, type EditContext } from "./placing";
import { clusterOf, placeableBox, placeableOf } from "./placeables";

/** What mirroring made: the layout, the keys of the twins, and the controls that were copied by the ids of their twins. */
export interface MirroredCopies {
  readonly layout: Layout;
  readonly keys: readonly string[];
  readonly originals: ReadonlyMap<string, string>;
}

/** Makes the twins of controls and clusters (a cluster with all in it). A control in a chosen cluster comes with the cluster, once. */
export function makeMirroredCopies(context: EditContext, keys: readonly string[]): Result<MirroredCopies> {
  let { layout } = context;
  const made: string[] = [];
  const originals = new Map<string, string>();
  const newest = () => layout.controls[layout.controls.length - 1].id;
  for (const key of keys) {
    const placeable = placeableOf(layout, key);
    if (!placeable) return refused(key, "no control or cluster has this id");
    const box = placeableBox(context.resolved, placeable);
    const side = box && box.x + box.w / 2 > context.screen.widthPx / 2 ? "left" : "right";
    if (placeable.kind === "cluster") {
      const cluster = byId(layout.clusters).get(key)!;
      const name = freeName(layout, `${bare(cluster.name)}, ${side}`);
      const mirroredBox: Cluster = { id: freeId(layout, `${bareId(key)}-${side}`), name, placement: mirrorPlacement(cluster.placement) };
      layout = { ...layout, clusters: [...layout.clusters, mirroredBox] };
      for (const child of layout.controls.filter((c) => clusterOf(c.placement) === key)) {
        const grown = withMirroredCopy(layout, { ...child, placement: { ...(child.placement as Pin), frame: { cluster: mirroredBox.id } } } as Control, side);
        if (!grown.ok) return grown;
        layout = grown.value;
        originals.set(newest(), child.id);
      }
      made.push(mirroredBox.id);
    } else if (placeable.kind === "control") {
      const control = byId(layout.controls).get(key)!;
      const home = clusterOf(control.placement);
      if (home !== null && keys.includes(home)) continue;
      const grown = withMirroredCopy(layout, control, side);
      if (!grown.ok) return grown;
      layout = grown.value;
      originals.set(newest(), control.id);
      made.push(newest());
    }
  }
  if (made.length === 0) return refused("second side", "choose a control or a cluster");
  const result = checked(context.layout, layout);
  return result.ok ? ok({ layout: result.value, keys: made, originals }) : result;
}

const SIDE = /, (?:left|right)(?: \d+)?$/;
const bare = (name: string) => name.replace(SIDE, "").slice(0, 70);
const bareId = (id: string) => id.replace(/-(?:left|right)(?:-\d+)?$/, "");

function withMirroredCopy(layout: Layout, control: Control, side: string): Result<Layout> {
  const copied = duplicateControls(layout, [{ ...control, id: `${bareId(control.id)}-${side}`, serves: [] } as Control], mirrorControl);
  if (!copied.ok) return copied;
  const id = copied.value.ids[0];
  const name = freeName(layout, `${bare(control.name)}, ${side}`);
  return ok({ ...copied.value.layout, controls: copied.value.layout.controls.map((c) => (c.id === id ? { ...c, name } : c)) });
}

/** How far a copy is set off from its original, layout units. */
const SET_OFF_U = 24;

/** Copies controls, clusters (with all in them) and zones, set off toward the middle of the screen in view. Gives the layout and the keys of the copies. */
export function makeCopies(context: EditContext, keys: readonly string[]): Result<{ layout: Layout; keys: string[] }> {
  let { layout } = context;
  const made: string[] = [];
  const copyControl = (control: Control) => {
    const copied = duplicateControls(layout, [control]);
    if (!copied.ok) return copied;
    layout = copied.value.layout;
    return ok(copied.value.ids[0]);
  };
  for (const key of keys) {
    const placeable = placeableOf(layout, key);
    if (placeable?.kind === "cluster") {
      const cluster = byId(layout.clusters).get(key)!;
      const id = freeId(layout, key.replace(/-\d+$/, ""));
      layout = { ...layout, clusters: [...layout.clusters, { ...cluster, id, name: freeName(layout, cluster.name.replace(/ \d+$/, "")) }] };
      for (const child of context.layout.controls.filter((c) => clusterOf(c.placement) === key)) {
        const copied = copyControl({ ...child, placement: { ...(child.placement as Pin), frame: { cluster: id } } } as Control);
        if (!copied.ok) return copied;
      }
      made.push(id);
    } else if (placeable?.kind === "zone") {
      const zone = byId(layout.keepClear).get(key)!;
      const id = freeId(layout, key.replace(/-\d+$/, ""));
      layout = { ...layout, keepClear: [...layout.keepClear, { ...zone, id, name: freeName(layout, zone.name.replace(/ \d+$/, "")) }] };
      made.push(id);
    } else if (placeable?.kind === "control") {
      const control = byId(layout.controls).get(key)!;
      const home = clusterOf(control.placement);
      if (home !== null && keys.includes(home)) continue;
      const copied = copyControl(control);
      if (!copied.ok) return copied;
      made.push(copied.value);
    }
  }
  const result = checked(context.layout, layout);
  return result.ok ? ok({ layout: setOff(context, result.value, made), keys: made }) : result;
}

/** The layout with some placeables set off a little toward the middle of the screen in view, so that they can be seen next to what they are copies of. */
export function setOff(context: Pick<EditContext, "screen" | "playerView">, layout: Layout, keys: readonly string[]): Layout {
  const now = editContextOf(layout, context.screen, { ...context.playerView, moment: null });
  const step = SET_OFF_U * now.resolved.scale;
  const inward = (at: number, room: number) => (at > room / 2 ? -step : step);
  let moved = layout;
  for (const key of keys) {
    const box = placeableBox(now.resolved, placeableOf(moved, key)!);
    if (!box) continue;
    const there = moveBy(
      { ...now, layout: moved },
      [key],
      inward(box.x + box.w / 2, context.screen.widthPx),
      inward(box.y + box.h / 2, context.screen.heightPx),
    );
    if (there.ok) moved = there.value;
  }
  return moved;
}
