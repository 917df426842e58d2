"use client";
/** How controls of one kind feel under the thumb. Used on the bench and while rehearsing; of several, what differs says so. */
import { memo } from "react";
import { changeFeel } from "../../core/editing/edits/controls";
import type { Control } from "../../core/format/types";
import type { EditContext } from "../../core/editing/placing";
import type { ResolvedControl } from "../../core/engine/placement/resolve";
import type { Result } from "../../core/engine/result";
import type { Layout } from "../../core/format/types";
import { ChoiceField, NumberField, Pair, SwitchField } from "../../ui/Field";
import { useSessionActions } from "../session/context";
import { common } from "./common";
import { AXES, type FeelProps, type OfKind } from "./feel";
import { SectorPicture } from "./FeelPictures";
import { StickFeel } from "./StickFeel";
import { namesOf } from "./names";

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
        return <StickFeel {...tools} controls={controls as readonly OfKind<"stick">[]} />;
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
  ["keep", "keeps on"],
  ["release", "lets go"],
] as const;

function DpadFeel({ controls, change, preview, begin, commit, cancel, refuse }: FeelProps<"dpad">) {
  const of = <V,>(get: (feel: OfKind<"dpad">["feel"]) => V) => common(controls, (c) => get(c.feel));
  const ways = of((f) => f.ways);
  return (
    <div className="flex gap-2">
      <SectorPicture feel={controls[0].feel} drag={{ onStart: () => begin("sectors"), onEnd: commit, onCancel: cancel }} onFeel={preview} />
      <div className="grid min-w-0 flex-1 content-start gap-1">
        <ChoiceField
          bare
          label="Ways"
          value={ways === null ? null : String(ways)}
          options={[
            ["4", "4 ways"],
            ["8", "8 ways"],
          ]}
          onChange={(v) => change("ways", Number(v))}
        />
        <NumberField
          label="Neutral"
          prefix="neutral"
          value={of((f) => f.neutral)}
          step={0.01}
          min={0.01}
          max={0.9}
          onChange={(v) => change("neutral", v)}
          onRefuse={refuse}
        />
        {ways !== 4 && (
          <NumberField
            label="Diagonals"
            prefix="diagonals"
            unit="°"
            value={of((f) => f.diagonal)}
            min={10}
            max={80}
            onChange={(v) => change("diagonal", v)}
            onRefuse={refuse}
          />
        )}
        <NumberField
          label="Holds on"
          prefix="holds on"
          unit="°"
          value={of((f) => f.holdDeg)}
          min={0}
          max={180}
          onChange={(v) => change("holdDeg", v)}
          onRefuse={refuse}
        />
        <ChoiceField bare label="Slide out" value={of((f) => f.slideOut)} options={SLIDE_OUT} onChange={(v) => change("slideOut", v)} />
      </div>
    </div>
  );
}

function ButtonFeel({ controls, change, refuse }: FeelProps<"button">) {
  const of = <V,>(get: (feel: OfKind<"button">["feel"]) => V) => common(controls, (c) => get(c.feel));
  const press = of((f) => f.press);
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
        onChange={(v) => change("press", v)}
      />
      {press === "long" && (
        <NumberField
          label="After"
          unit="ms"
          step={10}
          value={of((f) => f.longMs)}
          min={0}
          max={60000}
          onChange={(v) => change("longMs", v)}
          onRefuse={refuse}
        />
      )}
      {press === "double" && (
        <NumberField
          label="Within"
          unit="ms"
          step={10}
          value={of((f) => f.withinMs)}
          min={0}
          max={60000}
          onChange={(v) => change("withinMs", v)}
          onRefuse={refuse}
        />
      )}
      <SwitchField label="Slide in" value={of((f) => f.slideIn)} onChange={(v) => change("slideIn", v)} />
      <ChoiceField label="Slide out" value={of((f) => f.slideOut)} options={SLIDE_OUT} onChange={(v) => change("slideOut", v)} />
    </>
  );
}

function TouchpadFeel({ controls, change, refuse }: FeelProps<"touchpad">) {
  return (
    <>
      <NumberField label="Gain" step={0.1} value={common(controls, (c) => c.feel.gain)} onChange={(v) => change("gain", v)} onRefuse={refuse} />
      <ChoiceField label="Axes" value={common(controls, (c) => c.feel.axes)} options={AXES} onChange={(v) => change("axes", v)} />
    </>
  );
}

function SwipeFeel({ controls, change, refuse }: FeelProps<"swipe">) {
  const of = <V,>(get: (feel: OfKind<"swipe">["feel"]) => V) => common(controls, (c) => get(c.feel));
  return (
    <>
      <NumberField label="Distance" unit="mm" value={of((f) => f.distanceMm)} min={0.5} max={100} onChange={(v) => change("distanceMm", v)} onRefuse={refuse} />
      <NumberField label="Directions" value={of((f) => f.directions)} min={0} max={32} onChange={(v) => change("directions", v)} onRefuse={refuse} />
      <Pair>
        <ChoiceField
          bare
          label="Gives"
          value={of((f) => f.output)}
          options={[
            ["pulse", "gives once"],
            ["hold", "gives on"],
          ]}
          onChange={(v) => change("output", v)}
        />
        <ChoiceField
          bare
          label="Again"
          value={of((f) => f.again)}
          options={[
            ["never", "never again"],
            ["each-distance", "each distance"],
          ]}
          onChange={(v) => change("again", v)}
        />
      </Pair>
      <NumberField
        label="Within"
        unit="ms"
        step={10}
        value={of((f) => f.withinMs)}
        min={0}
        max={60000}
        onChange={(v) => change("withinMs", v)}
        onRefuse={refuse}
      />
    </>
  );
}
