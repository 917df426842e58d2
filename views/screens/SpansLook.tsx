"use client";
/** The span chart: aspect ratios along the bottom, a row a finding, drawn exactly where it holds and as high as its measure; its figures as a table beside it. */
import { useEffect, useMemo, useRef, useState, type PointerEvent } from "react";
import { ComposedChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from "recharts";
import { screenAt, type AspectProfile, type AspectRange } from "../../core/checks/aspectIntervals";
import { addScreens } from "../../core/editing/edits/screens";
import { catalogueFor } from "../../core/checks/catalogue";
import { aspectOf } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { says } from "../reading/sentences";
import { useSessionActions } from "../session/context";
import { railOf } from "../session/screens";
import { go } from "../shared/go";
import { nameOf } from "../shared/names";
import { momentName } from "../shared/names";
import { useRoom } from "../shared/useRoom";
import { faceWords, measureWords } from "./faceWords";
import { aspectsOf, barHeight, spanRows, type SpanRow } from "./spanRows";
import { useFaces } from "./useFaces";

const ROW = 20;
const LABELS = 208;
const AXIS = 26;
const SIDES = ["left", "top", "right", "bottom"] as const;

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
        session.tell({ text: `The spans could not be worked out: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" }),
      );
  }, [checker, layout, screens, faces, range, session]);
  const rows = useMemo(() => spanRows(found.profiles), [found]);
  const isWorking = found.of[0] !== layout || found.of[1] !== range || found.profiles.some((p) => p === null);
  const toBench = (aspect: number) => {
    const exact = screenAt(range, aspect);
    const whole = (value: number) => Math.round(value);
    const name = `Aspect ${aspect.toFixed(3)}, ${size.diagonalInches} inches`;
    const screen: Screen = {
      ...exact,
      name,
      widthPx: whole(exact.widthPx),
      heightPx: whole(exact.heightPx),
      insets: { left: whole(exact.insets.left), top: whole(exact.insets.top), right: whole(exact.insets.right), bottom: whole(exact.insets.bottom) },
    };
    const used = new Set(catalogueFor(layout.orientation).map((s) => s.name));
    const isThere = layout.workbench.screens.some((s) => s.name === name);
    if (
      !isThere &&
      !session.edit(`add ${name}`, (l) =>
        addScreens(
          l,
          [screen],
          railOf(l).map((s) => s.name),
          used,
        ),
      )
    )
      return;
    session.remember({ screen: name });
    go("/layout");
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <Sizes size={size} onSize={setSize} isWorking={isWorking} />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_21rem]">
        <Chart rows={rows} range={range} onBench={toBench} />
        <SpanTable rows={rows} onBench={toBench} />
      </div>
    </div>
  );
}

type Size = Pick<AspectRange, "diagonalInches" | "ppi" | "insetsMm">;

function Sizes({ size, onSize, isWorking }: { size: Size; onSize: (size: Size) => void; isWorking: boolean }) {
  const slider = (
    label: string,
    value: number,
    { unit, min, max, step }: { unit: string; min: number; max: number; step: number },
    set: (value: number) => void,
  ) => (
    <label className="flex items-center gap-1.5">
      <span className="caption">{label}</span>
      <input
        type="range"
        aria-label={label}
        className="w-20 accent-[var(--accent)]"
        value={value}
        min={min}
        max={max}
        step={step}
        onChange={(event) => set(Number(event.target.value))}
        {...readingProps(says("spans.size", { what: label }), `${value} ${unit}`)}
      />
      <span className="figure w-14 text-[0.6875rem]">
        {value} {unit}
      </span>
    </label>
  );
  return (
    <div role="group" aria-label="The screens of the chart" className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-1.5">
      {slider("diagonal", size.diagonalInches, { unit: "in", min: 3, max: 13, step: 0.1 }, (diagonalInches) => onSize({ ...size, diagonalInches }))}
      {slider("density", size.ppi, { unit: "ppi", min: 120, max: 600, step: 10 }, (ppi) => onSize({ ...size, ppi }))}
      {SIDES.map((side) => (
        <span key={side} className="contents">
          {slider(`inset ${side}`, size.insetsMm[side], { unit: "mm", min: 0, max: 12, step: 0.5 }, (mm) =>
            onSize({ ...size, insetsMm: { ...size.insetsMm, [side]: mm } }),
          )}
        </span>
      ))}
      <span className="caption ml-auto" data-testid="spans-state">
        {isWorking ? "working…" : "worked out"}
      </span>
    </div>
  );
}

interface ChartProps {
  readonly rows: readonly SpanRow[];
  readonly range: AspectRange;
  readonly onBench: (aspect: number) => void;
}

function Chart({ rows, range, onBench }: ChartProps) {
  const { layout, screens, faces } = useFaces();
  const area = useRef<HTMLDivElement>(null);
  const { w } = useRoom(area);
  const width = Math.max(120, w - LABELS - 12);
  const [at, setAt] = useState<number | null>(null);
  const aspectAt = (event: PointerEvent<HTMLElement>) => {
    const rect = event.currentTarget.getBoundingClientRect();
    const part = Math.max(0, Math.min(1, (event.clientX - rect.left) / rect.width));
    return range.from + part * (range.to - range.from);
  };
  const height = Math.max(3, rows.length) * ROW;
  return (
    <div ref={area} className="min-h-0 overflow-auto" data-testid="span-chart">
      <div className="relative grid" style={{ gridTemplateColumns: `${LABELS}px ${width}px` }}>
        <ul aria-hidden className="pt-0">
          {rows.map((row, i) => (
            <li key={i} className="flex items-center gap-1 truncate border-b border-rule pr-2 pl-3 text-[0.6875rem]" style={{ height: ROW }}>
              <span className={SEVERITY_CLASS[row.profile.severity]}>{SEVERITY_MARK[row.profile.severity]}</span>
              <span className="truncate">{rowWords(layout, row)}</span>
              {row.faces.length < faces.length && <span className="shrink-0 text-muted">{row.faces.map((f) => shortFace(faces[f])).join(" ")}</span>}
            </li>
          ))}
          {rows.length === 0 && <li className="caption p-3">Nothing is found on any aspect.</li>}
        </ul>
        <div
          className="relative cursor-crosshair"
          style={{ width, height: height + AXIS }}
          onPointerMove={(event) => setAt(aspectAt(event))}
          onPointerLeave={() => setAt(null)}
          onClick={(event) => onBench(aspectAt(event as unknown as PointerEvent<HTMLElement>))}
          data-testid="span-plot"
          {...readingProps(says("spans.plot"), at === null ? "" : at.toFixed(3))}
        >
          <ComposedChart width={width} height={height + AXIS} margin={{ top: 0, right: 0, bottom: 0, left: 0 }} data={[]} accessibilityLayer={false}>
            <XAxis
              type="number"
              dataKey="aspect"
              domain={[range.from, range.to]}
              ticks={ticksOf(range)}
              allowDataOverflow
              height={AXIS}
              tick={{ fontSize: 10, fill: "var(--muted)" }}
              stroke="var(--edge)"
            />
            <YAxis hide type="number" domain={[0, Math.max(3, rows.length)]} allowDataOverflow reversed />
            {layout.arrangements.map(({ id, when }) =>
              when.aspect ? (
                <ReferenceArea
                  key={id}
                  x1={Math.max(range.from, when.aspect.min ?? range.from)}
                  x2={Math.min(range.to, when.aspect.max ?? range.to)}
                  fill="var(--land)"
                  fillOpacity={0.1}
                  ifOverflow="hidden"
                />
              ) : null,
            )}
            {screens.map((screen) => (
              <ReferenceLine key={screen.name} x={aspectOf(screen)} stroke="var(--edge)" strokeOpacity={0.5} strokeDasharray="1 3" ifOverflow="hidden" />
            ))}
            {rows.flatMap((row, i) =>
              row.profile.intervals.map(([from, to]) => (
                <ReferenceArea
                  key={`${i} ${from}`}
                  x1={from}
                  x2={to}
                  y1={i}
                  y2={i + 1}
                  ifOverflow="hidden"
                  shape={(box: unknown) => <Bar box={box as Box} profile={row.profile} from={from} to={to} />}
                />
              )),
            )}
          </ComposedChart>
          {at !== null && (
            <div className="pointer-events-none absolute inset-y-0 w-px bg-accent" style={{ left: ((at - range.from) / (range.to - range.from)) * width }}>
              <span className="figure absolute bottom-0 left-1 bg-paper text-[0.6875rem] whitespace-nowrap text-accent">
                {at.toFixed(3)} {nearestScreen(screens, at)}
              </span>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
const TONE = { blocker: "var(--blocker)", warning: "var(--warning)", note: "var(--note)" } as const;

/** One interval of a finding: as high as its measure along it; flat where it has none. */
function Bar({ box: { x, y, width, height }, profile, from, to }: { box: Box; profile: AspectProfile; from: number; to: number }) {
  const bottom = y + height - 2;
  const full = height - 4;
  const points = profile.points.filter(([aspect]) => aspect >= from - 1e-6 && aspect <= to + 1e-6);
  const place = (aspect: number) => x + (to > from ? ((aspect - from) / (to - from)) * width : 0);
  const line =
    points.length > 1
      ? points.map(([aspect, value]) => `${place(aspect)} ${bottom - full * barHeight(profile, value)}`)
      : [`${x} ${bottom - 0.7 * full}`, `${x + width} ${bottom - 0.7 * full}`];
  return (
    <path
      d={`M${x} ${bottom}L${line.join("L")}L${x + Math.max(1, width)} ${bottom}Z`}
      fill={TONE[profile.severity]}
      fillOpacity={0.75}
      stroke={TONE[profile.severity]}
      strokeWidth={1}
      data-span={`${profile.code} ${from.toFixed(4)} ${to.toFixed(4)}`}
    />
  );
}

/** The screen whose aspect is nearest, where it is as good as the same; several of one aspect are told by the first. */
function nearestScreen(screens: readonly Screen[], aspect: number): string {
  const near = screens
    .filter((s) => Math.abs(aspectOf(s) - aspect) <= NEAR_ASPECT)
    .sort((a, b) => Math.abs(aspectOf(a) - aspect) - Math.abs(aspectOf(b) - aspect));
  return near.length === 0 ? "" : near.length === 1 ? near[0].name : `${near[0].name} and ${near.length - 1} more`;
}
/** The pointer is on a screen's line so near to it. */
const NEAR_ASPECT = 0.008;

/** Round aspects along the bottom. */
function ticksOf({ from, to }: AspectRange): number[] {
  return [0.4, 0.5, 0.6, 0.75, 1, 1.33, 1.6, 1.78, 2, 2.17, 2.33, 2.6].filter((a) => a >= from && a <= to);
}

const shortFace = ({ handed, playerSize }: { handed: string; playerSize: number }) => `${handed === "left" ? "L" : "R"}${playerSize}`;

function rowWords(layout: Parameters<typeof nameOf>[0], { profile: { code, subjects, moment } }: SpanRow): string {
  const about = subjects.map((s) => nameOf(layout, s)).join(", ");
  return `${about || "layout"} · ${code}${moment === null ? "" : ` · ${momentName(layout, moment)}`}`;
}

function SpanTable({ rows, onBench }: { rows: readonly SpanRow[]; onBench: (aspect: number) => void }) {
  const { layout, faces } = useFaces();
  return (
    <div className="min-h-0 overflow-auto border-l border-rule bg-sheet">
      <table className="w-full text-[0.6875rem]">
        <caption className="sr-only">Over which aspects each finding holds</caption>
        <thead className="sticky top-0 bg-sheet text-left text-muted">
          <tr>
            {["finding", "aspects", "worst"].map((word) => (
              <th key={word} scope="col" className="border-b border-rule px-2 py-1 font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-b border-rule align-top" data-span-row={`${row.profile.code} ${row.profile.subjects.join(" ")}`}>
              <th scope="row" className="border-b border-rule px-2 py-1 text-left font-normal">
                <span className={SEVERITY_CLASS[row.profile.severity]}>
                  {SEVERITY_MARK[row.profile.severity]} {row.profile.severity}
                </span>{" "}
                {rowWords(layout, row)}
                <span className="block text-muted">
                  {row.faces.length === faces.length ? "every face" : row.faces.map((f) => faceWords(faces[f])).join("; ")}
                </span>
              </th>
              <td className="figure border-b border-rule px-2 py-1 whitespace-nowrap">
                {row.profile.intervals.map(([from, to]) => (
                  <span key={from} className="block">
                    {from.toFixed(3)} … {to.toFixed(3)}
                  </span>
                ))}
              </td>
              <td className="figure border-b border-rule px-2 py-1 text-right whitespace-nowrap">
                <button
                  type="button"
                  className="min-h-6 underline"
                  onClick={() => onBench(row.profile.worst?.aspect ?? row.profile.intervals[0][0])}
                  {...readingProps(says("spans.worst"), (row.profile.worst?.aspect ?? row.profile.intervals[0][0]).toFixed(3))}
                >
                  {row.profile.worst ? measureWords(row.profile.worst) : "holds"}
                  <span className="block text-muted">at {(row.profile.worst?.aspect ?? row.profile.intervals[0][0]).toFixed(3)}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
