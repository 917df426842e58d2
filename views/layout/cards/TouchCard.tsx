"use client";
/** What takes the touch: shape, growth, shift and least size of the hit area, whether it shares touches with what lies below; the landing area of a stick. */
import { isEqual } from "../../../core/engine/equal";
import { memo } from "react";
import { changeHit } from "../../../core/editing/edits/controls";
import type { EditContext } from "../../../core/editing/placing";
import { handBack, overrideIn } from "../../../core/editing/placeables";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import { pxPerMm } from "../../../core/engine/placement/screen";
import type { Control, Hit } from "../../../core/format/types";
import { useSessionActions } from "../../document/SessionContext";
import type { Form, PictureProps } from "../../fields/form/entries";
import { FormFields } from "../../fields/form/Fields";
import { useFormTarget } from "../../fields/form/useFormTarget";
import { HitPicture } from "./HitPicture";
import { Landing } from "./Landing";
import { TOUCH } from "./touchFields";

interface Props {
  readonly context: EditContext;
  readonly controls: readonly Control[];
  /** Where they stand, each, or undefined where it is hidden. */
  readonly placed: readonly (ResolvedControl | undefined)[];
}

function TouchPicture({ controls: [control], gesture, place }: PictureProps<Control, Partial<Hit>>) {
  const [at] = place.placed;
  return at && <HitPicture context={place.context} control={control} hit={control.hit} at={at} onHit={gesture.preview} />;
}

const { shape, grow, minMm, sharing, ...more } = TOUCH;
const MANY: Form<Control, Partial<Hit>> = { entries: [shape, grow, minMm, sharing] };
/** One control has a picture. */
const ONE: Form<Control, Partial<Hit>> = { Picture: TouchPicture, beside: [shape, grow, minMm], nameRem: 2.9, entries: [sharing] };
const MORE: Form<Control, Partial<Hit>> = { entries: Object.values(more) };

export const TouchCard = memo(
  function TouchCard({ context, controls, placed }: Props) {
    const { arrangement } = context.resolved;
    // An arrangement may have its own hit area: it is shown, and changed.
    const shown = controls.map((c): Control => ({ ...c, hit: overrideIn(context.layout, arrangement, c.id)?.hit ?? c.hit }));
    const target = useFormTarget<Partial<Hit>>({ context, controls: shown, placed, apply: (l, id, change) => changeHit(l, id, change, arrangement) });
    const one = controls.length === 1 ? controls[0] : null;
    const [at] = placed;
    return (
      <>
        <FormFields form={one && at ? ONE : MANY} target={target} />
        {one && at && <Taken context={context} control={one} at={at} />}
        {one?.kind === "stick" && one.feel.origin !== "fixed" && <Landing context={context} stick={one} />}
        <FormFields form={MORE} target={target} />
      </>
    );
  },
  (a, b) =>
    a.controls.length === b.controls.length &&
    a.controls.every((c, i) => c.id === b.controls[i].id && c.hit === b.controls[i].hit && c.feel === b.controls[i].feel) &&
    a.context.screen === b.context.screen &&
    a.context.playerView === b.context.playerView &&
    a.context.layout.arrangements === b.context.layout.arrangements &&
    a.placed.every(
      (p, i) =>
        p?.hit.w === b.placed[i]?.hit.w &&
        p?.hit.h === b.placed[i]?.hit.h &&
        p?.visual.w === b.placed[i]?.visual.w &&
        p?.visual.h === b.placed[i]?.visual.h &&
        sameLanding(p, b.placed[i]),
    ),
);

const sameLanding = (a: ResolvedControl | undefined, b: ResolvedControl | undefined) => isEqual(a?.landing, b?.landing);

/** The hit area that results, and the way back from an arrangement's own. */
function Taken({ context, control, at: { hit } }: { context: EditContext; control: Control; at: ResolvedControl }) {
  const session = useSessionActions();
  const { arrangement } = context.resolved;
  const mm = pxPerMm(context.screen);
  const isGiven = arrangement !== null && overrideIn(context.layout, arrangement, control.id)?.hit !== undefined;
  return (
    <div className="field-row">
      <span className="field-name">Takes</span>
      <span className="figure flex items-center gap-2 text-[0.75rem]">
        {(hit.w / mm).toFixed(1)} × {(hit.h / mm).toFixed(1)} mm
        {isGiven && (
          <button
            className="min-h-6 font-sans text-accent underline"
            onClick={() => session.edit(`reset the hit area of ${control.name}`, (l) => handBack(l, arrangement, control.id, "hit"))}
          >
            Reset
          </button>
        )}
      </span>
    </div>
  );
}
