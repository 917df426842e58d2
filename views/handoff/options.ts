"use client";
/** How parcels leave: chosen once, remembered by the browser, for every layout. What is ticked is remembered for each layout. */
import { useState } from "react";
import { CONSTANT_LANGUAGES, type ConstantLanguage } from "../../core/exchange/constants";
import { Y_DIRECTIONS, type YDirection } from "../../core/exchange/boxDirection";
import { PAPERS, type Paper } from "../../core/report/style";
import { PARCEL_IDS, type ParcelId } from "../../parcels/parcel";
import { note, noted } from "../document/notes";

export const SCREEN_CHOICES = ["rail", "all"] as const;
/** The screens of the rail, or all that the layout is looked at on. */
export type ScreenChoice = (typeof SCREEN_CHOICES)[number];

export interface HandOffOptions {
  readonly shown: ParcelId;
  readonly screens: ScreenChoice;
  readonly direction: YDirection;
  readonly language: ConstantLanguage;
  readonly paper: Paper;
  /** The moment that is drawn, by its id; null, and one that the layout lacks: every moment at once. */
  readonly moment: string | null;
}

const KEY = "nodulum.handoff";
const ticksKey = (layout: string) => `nodulum.ticked.${layout}`;

const oneOf = <T>(choices: readonly T[], value: unknown, usual: T): T => choices.find((choice) => choice === value) ?? usual;

function remembered(): HandOffOptions {
  const value = noted(KEY);
  const was = (typeof value === "object" && value !== null ? value : {}) as Readonly<Record<string, unknown>>;
  return {
    shown: oneOf(PARCEL_IDS, was.shown, "layout"),
    screens: oneOf(SCREEN_CHOICES, was.screens, "rail"),
    direction: oneOf(Y_DIRECTIONS, was.direction, "down"),
    language: oneOf(CONSTANT_LANGUAGES, was.language, "typescript"),
    paper: oneOf(PAPERS, was.paper, "a4"),
    moment: typeof was.moment === "string" ? was.moment : null,
  };
}

export function useHandOffOptions(): readonly [HandOffOptions, (change: Partial<HandOffOptions>) => void] {
  const [options, setOptions] = useState(remembered);
  const change = (some: Partial<HandOffOptions>) => {
    const next = { ...options, ...some };
    note(KEY, next);
    setOptions(next);
  };
  return [options, change];
}

/** What is ticked of the checklist of a layout. */
export function useTicks(layout: string): readonly [ReadonlySet<string>, (id: string, isDone: boolean) => void] {
  const [ticks, setTicks] = useState<{ readonly of: string; readonly ids: ReadonlySet<string> }>({ of: "", ids: new Set() });
  let shown = ticks;
  if (ticks.of !== layout) {
    const value = noted(ticksKey(layout));
    shown = { of: layout, ids: new Set(Array.isArray(value) ? value.filter((id) => typeof id === "string") : []) };
    setTicks(shown);
  }
  const tick = (id: string, isDone: boolean) => {
    const ids = new Set(shown.ids);
    if (isDone) ids.add(id);
    else ids.delete(id);
    note(ticksKey(layout), [...ids]);
    setTicks({ of: layout, ids });
  };
  return [shown.ids, tick];
}
