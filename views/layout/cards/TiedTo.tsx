"use client";
/** What things are tied to: the point, by word and by a small picture of its frame, and the frame. */
import { ok, type Result } from "../../../core/engine/result";
import type { Layout } from "../../../core/format/types";
import { moveInto } from "../../../core/editing/clusters";
import { anchorTo, seenPin, spanIn } from "../../../core/editing/anchors";
import { editContextOf, type EditContext, seenAs } from "../../../core/editing/placing";
import { clusterOf, placementIn, placeableOf } from "../../../core/editing/placeables";
import { ChoiceField } from "../../../ui/Choice";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { nameOf, namesOf } from "../../document/names";
import { AnchorPicture } from "./AnchorPicture";
import { pointChoices, pointOf } from "./points";

/** Point and frame of pins. Of several only the point can be chosen. */
export function TiedTo({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const names = namesOf(context.layout, keys, "of them");
  const pins = keys.flatMap((key) => {
    const pin = seenPin(context, key);
    return pin ? [{ key, pin }] : [];
  });
  const ax = common(pins, (p) => p.pin.anchor[0]);
  const ay = common(pins, (p) => p.pin.anchor[1]);
  const at = ax === null || ay === null ? null : ([ax, ay] as const);
  const tieTo = (point: readonly [number, number]) => {
    session.edit(`tie ${names}`, (layout) =>
      pins.reduce<Result<Layout>>(
        (made, { key, pin }) => (made.ok ? seenAs(context, (now) => anchorTo(now, key, pin.frame, point))(made.value) : made),
        ok(layout),
      ),
    );
  };
  const frame = keys.length === 1 && <FrameChoice context={context} id={keys[0]} bare />;
  return (
    <div className="grid grid-cols-[3.25rem_auto_minmax(0,1fr)] items-center gap-x-1.5" data-row>
      <span className="field-name h-[1.625rem] leading-[1.625rem]">Anchor</span>
      <span className="row-span-2">
        <AnchorPicture label="Anchor" at={at} aspect={context.screen.widthPx / context.screen.heightPx} reads="place.anchor" onPick={tieTo} />
      </span>
      <ChoiceField
        bare
        label="Anchor"
        value={at?.join(",") ?? null}
        options={pointChoices(at)}
        reads={says("place.anchor")}
        onChange={(text) => tieTo(pointOf(text))}
      />
      <span className="field-name h-[1.625rem] leading-[1.625rem]">{frame ? "of the" : ""}</span>
      {frame || <span />}
    </div>
  );
}

const FRAME_WORD = { safe: "safe frame", screen: "screen", picture: "picture" } as const;

/** The frame that a placeable is tied in, or that a span runs in; a control may also go into a cluster. */
export function FrameChoice({ context, id, bare = false }: { context: EditContext; id: string; bare?: boolean }) {
  const session = useSessionActions();
  const placement = placementIn(context.layout, context.resolved.arrangement, id);
  if (!placement) return null;
  const name = nameOf(context.layout, id);
  const frames = (["safe", "screen", "picture"] as const).filter(
    (f) => f !== "picture" || context.layout.picture !== undefined || placement.frame === "picture",
  );
  if (placement.kind === "span")
    return (
      <ChoiceField
        label="Frame"
        value={placement.frame}
        options={frames.map((f) => [f, FRAME_WORD[f]])}
        reads={says("place.frame")}
        onChange={(frame) =>
          session.edit(
            `tie ${name}`,
            seenAs(context, (now) => spanIn(now, id, frame)),
          )
        }
      />
    );
  // A control may also are in a cluster; going in or out it does not jump.
  const isControl = placeableOf(context.layout, id)?.kind === "control";
  const home = clusterOf(placement);
  const clusters = isControl ? context.layout.clusters.map((c) => [`in ${c.id}`, `cluster ${c.name}`] as const) : [];
  const choose = (choice: string) => {
    if (choice.startsWith("in "))
      return session.edit(
        `put ${name} into ${nameOf(context.layout, choice.slice(3))}`,
        seenAs(context, (now) => moveInto(now, id, choice.slice(3))),
      );
    const frame = choice as "safe" | "screen" | "picture";
    if (home === null)
      return session.edit(
        `tie ${name}`,
        seenAs(context, (now) => anchorTo(now, id, frame, seenPin(context, id)!.anchor)),
      );
    return session.edit(
      `take ${name} out of ${nameOf(context.layout, home)}`,
      seenAs(context, (now) => {
        const out = moveInto(now, id, null);
        return out.ok && frame !== "safe" ? anchorTo(editContextOf(out.value, now.screen, now.playerView), id, frame, [0.5, 0.5]) : out;
      }),
    );
  };
  return (
    <ChoiceField
      bare={bare}
      label="Frame"
      value={home === null ? (placement.frame as string) : `in ${home}`}
      options={[...frames.map((f) => [f, FRAME_WORD[f]] as const), ...clusters]}
      reads={says("place.frame")}
      onChange={choose}
    />
  );
}
