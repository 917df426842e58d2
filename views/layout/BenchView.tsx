"use client";
/** The bench: device, ledger, rail and tray. It turns with the device: a wide glass lies across the top, a tall one is at the left. */
import { useEffect, useMemo, useRef, useSyncExternalStore } from "react";
import { benchContextNow, useBenchScreen } from "../document/benchContext";
import { useSessionActions } from "../document/SessionContext";
import dynamic from "next/dynamic";
import { benchStore, leaveBench, useBench, useBenchStore } from "./bench";
import { Border } from "./Border";
import { createCalm } from "./calm";
import { BenchGlass, type GlassHandle } from "./Glass";
import { Ledger } from "./Ledger";
import { Rail } from "./Rail";
import { Tray } from "./Tray";
import { giveStyle } from "./selectionEdits";
import { useRegions } from "./regions";
import { useBenchKeys } from "./useBenchKeys";
import { settleBench } from "./settleBench";
import { useKeys } from "../interaction/useKeys";
import { SettleSlot } from "../document/settle/SettleSlot";
import { useSettle } from "../document/settle/settleState";

const KindChangeDialogue = dynamic(() => import("./KindChangeDialogue").then((m) => m.KindChangeDialogue));
const CopyActionsDialogue = dynamic(() => import("./CopyActionsDialogue").then((m) => m.CopyActionsDialogue));
const PasteDialogue = dynamic(() => import("./PasteDialogue").then((m) => m.PasteDialogue));
const TakeCorner = dynamic(() => import("./TakeCorner").then((m) => m.TakeCorner));

export function BenchView() {
  const session = useSessionActions();
  const screen = useBenchScreen();
  const glass = useRef<GlassHandle>(null);
  const sizes = useRegions();
  useBenchKeys();
  // What is selected while a look or a feel is being copied gets it.
  useEffect(
    () =>
      session.store.subscribe((now, before) => {
        if (now.selection !== before.selection && benchStore(session).getState().copying !== null) giveStyle(session, now.selection);
      }),
    [session],
  );
  useEffect(() => () => leaveBench(session), [session]);
  const wide = screen.widthPx >= screen.heightPx;
  const settles = useSettle((s) => s.isOpen);
  useKeys("everywhere", { settle: () => settleBench(session) });
  const rail = sizes.rail === undefined ? "var(--rail,13.5rem)" : `max(var(--rail,0rem),${sizes.rail}rem)`;
  const ledger = `${sizes.ledger ?? 12.25}rem`;
  const tray = (
    <>
      {settles ? <SettleSlot wide={wide} /> : <CalmTray tall={!wide} />}
      <Border region={wide ? "tray" : "beside"} side={wide ? "below" : "right"} word="the tray" />
    </>
  );
  // The tray is before the glass on the page: by key it is near, and what is on the glass is many stops.
  return wide ? (
    <div
      className="grid h-full bg-paper"
      style={{ gridTemplateColumns: `${ledger} minmax(0,1fr) ${rail}`, gridTemplateRows: `minmax(0,1fr) ${trayRows(sizes.tray)}` }}
      data-bench="wide"
    >
      <div className="relative col-start-1 row-start-1 min-h-0">
        <Ledger wide={wide} glass={glass} />
        <Border region="ledger" side="left" word="the ledger" />
      </div>
      <div className="relative col-span-3 col-start-1 row-start-2 min-h-0 border-t border-rule">{tray}</div>
      <div className="relative col-start-2 row-start-1 min-h-0 min-w-0">
        <BenchGlass ref={glass} />
        <LoopedTake />
      </div>
      <div className="relative col-start-3 row-start-1 min-h-0">
        <Rail onBench={screen.name} />
        <Border region="rail" side="right" word="the rail" />
      </div>
      <Dialogues />
    </div>
  ) : (
    <div
      className="grid h-full grid-rows-[minmax(0,2fr)_minmax(0,3fr)] bg-paper"
      style={{ gridTemplateColumns: `minmax(0,4fr) ${sizes.beside === undefined ? "minmax(0,5fr)" : `min(60%, ${sizes.beside}rem)`} ${rail}` }}
      data-bench="tall"
    >
      <div className="relative col-start-3 row-start-1 min-h-0">
        <Ledger wide={wide} glass={glass} />
        <Border region="rail" side="right" word="the rail" />
      </div>
      <div className="relative col-start-2 row-span-2 row-start-1 min-h-0 border-x border-rule">{tray}</div>
      <div className="relative col-start-1 row-span-2 row-start-1 min-h-0">
        <BenchGlass ref={glass} />
        <LoopedTake />
      </div>
      <div className="col-start-3 row-start-2 min-h-0 border-t border-rule">
        <Rail onBench={screen.name} />
      </div>
      <Dialogues />
    </div>
  );
}

/** What is asked before something is done, fetched when it is. */
function Dialogues() {
  const kindWish = useBench((b) => b.kindWish);
  const askedCopies = useBench((b) => b.askedCopies);
  const pasted = useBench((b) => b.pasted);
  return (
    <>
      {kindWish && <KindChangeDialogue />}
      {askedCopies && <CopyActionsDialogue />}
      {pasted && <PasteDialogue />}
    </>
  );
}

/** A take in the corner of the glass, while one is wished for. */
function LoopedTake() {
  const isShown = useBench((b) => b.loopsTake);
  return isShown ? <TakeCorner /> : null;
}

/** The height of the tray: as it was dragged, else nine rows and what is above them, more where there is room; the glass keeps a third in any case. */
const trayRows = (rem: number | undefined) => `min(66%, ${rem === undefined ? "clamp(20.25rem, 33vh, 23rem)" : `${rem}rem`})`;

/** While something is dragged on the glass the tray's numbers follow ten times a second: the glass and the rail come first. */
const CALM_MS = 100;

function CalmTray({ tall = false }: { tall?: boolean }) {
  const session = useSessionActions();
  const bench = useBenchStore();
  const calm = useMemo(
    () =>
      createCalm(
        {
          now: () => benchContextNow(session),
          dragging: () => bench.getState().dragging,
          subscribe(onChange) {
            const stops = [session.store.subscribe(onChange), bench.subscribe(onChange)];
            return () => stops.forEach((stop) => stop());
          },
        },
        CALM_MS,
      ),
    [session, bench],
  );
  return <Tray context={useSyncExternalStore(calm.subscribe, calm.get, calm.get)} tall={tall} />;
}
