"use client";
/** How a control feels under the thumb, by its kind. Used on the bench and while rehearsing. */
import { memo } from "react";
import { changeFeel } from "../../core/layout/edits/controls";
import type { Control, Curve } from "../../core/layout/types";
import { convertLength, type Sight } from "../../core/placement/edits";
import type { ResolvedControl } from "../../core/placement/resolve";
import { pxPerMm } from "../../core/placement/screen";
import { ChoiceField, LengthField, NumberField, SwitchField } from "../../ui/Field";
import { Range } from "../../ui/Range";
import { useSessionActions } from "../session/context";

interface Props {
  readonly sight: Sight;
  readonly control: Control;
  readonly at: ResolvedControl | undefined;
}

export const FeelCard = memo(
  function FeelCard({ sight, control, at }: Props) {
    const session = useSessionActions();
    const change = (field: string, value: unknown) => session.edit(`${field} of ${control.id}`, (l) => changeFeel(l, control.id, { [field]: value }), true);
    const refuse = (text: string) => session.tell({ text, tone: "problem" });
    switch (control.kind) {
      case "stick":
        return <StickFeel sight={sight} control={control} at={at} change={change} refuse={refuse} />;
      case "dpad": {
        const { feel } = control;
        return (
          <>
            <ChoiceField
              label="Ways"
              value={String(feel.ways)}
              options={[
                ["4", "4"],
                ["8", "8"],
              ]}
              onChange={(v) => change("ways", Number(v))}
            />
            <NumberField label="Neutral" value={feel.neutral} step={0.01} min={0.01} max={0.9} onChange={(v) => change("neutral", v)} onRefuse={refuse} />
            {feel.ways === 8 && (
              <NumberField label="Diagonals" unit="°" value={feel.diagonal} min={10} max={80} onChange={(v) => change("diagonal", v)} onRefuse={refuse} />
            )}
            <NumberField label="Holds on" unit="°" value={feel.holdDeg} min={0} max={180} onChange={(v) => change("holdDeg", v)} onRefuse={refuse} />
            <ChoiceField
              label="Slide out"
              value={feel.slideOut}
              options={[
                ["keep", "keeps on"],
                ["release", "lets go"],
              ]}
              onChange={(v) => change("slideOut", v)}
            />
          </>
        );
      }
      case "button": {
        const { feel } = control;
        return (
          <>
            <ChoiceField
              label="Press"
              value={feel.press}
              options={[
                ["hold", "while held"],
                ["latch", "latches"],
                ["pulse", "once, on press"],
                ["release", "once, on release"],
                ["long", "after a while"],
                ["double", "on a double tap"],
              ]}
              onChange={(v) => change("press", v)}
            />
            {feel.press === "long" && (
              <NumberField label="After" unit="ms" step={10} value={feel.longMs} min={0} max={60000} onChange={(v) => change("longMs", v)} onRefuse={refuse} />
            )}
            {feel.press === "double" && (
              <NumberField
                label="Within"
                unit="ms"
                step={10}
                value={feel.withinMs}
                min={0}
                max={60000}
                onChange={(v) => change("withinMs", v)}
                onRefuse={refuse}
              />
            )}
            <SwitchField label="Slide in" value={feel.slideIn} onChange={(v) => change("slideIn", v)} />
            <ChoiceField
              label="Slide out"
              value={feel.slideOut}
              options={[
                ["keep", "keeps on"],
                ["release", "lets go"],
              ]}
              onChange={(v) => change("slideOut", v)}
            />
          </>
        );
      }
      case "touchpad":
        return (
          <>
            <NumberField label="Gain" step={0.1} value={control.feel.gain} onChange={(v) => change("gain", v)} onRefuse={refuse} />
            <AxesField value={control.feel.axes} onChange={(v) => change("axes", v)} />
          </>
        );
      case "swipe": {
        const { feel } = control;
        return (
          <>
            <NumberField label="Distance" unit="mm" value={feel.distanceMm} min={0.5} max={100} onChange={(v) => change("distanceMm", v)} onRefuse={refuse} />
            <NumberField label="Directions" value={feel.directions} min={0} max={32} onChange={(v) => change("directions", v)} onRefuse={refuse} />
            <ChoiceField
              label="Gives"
              value={feel.output}
              options={[
                ["pulse", "once"],
                ["hold", "until let go"],
              ]}
              onChange={(v) => change("output", v)}
            />
            <ChoiceField
              label="Again"
              value={feel.again}
              options={[
                ["never", "never"],
                ["each-distance", "at each distance"],
              ]}
              onChange={(v) => change("again", v)}
            />
            <NumberField
              label="Within"
              unit="ms"
              step={10}
              value={feel.withinMs}
              min={0}
              max={60000}
              onChange={(v) => change("withinMs", v)}
              onRefuse={refuse}
            />
          </>
        );
      }
    }
  },
  (a, b) =>
    a.control.id === b.control.id &&
    a.control.feel === b.control.feel &&
    a.at?.travel === b.at?.travel &&
    a.at?.visual.w === b.at?.visual.w &&
    a.at?.visual.h === b.at?.visual.h &&
    a.sight.screen === b.sight.screen,
);

function AxesField({ value, onChange }: { value: "both" | "x" | "y"; onChange: (value: string) => void }) {
  return (
    <ChoiceField
      label="Axes"
      value={value}
      options={[
        ["both", "both"],
        ["x", "across only"],
        ["y", "up and down only"],
      ]}
      onChange={onChange}
    />
  );
}

const CURVES: Readonly<Record<Curve["kind"], Curve>> = {
  linear: { kind: "linear" },
  power: { kind: "power", exponent: 1.6 },
  bezier: { kind: "bezier", x1: 0.5, y1: 0.1, x2: 0.7, y2: 0.9 },
  full: { kind: "full" },
};

interface StickProps {
  readonly sight: Sight;
  readonly control: Extract<Control, { kind: "stick" }>;
  readonly at: ResolvedControl | undefined;
  readonly change: (field: string, value: unknown) => unknown;
  readonly refuse: (text: string) => void;
}

function StickFeel({ sight, control, at, change, refuse }: StickProps) {
  const session = useSessionActions();
  const { feel } = control;
  const mm = pxPerMm(sight.screen);
  const zone = (inner: number, outer: number) => session.preview((l) => changeFeel(l, control.id, { inner, outer }));
  return (
    <>
      <ChoiceField
        label="Origin"
        value={feel.origin}
        options={[
          ["fixed", "fixed"],
          ["floating", "floating"],
          ["trailing", "trailing"],
        ]}
        onChange={(v) => change("origin", v)}
      />
      <LengthField
        label="Travel"
        value={feel.travel}
        onChange={(v) => change("travel", v)}
        convert={at && ((unit) => convertLength(feel.travel, unit, at.visual, sight.resolved.scale, mm, at.k))}
        onRefuse={refuse}
      />
      <div className="grid grid-cols-[74px_1fr] items-center gap-x-2">
        <span className="caption">Dead zone</span>
        <Range
          label="Dead zone"
          names={["Inner dead zone", "Outer dead zone"]}
          value={[feel.inner, feel.outer]}
          min={0}
          max={1}
          step={0.01}
          onStart={() => session.begin(`dead zone of ${control.id}`)}
          onChange={([inner, outer]) => zone(inner, outer)}
          onEnd={() => session.commit()}
        />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <div className="grid grid-cols-[34px_1fr] items-center gap-1">
          <span className="caption">inner</span>
          <NumberField bare label="Inner dead zone" value={feel.inner} step={0.01} min={0} max={1} onChange={(v) => change("inner", v)} onRefuse={refuse} />
        </div>
        <div className="grid grid-cols-[34px_1fr] items-center gap-1">
          <span className="caption">outer</span>
          <NumberField bare label="Outer dead zone" value={feel.outer} step={0.01} min={0} max={1} onChange={(v) => change("outer", v)} onRefuse={refuse} />
        </div>
      </div>
      <ChoiceField
        label="Curve"
        value={feel.curve.kind}
        options={[
          ["linear", "linear"],
          ["power", "power"],
          ["bezier", "Bezier"],
          ["full", "full at once"],
        ]}
        onChange={(kind) => change("curve", CURVES[kind])}
      />
      {feel.curve.kind === "power" && (
        <NumberField
          label="Exponent"
          step={0.1}
          value={feel.curve.exponent}
          min={0.5}
          max={5}
          onChange={(exponent) => change("curve", { kind: "power", exponent })}
          onRefuse={refuse}
        />
      )}
      {feel.curve.kind !== "power" && <AxesField value={feel.axes} onChange={(v) => change("axes", v)} />}
      {at?.travel !== undefined && (
        <p className="figure text-[11px] text-muted">
          {(at.travel / mm).toFixed(1)} mm travel, {(((feel.outer - feel.inner) * at.travel) / mm).toFixed(1)} mm of it live
        </p>
      )}
    </>
  );
}
