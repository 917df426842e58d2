/** Takes as files: saved with what they give, taken in as takes or as bare events. */
import { framesText, readTake, TAKE_FILE, traceText, writeTake } from "../../../core/exchange/takeFile";
import { readTrace } from "../../../core/exchange/traceFile";
import { ok, problemText, refused, type Result } from "../../../core/engine/result";
import { TAKES } from "../../../core/format/limits";
import type { Layout } from "../../../core/format/types";
import { takeFrames, layoutDigest } from "../../../core/rehearsal/take";
import type { OpenedTake } from "../../document/takeLibrary";
import { fileNameFor } from "../../../core/exchange/fileName";
import { saveText } from "../../document/files/download";
import type { StageNow } from "./useTakePlay";

/** What of a take is saved: all of it with its frames, its events alone, or its frames alone. */
export type TakePart = "take" | "events" | "frames";

/** Saves a part of a take. Its frames are computed on its own layout; where that is not known, on the one given. */
export function saveTake({ take, on }: OpenedTake, now: Layout, part: TakePart): Result<true> {
  if (part === "events") {
    saveText(fileNameFor(take.name, ".events.ndjson"), traceText(take.events), "application/x-ndjson");
    return ok(true);
  }
  // A take of a layout that is not known has no frames to its name: what another gives is not what it gave.
  const own = on ?? (take.layout === layoutDigest(now) ? now : null);
  if (part === "take" && own === null) {
    saveText(fileNameFor(take.name, TAKE_FILE), writeTake({ ...take, frames: null }), "application/json");
    return ok(true);
  }
  const frames = takeFrames(take, own ?? now);
  if (!frames.ok) return frames;
  if (part === "take") saveText(fileNameFor(take.name, TAKE_FILE), writeTake({ ...take, frames: frames.value }), "application/json");
  else saveText(fileNameFor(take.name, ".frames.ndjson"), framesText(frames.value), "application/x-ndjson");
  return ok(true);
}

/** Reads a file that came in: a take, or events one a line, which become a take of what is on the stage. */
export function takeFromText(name: string, text: string, { layout, screen, playerView }: StageNow, hz: number): Result<OpenedTake> {
  if (/\.ndjson$/i.test(name)) {
    const events = readTrace(text, layout);
    if (!events.ok) return refused(name, problemText(events.problems, 2));
    const bare = name.replace(/(?:\.events)?\.ndjson$/i, "").slice(0, 80) || "events";
    const { handed, playerSize, moment } = playerView;
    return ok({
      take: { name: bare, layout: layoutDigest(layout), screen, handed, playerSize, hz, moment, events: events.value, frames: null },
      on: layout,
    });
  }
  const read = readTake(text);
  if (!read.ok) return refused(name, problemText(read.problems, 2));
  return ok({ take: read.value, on: read.value.layout === layoutDigest(layout) ? layout : null });
}

/** The text of a file that came in, or that it is too large. */
export async function textOfTakeFile(file: File): Promise<Result<string>> {
  if (file.size > TAKES.bytes.most) return refused(file.name, TAKES.bytes.words);
  return ok(await file.text());
}
