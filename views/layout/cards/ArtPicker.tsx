"use client";
/** Shows the picture on a part of the look; a click opens the dialog with the pictures of all parts. */
import dynamic from "next/dynamic";
import { ImagePlus } from "lucide-react";
import { useState } from "react";
import { byId } from "../../../core/derived/byId";
import type { ArtPart } from "../../../core/editing/edits/pictures";
import type { Control } from "../../../core/format/types";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSession } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { pictureUrl, useImageArrivals } from "../../canvas/images";

const ArtSlots = dynamic(() => import("./ArtSlots").then((m) => m.ArtSlots));

export function ArtPicker({ controls, part, word }: { controls: readonly Control[]; part: ArtPart; word: string }) {
  const pictures = useSession((s) => s.layout.pictures);
  const [open, setOpen] = useState(false);
  const shown = common(controls, (c) => c.look.art?.[part] ?? "");
  const picture = shown === null ? undefined : byId(pictures).get(shown);
  useImageArrivals();
  const url = picture && pictureUrl(picture);
  return (
    <>
      <button
        type="button"
        className="box grid size-6 shrink-0 place-items-center overflow-hidden"
        aria-label={`Picture, ${word}: ${picture?.name ?? "none"}`}
        onClick={() => setOpen(true)}
        {...readingProps(says("look.picture", { when: word }))}
      >
        {url ? (
          // eslint-disable-next-line @next/next/no-img-element -- a data URL; there is nothing to optimise
          <img src={url} alt="" className="size-5 object-contain" />
        ) : (
          <ImagePlus size={13} />
        )}
      </button>
      {open && <ArtSlots controls={controls} first={part} onClose={() => setOpen(false)} />}
    </>
  );
}
