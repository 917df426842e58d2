"use client";
/** How controls of one kind feel under the thumb. Used on the bench and while rehearsing; of several, what differs says so. */
import { memo } from "react";
import { changeFeel } from "../../../core/editing/edits/controls";
import type { Control } from "../../../core/format/types";
import type { EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import type { Result } from "../../../core/engine/result";
import type { Layout } from "../../../core/format/types";
import { ChoiceField, SwitchField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../common";
import { AXES, type FeelProps, type OfKind } from "./feelWords";
import { SectorPicture } from "./FeelPictures";
import { Directions } from "./Directions";
import { StickFeelFields } from "./StickFeel";
import { namesOf } from "../../document/names";

interface Props {
  readonly context: EditContext;
  readonly controls: readonly Control[];
  readonly placed: readonly (ResolvedControl | undefined)[];
}

export const FeelCard = memo(
  function FeelCard({ context, controls, placed }: Props) {
    const session = useSessionActions();
    const ids = controls.map((c) => c.id);
    const names = namesOf(context.layout, ids);
    const all = (l: Layout, next: Record<string, unknown>): Result<Layout> =>
      ids.reduce<Result<Layout>>((r, id) => (r.ok ? changeFeel(r.value, id, next) : r), { ok: true, value: l });
    const tools = {
      context,
      placed,
      change: (field: string, value: unknown) => session.edit(`${field} of ${names}`, (l) => all(l, { [field]: value }), true),
      preview: (next: Record<string, unknown>) => session.preview((l) => all(l, next)),
      begin: (label: string) => session.begin(`${label} of ${names}`),
      commit: () => session.commit(),
      cancel: () => session.cancel(),
      refuse: (text: string) => session.tell({ text, tone: "problem" }),
    };
    const kind = common(controls, (c) => c.kind);
    switch (kind) {
      case null:
        return <p className="text-muted">Different kinds: they have no feel in common.</p>;
      case "stick":
        return <StickFeelFields {...tools} controls={controls as readonly OfKind<"stick">[]} />;
      case "dpad":
        return <DpadFeel {...tools} controls={controls as readonly OfKind<"dpad">[]} />;
      case "button":
        return <ButtonFeel {...tools} controls={controls as readonly OfKind<"button">[]} />;
      case "touchpad":
        return <TouchpadFeel {...tools} controls={controls as readonly OfKind<"touchpad">[]} />;
      case "swipe":
        return <SwipeFeel {...tools} controls={controls as readonly OfKind<"swipe">[]} />;
    }
  },
  (a, b) =>
    a.controls.length === b.controls.length &&
    a.controls.every((c, i) => c.id === b.controls[i].id && c.feel === b.controls[i].feel) &&
    a.placed.every((p, i) => p?.travel === b.placed[i]?.travel && p?.visual.w === b.placed[i]?.visual.w && p?.visual.h === b.placed[i]?.visual.h) &&
    a.context.screen === b.context.screen,
);

const SLIDE_OUT = [
  ["keep", "stays pressed"],
  ["release", "releases"],
] as const;

function DpadFeel({ controls, change, preview, begin, commit, cancel, refuse }: FeelProps<"dpad">) {
  const of = <V,>(get: (feel: OfKind<"dpad">["feel"]) => V) => common(controls, (c) => get(c.feel));
  const ways = of((f) => f.ways);
  return (
    <>
      <div className="flex gap-2 [--name:4.5rem]">
        <SectorPicture feel={controls[0].feel} drag={{ onStart: () => begin("sectors"), onEnd: commit, onCancel: cancel }} onFeel={preview} />
        <div className="grid min-w-0 flex-1 content-start">
          <ChoiceField
            label="Directions"
            value={ways === null ? null : String(ways)}
            options={[
              ["4", "four"],
              ["8", "eight"],
            ]}
            reads={says("feel.ways")}
            onChange={(v) => change("ways", Number(v))}
          />
          <NumberField
            label="Neutral"
            part="neutral"
            value={of((f) => f.neutral)}
            step={0.01}
            min={0.01}
            max={0.9}
            reads={says("feel.neutral")}
            onChange={(v) => change("neutral", v)}
            onRefuse={refuse}
          />
          {ways !== 4 && (
            <NumberField
              label="Diagonals"
              part="diagonal"
              unit="°"
              value={of((f) => f.diagonal)}
              min={10}
              max={80}
              reads={says("feel.diagonal")}
              onChange={(v) => change("diagonal", v)}
              onRefuse={refuse}
            />
          )}
        </div>
      </div>
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
      <SlideOut value={of((f) => f.slideOut)} change={change} />
    </>
  );
}

function SlideOut({ value, change }: { value: "keep" | "release" | null; change: FeelProps<"button">["change"] }) {
  return <ChoiceField label="Slide out" value={value} options={SLIDE_OUT} reads={says("feel.slideOut")} onChange={(v) => change("slideOut", v)} />;
}

function ButtonFeel({ controls, change, refuse }: FeelProps<"button">) {
  const of = <V,>(get: (feel: OfKind<"button">["feel"]) => V) => common(controls, (c) => get(c.feel));
  const press = of((f) => f.press);
  const ms = (label: string, field: "longMs" | "withinMs", reads: "feel.long" | "feel.double") => (
    <NumberField
      label={label}
      unit="ms"
      step={10}
      value={of((f) => f[field])}
      min={0}
      max={60000}
      reads={says(reads)}
      onChange={(v) => change(field, v)}
      onRefuse={refuse}
    />
  );
  return (
    <>
      <ChoiceField
        label="Press"
        value={press}
        options={[
          ["hold", "while held"],
          ["latch", "latches"],
          ["pulse", "once, on press"],
          ["release", "once, on release"],
          ["long", "after a while"],
          ["double", "on a double tap"],
        ]}
        reads={says("feel.press")}
        onChange={(v) => change("press", v)}
      />
      {press === "long" && ms("After", "longMs", "feel.long")}
      {press === "double" && ms("Within", "withinMs", "feel.double")}
      <SwitchField label="Slide in" value={of((f) => f.slideIn)} reads={says("feel.slideIn")} onChange={(v) => change("slideIn", v)} />
      <SlideOut value={of((f) => f.slideOut)} change={change} />
    </>
  );
}

function TouchpadFeel({ controls, change, refuse }: FeelProps<"touchpad">) {
  return (
    <>
      <NumberField
        label="Gain"
        unit="×"
        step={0.1}
        value={common(controls, (c) => c.feel.gain)}
        reads={says("feel.gain")}
        onChange={(v) => change("gain", v)}
        onRefuse={refuse}
      />
      <ChoiceField label="Axes" value={common(controls, (c) => c.feel.axes)} options={AXES} reads={says("feel.axes")} onChange={(v) => change("axes", v)} />
    </>
  );
}

function SwipeFeel({ controls, change, refuse }: FeelProps<"swipe">) {
  const of = <V,>(get: (feel: OfKind<"swipe">["feel"]) => V) => common(controls, (c) => get(c.feel));
  return (
    <>
      <NumberField
        label="Distance"
        unit="mm"
        value={of((f) => f.distanceMm)}
        min={0.5}
        max={100}
        reads={says("feel.distance")}
        onChange={(v) => change("distanceMm", v)}
        onRefuse={refuse}
      />
      <Directions value={of((f) => f.directions)} change={change} refuse={refuse} />
      <ChoiceField
        label="Gives"
        value={of((f) => f.output)}
        options={[
          ["pulse", "once"],
          ["hold", "while the thumb stays down"],
        ]}
        reads={says("feel.output")}
        onChange={(v) => change("output", v)}
      />
      <ChoiceField
        label="Repeat"
        value={of((f) => f.again)}
        options={[
          ["never", "never"],
          ["each-distance", "each distance"],
        ]}
        reads={says("feel.again")}
        onChange={(v) => change("again", v)}
      />
      <NumberField
        label="Within"
        unit="ms"
        step={10}
        value={of((f) => f.withinMs)}
        min={0}
        max={60000}
        reads={says("feel.within")}
        onChange={(v) => change("withinMs", v)}
        onRefuse={refuse}
      />
    </>
  );
}
