"use client";
/** What takes the touch: shape, growth and least size of the hit area, and whether it shares touches with what lies below. */
import { memo } from "react";
import { changeHit } from "../../../core/layout/edits/controls";
import type { Control } from "../../../core/layout/types";
import { convertLength, type Sight } from "../../../core/placement/edits";
import type { ResolvedControl } from "../../../core/placement/resolve";
import { pxPerMm } from "../../../core/placement/screen";
import { ChoiceField, LengthField, NumberField } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";

export const TouchCard = memo(
  function TouchCard({ sight, control, at }: { sight: Sight; control: Control; at: ResolvedControl | undefined }) {
    const session = useSessionActions();
    const mm = pxPerMm(sight.screen);
    const change = (label: string, next: Partial<Control["hit"]>) => session.edit(`${label} of ${control.id}`, (l) => changeHit(l, control.id, next), true);
    const refuse = (text: string) => session.tell({ text, tone: "problem" });
    const { hit } = control;
    return (
      <>
        <ChoiceField
          label="Shape"
          value={hit.shape}
          options={[
            ["ellipse", "ellipse"],
            ["box", "box"],
            ["capsule", "capsule"],
          ]}
          onChange={(shape) => change("hit shape", { shape })}
        />
        <LengthField
          label="Grow"
          value={hit.grow}
          onChange={(grow) => change("growth", { grow })}
          convert={at && ((unit) => convertLength(hit.grow, unit, at.visual, sight.resolved.scale, mm, at.k))}
          onRefuse={refuse}
        />
        <NumberField
          label="At least"
          unit="mm"
          value={hit.minMm}
          min={0}
          max={100}
          onChange={(minMm) => change("least hit size", { minMm })}
          onRefuse={refuse}
        />
        <ChoiceField
          label="Touches"
          value={hit.sharing}
          options={[
            ["own", "its own"],
            ["shared", "shared with below"],
          ]}
          onChange={(sharing) => change("sharing", { sharing })}
        />
        {at && (
          <p className="figure text-[11px] text-muted">
            takes {(at.hit.w / mm).toFixed(1)} × {(at.hit.h / mm).toFixed(1)} mm here
          </p>
        )}
      </>
    );
  },
  (a, b) =>
    a.control.id === b.control.id &&
    a.control.hit === b.control.hit &&
    a.at?.hit.w === b.at?.hit.w &&
    a.at?.hit.h === b.at?.hit.h &&
    a.sight.screen === b.sight.screen,
);
