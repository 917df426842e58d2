"use client";
/** How controls look, at rest and held: colours, opacity, word, icon, own pictures, knob, what shows at rest and when long untouched. No look changes where anything is or what it takes. */
import { memo } from "react";
import { changeLook } from "../../../core/editing/edits/controls";
import type { Control, Layout } from "../../../core/format/types";
import type { Result } from "../../../core/engine/result";
import { ChoiceField, SwitchField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { TypedField } from "../../../ui/Typed";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { ArtPicker } from "./ArtPicker";
import { FaceRow } from "./FaceRow";
import { IconPicker } from "./IconPicker";
import { MoreLook } from "./MoreLook";
import { proposedIcon } from "./proposedIcon";

/** How late "later" is, as it begins, ms. */
const HOME_LATER_MS = 1000;

const percentOf = (part: number | null) => (part === null ? null : part * 100);

export const LookCard = memo(
  function LookCard({ controls }: { controls: readonly Control[] }) {
    const session = useSessionActions();
    const names = controls.length === 1 ? controls[0].name : `${controls.length} controls`;
    const of = <V,>(get: (look: Control["look"]) => V) => common(controls, (c) => get(c.look));
    const change = (label: string, next: (look: Control["look"]) => Partial<Control["look"]>) =>
      session.edit(
        `${label} of ${names}`,
        (l) => controls.reduce<Result<Layout>>((r, c) => (r.ok ? changeLook(r.value, c.id, next(c.look)) : r), { ok: true, value: l }),
        true,
      );
    const refuse = (text: string) => session.tell({ text, tone: "problem" });
    const face = (key: "rest" | "held") => (
      <FaceRow word={key} faces={controls.map((c) => c.look[key])} onChange={(label, part) => change(label, (l) => ({ [key]: { ...l[key], ...part } }))}>
        <ArtPicker controls={controls} part={key} word={key} />
      </FaceRow>
    );
    const hasStick = controls.some((c) => c.kind === "stick");
    const moves = controls.some((c) => c.kind === "stick" && c.feel.origin !== "fixed");
    const word = of((l) => l.label);
    return (
      <>
        <TypedField
          label="Word on it"
          word="Word"
          placeholder={word === null ? "mixed" : "none"}
          value={word ?? ""}
          reads={says("look.word")}
          readsValue={word === "" ? "none" : (word ?? "several that differ")}
          onCommit={(label) => change("word", () => ({ label }))}
        />
        <div className="field-row" data-row>
          <span className="field-name">Icon</span>
          <IconPicker value={of((l) => l.icon ?? "")} proposed={proposedIcon(controls)} onChange={(icon) => change("icon", () => ({ icon }))} />
        </div>
        {face("rest")}
        {face("held")}
        <NumberField
          label="Rotation"
          unit="°"
          value={of((l) => l.rotateDeg)}
          min={-360}
          max={360}
          step={5}
          reads={says("look.turned")}
          onChange={(rotateDeg) => change("turn", () => ({ rotateDeg }))}
          onRefuse={refuse}
        />
        {of((l) => l.rotateDeg) !== 0 && of((l) => l.label) !== "" && (
          <SwitchField
            label="Rotate the word too"
            word="Turn word"
            value={of((l) => l.turnLabel)}
            reads={says("look.turnLabel")}
            onChange={(turnLabel) => change("rotation of the word", () => ({ turnLabel }))}
          />
        )}
        {hasStick && (
          <div className="field-row" data-row>
            <span className="field-name">Knob</span>
            <span className="flex items-center gap-1">
              <span className="min-w-0 flex-1">
                <NumberField
                  bare
                  label="Knob"
                  unit="% of base"
                  digits={1}
                  step={5}
                  value={percentOf(of((l) => l.knobSize))}
                  min={0}
                  max={100}
                  reads={says("look.knob")}
                  onChange={(percent) => change("knob", () => ({ knobSize: percent / 100 }))}
                  onRefuse={refuse}
                />
              </span>
              <ArtPicker controls={controls} part="knob" word="knob" />
            </span>
          </div>
        )}
        <ChoiceField
          label="Visible at rest"
          value={of((l) => l.hideAtRest)}
          options={[
            ["none", "everything"],
            ["knob", "all but the knob"],
            ["all", "nothing"],
          ]}
          reads={says("look.atRest")}
          onChange={(hideAtRest) => change("look at rest", () => ({ hideAtRest }))}
        />
        {moves && (
          <ChoiceField
            label="Base after release"
            value={of((l) => l.home)}
            options={[
              ["now", "returns at once"],
              ["later", "returns later"],
              ["stay", "stays"],
            ]}
            reads={says("look.home")}
            onChange={(home) => change("return", (l) => ({ home, ...(home === "later" && l.homeAfterMs === 0 && { homeAfterMs: HOME_LATER_MS }) }))}
          />
        )}
        <MoreLook controls={controls} change={change} />
      </>
    );
  },
  (a, b) =>
    a.controls.length === b.controls.length &&
    a.controls.every((c, i) => c.id === b.controls[i].id && c.look === b.controls[i].look && c.feel === b.controls[i].feel),
);
