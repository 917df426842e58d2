/** Makes each parcel. What a browser's canvas is needed for is omitted where there is none, and said. */
import { constantFile, constantsFile } from "../core/exchange/constants";
import { fileNameFor } from "../core/exchange/fileName";
import { playingPage } from "../core/exchange/playingPage";
import { layoutText } from "../core/derived/text";
import { compile } from "../core/format/compile";
import { TABLE_UNITS } from "../core/exchange/boxDirection";
import { controlsCsv, controlsJson, controlTable } from "../core/handoff/controlTable";
import { sheetCsv, sheetHtml } from "../core/handoff/sheetHtml";
import { drawingFiles } from "./drawingFiles";
import { lookFiles } from "./lookFiles";
import type { Parcel, ParcelFile, ParcelId } from "./parcel";
import { playedArray } from "./playedArray";
import { runtimePage } from "./runtimePage";
import type { HandOffSource } from "./parcelSource";

const json = (path: string, content: string): ParcelFile => ({ path, type: "application/json", content });
const html = (path: string, content: string): ParcelFile => ({ path, type: "text/html", content });
const csv = (path: string, content: string): ParcelFile => ({ path, type: "text/csv", content });

/** What the files of a parcel hold, and what is omitted of it. */
type Made = Pick<Parcel, "files"> & Partial<Pick<Parcel, "leftOut">>;

const MAKERS: Readonly<Record<ParcelId, (source: HandOffSource) => Made | Promise<Made>>> = {
  layout: ({ layout }) => ({ files: [json(fileNameFor(layout.name), layoutText(layout))] }),
  played: (source) => ({ files: [played(source)] }),
  runtime: async (source) => {
    const own = Object.entries(await source.runtimeFiles()).map(([path, content]): ParcelFile => ({
      path: `nodulum-runtime/${path}`,
      type: typeOf(path),
      content,
    }));
    const page = html("index.html", runtimePage(source.layout, played(source).path));
    return { files: [page, played(source), names({ ...source, language: "typescript" }), ...own] };
  },
  page: async ({ layout, pageScript }) => ({
    files: [html(fileNameFor(layout.name, ".html"), playingPage({ layout, played: compile(layout), script: await pageScript() }))],
  }),
  c99: async (source) => {
    const own = Object.entries(await source.portFiles()).map(([path, content]): ParcelFile => ({ path, type: typeOf(path), content }));
    const file = played(source);
    return {
      files: [...own, file, { path: "played.h", type: "text/plain", content: playedArray(file.content as string) }, names({ ...source, language: "c" })],
    };
  },
  names: (source) => ({ files: [names(source)] }),
  looks: lookFiles,
  sheet: (source) => {
    const { layout, screens, ticked, digest, date, paper } = source;
    const page = sheetHtml({ layout, digest, date, paper, ticked, screen: screens[0] });
    return { files: [html(fileNameFor(layout.name, "-sheet.html"), page), csv(fileNameFor(layout.name, "-sheet.csv"), sheetCsv(layout))] };
  },
  report: async ({ layout, report }) => ({ files: [html(fileNameFor(layout.name, "-report.html"), await report())] }),
  drawings: drawingFiles,
  tables: ({ layout, digest, screens, playerView, direction }) => {
    const table = controlTable(layout, { screens, playerView: { ...playerView, moment: null }, direction });
    const named = (ending: string) => fileNameFor(layout.name, ending);
    return {
      files: [
        ...TABLE_UNITS.map((unit) => csv(named(`-${unit}.csv`), controlsCsv(table, unit, direction))),
        json(named("-controls.json"), controlsJson(layout, digest, table, direction)),
      ],
    };
  },
  takes: async ({ takes }) => {
    const all = await takes();
    const leftOut = all.length === 0 ? ["takes: none are recorded yet; Rehearse records them"] : [];
    return { files: all.map(({ path, text }) => json(path, text)), leftOut };
  },
};

const played = ({ layout }: HandOffSource): ParcelFile => json(fileNameFor(layout.name, ".played.json"), compile(layout));
const names = ({ layout, digest, language }: HandOffSource): ParcelFile => ({
  path: constantFile(language),
  type: "text/plain",
  content: constantsFile({ ...layout, digest }, language),
});

const TYPES: readonly (readonly [string, string])[] = [
  [".js", "text/javascript"],
  [".json", "application/json"],
  [".md", "text/markdown"],
];
const typeOf = (path: string): string => TYPES.find(([ending]) => path.endsWith(ending))?.[1] ?? "text/plain";

/** Makes one. Rejects where what it is carried from cannot be had. */
export async function makeParcel(id: ParcelId, source: HandOffSource): Promise<Parcel> {
  const { files, leftOut = [] } = await MAKERS[id](source);
  return { id, files, leftOut };
}
