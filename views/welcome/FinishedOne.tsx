"use client";
/** A finished layout, alive: the tug plays on a phone's glass, and one finger circles its helm. */
import { useEffect, useMemo, useRef } from "react";
import { byId } from "../../core/derived/byId";
import { resolvedOn } from "../../core/derived/resolved";
import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Result } from "../../core/engine/result";
import { SAMPLES } from "../../samples/samples";
import { createTug } from "../../samples/tug/tug";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useLibrary } from "../document/SessionContext";
import { sampleId } from "../document/firstLayout";
import { benchScreenOf } from "../document/railScreens";
import { fitScale, useRoom } from "../canvas/useRoom";
import { useRehearsal } from "../canvas/useRehearsal";

/** One turn of the finger, ms. */
const TURN_MS = 5200;
/** How far from the middle it circles, as a part of the helm's half side. */
const REACH = 0.55;
/** A fingertip, mm. */
const FINGER_MM = 10;
const FINGER = 1;

export function FinishedOne({ begin }: { begin: (making: Promise<Result<unknown>>) => Promise<boolean> }) {
  const library = useLibrary();
  const open = async (): Promise<Result<unknown>> => {
    const there = (await library.list()).kept.find((l) => l.id === sampleId(0));
    return there ? library.open(there.id) : library.add(SAMPLES[0].layout());
  };
  return (
    <section aria-labelledby="a-finished-one">
      <header className="mb-2 flex items-center justify-between">
        <h2 id="a-finished-one" className="text-base font-semibold">
          See a finished layout
        </h2>
        <button type="button" className="push" onClick={() => void begin(open())} {...readingProps(says("welcome.finished"))}>
          Open Brackwater on the bench
        </button>
      </header>
      <LivingGlass />
    </section>
  );
}

function LivingGlass() {
  const layout = useMemo(() => SAMPLES[0].layout(), []);
  const game = useMemo(() => createTug(), []);
  const screen = benchScreenOf(layout);
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const finger = useRef<HTMLSpanElement>(null);
  const room = useRoom(area);
  const scale = fitScale(room, screen, 2);
  const { feed } = useRehearsal({ layout, screen, scale, game, moment: null, canvas, onDrawn: NOTHING, onTick: NOTHING });
  const helm = useMemo(() => {
    const control = byId(layout.controls).get("helm")!;
    const { visual } = byId(resolvedOn(layout, screen, PLAIN_PLAYER_VIEW).controls).get(control.id)!;
    return { x: visual.x + visual.w / 2, y: visual.y + visual.h / 2, reach: (Math.min(visual.w, visual.h) / 2) * REACH };
  }, [layout, screen]);
  useEffect(() => {
    // Whoever wants nothing to move by itself sees the finger rest on the helm.
    const isStill = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const began = performance.now();
    let animation = 0;
    let isDown = false;
    const step = () => {
      const t = performance.now();
      const turn = isStill ? 0.9 : ((t - began) / TURN_MS) * 2 * Math.PI;
      const [x, y] = [helm.x + Math.cos(turn) * helm.reach, helm.y - Math.abs(Math.sin(turn)) * helm.reach * 0.9];
      feed({ t, id: FINGER, type: isDown ? "move" : "down", x, y });
      isDown = true;
      if (finger.current) finger.current.style.transform = `translate(${x * scale}px, ${y * scale}px) translate(-50%, -50%)`;
      if (!isStill) animation = requestAnimationFrame(step);
    };
    animation = requestAnimationFrame(step);
    return () => {
      cancelAnimationFrame(animation);
      feed({ t: performance.now(), id: FINGER, type: "cancel", x: 0, y: 0 });
    };
  }, [helm, scale, feed]);
  const side = FINGER_MM * pxPerMm(screen) * scale;
  return (
    <div ref={area} className="grid h-[max(15.5rem,32vh)] place-items-center short:h-[12.5rem]">
      {room.w > 0 && (
        <div
          className="relative overflow-hidden border border-ink bg-[#0c141b]"
          style={{ width: screen.widthPx * scale, height: screen.heightPx * scale, borderRadius: Math.max(4, screen.cornerPx * scale) }}
          role="img"
          aria-label="Brackwater being played: a harbour tug by night, with a finger that circles its helm"
          data-testid="living-glass"
        >
          <canvas ref={canvas} className="block h-full w-full" />
          <span
            ref={finger}
            aria-hidden
            className="pointer-events-none absolute top-0 left-0 rounded-full border border-[#8ea2ff] bg-[#8ea2ff]/25"
            style={{ width: side, height: side }}
          />
        </div>
      )}
    </div>
  );
}
const NOTHING = () => undefined;
