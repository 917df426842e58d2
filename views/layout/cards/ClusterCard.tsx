"use client";
/** A cluster: how what is in it is set, one size for all, going in, dissolving. And a keep-clear zone: whether it takes taps, when it holds. */
import { changeTaps } from "../../../core/editing/edits/zones";
import { byId } from "../../../core/derived/byId";
import { CLUSTER_FORMS } from "../../../core/editing/clusterForms";
import { commonSize, oneSize, setForm } from "../../../core/editing/clusters";
import { convertLength, measureOf, pxOf, type EditContext, seenAs } from "../../../core/editing/placing";
import { inCluster } from "../../../core/editing/placeables";
import { SwitchField } from "../../../ui/Choice";
import { LengthField } from "../../../ui/Field";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { setBench, useBench } from "../bench";
import { dissolveSelected } from "../selectionEdits";
import { nameOf } from "../../document/names";

export function ClusterCard({ context, id }: { context: EditContext; id: string }) {
  const session = useSessionActions();
  const entered = useBench((b) => b.entered === id);
  const children = inCluster(context.layout, id, context.resolved.arrangement);
  const m = children.length > 0 ? measureOf(context, children[0]) : null;
  const size = commonSize(context, id);
  return (
    <>
      <p className="text-muted">
        <span className="figure">{children.length}</span> in it:{" "}
        <span>{children.map((child) => nameOf(context.layout, child)).join(", ") || "nothing yet"}</span>
      </p>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Arrangement of the cluster">
        {CLUSTER_FORMS.map((form) => (
          <button
            key={form}
            className="push h-6 px-1.5"
            {...readingProps(says("cluster.form", { count: children.length, form: `${/^[aeiou]/.test(form) ? "an" : "a"} ${form}` }))}
            onClick={() =>
              session.edit(
                `${form} of ${nameOf(context.layout, id)}`,
                seenAs(context, (now) => setForm(now, id, form)),
              )
            }
          >
            {form}
          </button>
        ))}
      </div>
      <p className="caption">Free: go in, and move each by hand.</p>
      {m && (
        <LengthField
          label="Common size"
          reads={says("cluster.size")}
          value={size}
          onChange={(v) => {
            const px = pxOf(v, m.size);
            session.edit(
              `one size in ${nameOf(context.layout, id)}`,
              seenAs(context, (now) => oneSize(now, id, px)),
              true,
            );
          }}
          convert={(text, unit) => convertLength(text, unit, m.size)}
          onRefuse={(text) => session.tell({ text, tone: "problem" })}
        />
      )}
      <div className="flex flex-wrap gap-1">
        <button
          className="push h-6 px-1.5"
          aria-pressed={entered}
          {...readingProps(says("cluster.enter"))}
          onClick={() => {
            setBench(session, { entered: entered ? null : id });
            session.select(entered || children.length === 0 ? [id] : children.slice(0, 1));
          }}
        >
          {entered ? "Leave" : "Go in"}
        </button>
        <button className="push h-6 px-1.5" {...readingProps(says("cluster.dissolve"))} onClick={() => dissolveSelected(session, context, [id])}>
          Dissolve
        </button>
      </div>
    </>
  );
}

export function ZoneCard({ context, id }: { context: EditContext; id: string }) {
  const session = useSessionActions();
  const zone = byId(context.layout.keepClear).get(id);
  if (!zone) return null;
  return (
    <>
      <p className="text-muted">Controls must leave this free: it belongs to the game’s own picture.</p>
      <SwitchField
        after
        label="The game takes taps here"
        reads={says("zone.taps")}
        value={zone.taps}
        onChange={(taps) => session.edit(`taps in ${zone.name}`, (l) => changeTaps(l, id, taps))}
      />
    </>
  );
}
