"use client";
/** The open take: play and pause, how fast, again and again, on what; and its end. */
import { Pause, Play, Repeat, X } from "lucide-react";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { closeTake, setTake, SPEEDS, useOpenTake } from "./openTake";
import type { TakeStageTools } from "./useTakeStage";
import { useSessionActions } from "../../document/SessionContext";

const BUTTON = "push grid h-6 min-w-6 place-items-center px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent";

/** Play and pause; at the end it begins again. */
export function TakeTransport({ tools }: { tools: TakeStageTools }) {
  const session = useSessionActions();
  const { plays, speed, loops } = useOpenTake((s) => s);
  const onPlay = () => {
    if (!plays && tools.isAtEnd()) tools.seek(0);
    setTake(session, { plays: !plays });
  };
  return (
    <>
      <button type="button" className={BUTTON} aria-label={plays ? "Pause the take" : "Play the take"} onClick={onPlay} {...readingProps(says("takes.play"))}>
        {plays ? <Pause size={13} aria-hidden /> : <Play size={13} aria-hidden />}
      </button>
      <select
        aria-label="Speed of the take"
        className="box h-6 px-0.5 text-[0.75rem]"
        value={speed}
        onChange={(event) => setTake(session, { speed: SPEEDS.find((s) => String(s) === event.target.value) ?? 1 })}
        {...readingProps(says("takes.speed"), `${speed} times`)}
      >
        {SPEEDS.map((s) => (
          <option key={s} value={s}>
            {s < 1 ? (s === 0.5 ? "½" : "¼") : s} ×
          </option>
        ))}
      </select>
      <button
        type="button"
        className={BUTTON}
        aria-label="Loop the take"
        aria-pressed={loops}
        onClick={() => setTake(session, { loops: !loops })}
        {...readingProps(says("takes.loop"))}
      >
        <Repeat size={12} aria-hidden />
      </button>
    </>
  );
}

/** What it is played on, and its end. */
export function TakeHead() {
  const session = useSessionActions();
  const open = useOpenTake((s) => s.open);
  const asItWas = useOpenTake((s) => s.asItWas);
  if (!open) return null;
  const { take, on } = open;
  const hand = `${take.handed} hand, size ${take.playerSize}`;
  return (
    <div role="group" aria-label="Open take" className="flex min-w-0 items-center gap-2 text-[0.75rem]">
      <span className="truncate font-semibold">{take.name}</span>
      <select
        aria-label="Layout of the take"
        className="box h-6 w-36 truncate px-0.5 text-[0.75rem]"
        value={asItWas ? "was" : "now"}
        onChange={(event) => setTake(session, { asItWas: event.target.value === "was" })}
        {...readingProps(says(asItWas ? "takes.was" : "takes.now"), `${take.screen.name}, ${hand}`)}
      >
        {on && (
          <option value="was">
            original: {take.screen.name}, {hand}
          </option>
        )}
        <option value="now">current layout</option>
      </select>
      <button type="button" className={BUTTON} onClick={() => closeTake(session)} {...readingProps(says("takes.close"))}>
        <span className="flex items-center gap-1">
          <X size={12} aria-hidden /> Close the take
        </span>
      </button>
    </div>
  );
}
