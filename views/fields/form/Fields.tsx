"use client";
/** Shows a form: each entry as its field, for one control or several, or for the layout itself; of several, what differs says so. */
import type { CSSProperties, ReactNode } from "react";
import { lengthOf } from "../../../core/engine/placement/length";
import { ChoiceField, SwitchField } from "../../../ui/Choice";
import { LengthField, NumberField } from "../../../ui/Field";
import { light, unlight, useLit } from "../../../ui/lit";
import { SEVERAL } from "../../../ui/mixed";
import { More } from "../../../ui/More";
import { TypedField } from "../../../ui/Typed";
import { says } from "../../shell/reading/sentences";
import { common } from "../common";
import {
  readingOf,
  type ChangeEach,
  type ControlsPlace,
  type Entry,
  type FieldEntry,
  type Form,
  type FormGesture,
  type FormPlace,
  type LengthEntry,
  type NumberEntry,
} from "./entries";

/** What a form is shown for, and where its edits go. */
export interface FormTarget<C, P> {
  readonly controls: readonly C[];
  /** The same thing with every value as the schema has it. */
  readonly defaultOf: (control: C) => C;
  /** Changes some of the controls: one entry of the history with the changes like it before. */
  readonly change: (words: string, controls: readonly C[], next: (control: C) => P) => boolean;
  readonly gesture: FormGesture<P>;
  readonly place: FormPlace | ControlsPlace;
  readonly refuse: (text: string) => void;
}

/** The controls that an entry is about; none: it does not show. */
function controlsOf<C, P>(entry: Entry<C, P>, controls: readonly C[]): readonly C[] {
  const those = entry.of ? controls.filter((c) => entry.of!(c)) : controls;
  return those.length > 0 && (entry.shown?.(those) ?? true) ? those : [];
}

export function FormFields<C, P>({ form, target }: { form: Form<C, P>; target: FormTarget<C, P> }) {
  const { Picture, beside = [], isStacked = false, nameRem = 4.5 } = form;
  const { controls } = target;
  const show = (entry: Entry<C, P>, how: FieldHow = "row") => {
    const those = controlsOf(entry, controls);
    return those.length > 0 && <ShownEntry key={entry.label} entry={entry} controls={those} target={target} how={how} />;
  };
  const folded = form.entries.filter((entry) => entry.more && controlsOf(entry, controls).length > 0);
  return (
    <>
      {Picture && "context" in target.place && (
        <div className={`flex ${isStacked ? "gap-1.5" : "gap-2"}`}>
          <Picture controls={controls} gesture={target.gesture} place={target.place} />
          <div className="grid min-w-0 flex-1 content-start" style={{ "--name": isStacked ? "100%" : `${nameRem}rem` } as CSSProperties}>
            {beside.map((entry) => show(entry, isStacked ? "stacked" : "beside"))}
          </div>
        </div>
      )}
      {!Picture && beside.map((entry) => show(entry))}
      {form.entries.filter(({ more }) => !more).map((entry) => show(entry))}
      {folded.length > 0 && (
        <More set={folded.filter((entry) => controlsOf(entry, controls).some((c) => isSet(entry, c, target))).length} reads={says("region.more")}>
          {folded.map((entry) => show(entry))}
        </More>
      )}
    </>
  );
}

/** Whether a value is not the one that it begins with. */
function isSet<C, P>(entry: Entry<C, P>, control: C, { defaultOf }: FormTarget<C, P>): boolean {
  if (entry.isSet || entry.kind === "own") return entry.isSet?.(control) ?? false;
  return entry.read(control) !== entry.read(defaultOf(control));
}

type FieldHow = "row" | "beside" | "stacked";
interface ShownProps<C, P, E> {
  readonly entry: E;
  readonly controls: readonly C[];
  readonly target: FormTarget<C, P>;
  readonly how: FieldHow;
}

function ShownEntry<C, P>({ entry, controls, target, how }: ShownProps<C, P, Entry<C, P>>): ReactNode {
  if (entry.kind === "own") {
    const change: ChangeEach<C, P> = (words, next) => target.change(words, controls, next);
    return <entry.Show controls={controls} change={change} />;
  }
  const field = <ShownField entry={entry} controls={controls} target={target} how={how} />;
  return how === "stacked" ? <StackedName entry={entry}>{field}</StackedName> : field;
}

function ShownField<C, P>({ entry, controls, target, how }: ShownProps<C, P, FieldEntry<C, P>>) {
  const words = entry.edits ?? entry.label.toLowerCase();
  const row = { label: entry.label, word: how === "stacked" ? undefined : entry.word, part: entry.part, bare: how === "stacked" };
  switch (entry.kind) {
    case "number":
      return <ShownNumber entry={entry} controls={controls} target={target} how={how} />;
    case "length":
      return <ShownLength entry={entry} controls={controls} target={target} how={how} />;
    case "choice":
      return (
        <ChoiceField
          {...row}
          value={common(controls, (c) => entry.read(c))}
          options={entry.options}
          reads={readingOf(entry)}
          onChange={(value) => target.change(words, controls, (c) => entry.edit(value, c))}
        />
      );
    case "switch":
      return (
        <SwitchField
          label={entry.label}
          word={entry.word}
          value={common(controls, (c) => entry.read(c))}
          reads={readingOf(entry)}
          onChange={(value) => target.change(words, controls, (c) => entry.edit(value, c))}
        />
      );
    case "text": {
      const value = common(controls, (c) => entry.read(c));
      return (
        <TypedField
          {...row}
          placeholder={value === null ? "mixed" : "none"}
          value={value ?? ""}
          reads={readingOf(entry)}
          readsValue={value === "" ? "none" : (value ?? SEVERAL)}
          onCommit={(next) => target.change(words, controls, (c) => entry.edit(next, c))}
        />
      );
    }
  }
}

function ShownNumber<C, P>({ entry, controls, target, how }: ShownProps<C, P, NumberEntry<C, P>>) {
  const { Beside, none, unit, min, max, step, digits } = entry;
  const words = entry.edits ?? entry.label.toLowerCase();
  const read = common(controls, (c) => entry.read(c));
  const value = read === "none" ? null : read;
  const put = (next: number | "none") => target.change(words, controls, (c) => entry.edit(next, c));
  const field = (isBare: boolean) => (
    <NumberField
      label={entry.label}
      word={isBare ? undefined : entry.word}
      part={entry.part}
      bare={isBare}
      {...{ unit, min, max, step, digits }}
      value={value}
      none={read === "none" ? none : undefined}
      also={value === null || how !== "row" ? undefined : entry.also?.(value, target.place)}
      reads={readingOf(entry, entry.figures?.(value, target.place))}
      onChange={put}
      onClear={none === undefined ? undefined : () => put("none")}
      onRefuse={target.refuse}
    />
  );
  if (!Beside) return field(how === "stacked");
  return (
    <div className="field-row" data-row>
      <span className="field-name">{entry.word ?? entry.label}</span>
      <span className="flex items-center gap-1">
        <span className="min-w-0 flex-1">{field(true)}</span>
        <Beside controls={controls} />
      </span>
    </div>
  );
}

function ShownLength<C, P>({ entry, controls, target, how }: ShownProps<C, P, LengthEntry<C, P>>) {
  const words = entry.edits ?? entry.label.toLowerCase();
  const { place } = target;
  const indexOf = (control: C) => target.controls.indexOf(control);
  const value = common(controls, (c) => entry.read(c));
  const mm = value === null ? null : place.mm(value);
  return (
    <LengthField
      label={entry.label}
      word={how === "stacked" ? undefined : entry.word}
      part={entry.part}
      bare={how === "stacked"}
      value={value}
      also={how === "row" && value !== null && lengthOf(value).unit !== "mm" ? (mm ?? undefined) : undefined}
      reads={readingOf(entry, { mm: mm ?? "mixed" })}
      onChange={(next) => target.change(words, controls, (c) => entry.edit(next, c))}
      convert={(length, unit) => place.convert(length, unit, indexOf(controls[0]))}
      onUnit={(unit) => target.change(`unit of the ${words}`, controls, (c) => entry.edit(place.convert(entry.read(c), unit, indexOf(c)), c))}
      onRefuse={target.refuse}
    />
  );
}

/** Next to pictures there is little room: the name is above its value. */
function StackedName<C, P>({ entry: { label, word = label, part = label }, children }: { entry: FieldEntry<C, P>; children: ReactNode }) {
  const isLit = useLit(part);
  return (
    <div data-row data-lit={isLit || undefined} className="grid" onFocus={() => light(part)} onBlur={() => unlight(part)}>
      <span className={`field-name leading-4 ${isLit ? "text-accent" : ""}`}>{word}</span>
      {children}
    </div>
  );
}
