"use client";
/** What of the look is rarely set: a knob's own look, how it glides and when it goes home, how long fading takes. */
import type { Control } from "../../../core/format/types";
import { NumberField, Pair, SwitchField } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";
import { common } from "../../shared/common";
import { FaceRow, type Face } from "./FaceRow";

type Look = Control["look"];
interface Props {
  readonly controls: readonly Control[];
  readonly change: (label: string, next: (look: Look) => Partial<Look>) => void;
}

/** A knob's own look as it begins: as it is drawn without one, the base's turned inside out. */
const turned = ({ fill, ink, opacity }: Face): Face => ({ fill: ink, line: fill, ink: fill, opacity });
const LONGEST_MS = 60_000;

export function MoreLook({ controls, change }: Props) {
  const session = useSessionActions();
  const sticks = controls.filter((c) => c.kind === "stick");
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  const ownKnob = common(sticks, (c) => c.look.knob !== undefined);
  const away = controls.some((c) => c.look.away);
  const later = sticks.some((c) => c.feel.origin !== "fixed" && c.look.home === "later");
  if (sticks.length === 0 && !away) return null;
  const knobFace = (key: "rest" | "held") => (
    <FaceRow
      word={key}
      faces={sticks.map((c) => c.look.knob?.[key] ?? turned(c.look[key]))}
      onChange={(label, part) => change(`${label} of the knob`, (l) => ({ knob: { ...l.knob, [key]: { ...(l.knob?.[key] ?? turned(l[key])), ...part } } }))}
    />
  );
  const ms = (label: string, prefix: string, value: number | null, onChange: (value: number) => void) => (
    <NumberField label={label} prefix={prefix} unit="ms" value={value} min={0} max={LONGEST_MS} step={10} onChange={onChange} onRefuse={refuse} />
  );
  return (
    <details className="text-[0.75rem]">
      <summary className="caption cursor-pointer py-0.5">more: knob, glide, fading</summary>
      <div className="grid gap-1 pt-1">
        <Pair>
          {sticks.length > 0 &&
            ms(
              "The knob glides back over",
              "glides",
              common(sticks, (c) => c.look.returnMs),
              (returnMs) => change("glide", () => ({ returnMs })),
            )}
          {away &&
            ms(
              "Fades over",
              "fades",
              common(controls, (c) => c.look.away?.fadeMs ?? null),
              (fadeMs) => change("fading", (l) => (l.away ? { away: { ...l.away, fadeMs } } : {})),
            )}
          {later &&
            ms(
              "The base goes home after",
              "home after",
              common(sticks, (c) => c.look.homeAfterMs),
              (homeAfterMs) => change("way home", () => ({ homeAfterMs })),
            )}
        </Pair>
        {sticks.length > 0 && (
          <SwitchField
            after
            label="the knob has a look of its own"
            value={ownKnob}
            onChange={(own) => change("look of the knob", (l) => ({ knob: own ? { rest: turned(l.rest), held: turned(l.held) } : undefined }))}
          />
        )}
        {ownKnob && (
          <div role="group" aria-label="Look of the knob" className="grid gap-1">
            {knobFace("rest")}
            {knobFace("held")}
          </div>
        )}
      </div>
    </details>
  );
}
