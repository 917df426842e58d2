"use client";
/** The map: aspect along the bottom, diagonal up the side, every cell a screen; the worst finding by colour and pattern, one finding's measure as lines. */
import { useEffect, useEffectEvent, useMemo, useState } from "react";
import { findingsOfMap, MAP_LEVELS, mapScreen, middleOf, type MapRange } from "../../core/checks/aspectMap";
import type { PlayerCase } from "../../core/checks/grid";
import { readingProps } from "../../ui/reading";
import { Select } from "../../ui/Select";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { nameOf } from "../document/names";
import { faceWords } from "../../core/checks/faceWords";
import { contoursOf } from "./mapContours";
import { doneShare, emptyRows, finestWhole, without, type MapRows } from "./mapDrawing";
import { MapPlace } from "./MapPlace";
import { MapPlot, type MapCursor } from "./MapPlot";
import { putExactOnBench, putOnBench } from "./putOnBench";
import { SizeSliders } from "./SizeSliders";
import { aspectsOf } from "../../core/checks/spanRows";
import { useFaces } from "./useFaces";

/** The diagonals of what is held in hands: 3 to 13 inches. */
const INCHES = { fromInches: 3, toInches: 13 };
/** Rows come to the page in bunches this far apart, ms. */
const TOLD_EVERY_MS = 80;

export function MapLook() {
  const { layout, screens, faces } = useFaces();
  const session = useSessionActions();
  const [size, setSize] = useState({ ppi: 420, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 } });
  const [face, setFace] = useState<number | null>(null);
  const [measured, setMeasured] = useState<string | null>(null);
  const [cursor, setCursor] = useState<MapCursor>({ column: 32, row: 33 });
  const range = useMemo((): MapRange => ({ ...size, ...aspectsOf(layout), ...INCHES }), [size, layout]);
  const judgedFor = useMemo(() => (face === null ? faces : [faces[face]]), [faces, face]);
  const { rows: all, isWhole } = useMap(range, judgedFor);
  const [leavesOut, setLeavesOut] = useState(false);
  const whole = useMemo(() => finestWhole(all), [all]);
  const everything = useMemo(() => findingsOfMap(whole?.rows ?? []), [whole]);
  const found = everything.filter(({ finding }) => finding.measure);
  const rows = useMemo(() => {
    if (!leavesOut || !whole) return all;
    const cells = whole.level.columns * whole.level.rows;
    return without(all, new Set(everything.flatMap((one) => (one.cells === cells ? [one.key] : []))));
  }, [all, whole, everything, leavesOut]);
  const key = found.some((one) => one.key === measured) ? measured : null;
  const lines = useMemo(() => (whole && key !== null ? contoursOf(whole.rows, whole.level, key) : []), [whole, key]);
  const open = ({ column, row }: MapCursor) => {
    const place = middleOf(range, MAP_LEVELS[MAP_LEVELS.length - 1], column, row);
    putExactOnBench(session, mapScreen(range, place), `Aspect ${place.aspect.toFixed(3)}, ${place.inches.toFixed(2)} inches`);
  };
  return (
    <div className="flex h-full min-h-0 flex-col">
      <SizeSliders size={size} onSize={setSize}>
        <label className="flex items-center gap-1.5">
          <span className="caption">Player</span>
          <Select
            label="Player of the map"
            reads={says("map.face")}
            value={face === null ? "" : String(face)}
            options={[["", "worst of all players"], ...faces.map((one, i) => [String(i), faceWords(one)] as const)]}
            onChange={(chosen) => setFace(chosen === "" ? null : Number(chosen))}
          />
        </label>
        <label className="flex items-center gap-1.5">
          <span className="caption">Contours</span>
          <Select
            label="Contour lines"
            className="max-w-[15rem]"
            reads={says("map.measure")}
            value={key ?? ""}
            options={[
              ["", "nothing"],
              ...found.map((one) => [one.key, `${one.finding.code} ${one.finding.subjects.map((s) => nameOf(layout, s)).join(", ")}`.trim()] as const),
            ]}
            onChange={(chosen) => setMeasured(chosen || null)}
          />
        </label>
        <label className="flex min-h-6 items-center gap-1.5" {...readingProps(says("map.everywhere"), leavesOut ? "hidden" : "shown")}>
          <input type="checkbox" className="accent-[var(--accent)]" checked={leavesOut} onChange={(event) => setLeavesOut(event.target.checked)} />
          <span className="caption">Hide findings that hold everywhere</span>
        </label>
        <span className="caption ml-auto" role="status" data-testid="map-state">
          {isWhole ? "ready" : `${Math.floor(doneShare(all) * 100)} % computed`}
        </span>
      </SizeSliders>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_21rem] max-[68rem]:grid-cols-[minmax(0,1fr)_17rem]">
        <MapPlot
          rows={rows}
          range={range}
          lines={lines}
          cursor={cursor}
          onCursor={setCursor}
          onOpen={open}
          onScreen={(screen) => putOnBench(session, { screen, face: face === null ? null : faces[face], finding: null })}
          screens={screens}
        />
        <MapPlace rows={rows} range={range} cursor={cursor} onOpen={() => open(cursor)} measured={key} onMeasure={setMeasured} />
      </div>
    </div>
  );
}

/** The map as far as it has come. Of a change a moment ago the older map is until the newer has its first level. */
function useMap(range: MapRange, faces: readonly PlayerCase[]): { readonly rows: MapRows; readonly isWhole: boolean } {
  const { layout, screens, checker } = useFaces();
  const session = useSessionActions();
  const [known, setKnown] = useState<{ readonly of: readonly unknown[]; readonly rows: MapRows; readonly isWhole: boolean }>(() => ({
    of: [],
    rows: emptyRows(),
    isWhole: false,
  }));
  const of = useMemo(() => [layout, range, faces], [layout, range, faces]);
  const screensNow = useEffectEvent(() => screens);
  useEffect(() => {
    const rows = emptyRows();
    let timer: number | undefined;
    let isWanted = true;
    const tell = (isWhole: boolean) => {
      timer = undefined;
      if (isWhole || finestWhole(rows)) setKnown({ of, rows: rows.map((level) => [...level]), isWhole });
    };
    checker
      .map({ layout, screens: screensNow(), faces }, range, (level, row, cells) => {
        rows[MAP_LEVELS.indexOf(level)][row] = cells;
        timer ??= window.setTimeout(() => tell(false), TOLD_EVERY_MS);
      })
      .then(
        (isWhole) => {
          window.clearTimeout(timer);
          if (isWhole && isWanted) tell(true);
        },
        (error: unknown) =>
          isWanted && session.tell({ text: `The map could not be computed: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" }),
      );
    return () => {
      isWanted = false;
      window.clearTimeout(timer);
    };
  }, [checker, layout, range, faces, of, session]);
  return { rows: known.rows, isWhole: known.isWhole && known.of === of };
}
