/** What leaves, as parcels: what each is called, for whom it is, and what it holds. How they are made is in `makeParcel.ts`. */

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
    forWhom: "To edit the layout later, and for the command line. The same layout always gives the same bytes.",
    holds: "one JSON file with the whole layout and its pictures",
  },
  played: {
    group: "for the game",
    title: "played file",
    forWhom: "For a game that already has the runtime. Contains nothing that only the editor needs.",
    holds: "one JSON file: actions, moments, controls with positions and input rules",
  },
  runtime: {
    group: "for the game",
    title: "web runtime",
    forWhom: "For a game in a browser: the package, the played file and an example page.",
    holds: "the package nodulum-runtime with types, the played file, the names, an example page",
  },
  page: {
    group: "for the game",
    title: "page that plays",
    forWhom: "To test on a phone: one file that plays the layout without network and records takes.",
    holds: "one HTML file with layout, runtime and test yard",
  },
  c99: {
    group: "for the game",
    title: "C header",
    forWhom: "For a game in C, C++ or a language that can call C: the whole engine in one header, and the played file.",
    holds: "nodulum.h, the played file as JSON and as a C array, the names, an example with instructions",
  },
  names: {
    group: "for the game",
    title: "names as constants",
    forWhom: "For the game's code: the action names as constants, so that a misspelling does not compile.",
    holds: "one source file in the selected language",
  },
  looks: {
    group: "for the game",
    title: "pictures",
    forWhom: "For a game that draws its own controls: every look as a separate picture and on one sheet.",
    holds: "each control at rest, held and away, with base, knob, mark and arms: SVG, PNG at 1 to 4 times, and one picture sheet with its rectangles as JSON",
  },
  sheet: {
    group: "for people",
    title: "sheet",
    forWhom: "To enter the layout in another program by hand: every value in design units, for both directions of y.",
    holds: "a printable page, the same as CSV, and a checklist",
  },
  report: {
    group: "for people",
    title: "report",
    forWhom: "To review the layout on every screen: one printable document.",
    holds: "one HTML file: the layout, its screens, findings, spans and misses",
  },
  drawings: {
    group: "for people",
    title: "drawings",
    forWhom: "For documents and design tools: the layout on each selected screen, with areas, names and measures in layers.",
    holds: "an SVG and a PNG per screen, and a contact sheet",
  },
  tables: {
    group: "for tables",
    title: "tables",
    forWhom: "For spreadsheets and scripts: every control on every selected screen in px, mm and fractions.",
    holds: "three CSV files and one JSON file",
  },
  takes: {
    group: "for tests",
    title: "takes",
    forWhom: "For tests of the game: recorded touches and the resulting action values, tick by tick.",
    holds: "one take file each, with its frames",
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
