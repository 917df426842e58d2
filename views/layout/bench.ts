"use client";
/** What the bench alone remembers while it is open: the tool in hand, the cluster that has been entered, zoom, what is pointed out. Nothing of it is in the file. */
import type { Clip } from "../../core/wiring/paste";
import type { MirroredCopies } from "../../core/editing/mirroredCopies";
import type { ControlKind } from "../../core/format/types";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
import { NOTHING_SHOWN, type GlassShown, type Tool } from "../interaction/glassGesture";

/** fit: all of the screen in view · true: life size · free: this many times the size that fits. */
export type Zoom = { readonly mode: "fit" } | { readonly mode: "true" } | { readonly mode: "free"; readonly factor: number };

export interface Bench {
  readonly tool: Tool;
  /** The cluster whose controls can be taken hold of; null: clusters are taken as one. */
  readonly entered: string | null;
  /** Look at the controls as held. */
  readonly held: boolean;
  readonly zoom: Zoom;
  /** Where the middle of the screen is, from the middle of the room it has, CSS px. */
  readonly pan: { readonly x: number; readonly y: number };
  /** The finding that is pointed out on the glass. */
  readonly finding: { readonly code: string; readonly subjects: readonly string[] } | null;
  /** Something is being dragged on the glass: what is not about the drag may follow a little later. */
  readonly dragging: boolean;
  /** What is drawn of the gesture under way on the glass. */
  readonly shown: GlassShown;
  /** The control that has just grown: its kind can be chosen at a gesture. */
  readonly grown: string | null;
  /** A control that is to become another kind and would lose wires by it: that is reported before it is done. */
  readonly kindWish: { readonly id: string; readonly kind: ControlKind } | null;
  /** What was pasted serves words that are not here: what they mean is asked. */
  readonly pasted: Clip | null;
  /** Copies made by mirroring that serve nothing yet: whether they serve what the originals serve is asked. */
  readonly mirrored: MirroredCopies | null;
  /** The copies whose actions are chosen one by one in a dialog. */
  readonly askedCopies: MirroredCopies["originals"] | null;
  /** What is clicked next gets the look, or the feel, of this control. */
  readonly copying: { readonly what: "look" | "feel"; readonly from: string } | null;
  /** A tap adds to the selection, and marks in the ledger, as with Shift: for fingers, which have none. */
  readonly several: boolean;
  /** What is not drawn on the bench for now. */
  readonly hidden: readonly string[];
  /** A drag may not break any screen of the rail. */
  readonly holds: boolean;
  /** The screen that holds the drag under way, by its name. */
  readonly heldBy: string | null;
  /** A take plays again and again in the corner of the glass. */
  readonly loopsTake: boolean;
  /** The room that the glass has, CSS px. */
  readonly room: { readonly w: number; readonly h: number };
}

/** How far one may zoom, against the size that fits. */
export const ZOOM_RANGE = { least: 0.25, most: 8 } as const;

const START: Bench = {
  tool: null,
  entered: null,
  held: false,
  zoom: { mode: "fit" },
  pan: { x: 0, y: 0 },
  finding: null,
  dragging: false,
  shown: NOTHING_SHOWN,
  grown: null,
  kindWish: null,
  pasted: null,
  mirrored: null,
  askedCopies: null,
  copying: null,
  several: false,
  hidden: [],
  holds: false,
  heldBy: null,
  loopsTake: false,
  room: { w: 0, h: 0 },
};
const bench = defineUiState<Bench>({ lasts: "layout", first: START });
export const benchStore = bench.of;
export const useBenchStore = bench.useStore;
export const useBench = bench.use;
export const setBench = (session: Session, change: Partial<Bench>): void => benchStore(session).setState(change);
/** The bench remains for another view: what was in hand is put down, what is hidden for now stays so, and screens that are held. */
export const leaveBench = (session: Session): void => {
  const { hidden, holds } = benchStore(session).getState();
  benchStore(session).setState({ ...START, hidden, holds }, true);
};

/** Zooms to a factor of the size that fits, so that a point (CSS px from the middle of the room) stays where it is; `ratio`: the next scale by the present one. */
export function zoomAbout(session: Session, point: { x: number; y: number }, { factor, ratio }: { factor: number; ratio: number }): void {
  const { pan } = benchStore(session).getState();
  setBench(session, { zoom: { mode: "free", factor }, pan: { x: point.x - (point.x - pan.x) * ratio, y: point.y - (point.y - pan.y) * ratio } });
}
