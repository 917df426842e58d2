"use client";
/** What the play reports by itself, each with the tick at which it was seen first. */
import { isEqual } from "../../../core/engine/equal";
import { noticeText, type Notice } from "../../../core/rehearsal/notices";
import { timeWords } from "../lanes/laneView";
import { useEvery } from "./useEvery";

interface Props {
  readonly hz: number;
  readonly nameOf: (id: string) => string;
  readonly told: () => readonly Notice[];
  /** Reads a tick, from 1. */
  readonly onGo: (tick: number) => void;
}

export function NoticeList({ hz, nameOf, told, onGo }: Props) {
  const all = useEvery(500, told, isEqual);
  if (all.length === 0) return <p className="caption p-4">Nothing to tell yet: play, or open a take.</p>;
  return (
    <ol aria-label="Notices" className="min-h-0 overflow-y-auto py-1 text-[0.75rem]">
      {all.map((one) => (
        <li key={`${one.kind} ${one.subjects.join(" ")}`} className="border-b border-rule" data-told={one.kind}>
          <button
            type="button"
            className="grid w-full grid-cols-[8.5rem_1fr] items-baseline px-4 py-0.5 text-left hover:bg-sheet"
            onClick={() => onGo(one.tick)}
          >
            <span className="figure text-muted">{isOfAll(one) ? "in the whole take" : `tick ${one.tick} · ${timeWords(one.tick, hz)}`}</span>
            <span>{noticeText(one, nameOf)}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}
const isOfAll = ({ kind }: Notice) => kind === "never active" || kind === "stick never full" || kind === "stick no fine half";
