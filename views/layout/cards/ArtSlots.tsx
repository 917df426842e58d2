"use client";
/** The pictures on all parts of a look: each taken from a file, chosen from those of the layout, or removed. A word that a new picture covers can be hidden. */
import { KINDS } from "../../../core/engine/kinds";
import { ImagePlus } from "lucide-react";
import { useRef, type ReactNode } from "react";
import { byId } from "../../../core/derived/byId";
import { changeLook } from "../../../core/editing/edits/controls";
import { clearArt, setArt, type ArtPart, type PictureData } from "../../../core/editing/edits/pictures";
import { problemText, type Result } from "../../../core/engine/result";
import { PICTURES } from "../../../core/format/limits";
import type { Control, Layout } from "../../../core/format/types";
import { Dialogue } from "../../../ui/Dialogue";
import { FileInput } from "../../../ui/FileInput";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { pictureUrl, useImageArrivals } from "../../canvas/images";
import { namesOf } from "../../document/names";
import { readPicture } from "../../document/files/pictureFile";

const TYPES = ["image/png", "image/webp", "image/svg+xml"] as const;
/** The slots of controls, each with its word: their base and what moves upon it, or the whole of them. */
function slotsOf(controls: readonly Control[]): readonly (readonly [ArtPart, string])[] {
  const parts = controls.map((c) => KINDS[c.kind].parts).find((one) => one !== null);
  if (!parts)
    return [
      ["rest", "At rest"],
      ["held", "Held"],
    ];
  return [
    ["rest", `${parts.base}, at rest`],
    ["held", `${parts.base}, held`],
    ["knob", parts.moving],
  ];
}

interface Props {
  readonly controls: readonly Control[];
  /** The slot that has the focus at first. */
  readonly first: ArtPart;
  readonly onClose: () => void;
}

export function ArtSlots({ controls, first, onClose }: Props) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const ids = controls.map((c) => c.id);
  const names = namesOf(layout, ids);
  const put = (part: ArtPart, picture: PictureData) => session.edit(`picture of ${names}`, (l) => setArt(l, ids, part, picture));
  const words = controls.filter((c) => c.look.art?.rest !== undefined && c.look.label !== "");
  const hideWords = () =>
    session.edit(`no word on ${names}`, (l) =>
      words.reduce<Result<Layout>>((r, c) => (r.ok ? changeLook(r.value, c.id, { label: "" }) : r), { ok: true, value: l }),
    );
  return (
    <Dialogue title={`Pictures of ${names}`} open onOpenChange={(open) => !open && onClose()}>
      <div className="grid gap-3">
        <ul className="grid gap-2">
          {slotsOf(controls).map(([part, word]) => (
            <Slot
              key={part}
              part={part}
              name={word}
              shown={common(controls, (c) => c.look.art?.[part] ?? "")}
              isFirst={part === first}
              onPut={(picture) => put(part, picture)}
              onClear={() => session.edit(`picture of ${names}`, (l) => clearArt(l, ids, part))}
            />
          ))}
        </ul>
        {words.length > 0 && (
          <p role="status" className="flex items-center gap-2">
            <span>
              {words.length === 1 ? `The word “${words[0].look.label}” is drawn over the picture.` : `${words.length} words are drawn over the pictures.`}
            </span>
            <button type="button" className="push h-7 shrink-0 px-2" onClick={hideWords}>
              {words.length === 1 ? "Hide the word" : "Hide the words"}
            </button>
          </p>
        )}
        <button type="button" className="push push-main justify-self-end" onClick={onClose}>
          Done
        </button>
      </div>
    </Dialogue>
  );
}

interface SlotProps {
  readonly part: ArtPart;
  readonly name: string;
  /** The id of the picture there; empty for none, null where several differ. */
  readonly shown: string | null;
  readonly isFirst: boolean;
  readonly onPut: (picture: PictureData) => void;
  readonly onClear: () => void;
}

function Slot({ part, name, shown, isFirst, onPut, onClear }: SlotProps) {
  const session = useSessionActions();
  const pictures = useSession((s) => s.layout.pictures);
  const input = useRef<HTMLInputElement>(null);
  const picture = shown === null ? undefined : byId(pictures).get(shown);
  const accept = async (file: File) => {
    const read = await readPicture(file, TYPES, PICTURES.fileBytes.most);
    if (read.ok) onPut(read.value);
    else session.tell({ text: problemText(read.problems).replace(": ", " "), tone: "problem" });
  };
  const choose = (id: string) => {
    const chosen = byId(pictures).get(id);
    if (chosen) onPut(chosen);
    else onClear();
  };
  return (
    <li className="flex items-center gap-3" data-slot={part}>
      <Preview picture={picture} />
      <span className="grid min-w-0 flex-1 gap-1">
        <span>{name}</span>
        <span className="flex gap-1.5">
          <FileInput ref={input} accept={TYPES.join(",")} label={`Picture file, ${part}`} onFile={(file) => void accept(file)} />
          <button type="button" className="push h-7 px-2" data-first={isFirst || undefined} onClick={() => input.current?.click()}>
            From a file…
          </button>
          <select
            aria-label={`Picture, ${name}`}
            className="box h-7 min-w-0 flex-1 px-1"
            value={shown ?? MIXED}
            onChange={(event) => choose(event.target.value)}
          >
            {shown === null && <option value={MIXED}>mixed</option>}
            <option value="">no picture</option>
            {pictures.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </span>
      </span>
    </li>
  );
}

/** Ids of pictures have letters and digits alone. */
const MIXED = "?";

function Preview({ picture }: { picture: Layout["pictures"][number] | undefined }): ReactNode {
  useImageArrivals();
  const url = picture && pictureUrl(picture);
  return (
    <span className="box grid size-14 shrink-0 place-items-center overflow-hidden" aria-hidden>
      {url ? (
        // eslint-disable-next-line @next/next/no-img-element -- a data URL; there is nothing to optimise
        <img src={url} alt="" className="size-12 object-contain" />
      ) : (
        <ImagePlus size={18} className="text-muted" />
      )}
    </span>
  );
}
