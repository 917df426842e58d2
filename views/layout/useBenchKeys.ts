"use client";
/** The bench's keys: nudging, tying, copying, ordering, gathering, deleting, zooming; and the clipboard, as text that another tab can take. */
import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { readClip, clipText } from "../../core/exchange/clip";
import { clampTo } from "../../core/engine/geometry/point";
import { reorderControls } from "../../core/editing/edits/controls";
import { moveBy, type EditContext } from "../../core/editing/placing";
import { growControl } from "../../core/editing/make";
import { pxPerMm } from "../../core/engine/placement/screen";
import { clusterOf, inCluster, placementIn, selectable, placeableOf } from "../../core/editing/placeables";
import { carryTo, seenPin, anchorTo } from "../../core/editing/anchors";
import { problemText } from "../../core/engine/result";
import { plainWords, strangeWords } from "../../core/wiring/paste";
import { useSession, useSessionActions } from "../session/context";
import { benchStore, setBench, useBench } from "./bench";
import { copySelected, dissolveSelected, gatherSelected, splitSelected, mirrorSelected } from "./gestures";
import { homeOf } from "../shared/home";
import { growInto, growZone } from "./grow";
import { KIND_LETTER, KINDS } from "./kinds";
import { OVERLAYS, toggleOverlay } from "./overlays";
import { paste } from "./paste";
import { shownClusters } from "./targets";
import { CARRY_MM } from "./useGlassGestures";
import { namesOf } from "../shared/names";
import { deletePlaceables } from "../shared/remove";

const NUDGES = { up: [0, -1], down: [0, 1], left: [-1, 0], right: [1, 0] } as const;
/** A nudge with Shift, mm. */
const LONG_NUDGE_MM = 5;
/** How far an arrow key pushes a zoomed glass while nothing is selected, CSS px. */
const PUSH_PX = 80;

const ARROWS = ["up", "down", "left", "right"];
const wayOf = (keys: readonly string[] | undefined) => NUDGES[(keys?.at(-1) ?? "").replace("arrow", "") as keyof typeof NUDGES];

export function useBenchKeys(context: EditContext): void {
  const session = useSessionActions();
  const selection = useSession((s) => s.selection);
  const playerSizes = useSession((s) => s.layout.playerSizes);
  const tool = useBench((b) => b.tool);
  const entered = useBench((b) => b.entered);
  const zoomed = useBench((b) => b.zoom.mode !== "fit");
  const some = { enabled: selection.length > 0, preventDefault: true };
  const names = namesOf(context.layout, selection);
  const { layout, screen, playerView } = context;

  /** Everything that shows and may be taken hold of: in a cluster what stands in it, else no cluster's parts. */
  const all = (): readonly string[] => {
    if (entered !== null) return inCluster(layout, entered, context.resolved.arrangement);
    const shown = new Set([...context.resolved.controls.map((c) => c.id), ...shownClusters(context)]);
    return selectable(layout).filter((key) => shown.has(key) && clusterOf(placementIn(layout, context.resolved.arrangement, key)) === null);
  };

  const nudge = (event: KeyboardEvent, [dx, dy]: readonly [number, number], px: number) =>
    session.edit(`nudge ${names}`, () => moveBy(context, selection, dx * px, dy * px), event.repeat);
  useHotkeys(ARROWS, (event, hotkey) => nudge(event, wayOf(hotkey.keys as string[]), context.resolved.scale), some);
  useHotkeys(
    ARROWS.map((a) => `shift+${a}`),
    (event, hotkey) => nudge(event, wayOf(hotkey.keys as string[]), LONG_NUDGE_MM * pxPerMm(screen)),
    some,
  );
  useHotkeys(
    ARROWS.map((a) => `mod+shift+${a}`),
    (_, hotkey) => {
      const [dx, dy] = wayOf(hotkey.keys as string[]);
      const pin = seenPin(context, selection[0]);
      if (!pin) return;
      const step = (at: number, by: number) => clampTo(Math.round((at + by / 2) * 2) / 2, 0, 1);
      session.edit(`tie ${names}`, () => anchorTo(context, selection[0], pin.frame, [step(pin.anchor[0], dx), step(pin.anchor[1], dy)]));
    },
    { enabled: selection.length === 1, preventDefault: true },
  );
  useHotkeys(
    ARROWS,
    (_, hotkey) => {
      const [dx, dy] = wayOf(hotkey.keys as string[]);
      const { pan } = benchStore.getState();
      setBench({ pan: { x: pan.x - dx * PUSH_PX, y: pan.y - dy * PUSH_PX } });
    },
    { enabled: selection.length === 0 && zoomed, preventDefault: true },
  );
  useHotkeys(["delete", "backspace"], () => deletePlaceables(session, selection), some);
  useHotkeys("mod+a", () => session.select(all()), { preventDefault: true });
  useHotkeys("d", () => copySelected(session, context, selection), some);
  useHotkeys("bracketleft", () => session.edit(`lower ${names}`, (l) => reorderControls(l, selection, "down")), some);
  useHotkeys("bracketright", () => session.edit(`raise ${names}`, (l) => reorderControls(l, selection, "up")), some);
  useHotkeys("shift+bracketleft", () => session.edit(`put ${names} at the bottom`, (l) => reorderControls(l, selection, "bottom")), some);
  useHotkeys("shift+bracketright", () => session.edit(`put ${names} on top`, (l) => reorderControls(l, selection, "top")), some);
  useHotkeys("c", () => session.edit(`carry ${names}`, () => carryTo(context, selection[0], CARRY_MM * pxPerMm(screen))), { enabled: selection.length === 1 });
  useHotkeys("u", () => gatherSelected(session, context, selection), some);
  useHotkeys("shift+u", () => dissolveSelected(session, context, selection), some);
  useHotkeys("shift+m", () => mirrorSelected(session, context, selection), some);
  useHotkeys("shift+x", () => splitSelected(session, context, selection), some);
  const oneCluster = selection.length === 1 && placeableOf(layout, selection[0])?.kind === "cluster" ? selection[0] : null;
  useHotkeys(
    "enter",
    () => {
      if (tool === "zone") growZone(session, context, homeOf(context, "zone"));
      else if (tool !== null) growInto(session, growControl(context, { kind: tool, action: null, at: homeOf(context, tool) }), `add ${tool}`);
      else if (oneCluster !== null) {
        setBench({ entered: oneCluster });
        session.select(inCluster(layout, oneCluster, context.resolved.arrangement).slice(0, 1));
      }
      setBench({ tool: null });
    },
    // Enter on a button of a bar presses that button, unless a tool is in hand: then it puts that down.
    {
      preventDefault: true,
      enabled: tool !== null || oneCluster !== null,
      ignoreEventWhen: (event) => event.target instanceof HTMLElement && event.target.closest("button, a") !== null && tool === null,
    },
  );
  useHotkeys(
    "escape",
    () => {
      if (tool !== null) setBench({ tool: null });
      else if (benchStore.getState().grown !== null) setBench({ grown: null });
      else if (entered !== null) {
        setBench({ entered: null });
        session.select([entered]);
      } else {
        session.select([]);
        setBench({ finding: null });
      }
    },
    {
      enabled: tool !== null || selection.length > 0 || entered !== null,
      // Escape in a list or a dialogue closes that, and nothing else.
      ignoreEventWhen: (event) => event.target instanceof HTMLElement && event.target.closest("[role=dialog], [role=menu]") !== null,
    },
  );
  useHotkeys(
    [...KINDS, "zone" as const].map((k) => `shift+${KIND_LETTER[k]}`),
    (_, hotkey) => {
      const letter = hotkey.keys?.at(-1);
      setBench({ tool: [...KINDS, "zone" as const].find((k) => KIND_LETTER[k] === letter) ?? null });
    },
  );
  useHotkeys(
    OVERLAYS.map((o) => o.letter),
    (_, hotkey) => {
      const overlay = OVERLAYS.find((o) => o.letter === hotkey.keys?.[0]);
      if (overlay) toggleOverlay(overlay.key);
    },
  );
  useHotkeys("p", () => setBench({ held: !benchStore.getState().held }));
  useHotkeys("m", () => session.showPlayer({ handed: playerView.handed === "left" ? "right" : "left" }));
  useHotkeys(["comma", "period"], (event) => {
    const sizes = [...new Set([playerSizes.min, 1, playerSizes.max])].sort((a, b) => a - b);
    const at = sizes.indexOf(playerView.playerSize);
    session.showPlayer({ playerSize: sizes[clampTo(at + (event.code === "Comma" ? -1 : 1), 0, sizes.length - 1)] });
  });
  useHotkeys(["j", "shift+j"], (event) => {
    const choices = [...layout.moments.map((m) => m.id), null];
    const at = choices.indexOf(playerView.moment);
    session.showMoment(choices[(at + (event.shiftKey ? choices.length - 1 : 1)) % choices.length]);
  });
  useHotkeys("f", () => setBench({ zoom: { mode: "fit" }, pan: { x: 0, y: 0 } }));
  useHotkeys("t", () => setBench({ zoom: { mode: "true" }, pan: { x: 0, y: 0 } }));

  useEffect(() => {
    const typing = (event: Event) =>
      event.target instanceof HTMLElement && event.target.closest("input, textarea, select, [contenteditable], [role=dialog]") !== null;
    const onCopy = (event: ClipboardEvent) => {
      if (typing(event) || selection.length === 0) return;
      event.preventDefault();
      event.clipboardData?.setData("text/plain", clipText(layout, selection));
      if (event.type === "cut") deletePlaceables(session, selection, "cut");
    };
    const onPaste = (event: ClipboardEvent) => {
      if (typing(event)) return;
      const read = readClip(event.clipboardData?.getData("text/plain") ?? "");
      if (!read.ok) session.tell({ text: problemText(read.problems, 3), tone: "problem" });
      else if (strangeWords(read.value, layout).length > 0) setBench({ pasted: read.value });
      else paste(session, context, read.value, plainWords(read.value, layout));
    };
    // By the sign: on many keyboards plus and minus lie elsewhere. With Ctrl they are the browser's own zoom.
    const onSign = (event: KeyboardEvent) => {
      if (typing(event) || event.ctrlKey || event.metaKey || (event.key !== "+" && event.key !== "-" && event.key !== "=")) return;
      document.querySelector<HTMLButtonElement>(`[aria-label="${event.key === "-" ? "Zoom out" : "Zoom in"}"]`)?.click();
    };
    document.addEventListener("copy", onCopy);
    document.addEventListener("cut", onCopy);
    document.addEventListener("paste", onPaste);
    document.addEventListener("keydown", onSign);
    return () => {
      document.removeEventListener("copy", onCopy);
      document.removeEventListener("cut", onCopy);
      document.removeEventListener("paste", onPaste);
      document.removeEventListener("keydown", onSign);
    };
  });
}
