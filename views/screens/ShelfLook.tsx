"use client";
/** The shelf: every screen at its true relative size, with its findings and its four faces at the corners. A click on a finding opens the bench with that screen and control. */
import { useState } from "react";
import { ownEntry } from "../../core/engine/playerChanges";
import { byName } from "../../core/derived/byId";
import { tallyOf } from "../../core/checks/finding";
import { cellOf, facedFindings, NOTHING_FOUND, type PlayerCase } from "../../core/checks/grid";
import type { Screen } from "../../core/format/types";
import { pxPerMm } from "../../core/engine/placement/screen";
import { SEVERITY_CLASS, SEVERITY_MARK, Tally } from "../../ui/Tally";
import { useSession, useSessionActions } from "../document/SessionContext";
import { benchScreenOf } from "../document/railScreens";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { screenFigures } from "../fields/screenFigures";
import { FindingList } from "../fields/FindingList";
import { LiveLayout } from "../canvas/LiveLayout";
import { momentName } from "../document/names";
import { faceWords, groupWord, playersWords, tallyWords } from "../../core/checks/faceWords";
import { PlayersPart } from "./PlayersPart";
import { putOnBench } from "./putOnBench";
import { SettledTally } from "../canvas/SettledTally";
import { useShownWay } from "../document/settle/useShownWay";
import { setScreens, useScreens, type Group } from "./screensState";
import { useFaces } from "./useFaces";
import { useSpread } from "./useSpread";

const sizeMm = (screen: Screen) => ({ w: screen.widthPx / pxPerMm(screen), h: screen.heightPx / pxPerMm(screen) });

/** No screen is drawn larger than this along a side, CSS px: one of four metres would hide all others. */
const MOST_CSS = 1600;

// oxlint-disable-next-line max-lines-per-function -- one list of screens, each with its picture and its words
export function ShelfLook({ groups, isGrouped }: { groups: readonly Group[]; isGrouped: boolean }) {
  const session = useSessionActions();
  const { layout, screens } = useFaces();
  const findings = useSession((s) => s.findings);
  const shelfScreen = useSession((s) => s.shelfScreen);
  const picked = shelfScreen ?? benchScreenOf(layout).name;
  const [cssPerMm, setCssPerMm] = useState(1.15);
  const moments = useScreens((s) => s.moments);
  const spread = useSpread();
  const screen = byName(screens).get(picked) ?? screens[0];
  const list = ownEntry(findings, screen.name)?.list ?? undefined;
  return (
    <>
      <section aria-label="Shelf" className="flex min-h-0 min-w-0 flex-col">
        <header className="flex flex-wrap items-center gap-3 px-5 pt-3 pb-1">
          <h2 className="font-semibold">True relative size</h2>
          <label className="ml-auto flex items-center gap-2">
            <span className="caption">Size</span>
            <input
              type="range"
              min={0.6}
              max={3}
              step={0.05}
              value={cssPerMm}
              onChange={(e) => setCssPerMm(Number(e.target.value))}
              {...readingProps(says("shelf.size"), `${cssPerMm.toFixed(2)} px`)}
              className="w-28 accent-[var(--accent)]"
            />
          </label>
          {layout.moments.length > 1 && (
            <button
              type="button"
              className="push aria-pressed:border-accent aria-pressed:text-accent"
              aria-pressed={moments}
              onClick={() => setScreens(session, { moments: !moments })}
              {...readingProps(says("screens.moments"), moments ? "yes" : "no")}
            >
              Moments side by side
            </button>
          )}
        </header>
        <div className="min-h-0 flex-1 overflow-auto px-5 py-3">
          {groups.map(({ name, places }) => (
            <section key={name ?? ""} aria-label={isGrouped ? groupWord(name) : "Screens"}>
              {isGrouped && (
                <h3 className="caption mt-2 mb-1">
                  {groupWord(name)} · {places.length}
                </h3>
              )}
              <ul className="flex flex-wrap content-start items-end gap-x-6 gap-y-4">
                {places.map((place) => (
                  <ShelfScreen key={screens[place].name} place={place} isPicked={screens[place].name === screen.name} cssPerMm={cssPerMm} />
                ))}
              </ul>
            </section>
          ))}
          {groups.length === 0 && <p className="caption">No screen passes the filter.</p>}
        </div>
      </section>
      <aside aria-label="Findings" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
        <header className="grid gap-1 border-b border-rule px-4 py-3">
          <h2 className="font-semibold">{screen.name}</h2>
          <span className="figure text-[0.6875rem] text-muted">
            {screen.widthPx} × {screen.heightPx} px · {screen.ppi} ppi
          </span>
          <span className="flex items-center justify-between">
            <Tally tally={list && tallyOf(list)} />
            <button
              className="push"
              onClick={() => putOnBench(session, { screen: screen.name, face: null, finding: null })}
              {...readingProps(says("screens.bench"), screen.name)}
            >
              Open on the bench
            </button>
          </span>
        </header>
        <div className="border-b border-rule px-4 py-1.5">
          <PlayersPart screen={screen.name} />
        </div>
        <div className="min-h-0 flex-1 overflow-auto p-3">
          <FindingList
            findings={list}
            also={spread}
            onPick={(ids, finding) => putOnBench(session, { screen: screen.name, face: null, finding: { ...finding, subjects: ids } })}
          />
        </div>
      </aside>
    </>
  );
}

function ShelfScreen({ place, isPicked, cssPerMm }: { place: number; isPicked: boolean; cssPerMm: number }) {
  const session = useSessionActions();
  const { layout, screens, faces, judged } = useFaces();
  const found = judged[place];
  const tally = found ? (cellOf(facedFindings(found.faces))?.tally ?? NOTHING_FOUND) : undefined;
  const showsMoments = useScreens((s) => s.moments);
  const item = screens[place];
  const { w, h } = sizeMm(item);
  const width = Math.min(w * cssPerMm, MOST_CSS, (MOST_CSS * w) / h);
  const moments = showsMoments && layout.moments.length > 1 ? layout.moments.map((m) => m.id) : [undefined];
  const between = useShownWay();
  return (
    <li className="relative" style={{ width: Math.max(112, width * moments.length + 10 + 8 * (moments.length - 1)) }} data-shelf={item.name}>
      <button
        className={`grid w-full justify-items-start gap-1 rounded-sm p-1 text-left ${isPicked ? "outline-2 outline-accent" : "hover:bg-sheet"}`}
        aria-pressed={isPicked}
        onClick={() => session.readOnShelf(item.name)}
        onDoubleClick={() => putOnBench(session, { screen: item.name, face: null, finding: null })}
        {...readingProps(says("shelf.screen", { ...screenFigures(item), players: playersWords(faces) }), item.name)}
      >
        <span className="flex gap-2">
          {moments.map((moment) => (
            <span key={moment ?? ""} className="grid justify-items-start">
              <LiveLayout
                screen={item}
                scale={width / item.widthPx}
                label={`The layout on ${item.name}${moment === undefined ? "" : `, ${momentName(layout, moment)}`}`}
                moment={moment}
                between={between}
              />
              {moment !== undefined && <span className="caption text-[0.65625rem]">{momentName(layout, moment)}</span>}
            </span>
          ))}
        </span>
        <span className="text-[0.75rem] leading-tight">{item.name}</span>
        <span className="figure text-[0.65625rem] text-muted">
          {w.toFixed(0)} × {h.toFixed(0)} mm{width < w * cssPerMm ? ", drawn smaller" : ""}
        </span>
        <Tally tally={tally} short />
        <SettledTally screen={item.name} />
      </button>
      <Corners place={place} faces={faces} width={width * moments.length + 8 * (moments.length - 1)} height={(width * item.heightPx) / item.widthPx} />
    </li>
  );
}

/** The faces of a screen at the corners of its frame: left and right hand at its sides, the smallest player above, the largest below. */
function Corners({ place, faces, width, height }: { place: number; faces: readonly PlayerCase[]; width: number; height: number }) {
  const session = useSessionActions();
  const { screens, judged } = useFaces();
  const found = judged[place];
  if (!found) return null;
  const smallest = Math.min(...faces.map((f) => f.playerSize));
  return (
    <>
      {faces.map((face, i) => {
        const cell = cellOf((found.faces[i] ?? []).map((finding) => ({ finding, face: i })));
        const severity = cell?.worst?.finding.severity;
        if (!severity) return null;
        return (
          <button
            key={faceWords(face)}
            type="button"
            className={`absolute grid size-6 place-items-center text-[0.625rem] ${SEVERITY_CLASS[severity]}`}
            style={{ left: face.handed === "left" ? -6 : width - 10, top: face.playerSize === smallest ? -6 : height - 20 }}
            aria-label={`${screens[place].name}, ${faceWords(face)}: ${tallyWords(cell)}`}
            onClick={() => {
              session.showPlayer(face);
              session.readOnShelf(screens[place].name);
            }}
            data-corner={`${face.handed} ${face.playerSize}`}
            {...readingProps(says("screens.corner"), `${faceWords(face)}: ${tallyWords(cell)}`)}
          >
            <span aria-hidden className="grid size-4 place-items-center rounded-full border border-edge bg-sheet">
              {SEVERITY_MARK[severity]}
            </span>
          </button>
        );
      })}
    </>
  );
}
