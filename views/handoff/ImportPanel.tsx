"use client";
/** What comes in: dropped or chosen, sorted by what it is. Layouts are added, rectangles and art are shown before anything of them is taken. */
import { FolderUp, ImageUp, Upload } from "lucide-react";
import { useRef, useState } from "react";
import type { FileProgress } from "../../core/exchange/sortFiles";
import { problemText } from "../../core/engine/result";
import { layoutDigest } from "../../core/rehearsal/take";
import { reasonOf } from "../../storage/reason";
import { FileInput } from "../../ui/FileInput";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { takenBackText } from "../../storage/backupZip";
import { runArchive } from "../../workers/archive";
import { fileReader } from "../../workers/reading";
import { useKept, useLibrary, useSessionActions, useTakes } from "../document/SessionContext";
import { droppedFiles } from "../document/files/droppedFiles";
import { navigate } from "../shell/navigate";
import { newId } from "../document/newId";
import { Progress } from "../fields/Progress";
import { ArtDialogue } from "./art/ArtDialogue";
import { comesIn, comesInAnew, useComingIn } from "./comingIn";
import { sortIncoming, type Incoming } from "./incoming";
import { RectanglesDialogue } from "./rectangles/RectanglesDialogue";

const NOT_TAKEN = (name: string, why: string) => `“${name}” was not imported; nothing changed.\n${why}`;

interface TakenIn {
  readonly done: readonly string[];
  readonly refused: readonly string[];
  readonly opened: boolean;
}
/** Says what is under way now; `stop` ends it. */
interface Watch {
  readonly signal: AbortSignal;
  readonly tell: (what: string, progress?: FileProgress) => void;
}
const AT_FIRST: FileProgress = { done: 0, of: 0 };

/** Takes in what needs no second look: layouts, takes, backups. Gives what was done and what was refused, in lines; what was done before it is stopped stays. */
function useTakeIn(): (incoming: Incoming, watch: Watch) => Promise<TakenIn> {
  const library = useLibrary();
  const session = useSessionActions();
  const kept = useKept();
  const takes = useTakes();
  return async ({ layouts, takes: played, backups, refused: before }, { signal, tell }) => {
    const done: string[] = [];
    const refused = [...before];
    let opened = false;
    for (const [i, { name, text }] of layouts.entries()) {
      if (signal.aborted) break;
      if (layouts.length > 1) tell("Adding layouts", { done: i, of: layouts.length });
      const result = await library.importText(text);
      if (result.ok) opened = true;
      if (result.ok) done.push(`“${name}” was added to your layouts.`);
      else refused.push(NOT_TAKEN(name, problemText(result.problems)));
    }
    for (const [i, { name, text }] of played.entries()) {
      if (signal.aborted) break;
      tell("Adding takes", { done: i, of: played.length });
      const read = await fileReader.take(text);
      const { layout } = session.store.getState();
      const result = read.ok ? await takes.keepRead(read.value, read.value.layout === layoutDigest(layout) ? layout : null) : read;
      if (result.ok) done.push(`“${name}” was added to the takes of “${layout.name}”.`);
      else refused.push(NOT_TAKEN(name, problemText(result.problems, 2)));
    }
    for (const { name, bytes } of backups) {
      if (signal.aborted) break;
      const onProgress = (progress: FileProgress) => tell(`Importing “${name}”`, progress);
      const result = await runArchive({ kind: "restore", bytes, now: Date.now(), idPrefix: newId() }, kept, { onProgress, signal });
      if (!result) refused.push(`“${name}”: stopped. What was added stays; import it again to add the rest.`);
      else if (result.ok) done.push(`“${name}”: ${takenBackText(result.value)}`);
      else refused.push(NOT_TAKEN(name, problemText(result.problems, 2)));
      session.heard();
    }
    if (signal.aborted) refused.push("Stopped. What is listed as added stays; the rest was not imported.");
    return { done, refused, opened };
  };
}

// oxlint-disable-next-line max-lines-per-function -- one job: what comes in, how far it is, what became of it
export function ImportPanel() {
  const session = useSessionActions();
  const takeIn = useTakeIn();
  const input = useRef<HTMLInputElement>(null);
  const artInput = useRef<HTMLInputElement>(null);
  const artFolder = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const kept = useKept();
  const { done, refused, rectangles, art, underWay } = useComingIn();
  const work = async (files: readonly File[], isArt: boolean) => {
    comesInAnew(session);
    const ending = new AbortController();
    const tell: Watch["tell"] = (what, progress = AT_FIRST) => comesIn(session, { underWay: { what, progress, stop: () => ending.abort() } });
    const reading = files.length === 1 ? `Reading “${files[0].name}”` : `Reading ${files.length} files`;
    tell(reading);
    const incoming = await sortIncoming(files, isArt, { kept, signal: ending.signal, onProgress: (progress) => tell(reading, progress) });
    if (!incoming) return comesIn(session, { refused: ["Stopped. Nothing was imported."] });
    const taken = await takeIn(incoming, { signal: ending.signal, tell });
    comesIn(session, { done: taken.done, refused: taken.refused, art: incoming.art, rectangles: incoming.art ? [] : incoming.rectangles });
    // A layout that came alone is gone to; of several, and next to others, it is reported that they are there.
    if (taken.opened && files.length === 1 && taken.refused.length === 0 && taken.done.length === 1) navigate("/layout");
  };
  const accept = (files: readonly File[], isArt = false) =>
    void work(files, isArt)
      .catch((error: unknown) => comesIn(session, { refused: [`The import failed: ${reasonOf(error)}.`] }))
      .finally(() => comesIn(session, { underWay: null }));
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-2" aria-label="Import">
      <h2 className="heading">Import</h2>
      <div
        className={`grid justify-items-start gap-2 border border-dashed p-3 ${over ? "border-accent bg-sheet" : "border-edge"}`}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void droppedFiles(event.dataTransfer).then((files) => accept(files));
        }}
      >
        {underWay ? (
          <Progress {...underWay} />
        ) : (
          <Choices onFiles={() => input.current?.click()} onArt={() => artInput.current?.click()} onFolder={() => artFolder.current?.click()} />
        )}
        <FileInput
          ref={input}
          accept=".json,.zip,.csv,.tsv,.svg,application/json"
          label="Files to import"
          onFile={(file) => accept([file])}
          onFiles={(files) => accept(files)}
        />
        <FileInput
          ref={artInput}
          accept=".png,.webp,.svg,.json,.zip"
          label="Game art to import"
          onFile={(file) => accept([file], true)}
          onFiles={(files) => accept(files, true)}
        />
        <FileInput
          ref={artFolder}
          folder
          accept=".png,.webp,.svg,.json"
          label="Folder of pictures to import"
          onFile={(file) => accept([file], true)}
          onFiles={(files) => accept(files, true)}
        />
      </div>
      {done.length > 0 && (
        <p role="status" className="max-h-40 overflow-auto whitespace-pre-line" data-testid="taken-in">
          {done.join("\n")}
        </p>
      )}
      {refused.length > 0 && (
        <p role="alert" className="max-h-56 overflow-auto whitespace-pre-line text-blocker">
          {refused.join("\n")}
        </p>
      )}
      {rectangles[0] && (
        <RectanglesDialogue
          key={`${rectangles.length} ${rectangles[0].fileName}`}
          source={rectangles[0]}
          onClose={() => comesIn(session, { rectangles: rectangles.slice(1) })}
        />
      )}
      {art && <ArtDialogue source={art} onClose={() => comesIn(session, { art: null })} />}
    </section>
  );
}

interface ChoicesProps {
  readonly onFiles: () => void;
  readonly onArt: () => void;
  readonly onFolder: () => void;
}

/** What can be imported, by buttons. */
function Choices({ onFiles, onArt, onFolder }: ChoicesProps) {
  return (
    <>
      <p className="text-muted">Drop anything here: layouts, a backup, takes, tables or drawings of rectangles, game art.</p>
      <button type="button" className="push" onClick={onFiles} {...readingProps(says("incoming.files"))}>
        <Upload size={14} /> Import files…
      </button>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="push" onClick={onArt} {...readingProps(says("incoming.art"))}>
          <ImageUp size={14} /> Game art…
        </button>
        <button type="button" className="push" aria-label="Folder of game art" onClick={onFolder} {...readingProps(says("incoming.art"))}>
          <FolderUp size={14} /> Folder…
        </button>
      </div>
    </>
  );
}
