"use client";
/** Rectangles drawn elsewhere, on their way in: how the file is read, what each is taken for, and how they will stand; nothing is taken before that. */
import { useMemo, useState } from "react";
import { guessMatch, valuesIn, type TableMatch } from "../../../core/exchange/tableRectangles";
import { editContextOf } from "../../../core/editing/placing";
import { PLAIN_PLAYER_VIEW } from "../../../core/engine/placement/resolve";
import { problemText } from "../../../core/engine/result";
import { guessControls, takeRectangles, type RectangleWish } from "../../../core/wiring/rectangles";
import { drawnFor } from "../../../core/versions/compare";
import { Dialogue } from "../../../ui/Dialogue";
import { readingProps } from "../../../ui/reading";
import { Select } from "../../../ui/Select";
import { says } from "../../reading/sentences";
import { useSession, useSessionActions } from "../../session/context";
import { shelfOf } from "../../session/screens";
import { go } from "../../shared/go";
import { RectangleGlass } from "./RectangleGlass";
import { RectangleList, type Choice } from "./RectangleList";
import { rectanglesIn, type RectangleSource } from "./source";
import { TableMatching } from "./TableMatching";

interface Props {
  readonly source: RectangleSource;
  readonly onClose: () => void;
}

/** How many problems of the reading are told at once. */
const MOST_TOLD = 4;

export function RectanglesDialogue({ source, onClose }: Props) {
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
  const wishes = rows.filter(({ taken }) => taken).map(({ rectangle, kind, action, control }): RectangleWish => ({ ...rectangle, kind, action, control }));
  const context = useMemo(() => editContextOf(layout, screen, PLAIN_PLAYER_VIEW), [layout, screen]);
  const result = wishes.length > 0 ? takeRectangles(context, wishes, clusters) : null;
  const take = () => {
    const isTaken = session.edit(`take in ${wishes.length} rectangles of ${source.fileName}`, (now) => {
      const done = takeRectangles(editContextOf(now, screen, PLAIN_PLAYER_VIEW), wishes, clusters);
      return done.ok ? { ok: true, value: done.value.layout } : done;
    });
    if (!isTaken) return;
    onClose();
    go("/layout");
  };
  const isMade = (id: string) => layout.controls.every((one) => one.id !== id);
  const made = result?.ok ? result.value.ids.filter(isMade).length : 0;
  return (
    <Dialogue title={`Rectangles of ${source.fileName}`} open onOpenChange={(open) => !open && onClose()} wide="widest">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.45fr)] gap-5">
        <div className="grid content-start gap-3">
          <label className="field-row">
            <span className="field-name">drawn for</span>
            <Select
              label="The screen they were drawn for"
              reads={says("rectangles.screen")}
              className="w-full"
              value={String(screenAt)}
              options={screens.map((one, i) => [String(i), i === 0 ? one.name : `${one.name}, ${one.widthPx} × ${one.heightPx}`] as const)}
              onChange={(key) => {
                setScreenAt(Number(key));
                const { name } = screens[Number(key)];
                // A table of several screens is read by the rows of the one that is chosen.
                if (source.kind === "tables" && match?.only?.column === "screen" && valuesIn(source.tables[table], "screen").includes(name))
                  setMatch({ ...match, only: { column: "screen", value: name } });
              }}
            />
          </label>
          {source.kind === "tables" && match && (
            <TableMatching
              tables={source.tables}
              table={table}
              match={match}
              onTable={(next) => {
                setTable(next);
                setMatch(guessMatch(source.tables[next]));
                setChoices(new Map());
              }}
              onMatch={(next) => {
                setMatch(next);
                const named = screens.findIndex(({ name }) => name === next.only?.value);
                if (next.only?.column === "screen" && named >= 0) setScreenAt(named);
                setChoices(new Map());
              }}
            />
          )}
          <RectangleGlass layout={layout} screen={screen} after={result?.ok ? result.value.layout : layout} ids={result?.ok ? result.value.ids : []} />
          <p className="caption">
            Thick: as they will stand. Thin: what is there. A line leads to the point of the safe frame that each is tied to, the nearest corner, edge’s middle
            or the centre.
          </p>
        </div>
        <div className="grid min-h-0 content-start gap-3">
          {!read.ok && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problemText(read.problems, MOST_TOLD)}
            </p>
          )}
          {source.kind === "drawing" && source.sheet.passedOver.length > 0 && (
            <p className="text-warning">◆ passed over, for their places cannot be told: {source.sheet.passedOver.slice(0, 8).join(", ")}</p>
          )}
          {rows.length > 0 && (
            <RectangleList layout={layout} rows={rows} guesses={guesses} onChange={(i, choice) => setChoices(new Map(choices).set(i, choice))} />
          )}
          {result && !result.ok && (
            <p role="alert" className="text-blocker">
              {problemText(result.problems, MOST_TOLD)}
            </p>
          )}
          <div className="flex items-center gap-3">
            <button type="button" data-first className="push push-main" disabled={!result?.ok} onClick={take} {...readingProps(says("rectangles.take"))}>
              Take them in
            </button>
            <label className="flex items-center gap-1.5" {...readingProps(says("rectangles.clusters"), clusters ? "yes" : "no")}>
              <input type="checkbox" className="accent-[var(--accent)]" checked={clusters} onChange={(event) => setClusters(event.target.checked)} />
              those that stand together as clusters
            </label>
            <span className="caption ml-auto" role="status" data-testid="rectangles-said">
              {wishes.length === 0 ? "none is chosen" : `${made} new, ${wishes.length - made} moved`}
            </span>
          </div>
        </div>
      </div>
    </Dialogue>
  );
}

/** The screen of a drawing's own size or aspect; else the one the layout is drawn for. */
function likelyScreen(source: RectangleSource, screens: readonly { readonly widthPx: number; readonly heightPx: number; readonly name: string }[]): number {
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
