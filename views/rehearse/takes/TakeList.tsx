"use client";
/** The list of takes: open, rename, download, delete, compare and import. */
import { Download, Play, X } from "lucide-react";
import { lazy, Suspense, useRef, useState } from "react";
import { DropdownMenu } from "radix-ui";
import { ok, type Result } from "../../../core/engine/result";
import { FileInput } from "../../../ui/FileInput";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useAsking, useSessionActions, useTakes } from "../../document/SessionContext";
import type { OpenedTake } from "../../document/takeLibrary";
import { useStage } from "../stageState";
import { closeTake, openTake, useOpenTake } from "./openTake";
import { saveTake, takeFromText, textOfTakeFile, type TakePart } from "./takeFiles";
import { useTakeList, type ListedTake } from "../../document/useTakeList";
import type { StageNow } from "./useTakePlay";

const CompareTakes = lazy(() => import("./CompareTakes").then((m) => ({ default: m.CompareTakes })));
const SMALL = "push h-6 px-1.5 text-[0.6875rem]";
const lengthWords = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

export function TakeList({ now }: { now: StageNow }) {
  const session = useSessionActions();
  const takes = useTakes();
  const ask = useAsking();
  const list = useTakeList();
  const hz = useStage((s) => s.hz);
  const file = useRef<HTMLInputElement>(null);
  const [compares, setCompares] = useState(false);
  const read = (one: ListedTake): Promise<Result<OpenedTake>> => (one.kept ? takes.open(one.kept) : Promise.resolve(ok(one.shipped!)));
  const takeIn = async (chosen: File): Promise<Result<unknown>> => {
    const text = await textOfTakeFile(chosen);
    if (!text.ok) return text;
    const opened = takeFromText(chosen.name, text.value, now, hz);
    return opened.ok ? takes.keep(opened.value.take, opened.value.on) : opened;
  };
  return (
    <section aria-label="Takes" className="grid content-start gap-1 px-4 py-2.5">
      <header className="flex items-center gap-1">
        <h2 className="heading mr-auto">Takes</h2>
        <button type="button" className={SMALL} disabled={list.length === 0} onClick={() => setCompares(true)} {...readingProps(says("takes.compare"))}>
          Compare…
        </button>
        <button type="button" className={SMALL} onClick={() => file.current?.click()} {...readingProps(says("takes.import"))}>
          Import…
        </button>
        <FileInput ref={file} label="Import a take" accept=".json,.ndjson" onFile={(chosen) => ask(takeIn(chosen))} />
      </header>
      {list.length === 0 && <p className="caption">None yet. Record from now on, or keep the last 30 s after the fact: both stand over the traces.</p>}
      <ul aria-label="Takes of this layout" className="grid">
        {list.map((one) => (
          <TakeRow
            key={one.key}
            one={one}
            onOpen={() => ask(read(one).then((opened) => (opened.ok ? (openTake(session, { ...opened.value, key: one.key }), ok(true)) : opened)))}
            onSave={(part) => ask(read(one).then((opened) => (opened.ok ? saveTake(opened.value, session.store.getState().layout, part) : opened)))}
          />
        ))}
      </ul>
      {compares && (
        <Suspense fallback={null}>
          <CompareTakes list={list} read={read} onClose={() => setCompares(false)} />
        </Suspense>
      )}
    </section>
  );
}

interface RowProps {
  readonly one: ListedTake;
  readonly onOpen: () => void;
  readonly onSave: (part: TakePart) => void;
}

function TakeRow({ one, onOpen, onSave }: RowProps) {
  const session = useSessionActions();
  const takes = useTakes();
  const ask = useAsking();
  const isOpen = useOpenTake((s) => s.open?.key === one.key);
  const [isNaming, setNaming] = useState(false);
  const { name, kept } = one;
  const rename = (given: string) => {
    setNaming(false);
    if (kept && given.trim() !== "" && given !== name) ask(takes.rename(kept, given));
  };
  return (
    <li className="flex h-[1.625rem] items-center gap-1" data-take={name}>
      {isNaming && kept ? (
        <input
          aria-label={`Name of the take ${name}`}
          className="box h-6 min-w-0 flex-1 px-1 text-[0.75rem]"
          defaultValue={name}
          maxLength={80}
          autoFocus
          onFocus={(event) => event.target.select()}
          onBlur={(event) => rename(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") rename(event.currentTarget.value);
            else if (event.key === "Escape") setNaming(false);
            else return;
            event.stopPropagation();
          }}
        />
      ) : (
        <button
          type="button"
          className={`flex h-6 min-w-0 flex-1 items-center gap-1.5 rounded-sm px-1 text-left text-[0.75rem] hover:bg-paper ${isOpen ? "text-accent" : ""}`}
          aria-pressed={isOpen}
          aria-label={`Take ${name}, ${lengthWords(one.seconds)}`}
          onClick={onOpen}
          onDoubleClick={() => kept && setNaming(true)}
          onKeyDown={(event) => {
            if (event.key !== "F2" || !kept) return;
            event.preventDefault();
            setNaming(true);
          }}
          {...readingProps(says("takes.open"), name)}
        >
          <Play size={11} aria-hidden className="shrink-0" />
          <span className="truncate">{name}</span>
          <span className="figure ml-auto shrink-0 text-[0.6875rem] text-muted">{lengthWords(one.seconds)}</span>
        </button>
      )}
      <SaveMenu name={name} onSave={onSave} />
      {kept ? (
        <button
          type="button"
          className="push push-bare h-6"
          aria-label={`Remove the take ${name}`}
          onClick={() => {
            if (isOpen) closeTake(session);
            ask(takes.remove(kept));
          }}
          {...readingProps(says("takes.remove"), name)}
        >
          <X size={13} aria-hidden />
        </button>
      ) : (
        <span className="caption w-6 text-center text-[0.625rem]" title="part of the sample">
          Sample
        </span>
      )}
    </li>
  );
}

function SaveMenu({ name, onSave }: { name: string; onSave: (part: TakePart) => void }) {
  const item = "cursor-default rounded-sm px-2 py-1 text-[0.75rem] outline-none data-[highlighted]:bg-paper";
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="push push-bare h-6" aria-label={`Save the take ${name}`} {...readingProps(says("takes.export"), name)}>
        <Download size={12} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-50 min-w-44 rounded-sm border border-edge bg-sheet p-1 shadow-lg">
          <DropdownMenu.Item className={item} onSelect={() => onSave("take")} {...readingProps(says("takes.export"), name)}>
            take with frames
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onSave("events")} {...readingProps(says("takes.events"), name)}>
            events, NDJSON
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onSave("frames")} {...readingProps(says("takes.frames"), name)}>
            frames, NDJSON
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
