"use client";
/** Tells the yard where its bodies stand, and the tug where its task line does: where nothing of what shows covers them. */
import { useEffect, useRef } from "react";
import type { EditContext } from "../../core/editing/placing";
import { createTug, type Tug } from "../../samples/tug/tug";
import { coversOf, placing, roomOf } from "../../samples/yard/places";
import { createYard, type Yard } from "../../samples/yard/yard";

type Stage = Pick<EditContext, "layout" | "resolved" | "screen">;

/** What covers the glass in a moment; null: in all of them. */
function coversIn({ layout, resolved }: Stage, moment: string | null) {
  const shown = new Set(layout.controls.flatMap((c) => (moment === null || c.moments.includes(moment) ? [c.id] : [])));
  return coversOf(resolved, (id) => shown.has(id));
}

/** The yard of a layout in a moment, its bodies where nothing covers them: one that is played apart from the view's own. */
export function placedYard(stage: Stage, moment: string | null): Yard {
  const yard = createYard(stage.layout.actions);
  yard.place(placing(stage.layout.actions.length, coversIn(stage, moment), roomOf(stage.screen)));
  return yard;
}

/** The same of the tug, whose line is where nothing covers it. */
export function placedTug(stage: Stage, moment: string | null): Tug {
  const tug = createTug();
  tug.cover(coversIn(stage, moment).seen, roomOf(stage.screen));
  return tug;
}

/** `moment`: the one that shows; null: all of them. */
export function useYardPlaces(game: Tug | Yard, { layout, resolved, screen }: EditContext, moment: string | null): void {
  const placed = useRef<{ readonly game: Tug | Yard; readonly told: string } | null>(null);
  useEffect(() => {
    const covers = coversIn({ layout, resolved, screen }, moment);
    const room = roomOf(screen);
    // A change of feel covers nothing else: the bodies stay where they are, and nothing is looked for.
    const told = JSON.stringify([covers, room, layout.actions.length]);
    if (placed.current?.game === game && placed.current.told === told) return;
    placed.current = { game, told };
    if ("place" in game) game.place(placing(layout.actions.length, covers, room));
    else game.cover(covers.seen, room);
  }, [game, layout, resolved, screen, moment]);
}
