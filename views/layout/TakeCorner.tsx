"use client";
/** A take again and again in a corner of the bench, on the layout as it is while it is changed: each touch goes with the control it began on. */
import { ArrowLeftRight, X } from "lucide-react";
import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import type { ActionValues } from "../../core/engine/input/events";
import { createCarry } from "../../core/rehearsal/carryTake";
import { ok } from "../../core/engine/result";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Player } from "../../runtime/player";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useBenchScreen } from "../document/benchContext";
import { useAsking, useSession, useSessionActions, useTakes } from "../document/SessionContext";
import type { OpenedTake } from "../document/takeLibrary";
import { NO_GAME } from "../canvas/noGame";
import { useRehearsal } from "../canvas/useRehearsal";
import { useTakeList } from "../document/useTakeList";
import { setBench } from "./bench";

/** How large the glass is, CSS px at most. */
const ROOM = { w: 240, h: 160 } as const;
/** Between two times, ms. */
const REST_MS = 600;
/** A fingertip, mm; this many are drawn. */
const FINGER_MM = 10;
const FINGERS = Array.from({ length: 10 }, (_, i) => i);
const NOTHING = (_: ActionValues) => undefined;

export function TakeCorner() {
  const session = useSessionActions();
  const list = useTakeList();
  const takes = useTakes();
  const ask = useAsking();
  const [key, setKey] = useState<string | null>(null);
  const [side, setSide] = useState<"left" | "right">("right");
  const [opened, setOpened] = useState<{ readonly key: string; readonly take: OpenedTake } | null>(null);
  const one = list.find((t) => t.key === key) ?? list[0];
  const wanted = one?.key ?? null;
  const open = useEffectEvent((isCurrent: () => boolean) => {
    if (!one || opened?.key === one.key) return;
    const opening = one.kept ? takes.open(one.kept) : Promise.resolve(ok(one.shipped!));
    ask(
      opening.then((read) => {
        if (read.ok && isCurrent()) setOpened({ key: one.key, take: read.value });
        return read;
      }),
    );
  });
  // The list is made anew now and then; a take is the same as long as its key is.
  useEffect(() => {
    let current = true;
    if (wanted !== null) open(() => current);
    return () => {
      current = false;
    };
  }, [wanted]);
  return (
    <section
      aria-label="Looped take"
      className={`absolute bottom-10 z-20 grid gap-1 rounded-sm border border-edge bg-sheet p-1.5 shadow-lg ${side === "right" ? "right-2" : "left-2"}`}
    >
      <header className="flex items-center gap-1">
        <select
          aria-label="Looped take"
          className="box h-6 min-w-0 flex-1 px-1 text-[0.75rem]"
          value={wanted ?? ""}
          onChange={(event) => setKey(event.target.value)}
          {...readingProps(says("takes.glass"))}
        >
          {list.length === 0 && <option value="">no takes yet: record one in view 3</option>}
          {list.map((t) => (
            <option key={t.key} value={t.key}>
              {t.name}
            </option>
          ))}
        </select>
        <button type="button" className="push push-bare h-6" aria-label="Move to the other corner" onClick={() => setSide(side === "right" ? "left" : "right")}>
          <ArrowLeftRight size={13} aria-hidden />
        </button>
        <button type="button" className="push push-bare h-6" aria-label="Close the looped take" onClick={() => setBench(session, { loopsTake: false })}>
          <X size={13} aria-hidden />
        </button>
      </header>
      {opened && opened.key === wanted && <LoopGlass key={opened.key} opened={opened.take} />}
    </section>
  );
}

function LoopGlass({ opened: { take, on } }: { opened: OpenedTake }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const { handed, playerSize } = useSession((s) => s.playerView);
  const screen = useBenchScreen();
  const scale = Math.min(ROOM.w / screen.widthPx, ROOM.h / screen.heightPx);
  const canvas = useRef<HTMLCanvasElement>(null);
  const fingers = useRef<SVGGElement>(null);
  // The layout that was there when the take was opened is in for its own where that is not known.
  const carry = useMemo(() => createCarry(take, on ?? session.store.getState().layout), [take, on, session]);
  const begun = useRef<number | null>(null);
  const next = useRef(0);
  const moment = layout.moments.some((m) => m.id === take.moment) ? take.moment : null;
  const onFrame = (time: number) => {
    if (!carry.ok) return;
    if (begun.current === null) begun.current = time;
    for (; next.current < take.events.length && take.events[next.current].t <= time - begun.current; next.current += 1) {
      const event = carry.value(take.events[next.current], next.current, { layout, screen, handed, playerSize });
      if (event) feed({ ...event, t: begun.current + event.t });
    }
    const last = take.events.at(-1)?.t ?? 0;
    if (time - begun.current < last + REST_MS) return;
    restart();
    begun.current = null;
    next.current = 0;
  };
  const onPlayed = (player: Player) => {
    const { touches } = player.state();
    fingers.current?.querySelectorAll("circle").forEach((circle, i) => {
      const touch = touches.at(i);
      circle.style.display = touch ? "" : "none";
      if (touch) circle.setAttribute("transform", `translate(${touch.x} ${touch.y})`);
    });
  };
  const { feed, restart } = useRehearsal({
    layout,
    screen,
    scale,
    game: NO_GAME,
    moment,
    player: { handed, playerSize },
    hz: take.hz,
    canvas,
    onDrawn: NOTHING,
    onTick: NOTHING,
    onFrame,
    onPlayed,
  });
  if (!carry.ok) return <p className="max-w-[15rem] p-1 text-[0.75rem] text-blocker">Cannot be played here: {carry.problems[0].message}.</p>;
  return (
    <div
      role="img"
      aria-label={`The take “${take.name}”, repeated on the current layout`}
      data-testid="looped-take"
      className="relative justify-self-center overflow-hidden rounded-sm bg-[#0c141b]"
      style={{ width: screen.widthPx * scale, height: screen.heightPx * scale }}
    >
      <canvas ref={canvas} className="block h-full w-full" />
      <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`} aria-hidden>
        <g ref={fingers} fill="#8ea2ff" fillOpacity={0.35} stroke="#8ea2ff" strokeWidth={1.5 / scale}>
          {FINGERS.map((i) => (
            <circle key={i} r={(FINGER_MM / 2) * pxPerMm(screen)} style={{ display: "none" }} />
          ))}
        </g>
      </svg>
    </div>
  );
}
