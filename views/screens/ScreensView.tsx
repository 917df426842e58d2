"use client";
/** One set of screens, several looks at it: the shelf, the grid, the spans, the map, the misses, what changed; filtered, ordered and grouped at the left, told at the right. */
import { counted } from "../../core/derived/counted";
import dynamic from "next/dynamic";
import { useMemo, useState } from "react";
import { groupScreens, fitsFilter, playersWith, screenCell, screensInOrder } from "../../core/checks/screenFilter";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useKeys } from "../interaction/useKeys";
import { useSessionActions } from "../document/SessionContext";
import { railOf } from "../document/railScreens";
import { useSettle } from "../document/settle/settleState";
import { openSettle } from "../document/settle/openSettle";
import { choiceWord } from "../document/versions";
import { FilterPanel } from "./FilterPanel";
import { GridLook } from "./GridLook";
import { CellPanel } from "./CellPanel";
import { ShelfLook } from "./ShelfLook";
import { SCREEN_LOOKS, setScreens, useScreens, type Group, type ScreenLook } from "./screensState";
import { ChangesContext, useChangesOf } from "./useChanges";
import { FacesContext, useFacesOf, type Faces } from "./useFaces";

const SettleDrawer = dynamic(() => import("./SettleDrawer").then((m) => m.SettleDrawer));
const OwnScreensDialogue = dynamic(() => import("./OwnScreensDialogue").then((m) => m.OwnScreensDialogue));
const ReportDialogue = dynamic(() => import("./ReportDialogue").then((m) => m.ReportDialogue));
const SpansLook = dynamic(() => import("./SpansLook").then((m) => m.SpansLook));
const MapLook = dynamic(() => import("./MapLook").then((m) => m.MapLook));
const MissesLook = dynamic(() => import("./MissesLook").then((m) => m.MissesLook));
const ChangedLook = dynamic(() => import("./ChangedLook").then((m) => m.ChangedLook));

function useGroups({ layout, screens, judged }: Faces): readonly Group[] {
  const filter = useScreens((s) => s.filter);
  const order = useScreens((s) => s.order);
  const grouping = useScreens((s) => s.grouping);
  return useMemo(() => {
    // One's own order is the rail's, which is put in order by hand; what does not are in it follows.
    const rail = railOf(layout).map((s) => s.name);
    const rank = (place: number) => (rail.includes(screens[place].name) ? rail.indexOf(screens[place].name) : rail.length + place);
    const ordered = order === "rail" ? screens.map((_, i) => i).sort((a, b) => rank(a) - rank(b)) : screensInOrder(screens, judged, order);
    const places = ordered.filter((place) => fitsFilter(screens[place], judged[place], filter));
    return groupScreens(layout, screens, { places, by: grouping });
  }, [layout, screens, judged, filter, order, grouping]);
}

const LOOK_NAME: Readonly<Record<ScreenLook, string>> = { shelf: "Shelf", grid: "Grid", spans: "Spans", map: "Map", misses: "Misses", changed: "Changed" };

// oxlint-disable-next-line max-lines-per-function -- the head of the view and the look that is chosen in it
export function ScreensView() {
  const all = useFacesOf();
  const { screens, faces, judged, done, layout } = all;
  const changes = useChangesOf(all);
  const groups = useGroups(all);
  const { look, against } = useScreens((s) => s);
  const grouping = useScreens((s) => s.grouping);
  const shown = groups.reduce((n, g) => n + g.places.length, 0);
  const withBlockers = judged.flatMap((one) => (one && (screenCell(one)?.tally.blocker ?? 0) > 0 ? [one.name] : []));
  const broken = withBlockers.length;
  const brokenPlayers = playersWith(withBlockers, layout.workbench.playersPart);
  const session = useSessionActions();
  const settles = useSettle((s) => s.isOpen);
  const settleShown = () =>
    openSettle(
      session,
      groups.flatMap((g) => g.places.map((place) => screens[place].name)),
    );
  useKeys("everywhere", { settle: settleShown });
  const [showsOwn, setShowsOwn] = useState(false);
  const [showsReport, setShowsReport] = useState(false);
  return (
    <FacesContext.Provider value={all}>
      <ChangesContext.Provider value={changes}>
        <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
          <header className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-1.5">
            <div role="group" aria-label="Views of the screens" className="flex">
              {SCREEN_LOOKS.map((one) => (
                <button
                  key={one}
                  type="button"
                  className="push h-7 px-3 aria-pressed:border-accent aria-pressed:text-accent"
                  aria-pressed={look === one}
                  onClick={() => setScreens(session, { look: one })}
                  {...readingProps(says(`screens.${one}`), one)}
                >
                  {LOOK_NAME[one]}
                </button>
              ))}
            </div>
            <span className={broken > 0 ? "text-blocker" : "text-muted"}>{broken > 0 ? `■ blockers on ${broken}` : "no blockers"}</span>
            {brokenPlayers !== null && (
              <span className="text-blocker" data-testid="blockers-players">
                on {Math.round(brokenPlayers * 100)} % of your players
              </span>
            )}
            {against && look !== "changed" && (
              <button
                type="button"
                className="push h-7"
                onClick={() => setScreens(session, { against: null })}
                {...readingProps(says("changed.end"), choiceWord(against))}
              >
                Compared with {choiceWord(against)} ✕
              </button>
            )}
            <span className="caption ml-auto" data-testid="screens-judged">
              {shown} of {counted(screens.length, "screen")} · {counted(faces.length, "player")} · {counted(Math.max(1, layout.moments.length), "moment")}
              {done < screens.length && ` · checked ${done}`}
            </span>
            <button
              type="button"
              className="push h-7"
              onClick={settleShown}
              {...readingProps(says("settle.open"), shown === 1 ? "this screen" : `these ${shown} screens`)}
            >
              <span className="max-[68rem]:hidden">Settle these {shown}…</span>
              <span className="min-[68rem]:hidden">Settle…</span>
            </button>
            <button type="button" className="push h-7" onClick={() => setShowsReport(true)} {...readingProps(says("screens.report"))}>
              Report…
            </button>
            {showsReport && <ReportDialogue all={all} shown={groups.flatMap((g) => g.places)} onClose={() => setShowsReport(false)} />}
            <button type="button" className="push h-7" onClick={() => setShowsOwn(true)} {...readingProps(says("screens.own"))}>
              Your screens…
            </button>
            {showsOwn && <OwnScreensDialogue onClose={() => setShowsOwn(false)} />}
          </header>
          <div className="relative min-h-0">
            <Look look={look} groups={groups} isGrouped={grouping !== "none"} shown={shown} />
            {settles && <SettleDrawer />}
          </div>
        </div>
      </ChangesContext.Provider>
    </FacesContext.Provider>
  );
}

interface LookProps {
  readonly look: ScreenLook;
  readonly groups: readonly Group[];
  readonly isGrouped: boolean;
  readonly shown: number;
}

/** The look that is chosen; all but the drawn ones are between the filter and what is reported at the right. */
function Look({ look, groups, isGrouped, shown }: LookProps) {
  if (look === "spans") return <SpansLook />;
  if (look === "map") return <MapLook />;
  return (
    <div className="grid h-full min-h-0 grid-cols-[11.5rem_minmax(0,1fr)_22.5rem] max-[68rem]:grid-cols-[9.5rem_minmax(0,1fr)_18rem]">
      <FilterPanel shown={shown} />
      {look === "shelf" && <ShelfLook groups={groups} isGrouped={isGrouped} />}
      {look === "misses" && <MissesLook groups={groups} />}
      {look === "changed" && <ChangedLook groups={groups} />}
      {look === "grid" && (
        <>
          <section aria-label="Grid" className="flex min-h-0 min-w-0 flex-col">
            <GridLook groups={groups} isGrouped={isGrouped} />
          </section>
          <aside aria-label="Cell" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
            <CellPanel />
          </aside>
        </>
      )}
    </div>
  );
}
