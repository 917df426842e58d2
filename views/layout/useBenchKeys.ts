"use client";
/** The bench's keys: nudging, copying, ordering, deleting; and the clipboard, as text that another tab can take. */
import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { clampTo } from "../../core/geometry/point";
import { duplicateControls, removeControls, reorderControls } from "../../core/layout/edits/controls";
import type { Control } from "../../core/layout/types";
import { carryTo, moveBy, placementIn, tieTo, type Sight } from "../../core/placement/edits";
import { pxPerMm } from "../../core/placement/screen";
import { ok } from "../../core/result";
import { clipText, readClip } from "../../core/exchange/clip";
import { useSession, useSessionActions } from "../session/context";
import { shiftedCopy } from "./copies";
import { OVERLAYS, toggleOverlay } from "./overlays";

const NUDGES = { up: [0, -1], down: [0, 1], left: [-1, 0], right: [1, 0] } as const;
/** A nudge with Shift, mm. */
const LONG_NUDGE_MM = 5;

export function useBenchKeys(sight: Sight): void {
  const session = useSessionActions();
  const selection = useSession((s) => s.selection);
  const some = { enabled: selection.length > 0, preventDefault: true };
  const names = selection.length === 1 ? selection[0] : `${selection.length} controls`;

  const nudge = (event: KeyboardEvent, key: string, px: number) => {
    const [dx, dy] = NUDGES[key.replace("arrow", "") as keyof typeof NUDGES];
    session.edit(`nudge ${names}`, () => moveBy(sight, selection, dx * px, dy * px), event.repeat);
  };
  useHotkeys(["up", "down", "left", "right"], (event, hotkey) => nudge(event, hotkey.keys?.[0] ?? "", sight.resolved.scale), some);
  useHotkeys(
    ["shift+up", "shift+down", "shift+left", "shift+right"],
    (event, hotkey) => nudge(event, hotkey.keys?.at(-1) ?? "", LONG_NUDGE_MM * pxPerMm(sight.screen)),
    some,
  );
  useHotkeys(
    ["mod+shift+up", "mod+shift+down", "mod+shift+left", "mod+shift+right"],
    (_, hotkey) => {
      const [dx, dy] = NUDGES[(hotkey.keys?.at(-1) ?? "").replace("arrow", "") as keyof typeof NUDGES];
      const placement = placementIn(sight.layout, sight.resolved.arrangement, selection[0]);
      if (placement?.kind !== "pin") return;
      const step = (at: number, by: number) => clampTo(Math.round((at + by / 2) * 2) / 2, 0, 1);
      session.edit(`tie ${names}`, () => tieTo(sight, selection[0], placement.frame, [step(placement.anchor[0], dx), step(placement.anchor[1], dy)]));
    },
    { enabled: selection.length === 1, preventDefault: true },
  );
  useHotkeys(["delete", "backspace"], () => session.edit(`delete ${names}`, (l) => removeControls(l, selection)), some);
  useHotkeys("mod+a", () => session.select(sight.layout.controls.map((c) => c.id)), { preventDefault: true });
  useHotkeys(
    "mod+d",
    () =>
      addCopies(
        sight.layout.controls.filter((c) => selection.includes(c.id)),
        `duplicate ${names}`,
      ),
    some,
  );
  useHotkeys("bracketleft", () => session.edit(`lower ${names}`, (l) => reorderControls(l, selection, "down")), some);
  useHotkeys("bracketright", () => session.edit(`raise ${names}`, (l) => reorderControls(l, selection, "up")), some);
  useHotkeys("c", () => selection.length === 1 && session.edit(`carry ${names}`, () => carryTo(sight, selection[0], 3 * pxPerMm(sight.screen))), {
    enabled: selection.length === 1,
  });
  useHotkeys("escape", () => session.select([]), { enabled: selection.length > 0 });
  useHotkeys(
    OVERLAYS.map((o) => o.letter),
    (_, hotkey) => {
      const overlay = OVERLAYS.find((o) => o.letter === hotkey.keys?.[0]);
      if (overlay) toggleOverlay(overlay.key);
    },
  );

  function addCopies(originals: readonly Control[], label: string): void {
    const made = duplicateControls(sight.layout, originals, shiftedCopy);
    if (!made.ok) session.edit(label, () => made);
    else if (session.edit(label, () => ok(made.value.layout))) session.select(made.value.ids);
  }

  useEffect(() => {
    const typing = (event: Event) =>
      event.target instanceof HTMLElement && event.target.closest("input, textarea, select, [contenteditable], [role=dialog]") !== null;
    const onCopy = (event: ClipboardEvent) => {
      if (typing(event) || selection.length === 0) return;
      event.preventDefault();
      event.clipboardData?.setData("text/plain", clipText(sight.layout, selection));
      if (event.type === "cut") session.edit(`cut ${names}`, (l) => removeControls(l, selection));
    };
    const onPaste = (event: ClipboardEvent) => {
      if (typing(event)) return;
      const read = readClip(event.clipboardData?.getData("text/plain") ?? "", sight.layout);
      if (!read.ok) session.tell({ text: read.problems[0].message, tone: "problem" });
      else addCopies(read.value, `paste ${read.value.length === 1 ? read.value[0].id : `${read.value.length} controls`}`);
    };
    document.addEventListener("copy", onCopy);
    document.addEventListener("cut", onCopy);
    document.addEventListener("paste", onPaste);
    return () => {
      document.removeEventListener("copy", onCopy);
      document.removeEventListener("cut", onCopy);
      document.removeEventListener("paste", onPaste);
    };
  });
}
