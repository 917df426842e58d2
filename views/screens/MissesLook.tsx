"use client";
/** Misses: of a hundred touches meant for each control, how many it gets, screen by screen; who takes the others; the worst pair and what helps it. */
import { counted } from "../../core/derived/counted";
import { useCallback, useMemo, useState } from "react";
import { leastHit, worstPair, type ScreenMisses } from "../../core/checks/worstMiss";
import { Select } from "../../ui/Select";
import { says } from "../shell/reading/sentences";
import { momentName, nameOf } from "../document/names";
import { faceWords } from "../../core/checks/faceWords";
import { MissPanel } from "./MissPanel";
import { ofHundred, takersWords } from "../../core/checks/missWords";
import { ScreenTable } from "./ScreenTable";
import { setScreens, useScreens, type Group } from "./screensState";
import { useEachScreen, type EachScreen } from "./useEachScreen";
import { useFaces } from "./useFaces";
import { useSessionActions } from "../document/SessionContext";

/** A control that gets fewer of its touches than this is reported in ink, the others in grey. */
const TOLD_BELOW = 0.95;

/** Which of the faces and moments are looked at; null: the worst of them. */
interface Chosen {
  readonly face: number | null;
  readonly moment: string | null;
}

/** Only the chosen face and moment of a screen, each face at its own place. */
function chosenOf(screen: ScreenMisses | null, { face, moment }: Chosen): ScreenMisses | null {
  if (!screen || (face === null && moment === null)) return screen;
  return {
    name: screen.name,
    faces: screen.faces.map((moments, i) => (face !== null && i !== face ? [] : moments.filter((m) => moment === null || m.moment === moment))),
  };
}

// oxlint-disable-next-line max-lines-per-function -- one table: head and rows share their columns
export function MissesLook({ groups }: { groups: readonly Group[] }) {
  const session = useSessionActions();
  const { layout, screens, faces, checker } = useFaces();
  const question = useCallback<EachScreen<ScreenMisses>>(
    (heard) => checker.misses({ layout, screens, faces }, (place, one) => heard(place, one)),
    [checker, layout, screens, faces],
  );
  const { answers, done } = useEachScreen(screens, question, { failure: "The misses could not be computed", keepsOlder: true });
  const [chosen, setChosen] = useState<Chosen>({ face: null, moment: null });
  const open = useScreens((s) => s.cell);
  const places = useMemo(() => groups.flatMap((group) => group.places), [groups]);
  const shown = useMemo(() => answers.map((one) => chosenOf(one, chosen)), [answers, chosen]);
  const pair = useMemo(() => worstPair(shown.map((one, place) => (places.includes(place) ? one : null))), [shown, places]);
  const rows = layout.controls.filter(({ id }) => answers.some((one) => one && leastHit(one, id)));
  const name = (id: string) => nameOf(layout, id);
  return (
    <>
      <section aria-label="Misses" className="flex min-h-0 min-w-0 flex-col">
        <header className="flex flex-wrap items-center gap-3 px-4 pt-2 pb-1">
          <h2 className="font-semibold">Hit rate per 100 touches</h2>
          <span className="caption" data-testid="misses-state">
            {done < screens.length ? `${done} of ${counted(screens.length, "screen")} computed` : "ready"}
          </span>
          <label className="ml-auto flex items-center gap-1.5">
            <span className="caption">Player</span>
            <Select
              label="Player of the misses"
              reads={says("misses.face")}
              value={chosen.face === null ? "" : String(chosen.face)}
              options={[["", "worst of all players"], ...faces.map((face, i) => [String(i), faceWords(face)] as const)]}
              onChange={(key) => setChosen({ ...chosen, face: key === "" ? null : Number(key) })}
            />
          </label>
          {layout.moments.length > 1 && (
            <label className="flex items-center gap-1.5">
              <span className="caption">Moment</span>
              <Select
                label="Moment of the misses"
                reads={says("misses.moment")}
                value={chosen.moment ?? ""}
                options={[["", "worst of all players"], ...layout.moments.map((m) => [m.id, m.name] as const)]}
                onChange={(key) => setChosen({ ...chosen, moment: key || null })}
              />
            </label>
          )}
        </header>
        {rows.length === 0 && done === screens.length ? (
          <p className="caption p-4">No touch is meant for a picture here: buttons, d-pads and sticks that stay are aimed at, and the layout has none.</p>
        ) : (
          <ScreenTable
            label="Hit rate per 100 touches: controls by screens"
            columns={places.map((place) => screens[place].name)}
            rows={rows.map(({ id }) => ({ key: id, name: name(id) }))}
            open={open && { row: rows.findIndex((c) => c.id === open.subject), column: places.findIndex((place) => screens[place].name === open.screen) }}
            onOpen={(row, column) => setScreens(session, { cell: { subject: rows[row].id, screen: screens[places[column]].name } })}
            cellOf={(row, column) => {
              const screen = shown[places[column]];
              const least = screen && leastHit(screen, rows[row].id);
              if (!least) return null;
              const { misses, moment, face } = least;
              const takers = takersWords(misses, name);
              return {
                label: `gets ${ofHundred(misses.hit)} of 100${takers && `; ${takers}`}, ${faceWords(faces[face])}${moment === null ? "" : `, ${momentName(layout, moment)}`}`,
                shown: <MissBar hit={misses.hit} nothing={misses.nothing} />,
              };
            }}
            sum={{
              head: "least",
              of: (row) => {
                const hits = places.flatMap((place) => {
                  const screen = shown[place];
                  return (screen && leastHit(screen, rows[row].id)?.misses.hit) ?? [];
                });
                return hits.length > 0 && <span className="figure">{ofHundred(Math.min(...hits))}</span>;
              },
            }}
          />
        )}
        <p className="caption border-t border-rule px-4 py-1">
          <span aria-hidden className="mr-1 inline-block h-1 w-4 bg-blocker align-middle" /> taken by others
          <span aria-hidden className="mr-1 ml-3 inline-block h-0 w-4 border-t-4 border-dotted border-muted align-middle" /> nothing
        </p>
      </section>
      <aside aria-label="Who gets the missed touches" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
        <MissPanel pair={pair} isWhole={done === screens.length} shown={shown} />
      </aside>
    </>
  );
}

/** A figure, and under it the part that is missed: a plain line for what others take, dots for what nothing takes. */
function MissBar({ hit, nothing }: { hit: number; nothing: number }) {
  const taken = Math.max(0, 1 - hit - nothing);
  return (
    <span className="grid w-full justify-items-center">
      <span className={`figure leading-tight ${hit < TOLD_BELOW ? "text-ink" : "text-muted"}`}>{ofHundred(hit)}</span>
      <span aria-hidden className="flex h-1 w-full items-end px-1">
        <span className="h-1 bg-blocker" style={{ width: `${taken * 100}%` }} />
        <span className="h-0 border-t-4 border-dotted border-muted" style={{ width: `${nothing * 100}%` }} />
      </span>
    </span>
  );
}
