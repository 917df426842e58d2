"use client";
/** The bench's keys: nudging, tying, copying, ordering, gathering, deleting, zooming; and the clipboard, as text that another tab can take. */
import { useEffect } from "react";
import { readClip, clipText } from "../../core/exchange/clip";
import { clampTo } from "../../core/engine/geometry/point";
import { reorderControls } from "../../core/editing/edits/controls";
import { editContextOf, moveBy, type EditContext, seenAs } from "../../core/editing/placing";
import { growFree } from "../../core/checks/growFree";
import { pxPerMm } from "../../core/engine/placement/screen";
import { clusterOf, inCluster, placementIn, selectable, placeableOf } from "../../core/editing/placeables";
import { carryTo, seenPin, anchorTo } from "../../core/editing/anchors";
import { problemText } from "../../core/engine/result";
import { plainWords, strangeWords } from "../../core/wiring/paste";
import { benchContextNow } from "../document/benchContext";
import { useSessionActions } from "../document/SessionContext";
import type { KeyHandlers } from "../interaction/keyStroke";
import { isSomeonesOwn } from "../interaction/typing";
import { useKeys } from "../interaction/useKeys";
import type { Session } from "../document/session";
import { benchStore, setBench } from "./bench";
import { copySelected, dissolveSelected, gatherSelected, splitSelected, mirrorSelected } from "./selectionEdits";
import { placeFor } from "../document/newControls";
import { startPoint } from "../document/startPoint";
import { growInto, growZone } from "./grow";
import { isHeldBack, switchHolding } from "./holding";
import { CONTROL_KINDS } from "./controlKinds";
import { isOverlayShown, OVERLAYS, toggleOverlay } from "../canvas/overlays";
import { paste } from "./pasteEdit";
import { sayOnLine } from "../shell/reading/watch";
import { zoomToSelection } from "./zoomToSelection";
import { shownClusters } from "../interaction/targets";
import { CARRY_MM } from "../interaction/glassGesture";
import { namesOf } from "../document/names";
import { deletePlaceables } from "../document/remove";

const WAYS = { up: [0, -1], down: [0, 1], left: [-1, 0], right: [1, 0] } as const;
/** A nudge with Shift, mm. */
const LONG_NUDGE_MM = 5;
/** How far an arrow key pushes a zoomed glass while nothing is selected, CSS px. */
const PUSH_PX = 80;

/** Handlers for a command in each of the four ways: "nudge up" and so on. */
const eachWay = (command: string, act: (dx: number, dy: number, event: KeyboardEvent) => boolean | void): KeyHandlers =>
  Object.fromEntries(Object.entries(WAYS).map(([way, [dx, dy]]) => [`${command} ${way}`, (event) => act(dx, dy, event)]));

/** The bench's keys for as long as it is shown. */
export function useBenchKeys(): void {
  const session = useSessionActions();
  useKeys("layout", () => {
    const context = benchContextNow(session);
    const { selection } = session.store.getState();
    return { ...placingKeys(session, context, selection), ...makingKeys(session, context, selection), ...seeingKeys(session, context) };
  });
  useClipboard(session);
}

/** Everything that shows and may be taken hold of: in a cluster what is in it, else no cluster's parts. */
function everything(session: Session, context: EditContext): readonly string[] {
  const { layout, resolved } = context;
  const { entered } = benchStore(session).getState();
  if (entered !== null) return inCluster(layout, entered, resolved.arrangement);
  const shown = new Set([...resolved.controls.map((c) => c.id), ...shownClusters(context)]);
  return selectable(layout).filter((key) => shown.has(key) && clusterOf(placementIn(layout, resolved.arrangement, key)) === null);
}

/** Moving and tying what is selected. */
function placingKeys(session: Session, context: EditContext, selection: readonly string[]): KeyHandlers {
  const { layout, screen, resolved } = context;
  const names = namesOf(layout, selection);
  const one = selection.length === 1;
  const nudge = (px: number) => (dx: number, dy: number, event: KeyboardEvent) => {
    if (selection.length === 0) return false;
    const edit = seenAs(context, (now) => moveBy(now, selection, dx * px, dy * px));
    if (!isHeldBack(session, edit)) session.edit(`nudge ${names}`, edit, event.repeat);
  };
  const reorder = (words: string, to: Parameters<typeof reorderControls>[2]) => () =>
    selection.length > 0 && (session.edit(words, (l) => reorderControls(l, selection, to)), true);
  return {
    ...eachWay("nudge", nudge(resolved.scale)),
    ...eachWay("nudge far", nudge(LONG_NUDGE_MM * pxPerMm(screen))),
    ...eachWay("tie", (dx, dy) => {
      const pin = one ? seenPin(context, selection[0]) : null;
      if (!pin) return false;
      const step = (at: number, by: number) => clampTo(Math.round((at + by / 2) * 2) / 2, 0, 1);
      const point = [step(pin.anchor[0], dx), step(pin.anchor[1], dy)] as const;
      session.edit(
        `tie ${names}`,
        seenAs(context, (now) => anchorTo(now, selection[0], pin.frame, point)),
      );
    }),
    ...eachWay("push", (dx, dy) => {
      const { pan, zoom } = benchStore(session).getState();
      if (zoom.mode === "fit") return false;
      setBench(session, { pan: { x: pan.x - dx * PUSH_PX, y: pan.y - dy * PUSH_PX } });
    }),
    carry: () =>
      one &&
      (session.edit(
        `carry ${names}`,
        seenAs(context, (now) => carryTo(now, selection[0], CARRY_MM * pxPerMm(screen))),
      ),
      true),
    lower: reorder(`lower ${names}`, "down"),
    raise: reorder(`raise ${names}`, "up"),
    "to bottom": reorder(`put ${names} at the bottom`, "bottom"),
    "to top": reorder(`put ${names} on top`, "top"),
    "select all": () => session.select(everything(session, context)),
    "enter cluster": () => {
      if (!one || placeableOf(layout, selection[0])?.kind !== "cluster") return false;
      setBench(session, { entered: selection[0], tool: null });
      session.select(inCluster(layout, selection[0], resolved.arrangement).slice(0, 1));
    },
    cancel: () => letGo(session, selection),
  };
}

/** Escape releases the last thing first: the tool in hand, the choice of a kind, the cluster that was entered, the selection. */
function letGo(session: Session, selection: readonly string[]): boolean {
  const { tool, grown, entered, copying } = benchStore(session).getState();
  if (tool === null && selection.length === 0 && entered === null && copying === null) return false;
  if (copying !== null) setBench(session, { copying: null });
  else if (tool !== null) setBench(session, { tool: null });
  else if (grown !== null) setBench(session, { grown: null });
  else if (entered !== null) {
    setBench(session, { entered: null });
    session.select([entered]);
  } else {
    session.select([]);
    setBench(session, { finding: null });
  }
  return true;
}

/** Making, copying, gathering, deleting. */
/** Takes the name of what is selected in hand, in its card. Whether the card is there. */
function takeNameInHand(): boolean {
  const field = document.querySelector<HTMLInputElement>('section[aria-label="Place"] input[aria-label="Name"]');
  field?.focus();
  field?.select();
  return field !== null;
}

function makingKeys(session: Session, context: EditContext, selection: readonly string[]): KeyHandlers {
  const some = (act: () => void) => () => selection.length > 0 && (act(), true);
  const tools = [...CONTROL_KINDS, "zone" as const];
  return {
    ...Object.fromEntries(tools.map((tool) => [`tool ${tool}`, () => setBench(session, { tool })])),
    "put down": () => {
      const { tool } = benchStore(session).getState();
      if (tool === null) return false;
      if (tool === "zone") growZone(session, context, startPoint(context, "zone"));
      else growInto(session, context, growFree(context, { kind: tool, action: null, at: startPoint(context, tool) }, placeFor(context)), `add ${tool}`);
      setBench(session, { tool: null });
    },
    duplicate: some(() => copySelected(session, context, selection)),
    mirror: some(() => mirrorSelected(session, context, selection)),
    gather: some(() => gatherSelected(session, context, selection)),
    dissolve: some(() => dissolveSelected(session, context, selection)),
    split: some(() => splitSelected(session, context, selection)),
    delete: some(() => deletePlaceables(session, selection)),
    rename: () => selection.length === 1 && takeNameInHand(),
  };
}

/** Shows an overlay or takes it away, and says which on the reading line. */
function turnOverlay(session: Session, { key, word }: (typeof OVERLAYS)[number]): void {
  toggleOverlay(session, key);
  sayOnLine(session, `${word}: ${isOverlayShown(session, key) ? "shown" : "hidden"}.`);
}

/** Looking: overlays, the player, the moment. Zooming has its keys at its own buttons. */
function seeingKeys(session: Session, { layout, screen, playerView }: EditContext): KeyHandlers {
  const { playerSizes } = layout;
  const sizes = [...new Set([playerSizes.min, 1, playerSizes.max])].sort((a, b) => a - b);
  const size = (by: number) => () => {
    const playerSize = sizes[clampTo(sizes.indexOf(playerView.playerSize) + by, 0, sizes.length - 1)];
    session.showPlayer({ playerSize });
    sayOnLine(session, `Player size ${playerSize}.`);
  };
  const moments = [...layout.moments.map((m) => m.id), null];
  const moment = (by: number) => () => {
    session.showMoment(moments[(moments.indexOf(playerView.moment) + by + moments.length) % moments.length]);
  };
  return {
    ...Object.fromEntries(OVERLAYS.map((o) => [`overlay ${o.letter}`, () => turnOverlay(session, o)])),
    "show held": () => {
      const held = !benchStore(session).getState().held;
      setBench(session, { held });
      sayOnLine(session, `The controls as ${held ? "held" : "at rest"}.`);
    },
    "hold screens": () => void switchHolding(session),
    "other hand": () => {
      const handed = playerView.handed === "left" ? "right" : "left";
      session.showPlayer({ handed });
      sayOnLine(session, `Player: ${handed} hand.`);
    },
    "zoom to selection": () => {
      const { selection } = session.store.getState();
      if (selection.length === 0) return false;
      zoomToSelection(session, editContextOf(layout, screen, playerView), selection);
    },
    "smaller player": size(-1),
    "larger player": size(1),
    "next moment": moment(1),
    "previous moment": moment(-1),
  };
}

/** Copy, cut and paste, as text that another tab can take. */
function useClipboard(session: Session): void {
  useEffect(() => {
    const onCopy = (event: ClipboardEvent) => {
      const { layout, selection } = session.store.getState();
      if (isSomeonesOwn(event) || selection.length === 0) return;
      event.preventDefault();
      event.clipboardData?.setData("text/plain", clipText(layout, selection));
      if (event.type === "cut") deletePlaceables(session, selection, "cut");
    };
    const onPaste = (event: ClipboardEvent) => {
      if (isSomeonesOwn(event)) return;
      const context = benchContextNow(session);
      const { layout } = context;
      const read = readClip(event.clipboardData?.getData("text/plain") ?? "");
      if (!read.ok) session.tell({ text: problemText(read.problems, 3), tone: "problem" });
      else if (strangeWords(read.value, layout).length > 0) setBench(session, { pasted: read.value });
      else paste(session, context, read.value, plainWords(read.value, layout));
    };
    document.addEventListener("copy", onCopy);
    document.addEventListener("cut", onCopy);
    document.addEventListener("paste", onPaste);
    return () => {
      document.removeEventListener("copy", onCopy);
      document.removeEventListener("cut", onCopy);
      document.removeEventListener("paste", onPaste);
    };
  }, [session]);
}
