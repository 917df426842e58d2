"use client";
/** Beside the misses: the worst pair with the move that helps it most, and who takes from whom on the screen that is open. */
import { counted } from "../../core/derived/counted";
import { useEffect, useState } from "react";
import { applyFix } from "../../core/checks/fixes";
import { leastHit, type MissMove, type MissPair, type ScreenMisses } from "../../core/checks/worstMiss";
import { seenAs } from "../../core/editing/placing";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { fixWord } from "../fields/FindingList";
import { momentName, nameOf } from "../document/names";
import { faceWords } from "../../core/checks/faceWords";
import { ofHundred, takersWords } from "../../core/checks/missWords";
import { putOnBench } from "./putOnBench";
import { useScreens } from "./screensState";
import { useFaces } from "./useFaces";

interface Props {
  readonly pair: MissPair | null;
  /** Every screen has been computed: the pair is the worst of all. */
  readonly isWhole: boolean;
  readonly shown: readonly (ScreenMisses | null)[];
}

export function MissPanel({ pair, isWhole, shown }: Props) {
  const { layout, screens } = useFaces();
  const open = useScreens((s) => s.cell);
  const place = screens.findIndex((screen) => screen.name === (open?.screen ?? screens[pair?.screen ?? 0]?.name));
  return (
    <>
      <div className="border-b border-rule px-4 py-3">
        <h2 className="heading mb-1">The worst pair</h2>
        {!isWhole ? (
          <p className="caption">Computing all screens…</p>
        ) : pair ? (
          <WorstPair key={JSON.stringify(pair)} pair={pair} />
        ) : (
          <p className="caption">No control takes touches meant for another.</p>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-auto px-4 py-3">
        {place >= 0 && <h2 className="mb-1 font-semibold">Who gets the missed touches on {screens[place].name}</h2>}
        {shown[place] && (
          <table className="w-full text-[0.6875rem]" data-testid="who-takes">
            <thead className="text-left text-muted">
              <tr>
                <th className="font-normal">Meant for</th>
                <th className="pr-3 text-right font-normal">Gets</th>
                <th className="font-normal">The rest goes to</th>
              </tr>
            </thead>
            <tbody>
              {layout.controls.map(({ id, name }) => {
                const least = leastHit(shown[place]!, id);
                if (!least) return null;
                return (
                  <tr key={id} className={`border-t border-rule align-top ${open?.subject === id ? "bg-paper" : ""}`}>
                    <th scope="row" className="py-0.5 pr-2 text-left font-normal">
                      {name}
                    </th>
                    <td className="figure py-0.5 pr-3 text-right">{ofHundred(least.misses.hit)}</td>
                    <td className="py-0.5">{takersWords(least.misses, (taker) => nameOf(layout, taker)) || "no control"}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
      </div>
    </>
  );
}

type Sought = { readonly kind: "seeking" } | { readonly kind: "none" } | { readonly kind: "found"; readonly move: MissMove };

function WorstPair({ pair }: { pair: MissPair }) {
  const { layout, screens, faces, checker } = useFaces();
  const session = useSessionActions();
  const [sought, setSought] = useState<{ readonly of: typeof layout; readonly found: Sought }>({ of: layout, found: { kind: "seeking" } });
  useEffect(() => {
    let isWanted = true;
    checker.missMove({ layout, screens, faces }, pair).then(
      (move) => isWanted && setSought({ of: layout, found: move ? { kind: "found", move } : { kind: "none" } }),
      (error: unknown) =>
        isWanted && session.tell({ text: `No move could be computed: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" }),
    );
    return () => {
      isWanted = false;
    };
  }, [checker, layout, screens, faces, pair, session]);
  const found: Sought = sought.of === layout ? sought.found : { kind: "seeking" };
  const [screen, face] = [screens[pair.screen], faces[pair.face]];
  const name = (id: string) => nameOf(layout, id);
  const make = (move: MissMove) =>
    session.edit(
      fixWord(layout, move).replace(/^./, (first) => first.toLowerCase()),
      seenAs({ screen, playerView: { ...face, moment: null } }, (now) => applyFix(now, move.fix)),
    );
  return (
    <div className="grid gap-1.5" data-testid="worst-pair">
      <p>
        Of 100 touches meant for <b>{name(pair.meant)}</b>, <b className="figure">{ofHundred(pair.share)}</b> go to <b>{name(pair.taker)}</b>: on {screen.name},{" "}
        {faceWords(face)}
        {pair.moment !== null && `, ${momentName(layout, pair.moment)}`}.
      </p>
      {found.kind === "seeking" && <p className="caption">Computing the best small move on every screen…</p>}
      {found.kind === "none" && (
        <p className="caption">No move of up to 7 mm helps without making something else worse. Try a smaller picture, another position or another order.</p>
      )}
      {found.kind === "found" && (
        <>
          <p data-testid="miss-move">
            {fixWord(layout, found.move)}: then {ofHundred(found.move.share)} of them go there.{" "}
            {Object.entries(found.move.hits)
              .map(([id, [before, after]]) => `${name(id)} gets ${ofHundred(before)} → ${ofHundred(after)}`)
              .join(", ")}
            . No blocker or warning is new or worse on any of {counted(screens.length, "screen")}, for {counted(faces.length, "player")}.
          </p>
          <span className="flex flex-wrap gap-1">
            <button
              type="button"
              className="push push-main h-6"
              onClick={() => make(found.move)}
              {...readingProps(says("misses.move"), name(found.move.fix.id))}
            >
              {fixWord(layout, found.move)}
            </button>
          </span>
        </>
      )}
      <button
        type="button"
        className="push h-6 justify-self-start"
        onClick={() => putOnBench(session, { screen: screen.name, face, finding: { subjects: [pair.meant, pair.taker], moment: pair.moment } })}
        {...readingProps(says("screens.bench"), screen.name)}
      >
        Open on the bench
      </button>
    </div>
  );
}
