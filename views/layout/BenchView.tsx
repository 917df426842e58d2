"use client";
/** The bench: device, ledger, rail and tray. It turns with the device: a wide glass lies across the top, a tall one stands at the left. */
import { useEffect, useRef } from "react";
import { editContextOf } from "../../core/editing/placing";
import { useSession } from "../session/context";
import { benchScreenOf } from "../session/screens";
import { clearBench, useBench } from "./bench";
import { Glass, type GlassHandle } from "./Glass";
import { KindWishDialogue } from "./KindWishDialogue";
import { Ledger } from "./Ledger";
import { PasteDialogue } from "./PasteDialogue";
import { Rail } from "./Rail";
import { Tray } from "./Tray";
import { useCalm } from "./useCalm";
import { useBenchKeys } from "./useBenchKeys";

export function BenchView() {
  const layout = useSession((s) => s.layout);
  const screen = benchScreenOf(layout);
  const playerView = useSession((s) => s.playerView);
  const id = useSession((s) => s.id);
  const context = editContextOf(layout, screen, playerView);
  const glass = useRef<GlassHandle>(null);
  useBenchKeys(context);
  // Another layout has been opened: nothing of the last one is in hand any more.
  useEffect(() => clearBench, [id]);
  // While something is dragged on the glass its numbers follow ten times a second: the glass and the rail come first.
  const calm = useCalm(
    context,
    useBench((b) => b.dragging),
    100,
  );
  const wide = screen.widthPx >= screen.heightPx;
  const dialogues = (
    <>
      <KindWishDialogue />
      <PasteDialogue context={context} />
    </>
  );
  return wide ? (
    <div className="grid h-full grid-cols-[196px_minmax(0,1fr)_216px] grid-rows-[minmax(0,1fr)_286px] bg-paper" data-bench="wide">
      <Ledger wide={wide} glass={glass} />
      <Glass context={context} ref={glass} />
      <Rail onBench={screen.name} />
      <div className="col-span-3 border-t border-rule">
        <Tray context={calm} />
      </div>
      {dialogues}
    </div>
  ) : (
    <div className="grid h-full grid-cols-[minmax(0,4fr)_minmax(0,5fr)_216px] grid-rows-[minmax(0,2fr)_minmax(0,3fr)] bg-paper" data-bench="tall">
      <div className="row-span-2 min-h-0">
        <Glass context={context} ref={glass} />
      </div>
      <div className="row-span-2 min-h-0 overflow-auto border-x border-rule">
        <Tray context={calm} tall />
      </div>
      <Ledger wide={wide} glass={glass} />
      <div className="min-h-0 border-t border-rule">
        <Rail onBench={screen.name} />
      </div>
      {dialogues}
    </div>
  );
}
