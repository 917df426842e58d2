"use client";
/** What changed: the findings of now against a named state, an earlier edit or a file, by screen and control: new, worse, better, resolved. */
import { useState } from "react";
import { CHANGE_KINDS, changeTally, type FaceChange } from "../../core/checks/findingChanges";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { nameOf } from "../document/names";
import { useNamedStates } from "../document/useNamedStates";
import { VersionSelect } from "../fields/VersionSelect";
import { choiceWord } from "../document/versions";
import { CHANGE_CLASS, CHANGE_MARK, changeMarks, changeSubjects, changesWords } from "./changeWords";
import { ChangedHere } from "./ChangedHere";
import { ScreenTable } from "./ScreenTable";
import { setScreens, useScreens, type Group } from "./screensState";
import { useChanges } from "./useChanges";
import { useFaces } from "./useFaces";
import { useSessionActions } from "../document/SessionContext";

export function ChangedLook({ groups }: { groups: readonly Group[] }) {
  const session = useSessionActions();
  const { layout, screens } = useFaces();
  const changes = useChanges();
  const named = useNamedStates();
  const { against, cell: open } = useScreens((s) => s);
  const [problem, setProblem] = useState("");
  const places = groups.flatMap((group) => group.places);
  const at = (place: number) => changes?.screens[place] ?? null;
  const touched = new Set(places.flatMap((place) => at(place)?.flatMap(changeSubjects) ?? []));
  const known = [...layout.controls, ...layout.keepClear].map(({ id }) => id);
  const strangers = [...touched].filter((subject): subject is string => subject !== null && !known.includes(subject));
  const rows = [...known.filter((id) => touched.has(id)), ...strangers, ...(touched.has(null) ? [null] : [])];
  const of = (place: number, subject: string | null) => at(place)?.filter((one) => changeSubjects(one).includes(subject)) ?? [];
  const all = places.flatMap((place) => at(place) ?? []);
  const isWhole = changes !== null && places.every((place) => at(place) !== null);
  return (
    <>
      <section aria-label="Changed" className="flex min-h-0 min-w-0 flex-col">
        <header className="flex flex-wrap items-center gap-3 px-4 pt-2 pb-1">
          <h2 className="font-semibold">Current findings</h2>
          <span className="caption">Compared with</span>
          <span className="w-56" {...readingProps(says("changed.against"), against ? choiceWord(against) : "nothing yet")}>
            <VersionSelect
              label="Compared version"
              value={against}
              named={named}
              onChoose={(choice) => setScreens(session, { against: choice?.kind === "now" ? null : choice })}
              onProblem={setProblem}
            />
          </span>
          <span className="caption" data-testid="changed-state">
            {changes && (isWhole ? changesWords(changeTally(all)) || "no changes" : `checked ${changes.done} of ${screens.length}`)}
          </span>
        </header>
        {(problem || changes?.problem) && (
          <p role="alert" className="px-4 text-blocker">
            {problem || changes?.problem}
          </p>
        )}
        {!against && (
          <p className="caption max-w-[34rem] p-4">
            Choose a named state, an earlier edit or a file to see which findings are new, worse, better or resolved, by screen and control. The grid shows
            these marks too.
          </p>
        )}
        {isWhole && rows.length === 0 && <p className="caption p-4">No changes on these screens.</p>}
        {rows.length > 0 && (
          <ScreenTable
            label="Changes: controls by screens"
            columns={places.map((place) => screens[place].name)}
            rows={rows.map((subject) => ({ key: subject ?? "layout", name: subject === null ? "layout" : nameOf(layout, subject) }))}
            open={open && { row: rows.indexOf(open.subject), column: places.findIndex((place) => screens[place].name === open.screen) }}
            onOpen={(row, column) => setScreens(session, { cell: { subject: rows[row], screen: screens[places[column]].name } })}
            cellOf={(row, column) => {
              const tally = changeTally(of(places[column], rows[row]));
              const words = changesWords(tally);
              return words === "" ? null : { label: words, shown: <Marks found={of(places[column], rows[row])} /> };
            }}
            sum={{ head: "all", of: (row) => changeMarks(changeTally(places.flatMap((place) => of(place, rows[row])))) }}
          />
        )}
        <p className="caption border-t border-rule px-4 py-1">
          {CHANGE_KINDS.map((kind) => (
            <span key={kind} className="mr-3">
              <span className={`figure ${CHANGE_CLASS[kind]}`}>{CHANGE_MARK[kind]}</span> {kind}
            </span>
          ))}
        </p>
      </section>
      <aside aria-label="What changed here" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
        <ChangedHere />
      </aside>
    </>
  );
}

function Marks({ found }: { found: readonly FaceChange[] }) {
  const tally = changeTally(found);
  return (
    <span className="figure whitespace-nowrap">
      {CHANGE_KINDS.filter((kind) => tally[kind] > 0).map((kind) => (
        <span key={kind} className={`mx-px ${CHANGE_CLASS[kind]}`}>
          {CHANGE_MARK[kind]}
          {tally[kind] > 1 && tally[kind]}
        </span>
      ))}
    </span>
  );
}
