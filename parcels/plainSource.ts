/** What parcels are made from where there is no browser: the command line and the server. */
import { digestOfText } from "../core/format/digest";
import { layoutText } from "../core/derived/text";
import { PLAIN_PLAYER_VIEW } from "../core/engine/placement/resolve";
import { makeReport } from "../core/report/gatherReport";
import type { HandOffSource } from "./parcelSource";

/** What is reported of it; the rest follows. */
export interface PlainSource extends Pick<HandOffSource, "layout" | "date" | "screens" | "direction" | "language" | "paper" | "takes"> {
  readonly pageScript: () => string;
  readonly runtimeFiles: () => Readonly<Record<string, string>>;
  readonly portFiles: () => Readonly<Record<string, string>>;
  /** Hears, before each piece of the report, how many are done, of how many. */
  readonly step?: (done: number, all: number) => void;
}

/** The source: the right hand, a player of size 1, nothing ticked, no painter. */
export function plainSource({ pageScript, runtimeFiles, portFiles, step, ...told }: PlainSource): HandOffSource {
  const digest = digestOfText(layoutText(told.layout));
  const { layout, date, screens, paper } = told;
  return {
    ...told,
    digest,
    playerView: PLAIN_PLAYER_VIEW,
    ticked: new Set(),
    pageScript: () => Promise.resolve(pageScript()),
    runtimeFiles: () => Promise.resolve(runtimeFiles()),
    portFiles: () => Promise.resolve(portFiles()),
    report: () => Promise.resolve(makeReport({ layout, digest, date, screens, paper }, step)),
    painter: () => Promise.resolve(null),
  };
}
