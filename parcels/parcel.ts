/** What leaves, as parcels: what each is called, for whom it is, and what it holds. How they are made stands in `makeParcel.ts`. */

export const PARCEL_GROUPS = ["for the game", "for people", "for tables", "for tests"] as const;
export type ParcelGroup = (typeof PARCEL_GROUPS)[number];

export const PARCEL_IDS = ["layout", "played", "runtime", "page", "c99", "names", "looks", "sheet", "report", "drawings", "tables", "takes"] as const;
export type ParcelId = (typeof PARCEL_IDS)[number];

export interface ParcelKind {
  readonly group: ParcelGroup;
  readonly title: string;
  /** For whom it is and what it does for them, in a sentence. */
  readonly forWhom: string;
  readonly holds: string;
}

export const PARCELS: Readonly<Record<ParcelId, ParcelKind>> = {
  layout: {
    group: "for people",
    title: "layout file",
    forWhom: "For whoever goes on working at the layout, and for the command line: everything in it, and the same layout always in the same bytes.",
    holds: "one JSON file with all that the layout has, its pictures too",
  },
  played: {
    group: "for the game",
    title: "played file",
    forWhom: "For a game that has a runtime already: what it plays by, and nothing that only the editor needs.",
    holds: "one JSON file: actions, moments, controls, where they stand and what touches give",
  },
  runtime: {
    group: "for the game",
    title: "web runtime",
    forWhom: "For a game that runs in a browser: the package, the played file beside it, and a page that shows both at work.",
    holds: "the package nodulum-runtime with its types, the played file, the names, a page that uses them",
  },
  page: {
    group: "for the game",
    title: "page that plays",
    forWhom: "For a phone in the hand: one file that plays the layout by itself, without network, and records takes.",
    holds: "one HTML file with layout, runtime and test yard",
  },
  c99: {
    group: "for the game",
    title: "C header",
    forWhom: "For a game in C, C++ or anything that can call C: the whole engine in one header, with the played file to build in.",
    holds: "nodulum.h, the played file as it is and as an array of C, the names, an example and how it is used",
  },
  names: {
    group: "for the game",
    title: "names as constants",
    forWhom: "For the game's code: the words it reads as constants, so that a misspelling does not compile.",
    holds: "one source file in the language chosen",
  },
  looks: {
    group: "for the game",
    title: "pictures",
    forWhom: "For a game that draws its controls itself: every look as it is seen here, alone and all on one sheet.",
    holds: "each control at rest, held and away, its base, knob, mark and arms: SVG, PNG at 1 to 4 times; one picture sheet with its rectangles as JSON",
  },
  sheet: {
    group: "for people",
    title: "sheet",
    forWhom: "For whoever types the layout into another program by hand: every value in the units it was drawn for, for both directions of y.",
    holds: "a page to print, the same as CSV, and a list to tick off",
  },
  report: {
    group: "for people",
    title: "report",
    forWhom: "For whoever must see that it holds on every screen: one document to print.",
    holds: "one HTML file: the layout, its screens, findings, spans and misses",
  },
  drawings: {
    group: "for people",
    title: "drawings",
    forWhom: "For documents and for drawing over: the layout on each chosen screen, its areas, names and measures in layers.",
    holds: "an SVG and a PNG a screen, and the contact sheet of all of them",
  },
  tables: {
    group: "for tables",
    title: "tables",
    forWhom: "For spreadsheets and scripts: every control on every chosen screen in px, mm and fractions.",
    holds: "three CSV files and one JSON file",
  },
  takes: {
    group: "for tests",
    title: "takes",
    forWhom: "For tests of the game: what hands did, and what every action gave for it, tick by tick.",
    holds: "a take file each, with its frames",
  },
};

/** A file of a parcel: its path within the parcel, its media type, its text or bytes. */
export interface ParcelFile {
  readonly path: string;
  readonly type: string;
  readonly content: string | Uint8Array;
}

/** A parcel as it is made. `leftOut`: what could not be made here, and where it can. */
export interface Parcel {
  readonly id: ParcelId;
  readonly files: readonly ParcelFile[];
  readonly leftOut: readonly string[];
}

/** How large a file is, bytes. */
export const fileBytes = ({ content }: ParcelFile): number => (typeof content === "string" ? new TextEncoder().encode(content).length : content.length);
