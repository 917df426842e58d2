"use client";
/** How a control looks, at rest and held. No look changes where it stands or what it takes. */
import { memo } from "react";
import { changeLook } from "../../../core/layout/edits/controls";
import type { Control } from "../../../core/layout/types";
import { ColourField, NumberField, TypedField } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";

export const LookCard = memo(
  function LookCard({ control }: { control: Control }) {
    const session = useSessionActions();
    const { look } = control;
    const change = (label: string, next: Partial<Control["look"]>) => session.edit(`${label} of ${control.id}`, (l) => changeLook(l, control.id, next), true);
    const refuse = (text: string) => session.tell({ text, tone: "problem" });
    const face = (key: "rest" | "held", word: string) => (
      <div className="grid grid-cols-[28px_1fr] items-center gap-1.5">
        <span className="caption">{word}</span>
        <span className="flex items-center gap-1">
          {(["fill", "line", "ink"] as const).map((part) => (
            <ColourField
              key={part}
              label={`${word}: ${part}`}
              value={look[key][part]}
              onChange={(value) => change(`${word} ${part}`, { [key]: { ...look[key], [part]: value } })}
            />
          ))}
          <span className="w-12">
            <NumberField
              bare
              label={`${word}: opacity`}
              value={look[key].opacity}
              step={0.05}
              min={0}
              max={1}
              onChange={(opacity) => change(`${word} opacity`, { [key]: { ...look[key], opacity } })}
              onRefuse={refuse}
            />
          </span>
        </span>
      </div>
    );
    return (
      <>
        <TypedField label="Word on it" value={look.label} onCommit={(label) => change("word", { label })} />
        <p className="caption">fill, line, ink, opacity</p>
        {face("rest", "rest")}
        {face("held", "held")}
        {control.kind === "stick" && (
          <NumberField label="Knob" step={0.05} value={look.knobSize} min={0} max={1} onChange={(knobSize) => change("knob", { knobSize })} onRefuse={refuse} />
        )}
      </>
    );
  },
  (a, b) => a.control.id === b.control.id && a.control.look === b.control.look,
);
