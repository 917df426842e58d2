"use client";
/** How controls look, at rest and held. */
import { memo } from "react";
import { changeLook } from "../../../core/editing/edits/controls";
import type { EditContext } from "../../../core/editing/placing";
import type { Control } from "../../../core/format/types";
import { FormFields } from "../../fields/form/Fields";
import { useFormTarget } from "../../fields/form/useFormTarget";
import { LOOK_FORM } from "./lookForm";

const NOT_PLACED: readonly undefined[] = [];

export const LookCard = memo(
  function LookCard({ context, controls }: { context: EditContext; controls: readonly Control[] }) {
    const target = useFormTarget<Partial<Control["look"]>>({ context, controls, placed: NOT_PLACED, apply: changeLook });
    return <FormFields form={LOOK_FORM} target={target} />;
  },
  (a, b) =>
    a.controls.length === b.controls.length &&
    a.controls.every((c, i) => c.id === b.controls[i].id && c.look === b.controls[i].look && c.feel === b.controls[i].feel),
);
