"use client";
/** Below the glass: the palette; as which player one looks; zoom; what is shown over the glass. */
import { EyeOff, Hand, Maximize, Minus, Plus, Repeat, Ruler, SquareDashedMousePointer, SquareMousePointer } from "lucide-react";
import dynamic from "next/dynamic";
import { memo, useRef, useState, type PointerEvent } from "react";
import { clampTo, type Point } from "../../core/engine/geometry/point";
import type { ControlKind, Screen } from "../../core/format/types";
import { benchContextNow } from "../document/benchContext";
import { useSession, useSessionActions } from "../document/SessionContext";
import { growControl } from "../../core/editing/make";
import { growInto, growZone } from "./grow";
import { useKeys } from "../interaction/useKeys";
import { useGlassScale } from "./glassScale";
import { setBench, useBench, ZOOM_RANGE, zoomAbout } from "./bench";
import { KIND_LETTER, KIND_WORD, KindIcon, CONTROL_KINDS } from "./controlKinds";
import { lit, SWITCH } from "./barStyle";
import { switchHolding } from "./holding";
import { OverlayList } from "./OverlayList";
import { LanguageChoice } from "../fields/LanguageChoice";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { nameOf } from "../document/names";
import { showAgain } from "./selectionEdits";
import { useCalibration } from "../canvas/trueSize";
import { Roving, Stop } from "../../ui/Roving";

const CalibrateDialogue = dynamic(() => import("./CalibrateDialogue").then((m) => m.CalibrateDialogue));

interface BarProps {
  readonly screen: Screen;
  readonly room: { readonly w: number; readonly h: number };
  /** The point of the screen under a point of the window, or null next to the glass. */
  readonly pointAt: (clientX: number, clientY: number) => Point | null;
}

export function GlassBar({ screen, room, pointAt }: BarProps) {
  const session = useSessionActions();
  const drop = (kind: ControlKind | "zone", event: PointerEvent) => {
    const at = pointAt(event.clientX, event.clientY);
    if (!at) return false;
    setBench(session, { tool: null });
    const context = benchContextNow(session);
    if (kind === "zone") growZone(session, context, at);
    else growInto(session, context, growControl(context, { kind, action: null, at }), `add ${kind}`);
    return true;
  };
  return (
    <Roving along="across">
      <div role="toolbar" aria-label="Bench tools" className="flex flex-wrap items-center gap-x-3 gap-y-0.5 px-3 py-1">
        <Palette onDrop={drop} />
        <PlayerTools />
        <HoldSwitch />
        <LanguageChoice />
        <span className="ml-auto flex items-center gap-0.5">
          <HiddenForNow />
          <TakeSwitch />
          <ZoomTools screen={screen} room={room} />
          <OverlayList />
        </span>
      </div>
    </Roving>
  );
}

function Palette({ onDrop }: { onDrop: (kind: ControlKind | "zone", event: PointerEvent) => boolean }) {
  const session = useSessionActions();
  /** A drag that ended on the glass is no click on the button it began on. */
  const dropped = useRef(false);
  const tool = useBench((b) => b.tool);
  const several = useBench((b) => b.several);
  return (
    <span className="flex items-center gap-0.5" role="group" aria-label="Palette">
      <Stop isChosen={tool === null && !several}>
        <button
          className={`${SWITCH} ${lit(tool === null && !several)}`}
          aria-pressed={tool === null && !several}
          aria-label="Select"
          {...readingProps(says("bar.select"))}
          onClick={() => setBench(session, { tool: null, several: false })}
        >
          <SquareMousePointer size={15} />
        </button>
      </Stop>
      <Stop isChosen={several}>
        <button
          className={`${SWITCH} ${lit(several)}`}
          aria-pressed={several}
          aria-label="Multiple"
          {...readingProps(says("bar.several"), several ? "on" : "off")}
          onClick={() => setBench(session, { tool: null, several: !several })}
        >
          <SquareDashedMousePointer size={15} />
        </button>
      </Stop>
      {[...CONTROL_KINDS, "zone" as const].map((kind) => (
        <Stop key={kind} isChosen={tool === kind}>
          <button
            className={`${SWITCH} ${lit(tool === kind)}`}
            aria-pressed={tool === kind}
            aria-label={KIND_WORD[kind]}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerUp={(event) => {
              dropped.current = onDrop(kind, event);
            }}
            {...readingProps(says("bar.tool", { letter: KIND_LETTER[kind].toUpperCase() }), KIND_WORD[kind].toLowerCase())}
            onClick={() => {
              if (!dropped.current) setBench(session, { tool: tool === kind ? null : kind });
              dropped.current = false;
            }}
          >
            <KindIcon kind={kind} />
          </button>
        </Stop>
      ))}
    </span>
  );
}

/** As which player the layout is looked at, and whether at rest or held. */
const PlayerTools = memo(function PlayerTools() {
  const session = useSessionActions();
  const { handed, playerSize } = useSession((s) => s.playerView);
  const sizes = useSession((s) => s.layout.playerSizes);
  const held = useBench((b) => b.held);
  const choices = [...new Set([sizes.min, 1, sizes.max])].sort((a, b) => a - b);
  return (
    <span className="flex items-center gap-0.5" role="group" aria-label="Player">
      <Stop isChosen={handed === "left"}>
        <button
          className={`${SWITCH} ${lit(handed === "left")}`}
          aria-pressed={handed === "left"}
          {...readingProps(says("bar.hand"), handed === "left" ? "yes" : "no")}
          onClick={() => session.showPlayer({ handed: handed === "left" ? "right" : "left" })}
        >
          Left hand
        </button>
      </Stop>
      <select
        aria-label="Player's size"
        {...readingProps(says("bar.size"), `size ${playerSize}`)}
        className="box h-6 px-0.5 text-[0.6875rem]"
        value={playerSize}
        onChange={(event) => session.showPlayer({ playerSize: Number(event.target.value) })}
      >
        {(choices.includes(playerSize) ? choices : [...choices, playerSize]).map((size) => (
          <option key={size} value={size}>
            size {size}
          </option>
        ))}
      </select>
      <Stop isChosen={held}>
        <button
          className={`${SWITCH} ${lit(held)}`}
          aria-pressed={held}
          aria-label="Show controls as held"
          {...readingProps(says("bar.held"), held ? "yes" : "no")}
          onClick={() => setBench(session, { held: !held })}
        >
          <Hand size={14} />
        </button>
      </Stop>
    </span>
  );
});

/** A drag may not break any screen of the rail. */
function HoldSwitch() {
  const session = useSessionActions();
  const holds = useBench((b) => b.holds);
  return (
    <Stop isChosen={holds}>
      <button
        className={`${SWITCH} ${lit(holds)}`}
        aria-pressed={holds}
        {...readingProps(says("bar.hold"), holds ? "yes" : "no")}
        onClick={() => void switchHolding(session)}
      >
        Hold all screens
      </button>
    </Stop>
  );
}

/** A take again and again in the corner of the glass. */
function TakeSwitch() {
  const session = useSessionActions();
  const isShown = useBench((b) => b.loopsTake);
  return (
    <Stop isChosen={isShown}>
      <button
        className={`${SWITCH} ${lit(isShown)}`}
        aria-pressed={isShown}
        aria-label="Loop a take"
        {...readingProps(says("takes.glass"))}
        onClick={() => setBench(session, { loopsTake: !isShown })}
      >
        <Repeat size={13} />
      </button>
    </Stop>
  );
}

/** One step of zooming, by button or key. */
const ZOOM_STEP = 1.25;

function ZoomTools({ screen, room }: { screen: Screen; room: { w: number; h: number } }) {
  const session = useSessionActions();
  const zoom = useBench((b) => b.zoom);
  const { scale, fit } = useGlassScale(room, screen);
  const { calibrated } = useCalibration();
  const [asking, setAsking] = useState(false);
  const percent = `${Math.round((scale / fit) * 100)} %`;
  const step = (by: number) => {
    const factor = clampTo((scale / fit) * by, ZOOM_RANGE.least, ZOOM_RANGE.most);
    zoomAbout(session, { x: 0, y: 0 }, { factor, ratio: (factor * fit) / scale });
  };
  const toFit = () => setBench(session, { zoom: { mode: "fit" }, pan: { x: 0, y: 0 } });
  const toTrue = () => setBench(session, { zoom: { mode: "true" }, pan: { x: 0, y: 0 } });
  useKeys("layout", { "zoom in": () => step(ZOOM_STEP), "zoom out": () => step(1 / ZOOM_STEP), "zoom to fit": toFit, "true size": toTrue });
  return (
    <span className="flex items-center gap-0.5" role="group" aria-label="Zoom">
      <Stop>
        <button className={`${SWITCH} ${lit(false)}`} aria-label="Zoom out" {...readingProps(says("bar.zoomOut"), percent)} onClick={() => step(1 / ZOOM_STEP)}>
          <Minus size={13} />
        </button>
      </Stop>
      <span className="figure w-10 text-center text-[0.6875rem]" data-testid="zoom">
        {percent}
      </span>
      <Stop>
        <button className={`${SWITCH} ${lit(false)}`} aria-label="Zoom in" {...readingProps(says("bar.zoomIn"), percent)} onClick={() => step(ZOOM_STEP)}>
          <Plus size={13} />
        </button>
      </Stop>
      <Stop isChosen={zoom.mode === "fit"}>
        <button
          className={`${SWITCH} ${lit(zoom.mode === "fit")}`}
          aria-pressed={zoom.mode === "fit"}
          aria-label="Fit"
          {...readingProps(says("bar.fit"))}
          onClick={toFit}
        >
          <Maximize size={13} />
        </button>
      </Stop>
      <Stop isChosen={zoom.mode === "true"}>
        <button
          className={`${SWITCH} ${lit(zoom.mode === "true")}`}
          aria-pressed={zoom.mode === "true"}
          aria-label="True size"
          {...readingProps(says("bar.true"))}
          onClick={() => {
            toTrue();
            if (!calibrated) setAsking(true);
          }}
        >
          1:1
        </button>
      </Stop>
      {zoom.mode === "true" && (
        <Stop>
          <button
            className={`${SWITCH} ${lit(false)}`}
            aria-label="Calibrate true size"
            {...readingProps(says("bar.calibrate"))}
            onClick={() => setAsking(true)}
          >
            <Ruler size={13} />
          </button>
        </Stop>
      )}
      {asking && <CalibrateDialogue open={asking} onOpenChange={setAsking} />}
    </span>
  );
}

/** What was hidden on the bench for now, to be shown again. */
function HiddenForNow() {
  const session = useSessionActions();
  const hidden = useBench((b) => b.hidden);
  if (hidden.length === 0) return null;
  const { layout } = session.store.getState();
  return (
    <Stop>
      <button
        className={`${SWITCH} gap-1 border-edge px-1.5`}
        onClick={() => showAgain(session)}
        {...readingProps(says("bar.hidden"), hidden.map((key) => nameOf(layout, key)).join(", "))}
      >
        <EyeOff size={13} /> {hidden.length} hidden
      </button>
    </Stop>
  );
}
