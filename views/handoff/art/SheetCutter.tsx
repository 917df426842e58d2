"use client";
/** One picture cut into many: by the rectangles that came with it, or by a grid. */
import { useState } from "react";
import type { PictureData } from "../../../core/editing/edits/pictures";
import { readingProps } from "../../../ui/reading";
import { reasonOf } from "../../../storage/reason";
import { says } from "../../shell/reading/sentences";
import type { SheetPiece } from "../../../core/exchange/sortFiles";
import { cutPiece, gridPieces, sheetImage } from "./cut";
import { FIELD_LETTERS } from "../../../ui/fieldLimits";

/** A sheet is cut into at most this many pieces: more looks than a layout may have. */
const MOST_PIECES = 1024;
const MOST_ALONG = 32;

interface Props {
  readonly sheet: PictureData;
  readonly pieces: readonly SheetPiece[] | null;
  readonly onCut: (pictures: readonly PictureData[]) => void;
}

export function SheetCutter({ sheet, pieces, onCut }: Props) {
  const [columns, setColumns] = useState(4);
  const [rows, setRows] = useState(4);
  const [said, setSaid] = useState("");
  const cut = async (of: (image: HTMLImageElement) => readonly SheetPiece[]) => {
    try {
      const image = await sheetImage(sheet);
      const all = of(image).slice(0, MOST_PIECES);
      const done = all.flatMap((piece) => cutPiece(image, piece) ?? []);
      setSaid(
        done.length === 0 ? "All pieces are empty." : `Cut into ${done.length}${done.length < all.length ? `; ${all.length - done.length} were empty` : ""}.`,
      );
      if (done.length > 0) onCut(done);
    } catch (error) {
      setSaid(`Could not be cut: ${reasonOf(error)}.`);
    }
  };
  const bare = sheet.name.replace(/\.[a-z]+$/i, "");
  const count = (what: "columns" | "rows", value: number, onChange: (next: number) => void) => (
    <label className="flex items-center gap-1.5">
      <span className="caption">{what}</span>
      <input
        type="number"
        maxLength={FIELD_LETTERS.number}
        min={1}
        max={MOST_ALONG}
        className="box figure h-6 w-12 px-1"
        aria-label={`${what} of the sheet`}
        value={value}
        onChange={(event) => onChange(Math.max(1, Math.min(MOST_ALONG, Math.round(Number(event.target.value)) || 1)))}
        {...readingProps(says("art.grid", { what }), String(value))}
      />
    </label>
  );
  return (
    <div className="flex flex-wrap items-center gap-3 border border-rule p-2" role="group" aria-label="Cut the sheet">
      <span>One picture: is it a sheet?</span>
      {pieces && (
        <button type="button" className="push" onClick={() => void cut(() => pieces)}>
          Cut by its {pieces.length} rectangles
        </button>
      )}
      {count("columns", columns, setColumns)}
      {count("rows", rows, setRows)}
      <button
        type="button"
        className="push"
        onClick={() => void cut((image) => gridPieces(bare, { w: image.naturalWidth, h: image.naturalHeight }, columns, rows))}
      >
        Cut by the grid
      </button>
      <span role="status" className="caption">
        {said}
      </span>
    </div>
  );
}
