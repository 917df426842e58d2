"use client";
/** Where things stand: name, kind, what they are tied to, their distances from there, their size. */
import { byId } from "../../../core/derived/byId";
import { renamePlaceable } from "../../../core/editing/edits/controls";
import { kindsFor } from "../../../core/editing/make";
import { placementIn, placeableOf } from "../../../core/editing/placeables";
import { asKind } from "../../../core/editing/anchors";
import { type EditContext, seenAs } from "../../../core/editing/placing";
import { ChoiceField } from "../../../ui/Choice";
import { TypedField } from "../../../ui/Typed";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { KIND_WORD } from "../controlKinds";
import { PinFields } from "./PinFields";
import { SpanFields } from "./SpanFields";
import { FrameChoice } from "./TiedTo";
import { nameOf } from "../../document/names";
import { requestKindChange } from "../kindChange";

export function PlaceCard({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const { layout, resolved } = context;
  const one = keys.length === 1 ? keys[0] : null;
  const placeable = one === null ? null : placeableOf(layout, one);
  const control = one === null ? undefined : byId(layout.controls).get(one);
  const named = control ?? (one === null ? undefined : (byId(layout.clusters).get(one) ?? byId(layout.keepClear).get(one)));
  const kind = common(keys, (key) => placementIn(layout, resolved.arrangement, key)?.kind);
  return (
    <>
      {one !== null && named && (
        <TypedField
          label="Name"
          value={named.name}
          reads={says("place.name")}
          onCommit={(name) => session.edit(`rename ${named.name}`, (l) => renamePlaceable(l, one, name.trim()))}
        />
      )}
      {control && (
        <ChoiceField
          label="Kind"
          value={control.kind}
          options={kindsFor(null).map((k) => [k, KIND_WORD[k].toLowerCase()])}
          reads={says("place.kind")}
          onChange={(next) => requestKindChange(session, control.id, next)}
        />
      )}
      {one !== null && kind && placeable?.kind !== "cluster" && (
        <ChoiceField
          label="Fit"
          value={kind}
          options={[
            ["pin", "pinned"],
            ["span", "spans"],
          ]}
          reads={says("place.placed")}
          onChange={(next) =>
            session.edit(
              `${next} ${nameOf(layout, one)}`,
              seenAs(context, (now) => asKind(now, one, next)),
            )
          }
        />
      )}
      {kind === "span" && one !== null && <FrameChoice context={context} id={one} />}
      {kind === "pin" && <PinFields context={context} keys={keys} />}
      {kind === "span" && one !== null && <SpanFields context={context} id={one} />}
      {kind === "span" && one === null && <p className="text-muted">Spans: select one to change its edges.</p>}
      {kind === null && <p className="text-muted">Pins and spans together: they can be moved, aligned and spaced.</p>}
    </>
  );
}
