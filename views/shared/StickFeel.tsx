"use client";
/** How sticks feel: travel and dead zone, response curve, origin, directions, when its direction ports press. */
import type { Curve } from "../../core/format/types";
import type { LengthUnit } from "../../core/engine/placement/length";
import { formatLength, lengthOf } from "../../core/engine/placement/length";
import { changeFeel } from "../../core/editing/edits/controls";
import { convertLength, ownMeasure } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Result } from "../../core/engine/result";
import type { Layout } from "../../core/format/types";
import { ChoiceField, LengthField, NumberField, Pair } from "../../ui/Field";
import { useSessionActions } from "../session/context";
import { common } from "./common";
import { AXES, type FeelProps } from "./feel";
import { CurvePicture, DeadZonePicture } from "./FeelPictures";

const CURVES: Readonly<Record<Curve["kind"], Curve>> = {
  linear: { kind: "linear" },
  power: { kind: "power", exponent: 1.6 },
  bezier: { kind: "bezier", x1: 0.5, y1: 0.1, x2: 0.7, y2: 0.9 },
  full: { kind: "full" },
};

export function StickFeel({ context, controls, placed, change, preview, begin, commit, cancel, refuse }: FeelProps<"stick">) {
  const session = useSessionActions();
  const mm = pxPerMm(context.screen);
  const of = <V,>(get: (feel: (typeof controls)[number]["feel"]) => V) => common(controls, (c) => get(c.feel));
  const [first] = controls;
  const at = placed[0];
  const travelIn = (text: string, unit: LengthUnit, i: number) => {
    const place = placed[i];
    return place ? convertLength(text, unit, ownMeasure(context, place)) : text;
  };
  const drag = (label: string) => ({ onStart: () => begin(label), onEnd: commit, onCancel: cancel });
  const curve = of((f) => f.curve);
  return (
    <>
      <div className="flex gap-2">
        {at?.travel !== undefined && (
          <DeadZonePicture
            feel={first.feel}
            travelPx={at.travel}
            basePx={Math.min(at.visual.w, at.visual.h) / 2}
            mm={mm}
            drag={drag("dead zone")}
            onZone={preview}
            onTravel={(px) => preview({ travel: travelIn(formatLength(px / at.k, "px"), lengthOf(first.feel.travel).unit, 0) })}
          />
        )}
        <CurvePicture curve={first.feel.curve} drag={drag("curve")} onCurve={(next) => preview({ curve: next })} />
      </div>
      <Pair>
        <ChoiceField
          bare
          label="Origin"
          value={of((f) => f.origin)}
          options={[
            ["fixed", "fixed"],
            ["floating", "floating"],
            ["trailing", "trailing"],
          ]}
          onChange={(v) => change("origin", v)}
        />
        <LengthField
          label="Travel"
          prefix="travel"
          value={of((f) => f.travel)}
          onChange={(v) => change("travel", v)}
          convert={(text, unit) => travelIn(text, unit, 0)}
          onUnit={(unit) =>
            session.edit(`unit of the travel`, (l) =>
              controls.reduce<Result<Layout>>((r, c, i) => (r.ok ? changeFeel(r.value, c.id, { travel: travelIn(c.feel.travel, unit, i) }) : r), {
                ok: true,
                value: l,
              }),
            )
          }
          onRefuse={refuse}
        />
      </Pair>
      {controls.every((c) => c.feel.origin === "trailing") && (
        <ChoiceField
          bare
          label="A trailing stick begins"
          value={of((f) => f.start)}
          options={[
            ["thumb", "begins under the thumb"],
            ["centre", "begins at its centre"],
          ]}
          onChange={(v) => change("start", v)}
        />
      )}
      <Pair>
        <NumberField
          label="Inner dead zone"
          prefix="inner"
          value={of((f) => f.inner)}
          step={0.01}
          min={0}
          max={1}
          onChange={(v) => change("inner", v)}
          onRefuse={refuse}
        />
        <NumberField
          label="Outer dead zone"
          prefix="outer"
          value={of((f) => f.outer)}
          step={0.01}
          min={0}
          max={1}
          onChange={(v) => change("outer", v)}
          onRefuse={refuse}
        />
      </Pair>
      <Pair>
        <ChoiceField
          bare
          label="Curve"
          value={of((f) => f.curve.kind)}
          options={[
            ["linear", "linear"],
            ["power", "power"],
            ["bezier", "Bezier"],
            ["full", "full at once"],
          ]}
          onChange={(kind) => change("curve", CURVES[kind])}
        />
        {curve?.kind === "power" && (
          <NumberField
            label="Exponent"
            prefix="exp."
            step={0.1}
            value={curve.exponent}
            min={0.5}
            max={5}
            onChange={(exponent) => change("curve", { kind: "power", exponent })}
            onRefuse={refuse}
          />
        )}
      </Pair>
      <Pair three>
        <ChoiceField bare label="Axes" value={of((f) => f.axes)} options={AXES} onChange={(v) => change("axes", v)} />
        <ChoiceField
          bare
          label="Dead zone's form"
          value={of((f) => f.deadZone)}
          options={[
            ["radial", "radial"],
            ["axial", "axial"],
          ]}
          onChange={(v) => change("deadZone", v)}
        />
        <NumberField
          label="Directions; 0 for all"
          prefix="ways"
          value={of((f) => f.directions)}
          min={0}
          max={32}
          onChange={(v) => change("directions", Math.round(v))}
          onRefuse={refuse}
        />
      </Pair>
      <Pair three>
        <NumberField
          label="Direction ports press at"
          prefix="press"
          value={of((f) => f.pressAt)}
          step={0.05}
          min={0.01}
          max={1}
          onChange={(v) => change("pressAt", v)}
          onRefuse={refuse}
        />
        <NumberField
          label="Direction ports let go at"
          prefix="let go"
          value={of((f) => f.releaseAt)}
          step={0.05}
          min={0.01}
          max={1}
          onChange={(v) => change("releaseAt", v)}
          onRefuse={refuse}
        />
        <NumberField
          label="A direction holds on"
          prefix="hold"
          unit="°"
          value={of((f) => f.holdDeg)}
          min={0}
          max={180}
          onChange={(v) => change("holdDeg", v)}
          onRefuse={refuse}
        />
      </Pair>
    </>
  );
}
