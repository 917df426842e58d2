"use client";
/** How sticks feel: travel and dead zone, response curve, origin, directions, when its direction ports press. */
import type { Curve } from "../../../core/format/types";
import type { LengthUnit } from "../../../core/engine/placement/length";
import { formatLength, lengthOf } from "../../../core/engine/placement/length";
import { changeFeel } from "../../../core/editing/edits/controls";
import { convertLength, ownMeasure } from "../../../core/editing/placing";
import { pxPerMm } from "../../../core/engine/placement/screen";
import type { Result } from "../../../core/engine/result";
import type { Layout } from "../../../core/format/types";
import type { ReactNode } from "react";
import { ChoiceField } from "../../../ui/Choice";
import { LengthField, NumberField } from "../../../ui/Field";
import { light, unlight, useLit } from "../../../ui/lit";
import { More } from "../../../ui/More";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../common";
import { AXES, type FeelProps } from "./feelWords";
import { Directions } from "./Directions";
import { CurvePicture, DeadZonePicture } from "./FeelPictures";

/** What is under more as a stick begins. */
const STICK_MORE = { pressAt: 0.5, releaseAt: 0.4, holdDeg: 4 } as const;

const CURVES: Readonly<Record<Curve["kind"], Curve>> = {
  linear: { kind: "linear" },
  power: { kind: "power", exponent: 1.6 },
  bezier: { kind: "bezier", x1: 0.5, y1: 0.1, x2: 0.7, y2: 0.9 },
  full: { kind: "full" },
};

export function StickFeelFields({ context, controls, placed, change, preview, begin, commit, cancel, refuse }: FeelProps<"stick">) {
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
  const travel = of((f) => f.travel);
  const inMm = (part: number | null) => (part !== null && at?.travel !== undefined ? `${((part * at.travel) / mm).toFixed(1)} mm` : "mixed");
  const percent = (part: number | null) => (part === null ? "share" : `${Number((part * 100).toFixed(1))} %`);
  const zone = (which: "inner" | "outer", label: string, reads: "feel.inner" | "feel.outer") => {
    const value = of((f) => f[which]);
    return (
      <NumberField
        label={label}
        part={which}
        value={value}
        also={value === null ? undefined : inMm(value)}
        step={0.01}
        min={0}
        max={1}
        reads={says(reads, { percent: percent(value), mm: inMm(value) })}
        onChange={(v) => change(which, v)}
        onRefuse={refuse}
      />
    );
  };
  const set = [
    of((f) => f.axes) !== "both",
    of((f) => f.pressAt) !== STICK_MORE.pressAt,
    of((f) => f.releaseAt) !== STICK_MORE.releaseAt,
    of((f) => f.holdDeg) !== STICK_MORE.holdDeg,
  ].filter(Boolean).length;
  return (
    <>
      <div className="flex gap-1.5">
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
        <div className="grid min-w-0 flex-1 content-start [--name:100%]">
          <StackedName word="Travel" lit="travel">
            <LengthField
              bare
              label="Travel"
              part="travel"
              value={travel}
              reads={says("feel.travel", { mm: inMm(1) })}
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
          </StackedName>
          <StackedName word="Curve" lit="curve">
            <ChoiceField
              bare
              label="Curve"
              value={of((f) => f.curve.kind)}
              options={[
                ["linear", "linear"],
                ["power", "power"],
                ["bezier", "Bezier"],
                ["full", "full"],
              ]}
              reads={says("feel.curve")}
              onChange={(kind) => change("curve", CURVES[kind])}
            />
          </StackedName>
        </div>
      </div>
      <ChoiceField
        label="Base"
        value={of((f) => f.origin)}
        options={[
          ["fixed", "stays"],
          ["floating", "moves to the thumb"],
          ["trailing", "follows"],
        ]}
        reads={says("feel.base")}
        onChange={(v) => change("origin", v)}
      />
      {controls.every((c) => c.feel.origin === "trailing") && (
        <ChoiceField
          label="A touch starts"
          value={of((f) => f.start)}
          options={[
            ["thumb", "under the thumb"],
            ["centre", "at the middle"],
          ]}
          reads={says("feel.start")}
          onChange={(v) => change("start", v)}
        />
      )}
      {curve?.kind === "power" && (
        <NumberField
          label="Exponent"
          part="curve"
          step={0.1}
          value={curve.exponent}
          min={0.5}
          max={5}
          reads={says("feel.exponent")}
          onChange={(exponent) => change("curve", { kind: "power", exponent })}
          onRefuse={refuse}
        />
      )}
      {zone("inner", "Inner dead zone", "feel.inner")}
      {zone("outer", "Outer dead zone", "feel.outer")}
      <ChoiceField
        label="Dead zone"
        value={of((f) => f.deadZone)}
        options={[
          ["radial", "round"],
          ["axial", "by axis"],
        ]}
        reads={says("feel.deadZone")}
        onChange={(v) => change("deadZone", v)}
      />
      <Directions value={of((f) => f.directions)} change={change} refuse={refuse} />
      <More set={set} reads={says("region.more")}>
        <ChoiceField label="Axes" value={of((f) => f.axes)} options={AXES} reads={says("feel.axes")} onChange={(v) => change("axes", v)} />
        <NumberField
          label="Directions press at"
          value={of((f) => f.pressAt)}
          step={0.05}
          min={0.01}
          max={1}
          reads={says("feel.pressAt")}
          onChange={(v) => change("pressAt", v)}
          onRefuse={refuse}
        />
        <NumberField
          label="Directions release at"
          value={of((f) => f.releaseAt)}
          step={0.05}
          min={0.01}
          max={1}
          reads={says("feel.releaseAt")}
          onChange={(v) => change("releaseAt", v)}
          onRefuse={refuse}
        />
        <NumberField
          label="Direction hold"
          unit="°"
          value={of((f) => f.holdDeg)}
          min={0}
          max={180}
          reads={says("feel.holdDeg")}
          onChange={(v) => change("holdDeg", v)}
          onRefuse={refuse}
        />
      </More>
    </>
  );
}

/** Beside the pictures there is little room: the name is above its value. */
function StackedName({ word, lit, children }: { word: string; lit: string; children: ReactNode }) {
  const isLit = useLit(lit);
  return (
    <div data-row data-lit={isLit || undefined} className="grid" onFocus={() => light(lit)} onBlur={() => unlight(lit)}>
      <span className={`field-name leading-4 ${isLit ? "text-accent" : ""}`}>{word}</span>
      {children}
    </div>
  );
}
