"use client";
/** What the parcels are made from: the open layout, the options, and what the application carries for them. */
import { useMadeFor } from "../document/useMadeFor";
import { useEffect, useState } from "react";
import { useLatest } from "../../ui/useLatest";
import { writeTake, TAKE_FILE } from "../../core/exchange/takeFile";
import { fileNamesOnce } from "../../core/exchange/fileName";
import { facesOf } from "../../core/checks/grid";
import { layoutText } from "../../core/derived/text";
import { problemText } from "../../core/engine/result";
import { digestOfText } from "../../core/format/digest";
import type { Layout } from "../../core/format/types";
import { takeFrames, layoutDigest } from "../../core/rehearsal/take";
import { spanRange } from "../../core/report/gatherReport";
import { REPORT_PARTS } from "../../core/report/reportSource";
import type { HandOffSource, TakeFile } from "../../parcels/parcelSource";
import { connectFaces } from "../../workers/connect";
import { createFacesChecker } from "../../workers/faces";
import { useSession, useTakes } from "../document/SessionContext";
import { railOf, shelfOf } from "../document/railScreens";
import type { Takes } from "../document/takeLibrary";
import { stillsOf } from "../canvas/backdropPicture";
import { today } from "../document/files/today";
import { useTakeList, type ListedTake } from "../document/useTakeList";
import { browserPainter } from "./browserPainter";
import type { HandOffOptions } from "./options";

/** What is next to the application (scripts/build-page.mjs). */
const PAGE_SCRIPT = "/nodulum-page.js";
const RUNTIME_FILES = "/nodulum-runtime.json";
const PORT_FILES = "/nodulum-c99.json";

async function carried(path: string): Promise<Response> {
  const answer = await fetch(path);
  if (!answer.ok) throw new Error(`${path} could not be loaded (status ${answer.status}); reload the page`);
  return answer;
}

/** Takes as files, with the frames that their own layout gives; of a take whose layout is not known the frames are omitted. */
async function takeFiles(list: readonly ListedTake[], takes: Takes, now: Layout): Promise<readonly TakeFile[]> {
  const files: TakeFile[] = [];
  const fileName = fileNamesOnce();
  for (const { kept, shipped, name } of list) {
    const opened = shipped ?? (kept ? await takes.open(kept).then((one) => (one.ok ? one.value : Promise.reject(new Error(problemText(one.problems))))) : null);
    if (!opened) continue;
    const { take, on } = opened;
    const own = on ?? (take.layout === layoutDigest(now) ? now : null);
    const frames = own === null ? null : takeFrames(take, own);
    files.push({ path: fileName(name, TAKE_FILE), text: writeTake({ ...take, frames: frames?.ok ? frames.value : null }) });
  }
  return files;
}

/** What parcels are made of; `takeKeys` identifies the list of takes, which may load later. */
interface HandOffInput {
  readonly source: HandOffSource;
  readonly takeKeys: string;
}

export function useHandOffSource({ screens: choice, direction, language, paper, moment: wish }: HandOffOptions, ticked: ReadonlySet<string>): HandOffInput {
  const layout = useSession((s) => s.layout);
  const handed = useSession((s) => s.playerView.handed);
  const playerSize = useSession((s) => s.playerView.playerSize);
  const takes = useTakes();
  const list = useTakeList();
  const [checker] = useState(() => createFacesChecker(connectFaces));
  useEffect(() => () => checker.stop(), [checker]);
  // The list is another array at each look; what is in it counts.
  const listNow = useLatest(() => list);
  const takeKeys = list.map(({ key, name }) => `${key} ${name}`).join("\n");
  const source = useMadeFor([layout, handed, playerSize, choice, direction, language, paper, wish, ticked, takes, checker], (): HandOffSource => {
    // Of a layout with many pictures it takes a second: only what reports it works it out.
    let digest: string | null = null;
    const digestNow = () => (digest ??= digestOfText(layoutText(layout)));
    const date = today();
    const screens = choice === "rail" ? railOf(layout) : shelfOf(layout);
    const faces = facesOf(layout);
    return {
      get digest() {
        return digestNow();
      },
      ...{ layout, date, screens, direction, language, paper, ticked },
      playerView: { handed, playerSize, moment: layout.moments.some(({ id }) => id === wish) ? wish : null },
      takes: () => takeFiles(listNow(), takes, layout),
      pageScript: async () => (await carried(PAGE_SCRIPT)).text(),
      runtimeFiles: async () => (await carried(RUNTIME_FILES)).json() as Promise<Readonly<Record<string, string>>>,
      portFiles: async () => (await carried(PORT_FILES)).json() as Promise<Readonly<Record<string, string>>>,
      report: async () => {
        const wanted = { digest: digestNow(), date, parts: REPORT_PARTS, paper, shrinks: 2 as const, range: spanRange(layout) };
        const html = await checker.report({ layout, screens, faces, stills: stillsOf(layout.workbench, screens) }, wanted, () => undefined);
        if (html === null) throw new Error("another report was requested");
        return html;
      },
      painter: () => browserPainter(layout),
    };
  });
  return { source, takeKeys };
}
