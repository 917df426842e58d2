"use client";
/** The tray: the whole card of what is selected, side by side; with nothing selected the layout's own settings and the findings. */
import { memo, type ReactNode } from "react";
import { byId } from "../../core/derived/byId";
import type { EditContext } from "../../core/editing/placing";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { useSession } from "../session/context";
import { FeelCard } from "../shared/FeelCard";
import { ArrangementsCard } from "./cards/ArrangementsCard";
import { ClusterCard, ZoneCard } from "./cards/ClusterCard";
import { FindingsCard } from "./cards/FindingsCard";
import { LayoutCard, ScaleCard } from "./cards/LayoutCards";
import { LookCard } from "./cards/LookCard";
import { MomentsCard } from "./cards/MomentsCard";
import { MomentsField } from "./cards/MomentsField";
import { PlaceCard } from "./cards/PlaceCard";
import { ServesCard } from "./cards/ServesCard";
import { TouchCard } from "./cards/TouchCard";
import { nameOf } from "../shared/names";

export const Tray = memo(function Tray({ context, tall = false }: { context: EditContext; tall?: boolean }) {
  const selection = useSession((s) => s.selection);
  const { layout, resolved } = context;
  const cluster = selection.length === 1 && placeableOf(layout, selection[0])?.kind === "cluster" ? selection[0] : null;
  const zone = selection.length === 1 && placeableOf(layout, selection[0])?.kind === "zone" ? selection[0] : null;
  /** The controls whose cards are open: those selected, or what stands in the selected cluster. */
  const ids = cluster === null ? selection : inCluster(layout, cluster, resolved.arrangement);
  const controls = layout.controls.filter((c) => ids.includes(c.id));
  const placed = controls.map((c) => byId(resolved.controls).get(c.id));
  const zones = layout.keepClear.filter((z) => selection.includes(z.id));
  const columns = tall ? "grid-cols-2 auto-rows-min" : selection.length === 0 ? OWN_COLUMNS : COLUMNS;
  return (
    <section aria-label="Tray" className={`grid h-full min-h-0 ${columns} ${tall ? "" : "divide-x divide-rule overflow-x-auto"}`}>
      {selection.length === 0 ? (
        <>
          <Column title="Layout">
            <LayoutCard />
          </Column>
          <Column title="Scale">
            <ScaleCard context={context} />
          </Column>
          <Column title="Arrangements">
            <ArrangementsCard context={context} />
          </Column>
          <Column title="Moments">
            <MomentsCard />
          </Column>
          <Column title="Findings on this screen" wide={tall}>
            <FindingsCard context={context} of={null} />
          </Column>
        </>
      ) : (
        <>
          <Column
            title="Place"
            note={selection.length > 1 ? `${selection.length} selected: ${selection.map((key) => nameOf(layout, key)).join(", ")}` : undefined}
          >
            <PlaceCard context={context} keys={selection} />
          </Column>
          {cluster !== null && (
            <Column title="Cluster">
              <ClusterCard context={context} id={cluster} />
            </Column>
          )}
          {zone !== null && (
            <Column title="Keep clear">
              <ZoneCard context={context} id={zone} />
            </Column>
          )}
          {controls.length > 0 && (
            <>
              <Column title="Touch">
                <TouchCard context={context} controls={controls} placed={placed} />
              </Column>
              {cluster === null && (
                <Column title="Feel">
                  <FeelCard context={context} controls={controls} placed={placed} />
                </Column>
              )}
              <Column title="Look">
                <LookCard controls={controls} />
              </Column>
            </>
          )}
          <Column title={controls.length > 0 ? "Serves" : "Shows"}>
            {controls.length > 0 && cluster === null && <ServesCard controls={controls} />}
            {controls.length + zones.length > 0 && <MomentsField context={context} items={[...controls, ...zones]} />}
            <FindingsCard context={context} of={cluster === null ? selection : ids} />
          </Column>
        </>
      )}
    </section>
  );
});

/** Columns are never narrower than their fields can be read; in a narrow window the tray is pushed sideways instead. */
const COLUMNS = "grid-cols-[minmax(15.75rem,1.08fr)_minmax(15.5rem,1.05fr)_minmax(15.25rem,1.05fr)_minmax(14.625rem,0.97fr)_minmax(11rem,0.85fr)]";
const OWN_COLUMNS = "grid-cols-[minmax(12rem,0.9fr)_minmax(12.375rem,0.85fr)_minmax(18.125rem,1.35fr)_minmax(8.125rem,0.6fr)_minmax(19.375rem,2fr)]";

function Column({ title, note, wide = false, children }: { title: string; note?: string; wide?: boolean; children: ReactNode }) {
  return (
    <section aria-label={title} className={`flex min-h-0 min-w-0 flex-col px-2.5 pt-1.5 pb-1 ${wide ? "col-span-2" : ""}`}>
      <h2 className="heading mb-1 flex gap-2">
        {title}
        {note && <span className="truncate font-normal tracking-normal text-muted normal-case">{note}</span>}
      </h2>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-1 overflow-y-auto">{children}</div>
    </section>
  );
}
