"use client";
/** Puts a picture of the user's own on a part of the look, or takes it off. */
import { byId } from "../../../core/derived/byId";
import { ImagePlus } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useRef } from "react";
import { clearArt, setArt, type ArtPart } from "../../../core/editing/edits/pictures";
import { PICTURES } from "../../../core/format/limits";
import type { Control } from "../../../core/format/types";
import { problemText } from "../../../core/engine/result";
import { FileInput } from "../../../ui/FileInput";
import { readingProps } from "../../../ui/reading";
import { says } from "../../reading/sentences";
import { useSession, useSessionActions } from "../../session/context";
import { common } from "../../shared/common";
import { pictureUrl, useImageArrivals } from "../../shared/images";
import { readPicture } from "../../shared/pictureFile";

const TYPES = ["image/png", "image/webp", "image/svg+xml"] as const;
const ITEM = "flex h-7 items-center rounded-sm px-2.5 outline-none data-[highlighted]:bg-accent data-[highlighted]:text-on-accent cursor-pointer";

export function ArtPicker({ controls, part, word }: { controls: readonly Control[]; part: ArtPart; word: string }) {
  const session = useSessionActions();
  const pictures = useSession((s) => s.layout.pictures);
  const input = useRef<HTMLInputElement>(null);
  const ids = controls.map((c) => c.id);
  const shown = common(controls, (c) => c.look.art?.[part] ?? "");
  const picture = shown === null ? undefined : byId(pictures).get(shown);
  useImageArrivals();
  const url = picture && pictureUrl(picture);
  const accept = async (file: File) => {
    const read = await readPicture(file, TYPES, PICTURES.fileBytes.most);
    if (!read.ok) session.tell({ text: problemText(read.problems).replace(": ", " "), tone: "problem" });
    else session.edit(`picture of ${controls.map((c) => c.name).join(", ")}`, (l) => setArt(l, ids, part, read.value));
  };
  return (
    <>
      <FileInput ref={input} accept={TYPES.join(",")} label={`Picture file, ${word}`} onFile={(file) => void accept(file)} />
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          className="box grid size-6 shrink-0 place-items-center overflow-hidden"
          aria-label={`Picture, ${word}: ${picture?.name ?? "none"}`}
          {...readingProps(says("look.picture", { when: word }))}
        >
          {url ? (
            // eslint-disable-next-line @next/next/no-img-element -- a data URL; there is nothing to optimise
            <img src={url} alt="" className="size-5 object-contain" />
          ) : (
            <ImagePlus size={13} />
          )}
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="z-50 min-w-[11.25rem] rounded-sm border border-edge bg-sheet p-1 shadow-lg" sideOffset={4}>
            <DropdownMenu.Item className={ITEM} onSelect={() => input.current?.click()}>
              From a file…
            </DropdownMenu.Item>
            {pictures.map((p) => (
              <DropdownMenu.Item
                key={p.id}
                className={ITEM}
                onSelect={() => session.edit(`picture of ${controls.map((c) => c.name).join(", ")}`, (l) => setArt(l, ids, part, p))}
              >
                {p.name}
              </DropdownMenu.Item>
            ))}
            {shown !== "" && (
              <DropdownMenu.Item
                className={ITEM}
                onSelect={() => session.edit(`picture of ${controls.map((c) => c.name).join(", ")}`, (l) => clearArt(l, ids, part))}
              >
                No picture
              </DropdownMenu.Item>
            )}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
