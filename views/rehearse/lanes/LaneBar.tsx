"use client";
/** Over the lanes: stop and run, back and forth by a tick, how many seconds are seen, the marks. */
import { ChevronLeft, ChevronRight, Pause, Play } from "lucide-react";
import type { ReactNode } from "react";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { SECONDS, timeWords } from "./laneView";
import type { Lanes } from "./useLanes";

const BUTTON = "push grid h-6 place-items-center px-1.5 text-[0.6875rem]";

/** `transport`: what is in place of stop and run, where the ticks are not those of now. */
export function LaneBar({ lanes, transport }: { lanes: Lanes; transport?: ReactNode }) {
  const { log, view, give } = lanes;
  const runs = view.end === null;
  const [a, b] = view.marks;
  return (
    <div role="group" aria-label="Time" className="flex items-center gap-1">
      {transport ?? (
        <button
          type="button"
          className={BUTTON}
          aria-label={runs ? "Pause the traces" : "Resume the traces"}
          onClick={() => give({ kind: runs ? "stop" : "run" })}
          {...readingProps(says(runs ? "lanes.stop" : "lanes.run"))}
        >
          {runs ? <Pause size={13} aria-hidden /> : <Play size={13} aria-hidden />}
        </button>
      )}
      <button
        type="button"
        className={BUTTON}
        aria-label="Previous tick"
        onClick={() => give({ kind: "step", ticks: -1 })}
        {...readingProps(says("lanes.back"))}
      >
        <ChevronLeft size={13} aria-hidden />
      </button>
      <button type="button" className={BUTTON} aria-label="Next tick" onClick={() => give({ kind: "step", ticks: 1 })} {...readingProps(says("lanes.on"))}>
        <ChevronRight size={13} aria-hidden />
      </button>
      <select
        aria-label="Visible seconds"
        className="box h-6 px-0.5 text-[0.75rem]"
        value={view.seconds}
        onChange={(event) => give({ kind: "seconds", seconds: Number(event.target.value) })}
        {...readingProps(says("lanes.seconds"), `${view.seconds} s`)}
      >
        {SECONDS.map((s) => (
          <option key={s} value={s}>
            {s < 60 ? `${s} s` : `${s / 60} min`}
          </option>
        ))}
      </select>
      <button
        type="button"
        className={BUTTON}
        disabled={view.cursor === null}
        onClick={() => view.cursor !== null && give({ kind: "mark", tick: view.cursor })}
        {...readingProps(says("lanes.mark"))}
      >
        Mark
      </button>
      {a !== undefined && (
        <button type="button" className={BUTTON} onClick={() => give({ kind: "no marks" })} {...readingProps(says("lanes.noMarks"))}>
          No marks
        </button>
      )}
      <span className="figure ml-1 text-[0.6875rem] text-muted" data-testid="lane-read">
        {view.cursor !== null && `tick ${view.cursor + 1} · ${timeWords(view.cursor + 1, log.hz)}`}
        {a !== undefined && b !== undefined && ` · A to B ${(Math.abs(b - a) / log.hz).toFixed(2)} s`}
      </span>
    </div>
  );
}
