"use client";
/** Everything over the glass: areas, frames, controls, clusters and zones as targets, tether and handles, guides, the fingertip. Coordinates are px of the screen. */
import { ownEntry } from "../../core/engine/playerChanges";
import { memo, useMemo, useRef, type Ref } from "react";
import type { ResolvedControl } from "../../core/engine/placement/resolve";
import type { Control, Screen } from "../../core/format/types";
import { byId } from "../../core/derived/byId";
import type { Finding, Severity } from "../../core/checks/finding";
import { touchArea } from "../../core/engine/input/ready";
import { pxPerMm } from "../../core/engine/placement/screen";
import { homeOf, inCluster, landingKey, placeableBox, placeableOf } from "../../core/editing/placeables";
import type { EditContext } from "../../core/editing/placing";
import { useBenchContext } from "../document/benchContext";
import { says } from "../shell/reading/sentences";
import { useSession } from "../document/SessionContext";
import { nameOf } from "../document/names";
import { AreaPatterns, ControlAreas } from "../canvas/Areas";
import { useBench } from "./bench";
import { Compared } from "../canvas/Compared";
import { ControlTarget } from "./ControlTarget";
import { FrameLines, ZoneArea } from "./Frames";
import { Guides, NeighbourGaps } from "./Guides";
import { Handles } from "./Handles";
import { useOverlays, type Overlays } from "../canvas/overlays";
import { PointedOut } from "./PointedOut";
import { Stack } from "./Stack";
import { placeWord, shownClusters } from "../interaction/targets";
import { Misses } from "./Misses";
import { Locks } from "./Locks";
import { Tether, AnchorPoints } from "./Tether";
import { ON_GLASS } from "../canvas/tones";
import { withoutHidden } from "./withoutHidden";
import { contextBetween } from "../document/settle/contextBetween";
import { useSettle } from "../document/settle/settleState";
import { useSettledFindings, useShownWay } from "../document/settle/useShownWay";
import { useGlassGestures, type GlassGestures } from "./useGlassGestures";

const NOTHING_HELD: readonly string[] = [];
/** The fingertip under the pointer, mm across. */
const FINGERTIP_MM = 10;

export function GlassOverlay({ scale, gestures }: { scale: number; gestures: Ref<GlassGestures> }) {
  const open = useBenchContext();
  const way = useShownWay();
  const whole = useMemo(() => (way ? contextBetween(open, way) : open), [open, way]);
  const hidden = useBench((b) => b.hidden);
  const context = useMemo(() => withoutHidden(whole, hidden), [whole, hidden]);
  const svg = useRef<SVGSVGElement>(null);
  const tip = useRef<SVGCircleElement>(null);
  const selection = useSession((s) => s.selection);
  const findings = useSession((s) => ownEntry(s.findings, context.screen.name)?.list ?? undefined);
  const compared = useSession((s) => s.compared);
  const tool = useBench((b) => b.tool);
  const overlays = useOverlays();
  const pointed = useBench((b) => b.finding);
  const { guides, moving } = useBench((b) => b.shown);
  const bind = useGlassGestures(scale, { svg, tip, ref: gestures });
  const { screen, resolved, layout } = context;
  const settled = useSettledFindings(screen.name, context.playerView);
  const controls = useMemo(() => byId(layout.controls), [layout.controls]);
  const held = useSettle((s) => (s.isOpen ? s.held : NOTHING_HELD));
  const one = selection.length === 1 ? selection[0] : null;
  const isSelected = (id: string) => selection.includes(id);
  const mm = pxPerMm(screen);
  return (
    <svg
      ref={svg}
      className={`absolute inset-0 touch-none overflow-visible select-none ${tool ? "cursor-crosshair" : ""}`}
      width={screen.widthPx * scale}
      height={screen.heightPx * scale}
      viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`}
      {...bind}
      aria-label={`Controls on ${screen.name}`}
      role="group"
      data-testid="glass"
    >
      <AreaPatterns scale={scale} />
      <FrameLines screen={screen} picture={layout.picture} limits={layout.limits} gridMm={layout.workbench.gridMm} overlays={overlays} scale={scale} />
      <Zones context={context} scale={scale} isShown={overlays.clear} />
      {resolved.controls.map((at) => (
        <ControlAreas key={at.id} control={controls.get(at.id)!} at={at} overlays={overlays} strong={isSelected(at.id)} />
      ))}
      {pointed && <PointedOut context={context} findings={findings} pointed={pointed} />}
      <Controls context={context} scale={scale} findings={settled ?? findings} />
      <Clusters context={context} scale={scale} />
      <Locks context={context} scale={scale} held={held} />
      {one !== null && <SelectedMarks context={context} id={one} scale={scale} overlays={overlays} />}
      {overlays.misses && <Misses context={whole} scale={scale} of={selection} />}
      {moving.length > 0 && overlays.gaps && <NeighbourGaps context={context} keys={moving} scale={scale} />}
      {guides.length > 0 && <Guides guides={guides} context={context} scale={scale} />}
      {compared && <Compared compared={compared} context={context} scale={scale} />}
      {way && <Compared compared={way} context={context} scale={scale} withMm />}
      <DrawnBox scale={scale} mm={mm} />
      <circle
        ref={tip}
        r={(FINGERTIP_MM / 2) * mm}
        cx={-99999}
        cy={-99999}
        fill="none"
        stroke="#FBFAF6"
        strokeOpacity={0.75}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
    </svg>
  );
}

interface LayerProps {
  readonly context: EditContext;
  readonly scale: number;
}

const sizeMm = ({ w, h }: { w: number; h: number }, mm: number) => `${(w / mm).toFixed(1)} × ${(h / mm).toFixed(1)} mm`;

/** The keep-clear zones, all or those that are selected. */
function Zones({ context: { layout, resolved, screen }, scale, isShown }: LayerProps & { isShown: boolean }) {
  const selection = useSession((s) => s.selection);
  const mm = pxPerMm(screen);
  return layout.keepClear.map(({ id, name, taps }) => {
    const at = byId(resolved.keepClear).get(id);
    const isSelected = selection.includes(id);
    if (!at || (!isShown && !isSelected)) return null;
    return (
      <g key={id}>
        <ZoneArea zone={at} name={name} taps={taps} scale={scale} widthPx={screen.widthPx} />
        <ControlTarget
          id={id}
          name={name}
          role="keep-clear zone"
          words={`${placeWord(at, screen)}${taps ? ", takes taps" : ""}`}
          box={at}
          scale={scale}
          selected={isSelected}
          reachable
          tone={ON_GLASS.clear}
          reads={says("glass.zone", { size: sizeMm(at, mm) })}
        />
      </g>
    );
  });
}

/** The controls as something to point at, with how many findings each has. */
function Controls({ context: { layout, resolved, screen }, scale, findings }: LayerProps & { findings: Parameters<typeof grave>[0] }) {
  const selection = useSession((s) => s.selection);
  const entered = useBench((b) => b.entered);
  const known = byId(layout.controls);
  const named = useMemo(() => grave(findings), [findings]);
  return resolved.controls.map((at) => {
    const control = known.get(at.id)!;
    const home = homeOf(layout, resolved.arrangement, control);
    return (
      <GlassControl
        key={at.id}
        control={control}
        at={at}
        screen={screen}
        scale={scale}
        selected={selection.includes(at.id)}
        reachable={home === null || home === entered}
        findings={named.get(at.id)?.count ?? 0}
        worst={named.get(at.id)?.worst ?? null}
      />
    );
  });
}

interface GlassControlProps {
  readonly control: Control;
  readonly at: ResolvedControl;
  readonly screen: Screen;
  readonly scale: number;
  readonly selected: boolean;
  readonly reachable: boolean;
  readonly findings: number;
  readonly worst: Severity | null;
}

/** A control as something to point at; while another is moved it stays as it is. */
const GlassControl = memo(function GlassControl({ control, at, screen, ...more }: GlassControlProps) {
  const serves = control.serves.length === 0 ? "serves nothing" : `serves ${control.serves.map((s) => s.action).join(", ")}`;
  const mm = pxPerMm(screen);
  const reads = says("glass.control", { size: sizeMm(at.visual, mm), hit: sizeMm(touchArea(at), mm), served: `; ${serves}` });
  return (
    <ControlTarget
      id={at.id}
      name={control.name}
      role={control.kind}
      words={`${placeWord(at.visual, screen)}, ${serves}`}
      box={at.visual}
      reads={reads}
      {...more}
    />
  );
});

function Clusters({ context, scale }: LayerProps) {
  const { layout, resolved, screen } = context;
  const selection = useSession((s) => s.selection);
  const entered = useBench((b) => b.entered);
  const seen = shownClusters(context);
  return layout.clusters
    .filter(({ id }) => seen.includes(id))
    .map(({ id, name }) => {
      const at = resolved.clusters[id];
      return (
        <ControlTarget
          key={id}
          id={id}
          name={name}
          role={`cluster of ${inCluster(layout, id, resolved.arrangement).length}`}
          words={`${placeWord(at, screen)}, ${entered === id ? "entered" : "Enter goes in"}`}
          box={at}
          scale={scale}
          selected={selection.includes(id)}
          reachable
          tone={entered === id ? ON_GLASS.accent : ON_GLASS.ink}
          dashed
          hollow
          reads={says("glass.cluster", { size: sizeMm(at, pxPerMm(screen)) })}
        />
      );
    });
}

/** What shows of the one that is selected: what it lies on, what it is tied to, its handles. */
function SelectedMarks({ context, id, scale, overlays }: LayerProps & { id: string; overlays: Overlays }) {
  const { layout, resolved, screen } = context;
  const anchorDrag = useBench((b) => b.shown.anchorDrag);
  const placeable = placeableOf(layout, id);
  const box = placeable && placeableBox(resolved, placeable);
  const landing = byId(resolved.controls).get(id)?.landing;
  const mm = pxPerMm(screen);
  return (
    <>
      {overlays.hit && <Stack context={context} id={id} scale={scale} />}
      {box && <Tether context={context} id={id} scale={scale} anchorDrag={anchorDrag} />}
      {anchorDrag && <AnchorPoints context={context} id={id} anchorDrag={anchorDrag} scale={scale} />}
      {landing && overlays.landing && (
        <Handles of={landingKey(id)} name={nameOf(layout, landingKey(id))} mm={mm} box={landing} scale={scale} tone={ON_GLASS.land} />
      )}
      {box && <Handles of={id} name={nameOf(layout, id)} mm={mm} box={box} scale={scale} />}
    </>
  );
}

/** What is drawn by the gesture under way: the box that selects, or a new control's with its size. */
function DrawnBox({ scale, mm }: { scale: number; mm: number }) {
  const { marquee, drawn } = useBench((b) => b.shown);
  const box = marquee ?? drawn;
  if (!box) return null;
  return (
    <g pointerEvents="none">
      <rect
        x={box.x}
        y={box.y}
        width={box.w}
        height={box.h}
        fill={ON_GLASS.accent}
        fillOpacity={0.12}
        stroke={ON_GLASS.accent}
        strokeDasharray={drawn ? "4 3" : undefined}
        vectorEffect="non-scaling-stroke"
      />
      {drawn && (
        <text x={drawn.x} y={drawn.y - 5 / scale} fontSize={11 / scale} fill={ON_GLASS.accent} style={{ fontFamily: "var(--font-mono)" }}>
          {sizeMm(drawn, mm)}
        </text>
      )}
    </g>
  );
}

/** For each subject, how many blockers and warnings name it, and the worst: findings come worst first. */
function grave(findings: readonly Pick<Finding, "accepted" | "severity" | "subjects">[] | undefined): Map<string, { count: number; worst: Severity }> {
  const named = new Map<string, { count: number; worst: Severity }>();
  for (const f of findings ?? []) {
    if (f.accepted !== null || f.severity === "note") continue;
    for (const subject of f.subjects) named.set(subject, { count: (named.get(subject)?.count ?? 0) + 1, worst: named.get(subject)?.worst ?? f.severity });
  }
  return named;
}
