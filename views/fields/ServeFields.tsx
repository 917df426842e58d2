"use client";
/** What a wire gives, to be changed: the value of a true/false source, the scale of what comes in numbers, the repeat of a press. */
import { portCarries } from "../../core/engine/input/fits";
import type { Action, Serve } from "../../core/format/types";
import { SwitchField } from "../../ui/Choice";
import { NumberField } from "../../ui/Field";
import { says, type SentenceKey } from "../shell/reading/sentences";

type Two = number | [number, number];
/** A repeat as it begins, ms: as most keyboards do. */
const FIRST_REPEAT = { delayMs: 400, intervalMs: 100, restMs: 0 } as const;

/** The fields of a control's wire, as far as port and kind have them. */
export function ServeFields({ serve, action, onChange }: { serve: Serve; action: Action; onChange: (label: string, next: Partial<Serve>) => void }) {
  const carries = portCarries(serve.port);
  const { kind } = action;
  if (carries !== "press") {
    const perSecond = (carries === "vector" && kind === "motion") || (carries === "number" && kind === "delta");
    return (
      <ServeScaleFields
        action={action.name}
        pair={carries !== "number" && carries !== "change"}
        value={serve.scale ?? 1}
        unit={perSecond ? "/s" : undefined}
        onChange={(scale) => onChange("scale", { scale: scale === 1 && !perSecond ? undefined : scale })}
      />
    );
  }
  if (kind === "axis" || kind === "vector")
    return <ValueFields action={action.name} kind={kind} value={serve.value} onChange={(value) => onChange("value", { value })} />;
  if (kind !== "press") return null;
  const { repeat } = serve;
  const ms = (label: string, field: "delayMs" | "intervalMs" | "restMs", reads: SentenceKey) =>
    repeat && (
      <NumberField
        label={label}
        unit="ms"
        min={field === "intervalMs" ? 1 : 0}
        step={10}
        value={repeat[field]}
        reads={says(reads)}
        onChange={(value) => onChange("repeat", { repeat: { ...repeat, [field]: value } })}
      />
    );
  return (
    <>
      <SwitchField
        label="Repeats while held"
        word="Repeats"
        value={repeat !== undefined}
        reads={says("serves.repeat")}
        onChange={(on) => onChange("repeat", { repeat: on ? FIRST_REPEAT : undefined })}
      />
      {ms("Repeats after", "delayMs", "serves.repeatAfter")}
      {ms("Repeats every", "intervalMs", "serves.repeatEvery")}
      {ms("Pause between", "restMs", "serves.repeatRests")}
    </>
  );
}

interface ValueProps {
  readonly action: string;
  readonly kind: "axis" | "vector";
  readonly value: Two | undefined;
  readonly onChange: (value: Two) => void;
}

/** What a true/false source gives toward an axis or a vector. */
export function ValueFields({ action, kind, value, onChange }: ValueProps) {
  const field = (label: string, reads: SentenceKey, number: number, put: (next: number) => Two) => (
    <NumberField label={label} step={0.1} min={-1} max={1} value={number} reads={says(reads, { action })} onChange={(next) => onChange(put(next))} />
  );
  if (kind === "axis") return field("gives", "serves.gives", typeof value === "number" ? value : 1, (next) => next);
  const [x, y] = Array.isArray(value) ? value : [0, 0];
  return (
    <>
      {field("Gives x", "serves.givesX", x, (next) => [next, y])}
      {field("Gives y", "serves.givesY", y, (next) => [x, next])}
    </>
  );
}

interface ScaleProps {
  readonly action: string;
  readonly pair: boolean;
  readonly value: Two;
  readonly unit?: string;
  readonly onChange: (value: Two) => void;
}

/** By how much what comes is taken: one number, or one for each way. */
export function ServeScaleFields({ action, pair, value, unit, onChange }: ScaleProps) {
  const [x, y] = Array.isArray(value) ? value : [value, value];
  if (!pair) return <NumberField label="Times" step={0.1} value={x} unit={unit} reads={says("serves.times", { action })} onChange={onChange} />;
  const put = (nx: number, ny: number) => onChange(nx === ny ? nx : [nx, ny]);
  return (
    <>
      <NumberField label="X times" step={0.1} unit={unit} value={x} reads={says("serves.timesX")} onChange={(next) => put(next, y)} />
      <NumberField label="Y times" step={0.1} unit={unit} value={y} reads={says("serves.timesY")} onChange={(next) => put(x, next)} />
    </>
  );
}
