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
import { useOverlays } from "../canvas/overlays";
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
  const entered = useBench((b) => b.entered);
  const tool = useBench((b) => b.tool);
  const overlays = useOverlays();
  const pointed = useBench((b) => b.finding);
  const { marquee, anchorDrag, guides, moving, drawn } = useBench((b) => b.shown);
  const { bind } = useGlassGestures(scale, { svg, tip, ref: gestures });
  const { screen, resolved, layout } = context;
  const settled = useSettledFindings(screen.name, context.playerView);
  const named = useMemo(() => grave(settled ?? findings), [settled, findings]);
  const controls = useMemo(() => byId(layout.controls), [layout.controls]);
  const held = useSettle((s) => (s.isOpen ? s.held : NOTHING_HELD));
  const one = selection.length === 1 ? selection[0] : null;
  const onePlaceable = one === null ? null : placeableOf(layout, one);
  const oneBox = onePlaceable && placeableBox(resolved, onePlaceable);
  const landing = one === null ? undefined : byId(resolved.controls).get(one)?.landing;
  const isSelected = (id: string) => selection.includes(id);
  const mm = pxPerMm(screen);
  const seen = shownClusters(context);
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
      {layout.keepClear.map((zone) => {
        const at = byId(resolved.keepClear).get(zone.id);
        if (!at || (!overlays.clear && !isSelected(zone.id))) return null;
        return (
          <g key={zone.id}>
            <ZoneArea zone={at} name={zone.name} taps={zone.taps} scale={scale} widthPx={screen.widthPx} />
            <ControlTarget
              id={zone.id}
              name={zone.name}
              role="keep-clear zone"
              words={`${placeWord(at, screen)}${zone.taps ? ", takes taps" : ""}`}
              x={at.x}
              y={at.y}
              w={at.w}
              h={at.h}
              scale={scale}
              selected={isSelected(zone.id)}
              reachable
              findings={0}
              worst={null}
              tone={ON_GLASS.clear}
              reads={says("glass.zone", { size: sizeMm(at, mm) })}
            />
          </g>
        );
      })}
      {resolved.controls.map((at) => (
        <ControlAreas key={at.id} control={controls.get(at.id)!} at={at} overlays={overlays} strong={isSelected(at.id)} />
      ))}
      {pointed && <PointedOut context={context} findings={findings} pointed={pointed} />}
      {resolved.controls.map((at) => {
        const control = controls.get(at.id)!;
        const home = homeOf(layout, resolved.arrangement, control);
        return (
          <GlassControl
            key={at.id}
            control={control}
            at={at}
            screen={screen}
            scale={scale}
            selected={isSelected(at.id)}
            reachable={home === null || home === entered}
            findings={named.get(at.id)?.count ?? 0}
            worst={named.get(at.id)?.worst ?? null}
          />
        );
      })}
      {layout.clusters.map((cluster) => {
        const at = resolved.clusters[cluster.id];
        if (!seen.includes(cluster.id)) return null;
        const count = inCluster(layout, cluster.id, resolved.arrangement).length;
        return (
          <ControlTarget
            key={cluster.id}
            id={cluster.id}
            name={cluster.name}
            role={`cluster of ${count}`}
            words={`${placeWord(at, screen)}, ${entered === cluster.id ? "entered" : "Enter goes in"}`}
            x={at.x}
            y={at.y}
            w={at.w}
            h={at.h}
            scale={scale}
            selected={isSelected(cluster.id)}
            reachable
            findings={0}
            worst={null}
            tone={entered === cluster.id ? ON_GLASS.accent : ON_GLASS.ink}
            dashed
            hollow
            reads={says("glass.cluster", { size: sizeMm(at, mm) })}
          />
        );
      })}
      <Locks context={context} scale={scale} held={held} />
      {one !== null && overlays.hit && <Stack context={context} id={one} scale={scale} />}
      {one !== null && oneBox && <Tether context={context} id={one} scale={scale} anchorDrag={anchorDrag} />}
      {one !== null && anchorDrag && <AnchorPoints context={context} id={one} anchorDrag={anchorDrag} scale={scale} />}
      {one !== null && landing && overlays.landing && (
        <Handles of={landingKey(one)} name={nameOf(layout, landingKey(one))} mm={mm} box={landing} scale={scale} tone={ON_GLASS.land} />
      )}
      {one !== null && oneBox && <Handles of={one} name={nameOf(layout, one)} mm={mm} box={oneBox} scale={scale} />}
      {overlays.misses && <Misses context={whole} scale={scale} of={selection} />}
      {moving.length > 0 && overlays.gaps && <NeighbourGaps context={context} keys={moving} scale={scale} />}
      {guides.length > 0 && <Guides guides={guides} context={context} scale={scale} />}
      {compared && <Compared compared={compared} context={context} scale={scale} />}
      {way && <Compared compared={way} context={context} scale={scale} withMm />}
      {(marquee ?? drawn) && (
        <rect
          x={(marquee ?? drawn)!.x}
          y={(marquee ?? drawn)!.y}
          width={(marquee ?? drawn)!.w}
          height={(marquee ?? drawn)!.h}
          fill={ON_GLASS.accent}
          fillOpacity={0.12}
          stroke={ON_GLASS.accent}
          strokeDasharray={drawn ? "4 3" : undefined}
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      )}
      {drawn && (
        <text x={drawn.x} y={drawn.y - 5 / scale} fontSize={11 / scale} fill={ON_GLASS.accent} pointerEvents="none" style={{ fontFamily: "var(--font-mono)" }}>
          {(drawn.w / mm).toFixed(1)} × {(drawn.h / mm).toFixed(1)} mm
        </text>
      )}
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

const sizeMm = ({ w, h }: { w: number; h: number }, mm: number) => `${(w / mm).toFixed(1)} × ${(h / mm).toFixed(1)} mm`;

/** A control as something to point at; while another is moved it stays as it is. */
const GlassControl = memo(function GlassControl({ control, at, screen, ...more }: GlassControlProps) {
  const serves = control.serves.length === 0 ? "serves nothing" : `serves ${control.serves.map((s) => s.action).join(", ")}`;
  const { x, y, w, h } = at.visual;
  const mm = pxPerMm(screen);
  const reads = says("glass.control", { size: sizeMm(at.visual, mm), hit: sizeMm(touchArea(at), mm), served: `; ${serves}` });
  return (
    <ControlTarget
      id={at.id}
      name={control.name}
      role={control.kind}
      words={`${placeWord(at.visual, screen)}, ${serves}`}
      x={x}
      y={y}
      w={w}
      h={h}
      reads={reads}
      {...more}
    />
  );
});

/** For each subject, how many blockers and warnings name it, and the worst: findings come worst first. */
function grave(findings: readonly Pick<Finding, "accepted" | "severity" | "subjects">[] | undefined): Map<string, { count: number; worst: Severity }> {
  const named = new Map<string, { count: number; worst: Severity }>();
  for (const f of findings ?? []) {
    if (f.accepted !== null || f.severity === "note") continue;
    for (const subject of f.subjects) named.set(subject, { count: (named.get(subject)?.count ?? 0) + 1, worst: named.get(subject)?.worst ?? f.severity });
  }
  return named;
}
