"use client";
/** The rail: the same layout live on other screens, each with its count of findings. A click puts that screen on the bench. */
import { memo } from "react";
import type { Finding } from "../../core/checks/finding";
import type { Layout, Screen } from "../../core/layout/types";
import { Tally } from "../../ui/Tally";
import { useSession, useSessionActions } from "../session/context";
import { resolvedOf } from "../session/prepared";
import { railOf } from "../session/screens";
import { LayoutPicture } from "../shared/LayoutPicture";

/** The room a screen's picture has in the rail, CSS px. */
const ROOM = { w: 92, h: 44 };

export function Rail({ layout, screen }: { layout: Layout; screen: Screen }) {
  const session = useSessionActions();
  const findings = useSession((s) => s.findings);
  const moment = useSession((s) => s.moment);
  return (
    <section aria-label="Rail" className="flex h-full min-h-0 flex-col border-l border-rule">
      <header className="flex items-baseline justify-between px-3 pt-2.5 pb-1.5">
        <h2 className="heading">Rail</h2>
        <span className="caption">{railOf(layout).length} screens</span>
      </header>
      <ul className="min-h-0 flex-1 overflow-auto pb-2">
        {railOf(layout).map((item) => (
          <li key={item.name}>
            <RailScreen
              layout={layout}
              item={item}
              moment={moment}
              onBench={item.name === screen.name}
              findings={findings[item.name]}
              onPick={(name) => session.remember({ screen: name })}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

interface Props {
  readonly layout: Layout;
  readonly item: Screen;
  readonly moment: string | null;
  readonly onBench: boolean;
  readonly findings: readonly Finding[] | undefined;
  readonly onPick: (name: string) => void;
}

const RailScreen = memo(function RailScreen({ layout, item, moment, onBench, findings, onPick }: Props) {
  const scale = Math.min(ROOM.w / item.widthPx, ROOM.h / item.heightPx);
  return (
    <button
      className={`flex w-full items-center gap-2.5 border-l-2 px-2.5 py-[3px] text-left hover:bg-sheet ${onBench ? "border-accent bg-sheet" : "border-transparent"}`}
      aria-pressed={onBench}
      aria-label={`${item.name}, put on the bench`}
      onClick={() => onPick(item.name)}
    >
      <span className="grid shrink-0 place-items-center" style={{ width: ROOM.w, height: ROOM.h }}>
        <LayoutPicture layout={layout} screen={item} resolved={resolvedOf(layout, item, moment)} scale={scale} label={`The layout on ${item.name}`} />
      </span>
      <span className="min-w-0">
        <span className="line-clamp-2 text-[11px] leading-tight">{item.name}</span>
        <Tally findings={findings} short />
      </span>
    </button>
  );
});
