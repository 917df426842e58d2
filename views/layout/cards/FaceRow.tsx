"use client";
/** The three colours and the opacity of a look, in one row. */
import type { ReactNode } from "react";
import type { Control } from "../../../core/format/types";
import { ColourField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";

export type LookFace = Control["look"]["rest"];

interface Props {
  readonly word: string;
  readonly faces: readonly LookFace[];
  readonly onChange: (label: string, part: Partial<LookFace>) => void;
  /** What is at the end of the row. */
  readonly children?: ReactNode;
}

const PARTS = ["fill", "line", "ink"] as const;
const READS = { fill: "look.fill", line: "look.line", ink: "look.ink" } as const;

export function FaceRow({ word, faces, onChange, children }: Props) {
  const session = useSessionActions();
  const when = word === "rest" ? "at rest" : word;
  const opacity = common(faces, (f) => f.opacity);
  return (
    <div className="field-row [--name:2.6rem]" data-row>
      <span className="field-name first-letter:uppercase">{word}</span>
      <span className="flex items-center gap-0.5">
        {PARTS.map((part) => (
          <ColourField
            key={part}
            label={`${word}: ${part}`}
            value={common(faces, (f) => f[part])}
            reads={says(READS[part], { when })}
            onChange={(value) => onChange(`${word} ${part}`, { [part]: value })}
          />
        ))}
        <span className="min-w-[2.75rem] flex-1">
          <NumberField
            bare
            label={`${word}: opacity`}
            unit="%"
            digits={0}
            value={opacity === null ? null : opacity * 100}
            step={5}
            min={0}
            max={100}
            reads={says("look.opacity", { when })}
            onChange={(percent) => onChange(`${word} opacity`, { opacity: percent / 100 })}
            onRefuse={(text) => session.tell({ text, tone: "problem" })}
          />
        </span>
        {children}
      </span>
    </div>
  );
}
