"use client";
/** What is behind a cell of the grid: the screen, the findings of a face in words, and the ways to where they can be fixed. */
import { useEffect, useMemo, useState } from "react";
import type { Finding } from "../../core/checks/finding";
import { arrangementForScreens } from "../../core/checks/arrangementForScreens";
import { cellOf } from "../../core/checks/grid";
import type { Screen } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { FindingList } from "../fields/FindingList";
import { LiveLayout } from "../canvas/LiveLayout";
import { nameOf } from "../document/names";
import { faceWords, tallyWords } from "../../core/checks/faceWords";
import { putOnBench } from "./putOnBench";
import { useScreens } from "./screensState";
import { useFaces, type Faces } from "./useFaces";
import { useSpread } from "./useSpread";

/** The picture fits the panel in the smallest window, CSS px. */
const WIDTH = 252;

export function CellPanel() {
  const { layout, screens, faces, judged } = useFaces();
  const open = useScreens((s) => s.cell);
  const place = screens.findIndex((s) => s.name === open?.screen);
  if (!open || place < 0) return <p className="caption p-4">Select a cell to see its findings and the screen.</p>;
  return <OpenCell key={`${open.screen}\n${open.subject}`} all={{ layout, screens, faces, judged }} place={place} subject={open.subject} />;
}

/** `subject`: a row's; empty: all of the screen; null: what is of no control. */
// oxlint-disable-next-line max-lines-per-function -- one panel, read from top to bottom
function OpenCell({ all, place, subject }: { all: Pick<Faces, "layout" | "screens" | "faces" | "judged">; place: number; subject: string | null }) {
  const { layout, screens, faces, judged } = all;
  const session = useSessionActions();
  const screen = screens[place];
  const known = useMemo(() => new Set([...layout.controls.map((c) => c.id), ...layout.keepClear.map((z) => z.id)]), [layout]);
  const isMeant = (f: { readonly subjects: readonly string[] }) =>
    subject === "" || (subject === null ? !f.subjects.some((s) => known.has(s)) : f.subjects.includes(subject));
  const cells = (judged[place]?.faces ?? []).map((list, face) => cellOf(list.filter(isMeant).map((finding) => ({ finding, face }))));
  const worst = cellOf((judged[place]?.faces ?? []).flatMap((list, face) => list.filter(isMeant).map((finding) => ({ finding, face }))))?.worst ?? null;
  const [chosen, setChosen] = useState<number | null>(null);
  const face = chosen ?? worst?.face ?? 0;
  const words = useWords(place, face);
  const spread = useSpread();
  const scale = Math.min(WIDTH / screen.widthPx, 190 / screen.heightPx);
  const withIt = useMemo(
    () =>
      worst
        ? screens.filter((_, i) =>
            judged[i]?.faces.some((list) =>
              list.some((f) => f.accepted === null && f.code === worst.finding.code && f.subjects.join() === worst.finding.subjects.join()),
            ),
          )
        : [],
    [worst, screens, judged],
  );
  const arrange = (these: readonly Screen[]) => {
    const name = `For ${subject && these.length > 1 ? nameOf(layout, subject) : screen.name}`.slice(0, 80);
    let others = 0;
    const done = session.edit(`add “${name}”`, (l) => {
      const made = arrangementForScreens(l, { screens: these, shelf: screens, name });
      if (!made.ok) return made;
      others = made.value.others;
      return { ok: true, value: made.value.layout };
    });
    if (!done) return;
    session.tell({
      text: `“${name}” applies to ${these.length === 1 ? "this screen" : `these ${these.length} screens`}${others > 0 ? `, and on ${others} more screens` : ""}. Changes on the bench now apply only there.`,
      tone: "plain",
    });
    putOnBench(session, { screen: screen.name, face: faces[face], finding: worst?.finding ?? null });
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <header className="grid gap-1.5 border-b border-rule px-4 py-3">
        <h2 className="font-semibold">{subject === "" ? screen.name : `${subject === null ? "Layout" : nameOf(layout, subject)} on ${screen.name}`}</h2>
        <div className="justify-self-center">
          <LiveLayout screen={screen} scale={scale} label={`The layout on ${screen.name}, ${faceWords(faces[face])}`} face={faces[face]} />
        </div>
        <div role="group" aria-label="Player" className="grid grid-cols-2 gap-1">
          {faces.map((one, i) => (
            <button
              key={faceWords(one)}
              type="button"
              className="push flex h-auto min-h-6 flex-col items-start gap-0 px-1.5 py-0.5 text-left whitespace-normal text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent"
              aria-pressed={i === face}
              onClick={() => setChosen(i)}
              {...readingProps(says("screens.face"), faceWords(one))}
            >
              {faceWords(one)}
              <span className="block text-muted">{tallyWords(cells[i] ?? null)}</span>
            </button>
          ))}
        </div>
        <span className="flex flex-wrap gap-1">
          <button
            type="button"
            className="push push-main h-6"
            onClick={() => putOnBench(session, { screen: screen.name, face: faces[face], finding: worst?.finding ?? null })}
            {...readingProps(says("screens.bench"), screen.name)}
          >
            Open on the bench
          </button>
          <button type="button" className="push h-6" onClick={() => arrange([screen])} {...readingProps(says("screens.arrangeOne"), screen.name)}>
            Add an arrangement for this screen
          </button>
          {withIt.length > 1 && (
            <button type="button" className="push h-6" onClick={() => arrange(withIt)} {...readingProps(says("screens.arrange"), String(withIt.length))}>
              Add an arrangement for the {withIt.length} that have it
            </button>
          )}
        </span>
      </header>
      <div className="min-h-0 flex-1 overflow-auto p-3">
        <FindingList
          findings={words?.filter(isMeant)}
          also={spread}
          empty="No findings for this player."
          onPick={(_, finding) => putOnBench(session, { screen: screen.name, face: faces[face], finding })}
        />
      </div>
    </div>
  );
}

/** The findings of a face in words; undefined while they are computed. */
function useWords(place: number, face: number): readonly Finding[] | undefined {
  const { layout, screens, faces, stills, checker } = useFaces();
  const [found, setFound] = useState<{
    readonly layout: typeof layout;
    readonly place: number;
    readonly face: number;
    readonly list: readonly Finding[];
  } | null>(null);
  const session = useSessionActions();
  useEffect(() => {
    let isWanted = true;
    checker.words({ layout, screens, faces, stills }, place, faces[face]).then(
      (list) => isWanted && list && setFound({ layout, place, face, list }),
      (error: unknown) =>
        isWanted && session.tell({ text: `The findings could not be shown: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" }),
    );
    return () => {
      isWanted = false;
    };
  }, [checker, layout, screens, faces, stills, place, face, session]);
  // While a change is being worded what was reported before is; of another cell nothing does.
  return found && found.place === place && found.face === face ? found.list : undefined;
}
