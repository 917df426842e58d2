"use client";
/** Beside the map: the screen under the cursor, and what is found on it. */
import { MAP_LEVELS, mapScreen, middleOf, type MapRange } from "../../core/checks/aspectMap";
import { pxPerMm } from "../../core/engine/placement/screen";
import { readingProps } from "../../ui/reading";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { says } from "../shell/reading/sentences";
import { nameOf } from "../document/names";
import { measureWords } from "../../core/checks/faceWords";
import { cellAt, type MapRows } from "./mapDrawing";
import type { MapCursor } from "./MapPlot";
import { useFaces } from "./useFaces";

interface Props {
  readonly rows: MapRows;
  readonly range: MapRange;
  readonly cursor: MapCursor;
  readonly onOpen: () => void;
  /** The finding whose measure is drawn as lines. */
  readonly measured: string | null;
  readonly onMeasure: (key: string | null) => void;
}

export function MapPlace({ rows, range, cursor, onOpen, measured, onMeasure }: Props) {
  const { layout } = useFaces();
  const finest = MAP_LEVELS[MAP_LEVELS.length - 1];
  const place = middleOf(range, finest, cursor.column, cursor.row);
  const screen = mapScreen(range, place);
  const mm = pxPerMm(screen);
  const cell = cellAt(rows, (cursor.column + 0.5) / finest.columns, (cursor.row + 0.5) / finest.rows);
  return (
    <aside aria-label="Selected point" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
      <header className="grid gap-1 border-b border-rule px-4 py-3">
        <h2 className="font-semibold">
          Aspect {place.aspect.toFixed(3)}, {place.inches.toFixed(2)} inches
        </h2>
        <span className="figure text-[0.6875rem] text-muted">
          {(screen.widthPx / mm).toFixed(0)} × {(screen.heightPx / mm).toFixed(0)} mm · {range.ppi} ppi
        </span>
        <button type="button" className="push push-main h-6 justify-self-start" onClick={onOpen} {...readingProps(says("screens.bench"), "this screen")}>
          Open on the bench
        </button>
      </header>
      <ul aria-label="Findings" className="min-h-0 flex-1 overflow-auto px-4 py-2 text-[0.75rem]">
        {cell?.map(({ key, code, severity, subjects, measure }) => (
          <li key={key} className="border-b border-rule last:border-0">
            <button
              type="button"
              disabled={!measure}
              aria-pressed={measured === key}
              className={`grid min-h-6 w-full grid-cols-[1rem_1fr_auto] gap-x-1.5 py-0.5 text-left ${measured === key ? "text-accent" : ""}`}
              onClick={() => onMeasure(measured === key ? null : key)}
              {...readingProps(says("map.measure"), measured === key ? "drawn" : "not drawn")}
            >
              <span className={SEVERITY_CLASS[severity]}>{SEVERITY_MARK[severity]}</span>
              <span>
                <span className="sr-only">{severity} </span>
                <span className="figure text-[0.6875rem]">{code}</span> {subjects.map((s) => nameOf(layout, s)).join(", ")}
              </span>
              <span className="figure text-[0.6875rem]">{measureWords(measure)}</span>
            </button>
          </li>
        ))}
        {cell?.length === 0 && <li className="caption">No findings.</li>}
        {!cell && <li className="caption">Not computed yet.</li>}
      </ul>
      <p className="caption border-t border-rule px-4 py-1.5">
        crosses: blockers · lines: warnings · dots: notes · circles: screens of the shelf (click to open on the bench)
      </p>
    </aside>
  );
}
