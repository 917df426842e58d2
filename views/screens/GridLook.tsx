"use client";
/** The grid: controls and the layout down, screens across, in each cell the worst finding of all faces and moments. */
import { isEqual } from "../../core/engine/equal";
import { memo, useMemo } from "react";
import { gridOf, sumOf, type PlayerCase, type Grid, type GridCell } from "../../core/checks/grid";
import { changeTally, type FindingChange } from "../../core/checks/findingChanges";
import { nameOf } from "../document/names";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { faceWords, groupWord, measureWords, tallyWords } from "../../core/checks/faceWords";
import { setScreens, useScreens, type Group } from "./screensState";
import { ScreenHead } from "./ScreenTable";
import { useCellKeys } from "./useCellKeys";
import { changeMarks } from "./changeWords";
import { useChanges } from "./useChanges";
import { useFaces } from "./useFaces";
import { useProposal } from "../document/settle/useShownWay";
import { useSettledScreens } from "./useSettledScreens";
import type { FindingMeasure } from "../../core/checks/finding";
import { useSessionActions } from "../document/SessionContext";

/** A column of the grid: a screen, or a folded group as one. */
type Column =
  | { readonly kind: "screen"; readonly place: number }
  | { readonly kind: "folded"; readonly name: string | null; readonly places: readonly number[] };

/** The cells of the grid: as found, as changed, and as they would be once settled. */
function useGridFacts(groups: readonly Group[], isGrouped: boolean) {
  const { layout, screens, judged } = useFaces();
  const changes = useChanges();
  const folded = useScreens((s) => s.folded);
  const settled = useSettledScreens(judged);
  const grid = useMemo(() => gridOf(layout, settled?.before ?? judged), [layout, judged, settled]);
  const after = useMemo(() => (settled ? gridOf(layout, settled.after) : null), [layout, settled]);
  const columns = groups.flatMap(({ name, places }): Column[] =>
    isGrouped && folded.includes(name ?? "") ? [{ kind: "folded", name, places }] : places.map((place): Column => ({ kind: "screen", place })),
  );
  /** The changes of a column about a subject (empty: all of them), as marks. */
  const marksOf = (column: Column, subject: string | null) => {
    const found = (column.kind === "screen" ? [column.place] : column.places).flatMap((place) => changes?.screens[place] ?? []);
    return changeTally(subject === "" ? found : found.filter(({ change }) => isAbout(change, subject, grid.rows)));
  };
  /** What is found in a cell once it is settled; undefined where nothing is proposed for its screens. */
  const settledIn = (column: Column, row: number): GridCell | null | undefined => {
    const places = column.kind === "screen" ? [column.place] : column.places;
    if (!after || !places.some((place) => settled!.asked.has(screens[place].name))) return undefined;
    return cellIn(row === 0 ? after.columns : after.rows[row - 1].cells, column);
  };
  return { grid, columns, settled, marksOf, settledIn };
}

const cellIn = (cells: readonly (GridCell | null)[], column: Column) =>
  column.kind === "screen" ? cells[column.place] : sumOf(column.places.map((p) => cells[p]));

/** The groups of screens, each with its fold. */
function GroupHeads({ groups }: { groups: readonly Group[] }) {
  const session = useSessionActions();
  const folded = useScreens((s) => s.folded);
  return (
    <tr>
      <td className="sticky left-0 z-10 bg-paper" />
      {groups.map(({ name, places }) => {
        const isFolded = folded.includes(name ?? "");
        return (
          <th key={name ?? ""} scope="colgroup" colSpan={isFolded ? 1 : places.length} className="border-b border-l border-rule px-1 text-left font-normal">
            <button
              type="button"
              className="h-6 max-w-[12rem] truncate"
              aria-expanded={!isFolded}
              onClick={() => setScreens(session, { folded: isFolded ? folded.filter((f) => f !== (name ?? "")) : [...folded, name ?? ""] })}
            >
              {isFolded ? "▸" : "▾"} {groupWord(name)} · {places.length}
            </button>
          </th>
        );
      })}
    </tr>
  );
}

// oxlint-disable-next-line max-lines-per-function -- one table: head, rows and sums share their columns
export function GridLook({ groups, isGrouped }: { groups: readonly Group[]; isGrouped: boolean }) {
  const session = useSessionActions();
  const { layout, screens, faces } = useFaces();
  const changes = useChanges();
  const proposal = useProposal();
  const folded = useScreens((s) => s.folded);
  const open = useScreens((s) => s.cell);
  const facts = useGridFacts(groups, isGrouped);
  const { grid, columns, settled } = facts;
  const { table, onKeyDown } = useCellKeys(grid.rows.length, columns.length - 1);
  const moves = new Map(proposal?.settled.moves.map((move) => [move.id, move.farthest]));
  const rowName = (subject: string | null) => (subject === null ? "layout" : nameOf(layout, subject));
  const cell = (found: GridCell | null, at: { row: number; column: number; subject: string | null; label: string }) => {
    const column = columns[at.column];
    const screen = column.kind === "screen" ? screens[column.place].name : null;
    const isOpen = open !== null && open.subject === at.subject && open.screen === screen && at.row > 0;
    return (
      <Cell
        key={at.column}
        found={found}
        faces={settled?.asked.has(screen ?? "") ? proposal!.request.faces : faces}
        at={`${at.row} ${at.column}`}
        label={at.label}
        marks={changes && changeMarks(facts.marksOf(column, at.subject))}
        settled={facts.settledIn(column, at.row)}
        isOpen={isOpen}
        isFirst={at.row === 0 && at.column === 0}
        onOpen={() => {
          if (screen !== null) setScreens(session, { cell: { subject: at.row === 0 ? "" : at.subject, screen } });
          else if (column.kind === "folded") setScreens(session, { folded: folded.filter((name) => name !== (column.name ?? "")) });
        }}
      />
    );
  };
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <table
        ref={table}
        role="grid"
        aria-label="Findings: controls by screens"
        className="border-separate border-spacing-0 text-[0.6875rem]"
        onKeyDown={onKeyDown}
      >
        <thead className="sticky top-0 z-20 bg-paper">
          {isGrouped && <GroupHeads groups={groups} />}
          <tr>
            <td className="sticky left-0 z-10 min-w-[9rem] bg-paper" />
            {columns.map((column, i) => (
              <ScreenHead key={i} name={columnName(column, screens)} />
            ))}
            <th scope="col" className="border-l border-edge px-2 pb-1 align-bottom font-normal">
              All
            </th>
          </tr>
          <tr>
            <th scope="row" className="sticky left-0 z-10 border-b border-edge bg-paper px-3 text-left font-semibold">
              Everything
            </th>
            {columns.map((column, i) =>
              cell(cellIn(grid.columns, column), { row: 0, column: i, subject: "", label: `all of it on ${columnName(column, screens)}` }),
            )}
            <td className="border-b border-l border-edge px-2 text-muted">{tallyShort(sumOf(columns.map((c) => cellIn(grid.columns, c))))}</td>
          </tr>
        </thead>
        <tbody>
          {grid.rows.map(({ subject, cells }, row) => (
            <tr key={subject ?? "\n"} data-grid-row={subject ?? "layout"}>
              <th scope="row" className="sticky left-0 z-10 max-w-[11rem] truncate border-b border-rule bg-paper px-3 text-left font-normal">
                {rowName(subject)}
                {(moves.get(subject ?? "") ?? 0) >= 0.05 && (
                  <span className="figure block text-[0.625rem] text-accent">→ {moves.get(subject!)!.toFixed(1)} mm</span>
                )}
              </th>
              {columns.map((column, i) =>
                cell(cellIn(cells, column), { row: row + 1, column: i, subject, label: `${rowName(subject)} on ${columnName(column, screens)}` }),
              )}
              <td className="border-b border-l border-edge px-2 whitespace-nowrap text-muted">{tallyShort(sumOf(columns.map((c) => cellIn(cells, c))))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const columnName = (column: Column, screens: readonly { readonly name: string }[]) =>
  column.kind === "screen" ? screens[column.place].name : groupWord(column.name);

/** Whether a change is about the row of a control or zone; null: about none of the rows. */
function isAbout({ was, is }: FindingChange, subject: string | null, rows: Grid["rows"]): boolean {
  const { subjects } = (is ?? was)!;
  return subject === null ? !rows.some((row) => row.subject !== null && subjects.includes(row.subject)) : subjects.includes(subject);
}

/** Marks and counts: "■2 ◆1". */
function tallyShort(cell: GridCell | null): string {
  if (!cell) return "";
  return (["blocker", "warning", "note"] as const).flatMap((s) => (cell.tally[s] > 0 ? [`${SEVERITY_MARK[s]}${cell.tally[s]}`] : [])).join(" ");
}

/** A measure without its unit, where the column is too narrow for it; the words of the cell have it. */
const shortMeasure = (measure: FindingMeasure | null) => measureWords(measure).replace(" mm", "").replace(" : 1", "");

interface CellProps {
  readonly found: GridCell | null;
  readonly faces: readonly PlayerCase[];
  readonly at: string;
  readonly label: string;
  /** What changed against another version, as marks; null: held against none. */
  readonly marks: string | null;
  /** What is found once it is settled; null: nothing; undefined: nothing is proposed. */
  readonly settled: GridCell | null | undefined;
  readonly isOpen: boolean;
  readonly isFirst: boolean;
  readonly onOpen: () => void;
}

/** What a cell says: the worst that is found in it, and how much. */
function cellWords(label: string, found: GridCell | null, face: PlayerCase | null): string {
  const worst = found?.worst;
  if (!worst || !face) return `${label}: ${tallyWords(found)}`;
  const { severity, code, measure } = worst.finding;
  return `${label}: ${severity} ${code}${measure ? `, ${measureWords(measure)}` : ""}, ${faceWords(face)}; ${tallyWords(found)}`;
}

/** What is found once it is settled. */
function SettledMark({ cell: settled }: { cell: GridCell | null }) {
  return (
    <span aria-hidden className="figure h-4 text-[0.625rem] leading-4 whitespace-nowrap" data-settled={settled?.worst?.finding.severity ?? "none"}>
      <span className="text-accent">→ </span>
      {settled?.worst ? (
        <span className={SEVERITY_CLASS[settled.worst.finding.severity]}>
          {SEVERITY_MARK[settled.worst.finding.severity]}
          {shortMeasure(settled.worst.finding.measure)}
        </span>
      ) : (
        "✓"
      )}
    </span>
  );
}

/** At which hand and size the worst is found, by a corner of the cell. */
function FaceMark({ face, first }: { face: PlayerCase; first: PlayerCase }) {
  return (
    <span
      aria-hidden
      className={`absolute size-1 bg-current text-muted ${face.handed === "left" ? "left-0.5" : "right-0.5"} ${face.playerSize === first.playerSize ? "top-0.5" : "bottom-0.5"}`}
    />
  );
}

const Cell = memo(
  function Cell({ found, faces, at, label, marks, settled, isOpen, isFirst, onOpen }: CellProps) {
    const worst = found?.worst ?? null;
    const face = worst && faces[worst.face];
    const measure = worst ? shortMeasure(worst.finding.measure) : "";
    const words = cellWords(label, found, face);
    return (
      <td role="gridcell" className={`border-b border-l border-rule p-0 ${isOpen ? "bg-sheet" : ""}`}>
        <button
          type="button"
          data-cell={at}
          tabIndex={isFirst || isOpen ? 0 : -1}
          aria-label={`${words}${marks ? `; changed ${marks}` : ""}${settled === undefined ? "" : `; settled: ${tallyWords(settled)}`}`}
          aria-pressed={isOpen}
          className={`relative grid ${marks === null && settled === undefined ? "h-6" : "h-9 content-center"} w-full min-w-[3.375rem] place-items-center outline-offset-[-2px] hover:bg-sheet ${isOpen ? "outline-2 outline-accent" : ""}`}
          onClick={onOpen}
        >
          {worst ? (
            <span className={`figure whitespace-nowrap ${settled === undefined ? "" : "leading-4"} ${SEVERITY_CLASS[worst.finding.severity]}`}>
              {SEVERITY_MARK[worst.finding.severity]}
              {measure && <span className="ml-0.5">{measure}</span>}
            </span>
          ) : (
            <span className="text-muted">{found ? "✓" : "·"}</span>
          )}
          {settled !== undefined && (found !== null || settled !== null) && <SettledMark cell={settled} />}
          {marks !== null && (
            <span aria-hidden className="figure h-3 text-[0.625rem] leading-3 whitespace-nowrap text-accent" data-marks={marks || undefined}>
              {marks}
            </span>
          )}
          {face && <FaceMark face={face} first={faces[0]} />}
        </button>
      </td>
    );
  },
  (a, b) =>
    a.at === b.at &&
    a.marks === b.marks &&
    a.label === b.label &&
    isEqual(a.settled, b.settled) &&
    a.isOpen === b.isOpen &&
    a.faces === b.faces &&
    isEqual(a.found, b.found),
);
