"use client";
/** Beside what changed: the changes of the open cell, or of all screens, each with the way to where it is. */
import { CHANGE_KINDS, type ChangeKind, type FaceChange } from "../../core/checks/findingChanges";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { momentName, nameOf } from "../document/names";
import { CHANGE_CLASS, CHANGE_MARK, changeSubjects, fromTo } from "./changeWords";
import { faceWords } from "../../core/checks/faceWords";
import { putOnBench } from "./putOnBench";
import { setScreens, useScreens } from "./screensState";
import { useChanges } from "./useChanges";
import { useFaces } from "./useFaces";

/** The changes behind the open cell; without one those of every screen, the worst first. */
export function ChangedHere() {
  const { layout, screens, faces } = useFaces();
  const changes = useChanges();
  const session = useSessionActions();
  const open = useScreens((s) => s.cell);
  const isAll = open === null || !screens.some((s) => s.name === open.screen);
  const found = screens.flatMap((screen, place) =>
    (changes?.screens[place] ?? []).flatMap((one) =>
      isAll || (screen.name === open.screen && (open.subject === "" || changeSubjects(one).includes(open.subject))) ? [{ ...one, screen: screen.name }] : [],
    ),
  );
  const shown = (isAll ? together(found) : found.map((one) => ({ ...one, screens: 1 }))).sort(
    (a, b) => CHANGE_KINDS.indexOf(a.change.kind) - CHANGE_KINDS.indexOf(b.change.kind),
  );
  if (!changes) return <p className="caption p-4">Select a cell to see what changed.</p>;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <header className="border-b border-rule px-4 py-3">
        <h2 className="font-semibold">
          {isAll ? "On all screens" : `${open.subject === "" ? "All" : open.subject === null ? "Layout" : nameOf(layout, open.subject)} on ${open.screen}`}
        </h2>
        {!isAll && (
          <button type="button" className="push mt-1 h-6" onClick={() => setScreens(session, { cell: null })}>
            On all screens
          </button>
        )}
      </header>
      <ul aria-label="Changes" className="min-h-0 flex-1 overflow-auto px-4 py-2 text-[0.75rem]">
        {shown.map(({ change, face, screen, screens: count }, i) => {
          const { code, subjects, severity, moment } = (change.is ?? change.was)!;
          return (
            <li key={i} className="border-b border-rule py-1 last:border-0" data-change={`${change.kind} ${code}`}>
              <button
                type="button"
                className="grid w-full grid-cols-[4.25rem_1fr] gap-x-2 text-left"
                onClick={() => putOnBench(session, { screen, face: faces[face], finding: change.is ?? change.was })}
                {...readingProps(says("screens.bench"), screen)}
              >
                <KindWord kind={change.kind} />
                <span>
                  <span className={SEVERITY_CLASS[severity]} aria-hidden>
                    {SEVERITY_MARK[severity]}
                  </span>{" "}
                  <span className="figure text-[0.6875rem]">{code}</span> {subjects.map((s) => nameOf(layout, s)).join(", ")}
                  <span className="caption block">
                    {fromTo(change)} · {count > 1 ? `on ${count} screens, first ${screen}, ` : isAll && `${screen}, `}
                    {faceWords(faces[face])}
                    {moment !== null && `, ${momentName(layout, moment)}`}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
        {shown.length === 0 && <li className="caption">No changes here.</li>}
      </ul>
    </div>
  );
}

type Placed = FaceChange & { readonly screen: string };

/** The same change on several screens once: with the first of them, and how many there are. */
function together(found: readonly Placed[]): (Placed & { readonly screens: number })[] {
  const groups = new Map<string, Placed & { screens: number }>();
  for (const one of found) {
    const { code, subjects, moment } = (one.change.is ?? one.change.was)!;
    const key = JSON.stringify([one.change.kind, code, subjects, moment]);
    const known = groups.get(key);
    if (known) known.screens += 1;
    else groups.set(key, { ...one, screens: 1 });
  }
  return [...groups.values()];
}

function KindWord({ kind }: { kind: ChangeKind }) {
  return (
    <span className={CHANGE_CLASS[kind]}>
      <span className="figure">{CHANGE_MARK[kind]}</span> {kind}
    </span>
  );
}
