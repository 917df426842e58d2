"use client";
/** Where things stand: name, kind, what they are tied to, their distances from there, their size; aligning, order, second side. */
import type { ReactNode } from "react";
import { byId } from "../../../core/derived/byId";
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceAround,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceAround,
  BringToFront,
  FlipHorizontal2,
  Group,
  SendToBack,
  SquareSplitHorizontal,
  Target,
  Ungroup,
} from "lucide-react";
import { renamePlaceable, reorderControls } from "../../../core/editing/edits/controls";
import { alignTo, distribute, type Alignment } from "../../../core/editing/align";
import { kindsFor } from "../../../core/editing/make";
import { pxPerMm } from "../../../core/engine/placement/screen";
import { canSplit } from "../../../core/editing/split";
import { handBack, ownFields, placementIn, placeableBox, placeableOf } from "../../../core/editing/placeables";
import { asKind, carryTo } from "../../../core/editing/anchors";
import type { EditContext } from "../../../core/editing/placing";
import { ChoiceField } from "../../../ui/Field";
import { TypedField } from "../../../ui/Typed";
import { useSessionActions } from "../../session/context";
import { common } from "../../shared/common";
import { dissolveSelected, gatherSelected, splitSelected, mirrorSelected } from "../selectionEdits";
import { KIND_WORD } from "../kinds";
import { CARRY_MM } from "../../interaction/glassGesture";
import { FrameChoice, PinFields } from "./PinFields";
import { SpanFields } from "./SpanFields";
import { nameOf, namesOf } from "../../shared/names";
import { wishKind } from "../kindWish";

export function PlaceCard({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const { layout, resolved } = context;
  const mm = pxPerMm(context.screen);
  const one = keys.length === 1 ? keys[0] : null;
  const placeable = one === null ? null : placeableOf(layout, one);
  const box = placeable && placeableBox(resolved, placeable);
  const control = one === null ? undefined : byId(layout.controls).get(one);
  const named = control ?? (one === null ? undefined : (byId(layout.clusters).get(one) ?? byId(layout.keepClear).get(one)));
  const kind = common(keys, (key) => placementIn(layout, resolved.arrangement, key)?.kind);
  const { arrangement } = resolved;
  const own = keys.filter((key) => ownFields(layout, arrangement, key).length > 0);
  return (
    <>
      {one !== null && named && (
        <div className={`grid gap-1.5 ${control ? "grid-cols-[1fr_5.25rem]" : ""}`}>
          <TypedField
            bare
            label="Name"
            value={named.name}
            onCommit={(name) => session.edit(`rename ${named.name}`, (l) => renamePlaceable(l, one, name.trim()))}
          />
          {control && (
            <ChoiceField
              bare
              label="Kind"
              value={control.kind}
              options={kindsFor(null).map((k) => [k, KIND_WORD[k].toLowerCase()])}
              onChange={(next) => wishKind(session, one, next)}
            />
          )}
        </div>
      )}
      {one !== null && kind && placeable?.kind !== "cluster" && (
        <div className="grid grid-cols-[4.75rem_1fr] gap-1.5">
          <ChoiceField
            bare
            label="Pin or span"
            value={kind}
            options={[
              ["pin", "pinned"],
              ["span", "spans"],
            ]}
            onChange={(next) => session.edit(`${next} ${nameOf(layout, one)}`, () => asKind(context, one, next))}
          />
          <FrameChoice context={context} id={one} />
        </div>
      )}
      {one !== null && placeable?.kind === "cluster" && <FrameChoice context={context} id={one} />}
      {kind === "pin" && <PinFields context={context} keys={keys} />}
      {kind === "span" && one !== null && <SpanFields context={context} id={one} />}
      {kind === "span" && one === null && <p className="text-muted">Spans: select one to change its edges.</p>}
      {kind === null && <p className="text-muted">Pins and spans together: they can be moved, aligned and spaced.</p>}
      <p className="figure flex flex-wrap items-center gap-x-2 text-[0.6875rem] text-muted">
        {box ? (
          <span>
            here {(box.w / mm).toFixed(1)} × {(box.h / mm).toFixed(1)} mm
          </span>
        ) : (
          one !== null && <span>not shown on this screen</span>
        )}
        {own.length > 0 && arrangement !== null && (
          <button
            className="text-accent underline"
            data-testid="hand-back"
            title={`${own.map((key) => nameOf(layout, key)).join(", ")}: ${ownFields(layout, arrangement, own[0]).join(", ")} changed in this arrangement. Hand it back, and the base holds again.`}
            onClick={() =>
              session.edit(`hand ${namesOf(layout, own)} back`, (l) =>
                own.reduce((r, key) => (r.ok ? handBack(r.value, arrangement, key) : r), { ok: true, value: l } as ReturnType<typeof handBack>),
              )
            }
          >
            changed here · hand back
          </button>
        )}
      </p>
      <Buttons context={context} keys={keys} />
    </>
  );
}

const ALIGN: readonly (readonly [Alignment, string, ReactNode])[] = [
  ["left", "Align left", <AlignStartVertical key="l" size={14} />],
  ["centre", "Align centres", <AlignCenterVertical key="c" size={14} />],
  ["right", "Align right", <AlignEndVertical key="r" size={14} />],
  ["top", "Align top", <AlignStartHorizontal key="t" size={14} />],
  ["middle", "Align middles", <AlignCenterHorizontal key="m" size={14} />],
  ["bottom", "Align bottom", <AlignEndHorizontal key="b" size={14} />],
];

function Buttons({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const { layout } = context;
  const kinds = keys.map((key) => placeableOf(layout, key)?.kind);
  const names = namesOf(layout, keys, "of them");
  const button = (name: string, key: string, icon: ReactNode, run: (() => void) | false) =>
    run !== false && (
      <button
        key={name}
        className="grid size-6 place-items-center rounded-sm hover:bg-paper"
        aria-label={name}
        title={key ? `${name} (${key})` : name}
        onClick={run}
      >
        {icon}
      </button>
    );
  return (
    <div role="group" aria-label="Align, order, more" className="flex flex-wrap gap-x-0.5">
      {ALIGN.map(([to, word, icon]) =>
        button(keys.length === 1 ? `${word} with the safe frame` : word, "", icon, () =>
          session.edit(`${word.toLowerCase()}`, () => alignTo(context, keys, to)),
        ),
      )}
      {button(
        "Equal gaps across",
        "",
        <AlignHorizontalSpaceAround size={14} />,
        keys.length > 2 && (() => session.edit("equal gaps across", () => distribute(context, keys, "x"))),
      )}
      {button(
        "Equal gaps down",
        "",
        <AlignVerticalSpaceAround size={14} />,
        keys.length > 2 && (() => session.edit("equal gaps down", () => distribute(context, keys, "y"))),
      )}
      {button(
        "Above",
        "]",
        <BringToFront size={14} />,
        kinds.includes("control") && (() => session.edit(`raise ${names}`, (l) => reorderControls(l, keys, "up"))),
      )}
      {button(
        "Below",
        "[",
        <SendToBack size={14} />,
        kinds.includes("control") && (() => session.edit(`lower ${names}`, (l) => reorderControls(l, keys, "down"))),
      )}
      {button(
        "Carry there",
        "C",
        <Target size={14} />,
        keys.length === 1 &&
          placementIn(layout, context.resolved.arrangement, keys[0])?.kind === "pin" &&
          (() => session.edit(`carry ${names}`, () => carryTo(context, keys[0], CARRY_MM * pxPerMm(context.screen)))),
      )}
      {button("Second side", "Shift M", <FlipHorizontal2 size={14} />, !kinds.includes("zone") && (() => mirrorSelected(session, context, keys)))}
      {button("Gather into a cluster", "U", <Group size={14} />, keys.length > 1 && (() => gatherSelected(session, context, keys)))}
      {button("Dissolve the cluster", "Shift U", <Ungroup size={14} />, kinds.includes("cluster") && (() => dissolveSelected(session, context, keys)))}
      {button(
        "Split the screen between the two",
        "Shift X",
        <SquareSplitHorizontal size={14} />,
        keys.length === 2 && keys.every((key) => canSplit(byId(layout.controls).get(key))) && (() => splitSelected(session, context, keys)),
      )}
    </div>
  );
}
