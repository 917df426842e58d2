"use client";
/** Keeps the findings of the screens in view up to date, and the moves that fix those on the bench, through the worker. */
import { useEffect, useRef } from "react";
import type { Layout, Screen } from "../../core/format/types";
import { createChecker, type Checker } from "../../workers/checks";
import { connectChecks } from "../../workers/connect";
import { stillFor } from "../shared/backdrop";
import { wordWidths } from "../shared/wordWidths";
import { useImageArrivals } from "../shared/images";
import type { PlayerView } from "../../core/engine/placement/resolve";
import { useSessionActions } from "./context";
import type { Session, SessionState } from "./session";
import { benchScreenOf, railOf, shelfOf } from "./screens";

/** The layout must rest this long before moves are proved: proving means checking the screen over and over. */
const REST_MS = 250;

/** Asks for findings whenever the layout changes: on every screen where `whole` is set, else on bench and rail. Nothing is drawn for it. */
export function useFindings(whole: boolean): void {
  const session = useSessionActions();
  const arrivals = useImageArrivals();
  const checker = useRef<Checker | null>(null);
  useEffect(() => {
    const stoppedOver = ({ name }: Layout) =>
      session.tell({
        text: `Checking “${name}” as it is now took too long and was stopped: its findings are of a moment before. They are looked for anew when it changes; all else goes on.`,
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
    const ask = () => {
      if (checker.current) askAbout(session, checker.current, whole);
      window.clearTimeout(rest);
      rest = window.setTimeout(() => checker.current && void askForFixes(session, checker.current), REST_MS);
    };
    ask();
    const stop = session.store.subscribe((now, before) => {
      if (now.layout !== before.layout || !isSamePlayer(now, before) || now.shelfScreen !== before.shelfScreen) ask();
    });
    return () => {
      window.clearTimeout(rest);
      stop();
    };
  }, [session, whole, arrivals]);
}

const isSamePlayer = ({ playerView: a }: SessionState, { playerView: b }: SessionState) => a.handed === b.handed && a.playerSize === b.playerSize;
const playerOf = ({ playerView }: SessionState): PlayerView => ({ ...playerView, moment: null });

function askAbout(session: Session, checker: Checker, whole: boolean): void {
  const asked = session.store.getState();
  const { layout, shelfScreen } = asked;
  const screens = screensInView(layout, whole);
  const stills = screens.map((screen) => stillFor(layout.workbench, screen));
  const read = [whole && shelfScreen !== null ? shelfScreen : benchScreenOf(layout).name];
  checker.request({ layout, screens, playerView: playerOf(asked), stills, widths: wordWidths(layout), read }, (findings) => {
    // An answer about a layout that is no longer open, or another player's, is stale, and dropped.
    const now = session.store.getState();
    if (now.id === asked.id && isSamePlayer(now, asked)) session.setFindings(findings);
  });
}

async function askForFixes(session: Session, checker: Checker): Promise<void> {
  const asked = session.store.getState();
  const { layout } = asked;
  const fixes = await checker.fixes(layout, benchScreenOf(layout), playerOf(asked));
  if (fixes && session.store.getState().layout === layout) session.setFixes(fixes, layout);
}

function screensInView(layout: Layout, whole: boolean): readonly Screen[] {
  if (whole) return shelfOf(layout);
  const rail = railOf(layout);
  const bench = benchScreenOf(layout);
  return rail.includes(bench) ? rail : [bench, ...rail];
}
