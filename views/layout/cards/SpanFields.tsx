"use client";
/** The edges of a span: what share of the frame each is tied to, and how far it stands in from there. Of a landing area likewise. */
import type { LengthUnit } from "../../../core/engine/placement/length";
import { convertLength, measureOf, type EditContext } from "../../../core/editing/placing";
import { changePlacements, placementIn } from "../../../core/editing/placeables";
import { anchorEdge, type Edge } from "../../../core/editing/anchors";
import { LengthField, NumberField } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";
import { nameOf } from "../../shared/names";

const EDGES: readonly Edge[] = ["left", "right", "top", "bottom"];

export function SpanFields({ context, id }: { context: EditContext; id: string }) {
  const session = useSessionActions();
  const { arrangement } = context.resolved;
  const span = placementIn(context.layout, arrangement, id);
  const m = measureOf(context, id);
  if (span?.kind !== "span") return null;
  const name = nameOf(context.layout, id);
  const refuse = (text: string) => session.tell({ text, tone: "problem" });
  const fraction = (edge: Edge) => (edge === "left" ? span.from[0] : edge === "top" ? span.from[1] : edge === "right" ? span.to[0] : span.to[1]);
  return (
    <div className="grid grid-cols-2 gap-x-2 gap-y-0.5" role="group" aria-label={`Edges of ${name}`}>
      {EDGES.map((edge) => (
        <div key={edge} className="grid grid-cols-[3.125rem_1fr] gap-x-0.5">
          <span className="caption col-span-2 leading-[0.8125rem]">{edge}</span>
          <NumberField
            bare
            label={`${edge} edge: tied at`}
            unit="%"
            value={fraction(edge) * 100}
            min={0}
            max={100}
            onChange={(v) => session.edit(`tie the ${edge} edge of ${name}`, (l) => anchorEdge({ ...context, layout: l }, id, edge, v / 100), true)}
            onRefuse={refuse}
          />
          <LengthField
            bare
            label={`${edge} edge: in by`}
            value={span.inset[edge]}
            onChange={(v) =>
              session.edit(
                `${edge} edge of ${name}`,
                (l) => changePlacements(l, { keys: [id], arrangement }, "span", (s) => ({ ...s, inset: { ...s.inset, [edge]: v } })),
                true,
              )
            }
            convert={m ? (text: string, unit: LengthUnit) => convertLength(text, unit, m.offset) : undefined}
            onRefuse={refuse}
          />
        </div>
      ))}
    </div>
  );
}
