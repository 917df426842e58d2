/**
 * Layouts made ready for placing, arrangement by arrangement when one is asked for. Each control, placement and hit area is made
 * ready once: a version of a layout in which one control has moved reads the lengths of that control and no other's.
 */
import {
  prepareVariant,
  readyControl,
  readyPlacement,
  type PartsReader,
  type PreparedLayout,
  type ReadyControl,
  type ReadyPlacement,
  type Variant,
} from "../engine/placement/prepare";
import type { Control, Layout, Override, Placement } from "../format/types";

const placements = new WeakMap<Placement, ReadyPlacement>();
const controls = new WeakMap<Control, ReadyControl>();
const overridden = new WeakMap<Override, WeakMap<Control, ReadyControl>>();
const layouts = new WeakMap<Layout, PreparedLayout<Layout>>();

function placement(of: Placement): ReadyPlacement {
  let ready = placements.get(of);
  if (!ready) placements.set(of, (ready = readyPlacement(of)));
  return ready;
}

const KEPT: PartsReader = {
  placement,
  control(control, override) {
    let known = controls;
    if (override) {
      known = overridden.get(override) ?? new WeakMap();
      overridden.set(override, known);
    }
    let ready = known.get(control);
    if (!ready) known.set(control, (ready = readyControl(control, override, placement)));
    return ready;
  },
};

/** A layout made ready for placing. The same layout gives the same object; its parts are shared with every other version that has them. */
export function preparedOf(layout: Layout): PreparedLayout<Layout> {
  let prepared = layouts.get(layout);
  if (!prepared) layouts.set(layout, (prepared = { layout, variants: lazyVariants(layout) }));
  return prepared;
}

/** The base and the arrangements, each computed when it is first asked for. */
function lazyVariants(layout: Layout): Readonly<Record<number, Variant>> {
  const variants: Record<number, Variant> = {};
  [null, ...layout.arrangements].forEach((arrangement, i) => {
    let made: Variant | undefined;
    Object.defineProperty(variants, i, { enumerable: true, get: () => (made ??= prepareVariant(layout, arrangement, KEPT)) });
  });
  return variants;
}
