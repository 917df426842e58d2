"use client";
/** The tray with nothing selected: the layout's own settings and its scale. */
import { useMemo } from "react";
import { changeLayout } from "../../../core/editing/edits/layout";
import type { EditContext } from "../../../core/editing/placing";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { DEFAULT_LAYOUT } from "../../../core/format/defaults";
import type { Layout } from "../../../core/format/types";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { Keeps } from "../../fields/Keeps";
import { NO_PLACE } from "../../fields/form/entries";
import { FormFields, type FormTarget } from "../../fields/form/Fields";
import { KeptPicture } from "./KeptPicture";
import { LAYOUT_FORM, scaleForm, type LayoutChange } from "./layoutForm";

/** The form's edits go to the layout itself. */
function useLayoutTarget(): FormTarget<Layout, LayoutChange> {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const change = (words: string, next: (layout: Layout) => LayoutChange) => session.edit(words, (l) => changeLayout(l, next(l)), true);
  return {
    controls: [layout],
    defaultOf: () => DEFAULT_LAYOUT,
    change: (words, _, next) => change(words, next),
    gesture: {
      begin: session.begin,
      preview: (next) => void session.preview((l) => changeLayout(l, next)),
      commit: session.commit,
      cancel: session.cancel,
    },
    place: NO_PLACE,
    refuse: (text) => session.tell({ text, tone: "problem" }),
  };
}

export function LayoutCard() {
  return <FormFields form={LAYOUT_FORM} target={useLayoutTarget()} />;
}

export function ScaleCard({ context }: { context: EditContext }) {
  const session = useSessionActions();
  const share = useSession((s) => s.layout.scale.share);
  const target = useLayoutTarget();
  const px = context.resolved.scale;
  const mm = px / pxPerMm(context.screen);
  const form = useMemo(() => scaleForm({ px, mm }), [px, mm]);
  return (
    <>
      <Keeps
        share={share}
        onStart={() => session.begin("scale")}
        onChange={(next) => session.preview((l) => changeLayout(l, { scale: { ...l.scale, share: next } }))}
        onEnd={() => session.commit()}
      />
      <KeptPicture context={context} />
      <FormFields form={form} target={target} />
    </>
  );
}
