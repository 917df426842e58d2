"use client";
/** Title strip, view, notices; the keys that work everywhere. */
import dynamic from "next/dynamic";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import { NumberDragsProvider } from "../../ui/drags";
import { startDrag } from "../interaction/pointerDrag";
import { useKeys } from "../interaction/useKeys";
import { useSession, useSessionActions } from "../document/SessionContext";
import { useFindings } from "../document/useFindings";
import { useSimulatedPad } from "../interaction/pads";
import { drawingEnds } from "./drawingGuard";
import { FirstSteps } from "./FirstSteps";
import { NoticeBar } from "./NoticeBar";
import { ReadingLine } from "./ReadingLine";
import { TitleStrip } from "./TitleStrip";
import { useFirstStepWatch } from "./useFirstStepWatch";
import { useLeaving } from "./useLeaving";
import { useKeepingOffline } from "./useOffline";
import { ViewBoundary } from "./ViewBoundary";
import { goToRegion } from "../interaction/regionsByKey";
import { VIEWS } from "./views";
import { noteWhere } from "./where";
import { navigate, usePath } from "./navigate";
import { ViewRouter } from "./ViewRouter";

const Shortcuts = dynamic(() => import("./Shortcuts").then((m) => m.Shortcuts), { ssr: false });
const SimulatedPad = dynamic(() => import("../fields/SimulatedPad").then((m) => m.SimulatedPad), { ssr: false });
const HistoryDrawer = dynamic(() => import("../history/HistoryDrawer").then((m) => m.HistoryDrawer), { ssr: false });

/** A view that has stood so long has been drawn, ms. */
const STANDS_MS = 400;
function drawn(id: string): void {
  try {
    drawingEnds(window.localStorage, id, "drawn");
  } catch {
    // Where nothing can be noted, nothing was.
  }
}

/** `first`: the path the page came with; its view is in `children`. */
export function Shell({ first, children }: { first: string; children: ReactNode }) {
  const padOn = useSimulatedPad((s) => s.on);
  const session = useSessionActions();
  const path = usePath();
  const name = useSession((s) => s.layout.name);
  const id = useSession((s) => s.id);
  const [help, setHelp] = useState(false);
  const [history, setHistory] = useState(false);
  const hasDraft = useLeaving();
  useFindings();
  useKeepingOffline();
  useFirstStepWatch();
  useEffect(() => noteWhere(path), [path]);
  // A view left in the middle of a drag keeps nothing of it.
  useEffect(() => () => session.cancel(), [path, session]);

  useEffect(() => {
    const title = `${name} · Nodulum`;
    const put = () => {
      if (document.title !== title) document.title = title;
    };
    put();
    // The static title of the page can arrive after this effect has run.
    const observer = new MutationObserver(put);
    observer.observe(document.head, { childList: true, characterData: true, subtree: true });
    return () => observer.disconnect();
  }, [name]);
  // Whatever nobody has answered for is reported, not passed over.
  useEffect(() => {
    const onFallen = ({ reason }: PromiseRejectionEvent) => {
      console.error(reason);
      session.tell({ text: `Something went wrong: ${reason instanceof Error ? reason.message : String(reason)}. Saved data is safe.`, tone: "problem" });
    };
    window.addEventListener("unhandledrejection", onFallen);
    return () => window.removeEventListener("unhandledrejection", onFallen);
  }, [session]);
  useEffect(() => {
    const onFocus = () => session.endRun();
    document.addEventListener("focusin", onFocus);
    return () => document.removeEventListener("focusin", onFocus);
  }, [session]);
  useKeys("everywhere", {
    ...Object.fromEntries(VIEWS.map((view, i) => [`view ${i + 1}`, () => navigate(view.path)])),
    undo: () => session.undo(),
    redo: () => session.redo(),
    history: () => setHistory((shown) => !shown),
    shortcuts: () => setHelp(true),
    "next region": () => goToRegion(1),
    "previous region": () => goToRegion(-1),
  });
  // The view is: this layout can be drawn.
  useEffect(() => {
    const standing = window.setTimeout(() => drawn(id), STANDS_MS);
    return () => window.clearTimeout(standing);
  }, [id, path]);

  const numberDrags = useMemo(
    () => ({ start: startDrag, begin: () => session.gather(), commit: () => session.commit(), cancel: () => session.cancel() }),
    [session],
  );
  return (
    <NumberDragsProvider value={numberDrags}>
      <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[2.75rem_auto_minmax(0,1fr)_1.5rem]">
        <TitleStrip path={path} hasDraft={hasDraft} onHelp={() => setHelp(true)} onHistory={() => setHistory((shown) => !shown)} />
        <div>
          <FirstSteps path={path} />
        </div>
        <main className={`min-h-0 ${history ? "[--rail:340px]" : ""}`}>
          <ViewBoundary of={`${path} ${id}`}>
            <ViewRouter path={path} first={first}>
              {children}
            </ViewRouter>
          </ViewBoundary>
        </main>
        <ReadingLine path={path} />
        {history && <HistoryDrawer onClose={() => setHistory(false)} />}
        <NoticeBar />
        {padOn && <SimulatedPad />}
        {help && <Shortcuts open={help} onOpenChange={setHelp} />}
      </div>
    </NumberDragsProvider>
  );
}
