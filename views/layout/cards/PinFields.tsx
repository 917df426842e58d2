"use client";
/** The numbers of pins: distances from what they are tied to, sizes, pivot, least and greatest size. Of several, what differs says so. */
import type { LengthUnit } from "../../../core/engine/placement/length";
import type { Pin } from "../../../core/format/types";
import { moveInto, scaleCluster } from "../../../core/editing/clusters";
import { convertLength, measureOf, pxOf, editContextOf, type EditContext } from "../../../core/editing/placing";
import { changePlacements, clusterOf, placementIn, placeableOf } from "../../../core/editing/placeables";
import { pivotAt, seenPin, spanIn, ANCHOR_POINTS, anchorTo } from "../../../core/editing/anchors";
import { ChoiceField, LengthField, NumberField, Pair } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";
import { common } from "../../shared/common";
import { anchorWord } from "../anchorWord";
import { nameOf, namesOf } from "../../shared/names";

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
  const field = (list: "offset" | "size", i: 0 | 1, { label, prefix, negate = false }: { label: string; prefix: string; negate?: boolean }) => (
    <LengthField
      label={label}
      prefix={prefix}
      negate={negate}
      value={common(pins, (p) => p.pin[list][i])}
      onChange={(v) => {
        if (list === "size" && keys.length === 1 && placeableOf(layout, keys[0])?.kind === "cluster") return sizeCluster(keys[0], i, v);
        change(list === "size" ? "size" : "place", (pin) => ({ ...pin, [list]: pair(pin[list], i, v) }));
      }}
      convert={(text, unit) => converted(text, unit, keys[0], list === "size")}
      onUnit={(unit) => change("unit of", (pin, key) => ({ ...pin, [list]: pair(pin[list], i, converted(pin[list][i], unit, key, list === "size")) }))}
      onRefuse={refuse}
    />
  );
  /** A cluster sized by number is scaled with all in it, like one sized by hand. */
  const sizeCluster = (id: string, i: 0 | 1, length: string) => {
    const now = resolved.clusters[id];
    const m = measureOf(context, id);
    if (!now || !m) return;
    const px = pxOf(length, m.size);
    const growth = px / (i === 0 ? now.w : now.h);
    session.edit(`size ${nameOf(layout, id)}`, () => scaleCluster(context, id, { x: now.x, y: now.y, w: now.w * growth, h: now.h * growth }), true);
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
  const pivotText = pivot && ANCHOR_POINTS.some(([x, y]) => x === pivot[0] && y === pivot[1]) ? pivot.join(",") : null;
  return (
    <>
      <Pair>
        {field("offset", 0, {
          label: ax === 1 ? "From right" : ax === 0 ? "From left" : "Across",
          prefix: ax === 1 ? "right" : ax === 0 ? "left" : "across",
          negate: ax === 1,
        })}
        {field("offset", 1, {
          label: ay === 1 ? "From bottom" : ay === 0 ? "From top" : "Down",
          prefix: ay === 1 ? "bottom" : ay === 0 ? "top" : "down",
          negate: ay === 1,
        })}
      </Pair>
      <Pair>
        {field("size", 0, { label: "Width", prefix: "w" })}
        {field("size", 1, { label: "Height", prefix: "h" })}
      </Pair>
      <div className="grid grid-cols-[1fr_1fr_1.4fr] gap-1">
        <NumberField
          label="Never below"
          prefix="≥"
          unit={clamp("minMm") === null ? undefined : "mm"}
          value={clamp("minMm")}
          none="none"
          min={0.1}
          max={500}
          step={0.5}
          onChange={(v) => setClamp("minMm", v)}
          onClear={() => setClamp("minMm", null)}
          onRefuse={refuse}
        />
        <NumberField
          label="Never above"
          prefix="≤"
          unit={clamp("maxMm") === null ? undefined : "mm"}
          value={clamp("maxMm")}
          none="none"
          min={0.1}
          max={500}
          step={0.5}
          onChange={(v) => setClamp("maxMm", v)}
          onClear={() => setClamp("maxMm", null)}
          onRefuse={refuse}
        />
        <ChoiceField
          bare
          label="Pivot: the point of it that is measured from"
          value={pivotText}
          options={ANCHOR_POINTS.map((p) => [p.join(","), anchorWord(p)])}
          onChange={(text) => {
            const [x, y] = text.split(",").map(Number);
            for (const { key } of pins) session.edit(`pivot of ${names}`, (l) => pivotAt({ ...context, layout: l }, key, [x, y]), true);
          }}
        />
      </div>
    </>
  );
}

/** The frame and the point of it that a placeable is tied to, or the frame a span runs in. */
export function FrameChoice({ context, id }: { context: EditContext; id: string }) {
  const session = useSessionActions();
  const placement = placementIn(context.layout, context.resolved.arrangement, id);
  if (!placement) return null;
  const name = nameOf(context.layout, id);
  const frames = (["safe", "screen", "picture"] as const).filter(
    (f) => f !== "picture" || context.layout.picture !== undefined || placement.frame === "picture",
  );
  if (placement.kind === "span")
    return (
      <ChoiceField
        bare
        label="Tied to"
        value={placement.frame}
        options={frames.map((f) => [f, `in ${f}`])}
        onChange={(frame) => session.edit(`tie ${name}`, () => spanIn(context, id, frame))}
      />
    );
  // A control may also stand in a cluster; going in or out it does not jump.
  const isControl = placeableOf(context.layout, id)?.kind === "control";
  const home = clusterOf(placement);
  const clusters = isControl ? context.layout.clusters.map((c) => [`in ${c.id}`, `in ${c.name}`] as const) : [];
  const anchor = anchorWord(placement.anchor);
  const choose = (choice: string) => {
    if (choice.startsWith("in "))
      return session.edit(`put ${name} into ${nameOf(context.layout, choice.slice(3))}`, () => moveInto(context, id, choice.slice(3)));
    const frame = choice as "safe" | "screen" | "picture";
    if (home === null) return session.edit(`tie ${name}`, () => anchorTo(context, id, frame, seenPin(context, id)!.anchor));
    return session.edit(`take ${name} out of ${nameOf(context.layout, home)}`, () => {
      const out = moveInto(context, id, null);
      return out.ok && frame !== "safe" ? anchorTo(editContextOf(out.value, context.screen, context.playerView), id, frame, [0.5, 0.5]) : out;
    });
  };
  return (
    <ChoiceField
      bare
      label="Tied to"
      value={home === null ? (placement.frame as string) : `in ${home}`}
      options={[...frames.map((f) => [f, home === null ? `${anchor} of ${f}` : `out, to ${f}`] as const), ...clusters]}
      onChange={choose}
    />
  );
}
