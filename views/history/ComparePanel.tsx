"use client";
/** Two versions compared: what differs as a list, and both over each other on the glass. */
import { useEffect, useMemo, useState } from "react";
import type { KeptState } from "../../core/exchange/storedRecords";
import type { Layout } from "../../core/format/types";
import { compare, tellingDifferences, type Difference } from "../../core/versions/compare";
import { useSession, useSessionActions } from "../document/SessionContext";
import { benchScreenOf } from "../document/railScreens";
import { usePath } from "../shell/navigate";
import { ViewLink } from "../shell/ViewLink";
import { useVersion, VersionSelect } from "../fields/VersionSelect";
import { choiceWord, type VersionChoice } from "../document/versions";
import { differenceSummary } from "./differenceSummary";

const NOW: VersionChoice = { kind: "now" };

export function ComparePanel({ named }: { named: readonly KeptState[] }) {
  const [was, setWas] = useState<VersionChoice | null>(null);
  const [is, setIs] = useState<VersionChoice>(NOW);
  const [problem, setProblem] = useState("");
  const first = useVersion(was, setProblem);
  const second = useVersion(is, setProblem);
  const words = was && `${choiceWord(was)}  →  ${choiceWord(is)}`;
  return (
    <section aria-label="Compare" className="grid max-h-[46vh] grid-rows-[auto_auto_minmax(0,1fr)] gap-1.5 border-t border-edge p-2">
      <h3 className="heading px-1">Compare</h3>
      <div className="grid grid-cols-[1fr_auto_1fr] items-center gap-1.5">
        <VersionSelect label="Compare this version" value={was} named={named} onChoose={setWas} onProblem={setProblem} />
        <span className="caption">With</span>
        <VersionSelect label="With this version" value={is} named={named} onChoose={(choice) => setIs(choice ?? NOW)} onProblem={setProblem} />
      </div>
      {problem !== "" && (
        <p role="alert" className="px-1 text-blocker">
          {problem}
        </p>
      )}
      {words && first && second && <Differences key={words} was={first} is={second} />}
      {!was && <p className="caption px-1">Choose a version to list the differences and draw both versions on the glass.</p>}
    </section>
  );
}

function Differences({ was, is }: { was: Layout; is: Layout }) {
  const session = useSessionActions();
  const path = usePath();
  const screen = useSession((s) => benchScreenOf(s.layout));
  const playerView = useSession((s) => s.playerView);
  const [onGlass, setOnGlass] = useState(true);
  const differences = useMemo(() => compare(was, is, { screen, playerView }), [was, is, screen, playerView]);
  useEffect(() => {
    session.setCompared(onGlass ? { was, is } : null);
  }, [session, was, is, onGlass]);
  useEffect(() => () => session.setCompared(null), [session]);
  return (
    <>
      <div className="grid gap-1 px-1">
        <p className="font-semibold" role="status">
          {differenceSummary(differences)}
        </p>
        <p className="caption">Measured on {screen.name}.</p>
        {path === "/layout" ? (
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={onGlass} onChange={(event) => setOnGlass(event.target.checked)} /> Overlaid on the bench
          </label>
        ) : (
          <ViewLink to="/layout" className="text-accent underline">
            Overlay both versions on the bench
          </ViewLink>
        )}
      </div>
      <ul aria-label="Differences" className="min-h-0 overflow-auto px-1" tabIndex={0}>
        {tellingDifferences(differences).map((difference, i) => (
          <DifferenceLine key={i} difference={difference} />
        ))}
      </ul>
    </>
  );
}

const MARKS: Readonly<Record<Difference["what"], string>> = { came: "+", went: "−", moved: "→", sized: "↔", shown: "+", hidden: "−", field: "·", order: "·" };

function DifferenceLine({ difference: { what, text } }: { difference: Difference }) {
  return (
    <li className="grid grid-cols-[0.875rem_1fr] border-b border-rule py-[2px] text-[0.75rem] last:border-0">
      <span aria-hidden className="figure text-muted">
        {MARKS[what]}
      </span>
      <span className="break-words">{text}</span>
    </li>
  );
}
