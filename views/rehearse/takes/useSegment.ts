"use client";
/**
 * What is gathered of the play: the recorder, the marks of touches, what is reported by itself. It begins again with every change of what is
 * played, for a take is of one layout, screen, hand, size and rate; a recording that is under way is kept up to the change, and goes on.
 */
import { useMadeFor } from "../../document/useMadeFor";
import { useCallback, useEffect, useEffectEvent, useRef, useState } from "react";
import type { ActionValues, InputEvent } from "../../../core/engine/input/events";
import type { PlayerView } from "../../../core/engine/placement/resolve";
import type { Layout, Screen } from "../../../core/format/types";
import { createRecorder, type RecordedPart, type Recorder } from "../../../core/rehearsal/recorder";
import { layoutDigest, type Take } from "../../../core/rehearsal/take";
import { createListener, type Listener } from "../../../core/rehearsal/notices";
import { marksOf, type TouchMark } from "../../../core/rehearsal/touchMarks";
import { resolvedOn } from "../../../core/derived/resolved";
import { refused } from "../../../core/engine/result";
import { useSessionActions, useTakes } from "../../document/SessionContext";
import type { PlayedTick } from "../../canvas/rehearsal";

/** "The last seconds" are this many. */
export const BACK_S = 30;
/** So many marks are kept, the newest. */
const MOST_MARKS = 2000;
/** What an edit cuts off a recording is kept from this length on, s: a drag edits at every frame. */
const LEAST_S = 1;

/** What is played, and by whom. */
export interface SegmentOf {
  /** The layout's id: a take is in its list, whichever is open when it is kept. */
  readonly layoutId: string;
  readonly layout: Layout;
  readonly screen: Screen;
  readonly handed: PlayerView["handed"];
  readonly playerSize: number;
  readonly hz: number;
  /** Another number, another player. */
  readonly run: number;
}
export interface Segment {
  readonly of: SegmentOf;
  readonly recorder: Recorder;
  readonly listener: Listener;
  readonly marks: TouchMark[];
}

export interface SegmentRecording {
  readonly isRecording: boolean;
  readonly segment: Segment;
  readonly tick: (values: ActionValues, tick: PlayedTick) => void;
  readonly start: () => void;
  readonly stop: () => void;
  /** Keeps the last seconds. */
  readonly keepLast: () => void;
}

/** Whether a hand did it: what the game shows and hides is no play. */
const isByHand = ({ type }: InputEvent) => type === "down" || type === "key" || type === "mouse" || type === "pad";

const takeOf = (cut: RecordedPart, { layout, screen, handed, playerSize, hz }: SegmentOf, name: string): Take => ({
  name,
  layout: layoutDigest(layout),
  screen,
  handed,
  playerSize,
  hz,
  moment: cut.moment,
  events: cut.events,
  frames: null,
});

/** Keeps what was cut off as a take; `onNothing`: what is said where nothing was played. */
function useKeeping(): (cut: RecordedPart | null, from: SegmentOf, onNothing: string) => void {
  const session = useSessionActions();
  const takes = useTakes();
  return useCallback(
    (cut, from, onNothing) => {
      const keep = async () => {
        if (!cut?.events.some(isByHand)) return void (onNothing && session.tell({ text: onNothing, tone: "plain" }));
        const names = new Set((await takes.list().catch(() => [])).map((t) => t.name));
        let number = names.size + 1;
        while (names.has(`take ${number}`)) number += 1;
        const done = await takes.keep(takeOf(cut, from, `take ${number}`), from.layout, from.layoutId);
        if (!done.ok) session.tellRefusal(done);
      };
      keep().catch((error: unknown) => session.tellRefusal(refused("", error instanceof Error ? error.message : String(error))));
    },
    [session, takes],
  );
}

/** What a tick adds to a segment. */
function addTick({ of, recorder, listener, marks }: Segment, values: ActionValues, { player, t, came }: PlayedTick): void {
  const { layout, screen, handed, playerSize, hz } = of;
  const played = { setup: player.setup(), state: player.state() };
  const number = Math.round((t * hz) / 1000);
  const resolved = resolvedOn(layout, screen, { handed, playerSize, moment: null });
  const fresh = marksOf({ setup: played.setup, resolved, layout }, { tick: number, ...came });
  marks.push(...fresh);
  if (marks.length > MOST_MARKS) marks.splice(0, marks.length - MOST_MARKS);
  recorder.tick(number, came, played);
  listener.tick(number, values, played, { tickMs: 1000 / hz, marks: fresh });
}

export function useSegment(of: SegmentOf): SegmentRecording {
  const { layout, screen, handed, playerSize, hz, run } = of;
  const session = useSessionActions();
  const [isRecording, setRecording] = useState(false);
  const segment = useMadeFor([layout, screen, handed, playerSize, hz, run], (): Segment => ({
    of,
    recorder: createRecorder(hz, BACK_S),
    listener: createListener(layout),
    marks: [],
  }));
  const keep = useKeeping();
  const before = useRef(segment);
  const wantsRecording = useRef(false);
  useEffect(() => {
    const last = before.current;
    before.current = segment;
    if (last === segment || !wantsRecording.current) return;
    const length = last.recorder.recordedTicks() / last.of.hz;
    const cut = last.recorder.stop();
    if (length >= LEAST_S) keep(cut, last.of, "");
  }, [segment, keep]);
  // What is recorded when the view remains is kept.
  const leave = useEffectEvent(() => {
    if (wantsRecording.current) keep(before.current.recorder.stop(), before.current.of, "");
  });
  useEffect(() => () => leave(), []);
  const stop = () => {
    wantsRecording.current = false;
    setRecording(false);
    keep(segment.recorder.stop(), segment.of, "Nothing was played, so no take was stored.");
  };
  return {
    isRecording,
    segment,
    tick(values, tick) {
      addTick(segment, values, tick);
      if (wantsRecording.current && !segment.recorder.isRecording()) segment.recorder.record();
      if (segment.recorder.isFull()) {
        session.tell({ text: "Maximum length reached: the take is stored and recording stopped.", tone: "plain" });
        stop();
      }
    },
    start() {
      wantsRecording.current = true;
      setRecording(true);
      segment.recorder.record();
    },
    stop,
    keepLast: () => keep(segment.recorder.last(BACK_S), segment.of, "Nothing was played in the last 30 s, so no take was stored."),
  };
}
