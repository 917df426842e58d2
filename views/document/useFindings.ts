"use client";
/** Keeps the findings of the screens in view up to date, and the moves that fix those on the bench, through the worker. */
import { useEffect, useRef } from "react";
import { byName } from "../../core/derived/byId";
import { facesOf, type PlayerCase } from "../../core/checks/grid";
import { ownEntry } from "../../core/engine/playerChanges";
import type { Layout } from "../../core/format/types";
import type { ScreenFindings } from "../../workers/checksService";
import { createChecker, type Checker } from "../../workers/checks";
import { connectChecks } from "../../workers/connect";
import { stillsOf } from "../canvas/backdropPicture";
import { useImageArrivals } from "../canvas/images";
import { useSessionActions } from "./SessionContext";
import type { Session, SessionState } from "./session";
import { benchScreenOf, railOf, shelfOf } from "./railScreens";

/** The layout must rest this long before every player is counted for and moves are proved: each means checking the screens over and over. */
const REST_MS = 250;

/** Asks for findings whenever the layout changes: on the bench, the rail, and the screen whose findings are read on the shelf. Nothing is drawn for it. */
export function useFindings(): void {
  const session = useSessionActions();
  const arrivals = useImageArrivals();
  const checker = useRef<Checker | null>(null);
  useEffect(() => {
    const stoppedOver = ({ name }: Layout) =>
      session.tell({
        text: `Checking “${name}” took too long and was stopped. The findings shown are from before the last edit; they are checked again after the next edit.`,
        tone: "problem",
      });
    const made = createChecker(connectChecks, { stoppedOver });
    checker.current = made;
    return () => {
      made.dispose();
      checker.current = null;
    };
  }, [session]);
  useEffect(() => {
    let rest: number | undefined;
    const atRest = () => {
      // While something is dragged, only the player that is edited for is followed.
      if (!checker.current || session.store.getState().gesture) return;
      askForEveryone(session, checker.current);
      void askForFixes(session, checker.current);
    };
    const ask = () => {
      if (checker.current) askForOne(session, checker.current);
      window.clearTimeout(rest);
      rest = window.setTimeout(atRest, REST_MS);
    };
    ask();
    const stop = session.store.subscribe((now, before) => {
      const isDropped = before.gesture !== null && now.gesture === null;
      if (now.layout !== before.layout || !isSamePlayer(now, before) || now.shelfScreen !== before.shelfScreen || isDropped) ask();
    });
    return () => {
      window.clearTimeout(rest);
      stop();
    };
  }, [session, arrivals]);
}

const isSamePlayer = ({ playerView: a }: SessionState, { playerView: b }: SessionState) => a.handed === b.handed && a.playerSize === b.playerSize;
const faceOf = ({ playerView: { handed, playerSize } }: SessionState): PlayerCase => ({ handed, playerSize });

/** Asks for the findings of some players; an answer about a layout that is no longer open, or another player's, is dropped. */
function askAbout(
  session: Session,
  checker: Checker,
  players: readonly PlayerCase[],
  done: (findings: Record<string, ScreenFindings>, now: SessionState) => void,
): void {
  const asked = session.store.getState();
  const { layout, shelfScreen } = asked;
  const bench = benchScreenOf(layout);
  const shelf = byName(shelfOf(layout)).get(shelfScreen ?? "") ?? bench;
  const screens = [...new Set([bench, shelf, ...railOf(layout)])];
  const stills = stillsOf(layout.workbench, screens);
  checker.request({ layout, screens, reader: faceOf(asked), players, stills, read: [bench.name, shelf.name] }, (findings) => {
    const now = session.store.getState();
    if (now.id === asked.id && isSamePlayer(now, asked)) done(findings, now);
  });
}

/** Asks for the player that is edited for, at once. Counts for everyone stay until they are known again, but for those of a drag. */
function askForOne(session: Session, checker: Checker): void {
  const player = faceOf(session.store.getState());
  askAbout(session, checker, [player], (findings, { gesture, findings: before, countedFor }) => {
    const keepsCounts = gesture === null && countedFor.length > 1;
    if (!keepsCounts) return session.setFindings(findings, [player]);
    const counted = Object.entries(findings).map(([name, found]) => [name, { ...found, tally: ownEntry(before, name)?.tally ?? found.tally }] as const);
    session.setFindings(Object.fromEntries(counted), countedFor);
  });
}

/** Asks for every player of the layout. */
function askForEveryone(session: Session, checker: Checker): void {
  const players = facesOf(session.store.getState().layout);
  askAbout(session, checker, players, (findings) => session.setFindings(findings, players));
}

async function askForFixes(session: Session, checker: Checker): Promise<void> {
  const asked = session.store.getState();
  const { layout } = asked;
  const fixes = await checker.fixes(layout, benchScreenOf(layout), { ...asked.playerView, moment: null });
  if (fixes && session.store.getState().layout === layout) session.setFixes(fixes, layout);
}
