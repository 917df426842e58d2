"use client";
/** The bench: device, ledger, rail and tray. It turns with the device: a wide glass lies across the top, a tall one stands at the left. */
import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import { benchContextNow, useBenchScreen } from "../session/benchContext";
import { useSession, useSessionActions } from "../session/context";
import { benchStore, clearBench } from "./bench";
import { createCalm } from "./calm";
import { Glass, type GlassHandle } from "./Glass";
import { KindWishDialogue } from "./KindWishDialogue";
import { Ledger } from "./Ledger";
import { PasteDialogue } from "./PasteDialogue";
import { Rail } from "./Rail";
import { Tray } from "./Tray";
import { useBenchKeys } from "./useBenchKeys";

export function BenchView() {
  const screen = useBenchScreen();
  const id = useSession((s) => s.id);
  const glass = useRef<GlassHandle>(null);
  useBenchKeys();
  // Another layout has been opened: nothing of the last one is in hand any more.
  useEffect(() => clearBench, [id]);
  const wide = screen.widthPx >= screen.heightPx;
  const dialogues = (
    <>
      <KindWishDialogue />
      <PasteDialogue />
    </>
  );
  return wide ? (
    <div className="grid h-full grid-cols-[12.25rem_minmax(0,1fr)_var(--rail,13.5rem)] grid-rows-[minmax(0,1fr)_17.875rem] bg-paper" data-bench="wide">
      <Ledger wide={wide} glass={glass} />
      <Glass ref={glass} />
      <Rail onBench={screen.name} />
      <div className="col-span-3 border-t border-rule">
        <CalmTray />
      </div>
      {dialogues}
    </div>
  ) : (
    <div className="grid h-full grid-cols-[minmax(0,4fr)_minmax(0,5fr)_var(--rail,13.5rem)] grid-rows-[minmax(0,2fr)_minmax(0,3fr)] bg-paper" data-bench="tall">
      <div className="row-span-2 min-h-0">
        <Glass ref={glass} />
      </div>
      <div className="row-span-2 min-h-0 overflow-auto border-x border-rule">
        <CalmTray tall />
      </div>
      <Ledger wide={wide} glass={glass} />
      <div className="min-h-0 border-t border-rule">
        <Rail onBench={screen.name} />
      </div>
      {dialogues}
    </div>
  );
}

/** While something is dragged on the glass the tray's numbers follow ten times a second: the glass and the rail come first. */
const CALM_MS = 100;

function CalmTray({ tall = false }: { tall?: boolean }) {
  const session = useSessionActions();
  const [calm] = useState(() =>
    createCalm(
      {
        now: () => benchContextNow(session),
        dragging: () => benchStore.getState().dragging,
        subscribe(onChange) {
          const stops = [session.store.subscribe(onChange), benchStore.subscribe(onChange)];
          return () => stops.forEach((stop) => stop());
        },
      },
      CALM_MS,
    ),
  );
  return <Tray context={useSyncExternalStore(calm.subscribe, calm.get, calm.get)} tall={tall} />;
}
