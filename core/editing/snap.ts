/**
 * Snapping: where a box that is being moved or resized would rather be.
 *
 * Along each axis every candidate is a shift that brings something of the box onto a line: an edge or the centre onto an
 * edge or centre of a frame or of another box, onto the line of its mirrored twin, to a gap equal to one between
 * neighbours, or onto the grid. The smallest shift within reach wins; of equal ones the earlier sort in the list below.
 * Guides say what was met, and how far the box is from it.
 */
import type { Box } from "../engine/geometry/point";
import { FILED_SLACK } from "../engine/geometry/tolerances";

/** What a guide shows: a line at `at` px across its axis, running from `from` to `to` along the other; `gaps` are the distances to be written along it. */
export interface Guide {
  readonly axis: "x" | "y";
  readonly sort: "frame" | "edge" | "centre" | "mirror" | "gap" | "grid";
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly gaps: readonly GuideGap[];
}
/** A distance along an axis, from `from` to `to` px, drawn at `across` px of the other axis. */
export interface GuideGap {
  readonly axis: "x" | "y";
  readonly from: number;
  readonly to: number;
  readonly across: number;
}

export interface SnapTargets {
  /** Frames: their edges and centres. */
  readonly frames: readonly Box[];
  readonly others: readonly Box[];
  /** Boxes of the same kind as the one moved, for the line of a mirrored twin. */
  readonly mirrored: readonly Box[];
  /** The width of the screen, px: the mirror is in its middle. */
  readonly widthPx: number;
  /** The grid's step, px; 0 for none. */
  readonly gridPx: number;
  /** How far a snap reaches, px. */
  readonly reachPx: number;
}

export interface Snapped {
  readonly dx: number;
  readonly dy: number;
  readonly guides: readonly Guide[];
}

interface Candidate {
  readonly shift: number;
  readonly guide: (box: Box) => Guide;
}

const AXES = {
  x: { at: "x", side: "w", across: "y", acrossSide: "h" },
  y: { at: "y", side: "h", across: "x", acrossSide: "w" },
} as const;
type Axis = keyof typeof AXES;

/** The shift, within reach, by which a moved box meets something along each axis (0 where it meets nothing), and the guides that say what. */
export function snapMove(box: Box, targets: SnapTargets): Snapped {
  const x = best(moveCandidates(box, targets, "x"), targets.reachPx);
  const y = best(moveCandidates(box, targets, "y"), targets.reachPx);
  const dx = x?.shift ?? 0;
  const dy = y?.shift ?? 0;
  const there = { ...box, x: box.x + dx, y: box.y + dy };
  return { dx, dy, guides: [x, y].flatMap((c) => (c ? [c.guide(there)] : [])) };
}

/** The shift by which one edge of a box, being dragged, meets a line along its axis, and the guide; null where none is within reach. */
export function snapEdge(box: Box, axis: Axis, end: "from" | "to", targets: SnapTargets): { shift: number; guide: Guide } | null {
  const { at, side } = AXES[axis];
  const edge = end === "from" ? box[at] : box[at] + box[side];
  const lines = [...targets.frames.map((b) => [b, "frame" as const] as const), ...targets.others.map((b) => [b, "edge" as const] as const)].flatMap(
    ([b, sort]) => [b[at], b[at] + b[side]].map((line) => candidate(axis, edge, { line, sort, other: b })),
  );
  const found = best([...lines, ...gridCandidates(axis, [edge], targets)], targets.reachPx);
  return found && { shift: found.shift, guide: found.guide(box) };
}

function best(candidates: readonly Candidate[], reach: number): Candidate | null {
  let found: Candidate | null = null;
  for (const c of candidates) if (Math.abs(c.shift) <= reach && (found === null || Math.abs(c.shift) < Math.abs(found.shift) - FILED_SLACK)) found = c;
  return found;
}

/** A line that something may be brought onto, and the box it belongs to. */
interface Line {
  readonly line: number;
  readonly sort: Guide["sort"];
  readonly other: Box;
}

/** A candidate that brings what is at `mine` onto a line of another box; its guide runs over both and reports the free distance between them. */
function candidate(axis: Axis, mine: number, { line, sort, other }: Line): Candidate {
  const shift = line - mine;
  const { at, side, across, acrossSide } = AXES[axis];
  const crossing = axis === "x" ? "y" : "x";
  return {
    shift,
    guide: (box) => {
      const from = Math.min(box[across], other[across]);
      const to = Math.max(box[across] + box[acrossSide], other[across] + other[acrossSide]);
      const gaps: GuideGap[] = [];
      const below = box[across] - other[across] - other[acrossSide];
      const above = other[across] - box[across] - box[acrossSide];
      if (below > 0) gaps.push({ axis: crossing, from: other[across] + other[acrossSide], to: box[across], across: line });
      else if (above > 0) gaps.push({ axis: crossing, from: box[across] + box[acrossSide], to: other[across], across: line });
      else if (sort === "frame") {
        // Inside a frame: how far the box is from the frame's nearer edge along the line.
        const low = box[across] - other[across];
        const high = other[across] + other[acrossSide] - box[across] - box[acrossSide];
        if (low >= 0 && high >= 0)
          gaps.push(
            low <= high
              ? { axis: crossing, from: other[across], to: box[across], across: box[at] + box[side] / 2 }
              : { axis: crossing, from: box[across] + box[acrossSide], to: other[across] + other[acrossSide], across: box[at] + box[side] / 2 },
          );
      }
      return { axis, sort, at: line, from, to, gaps };
    },
  };
}

function moveCandidates(box: Box, targets: SnapTargets, axis: Axis): Candidate[] {
  const { at, side } = AXES[axis];
  const own = [box[at], box[at] + box[side] / 2, box[at] + box[side]];
  const out: Candidate[] = [];
  const lines = (other: Box) => [other[at], other[at] + other[side] / 2, other[at] + other[side]];
  for (const frame of targets.frames) {
    const [low, middle, high] = lines(frame);
    out.push(candidate(axis, own[0], { line: low, sort: "frame", other: frame }), candidate(axis, own[1], { line: middle, sort: "frame", other: frame }));
    out.push(candidate(axis, own[2], { line: high, sort: "frame", other: frame }));
  }
  for (const other of targets.others) {
    const [low, middle, high] = lines(other);
    out.push(candidate(axis, own[1], { line: middle, sort: "centre", other: other }));
    for (const line of [low, high]) for (const mine of [own[0], own[2]]) out.push(candidate(axis, mine, { line: line, sort: "edge", other: other }));
  }
  if (axis === "x")
    for (const mirroredBox of targets.mirrored) {
      const line = targets.widthPx - mirroredBox.x - mirroredBox.w / 2;
      out.push(candidate("x", own[1], { line, sort: "mirror", other: { ...mirroredBox, x: targets.widthPx - mirroredBox.x - mirroredBox.w } }));
    }
  out.push(...gapCandidates(box, targets.others, axis), ...gridCandidates(axis, [own[0], own[2]], targets));
  return out;
}

/** Shifts that make two gaps in a row of three equal: the box between two others, or beyond either. */
function gapCandidates(box: Box, others: readonly Box[], axis: Axis): Candidate[] {
  const { at, side, across, acrossSide } = AXES[axis];
  const inRow = (b: Box) => b[across] < box[across] + box[acrossSide] && box[across] < b[across] + b[acrossSide];
  const row = others.filter(inRow).sort((a, b) => a[at] - b[at]);
  const out: Candidate[] = [];
  const level = (b: Box) => b[across] + b[acrossSide] / 2;
  for (let i = 0; i + 1 < row.length; i += 1) {
    const [a, b] = [row[i], row[i + 1]];
    const aEnd = a[at] + a[side];
    const gap = b[at] - aEnd;
    const make = (start: number, spans: (start: number) => (readonly [number, number])[]): Candidate => ({
      shift: start - box[at],
      guide: (there) => ({
        axis,
        sort: "gap",
        at: there[at],
        from: there[across],
        to: there[across] + there[acrossSide],
        gaps: spans(there[at]).map(([from, to]) => ({ axis, from, to, across: level(there) })),
      }),
    });
    const room = gap - box[side];
    if (room > 0)
      out.push(
        make(aEnd + room / 2, (s) => [
          [aEnd, s],
          [s + box[side], b[at]],
        ]),
      );
    if (gap > 0) {
      out.push(
        make(b[at] + b[side] + gap, (s) => [
          [aEnd, b[at]],
          [b[at] + b[side], s],
        ]),
      );
      out.push(
        make(a[at] - gap - box[side], (s) => [
          [s + box[side], a[at]],
          [aEnd, b[at]],
        ]),
      );
    }
  }
  return out;
}

function gridCandidates(axis: Axis, edges: readonly number[], { gridPx }: SnapTargets): Candidate[] {
  if (!(gridPx > 0)) return [];
  const { across, acrossSide } = AXES[axis];
  return edges.map((edge) => {
    const line = Math.round(edge / gridPx) * gridPx;
    return {
      shift: line - edge,
      guide: (box) => ({ axis, sort: "grid", at: line, from: box[across], to: box[across] + box[acrossSide], gaps: [] }),
    };
  });
}
