/** All that parcels are made from. */
import type { ConstantLanguage } from "../core/exchange/constants";
import type { PlayerView } from "../core/engine/placement/resolve";
import type { Layout, Screen } from "../core/format/types";
import type { YDirection } from "../core/exchange/boxDirection";
import type { Paper } from "../core/report/style";
import type { DrawingContext, Supplies } from "../runtime/draw/drawn";

/** Browsers refuse canvases with longer sides, px: a picture that would be larger is omitted, and named. */
export const MOST_SIDE_PX = 8192;

/** Makes PNGs; only a browser can. */
export interface PngPainter {
  /** What the layout's looks are made of, its pictures decoded. */
  readonly supplies: Supplies;
  /** Draws on a fresh canvas of this many px; gives the PNG's bytes. */
  readonly paint: (width: number, height: number, draw: (ctx: DrawingContext) => void) => Promise<Uint8Array>;
  /** An SVG as a PNG of this many px. */
  readonly paintSvg: (svg: string, width: number, height: number) => Promise<Uint8Array>;
}

/** A take as its own file. */
export interface TakeFile {
  readonly path: string;
  readonly text: string;
}

export interface HandOffSource {
  readonly layout: Layout;
  /** SHA-256 of the layout file. */
  readonly digest: string;
  /** The day it is made, as it is written: "2026-11-27". */
  readonly date: string;
  readonly screens: readonly Screen[];
  /** As whom it is drawn and told; its moment counts in drawings alone. */
  readonly playerView: PlayerView;
  readonly direction: YDirection;
  readonly language: ConstantLanguage;
  readonly paper: Paper;
  /** What of the checklist is done. */
  readonly ticked: ReadonlySet<string>;
  /** Takes as files, by their names. */
  readonly takes: () => Promise<readonly TakeFile[]>;
  /** The script of the page that plays by itself. */
  readonly pageScript: () => Promise<string>;
  /** The files of the package nodulum-runtime, by their paths in it. */
  readonly runtimeFiles: () => Promise<Readonly<Record<string, string>>>;
  /** The files of the port in C, likewise. */
  readonly portFiles: () => Promise<Readonly<Record<string, string>>>;
  /** The report as HTML, made wherever such work is done. */
  readonly report: () => Promise<string>;
  /** Null: no PNG can be made here. */
  readonly painter: () => Promise<PngPainter | null>;
}
