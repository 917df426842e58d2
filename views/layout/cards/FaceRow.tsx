"use client";
/** The three colours and the opacity of a look, in one row. */
import type { ReactNode } from "react";
import type { Control } from "../../../core/format/types";
import { ColourField, NumberField } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";
import { common } from "../../shared/common";

export type Face = Control["look"]["rest"];

interface Props {
  readonly word: string;
  readonly faces: readonly Face[];
  readonly onChange: (label: string, part: Partial<Face>) => void;
  /** What stands at the end of the row. */
  readonly children?: ReactNode;
}

export function FaceRow({ word, faces, onChange, children }: Props) {
  const session = useSessionActions();
  return (
    <div className="flex items-center gap-1">
      <span className="caption w-7 shrink-0">{word}</span>
      {(["fill", "line", "ink"] as const).map((part) => (
        <ColourField
          key={part}
          label={`${word}: ${part}`}
          value={common(faces, (f) => f[part])}
          onChange={(value) => onChange(`${word} ${part}`, { [part]: value })}
        />
      ))}
      <span className="min-w-0 flex-1">
        <NumberField
          bare
          label={`${word}: opacity`}
          value={common(faces, (f) => f.opacity)}
          step={0.05}
          min={0}
          max={1}
          onChange={(opacity) => onChange(`${word} opacity`, { opacity })}
          onRefuse={(text) => session.tell({ text, tone: "problem" })}
        />
      </span>
      {children}
    </div>
  );
}
