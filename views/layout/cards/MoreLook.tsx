"use client";
/** What of the look is rarely set: a knob's own look, how it glides and when it goes home, how long fading takes. */
import type { Control } from "../../../core/format/types";
import { SwitchField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { More } from "../../../ui/More";
import { says, type SentenceKey } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { FaceRow, type LookFace } from "./FaceRow";
import { Labels } from "./Labels";

type Look = Control["look"];
interface Props {
  readonly controls: readonly Control[];
  readonly change: (label: string, next: (look: Look) => Partial<Look>) => boolean;
}

/** A knob's own look as it begins: as it is drawn without one, the base's turned inside out. */
const turned = ({ fill, ink, opacity }: LookFace): LookFace => ({ fill: ink, line: fill, ink: fill, opacity });
const LONGEST_MS = 60_000;

/** The look when long untouched, as it begins. */
const AWAY = { opacity: 0.2, afterMs: 3000, fadeMs: 200 } as const;

export function MoreLook({ controls, change }: Props) {
  const session = useSessionActions();
  const sticks = controls.filter((c) => c.kind === "stick");
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  const ownKnob = common(sticks, (c) => c.look.knob !== undefined);
  const away = common(controls, (c) => c.look.away ?? null);
  const fades = controls.some((c) => c.look.away);
  const later = sticks.some((c) => c.feel.origin !== "fixed" && c.look.home === "later");
  const knobFace = (key: "rest" | "held") => (
    <FaceRow
      word={key}
      faces={sticks.map((c) => c.look.knob?.[key] ?? turned(c.look[key]))}
      onChange={(label, part) => change(`${label} of the knob`, (l) => ({ knob: { ...l.knob, [key]: { ...(l.knob?.[key] ?? turned(l[key])), ...part } } }))}
    />
  );
  const ms = (label: string, reads: SentenceKey, value: number | null, onChange: (value: number) => void) => (
    <NumberField label={label} unit="ms" value={value} min={0} max={LONGEST_MS} step={10} reads={says(reads)} onChange={onChange} onRefuse={refuse} />
  );
  const set = [fades, sticks.some((c) => c.look.returnMs !== 80), later, ownKnob !== false && sticks.length > 0, hasLabels(controls)].filter(Boolean).length;
  return (
    <More set={set} reads={says("region.more")}>
      <NumberField
        label="Fade to when unused"
        word="Fade to"
        unit="%"
        digits={0}
        value={away ? away.opacity * 100 : null}
        none={fades ? undefined : "never"}
        step={5}
        min={0}
        max={100}
        reads={says("look.fades")}
        onChange={(percent) => change("look when unused", (l) => ({ away: { ...AWAY, ...l.away, opacity: percent / 100 } }))}
        onClear={() => change("look when unused", () => ({ away: undefined }))}
        onRefuse={refuse}
      />
      {fades && (
        <>
          {ms(
            "Fade after",
            "look.fadesAfter",
            common(controls, (c) => c.look.away?.afterMs ?? null),
            (afterMs) => change("look when unused", (l) => ({ away: { ...AWAY, ...l.away, afterMs } })),
          )}
          {ms(
            "Fade time",
            "look.fadesOver",
            common(controls, (c) => c.look.away?.fadeMs ?? null),
            (fadeMs) => change("fading", (l) => (l.away ? { away: { ...l.away, fadeMs } } : {})),
          )}
        </>
      )}
      {sticks.length > 0 &&
        ms(
          "Return time",
          "look.glide",
          common(sticks, (c) => c.look.returnMs),
          (returnMs) => change("glide", () => ({ returnMs })),
        )}
      {later &&
        ms(
          "Returns after",
          "look.homeAfter",
          common(sticks, (c) => c.look.homeAfterMs),
          (homeAfterMs) => change("return", () => ({ homeAfterMs })),
        )}
      {sticks.length > 0 && (
        <SwitchField
          label="Separate look for the knob"
          word="Separate knob look"
          value={ownKnob}
          reads={says("look.ownKnob")}
          onChange={(own) => change("look of the knob", (l) => ({ knob: own ? { rest: turned(l.rest), held: turned(l.held) } : undefined }))}
        />
      )}
      {ownKnob && sticks.length > 0 && (
        <div role="group" aria-label="Look of the knob">
          {knobFace("rest")}
          {knobFace("held")}
        </div>
      )}
      <Labels controls={controls} change={change} />
    </More>
  );
}

const hasLabels = (controls: readonly Control[]) => controls.some((c) => Object.keys(c.look.labels).length > 0);
