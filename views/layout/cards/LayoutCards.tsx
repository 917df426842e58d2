"use client";
/** The tray with nothing selected: the layout's own settings and its scale. */
import dynamic from "next/dynamic";
import { useState } from "react";
import { changeLayout } from "../../../core/editing/edits/layout";
import type { Layout } from "../../../core/format/types";
import type { EditContext } from "../../../core/editing/placing";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { ChoiceField, NumberField, Pair } from "../../../ui/Field";
import { Labelled, TypedField } from "../../../ui/Typed";
import { useSession, useSessionActions } from "../../session/context";
import { Keeps } from "../../shared/Keeps";

const BackdropDialogue = dynamic(() => import("./BackdropDialogue").then((m) => m.BackdropDialogue));

export function LayoutCard() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const change = (label: string, next: Parameters<typeof changeLayout>[1]) => session.edit(label, (l) => changeLayout(l, next), true);
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  const { reference } = layout;
  return (
    <>
      <TypedField label="Name" value={layout.name} onCommit={(name) => change("rename the layout", { name: name.trim() })} />
      <Pair>
        <NumberField
          label="Width"
          prefix="w"
          unit="u"
          value={reference.width}
          min={1}
          max={100000}
          onChange={(width) => change("reference", { reference: { ...reference, width } })}
          onRefuse={refuse}
        />
        <NumberField
          label="Height"
          prefix="h"
          unit="u"
          value={reference.height}
          min={1}
          max={100000}
          onChange={(height) => change("reference", { reference: { ...reference, height } })}
          onRefuse={refuse}
        />
      </Pair>
      <ChoiceField
        label="Held"
        value={layout.orientation}
        options={[
          ["landscape", "wide"],
          ["portrait", "tall"],
          ["both", "either way"],
        ]}
        onChange={(orientation) => change("orientation", { orientation })}
      />
      <ChoiceField
        label="Grip"
        value={layout.limits.grip}
        options={[
          ["two-thumbs", "two thumbs"],
          ["right-thumb", "right thumb"],
          ["left-thumb", "left thumb"],
        ]}
        onChange={(grip) => change("grip", { limits: { ...layout.limits, grip } })}
      />
      <Backdrop />
      <Pair>
        {(["minAspect", "maxAspect"] as const).map((end) => (
          <NumberField
            key={end}
            label={end === "minAspect" ? "Picture frame, least aspect" : "Picture frame, greatest aspect"}
            prefix={end === "minAspect" ? "picture" : "to"}
            value={layout.picture?.[end] ?? null}
            none="whole"
            step={0.05}
            min={0.1}
            max={10}
            onChange={(aspect) => change("picture frame", { picture: { minAspect: aspect, maxAspect: aspect, ...layout.picture, [end]: aspect } })}
            onClear={() => change("picture frame", { picture: undefined })}
            onRefuse={refuse}
          />
        ))}
      </Pair>
      <Pair>
        <NumberField
          label="Grid"
          prefix="grid"
          unit="mm"
          value={layout.workbench.gridMm}
          min={0.5}
          max={50}
          step={0.5}
          onChange={(gridMm) => change("grid", { workbench: { ...layout.workbench, gridMm } })}
          onRefuse={refuse}
        />
        <NumberField
          label="Least target"
          prefix="target"
          unit="mm"
          value={layout.limits.minTargetMm}
          min={0}
          max={50}
          step={0.5}
          onChange={(minTargetMm) => change("least target", { limits: { ...layout.limits, minTargetMm } })}
          onRefuse={refuse}
        />
      </Pair>
    </>
  );
}

/** What stands behind the controls, by its name; a click chooses. */
function Backdrop() {
  const bench = useSession((s) => s.layout.workbench);
  const [open, setOpen] = useState(false);
  const name = bench.picture?.name ?? { plain: "plain night", harbour: "the harbour", "post-office": "the post office" }[bench.backdrop];
  return (
    <Labelled label="Behind">
      <button className="box h-6 truncate px-1.5 text-left" aria-label={`Behind the controls: ${name}`} onClick={() => setOpen(true)}>
        {name}…
      </button>
      {open && <BackdropDialogue open={open} onOpenChange={setOpen} />}
    </Labelled>
  );
}

const OF: readonly (readonly [Layout["scale"]["of"], string])[] = [
  ["shorter", "the shorter side"],
  ["longer", "the longer side"],
  ["area", "the area"],
  ["width", "the width"],
  ["height", "the height"],
  ["inside", "what fits inside"],
  ["outside", "what covers"],
];

export function ScaleCard({ context }: { context: EditContext }) {
  const session = useSessionActions();
  const scale = useSession((s) => s.layout.scale);
  const sizes = useSession((s) => s.layout.playerSizes);
  const limits = useSession((s) => s.layout.limits);
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  return (
    <>
      <Keeps
        share={scale.share}
        onStart={() => session.begin("what controls keep")}
        onChange={(share) => session.preview((l) => changeLayout(l, { scale: { ...l.scale, share } }))}
        onEnd={() => session.commit()}
      />
      <ChoiceField
        label="Share of"
        value={scale.of}
        options={OF}
        onChange={(of) => session.edit("share of", (l) => changeLayout(l, { scale: { ...l.scale, of } }))}
      />
      <NumberField
        label="1 u is"
        unit="mm"
        step={0.005}
        digits={4}
        value={scale.mmPerUnit}
        min={0.0001}
        max={100}
        onChange={(mmPerUnit) => session.edit("millimetres a unit", (l) => changeLayout(l, { scale: { ...l.scale, mmPerUnit } }), true)}
        onRefuse={refuse}
      />
      <Pair>
        {(["min", "max"] as const).map((end) => (
          <NumberField
            key={end}
            label={end === "min" ? "Smallest player size" : "Largest player size"}
            prefix={end === "min" ? "sizes" : "to"}
            step={0.05}
            value={sizes[end]}
            min={0.1}
            max={5}
            onChange={(v) => session.edit("player sizes", (l) => changeLayout(l, { playerSizes: { ...l.playerSizes, [end]: v } }), true)}
            onRefuse={refuse}
          />
        ))}
      </Pair>
      <Pair>
        {(["comfortMm", "stretchMm"] as const).map((reach) => (
          <NumberField
            key={reach}
            label={reach === "comfortMm" ? "Thumb's comfortable reach" : "Thumb's stretch"}
            prefix={reach === "comfortMm" ? "reach" : "to"}
            unit="mm"
            value={limits[reach]}
            min={1}
            max={300}
            onChange={(v) => session.edit("thumb's reach", (l) => changeLayout(l, { limits: { ...l.limits, [reach]: v } }), true)}
            onRefuse={refuse}
          />
        ))}
      </Pair>
      <p className="figure text-[0.6875rem] text-muted">
        here 1 u = {context.resolved.scale.toFixed(3)} px = {(context.resolved.scale / pxPerMm(context.screen)).toFixed(3)} mm
      </p>
    </>
  );
}
