"use client";
/** The rail: the same layout live on other screens, each with its count of findings. A click puts that screen on the bench. */
import { memo, useCallback } from "react";
import type { Finding } from "../../core/checks/finding";
import type { Screen } from "../../core/layout/types";
import { Tally } from "../../ui/Tally";
import { useSession, useSessionActions } from "../session/context";
import { resolvedOf } from "../session/prepared";
import { LayoutPicture } from "../shared/LayoutPicture";

/** The room a screen's picture has in the rail, CSS px. */
const ROOM = { w: 92, h: 44 };

export const Rail = memo(
  function Rail({ rail, onBench }: { rail: readonly Screen[]; onBench: string }) {
    const session = useSessionActions();
    const findings = useSession((s) => s.findings);
    const pick = useCallback((name: string) => session.remember({ screen: name }), [session]);
    return (
      <section aria-label="Rail" className="flex h-full min-h-0 flex-col border-l border-rule">
        <header className="flex items-baseline justify-between px-3 pt-2.5 pb-1.5">
          <h2 className="heading">Rail</h2>
          <span className="caption">{rail.length} screens</span>
        </header>
        <ul className="min-h-0 flex-1 overflow-auto pb-2">
          {rail.map((item) => (
            <li key={item.name}>
              <RailScreen item={item} onBench={item.name === onBench} findings={findings[item.name]} onPick={pick} />
            </li>
          ))}
        </ul>
      </section>
    );
  },
  (a, b) => a.onBench === b.onBench && a.rail.length === b.rail.length && a.rail.every((screen, i) => screen === b.rail[i]),
);

interface Props {
  readonly item: Screen;
  readonly onBench: boolean;
  readonly findings: readonly Finding[] | undefined;
  readonly onPick: (name: string) => void;
}

const RailScreen = memo(function RailScreen({ item, onBench, findings, onPick }: Props) {
  return (
    <button
      className={`flex w-full items-center gap-2.5 border-l-2 px-2.5 py-[3px] text-left hover:bg-sheet ${onBench ? "border-accent bg-sheet" : "border-transparent"}`}
      aria-pressed={onBench}
      aria-label={`${item.name}, put on the bench`}
      onClick={() => onPick(item.name)}
    >
      <span className="grid shrink-0 place-items-center" style={{ width: ROOM.w, height: ROOM.h }}>
        <RailPicture item={item} />
      </span>
      <span className="min-w-0">
        <span className="line-clamp-2 text-[11px] leading-tight">{item.name}</span>
        <Tally findings={findings} short />
      </span>
    </button>
  );
});

/** The live part of a rail's screen: the one thing that follows every frame of a drag. */
function RailPicture({ item }: { item: Screen }) {
  const layout = useSession((s) => s.layout);
  const moment = useSession((s) => s.moment);
  const scale = Math.min(ROOM.w / item.widthPx, ROOM.h / item.heightPx);
  return <LayoutPicture layout={layout} screen={item} resolved={resolvedOf(layout, item, moment)} scale={scale} label={`The layout on ${item.name}`} />;
}
