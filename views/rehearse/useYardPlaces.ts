"use client";
/** Tells the yard where its bodies stand: where nothing of what shows covers them. Another game is told nothing. */
import { useEffect, useRef } from "react";
import type { EditContext } from "../../core/editing/placing";
import type { Game } from "../../samples/game";
import { coversOf, placesFor, roomOf } from "../../samples/yard/places";
import { createYard, type Yard } from "../../samples/yard/yard";

/** The yard of a layout in a moment, its bodies where nothing covers them: one that is played apart from the view's own. */
export function placedYard({ layout, resolved, screen }: Pick<EditContext, "layout" | "resolved" | "screen">, moment: string | null): Yard {
  const yard = createYard(layout.actions);
  const shown = new Set(layout.controls.flatMap((c) => (moment === null || c.moments.includes(moment) ? [c.id] : [])));
  yard.place(
    placesFor(
      layout.actions.length,
      coversOf(resolved, (id) => shown.has(id)),
      roomOf(screen),
    ),
  );
  return yard;
}

/** `moment`: the one that shows; null: all of them. */
export function useYardPlaces(game: Game | Yard, { layout, resolved, screen }: EditContext, moment: string | null): void {
  const placed = useRef<{ readonly game: Game; readonly told: string } | null>(null);
  useEffect(() => {
    if (!("place" in game)) return;
    const shown = new Set(layout.controls.flatMap((c) => (moment === null || c.moments.includes(moment) ? [c.id] : [])));
    const covers = coversOf(resolved, (id) => shown.has(id));
    const room = roomOf(screen);
    // A change of feel covers nothing else: the bodies stay where they are, and nothing is looked for.
    const told = JSON.stringify([covers, room, layout.actions.length]);
    if (placed.current?.game === game && placed.current.told === told) return;
    placed.current = { game, told };
    game.place(placesFor(layout.actions.length, covers, room));
  }, [game, layout, resolved, screen, moment]);
}
