"use client";
/** Game art on its way in: a folder of pictures, or one sheet to be cut; each matched to a look by its name, and by hand. */
import { KINDS } from "../../../core/engine/kinds";
import { useEffect, useMemo, useState } from "react";
import { setArt, type ArtPart, type PictureData } from "../../../core/editing/edits/pictures";
import { ok, problemText } from "../../../core/engine/result";
import type { ControlKind, Layout } from "../../../core/format/types";
import { matchArt } from "../../../core/wiring/artNames";
import { Dialogue } from "../../../ui/Dialogue";
import { readingProps } from "../../../ui/reading";
import { Select, type Choices } from "../../../ui/Select";
import { says } from "../../shell/reading/sentences";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { navigate } from "../../shell/navigate";
import { pictureUrl } from "../../canvas/images";
import { SheetCutter } from "./SheetCutter";
import type { SheetPiece } from "../../../core/exchange/sortFiles";

/** What came in: pictures, and rectangles of a sheet where a JSON came with one. */
export interface ArtSource {
  readonly pictures: readonly PictureData[];
  readonly pieces: readonly SheetPiece[] | null;
}

const NONE = "\u0000";
const partWord = (part: ArtPart, kind: ControlKind) =>
  part === "rest" ? "at rest" : part === "held" ? "held" : (KINDS[kind].parts?.moving ?? "").toLowerCase();

function targetsOf({ controls }: Layout): Choices {
  const parts = (kind: ControlKind): readonly ArtPart[] => (KINDS[kind].parts !== null ? ["rest", "held", "knob"] : ["rest", "held"]);
  return [
    [NONE, "not used"],
    ...controls.flatMap(({ id, name, kind }) => parts(kind).map((part) => [`${id} ${part}`, `${name}, ${partWord(part, kind)}`] as const)),
  ];
}

interface Props {
  readonly source: ArtSource;
  readonly onClose: () => void;
}

// oxlint-disable-next-line max-lines-per-function -- one table: each picture with its choices
export function ArtDialogue({ source, onClose }: Props) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const [cut, setCut] = useState<readonly PictureData[] | null>(null);
  const [chosen, setChosen] = useState<ReadonlyMap<number, string>>(new Map());
  const pictures = cut ?? source.pictures;
  const guesses = useMemo(
    () =>
      matchArt(
        layout,
        pictures.map(({ name }) => name),
      ),
    [layout, pictures],
  );
  const targets = useMemo(() => targetsOf(layout), [layout]);
  const targetAt = (i: number) => chosen.get(i) ?? (guesses[i] ? `${guesses[i].control} ${guesses[i].part}` : NONE);
  const used = pictures.flatMap((picture, i) => (targetAt(i) === NONE ? [] : [{ picture, target: targetAt(i) }]));
  const twice = used.find(({ target }, i) => used.findIndex((other) => other.target === target) !== i);
  const dress = (start: Layout) => {
    let next = start;
    for (const { picture, target } of used) {
      const [id, part] = target.split(" ");
      const done = setArt(next, [id], part as ArtPart, picture);
      if (!done.ok) return done;
      next = done.value;
    }
    return ok(next);
  };
  const tried = used.length > 0 && !twice ? dress(layout) : null;
  const take = () => {
    if (!session.edit(`art for ${used.length} looks`, dress)) return;
    onClose();
    navigate("/layout");
  };
  // A single picture may be a sheet.
  const sheet = source.pictures.length === 1 && source.pictures[0].type !== "image/svg+xml" ? source.pictures[0] : null;
  return (
    <Dialogue title="Game art" open onOpenChange={(open) => !open && onClose()} wide>
      <div className="grid gap-3">
        {sheet && (
          <SheetCutter
            sheet={sheet}
            pieces={source.pieces}
            onCut={(next) => {
              setCut(next);
              setChosen(new Map());
            }}
          />
        )}
        <ul aria-label="Pictures" className="grid max-h-[50vh] grid-cols-2 gap-2 overflow-auto">
          {pictures.map((picture, i) => (
            <li key={`${i} ${picture.name}`} className="grid grid-cols-[3.5rem_minmax(0,1fr)] items-center gap-2" data-art={picture.name}>
              <Thumbnail picture={picture} />
              <div className="grid min-w-0 gap-1">
                <span className="truncate text-[0.75rem]" title={picture.name}>
                  {picture.name}
                </span>
                <Select
                  label={`Look for ${picture.name}`}
                  reads={says("art.target")}
                  className="w-full"
                  value={targetAt(i)}
                  options={targets}
                  onChange={(target) => setChosen(new Map(chosen).set(i, target))}
                />
              </div>
            </li>
          ))}
        </ul>
        {twice && <p role="alert">Two pictures for {targets.find(([key]) => key === twice.target)?.[1]}; choose another look for one of them.</p>}
        {tried && !tried.ok && (
          <p role="alert" className="text-blocker">
            {problemText(tried.problems, 3)}
          </p>
        )}
        <div className="flex items-center gap-3">
          <button type="button" data-first className="push push-main" disabled={!tried?.ok} onClick={take} {...readingProps(says("art.take"))}>
            Apply
          </button>
          <span className="caption ml-auto" role="status">
            {used.length} of {pictures.length} used
          </span>
        </div>
      </div>
    </Dialogue>
  );
}

function Thumbnail({ picture }: { readonly picture: PictureData }) {
  const [url, setUrl] = useState(() => pictureUrl(picture));
  useEffect(() => {
    if (url !== null) return;
    // An SVG is shown once it can be cleaned.
    const timer = setInterval(() => setUrl(pictureUrl(picture)), 50);
    return () => clearInterval(timer);
  }, [picture, url]);
  return (
    <span className="checkered grid size-14 place-items-center border border-rule">
      {/* eslint-disable-next-line @next/next/no-img-element -- a picture from memory */}
      {url && <img src={url} alt="" className="max-h-full max-w-full object-contain" />}
    </span>
  );
}
