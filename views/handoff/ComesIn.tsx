"use client";
/** What comes in: dropped or chosen, sorted by what it is. Layouts are added, rectangles and art are shown before anything of them is taken. */
import { FolderUp, ImageUp, Upload } from "lucide-react";
import { useRef, useState } from "react";
import { readTake } from "../../core/exchange/take";
import { problemText } from "../../core/engine/result";
import { layoutDigest } from "../../core/rehearsal/take";
import { reasonOf } from "../../storage/reason";
import { FileInput } from "../../ui/FileInput";
import { readingProps } from "../../ui/reading";
import { says } from "../reading/sentences";
import { takeBackup, takenBackText } from "../session/backup";
import { useKept, useLibrary, useSessionActions, useTakes } from "../session/context";
import { droppedFiles } from "../shared/droppedFiles";
import { go } from "../shared/go";
import { newId } from "../shared/newId";
import { ArtDialogue } from "./art/ArtDialogue";
import { comesIn, comesInAnew, useComingIn } from "./comingIn";
import { sortIncoming, type Incoming } from "./incoming";
import { RectanglesDialogue } from "./rectangles/RectanglesDialogue";

const NOT_TAKEN = (name: string, why: string) => `“${name}” was not taken, and nothing has changed.\n${why}`;

/** Takes in what needs no second look: layouts, takes, backups. Gives what was done and what was refused, in lines. */
function useTakeIn(): (incoming: Incoming) => Promise<{ readonly done: readonly string[]; readonly refused: readonly string[]; readonly opened: boolean }> {
  const library = useLibrary();
  const session = useSessionActions();
  const kept = useKept();
  const takes = useTakes();
  return async ({ layouts, takes: played, backups, refused: before }) => {
    const done: string[] = [];
    const refused = [...before];
    let opened = false;
    for (const { name, text } of layouts) {
      const result = await library.importText(text);
      if (result.ok) opened = true;
      if (result.ok) done.push(`“${name}” is a layout of its own now.`);
      else refused.push(NOT_TAKEN(name, problemText(result.problems)));
    }
    for (const { name, text } of played) {
      const read = readTake(text);
      const { layout } = session.store.getState();
      const result = read.ok ? await takes.keep({ ...read.value, frames: null }, read.value.layout === layoutDigest(layout) ? layout : null) : read;
      if (result.ok) done.push(`“${name}” stands among the takes of “${layout.name}”.`);
      else refused.push(NOT_TAKEN(name, problemText(result.problems, 2)));
    }
    for (const { name, bytes } of backups) {
      const result = await takeBackup({ kept, now: () => Date.now(), newId }, bytes);
      if (result.ok) done.push(`“${name}”: ${takenBackText(result.value)}`);
      else refused.push(NOT_TAKEN(name, problemText(result.problems, 2)));
      session.heard();
    }
    return { done, refused, opened };
  };
}

export function ComesIn() {
  const takeIn = useTakeIn();
  const input = useRef<HTMLInputElement>(null);
  const artInput = useRef<HTMLInputElement>(null);
  const artFolder = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const { done, refused, rectangles, art } = useComingIn();
  const work = async (files: readonly File[], isArt: boolean) => {
    comesInAnew();
    const incoming = await sortIncoming(files, isArt);
    const taken = await takeIn(incoming);
    comesIn({ done: taken.done, refused: taken.refused, art: incoming.art, rectangles: incoming.art ? [] : incoming.rectangles });
    // A layout that came alone is gone to; of several, and beside others, it is told that they are there.
    if (taken.opened && files.length === 1 && taken.refused.length === 0 && taken.done.length === 1) go("/layout");
  };
  const accept = (files: readonly File[], isArt = false) =>
    void work(files, isArt).catch((error: unknown) => comesIn({ refused: [`It could not be taken in: ${reasonOf(error)}.`] }));
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-2" aria-label="Comes in">
      <h2 className="heading">Comes in</h2>
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
        <p className="text-muted">Drop anything here: layouts, a backup, takes, tables or drawings of rectangles, game art.</p>
        <button type="button" className="push" onClick={() => input.current?.click()} {...readingProps(says("incoming.files"))}>
          <Upload size={14} /> Take files in…
        </button>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="push" onClick={() => artInput.current?.click()} {...readingProps(says("incoming.art"))}>
            <ImageUp size={14} /> Game art…
          </button>
          <button
            type="button"
            className="push"
            aria-label="A folder of game art"
            onClick={() => artFolder.current?.click()}
            {...readingProps(says("incoming.art"))}
          >
            <FolderUp size={14} /> folder…
          </button>
        </div>
        <FileInput
          ref={input}
          accept=".json,.zip,.csv,.tsv,.svg,application/json"
          label="Files to take in"
          onFile={(file) => accept([file])}
          onFiles={(files) => accept(files)}
        />
        <FileInput
          ref={artInput}
          accept=".png,.webp,.svg,.json,.zip"
          label="Game art to take in"
          onFile={(file) => accept([file], true)}
          onFiles={(files) => accept(files, true)}
        />
        <FileInput
          ref={artFolder}
          folder
          accept=".png,.webp,.svg,.json"
          label="Folder of looks to take in"
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
          onClose={() => comesIn({ rectangles: rectangles.slice(1) })}
        />
      )}
      {art && <ArtDialogue source={art} onClose={() => comesIn({ art: null })} />}
    </section>
  );
}
