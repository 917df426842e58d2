"use client";
/** Whether the layout is saved; behind it how it is kept, how safe that is, and everything as one backup. */
import { Download, Upload } from "lucide-react";
import { Popover } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { problemText } from "../../core/engine/result";
import { FileInput } from "../../ui/FileInput";
import { makeBackup, takeBackup, takenBackText } from "../session/backup";
import { useKept, useSession, useSessionActions } from "../session/context";
import type { SessionState } from "../session/session";
import { saveFile } from "../shared/download";
import { newId } from "../shared/newId";
import { usePersistence, type Persistence } from "./usePersistence";

interface Shown {
  readonly text: string;
  readonly tone: string;
  readonly words: string;
}

/** How far the layout is kept, in a word and a sentence. "saved" stands only where everything is written and confirmed. */
function shownOf({ saving, onlyMemory, gesture, layout, isDeleted }: SessionState, hasDraft: boolean): Shown {
  if (saving.kind === "refused")
    return {
      text: "not saved",
      tone: "text-blocker",
      words: `The browser refused to keep the layout: ${saving.reason}. Work goes on, and it is tried again by itself; hand off the file to be safe.`,
    };
  if (onlyMemory !== null)
    return {
      text: "in memory only",
      tone: "text-warning",
      words: `The browser keeps nothing here: ${onlyMemory}. Work goes on in memory; hand off the file, or take a backup, before you close the window.`,
    };
  if (hasDraft)
    return { text: "not entered yet", tone: "text-muted", words: "What was typed is not part of the layout yet: Enter, or leaving the field, enters it." };
  if (gesture && gesture.base !== layout) return { text: "not saved yet", tone: "text-muted", words: "What is in hand is saved when it is let go." };
  if (saving.kind === "saving") return { text: "saving…", tone: "text-muted", words: "Being written." };
  if (isDeleted)
    return { text: "saved, deleted", tone: "text-warning", words: "This layout is deleted, and edits to it are kept: bring it back from the list of layouts." };
  return { text: "saved", tone: "text-muted", words: "Every edit is written, and the browser has confirmed it." };
}

const PROMISES: Readonly<Record<Persistence, string>> = {
  unasked: "After your first edit the browser is asked to keep it for good.",
  promised: "The browser has promised to keep it until you clear it yourself.",
  refused: "The browser has not promised to keep it: it may clear it when the disk fills. A backup is safe from that.",
  unknown: "This browser cannot be asked to keep it for good (it can only on a secure page). A backup is safe whatever it does.",
};

export function Keeping({ hasDraft }: { hasDraft: boolean }) {
  const text = useSession((s) => shownOf(s, hasDraft).text);
  const tone = useSession((s) => shownOf(s, hasDraft).tone);
  const words = useSession((s) => shownOf(s, hasDraft).words);
  const persistence = usePersistence();
  return (
    <Popover.Root>
      <Popover.Trigger className="push push-bare mr-1 text-[12px]" title={words}>
        <span role="status" data-testid="saved-state" className={tone}>
          {text}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="What is kept"
          className="z-50 grid w-[340px] gap-3 rounded-sm border border-edge bg-sheet p-4 shadow-lg"
        >
          <p>{words}</p>
          <p className="text-muted">{PROMISES[persistence]}</p>
          <Usage />
          <Backup />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const MIB = 1024 * 1024;

/** How much room there is, as far as the browser says. */
function Usage() {
  const [room, setRoom] = useState("");
  useEffect(() => {
    navigator.storage?.estimate?.().then(
      ({ usage = 0, quota = 0 }) => setRoom(`${(usage / MIB).toFixed(1)} MiB used, of ${Math.round(quota / MIB).toLocaleString("en")} MiB the browser allows.`),
      () => setRoom(""),
    );
  }, []);
  return room === "" ? null : <p className="figure text-[11px] text-muted">{room}</p>;
}

function Backup() {
  const kept = useKept();
  const session = useSessionActions();
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ text: string; isProblem: boolean } | null>(null);
  const say = (text: string, isProblem = false) => setSaid({ text, isProblem });
  const why = (error: unknown) => (error instanceof Error && error.message !== "" ? error.message : "the browser gave no reason");
  const give = async () => {
    session.commit();
    const isSafe = await session.flush();
    const bytes = await makeBackup(kept, Date.now());
    saveFile(`nodulum-backup-${new Date().toISOString().slice(0, 10)}.zip`, bytes, "application/zip");
    if (isSafe) say("The backup is made.");
    else say("The backup is made, but the open layout is not saved and stands in it as it was last: hand off its file as well.", true);
  };
  const take = async (file: File) => {
    const done = await takeBackup({ kept, now: () => Date.now(), newId }, new Uint8Array(await file.arrayBuffer()));
    if (done.ok) say(takenBackText(done.value), done.value.problems.length > 0);
    else say(`“${file.name}” was not taken, and nothing has changed. ${problemText(done.problems, 2)}`, true);
    session.heard();
  };
  return (
    <div className="grid gap-2 border-t border-rule pt-3">
      <h2 className="heading">Backup</h2>
      <p className="text-muted">All layouts, pictures and named states as one zip. Taken back in, it writes over nothing that is newer here.</p>
      <div className="flex gap-2">
        <button className="push push-main" onClick={() => void give().catch((error: unknown) => say(`The backup could not be made: ${why(error)}.`, true))}>
          <Download size={14} /> Take a backup
        </button>
        <button className="push" onClick={() => input.current?.click()}>
          <Upload size={14} /> Bring one back…
        </button>
      </div>
      <FileInput
        ref={input}
        accept=".zip,application/zip"
        label="Backup to bring back"
        onFile={(file) => void take(file).catch((error: unknown) => say(`The backup could not be taken: ${why(error)}.`, true))}
      />
      {said && (
        <p role={said.isProblem ? "alert" : "status"} className={`whitespace-pre-line ${said.isProblem ? "text-blocker" : ""}`}>
          {said.text}
        </p>
      )}
    </div>
  );
}
