"use client";
/** Rectangles drawn elsewhere, on their way in: how the file is read, what each is taken for, and how they will stand; nothing is taken before that. */
import { problemText } from "../../../core/engine/result";
import { Dialogue } from "../../../ui/Dialogue";
import { readingProps } from "../../../ui/reading";
import { Select } from "../../../ui/Select";
import { says } from "../../shell/reading/sentences";
import { navigate } from "../../shell/navigate";
import { RectangleGlass } from "./RectangleGlass";
import { RectangleList } from "./RectangleList";
import type { RectangleSource } from "../../../core/exchange/rectangleFile";
import { TableMatching } from "./TableMatching";
import { useRectangles } from "./useRectangles";

interface Props {
  readonly source: RectangleSource;
  readonly onClose: () => void;
}

/** How many problems of the reading are reported at once. */
const MOST_TOLD = 4;

export function RectanglesDialogue({ source, onClose }: Props) {
  const { layout, screens, screenAt, screen, table, match, clusters, setClusters, read, guesses, rows, result, made, wished, ...deeds } = useRectangles(source);
  const { choose, chooseScreen, chooseTable, chooseMatch, take } = deeds;
  const takeIn = () => {
    if (!take()) return;
    onClose();
    navigate("/layout");
  };
  return (
    <Dialogue title={`Rectangles of ${source.fileName}`} open onOpenChange={(open) => !open && onClose()} wide="widest">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.45fr)] gap-5">
        <div className="grid content-start gap-3">
          <label className="field-row">
            <span className="field-name">design width</span>
            <Select
              label="Design screen"
              reads={says("rectangles.screen")}
              className="w-full"
              value={String(screenAt)}
              options={screens.map((one, i) => [String(i), i === 0 ? one.name : `${one.name}, ${one.widthPx} × ${one.heightPx}`] as const)}
              onChange={(key) => chooseScreen(Number(key))}
            />
          </label>
          {source.kind === "tables" && match && (
            <TableMatching tables={source.tables} table={table} match={match} onTable={chooseTable} onMatch={chooseMatch} />
          )}
          <RectangleGlass layout={layout} screen={screen} after={result?.ok ? result.value.layout : layout} ids={result?.ok ? result.value.ids : []} />
          <p className="caption">
            Thick: the imported controls. Thin: existing ones. A line leads to each control’s anchor: the nearest corner, edge middle or the centre of the safe
            frame.
          </p>
        </div>
        <div className="grid min-h-0 content-start gap-3">
          {!read.ok && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problemText(read.problems, MOST_TOLD)}
            </p>
          )}
          {source.kind === "drawing" && source.sheet.passedOver.length > 0 && (
            <p className="text-warning">◆ skipped, position unknown: {source.sheet.passedOver.slice(0, 8).join(", ")}</p>
          )}
          {rows.length > 0 && <RectangleList layout={layout} rows={rows} guesses={guesses} onChange={choose} />}
          {result && !result.ok && (
            <p role="alert" className="text-blocker">
              {problemText(result.problems, MOST_TOLD)}
            </p>
          )}
          <div className="flex items-center gap-3">
            <button type="button" data-first className="push push-main" disabled={!result?.ok} onClick={takeIn} {...readingProps(says("rectangles.take"))}>
              Import
            </button>
            <label className="flex items-center gap-1.5" {...readingProps(says("rectangles.clusters"), clusters ? "yes" : "no")}>
              <input type="checkbox" className="accent-[var(--accent)]" checked={clusters} onChange={(event) => setClusters(event.target.checked)} />
              Group nearby buttons into clusters
            </label>
            <span className="caption ml-auto" role="status" data-testid="rectangles-said">
              {wished === 0 ? "none selected" : `${made} new, ${wished - made} moved`}
            </span>
          </div>
        </div>
      </div>
    </Dialogue>
  );
}
