/**
 * Forms as data. A form lists the fields of one kind of thing; `Fields` shows them. An entry says what a field is called, what the reading line
 * says of it, its unit and range, how its value is read, and what an edit of it changes. The value it begins with is that of the schema.
 *
 *     controls ──read──► value shown ──edited──► edit ──► a part of each control
 */
import type { ReactNode } from "react";
import type { EditContext } from "../../../core/editing/placing";
import type { LengthUnit } from "../../../core/engine/placement/length";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import type { Control } from "../../../core/format/types";
import type { Reading } from "../../../ui/reading";

export type OfKind<K extends Control["kind"]> = Extract<Control, { kind: K }>;

/** What a form knows of the screen that is looked at. */
export interface FormPlace {
  /** A length of a control in mm, as shown; null where it is not placed or several differ. */
  mm(length: string): string | null;
  /** A length of the control at an index in another unit, coming to the same there. */
  convert(length: string, unit: LengthUnit, index: number): string;
  /** The travel of the first stick, mm; null where there is none. */
  readonly travelMm: number | null;
}

/** Where nothing stands on a screen. */
export const NO_PLACE: FormPlace = { mm: () => null, convert: (length) => length, travelMm: null };

/** Something that changes a part of each control: `words` name it in the history. */
export type ChangeEach<C, P> = (words: string, next: (control: C) => P) => boolean;

// Functions are methods here, so that a form of sticks is a form of controls (TypeScript checks the parameters of methods both ways).
interface EntryBase<C> {
  readonly label: string;
  /** The name in sight, where it is shorter than the name. */
  readonly word?: string;
  /** The part of a picture that shows the same. */
  readonly part?: string;
  /** What the reading line says; `{value}` is what the field shows, with its unit. */
  readonly says: string;
  /** The keys that change it, where they are not those of every field of the sort. */
  readonly keys?: string;
  /** What an edit is called in the history; the label in small letters by default. */
  readonly edits?: string;
  /** Which of the things have it; all by default. */
  of?(control: C): boolean;
  /** Whether it shows; always by default. */
  shown?(controls: readonly C[]): boolean;
  /** Seldom used: folded away. */
  readonly more?: boolean;
  /** Whether the value is set, for the count on the fold; by default it is where it is not the schema's. */
  isSet?(control: C): boolean;
}

/** `none`: no number, which the field shows as a word. */
export type NumberOrNone = number | "none";

export interface NumberEntry<C, P> extends EntryBase<C> {
  readonly kind: "number";
  readonly unit?: string;
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
  readonly digits?: number;
  /** What the field shows for `none`; without it the field must have a number. */
  readonly none?: string;
  read(control: C): NumberOrNone;
  edit(value: NumberOrNone, control: C): P;
  /** Other figures of the sentence. `value`: null where several differ. */
  figures?(value: number | null, place: FormPlace): Readonly<Record<string, string>>;
  /** What stands behind the value: the same in another unit. */
  also?(value: number, place: FormPlace): string | undefined;
  /** Stands at the end of the field. */
  Beside?(props: { readonly controls: readonly C[] }): ReactNode;
}

export interface ChoiceEntry<C, P> extends EntryBase<C> {
  readonly kind: "choice";
  readonly options: readonly (readonly [string, string])[];
  read(control: C): string;
  edit(value: string, control: C): P;
}

export interface SwitchEntry<C, P> extends EntryBase<C> {
  readonly kind: "switch";
  read(control: C): boolean;
  edit(value: boolean, control: C): P;
}

export interface TextEntry<C, P> extends EntryBase<C> {
  readonly kind: "text";
  read(control: C): string;
  edit(value: string, control: C): P;
}

/** A length as the file writes it. */
export interface LengthEntry<C, P> extends EntryBase<C> {
  readonly kind: "length";
  read(control: C): string;
  edit(value: string, control: C): P;
}

/** What no field shows: colours, an icon, translations. */
export interface OwnEntry<C, P> {
  readonly kind: "own";
  readonly label: string;
  of?(control: C): boolean;
  Show(props: { readonly controls: readonly C[]; readonly change: ChangeEach<C, P> }): ReactNode;
  shown?(controls: readonly C[]): boolean;
  isSet?(control: C): boolean;
  readonly more?: boolean;
}

export type FieldEntry<C, P> = NumberEntry<C, P> | ChoiceEntry<C, P> | SwitchEntry<C, P> | TextEntry<C, P> | LengthEntry<C, P>;
export type Entry<C, P> = FieldEntry<C, P> | OwnEntry<C, P>;

/** A gesture on a picture: its previews change all controls alike. */
export interface FormGesture<P> {
  begin(words: string): void;
  preview(next: P): void;
  commit(): void;
  cancel(): void;
}

/** Where the controls of a form stand. */
export interface ControlsPlace extends FormPlace {
  readonly context: EditContext;
  /** Each; undefined where one is hidden. */
  readonly placed: readonly (ResolvedControl | undefined)[];
}

export interface PictureProps<C, P> {
  readonly controls: readonly C[];
  readonly gesture: FormGesture<P>;
  readonly place: ControlsPlace;
}

/** The fields of a part `P` of controls `C`. */
export interface Form<C, P> {
  /** Stands at the top: the fields of `beside` are next to it. */
  Picture?(props: PictureProps<C, P>): ReactNode;
  readonly beside?: readonly Entry<C, P>[];
  /** Next to the picture a name is above its value: there is little room. */
  readonly isStacked?: boolean;
  /** Width of the names next to the picture, rem. */
  readonly nameRem?: number;
  readonly entries: readonly Entry<C, P>[];
}

/** The sentence of a field. */
export const readingOf = ({ says, keys }: EntryBase<never>, figures: Readonly<Record<string, string>> = {}): Reading => ({
  words: says.replace(/\{(\w+)\}/g, (all, name: string) => figures[name] ?? all),
  keys,
});

type KeyOf<P, V> = { [K in keyof P]-?: Exclude<P[K], undefined> extends V ? K : never }[keyof P] & string;
type Common<E> = Omit<E, "kind" | "read" | "edit">;

/**
 * Makes entries for fields that are one value of a part. `part`: the part of a control that the form is about.
 * `C`: the control, `P`: the part.
 */
export function entriesOf<C, P extends object>(part: (control: C) => P) {
  type Change = Partial<P>;
  const put = (key: string, value: unknown) => ({ [key]: value }) as Change;
  const get = (control: C, key: string) => part(control)[key as keyof P];
  return {
    number: (key: KeyOf<P, number>, entry: Common<NumberEntry<C, Change>>): NumberEntry<C, Change> => ({
      ...entry,
      kind: "number",
      read: (c) => get(c, key) as number,
      edit: (value) => put(key, value),
    }),
    choice: <K extends KeyOf<P, string>>(
      key: K,
      { options, ...entry }: Omit<Common<ChoiceEntry<C, Change>>, "options"> & { readonly options: readonly (readonly [P[K] & string, string])[] },
    ): ChoiceEntry<C, Change> => ({ ...entry, options, kind: "choice", read: (c) => get(c, key) as string, edit: (value) => put(key, value) }),
    toggle: (key: KeyOf<P, boolean>, entry: Common<SwitchEntry<C, Change>>): SwitchEntry<C, Change> => ({
      ...entry,
      kind: "switch",
      read: (c) => get(c, key) as boolean,
      edit: (value) => put(key, value),
    }),
    text: (key: KeyOf<P, string>, entry: Common<TextEntry<C, Change>>): TextEntry<C, Change> => ({
      ...entry,
      kind: "text",
      read: (c) => get(c, key) as string,
      edit: (value) => put(key, value),
    }),
    length: (key: KeyOf<P, string>, entry: Common<LengthEntry<C, Change>>): LengthEntry<C, Change> => ({
      ...entry,
      kind: "length",
      read: (c) => get(c, key) as string,
      edit: (value) => put(key, value),
    }),
    /** A whole number that is 0 where there is none. */
    numberOrNone: (key: KeyOf<P, number>, entry: Common<NumberEntry<C, Change>>): NumberEntry<C, Change> => ({
      ...entry,
      kind: "number",
      read: (c) => (get(c, key) === 0 ? "none" : (get(c, key) as number)),
      edit: (value) => put(key, value === "none" ? 0 : Math.round(value)),
    }),
  };
}
