/** The second side: a mirrored twin of a control or a cluster, with its own names and nothing bound yet. */
import { duplicateControls, freeId, freeName } from "../layout/edits/controls";
import { checked } from "../layout/edits/check";
import type { Cluster, Control, Layout, Pin } from "../layout/types";
import { ok, refused, type Result } from "../result";
import { mirrorControl, mirrorPlacement } from "./mirror";
import type { Sight } from "./edits";
import { clusterOf, spotBox, spotOf } from "./spots";

/** Makes the twins of controls and clusters (a cluster with all in it). Gives the layout and the keys of the twins; a control in a chosen cluster comes with the cluster, once. */
export function makeTwins(sight: Sight, keys: readonly string[]): Result<{ layout: Layout; keys: string[] }> {
  let { layout } = sight;
  const made: string[] = [];
  for (const key of keys) {
    const spot = spotOf(layout, key);
    if (!spot) return refused(key, "nothing on the glass has this id");
    const box = spotBox(sight.resolved, spot);
    const side = box && box.x + box.w / 2 > sight.screen.widthPx / 2 ? "left" : "right";
    if (spot.kind === "cluster") {
      const cluster = layout.clusters.find((c) => c.id === key)!;
      const name = freeName(layout, `${bare(cluster.name)}, ${side}`);
      const twin: Cluster = { id: freeId(layout, `${bareId(key)}-${side}`), name, placement: mirrorPlacement(cluster.placement) };
      layout = { ...layout, clusters: [...layout.clusters, twin] };
      for (const child of layout.controls.filter((c) => clusterOf(c.placement) === key))
        layout = withTwin(layout, { ...child, placement: { ...(child.placement as Pin), frame: { cluster: twin.id } } } as Control, side);
      made.push(twin.id);
    } else if (spot.kind === "control") {
      const control = layout.controls.find((c) => c.id === key)!;
      const home = clusterOf(control.placement);
      if (home !== null && keys.includes(home)) continue;
      layout = withTwin(layout, control, side);
      made.push(layout.controls[layout.controls.length - 1].id);
    }
  }
  if (made.length === 0) return refused("second side", "choose a control or a cluster");
  const result = checked(sight.layout, layout);
  return result.ok ? ok({ layout: result.value, keys: made }) : result;
}

const SIDE = /, (?:left|right)(?: \d+)?$/;
const bare = (name: string) => name.replace(SIDE, "").slice(0, 70);
const bareId = (id: string) => id.replace(/-(?:left|right)(?:-\d+)?$/, "");

function withTwin(layout: Layout, control: Control, side: string): Layout {
  const copied = duplicateControls(layout, [{ ...control, id: `${bareId(control.id)}-${side}`, serves: [] } as Control], mirrorControl);
  if (!copied.ok) return layout;
  const id = copied.value.ids[0];
  const name = freeName(layout, `${bare(control.name)}, ${side}`);
  return { ...copied.value.layout, controls: copied.value.layout.controls.map((c) => (c.id === id ? { ...c, name } : c)) };
}
