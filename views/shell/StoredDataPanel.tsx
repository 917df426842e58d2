"use client";
/** How much room what is kept takes, and everything as one backup, out and in. Fetched when it is opened. */
import { Download, Upload } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { FileProgress } from "../../core/exchange/sortFiles";
import { problemText } from "../../core/engine/result";
import { reasonOf } from "../../storage/reason";
import { FileInput } from "../../ui/FileInput";
import { fileNameFor } from "../../core/exchange/fileName";
import type { Damage } from "../../storage/inspect";
import { takenBackText } from "../../storage/backupZip";
import { runArchive, type JobWatch } from "../../workers/archive";
import { useKept, useSessionActions } from "../document/SessionContext";
import { saveFile, saveText } from "../document/files/download";
import { newId } from "../document/newId";
import { Progress, type UnderWay } from "../fields/Progress";

export function StoredDataPanel() {
  return (
    <>
      <Usage />
      <Damages />
      <Backup />
    </>
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
  return room === "" ? null : <p className="figure text-[0.6875rem] text-muted">{room}</p>;
}

/** What of all that is kept cannot be read any more, by name, with what can be saved of it. Looked for while the panel is open. */
function Damages() {
  const kept = useKept();
  const [found, setFound] = useState<readonly Damage[] | null>(null);
  const [progress, setProgress] = useState<FileProgress | null>(null);
  useEffect(() => {
    const ending = new AbortController();
    runArchive({ kind: "inspect" }, kept, { onProgress: setProgress, signal: ending.signal }).then(
      (damages) => setFound(damages),
      (error: unknown) => console.error("The stored data could not be checked.", error),
    );
    return () => ending.abort();
  }, [kept]);
  if (found === null)
    return progress === null ? null : (
      <p className="text-muted">
        Checking the stored data: <span className="figure">{progress.done.toLocaleString("en")}</span> of{" "}
        <span className="figure">{progress.of.toLocaleString("en")}</span> records.
      </p>
    );
  if (found.length === 0) return <p className="text-muted">All stored data can be read.</p>;
  return (
    <section className="grid gap-1" aria-label="Damaged records">
      <h2 className="heading text-blocker">
        Damaged: <span className="figure">{found.length}</span>
      </h2>
      <ul className="grid max-h-64 gap-2 overflow-auto">
        {found.map((damage) => (
          <li key={`${damage.store} ${damage.name} ${damage.why}`} className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-2">
            <span className="grid gap-0.5">
              <span className="inline-block break-words first-letter:uppercase">
                {damage.name}: {damage.why}.
              </span>
              <span className="text-muted">{damage.saved}</span>
            </span>
            {damage.left !== null && (
              <button
                className="push h-6 px-1.5"
                aria-label={`Download the rest of ${damage.name}`}
                onClick={() => saveText(fileNameFor(damage.name, damage.isLayout ? undefined : ".txt"), damage.left!)}
              >
                <Download size={12} /> Download
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Backup() {
  const kept = useKept();
  const session = useSessionActions();
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ text: string; isProblem: boolean } | null>(null);
  const [underWay, setUnderWay] = useState<UnderWay | null>(null);
  const say = (text: string, isProblem = false) => setSaid({ text, isProblem });
  /** Watches a job, and shows how far it is until it has ended. */
  const watched = async <T,>(what: string, job: (watched: JobWatch) => Promise<T>): Promise<T> => {
    const ending = new AbortController();
    const show = (progress: FileProgress) => setUnderWay({ what, progress, stop: () => ending.abort() });
    setSaid(null);
    show({ done: 0, of: 0 });
    try {
      return await job({ onProgress: show, signal: ending.signal });
    } finally {
      setUnderWay(null);
    }
  };
  const give = async () => {
    session.commit();
    const isSafe = await session.flush();
    const bytes = await watched("Creating the backup", (watch) => runArchive({ kind: "backup", now: Date.now() }, kept, watch));
    if (!bytes) return say("Stopped: no backup was created.", true);
    saveFile(`nodulum-backup-${new Date().toISOString().slice(0, 10)}.zip`, bytes, "application/zip");
    if (isSafe) say("Backup created.");
    else say("Backup created, but the open layout is not saved, so the backup has its last saved version. Download its file too.", true);
  };
  const take = async (file: File) => {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const job = { kind: "restore", bytes, now: Date.now(), idPrefix: newId() } as const;
    const done = await watched(`Importing “${file.name}”`, (watch) => runArchive(job, kept, watch));
    if (!done) say("Stopped. What was added stays; import the backup again to add the rest.", true);
    else if (done.ok) say(takenBackText(done.value), done.value.problems.length > 0);
    else say(`“${file.name}” was not imported; nothing changed. ${problemText(done.problems, 2)}`, true);
    session.heard();
  };
  return (
    <div className="grid gap-2 border-t border-rule pt-3">
      <h2 className="heading">Backup</h2>
      <p className="text-muted">All layouts, pictures and named states in one zip. Importing it never overwrites newer data.</p>
      <div className="flex gap-2">
        <button
          className="push push-main"
          onClick={() => void give().catch((error: unknown) => say(`The backup could not be created: ${reasonOf(error)}.`, true))}
        >
          <Download size={14} /> Download a backup
        </button>
        <button className="push" onClick={() => input.current?.click()}>
          <Upload size={14} /> Import a backup…
        </button>
      </div>
      <FileInput
        ref={input}
        accept=".zip,application/zip"
        label="Backup to import"
        onFile={(file) => void take(file).catch((error: unknown) => say(`The backup could not be imported: ${reasonOf(error)}.`, true))}
      />
      {underWay && <Progress {...underWay} />}
      {said && (
        <p role={said.isProblem ? "alert" : "status"} className={`whitespace-pre-line ${said.isProblem ? "text-blocker" : ""}`}>
          {said.text}
        </p>
      )}
    </div>
  );
}
