/** The last seconds of every action, for the traces under the glass. */
import type { ActionValue, ActionValues } from "../../core/engine/input/events";
import type { Action } from "../../core/format/types";

/** Ticks kept: six seconds at 60 a second. */
const KEPT = 360;

export interface Traces {
  push(values: ActionValues): void;
  /** Oldest first. */
  of(name: string): readonly ActionValue[];
}

export function createTraces(): Traces {
  const kept = new Map<string, ActionValue[]>();
  return {
    push(values) {
      for (const [name, value] of Object.entries(values)) {
        const list = kept.get(name) ?? [];
        list.push(value);
        if (list.length > KEPT) list.shift();
        kept.set(name, list);
      }
    },
    of: (name) => kept.get(name) ?? [],
  };
}

/** A value as the views write it. */
export function valueText(value: ActionValue | undefined): string {
  if (value === undefined) return "–";
  if (typeof value === "boolean") return value ? "true" : "false";
  const figure = (n: number) => (Object.is(Math.round(n * 100), -0) || Math.abs(n) < 0.005 ? 0 : n).toFixed(2);
  return typeof value === "number" ? figure(value) : `${figure(value[0])}, ${figure(value[1])}`;
}

/** Draws the traces, a lane an action: presses as blocks, numbers as lines (x drawn full, y dotted). */
export function drawTraces(
  ctx: CanvasRenderingContext2D,
  actions: readonly Action[],
  traces: Traces,
  { w, h, colours }: { readonly w: number; readonly h: number; readonly colours: { ink: string; rule: string; accent: string } },
): void {
  ctx.clearRect(0, 0, w, h);
  const lane = h / Math.max(1, actions.length);
  actions.forEach((action, i) => {
    const middle = lane * (i + 0.5);
    const high = lane * 0.36;
    ctx.strokeStyle = colours.rule;
    ctx.lineWidth = 1;
    ctx.beginPath();
    ctx.moveTo(0, Math.round(middle) + 0.5);
    ctx.lineTo(w, Math.round(middle) + 0.5);
    ctx.stroke();
    const list = traces.of(action.name);
    const x = (n: number) => w - (list.length - n) * (w / KEPT);
    if (action.kind === "press") {
      ctx.fillStyle = colours.accent;
      list.forEach((value, n) => {
        if (value === true) ctx.fillRect(x(n), middle - high, w / KEPT + 0.5, high * 2);
      });
      return;
    }
    const reach = action.kind === "motion" ? 6 : 1;
    const draw = (pick: (value: ActionValue) => number, dotted: boolean) => {
      ctx.setLineDash(dotted ? [2, 2] : []);
      ctx.strokeStyle = dotted ? colours.ink : colours.accent;
      ctx.lineWidth = 1.5;
      ctx.beginPath();
      list.forEach((value, n) => ctx.lineTo(x(n), middle - (high * Math.max(-reach, Math.min(reach, pick(value)))) / reach));
      ctx.stroke();
      ctx.setLineDash([]);
    };
    draw((v) => (typeof v === "object" ? v[0] : Number(v)), false);
    if (action.kind !== "axis") draw((v) => (typeof v === "object" ? v[1] : 0), true);
  });
}
