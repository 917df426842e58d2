"use client";
/** What takes the touch: shape, growth, shift and least size of the hit area, whether it shares touches with what lies below; the landing area of a stick. */
import { memo } from "react";
import { byId } from "../../../core/derived/byId";
import { changeFeel, changeHit } from "../../../core/editing/edits/controls";
import type { LengthUnit } from "../../../core/engine/placement/length";
import type { Control, Hit, PlainPlacement } from "../../../core/format/types";
import { convertLength, ownMeasure, type EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { handBack, landingKey, overrideIn, placementIn } from "../../../core/editing/placeables";
import { asKind } from "../../../core/editing/anchors";
import type { Result } from "../../../core/engine/result";
import type { Layout } from "../../../core/format/types";
import { ChoiceField, LengthField, NumberField, Pair } from "../../../ui/Field";
import { useSessionActions } from "../../session/context";
import { common } from "../../shared/common";
import { HitPicture } from "./HitPicture";
import { SpanFields } from "./SpanFields";
import { namesOf } from "../../shared/names";

interface Props {
  readonly context: EditContext;
  readonly controls: readonly Control[];
  /** Where they stand, each, or undefined where it is hidden. */
  readonly placed: readonly (ResolvedControl | undefined)[];
}

/** A hit area as large as the visual box, said as a size of its own. */
const AS_ITS_BOX: [string, string] = ["100%w", "100%h"];

export const TouchCard = memo(
  function TouchCard({ context, controls, placed }: Props) {
    const session = useSessionActions();
    const { arrangement } = context.resolved;
    const mm = pxPerMm(context.screen);
    const ids = controls.map((c) => c.id);
    const names = namesOf(context.layout, ids);
    const hitOf = (c: Control): Hit => overrideIn(context.layout, arrangement, c.id)?.hit ?? c.hit;
    const all = (l: Layout, next: (hit: Hit, id: string) => Partial<Hit>): Result<Layout> =>
      controls.reduce<Result<Layout>>((r, c) => (r.ok ? changeHit(r.value, c.id, next(hitOf(c), c.id), arrangement) : r), { ok: true, value: l });
    const change = (label: string, next: (hit: Hit, id: string) => Partial<Hit>) => session.edit(`${label} of ${names}`, (l) => all(l, next), true);
    const refuse = (text: string) => session.tell({ text, tone: "problem" });
    const unitOf = (length: string, unit: LengthUnit, id: string) => {
      const at = placed[ids.indexOf(id)];
      return at ? convertLength(length, unit, ownMeasure(context, at)) : length;
    };
    const here = (length: string, unit: LengthUnit) => unitOf(length, unit, ids[0]);
    const shift = (i: 0 | 1) => (
      <LengthField
        label={i === 0 ? "Shift across" : "Shift down"}
        prefix={i === 0 ? "→" : "↓"}
        value={common(controls, (c) => hitOf(c).shift[i])}
        onChange={(v) => change("shift", (h) => ({ shift: i === 0 ? [v, h.shift[1]] : [h.shift[0], v] }))}
        convert={here}
        onUnit={(unit) =>
          change("unit of the shift", (h, id) => ({ shift: i === 0 ? [unitOf(h.shift[0], unit, id), h.shift[1]] : [h.shift[0], unitOf(h.shift[1], unit, id)] }))
        }
        onRefuse={refuse}
      />
    );
    const one = controls.length === 1 ? controls[0] : null;
    const at = placed[0];
    return (
      <>
        <div className="flex gap-2">
          {one && at && <HitPicture context={context} control={one} hit={hitOf(one)} at={at} onHit={(next) => session.preview((l) => all(l, () => next))} />}
          <div className="grid min-w-0 flex-1 content-start gap-1">
            <Pair>
              <ChoiceField
                bare
                label="Shape"
                value={common(controls, (c) => hitOf(c).shape)}
                options={[
                  ["ellipse", "ellipse"],
                  ["box", "box"],
                  ["capsule", "capsule"],
                ]}
                onChange={(shape) => change("hit shape", () => ({ shape }))}
              />
              <ChoiceField
                bare
                label="Touches"
                value={common(controls, (c) => hitOf(c).sharing)}
                options={[
                  ["own", "its own"],
                  ["shared", "shared"],
                ]}
                onChange={(sharing) => change("sharing", () => ({ sharing }))}
              />
            </Pair>
            <LengthField
              label="Grow"
              prefix="grow"
              value={common(controls, (c) => hitOf(c).grow)}
              onChange={(grow) => change("growth", () => ({ grow }))}
              convert={here}
              onUnit={(unit) => change("unit of the growth", (h, id) => ({ grow: unitOf(h.grow, unit, id) }))}
              onRefuse={refuse}
            />
            <NumberField
              label="At least"
              prefix="least"
              unit="mm"
              value={common(controls, (c) => hitOf(c).minMm)}
              min={0}
              max={100}
              step={0.5}
              onChange={(minMm) => change("least hit size", () => ({ minMm }))}
              onRefuse={refuse}
            />
          </div>
        </div>
        <Pair>
          {shift(0)}
          {shift(1)}
        </Pair>
        {controls.some((c) => hitOf(c).size) && (
          <Pair>
            {([0, 1] as const).map((i) => (
              <LengthField
                key={i}
                label={i === 0 ? "Width of the hit area" : "Height of the hit area"}
                prefix={i === 0 ? "w" : "h"}
                value={common(controls, (c) => (hitOf(c).size ?? AS_ITS_BOX)[i])}
                onChange={(v) => change("hit size", ({ size = AS_ITS_BOX }) => ({ size: i === 0 ? [v, size[1]] : [size[0], v] }))}
                convert={here}
                onUnit={(unit) =>
                  change("unit of the hit size", (h, id) => {
                    const [w, tall] = h.size ?? AS_ITS_BOX;
                    return { size: i === 0 ? [unitOf(w, unit, id), tall] : [w, unitOf(tall, unit, id)] };
                  })
                }
                onRefuse={refuse}
              />
            ))}
          </Pair>
        )}
        {one && at && (
          <p className="figure flex flex-wrap items-center gap-x-2 text-[0.6875rem] text-muted">
            takes {(at.hit.w / mm).toFixed(1)} × {(at.hit.h / mm).toFixed(1)} mm
            <button className="min-h-6 font-sans underline" onClick={() => change("hit size", (h) => ({ size: h.size ? undefined : AS_ITS_BOX }))}>
              {hitOf(one).size ? "as its box" : "a size of its own"}
            </button>
            {overrideIn(context.layout, arrangement, one.id)?.hit && arrangement !== null && (
              <button
                className="min-h-6 font-sans text-accent underline"
                onClick={() => session.edit(`hand the hit area of ${one.name} back`, (l) => handBack(l, arrangement, one.id, "hit"))}
              >
                hand back
              </button>
            )}
          </p>
        )}
        {one?.kind === "stick" && one.feel.origin !== "fixed" && <Landing context={context} stick={one} />}
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

const sameLanding = (a: ResolvedControl | undefined, b: ResolvedControl | undefined) => JSON.stringify(a?.landing) === JSON.stringify(b?.landing);

/** Half the screen on the side where the stick stands. */
const halfFor = (left: boolean): PlainPlacement => ({
  kind: "span",
  frame: "screen",
  from: [left ? 0 : 0.5, 0],
  to: [left ? 0.5 : 1, 1],
  inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" },
});

/** Where a thumb may come down and bring the stick with it. */
function Landing({ context, stick }: { context: EditContext; stick: Extract<Control, { kind: "stick" }> }) {
  const session = useSessionActions();
  const key = landingKey(stick.id);
  const placement = placementIn(context.layout, context.resolved.arrangement, key);
  const at = byId(context.resolved.controls).get(stick.id);
  if (!placement)
    return (
      <button
        className="push h-6 justify-self-start"
        onClick={() =>
          session.edit(`landing area of ${stick.name}`, (l) =>
            changeFeel(l, stick.id, { landing: halfFor(at === undefined || at.visual.x + at.visual.w / 2 < context.screen.widthPx / 2) }),
          )
        }
      >
        Give it a landing area
      </button>
    );
  return (
    <section aria-label="Landing area" className="grid gap-1">
      <span className="flex items-center justify-between">
        <span className="caption text-land">landing area</span>
        <span className="flex gap-2 text-[0.6875rem]">
          {placement.kind === "pin" && (
            <button className="underline" onClick={() => session.edit(`landing area of ${stick.name} spans`, () => asKind(context, key, "span"))}>
              let it span
            </button>
          )}
          <button className="underline" onClick={() => session.edit(`landing area of ${stick.name}`, (l) => changeFeel(l, stick.id, { landing: undefined }))}>
            take it away
          </button>
        </span>
      </span>
      {placement.kind === "span" && <SpanFields context={context} id={key} />}
    </section>
  );
}
