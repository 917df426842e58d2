"use client";
/**
 * The tray: the whole card of what is selected, side by side; with nothing selected the layout's own settings and the findings. Where there
 * is no room for all columns three stand side by side, and the names of all of them above bring the rest.
 */
import { memo, useRef, useState, type ReactNode } from "react";
import { byId } from "../../core/derived/byId";
import type { EditContext } from "../../core/editing/placing";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession } from "../document/SessionContext";
import { FeelCard } from "../fields/feel/FeelCard";
import { useRoom } from "../canvas/useRoom";
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
import { remPx } from "./regions";
import { SelectionBar } from "./SelectionBar";
import { Roving, Stop } from "../../ui/Roving";

/** A column of the tray: its name, what it is in plain words, and how wide it is against the others. */
interface TrayColumn {
  readonly title: string;
  readonly plain: string;
  readonly weight: number;
  readonly card: ReactNode;
}

export const Tray = memo(function Tray({ context, tall = false }: { context: EditContext; tall?: boolean }) {
  const selection = useSession((s) => s.selection);
  const { layout, resolved } = context;
  const cluster = selection.length === 1 && placeableOf(layout, selection[0])?.kind === "cluster" ? selection[0] : null;
  /** The controls whose cards are open: those selected, or what is in the selected cluster. */
  const ids = cluster === null ? selection : inCluster(layout, cluster, resolved.arrangement);
  const columns = selection.length === 0 ? ownColumns(context) : selectionColumns(context, { selection, cluster, ids });
  const room = useRef<HTMLElement>(null);
  const { w } = useRoom(room);
  const [first, setFirst] = useState(0);
  const seen = inSight(columns, { rem: w / remPx(), first, tall });
  return (
    <section ref={room} aria-label="Tray" data-region="4" data-fields-first className="flex h-full min-h-0 flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-rule empty:hidden">
        {selection.length > 0 && <SelectionBar context={context} keys={selection} findingsOf={cluster === null ? selection : [cluster, ...ids]} />}
        {seen.count < columns.length && <ColumnNames columns={columns} seen={seen} onFirst={setFirst} />}
      </div>
      <div
        className={`grid min-h-0 flex-1 ${tall ? "auto-rows-min grid-cols-2 overflow-y-auto" : "grid-rows-[minmax(0,1fr)] divide-x divide-rule"}`}
        style={
          tall
            ? undefined
            : {
                gridTemplateColumns: columns
                  .slice(seen.from, seen.from + seen.count)
                  .map((c) => `minmax(0, ${c.weight}fr)`)
                  .join(" "),
              }
        }
        data-roomy={w / remPx() > ROOMY_REM || undefined}
      >
        {columns.slice(seen.from, seen.from + seen.count).map(({ title, plain, card }) => (
          <section key={title} aria-label={title} className="flex min-h-0 min-w-0 flex-col px-2.5 pt-1 pb-1">
            <h2 className="heading mb-0.5 flex gap-2">
              {title}
              {plain && <span className="font-normal tracking-normal normal-case">{plain}</span>}
            </h2>
            <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] content-start overflow-x-hidden overflow-y-auto">{card}</div>
          </section>
        ))}
      </div>
    </section>
  );
});

/** With nothing selected: the layout itself. */
const ownColumns = (context: EditContext): TrayColumn[] => [
  { title: "Layout", plain: "the whole layout", weight: 1, card: <LayoutCard /> },
  { title: "Scale", plain: "size on other screens", weight: 1, card: <ScaleCard context={context} /> },
  { title: "Arrangements", plain: "positions per screen size", weight: 1.1, card: <ArrangementsCard context={context} /> },
  { title: "Moments", plain: "parts of the game", weight: 0.75, card: <MomentsCard /> },
  { title: "Findings on this screen", plain: "", weight: 1.35, card: <FindingsCard of={null} /> },
];

interface Selected {
  readonly selection: readonly string[];
  readonly cluster: string | null;
  readonly ids: readonly string[];
}

function selectionColumns(context: EditContext, { selection, cluster, ids }: Selected): TrayColumn[] {
  const { layout, resolved } = context;
  const zone = selection.length === 1 && placeableOf(layout, selection[0])?.kind === "zone" ? selection[0] : null;
  const controls = layout.controls.filter((c) => ids.includes(c.id));
  const placed = controls.map((c) => byId(resolved.controls).get(c.id));
  const zones = layout.keepClear.filter((z) => selection.includes(z.id));
  const column = (title: string, plain: string, weight: number, card: ReactNode): TrayColumn => ({ title, plain, weight, card });
  return [
    column("Place", "position", 1, <PlaceCard context={context} keys={selection} />),
    ...(cluster === null ? [] : [column("Cluster", "controls in it", 0.9, <ClusterCard context={context} id={cluster} />)]),
    ...(zone === null ? [] : [column("Keep clear", "purpose", 1, <ZoneCard context={context} id={zone} />)]),
    ...(controls.length === 0
      ? []
      : [
          column("Touch", "hit area", 1, <TouchCard context={context} controls={controls} placed={placed} />),
          column("Feel", "response", 1.2, <FeelCard context={context} controls={controls} placed={placed} />),
          column("Look", "appearance", 1, <LookCard context={context} controls={controls} />),
        ]),
    column(
      controls.length > 0 && cluster === null ? "Serves" : "Shows",
      controls.length > 0 && cluster === null ? "actions" : "moments",
      0.8,
      <>
        {controls.length > 0 && cluster === null && <ServesCard controls={controls} />}
        {controls.length + zones.length > 0 && <MomentsField context={context} items={[...controls, ...zones]} />}
      </>,
    ),
  ];
}

/** The least width of a column of weight 1, rem: below it not all of them stand side by side. */
const COLUMN_REM = 14.9;
const FEW = 3;
/** From so wide on the pictures are larger, rem. */
const ROOMY_REM = 105;

/** Which columns are in sight: the first of them, and how many. */
interface InSight {
  readonly from: number;
  readonly count: number;
}

function inSight(columns: readonly TrayColumn[], { rem, first, tall }: { rem: number; first: number; tall: boolean }): InSight {
  const weights = columns.reduce((sum, c) => sum + c.weight, 0);
  if (rem === 0 || tall || rem >= COLUMN_REM * weights) return { from: 0, count: columns.length };
  const count = Math.min(columns.length, rem < COLUMN_REM * FEW * 0.95 ? 2 : FEW);
  return { from: Math.min(first, columns.length - count), count };
}

/** The names of all columns: one brings its column into sight, moving no further than it must. */
function ColumnNames({ columns, seen: { from, count }, onFirst }: { columns: readonly TrayColumn[]; seen: InSight; onFirst: (first: number) => void }) {
  const show = (index: number) => onFirst(index < from ? index : index >= from + count ? index - count + 1 : from);
  return (
    <Roving along="across">
      <div role="group" aria-label="Columns of the tray" className="ml-auto flex px-1.5">
        {columns.map(({ title }, i) => (
          <Stop key={title} isChosen={i >= from && i < from + count}>
            <button
              className="heading min-h-7 px-1.5 aria-pressed:text-accent"
              aria-pressed={i >= from && i < from + count}
              onClick={() => show(i)}
              {...readingProps(says("region.column"), title)}
            >
              {title}
            </button>
          </Stop>
        ))}
      </div>
    </Roving>
  );
}
