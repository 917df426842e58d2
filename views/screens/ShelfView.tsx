"use client";
/** The shelf: every screen at its true relative size, with its findings. A click on a finding opens the bench with that screen and control. */
import { ownEntry } from "../../core/engine/own";
import { go } from "../shared/go";
import { byName } from "../../core/derived/byId";
import { useRef, useState } from "react";
import type { FindingTally } from "../../core/checks/finding";
import type { Screen } from "../../core/format/types";
import { pxPerMm } from "../../core/engine/placement/screen";
import { Tally } from "../../ui/Tally";
import { useSession, useSessionActions } from "../session/context";
import { benchScreenOf, shelfOf } from "../session/screens";
import { showMomentOf } from "../session/showMoment";
import { readingProps } from "../../ui/reading";
import { says } from "../reading/sentences";
import { screenFigures } from "../shared/screenFigures";
import { FindingList } from "../shared/FindingList";
import { LiveLayout } from "../shared/LiveLayout";

const sizeMm = (screen: Screen) => ({ w: screen.widthPx / pxPerMm(screen), h: screen.heightPx / pxPerMm(screen) });

/** No screen is drawn larger than this along a side, CSS px: one of four metres would hide all others. */
const MOST_CSS = 1600;

export function ShelfView() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const findings = useSession((s) => s.findings);
  const shelf = shelfOf(layout);
  const shelfScreen = useSession((s) => s.shelfScreen);
  const picked = shelfScreen ?? benchScreenOf(layout).name;
  const [cssPerMm, setCssPerMm] = useState(1.15);
  const list = useRef<HTMLUListElement>(null);
  const worst = [...shelf].sort((a, b) => weight(ownEntry(findings, b.name)?.tally) - weight(ownEntry(findings, a.name)?.tally));
  const screen = byName(shelf).get(picked) ?? shelf[0];
  const broken = shelf.filter((s) => (ownEntry(findings, s.name)?.tally.blocker ?? 0) > 0).length;
  const open = (name: string, ids: readonly string[]) => {
    session.remember({ screen: name });
    session.select(ids);
    const shown = layout.controls.filter((c) => ids.includes(c.id));
    showMomentOf(session, shown);
    session.select(ids);
    go("/layout");
  };
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_22.5rem]">
      <section aria-label="Shelf" className="flex min-h-0 flex-col">
        <header className="flex flex-wrap items-center gap-3 px-5 pt-3 pb-1">
          <h2 className="font-semibold">{shelf.length} screens at true relative size</h2>
          <span className={broken > 0 ? "text-blocker" : "text-muted"}>{broken > 0 ? `■ blockers on ${broken}` : "no blockers"}</span>
          <label className="ml-auto flex items-center gap-2">
            <span className="caption">size</span>
            <input
              type="range"
              min={0.6}
              max={3}
              step={0.05}
              value={cssPerMm}
              onChange={(e) => setCssPerMm(Number(e.target.value))}
              {...readingProps(says("shelf.size"), `${cssPerMm.toFixed(2)} px`)}
              className="w-28 accent-[var(--accent)]"
            />
          </label>
          <button className="push" onClick={() => session.readOnShelf(worst[0].name)} {...readingProps(says("shelf.worst"))}>
            Worst first
          </button>
        </header>
        <ul ref={list} className="flex min-h-0 flex-1 flex-wrap content-start items-end gap-x-6 gap-y-4 overflow-auto px-5 py-3">
          {shelf.map((item) => {
            const { w, h } = sizeMm(item);
            const width = Math.min(w * cssPerMm, MOST_CSS, (MOST_CSS * w) / h);
            return (
              <li key={item.name} style={{ width: Math.max(112, width + 10) }}>
                <button
                  className={`grid w-full justify-items-start gap-1 rounded-sm p-1 text-left ${item.name === screen.name ? "outline-2 outline-accent" : "hover:bg-sheet"}`}
                  aria-pressed={item.name === screen.name}
                  onClick={() => session.readOnShelf(item.name)}
                  onDoubleClick={() => open(item.name, [])}
                  {...readingProps(says("shelf.screen", screenFigures(item)), item.name)}
                >
                  <LiveLayout screen={item} scale={width / item.widthPx} label={`The layout on ${item.name}`} />
                  <span className="text-[0.75rem] leading-tight">{item.name}</span>
                  <span className="figure text-[0.65625rem] text-muted">
                    {w.toFixed(0)} × {h.toFixed(0)} mm{width < w * cssPerMm ? ", drawn smaller" : ""}
                  </span>
                  <Tally tally={ownEntry(findings, item.name)?.tally} short />
                </button>
              </li>
            );
          })}
        </ul>
      </section>
      <aside aria-label="Findings" className="flex min-h-0 flex-col border-l border-rule bg-sheet">
        <header className="grid gap-1 border-b border-rule px-4 py-3">
          <h2 className="font-semibold">{screen.name}</h2>
          <span className="figure text-[0.6875rem] text-muted">
            {screen.widthPx} × {screen.heightPx} px · {screen.ppi} ppi
          </span>
          <span className="flex items-center justify-between">
            <Tally tally={ownEntry(findings, screen.name)?.tally} />
            <button className="push" onClick={() => open(screen.name, [])}>
              Put on the bench
            </button>
          </span>
        </header>
        <div className="min-h-0 flex-1 overflow-auto p-3">
          <FindingList findings={ownEntry(findings, screen.name)?.list ?? undefined} onPick={(ids) => open(screen.name, ids)} />
        </div>
      </aside>
    </div>
  );
}

/** Blockers above warnings above notes. */
function weight(tally: FindingTally | undefined): number {
  return tally ? tally.blocker * 10_000 + tally.warning * 100 + tally.note : 0;
}
