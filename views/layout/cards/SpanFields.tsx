"use client";
/** The edges of a span: what part of the frame each is tied to, and how far it is in from there. Of a landing area likewise. */
import type { LengthUnit } from "../../../core/engine/placement/length";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { convertLength, measureOf, pxOf, type EditContext, seenAs } from "../../../core/editing/placing";
import { changePlacements, placementIn } from "../../../core/editing/placeables";
import { anchorEdge, type Edge } from "../../../core/editing/anchors";
import { LengthField, NumberField } from "../../../ui/Field";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { nameOf } from "../../document/names";

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
  const mm = (length: string) => (m ? `${(pxOf(length, m.offset) / pxPerMm(context.screen)).toFixed(1)} mm` : "");
  return (
    <div className="grid" role="group" aria-label={`Edges of ${name}`}>
      {EDGES.map((edge) => (
        <div key={edge} className="field-row [--name:4.25rem]" data-row>
          <span className="field-name first-letter:uppercase">{edge} edge</span>
          <span className="grid grid-cols-[3.5rem_minmax(0,1fr)] gap-1">
            <NumberField
              bare
              label={`${edge} edge: anchor`}
              unit="%"
              value={fraction(edge) * 100}
              min={0}
              max={100}
              reads={says("place.edge", { edge, inset: span.inset[edge].replace(/(?=[a-z%])/, " ") })}
              onChange={(v) =>
                session.edit(
                  `tie the ${edge} edge of ${name}`,
                  seenAs(context, (now) => anchorEdge(now, id, edge, v / 100)),
                  true,
                )
              }
              onRefuse={refuse}
            />
            <LengthField
              bare
              label={`${edge} edge: inset`}
              value={span.inset[edge]}
              reads={says("place.inset", { edge, mm: mm(span.inset[edge]) })}
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
          </span>
        </div>
      ))}
    </div>
  );
}
