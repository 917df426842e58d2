"use client";
/** How controls of one kind feel under the thumb. Used on the bench and while rehearsing; of several, what differs says so. */
import { memo } from "react";
import { changeFeel } from "../../../core/editing/edits/controls";
import type { EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import type { Control } from "../../../core/format/types";
import { common } from "../common";
import { FormFields } from "../form/Fields";
import { useFormTarget } from "../form/useFormTarget";
import { AimPicture } from "./AimPicture";
import { firesBy } from "./aimPhase";
import { FEEL_FORMS } from "./feelForms";

interface Props {
  readonly context: EditContext;
  readonly controls: readonly Control[];
  readonly placed: readonly (ResolvedControl | undefined)[];
}

export const FeelCard = memo(
  function FeelCard({ context, controls, placed }: Props) {
    const target = useFormTarget<object>({ context, controls, placed, apply: changeFeel });
    const kind = common(controls, (c) => c.kind);
    if (kind === null) return <p className="text-muted">Different kinds: they have no feel in common.</p>;
    const [first] = controls;
    return (
      <>
        {first.kind === "stick" && firesBy(first.serves).released && <AimPicture control={first} />}
        <FormFields form={FEEL_FORMS[kind]} target={target} />
      </>
    );
  },
  (a, b) =>
    a.controls.length === b.controls.length &&
    a.controls.every((c, i) => c.id === b.controls[i].id && c.feel === b.controls[i].feel && c.serves === b.controls[i].serves) &&
    a.placed.every((p, i) => p?.travel === b.placed[i]?.travel && p?.visual.w === b.placed[i]?.visual.w && p?.visual.h === b.placed[i]?.visual.h) &&
    a.context.screen === b.context.screen,
);
