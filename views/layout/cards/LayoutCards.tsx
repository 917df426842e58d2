"use client";
/** The tray with nothing selected: the layout's own settings and its scale. */
import dynamic from "next/dynamic";
import { useState } from "react";
import { changeLayout } from "../../../core/editing/edits/layout";
import { looksOfSet, LOOK_SETS, putLooks, lookSetOf, type LookSet } from "../../../core/editing/lookSets";
import type { EditContext } from "../../../core/editing/placing";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { ChoiceField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { More } from "../../../ui/More";
import { readingProps, type Reading } from "../../../ui/reading";
import { Labelled, TypedField } from "../../../ui/Typed";
import { says, type SentenceKey } from "../../shell/reading/sentences";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { benchContextNow } from "../../document/benchContext";
import { growSelected } from "../selectionEdits";
import { Keeps } from "../../fields/Keeps";
import { ScaleFields } from "../../fields/ScaleFields";
import { KeptPicture } from "./KeptPicture";

const BackdropDialogue = dynamic(() => import("./BackdropDialogue").then((m) => m.BackdropDialogue));

/** A figure of the layout: its name, its bounds, and how it is changed. */
interface Figure {
  readonly label: string;
  readonly word?: string;
  readonly unit?: string;
  readonly value: number | null;
  readonly none?: string;
  readonly step?: number;
  readonly range: readonly [least: number, most: number];
  readonly digits?: number;
  readonly reads: Reading;
  readonly onChange: (value: number) => void;
  readonly onClear?: () => void;
}

function FigureField({ range: [min, max], ...figure }: Figure) {
  const session = useSessionActions();
  return <NumberField {...figure} min={min} max={max} onRefuse={(text) => session.tell({ text, tone: "problem" })} />;
}

export function LayoutCard() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const change = (label: string, next: Parameters<typeof changeLayout>[1]) => session.edit(label, (l) => changeLayout(l, next), true);
  const { reference, limits, picture } = layout;
  const limit = (key: "minTargetMm" | "minGapMm", label: string, reads: SentenceKey) => (
    <FigureField
      label={label}
      unit="mm"
      value={limits[key]}
      range={[0, 50]}
      step={0.5}
      reads={says(reads)}
      onChange={(value) => change(label.toLowerCase(), { limits: { ...limits, [key]: value } })}
    />
  );
  const set = [
    picture !== undefined,
    limits.minTargetMm !== 9,
    limits.minGapMm !== 1,
    limits.maxCover !== 0.35,
    layout.appear !== "touch",
    layout.workbench.gridMm !== 5,
  ].filter(Boolean).length;
  return (
    <>
      <TypedField label="Name" value={layout.name} reads={says("layout.name")} onCommit={(name) => change("rename the layout", { name: name.trim() })} />
      {(["width", "height"] as const).map((side) => (
        <FigureField
          key={side}
          label={`Design ${side}`}
          unit="u"
          value={reference[side]}
          range={[1, 100000]}
          reads={says(side === "width" ? "layout.drawnWidth" : "layout.drawnHeight")}
          onChange={(value) => change("design width", { reference: { ...reference, [side]: value } })}
        />
      ))}
      <ChoiceField
        label="Orientation"
        value={layout.orientation}
        options={[
          ["landscape", "landscape"],
          ["portrait", "portrait"],
          ["both", "both"],
        ]}
        reads={says("layout.held")}
        onChange={(orientation) => change("orientation", { orientation })}
      />
      <ChoiceField
        label="Grip"
        value={limits.grip}
        options={[
          ["two-thumbs", "two thumbs"],
          ["right-thumb", "right thumb"],
          ["left-thumb", "left thumb"],
        ]}
        reads={says("layout.grip")}
        onChange={(grip) => change("grip", { limits: { ...limits, grip } })}
      />
      <Backdrop />
      <Looks />
      {layout.controls.length > 0 && (
        <div className="field-row" data-row>
          <span className="field-name">Hit areas</span>
          <button
            className="push h-auto min-h-6 px-1.5 text-left leading-tight whitespace-normal"
            {...readingProps(says("do.room"), "every control")}
            onClick={() =>
              growSelected(
                session,
                benchContextNow(session),
                layout.controls.map((c) => c.id),
              )
            }
          >
            Grow hit areas
          </button>
        </div>
      )}
      <More set={set} reads={says("region.more")}>
        <ChoiceField
          label="Controls"
          value={layout.appear}
          options={[
            ["touch", "from the first touch"],
            ["always", "always"],
            ["no-pad", "while no pad is used"],
          ]}
          reads={says("layout.appear")}
          onChange={(appear) => change("when controls show", { appear })}
        />
        <FigureField
          label="Grid"
          unit="mm"
          value={layout.workbench.gridMm}
          range={[0.5, 50]}
          step={0.5}
          reads={says("layout.grid")}
          onChange={(gridMm) => change("grid", { workbench: { ...layout.workbench, gridMm } })}
        />
        {limit("minTargetMm", "Minimum target", "layout.target")}
        {limit("minGapMm", "Minimum gap", "layout.gap")}
        <FigureField
          label="Maximum cover"
          unit="%"
          value={limits.maxCover * 100}
          range={[0, 100]}
          step={5}
          digits={1}
          reads={says("layout.cover")}
          onChange={(percent) => change("maximum cover", { limits: { ...limits, maxCover: percent / 100 } })}
        />
        {(["minAspect", "maxAspect"] as const).map((end) => (
          <FigureField
            key={end}
            label={end === "minAspect" ? "Picture frame, minimum aspect" : "Picture frame, maximum aspect"}
            word={end === "minAspect" ? "Picture, min. aspect" : "Picture, max."}
            value={picture?.[end] ?? null}
            none="as the screen"
            step={0.05}
            range={[0.1, 10]}
            reads={says(end === "minAspect" ? "layout.pictureLeast" : "layout.pictureMost")}
            onChange={(aspect) => change("picture frame", { picture: { minAspect: aspect, maxAspect: aspect, ...picture, [end]: aspect } })}
            onClear={() => change("picture frame", { picture: undefined })}
          />
        ))}
      </More>
    </>
  );
}

const PLAIN: Readonly<Record<LookSet, string>> = {
  line: "thin lines",
  solid: "solid plates",
  night: "dim and warm",
};

/** Sets of looks, each put on every control at one click. */
function Looks() {
  const session = useSessionActions();
  const worn = useSession((s) => lookSetOf(s.layout));
  return (
    <div className="flex min-h-[1.625rem] flex-wrap items-center justify-between gap-x-2" data-row>
      <span className="field-name">Looks</span>
      <span role="group" aria-label="Looks of every control" className="flex gap-1">
        {LOOK_SETS.map((set) => {
          const { rest } = looksOfSet(set);
          return (
            <button
              key={set}
              className="push h-6 gap-1 px-1 aria-pressed:border-accent aria-pressed:text-accent"
              aria-pressed={worn === set}
              onClick={() => session.edit(`looks: ${set}`, (l) => putLooks(l, set))}
              {...readingProps(says("looks.set", { plain: PLAIN[set] }), set)}
            >
              <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden>
                <circle cx="6" cy="6" r="5" fill={rest.fill} stroke={rest.line} />
              </svg>
              {set}
            </button>
          );
        })}
      </span>
    </div>
  );
}

/** What is behind the controls, by its name; a click chooses. */
function Backdrop() {
  const bench = useSession((s) => s.layout.workbench);
  const [open, setOpen] = useState(false);
  const name = bench.picture?.name ?? { plain: "a plain colour", harbour: "the harbour", "post-office": "the post office" }[bench.backdrop];
  return (
    <Labelled label="Backdrop">
      <button
        className="box min-h-6 w-full px-1.5 text-left break-words"
        aria-label={`Backdrop: ${name}`}
        onClick={() => setOpen(true)}
        {...readingProps(says("layout.behind"), name)}
      >
        {name}…
      </button>
      {open && <BackdropDialogue open={open} onOpenChange={setOpen} />}
    </Labelled>
  );
}

export function ScaleCard({ context }: { context: EditContext }) {
  const session = useSessionActions();
  const scale = useSession((s) => s.layout.scale);
  const sizes = useSession((s) => s.layout.playerSizes);
  const limits = useSession((s) => s.layout.limits);
  const mm = context.resolved.scale / pxPerMm(context.screen);
  const set = [scale.of !== "shorter", scale.mmPerUnit !== 0.09, sizes.min !== 0.8, sizes.max !== 1.3, limits.comfortMm !== 48, limits.stretchMm !== 65];
  return (
    <>
      <Keeps
        share={scale.share}
        onStart={() => session.begin("scale")}
        onChange={(share) => session.preview((l) => changeLayout(l, { scale: { ...l.scale, share } }))}
        onEnd={() => session.commit()}
      />
      <KeptPicture context={context} />
      <More set={set.filter(Boolean).length} reads={says("region.more")}>
        <ScaleFields
          scale={scale}
          here={{ px: context.resolved.scale, mm }}
          onChange={(label, next) => session.edit(label, (l) => changeLayout(l, { scale: { ...l.scale, ...next } }), true)}
        />
        {(["min", "max"] as const).map((end) => (
          <FigureField
            key={end}
            label={end === "min" ? "Smallest player size" : "Largest player size"}
            unit="×"
            step={0.05}
            value={sizes[end]}
            range={[0.1, 5]}
            reads={says(end === "min" ? "scale.sizeLeast" : "scale.sizeMost")}
            onChange={(v) => session.edit("player sizes", (l) => changeLayout(l, { playerSizes: { ...l.playerSizes, [end]: v } }), true)}
          />
        ))}
        {(["comfortMm", "stretchMm"] as const).map((reach) => (
          <FigureField
            key={reach}
            label={reach === "comfortMm" ? "Comfortable thumb reach" : "Stretched thumb reach"}
            unit="mm"
            value={limits[reach]}
            range={[1, 300]}
            reads={says(reach === "comfortMm" ? "scale.comfort" : "scale.stretch")}
            onChange={(v) => session.edit("thumb reach", (l) => changeLayout(l, { limits: { ...l.limits, [reach]: v } }), true)}
          />
        ))}
      </More>
    </>
  );
}
