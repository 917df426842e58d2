"use client";
/** How pieces of the interface follow a pointer: who shows them hands in what does it, and what a drag means for undo. */
import { createContext, useContext } from "react";

/** A drag under way: from where it was pressed to where it is, CSS px of the window. */
export interface DragAt {
  readonly from: { readonly x: number; readonly y: number };
  readonly at: { readonly x: number; readonly y: number };
  readonly keys: { readonly shift: boolean; readonly alt: boolean };
}

/** What becomes of a press. After `onBegin` comes exactly one `onDrop` or `onAbandon`; a press that is no drag is a click. */
export interface DragSpec {
  /** So far a press must go to be a drag, CSS px. */
  readonly thresholdPx: number;
  readonly onBegin?: (drag: DragAt) => void;
  readonly onMove: (drag: DragAt) => void;
  readonly onDrop?: (drag: DragAt) => void;
  readonly onClick?: (keys: DragAt["keys"]) => void;
  readonly onAbandon?: () => void;
}

/** The press a drag starts with. */
export interface DragPress {
  readonly currentTarget: Element;
  readonly pointerId: number;
  readonly clientX: number;
  readonly clientY: number;
}

/** Follows a press; gives the way to abandon it, for whoever goes away in the middle. */
export type StartDrag = (press: DragPress, spec: DragSpec) => () => void;

/** What dragging on a number is: changes between `begin` and `commit` are one step of undo, and none of them after `cancel`. */
export interface NumberDrags {
  readonly start: StartDrag;
  readonly begin: () => void;
  readonly commit: () => void;
  readonly cancel: () => void;
}

const NumberDragsContext = createContext<NumberDrags | null>(null);
export const NumberDragsProvider = NumberDragsContext.Provider;
/** Null where numbers are not dragged. */
export const useNumberDrags = (): NumberDrags | null => useContext(NumberDragsContext);
