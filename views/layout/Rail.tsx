"use client";
/** The rail: the same layout live on other screens, each with its count of findings, those of an arrangement together. A click puts that screen on the bench. */
import { ownEntry } from "../../core/engine/playerChanges";
import { ListPlus } from "lucide-react";
import dynamic from "next/dynamic";
import { memo, useCallback, useMemo, useState } from "react";
import type { Screen } from "../../core/format/types";
import { playersWords } from "../../core/checks/faceWords";
import { arrangementFor } from "../../core/engine/placement/arrangement";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { Tally } from "../../ui/Tally";
import { useSession, useSessionActions } from "../document/SessionContext";
import { railOf } from "../document/railScreens";
import { screenFigures } from "../fields/screenFigures";
import { useBench } from "./bench";
import { SettledTally } from "../canvas/SettledTally";
import { useShownWay } from "../document/settle/useShownWay";
import { LiveLayout } from "../canvas/LiveLayout";
import { Roving, Stop } from "../../ui/Roving";

const RailDialogue = dynamic(() => import("./rail/RailDialogue").then((m) => m.RailDialogue));

/** The room a screen's picture has in the rail, CSS px. */
const ROOM = { w: 84, h: 36 };

export const Rail = memo(function Rail({ onBench }: { onBench: string }) {
  const session = useSessionActions();
  const workbench = useSession((s) => s.layout.workbench);
  const orientation = useSession((s) => s.layout.orientation);
  const reference = useSession((s) => s.layout.reference);
  const arrangements = useSession((s) => s.layout.arrangements);
  const [editing, setEditing] = useState(false);
  const rail = useMemo(() => railOf({ workbench, orientation, reference }), [workbench, orientation, reference]);
  const pick = useCallback((name: string) => session.remember({ screen: name }), [session]);
  const groups = useMemo(() => {
    const found = new Map<number, Screen[]>();
    for (const screen of rail) {
      const at = arrangementFor(arrangements, screen);
      found.set(at, [...(found.get(at) ?? []), screen]);
    }
    return [...found].sort(([a], [b]) => a - b);
  }, [rail, arrangements]);
  return (
    <section aria-label="Rail" data-region="3" className="flex h-full min-h-0 flex-col border-l border-rule">
      <header className="flex items-center justify-between px-3 pt-2 pb-1">
        <h2 className="heading flex flex-wrap gap-x-1.5">
          Rail
          <CountedFor />
        </h2>
        <span className="flex items-center gap-1">
          <button className="push push-bare h-6 px-1" aria-label="Choose the screens" {...readingProps(says("rail.choose"))} onClick={() => setEditing(true)}>
            <ListPlus size={15} />
          </button>
        </span>
      </header>
      <Roving along="down">
        <div className="min-h-0 flex-1 overflow-auto pb-2">
          {groups.map(([at, screens]) => (
            <section key={at} aria-label={groups.length > 1 ? (arrangements[at]?.name ?? "Base") : "Screens"}>
              {arrangements.length > 0 && (
                <h3 className="caption flex items-center gap-1.5 px-3 pt-1">
                  <span className="truncate">{arrangements[at]?.name ?? "base"}</span>
                  <span className="h-px flex-1 bg-rule" />
                </h3>
              )}
              <ul>
                {screens.map((item) => (
                  <li key={item.name}>
                    <RailScreen item={item} onBench={item.name === onBench} onPick={pick} />
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
      </Roving>
      {editing && <RailDialogue open={editing} onOpenChange={setEditing} />}
    </section>
  );
});

interface Props {
  readonly item: Screen;
  readonly onBench: boolean;
  readonly onPick: (name: string) => void;
}

const RailScreen = memo(function RailScreen({ item, onBench, onPick }: Props) {
  const holds = useBench((b) => b.heldBy === item.name);
  const between = useShownWay();
  return (
    <Stop isChosen={onBench}>
      <button
        data-holds={holds || undefined}
        className={`flex w-full items-center gap-2.5 border-l-2 px-2.5 py-px text-left hover:bg-sheet data-holds:bg-sheet data-holds:outline-2 data-holds:-outline-offset-2 data-holds:outline-warning ${onBench ? "border-accent bg-sheet" : "border-transparent"}`}
        aria-pressed={onBench}
        aria-label={`${item.name}, open on the bench`}
        onClick={() => onPick(item.name)}
        {...readingProps(says("rail.screen", screenFigures(item)), item.name)}
      >
        <span className="grid shrink-0 place-items-center short:[zoom:0.6]" style={{ width: ROOM.w, height: ROOM.h }}>
          <LiveLayout screen={item} scale={Math.min(ROOM.w / item.widthPx, ROOM.h / item.heightPx)} label={`The layout on ${item.name}`} between={between} />
        </span>
        <span className="grid min-w-0 flex-1 text-[0.6875rem] leading-[0.78125rem] short:grid-cols-[minmax(0,1fr)_3.4rem] short:items-center short:gap-x-1">
          <span>{item.name}</span>
          <RailTally name={item.name} />
          <SettledTally screen={item.name} />
        </span>
      </button>
    </Stop>
  );
});

/** For whom findings are counted. */
function CountedFor() {
  const players = useSession((s) => s.countedFor);
  const said = players.length === 0 ? "" : playersWords(players);
  return (
    <span className="font-normal tracking-normal normal-case" data-testid="counted-for" {...readingProps(says("rail.counted"), said)}>
      {players.length > 1 ? `counts for ${players.length} players` : "counts for one player"}
    </span>
  );
}

/** What is found on a screen of the rail: it changes while something is dragged, the rest of the row does not. */
function RailTally({ name }: { name: string }) {
  return <Tally tally={useSession((s) => ownEntry(s.findings, name)?.tally)} short />;
}
