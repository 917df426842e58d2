"use client";
/** What a wire gives, to be changed: the value of a true/false source, the scale of what comes in numbers, the repeat of a press. */
import { portCarries } from "../../core/engine/input/fits";
import type { Action, Serve } from "../../core/format/types";
import { NumberField, Pair, SwitchField } from "../../ui/Field";

type Two = number | [number, number];
/** A repeat as it begins, ms: as most keyboards do. */
const FIRST_REPEAT = { delayMs: 400, intervalMs: 100, restMs: 0 } as const;

/** The fields of a control's wire, as far as port and kind have them. */
export function ServeFields({ serve, action, onChange }: { serve: Serve; action: Action; onChange: (label: string, next: Partial<Serve>) => void }) {
  const carries = portCarries(serve.port);
  const { kind } = action;
  if (carries !== "press") {
    const perSecond = carries === "vector" && kind === "motion";
    return (
      <ScaleFields
        pair={carries !== "number"}
        value={serve.scale ?? 1}
        unit={perSecond ? "/s" : undefined}
        onChange={(scale) => onChange("scale", { scale: scale === 1 && !perSecond ? undefined : scale })}
      />
    );
  }
  if (kind === "axis" || kind === "vector") return <ValueFields kind={kind} value={serve.value} onChange={(value) => onChange("value", { value })} />;
  if (kind !== "press") return null;
  const { repeat } = serve;
  return (
    <>
      <SwitchField
        after
        label="repeats while held"
        value={repeat !== undefined}
        onChange={(on) => onChange("repeat", { repeat: on ? FIRST_REPEAT : undefined })}
      />
      {repeat && (
        <Pair>
          <NumberField
            bare
            prefix="after"
            label="Repeats after"
            unit="ms"
            min={0}
            step={10}
            value={repeat.delayMs}
            onChange={(delayMs) => onChange("repeat", { repeat: { ...repeat, delayMs } })}
          />
          <NumberField
            bare
            prefix="every"
            label="Repeats every"
            unit="ms"
            min={1}
            step={10}
            value={repeat.intervalMs}
            onChange={(intervalMs) => onChange("repeat", { repeat: { ...repeat, intervalMs } })}
          />
          <NumberField
            bare
            prefix="rests"
            label="Rests between presses, let go and pressed anew too"
            unit="ms"
            min={0}
            step={10}
            value={repeat.restMs}
            onChange={(restMs) => onChange("repeat", { repeat: { ...repeat, restMs } })}
          />
        </Pair>
      )}
    </>
  );
}

/** What a true/false source gives toward an axis or a vector. */
export function ValueFields({ kind, value, onChange }: { kind: "axis" | "vector"; value: Two | undefined; onChange: (value: Two) => void }) {
  if (kind === "axis") return <NumberField label="gives" step={0.1} min={-1} max={1} value={typeof value === "number" ? value : 1} onChange={onChange} />;
  const [x, y] = Array.isArray(value) ? value : [0, 0];
  return (
    <Pair>
      <NumberField bare prefix="gives x" label="Gives x" step={0.1} min={-1} max={1} value={x} onChange={(next) => onChange([next, y])} />
      <NumberField bare prefix="gives y" label="Gives y" step={0.1} min={-1} max={1} value={y} onChange={(next) => onChange([x, next])} />
    </Pair>
  );
}

/** By how much what comes is taken: one number, or one for each way. */
export function ScaleFields({ pair, value, unit, onChange }: { pair: boolean; value: Two; unit?: string; onChange: (value: Two) => void }) {
  const [x, y] = Array.isArray(value) ? value : [value, value];
  if (!pair) return <NumberField label="times" step={0.1} value={x} onChange={onChange} />;
  const put = (nx: number, ny: number) => onChange(nx === ny ? nx : [nx, ny]);
  return (
    <Pair>
      <NumberField bare prefix="x ×" label="x times" step={0.1} unit={unit} value={x} onChange={(next) => put(next, y)} />
      <NumberField bare prefix="y ×" label="y times" step={0.1} unit={unit} value={y} onChange={(next) => put(x, next)} />
    </Pair>
  );
}
