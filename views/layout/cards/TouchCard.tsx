"use client";
/** What takes the touch: shape, growth, shift and least size of the hit area, whether it shares touches with what lies below; the landing area of a stick. */
import { isEqual } from "../../../core/engine/equal";
import { memo } from "react";
import { changeHit } from "../../../core/editing/edits/controls";
import type { LengthUnit } from "../../../core/engine/placement/length";
import type { Control, Hit } from "../../../core/format/types";
import { convertLength, ownMeasure, pxOf, type EditContext } from "../../../core/editing/placing";
import type { ResolvedControl } from "../../../core/engine/placement/resolve";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { handBack, overrideIn } from "../../../core/editing/placeables";
import type { Result } from "../../../core/engine/result";
import type { Layout } from "../../../core/format/types";
import { lengthOf } from "../../../core/engine/placement/length";
import { ChoiceField, SwitchField } from "../../../ui/Choice";
import { LengthField, NumberField } from "../../../ui/Field";
import { More } from "../../../ui/More";
import { says, type SentenceKey } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { HitPicture } from "./HitPicture";
import { Landing } from "./Landing";
import { namesOf } from "../../document/names";

interface Props {
  readonly context: EditContext;
  readonly controls: readonly Control[];
  /** Where they stand, each, or undefined where it is hidden. */
  readonly placed: readonly (ResolvedControl | undefined)[];
}

/** A hit area as large as the visual box, said as its own size. */
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
    const one = controls.length === 1 ? controls[0] : null;
    const at = placed[0];
    const inMm = (length: string | null) => (length !== null && one && at ? `${(pxOf(length, ownMeasure(context, at)) / mm).toFixed(1)} mm` : "");
    /** A length of all of them. `parts`: what it is in a hit area, and the hit area with another. */
    const length = (
      words: { label: string; word?: string; reads: SentenceKey; part?: string; narrow?: boolean },
      get: (hit: Hit) => string,
      put: (hit: Hit, length: string) => Partial<Hit>,
    ) => {
      const value = common(controls, (c) => get(hitOf(c)));
      return (
        <LengthField
          label={words.label}
          word={words.word}
          part={words.part}
          value={value}
          also={!words.narrow && value !== null && lengthOf(value).unit !== "mm" ? inMm(value) : undefined}
          reads={says(words.reads, { mm: inMm(value) || "mixed" })}
          onChange={(v) => change(words.label.toLowerCase(), (h) => put(h, v))}
          convert={here}
          onUnit={(unit) => change(`unit of the ${words.label.toLowerCase()}`, (h, id) => put(h, unitOf(get(h), unit, id)))}
          onRefuse={refuse}
        />
      );
    };
    const ownSize = common(controls, (c) => hitOf(c).size !== undefined);
    const shifted = controls.some((c) => hitOf(c).shift.some((v) => lengthOf(v).amount !== 0));
    const given = one && overrideIn(context.layout, arrangement, one.id)?.hit && arrangement !== null;
    return (
      <>
        <div className="flex gap-2">
          {one && at && <HitPicture context={context} control={one} hit={hitOf(one)} at={at} onHit={(next) => session.preview((l) => all(l, () => next))} />}
          <div className={`grid min-w-0 flex-1 content-start ${one && at ? "[--name:2.9rem]" : ""}`}>
            <ChoiceField
              label="Shape"
              value={common(controls, (c) => hitOf(c).shape)}
              options={[
                ["ellipse", "ellipse"],
                ["box", "box"],
                ["capsule", "capsule"],
              ]}
              reads={says("touch.shape")}
              onChange={(shape) => change("hit shape", () => ({ shape }))}
            />
            {length(
              { label: "Grow", reads: "touch.grow", part: "grow", narrow: one !== null },
              (h) => h.grow,
              (_, grow) => ({ grow }),
            )}
            <NumberField
              label="At least"
              unit="mm"
              value={common(controls, (c) => hitOf(c).minMm)}
              min={0}
              max={100}
              step={0.5}
              reads={says("touch.least")}
              onChange={(minMm) => change("least hit size", () => ({ minMm }))}
              onRefuse={refuse}
            />
          </div>
        </div>
        <ChoiceField
          label="Touch goes to"
          value={common(controls, (c) => hitOf(c).sharing)}
          options={[
            ["own", "this control only"],
            ["shared", "controls below too"],
          ]}
          reads={says("touch.sharing")}
          onChange={(sharing) => change("sharing", () => ({ sharing }))}
        />
        {one && at && (
          <div className="field-row">
            <span className="field-name">Takes</span>
            <span className="figure flex items-center gap-2 text-[0.75rem]">
              {(at.hit.w / mm).toFixed(1)} × {(at.hit.h / mm).toFixed(1)} mm
              {given && (
                <button
                  className="min-h-6 font-sans text-accent underline"
                  onClick={() => session.edit(`reset the hit area of ${one.name}`, (l) => handBack(l, arrangement, one.id, "hit"))}
                >
                  Reset
                </button>
              )}
            </span>
          </div>
        )}
        {one?.kind === "stick" && one.feel.origin !== "fixed" && <Landing context={context} stick={one} />}
        <More set={(shifted ? 1 : 0) + (ownSize === false ? 0 : 1)} reads={says("region.more")}>
          {length(
            { label: "Shift right", reads: "touch.shiftX", part: "shift" },
            (h) => h.shift[0],
            (h, v) => ({ shift: [v, h.shift[1]] }),
          )}
          {length(
            { label: "Shift down", reads: "touch.shiftY", part: "shift" },
            (h) => h.shift[1],
            (h, v) => ({ shift: [h.shift[0], v] }),
          )}
          <SwitchField
            label="Separate size"
            value={ownSize}
            reads={says("touch.ownSize")}
            onChange={(own) => change("hit size", () => ({ size: own ? AS_ITS_BOX : undefined }))}
          />
          {ownSize !== false && (
            <>
              {length(
                { label: "Width of the hit area", word: "Width", reads: "touch.width" },
                ({ size = AS_ITS_BOX }) => size[0],
                ({ size = AS_ITS_BOX }, v) => ({ size: [v, size[1]] }),
              )}
              {length(
                { label: "Height of the hit area", word: "Height", reads: "touch.height" },
                ({ size = AS_ITS_BOX }) => size[1],
                ({ size = AS_ITS_BOX }, v) => ({ size: [size[0], v] }),
              )}
            </>
          )}
        </More>
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
