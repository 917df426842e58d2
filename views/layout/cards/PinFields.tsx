"use client";
/** The numbers of pins: what they are tied to, distances from there, sizes; pivot, least and greatest size under more. Of several, what differs says so. */
import type { LengthUnit } from "../../../core/engine/placement/length";
import { lengthOf } from "../../../core/engine/placement/length";
import { pxPerMm } from "../../../core/engine/placement/screen";
import type { Pin } from "../../../core/format/types";
import { scaleCluster } from "../../../core/editing/clusters";
import { convertLength, measureOf, pxOf, type EditContext, seenAs } from "../../../core/editing/placing";
import { changePlacements, placementIn, placeableOf } from "../../../core/editing/placeables";
import { pivotAt } from "../../../core/editing/anchors";
import { ChoiceField } from "../../../ui/Choice";
import { LengthField, NumberField } from "../../../ui/Field";
import { More } from "../../../ui/More";
import { says } from "../../shell/reading/sentences";
import type { Session } from "../../document/session";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { anchorWord } from "../anchorWord";
import { nameOf, namesOf } from "../../document/names";
import { AnchorPicture } from "./AnchorPicture";
import { pointChoices, pointOf } from "./points";
import { TiedTo } from "./TiedTo";

/** What of a pin is kept under more, and how many of it are set. */
const setUnderMore = (pins: readonly { readonly pin: Pin }[]) =>
  [
    pins.some(({ pin }) => pin.pivot.some((v, i) => v !== pin.anchor[i])),
    pins.some(({ pin }) => pin.clamp?.minMm !== undefined),
    pins.some(({ pin }) => pin.clamp?.maxMm !== undefined),
  ].filter(Boolean).length;

/** The pins that are shown, and how they are changed. */
function usePins(context: EditContext, keys: readonly string[]) {
  const session = useSessionActions();
  const { layout, resolved } = context;
  const { arrangement } = resolved;
  const pins = keys.flatMap((key) => {
    const placement = placementIn(layout, arrangement, key);
    return placement?.kind === "pin" ? [{ key, pin: placement }] : [];
  });
  const names = namesOf(layout, keys, "of them");
  return {
    pins,
    names,
    refuse: (text: string) => session.tell({ text, tone: "problem" }),
    change: (label: string, next: (pin: Pin, key: string) => Pin) =>
      session.edit(`${label} ${names}`, (l) => changePlacements(l, { keys, arrangement }, "pin", next), true),
  };
}

type List = "offset" | "size";
interface SideProps {
  readonly context: EditContext;
  readonly keys: readonly string[];
  readonly list: List;
  readonly side: 0 | 1;
  readonly label: string;
  readonly negate?: boolean;
}

const pairWith = (old: readonly [string, string], i: 0 | 1, text: string): [string, string] => (i === 0 ? [text, old[1]] : [old[0], text]);

/** A length of one of them in another unit, its place kept. */
function converted(context: EditContext, text: string, unit: LengthUnit, { key, list }: { key: string; list: List }): string {
  const m = measureOf(context, key);
  return m ? convertLength(text, unit, m[list]) : text;
}

/** A cluster sized by number is scaled with all in it, like one sized by hand. */
function sizeCluster(session: Session, context: EditContext, id: string, { side, length }: { side: 0 | 1; length: string }): void {
  const now = context.resolved.clusters[id];
  const m = measureOf(context, id);
  if (!now || !m) return;
  const px = pxOf(length, m.size);
  const scaled = seenAs(context, (seen) => {
    const box = seen.resolved.clusters[id] ?? now;
    const growth = px / (side === 0 ? box.w : box.h);
    return scaleCluster(seen, id, { x: box.x, y: box.y, w: box.w * growth, h: box.h * growth });
  });
  session.edit(`size ${nameOf(context.layout, id)}`, scaled, true);
}

/** A distance or a size along one side. */
function SideField({ context, keys, list, side, label, negate = false }: SideProps) {
  const session = useSessionActions();
  const { layout, screen } = context;
  const { pins, change, refuse } = usePins(context, keys);
  const value = common(pins, (p) => p.pin[list][side]);
  const m = pins.length === 1 ? measureOf(context, pins[0].key) : null;
  /** The same in millimetres, where one is selected. */
  const mm = m && value !== null ? `${((pxOf(value, m[list]) * (negate ? -1 : 1)) / pxPerMm(screen)).toFixed(1)} mm` : "";
  const sentence = list === "size" ? (side === 0 ? "place.width" : "place.height") : side === 0 ? "place.x" : "place.y";
  return (
    <LengthField
      label={label}
      negate={negate}
      value={value}
      also={value === null || keys.length > 1 ? undefined : lengthOf(value).unit !== "mm" ? mm : ""}
      reads={says(sentence, { side: label, pivot: anchorWord(pins[0].pin.pivot), mm: mm || "mixed" })}
      onChange={(length) => {
        if (list === "size" && keys.length === 1 && placeableOf(layout, keys[0])?.kind === "cluster")
          return sizeCluster(session, context, keys[0], { side, length });
        change(list === "size" ? "size" : "place", (pin) => ({ ...pin, [list]: pairWith(pin[list], side, length) }));
      }}
      convert={(text, unit) => converted(context, text, unit, { key: keys[0], list })}
      onUnit={(unit) =>
        change("unit of", (pin, key) => ({ ...pin, [list]: pairWith(pin[list], side, converted(context, pin[list][side], unit, { key, list })) }))
      }
      onRefuse={refuse}
    />
  );
}

/** The least or the greatest size. */
function LimitField({ context, keys, end }: { context: EditContext; keys: readonly string[]; end: "minMm" | "maxMm" }) {
  const { pins, change, refuse } = usePins(context, keys);
  const value = common(pins, (p) => p.pin.clamp?.[end] ?? null);
  const set = (next: number | null) =>
    change("limits of", ({ clamp: { [end]: _old, ...rest } = {}, ...bare }) => {
      const clamp = next === null ? rest : { ...rest, [end]: next };
      return Object.keys(clamp).length > 0 ? { ...bare, clamp } : bare;
    });
  return (
    <NumberField
      label={end === "minMm" ? "Minimum" : "Maximum"}
      unit={value === null ? undefined : "mm"}
      value={value}
      none="none"
      min={0.1}
      max={500}
      step={0.5}
      reads={says(end === "minMm" ? "place.least" : "place.most")}
      onChange={set}
      onClear={() => set(null)}
      onRefuse={refuse}
    />
  );
}

export function PinFields({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const { pins, names } = usePins(context, keys);
  const ax = common(pins, (p) => p.pin.anchor[0]);
  const ay = common(pins, (p) => p.pin.anchor[1]);
  const pivot = common(pins, (p) => p.pin.pivot);
  const pivotTo = (point: readonly [number, number]) => {
    for (const { key } of pins)
      session.edit(
        `pivot of ${names}`,
        seenAs(context, (seen) => pivotAt(seen, key, [...point])),
        true,
      );
  };
  const of = { context, keys };
  return (
    <>
      <TiedTo context={context} keys={keys} />
      <SideField {...of} list="offset" side={0} label={ax === 1 ? "From right" : ax === 0 ? "From left" : "Across"} negate={ax === 1} />
      <SideField {...of} list="offset" side={1} label={ay === 1 ? "From bottom" : ay === 0 ? "From top" : "Down"} negate={ay === 1} />
      <SideField {...of} list="size" side={0} label="Width" />
      <SideField {...of} list="size" side={1} label="Height" />
      <More set={setUnderMore(pins)} reads={says("region.more")}>
        <ChoiceField
          label="Pivot: the reference point of the control"
          word="Pivot"
          value={pivot?.join(",") ?? null}
          options={pointChoices(pivot)}
          reads={says("place.pivot")}
          onChange={(text) => pivotTo(pointOf(text))}
        />
        <div className="field-row">
          <span className="field-name">by its picture</span>
          <AnchorPicture label="Pivot" at={pivot} aspect={1.3} reads="place.pivot" onPick={pivotTo} />
        </div>
        <LimitField {...of} end="minMm" />
        <LimitField {...of} end="maxMm" />
      </More>
    </>
  );
}
