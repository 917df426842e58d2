"use client";
/** Recording from now on, or the last half minute after the fact. */
import { Circle, History, Square } from "lucide-react";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useEvery } from "./useEvery";
import { BACK_S, type SegmentRecording } from "./useSegment";

const BUTTON = "push flex h-6 items-center gap-1 px-1.5 text-[0.6875rem] aria-pressed:border-blocker aria-pressed:text-blocker";

export function RecordBar({ recording }: { recording: SegmentRecording }) {
  const { isRecording, start, stop, keepLast } = recording;
  return (
    <div role="group" aria-label="Recording" className="flex items-center gap-1">
      <button
        type="button"
        className={BUTTON}
        aria-pressed={isRecording}
        onClick={isRecording ? stop : start}
        {...readingProps(says(isRecording ? "takes.stop" : "takes.record"))}
      >
        {isRecording ? <Square size={10} aria-hidden /> : <Circle size={10} fill="currentColor" aria-hidden />}
        {isRecording ? "Stop" : "Record"}
      </button>
      {isRecording && <Recorded recording={recording} />}
      <button type="button" className={BUTTON} onClick={keepLast} {...readingProps(says("takes.last"))}>
        <History size={11} aria-hidden />
        Keep last {BACK_S} s
      </button>
    </div>
  );
}

function Recorded({ recording: { segment } }: { recording: SegmentRecording }) {
  const seconds = useEvery(250, () => Math.floor(segment.recorder.recordedTicks() / segment.of.hz));
  return (
    <span className="figure text-[0.6875rem] text-blocker" data-testid="recorded">
      {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, "0")}
    </span>
  );
}
