"use client";
/** The span chart: aspect ratios along the bottom, a row a finding, drawn exactly where it holds and as high as its measure; its figures as a table next to it. */
import { useEffect, useMemo, useState } from "react";
import { screenAt, type AspectProfile, type AspectRange } from "../../core/checks/aspectIntervals";
import { useSessionActions } from "../document/SessionContext";
import { putExactOnBench } from "./putOnBench";
import { SizeSliders } from "./SizeSliders";
import { SpanChart } from "./SpanChart";
import { aspectsOf, spanRows } from "../../core/checks/spanRows";
import { SpanTable } from "./SpanTable";
import { useFaces } from "./useFaces";

export function SpansLook() {
  const { layout, screens, faces, checker } = useFaces();
  const session = useSessionActions();
  const [size, setSize] = useState({ diagonalInches: 6.1, ppi: 420, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 } });
  const range = useMemo((): AspectRange => ({ ...size, ...aspectsOf(layout) }), [size, layout]);
  const [found, setFound] = useState<{ readonly of: readonly unknown[]; readonly profiles: readonly (readonly AspectProfile[] | null)[] }>({
    of: [],
    profiles: [],
  });
  useEffect(() => {
    const profiles: (readonly AspectProfile[] | null)[] = faces.map(() => null);
    checker
      .spans({ layout, screens, faces }, range, (i, one) => {
        profiles[i] = one;
        setFound({ of: [layout, range, faces], profiles: [...profiles] });
      })
      .catch((error: unknown) =>
        session.tell({ text: `The spans could not be computed: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" }),
      );
  }, [checker, layout, screens, faces, range, session]);
  const rows = useMemo(() => spanRows(found.profiles), [found]);
  const isWorking = found.of[0] !== layout || found.of[1] !== range || found.profiles.some((p) => p === null);
  const toBench = (aspect: number) => putExactOnBench(session, screenAt(range, aspect), `Aspect ${aspect.toFixed(3)}, ${size.diagonalInches} inches`);
  return (
    <div className="flex h-full min-h-0 flex-col">
      <SizeSliders size={size} onSize={setSize}>
        <span className="caption ml-auto" data-testid="spans-state">
          {isWorking ? "working…" : "ready"}
        </span>
      </SizeSliders>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_21rem]">
        <SpanChart rows={rows} range={range} onBench={toBench} />
        <SpanTable rows={rows} onBench={toBench} />
      </div>
    </div>
  );
}
