"use client";
/** How controls look, at rest and held: colours, opacity, word, icon, own pictures, knob, what shows at rest and when long untouched. No look changes where anything stands or what it takes. */
import { memo } from "react";
import { changeLook } from "../../../core/editing/edits/controls";
import type { Control, Layout } from "../../../core/format/types";
import type { Result } from "../../../core/engine/result";
import { ChoiceField, NumberField, Pair } from "../../../ui/Field";
import { TypedField } from "../../../ui/Typed";
import { useSessionActions } from "../../session/context";
import { common } from "../../shared/common";
import { ArtPicker } from "./ArtPicker";
import { FaceRow } from "./FaceRow";
import { IconPicker } from "./IconPicker";
import { MoreLook } from "./MoreLook";

/** The look when long untouched, as it begins. */
const AWAY = { opacity: 0.2, afterMs: 3000, fadeMs: 200 } as const;
/** How late "later" is, as it begins, ms. */
const HOME_LATER_MS = 1000;

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
    const away = of((l) => l.away ?? null);
    const hasStick = controls.some((c) => c.kind === "stick");
    const moves = controls.some((c) => c.kind === "stick" && c.feel.origin !== "fixed");
    return (
      <>
        <div className="grid grid-cols-[1fr_auto] gap-1">
          <TypedField
            bare
            label="Word on it"
            placeholder={of((l) => l.label) === null ? "mixed" : "a word on it"}
            value={of((l) => l.label) ?? ""}
            onCommit={(label) => change("word", () => ({ label }))}
          />
          <IconPicker value={of((l) => l.icon ?? "")} onChange={(icon) => change("icon", () => ({ icon }))} />
        </div>
        <p className="caption flex justify-between pl-8">
          <span>fill, line, ink</span>
          <span>opacity, picture</span>
        </p>
        {face("rest")}
        {face("held")}
        <Pair>
          <ChoiceField
            bare
            label="At rest"
            value={of((l) => l.hideAtRest)}
            options={[
              ["none", "rest: all seen"],
              ["knob", "rest: no knob"],
              ["all", "rest: unseen"],
            ]}
            onChange={(hideAtRest) => change("what shows at rest", () => ({ hideAtRest }))}
          />
          <NumberField
            label="Turned"
            prefix="turned"
            unit="°"
            value={of((l) => l.rotateDeg)}
            min={-360}
            max={360}
            step={5}
            onChange={(rotateDeg) => change("turn", () => ({ rotateDeg }))}
            onRefuse={refuse}
          />
        </Pair>
        {hasStick && (
          <Pair>
            <span className="grid grid-cols-[1fr_auto] gap-1">
              <NumberField
                label="Knob"
                prefix="knob"
                step={0.05}
                value={of((l) => l.knobSize)}
                min={0}
                max={1}
                onChange={(knobSize) => change("knob", () => ({ knobSize }))}
                onRefuse={refuse}
              />
              <ArtPicker controls={controls} part="knob" word="knob" />
            </span>
            {moves && (
              <ChoiceField
                bare
                label="After release the base"
                value={of((l) => l.home)}
                options={[
                  ["now", "goes home"],
                  ["later", "home later"],
                  ["stay", "stays"],
                ]}
                onChange={(home) => change("way home", (l) => ({ home, ...(home === "later" && l.homeAfterMs === 0 && { homeAfterMs: HOME_LATER_MS }) }))}
              />
            )}
          </Pair>
        )}
        <Pair>
          <NumberField
            label="Fades to, long untouched"
            prefix="away"
            value={away?.opacity ?? null}
            none="never"
            step={0.05}
            min={0}
            max={1}
            onChange={(opacity) => change("look when away", (l) => ({ away: { ...AWAY, ...l.away, opacity } }))}
            onClear={() => change("look when away", () => ({ away: undefined }))}
            onRefuse={refuse}
          />
          <NumberField
            label="After"
            prefix="after"
            unit="ms"
            value={away?.afterMs ?? null}
            none="–"
            step={100}
            min={0}
            max={600000}
            onChange={(afterMs) => change("look when away", (l) => ({ away: { ...AWAY, ...l.away, afterMs } }))}
            onRefuse={refuse}
          />
        </Pair>
        <MoreLook controls={controls} change={change} />
      </>
    );
  },
  (a, b) =>
    a.controls.length === b.controls.length &&
    a.controls.every((c, i) => c.id === b.controls[i].id && c.look === b.controls[i].look && c.feel === b.controls[i].feel),
);
