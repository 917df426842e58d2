"use client";
/** Every action on an axis of time, the touches and the held controls under them: running, or stopped and read back tick by tick. */
import { useMemo, type ReactNode, type RefObject } from "react";
import { betweenTicks, type TraceLog } from "../../../core/rehearsal/traceLog";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { MOTION_REACH_MM, type Lane } from "./lanePainter";
import { LaneGlass } from "./LaneGlass";
import { AXIS_PX, LANE_PX } from "./laneView";
import type { Lanes } from "./useLanes";

interface Props {
  readonly lanes: Lanes;
  /** What controls are called, by their ids. */
  readonly nameOf: (id: string) => string;
  /** Where the value of an action is written with every frame, by its name. */
  readonly figures: RefObject<Map<string, HTMLElement>>;
  readonly dark: boolean;
  /** Tells of every frame; gives what ends it. */
  readonly onFrame: (listener: () => void) => () => void;
  /** Whether the pointer reads what it is over; else only what it presses. */
  readonly hovers?: boolean;
}

/** The lanes of a log: its actions, the touches, the controls. */
function lanesOf(log: TraceLog): readonly Lane[] {
  return [
    ...log.actions.map((_, index): Lane => ({ kind: "action", index })),
    { kind: "touches" },
    ...log.controls.map((_, index): Lane => ({ kind: "held", index })),
  ];
}

export function TraceLanes({ lanes, nameOf, figures, dark, onFrame, hovers = true }: Props) {
  const { log, view } = lanes;
  const all = useMemo(() => lanesOf(log), [log]);
  return (
    <div className="grid min-h-0 grid-cols-[15rem_minmax(0,1fr)] overflow-y-auto" data-testid="lanes">
      <ul aria-label="Actions, touches and controls over time" className="border-r border-rule" style={{ paddingTop: AXIS_PX }}>
        {all.map((lane) => (
          <LaneHead key={headKey(lane, log)} lane={lane} lanes={lanes} nameOf={nameOf} figures={figures} />
        ))}
      </ul>
      <LaneGlass key={`${dark}`} lanes={lanes} all={all} onFrame={onFrame} view={view} hovers={hovers} />
    </div>
  );
}

const headKey = (lane: Lane, log: TraceLog) =>
  lane.kind === "touches" ? "touches" : lane.kind === "held" ? `held ${log.controls[lane.index]}` : `action ${log.actions[lane.index].name}`;

function LaneHead({ lane, lanes, nameOf, figures }: Pick<Props, "lanes" | "nameOf" | "figures"> & { lane: Lane }) {
  const { log, view } = lanes;
  const row = (name: ReactNode, range: string, rest: ReactNode, reads?: ReturnType<typeof readingProps>) => (
    <li className="flex items-center gap-1.5 overflow-hidden pr-2 pl-4 text-[0.6875rem]" style={{ height: LANE_PX }} {...reads}>
      {name}
      <span className="shrink-0 text-muted">{range}</span>
      {rest}
    </li>
  );
  if (lane.kind === "touches") return row(<span className="shrink-0 text-land">touches down</span>, "0 … 10", null);
  if (lane.kind === "held") return row(<span className="truncate text-land">{nameOf(log.controls[lane.index])}</span>, "held", null);
  const { name, kind } = log.actions[lane.index];
  const [a, b] = view.marks;
  const between = a !== undefined && b !== undefined ? betweenTicks(log, lane.index, a, b) : null;
  const words =
    between &&
    (between.mean === null
      ? `${between.pressesPerSecond!.toFixed(1)} a s, ${Math.round(between.pressedPart! * 100)} %`
      : `mean ${between.mean.toFixed(2)}${kind === "motion" || kind === "delta" ? " mm" : ""}`);
  const range = kind === "press" ? "" : kind === "motion" || kind === "delta" ? `±${MOTION_REACH_MM} mm` : "−1 … 1";
  return row(
    <span className="figure min-w-0 shrink truncate">{name}</span>,
    words ? "" : range,
    <>
      {words && (
        <span className="figure truncate text-accent" data-testid={`between-${name}`}>
          {words}
        </span>
      )}
      <span
        className="figure ml-auto shrink-0 text-right"
        data-testid={`value-${name}`}
        ref={(element) => {
          if (element) figures.current.set(name, element);
          else figures.current.delete(name);
        }}
      >
        –
      </span>
    </>,
    readingProps(says("lanes.action", { kind: kindWords[kind] }), name),
  );
}
const kindWords = {
  press: "filled while pressed",
  axis: "one line",
  vector: "x thick, y thin",
  motion: "x thick, y thin, mm per tick",
  delta: "one line, mm per tick",
};
