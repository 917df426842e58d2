"use client";
/** The tray with nothing, or with several controls, selected: the layout's own settings, its scale, the findings. */
import { removeControls, duplicateControls } from "../../../core/layout/edits/controls";
import { changeLayout } from "../../../core/layout/edits/whole";
import type { Layout } from "../../../core/layout/types";
import type { Sight } from "../../../core/placement/edits";
import { pxPerMm } from "../../../core/placement/screen";
import { ok } from "../../../core/result";
import { ChoiceField, NumberField, TypedField } from "../../../ui/Field";
import { useSession, useSessionActions } from "../../session/context";
import { FindingList } from "../../shared/FindingList";
import { Keeps } from "../../shared/Keeps";
import { shiftedCopy } from "../copies";

export function LayoutCard() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const change = (label: string, next: Parameters<typeof changeLayout>[1]) => session.edit(label, (l) => changeLayout(l, next), true);
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  const { reference } = layout;
  return (
    <>
      <TypedField label="Name" value={layout.name} onCommit={(name) => change("rename the layout", { name: name.trim() })} />
      <NumberField
        label="Width"
        unit="u"
        value={reference.width}
        min={1}
        max={100000}
        onChange={(width) => change("reference", { reference: { ...reference, width } })}
        onRefuse={refuse}
      />
      <NumberField
        label="Height"
        unit="u"
        value={reference.height}
        min={1}
        max={100000}
        onChange={(height) => change("reference", { reference: { ...reference, height } })}
        onRefuse={refuse}
      />
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
      <ChoiceField
        label="Shown behind"
        value={layout.workbench.backdrop}
        options={[
          ["plain", "plain night"],
          ["harbour", "the harbour"],
          ["post-office", "the post office"],
        ]}
        onChange={(backdrop) => session.remember({ backdrop })}
      />
    </>
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

export function ScaleCard({ sight }: { sight: Sight }) {
  const session = useSessionActions();
  const scale = useSession((s) => s.layout.scale);
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
      <p className="figure text-[11px] text-muted">
        here 1 u = {sight.resolved.scale.toFixed(3)} px = {(sight.resolved.scale / pxPerMm(sight.screen)).toFixed(3)} mm
      </p>
    </>
  );
}

export function FindingsCard({ screenName }: { screenName: string }) {
  const session = useSessionActions();
  const findings = useSession((s) => s.findings[screenName]);
  return <FindingList findings={findings} onPick={(ids) => session.select(ids)} />;
}

export function GroupCard({ sight, ids }: { sight: Sight; ids: readonly string[] }) {
  const session = useSessionActions();
  const duplicate = () => {
    const made = duplicateControls(
      sight.layout,
      sight.layout.controls.filter((c) => ids.includes(c.id)),
      shiftedCopy,
    );
    if (made.ok && session.edit(`duplicate ${ids.length} controls`, () => ok(made.value.layout))) session.select(made.value.ids);
  };
  return (
    <>
      <p>
        <span className="figure">{ids.length}</span> controls: <span className="figure">{ids.join(", ")}</span>
      </p>
      <p className="text-muted">Drag them together, nudge them with the arrow keys, or</p>
      <div className="flex gap-1.5">
        <button className="push" onClick={duplicate}>
          Duplicate
        </button>
        <button className="push" onClick={() => session.edit(`delete ${ids.length} controls`, (l) => removeControls(l, ids))}>
          Delete
        </button>
        <button className="push" onClick={() => session.select([])}>
          Select nothing
        </button>
      </div>
    </>
  );
}
