"use client";
/** Where a control stands: its name, what it is tied to, its distances from there, its size. */
import { renameControl, reorderControls } from "../../../core/layout/edits/controls";
import type { LengthUnit } from "../../../core/layout/length";
import type { Control, Pin } from "../../../core/layout/types";
import { carryTo, convertLength, placementIn, tieTo, withPlacement, type Sight } from "../../../core/placement/edits";
import { frameBox, type ResolvedControl } from "../../../core/placement/resolve";
import { framesOf, pxPerMm } from "../../../core/placement/screen";
import { ChoiceField, LengthField, TypedField } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";
import { anchorWord } from "../anchorWord";

export function PlaceCard({ sight, control, at }: { sight: Sight; control: Control; at: ResolvedControl }) {
  const session = useSessionActions();
  const placement = placementIn(sight.layout, sight.resolved.arrangement, control.id) ?? control.placement;
  const mm = pxPerMm(sight.screen);
  const change = (label: string, next: Partial<Pin>) =>
    placement.kind === "pin" &&
    session.edit(`${label} ${control.id}`, (l) => withPlacement(l, sight.resolved.arrangement, control.id, { ...placement, ...next }), true);
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  return (
    <>
      <TypedField
        label="Name"
        value={control.name}
        onCommit={(name) => session.edit(`rename ${control.id}`, (l) => renameControl(l, control.id, name.trim()))}
      />
      {placement.kind === "pin" ? (
        <PinFields sight={sight} control={control} at={at} pin={placement} change={change} refuse={refuse} />
      ) : (
        <p className="text-muted">
          Spans the {placement.frame} frame from {placement.from.map((f) => `${Math.round(f * 100)} %`).join(", ")} to{" "}
          {placement.to.map((f) => `${Math.round(f * 100)} %`).join(", ")}; drag its handles.
        </p>
      )}
      <p className="figure text-[11px] text-muted">
        here {(at.visual.w / mm).toFixed(1)} × {(at.visual.h / mm).toFixed(1)} mm
      </p>
      <div className="flex flex-wrap gap-1">
        {placement.kind === "pin" && (
          <button
            className="push h-6 px-1.5"
            title="Carry the control to where its tether is tied (C)"
            onClick={() => session.edit(`carry ${control.id}`, () => carryTo(sight, control.id, 3 * mm))}
          >
            Carry there
          </button>
        )}
        <button
          className="push h-6 px-1.5"
          title="One above ( ] )"
          onClick={() => session.edit(`raise ${control.id}`, (l) => reorderControls(l, [control.id], "up"))}
        >
          Above
        </button>
        <button
          className="push h-6 px-1.5"
          title="One below ( [ )"
          onClick={() => session.edit(`lower ${control.id}`, (l) => reorderControls(l, [control.id], "down"))}
        >
          Below
        </button>
      </div>
    </>
  );
}

interface PinProps {
  readonly sight: Sight;
  readonly control: Control;
  readonly at: ResolvedControl;
  readonly pin: Pin;
  readonly change: (label: string, next: Partial<Pin>) => unknown;
  readonly refuse: (text: string) => void;
}

function PinFields({ sight, control, pin, change, refuse }: PinProps) {
  const session = useSessionActions();
  const { resolved, screen, layout } = sight;
  const box = frameBox(pin.frame, resolved, framesOf(screen, layout.picture)) ?? { x: 0, y: 0, w: screen.widthPx, h: screen.heightPx };
  const factor = typeof pin.frame === "string" ? 1 : resolved.clusters[pin.frame.cluster].k;
  const convert = (text: string) => (unit: LengthUnit) => convertLength(text, unit, box, resolved.scale, pxPerMm(screen), factor);
  const pair = (old: readonly [string, string], i: 0 | 1, text: string): [string, string] => (i === 0 ? [text, old[1]] : [old[0], text]);
  const [ax, ay] = pin.anchor;
  const frameName = typeof pin.frame === "string" ? pin.frame : "cluster";
  return (
    <>
      {frameName === "cluster" ? (
        <p className="caption">In a cluster, tied to its {anchorWord(pin.anchor)}</p>
      ) : (
        <ChoiceField
          label="Tied to"
          value={frameName}
          options={(["safe", "screen", "picture"] as const).map((frame) => [frame, `${anchorWord(pin.anchor)} of ${frame}`])}
          onChange={(frame) => session.edit(`tie ${control.id}`, () => tieTo(sight, control.id, frame as "safe" | "screen" | "picture", pin.anchor))}
        />
      )}
      <LengthField
        label={ax === 1 ? "From right" : ax === 0 ? "From left" : "Across"}
        value={pin.offset[0]}
        negate={ax === 1}
        onChange={(v) => change("place", { offset: pair(pin.offset, 0, v) })}
        convert={convert(pin.offset[0])}
        onRefuse={refuse}
      />
      <LengthField
        label={ay === 1 ? "From bottom" : ay === 0 ? "From top" : "Down"}
        value={pin.offset[1]}
        negate={ay === 1}
        onChange={(v) => change("place", { offset: pair(pin.offset, 1, v) })}
        convert={convert(pin.offset[1])}
        onRefuse={refuse}
      />
      <LengthField
        label="Width"
        value={pin.size[0]}
        onChange={(v) => change("size", { size: pair(pin.size, 0, v) })}
        convert={convert(pin.size[0])}
        onRefuse={refuse}
      />
      <LengthField
        label="Height"
        value={pin.size[1]}
        onChange={(v) => change("size", { size: pair(pin.size, 1, v) })}
        convert={convert(pin.size[1])}
        onRefuse={refuse}
      />
    </>
  );
}
