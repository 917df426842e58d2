"use client";
/** The tray: the selected control's whole card side by side; with nothing selected the layout's own settings and the findings. */
import type { ReactNode } from "react";
import type { Sight } from "../../core/placement/edits";
import { useSession } from "../session/context";
import { FeelCard } from "../shared/FeelCard";
import { FindingsCard, GroupCard, LayoutCard, ScaleCard } from "./cards/LayoutCards";
import { LookCard } from "./cards/LookCard";
import { PlaceCard } from "./cards/PlaceCard";
import { ServesCard } from "./cards/ServesCard";
import { TouchCard } from "./cards/TouchCard";

export function Tray({ sight, tall = false }: { sight: Sight; tall?: boolean }) {
  const selection = useSession((s) => s.selection);
  const control = selection.length === 1 ? sight.layout.controls.find((c) => c.id === selection[0]) : undefined;
  const at = control && sight.resolved.controls.find((c) => c.id === control.id);
  const columns = tall ? "grid-cols-2 auto-rows-min" : control ? "grid-cols-[1.1fr_0.95fr_1.05fr_1.05fr_1.05fr]" : "grid-cols-[1fr_1fr_2.4fr]";
  return (
    <section aria-label="Tray" className={`grid h-full min-h-0 ${columns} ${tall ? "" : "divide-x divide-rule"}`}>
      {control ? (
        <>
          <Column title="Place">{at ? <PlaceCard sight={sight} control={control} at={at} /> : <p className="text-muted">Not shown on this screen.</p>}</Column>
          <Column title="Touch">
            <TouchCard sight={sight} control={control} at={at} />
          </Column>
          <Column title="Feel">
            <FeelCard sight={sight} control={control} at={at} />
          </Column>
          <Column title="Look">
            <LookCard control={control} />
          </Column>
          <Column title="Serves">
            <ServesCard control={control} />
          </Column>
        </>
      ) : selection.length > 1 ? (
        <Column title="Selection">
          <GroupCard sight={sight} ids={selection} />
        </Column>
      ) : (
        <>
          <Column title="Layout">
            <LayoutCard />
          </Column>
          <Column title="Scale">
            <ScaleCard sight={sight} />
          </Column>
          <Column title="Findings on this screen">
            <FindingsCard screenName={sight.screen.name} />
          </Column>
        </>
      )}
    </section>
  );
}

function Column({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex min-h-0 min-w-0 flex-col px-3 pt-2 pb-2">
      <h2 className="heading mb-1.5">{title}</h2>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-1 overflow-y-auto">{children}</div>
    </section>
  );
}
