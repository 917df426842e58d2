"use client";
/** How the parcel leaves: for whom it is, what may be chosen about it, what is omitted, and the ways to take it. */
import { Copy, Download, Package } from "lucide-react";
import { useState } from "react";
import { CONSTANT_LANGUAGES, languageWord } from "../../core/exchange/constants";
import { Y_DIRECTIONS } from "../../core/exchange/boxDirection";
import type { Layout } from "../../core/format/types";
import { PAPERS } from "../../core/report/style";
import { PARCELS, type ParcelId } from "../../parcels/parcel";
import { readingProps } from "../../ui/reading";
import { Select, type Choices } from "../../ui/Select";
import { says } from "../shell/reading/sentences";
import { reasonOf } from "../../storage/reason";
import { saveFile } from "../document/files/download";
import { SCREEN_CHOICES, type HandOffOptions } from "./options";
import { sizeText } from "./sizeText";
import type { Counter } from "./useParcels";

type Choosable = "screens" | "moment" | "direction" | "language" | "paper";
/** What may be chosen about each parcel. */
const CHOOSABLE: Readonly<Record<ParcelId, readonly Choosable[]>> = {
  layout: [],
  played: [],
  runtime: [],
  page: [],
  c99: [],
  names: ["language"],
  looks: [],
  sheet: ["screens", "paper"],
  report: ["screens", "paper"],
  drawings: ["screens", "moment"],
  tables: ["screens", "direction"],
  takes: [],
};
const WORD: Readonly<Record<Choosable, string>> = { screens: "screens", moment: "moment", direction: "y runs", language: "language", paper: "paper" };

interface Props {
  readonly id: ParcelId;
  readonly counter: Counter;
  readonly options: HandOffOptions;
  readonly screens: number;
  readonly moments: Layout["moments"];
  readonly onChange: (change: Partial<HandOffOptions>) => void;
}

/** No id of a moment is so. */
const EVERY = "\u0000";

export function ParcelPanel(props: Props) {
  const { id, counter, options, onChange } = props;
  const [said, setSaid] = useState<{ readonly of: ParcelId; readonly text: string } | null>(null);
  const [packing, setPacking] = useState(false);
  const state = counter.stateOf(id);
  const made = state.kind === "made" ? state.made : null;
  const { title, forWhom } = PARCELS[id];
  const copyable = made && made.parcel.files.length === 1 && typeof made.taken.content === "string" ? made.taken.content : null;
  const say = (text: string) => setSaid({ of: id, text });
  const copy = (text: string) =>
    // On plain http there is no clipboard to write to.
    void Promise.resolve(navigator.clipboard as Clipboard | undefined)
      .then((clipboard) => (clipboard ? clipboard.writeText(text) : Promise.reject(new Error("this page cannot use the clipboard"))))
      .then(() => say("Copied."))
      .catch((error: unknown) => say(`Not copied: ${reasonOf(error)}. Download the file.`));
  const takeAll = async () => {
    setPacking(true);
    const zip = await counter.all();
    setPacking(false);
    if (zip) saveFile(zip.path, zip.content, zip.type);
    else say("One parcel could not be created (see the list), so no zip was made.");
  };
  return (
    <section aria-label="Options" className="grid content-start gap-4">
      <h2 className="heading">Options</h2>
      <p>{forWhom}</p>
      {CHOOSABLE[id].length > 0 && (
        <div className="[--name:4.25rem]">
          {CHOOSABLE[id].map((key) => (
            <label key={key} className="field-row">
              <span className="field-name">{WORD[key]}</span>
              <Select
                label={`${WORD[key]} of the parcel`}
                reads={says(`handoff.${key}`)}
                value={key === "moment" ? (choicesOf(key, props).find(([id]) => id === options.moment)?.[0] ?? EVERY) : options[key]}
                className="w-full min-w-0"
                options={choicesOf(key, props)}
                onChange={(value) => onChange({ [key]: value === EVERY ? null : value } as Partial<HandOffOptions>)}
              />
            </label>
          ))}
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="push push-main"
          aria-label={`Download the ${title}`}
          disabled={!made || made.parcel.files.length === 0}
          onClick={() => made && saveFile(made.taken.path, made.taken.content, made.taken.type)}
          {...readingProps(says("handoff.take"), made ? `${made.taken.path}, ${sizeText(made.bytes)}` : "not created yet")}
        >
          <Download size={14} /> Download
        </button>
        {copyable !== null && (
          <button type="button" className="push" aria-label={`Copy the ${title}`} onClick={() => copy(copyable)} {...readingProps(says("handoff.copy"))}>
            <Copy size={14} /> Copy
          </button>
        )}
      </div>
      {made && made.parcel.files.length > 0 && (
        <p className="figure text-[0.6875rem] break-all text-muted">
          {made.taken.path} · {sizeText(made.bytes)}
        </p>
      )}
      {said?.of === id && <p role="status">{said.text}</p>}
      {made && made.parcel.files.length > 0 && made.parcel.leftOut.length > 0 && (
        <p className="text-warning" data-testid="left-out">
          ◆ not included: {made.parcel.leftOut.join("; ")}
        </p>
      )}
      <button type="button" className="push justify-self-start" disabled={packing} onClick={() => void takeAll()} {...readingProps(says("handoff.all"))}>
        <Package size={14} /> {packing ? "packing…" : "All as one zip"}
      </button>
    </section>
  );
}

function choicesOf(key: Choosable, { screens, moments, options }: Pick<Props, "screens" | "moments" | "options">): Choices {
  switch (key) {
    case "screens":
      return SCREEN_CHOICES.map((one) => [one, `${one === "rail" ? "rail" : "all"}${one === options.screens ? `, ${screens}` : ""}`]);
    case "moment":
      return [[EVERY, "every moment"], ...moments.map(({ id, name }) => [id, name] as const)];
    case "direction":
      return Y_DIRECTIONS.map((one) => [one, one === "down" ? "down, from the top" : "up, from the bottom"]);
    case "language":
      return CONSTANT_LANGUAGES.map((one) => [one, languageWord(one)]);
    case "paper":
      return PAPERS.map((one) => [one, one === "a4" ? "A4" : "letter"]);
  }
}
