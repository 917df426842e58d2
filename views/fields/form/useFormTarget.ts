"use client";
/** Where the edits of a form of controls go: each to all of them, as one entry of the history. */
import { defaultControl } from "../../../core/format/defaults";
import { editEach } from "../../../core/editing/editEach";
import { convertLength, ownMeasure, pxOf, type EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import { pxPerMm } from "../../../core/engine/placement/screen";
import type { Result } from "../../../core/engine/result";
import type { Control, Layout } from "../../../core/format/types";
import { namesOf } from "../../document/names";
import { useSessionActions } from "../../document/SessionContext";
import type { ControlsPlace } from "./entries";
import type { FormTarget } from "./Fields";

interface FormOf<P> {
  readonly context: EditContext;
  readonly controls: readonly Control[];
  readonly placed: readonly (ResolvedControl | undefined)[];
  /** Changes the part of a control that the form is about. */
  readonly apply: (layout: Layout, id: string, change: P) => Result<Layout>;
}

export function useFormTarget<P>({ context, controls, placed, apply }: FormOf<P>): FormTarget<Control, P> {
  const session = useSessionActions();
  const ids = controls.map((c) => c.id);
  const named = (words: string, those: readonly Control[]) =>
    `${words} of ${namesOf(
      session.store.getState().layout,
      those.map((c) => c.id),
    )}`;
  return {
    controls,
    defaultOf: ({ kind }) => defaultControl(kind),
    change(words, those, next) {
      const changes = new Map(those.map((c) => [c.id, next(c)]));
      return session.edit(named(words, those), (l) => editEach(l, [...changes.keys()], (now, id) => apply(now, id, changes.get(id)!)), true);
    },
    gesture: {
      begin: (words) => session.begin(named(words, controls)),
      preview: (change) => void session.preview((l) => editEach(l, ids, (now, id) => apply(now, id, change))),
      commit: () => session.commit(),
      cancel: () => session.cancel(),
    },
    place: placeOf(context, placed),
    refuse: (text) => session.tell({ text, tone: "problem" }),
  };
}

function placeOf(context: EditContext, placed: readonly (ResolvedControl | undefined)[]): ControlsPlace {
  const mmPx = pxPerMm(context.screen);
  const [first] = placed;
  return {
    context,
    placed,
    mm: (length) => (first && placed.length === 1 ? `${(pxOf(length, ownMeasure(context, first)) / mmPx).toFixed(1)} mm` : null),
    convert(length, unit, index) {
      const at = placed[index];
      return at ? convertLength(length, unit, ownMeasure(context, at)) : length;
    },
    travelMm: first?.travel === undefined ? null : first.travel / mmPx,
  };
}
