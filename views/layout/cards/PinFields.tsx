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

export function PinFields({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const { layout, resolved } = context;
  const { arrangement } = resolved;
  const pins = keys.flatMap((key) => {
    const placement = placementIn(layout, arrangement, key);
    return placement?.kind === "pin" ? [{ key, pin: placement }] : [];
  });
  const names = namesOf(layout, keys, "of them");
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  const change = (label: string, next: (pin: Pin, key: string) => Pin) =>
    session.edit(`${label} ${names}`, (l) => changePlacements(l, { keys, arrangement }, "pin", next), true);
  const pair = (old: readonly [string, string], i: 0 | 1, text: string): [string, string] => (i === 0 ? [text, old[1]] : [old[0], text]);
  /** A length of one of them in another unit, its place kept. */
  const converted = (text: string, unit: LengthUnit, key: string, size: boolean) => {
    const m = measureOf(context, key);
    return m ? convertLength(text, unit, size ? m.size : m.offset) : text;
  };
  /** The same in millimetres, where one is selected and it is reported in another unit. */
  const mmOf = (list: "offset" | "size", i: 0 | 1, negate: boolean) => {
    const m = pins.length === 1 ? measureOf(context, pins[0].key) : null;
    if (!m) return "";
    const px = pxOf(pins[0].pin[list][i], list === "size" ? m.size : m.offset) * (negate ? -1 : 1);
    return `${(px / pxPerMm(context.screen)).toFixed(1)} mm`;
  };
  const field = (list: "offset" | "size", i: 0 | 1, { label, negate = false }: { label: string; negate?: boolean }) => {
    const value = common(pins, (p) => p.pin[list][i]);
    const mm = value === null ? "" : mmOf(list, i, negate);
    return (
      <LengthField
        label={label}
        negate={negate}
        value={value}
        also={value === null || keys.length > 1 ? undefined : lengthOf(value).unit !== "mm" ? mm : ""}
        reads={says(list === "size" ? (i === 0 ? "place.width" : "place.height") : i === 0 ? "place.x" : "place.y", {
          side: label,
          pivot: anchorWord(pins[0].pin.pivot),
          mm: mm || "mixed",
        })}
        onChange={(v) => {
          if (list === "size" && keys.length === 1 && placeableOf(layout, keys[0])?.kind === "cluster") return sizeCluster(keys[0], i, v);
          change(list === "size" ? "size" : "place", (pin) => ({ ...pin, [list]: pair(pin[list], i, v) }));
        }}
        convert={(text, unit) => converted(text, unit, keys[0], list === "size")}
        onUnit={(unit) => change("unit of", (pin, key) => ({ ...pin, [list]: pair(pin[list], i, converted(pin[list][i], unit, key, list === "size")) }))}
        onRefuse={refuse}
      />
    );
  };
  /** A cluster sized by number is scaled with all in it, like one sized by hand. */
  const sizeCluster = (id: string, i: 0 | 1, length: string) => {
    const now = resolved.clusters[id];
    const m = measureOf(context, id);
    if (!now || !m) return;
    const px = pxOf(length, m.size);
    const scaled = seenAs(context, (seen) => {
      const box = seen.resolved.clusters[id] ?? now;
      const growth = px / (i === 0 ? box.w : box.h);
      return scaleCluster(seen, id, { x: box.x, y: box.y, w: box.w * growth, h: box.h * growth });
    });
    session.edit(`size ${nameOf(layout, id)}`, scaled, true);
  };
  const ax = common(pins, (p) => p.pin.anchor[0]);
  const ay = common(pins, (p) => p.pin.anchor[1]);
  const pivot = common(pins, (p) => p.pin.pivot);
  const clamp = (end: "minMm" | "maxMm") => common(pins, (p) => p.pin.clamp?.[end] ?? null);
  const setClamp = (end: "minMm" | "maxMm", value: number | null) =>
    change("limits of", (pin) => {
      const { [end]: _old, ...rest } = pin.clamp ?? {};
      const next = value === null ? rest : { ...rest, [end]: value };
      const { clamp: _clamp, ...bare } = pin;
      return Object.keys(next).length > 0 ? { ...bare, clamp: next } : bare;
    });
  const pivotTo = (point: readonly [number, number]) => {
    for (const { key } of pins)
      session.edit(
        `pivot of ${names}`,
        seenAs(context, (seen) => pivotAt(seen, key, [...point])),
        true,
      );
  };
  const limit = (end: "minMm" | "maxMm", label: string, reads: "place.least" | "place.most") => (
    <NumberField
      label={label}
      unit={clamp(end) === null ? undefined : "mm"}
      value={clamp(end)}
      none="none"
      min={0.1}
      max={500}
      step={0.5}
      reads={says(reads)}
      onChange={(v) => setClamp(end, v)}
      onClear={() => setClamp(end, null)}
      onRefuse={refuse}
    />
  );
  return (
    <>
      <TiedTo context={context} keys={keys} />
      {field("offset", 0, { label: ax === 1 ? "From right" : ax === 0 ? "From left" : "Across", negate: ax === 1 })}
      {field("offset", 1, { label: ay === 1 ? "From bottom" : ay === 0 ? "From top" : "Down", negate: ay === 1 })}
      {field("size", 0, { label: "Width" })}
      {field("size", 1, { label: "Height" })}
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
        {limit("minMm", "Minimum", "place.least")}
        {limit("maxMm", "Maximum", "place.most")}
      </More>
    </>
  );
}
