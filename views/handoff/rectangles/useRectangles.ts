"use client";
/** Rectangles on their way in: how their file is read, what each is taken for, and the layout that comes of it. */
import { useMemo, useState } from "react";
import { guessMatch, valuesIn, type TableMatch } from "../../../core/exchange/tableRectangles";
import { editContextOf } from "../../../core/editing/placing";
import { PLAIN_PLAYER_VIEW } from "../../../core/engine/placement/resolve";
import type { Screen } from "../../../core/format/types";
import { drawnFor } from "../../../core/versions/compare";
import { guessControls, takeRectangles, type RectangleImport } from "../../../core/wiring/rectangles";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { shelfOf } from "../../document/railScreens";
import type { Choice } from "./RectangleList";
import { rectanglesIn, type RectangleSource } from "../../../core/exchange/rectangleFile";

export function useRectangles(source: RectangleSource) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const screens = useMemo(() => [drawnFor(layout), ...shelfOf(layout)], [layout]);
  const [screenAt, setScreenAt] = useState(() => likelyScreen(source, screens));
  const [table, setTable] = useState(0);
  const [match, setMatch] = useState<TableMatch | null>(() => (source.kind === "tables" ? guessMatch(source.tables[0]) : null));
  const [clusters, setClusters] = useState(true);
  const [choices, setChoices] = useState<ReadonlyMap<number, Choice>>(new Map());
  const screen = screens[screenAt];
  const read = useMemo(() => rectanglesIn(source, { table, match }, screen), [source, table, match, screen]);
  const rectangles = useMemo(() => (read.ok ? read.value : []), [read]);
  const guesses = useMemo(() => guessControls(layout, rectangles, screen), [layout, rectangles, screen]);
  const rows = rectangles.map((rectangle, i): Choice & { readonly rectangle: typeof rectangle } => ({
    rectangle,
    ...(choices.get(i) ?? { taken: true, kind: guesses[i].kind, action: guesses[i].action, control: guesses[i].control }),
  }));
  const wishes = rows.filter(({ taken }) => taken).map(({ rectangle, kind, action, control }): RectangleImport => ({ ...rectangle, kind, action, control }));
  const context = useMemo(() => editContextOf(layout, screen, PLAIN_PLAYER_VIEW), [layout, screen]);
  const result = wishes.length > 0 ? takeRectangles(context, wishes, clusters) : null;
  const made = result?.ok ? result.value.ids.filter((id) => layout.controls.every((one) => one.id !== id)).length : 0;
  return {
    ...{ layout, screens, screenAt, screen, table, match, clusters, setClusters, read, guesses, rows, result, made, wished: wishes.length },
    choose: (i: number, choice: Choice) => setChoices(new Map(choices).set(i, choice)),
    chooseScreen(at: number) {
      setScreenAt(at);
      const { name } = screens[at];
      // A table of several screens is read by the rows of the one that is chosen.
      if (source.kind === "tables" && match?.only?.column === "screen" && valuesIn(source.tables[table], "screen").includes(name))
        setMatch({ ...match, only: { column: "screen", value: name } });
    },
    chooseTable(next: number) {
      if (source.kind !== "tables") return;
      setTable(next);
      setMatch(guessMatch(source.tables[next]));
      setChoices(new Map());
    },
    chooseMatch(next: TableMatch) {
      setMatch(next);
      const named = screens.findIndex(({ name }) => name === next.only?.value);
      if (next.only?.column === "screen" && named >= 0) setScreenAt(named);
      setChoices(new Map());
    },
    /** Takes them in as one step; false where it was refused, which is reported. */
    take: () =>
      session.edit(`import ${wishes.length} rectangles from ${source.fileName}`, (now) => {
        const done = takeRectangles(editContextOf(now, screen, PLAIN_PLAYER_VIEW), wishes, clusters);
        return done.ok ? { ok: true, value: done.value.layout } : done;
      }),
  };
}

/** The screen of a drawing's own size or aspect; else the one the layout is drawn for. */
function likelyScreen(source: RectangleSource, screens: readonly Screen[]): number {
  if (source.kind === "drawing") {
    const { width, height } = source.sheet;
    const same = screens.findIndex(({ widthPx, heightPx }) => Math.abs(widthPx - width) < 1 && Math.abs(heightPx - height) < 1);
    return Math.max(0, same);
  }
  const [first] = source.tables;
  const cell = (column: string) => first.rows[0]?.[first.columns.indexOf(column)];
  const named = screens.findIndex(({ name }) => name === cell("screen"));
  return Math.max(0, named);
}
