/**
 * Plays a layout on a canvas of the browser: events go to the player with their times, ticks fall due at 60 a second, the game reads the values
 * by name. A hidden page and a lost focus end what was held without firing it. It knows nothing of React: see `useRehearsal`.
 *
 *     frame:  pad ──► player ──► due ticks ──► game ──► moment ──► drawn, where something differs
 */
import type { TickInput } from "../../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../../core/engine/input/events";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../../core/engine/placement/resolve";
import type { Layout, Screen } from "../../core/format/types";
import type { Used } from "../../runtime/appear";
import { drawControls } from "../../runtime/art";
import type { DrawnControl } from "../../runtime/draw/drawn";
import { createGiven, playersStyle, type GivenStates } from "../../runtime/draw/given";
import { createPlayer, type Player } from "../../runtime/player";
import { createDrawnControls } from "../../runtime/poses";
import { createMotion } from "../../runtime/returnMotion";
import type { Game } from "../../samples/game";
import { spokenLayout } from "../document/language";
import { contextFor } from "./drawGlass";
import { imageArrivals, suppliesOf } from "./images";
import { createHands, type Hands } from "./rehearsalHands";

/** Ticks a second, where nothing else is said. */
const HZ = 60;
/** What a hand does, and waits for: from these on it is measured how long it takes until they are seen. */
const BY_HAND: ReadonlySet<string> = new Set(["down", "move", "up", "key", "mouse"]);

/** A tick that has been played: by whom, its time since tick 0 (ms), and what came in it. */
export interface PlayedTick {
  readonly player: Player;
  readonly t: number;
  readonly came: TickInput;
}

/** What is played, and who hears of it. */
export interface RehearsalOf {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly scale: number;
  readonly game: Game;
  /** The moment chosen by hand, where the game does not say. */
  readonly moment: string | null;
  /** As which player it is played: hand and size. */
  readonly player?: Pick<PlayerView, "handed" | "playerSize">;
  /** Ticks a second. */
  readonly hz?: number;
  readonly onDrawn: (values: ActionValues) => void;
  readonly onTick: (values: ActionValues, tick: PlayedTick) => void;
  /** Called after every frame with the player: for those who look at what feeds what. */
  readonly onPlayed?: (player: Player) => void;
  /** Called at the beginning of every frame, before the ticks that are due: for those who have their own events to feed. */
  readonly onFrame?: (time: number) => void;
  /** How long it took from the oldest event of a frame to the end of drawing it, ms. */
  readonly onLatency?: (ms: number) => void;
  /** Which keys are down, whenever that changes, by their codes. */
  readonly onKeys?: (codes: readonly string[]) => void;
  /** A mouse is a mouse alone, and touches nothing. */
  readonly mouseIsItself?: boolean;
  /** Whether controls are drawn now; absent: always. */
  readonly areSeen?: () => boolean;
  /** What the game says of its controls; absent: nothing. */
  readonly given?: () => GivenStates;
  /** Called when a touch, a key or a pad is used. */
  readonly onUsed?: (used: Used) => void;
}

/** What is beside the layout. */
export interface RehearsalSources {
  readonly canvas: () => HTMLCanvasElement | null;
  readonly pad: () => { readonly buttons: number[]; readonly axes: number[] } | null;
  /** In which language words are drawn. */
  readonly language: () => string | null;
}

export interface Rehearsal extends Hands {
  /** What is played from now on. The player goes on with what is held, where it can. */
  update(of: RehearsalOf): void;
  /** Begins to play frame by frame; returns what stops it. */
  start(): () => void;
  /** Begins again: nothing is held, nothing is owed. */
  restart(): void;
  /** For events from elsewhere: keys pressed while another part of the view has the focus. */
  feed(event: InputEvent): void;
}

/** What is used by an event; null for others. */
const usedBy = ({ type, ...event }: InputEvent): Used | null =>
  type === "down" ? "touch" : type === "key" && "down" in event && event.down ? "key" : type === "pad" ? "pad" : null;

const viewOf = ({ player = PLAIN_PLAYER_VIEW, game, moment }: RehearsalOf): PlayerView => ({
  handed: player.handed,
  playerSize: player.playerSize,
  moment: game.moment() ?? moment,
});

/** Whether a player can stay as it is. */
function isSamePlay(a: RehearsalOf, b: RehearsalOf): boolean {
  const [p, q] = [a.player ?? PLAIN_PLAYER_VIEW, b.player ?? PLAIN_PLAYER_VIEW];
  const isSameView = p.handed === q.handed && p.playerSize === q.playerSize && a.moment === b.moment;
  return isSameView && a.layout === b.layout && a.screen === b.screen && a.game === b.game && a.hz === b.hz;
}

interface Playing {
  of: RehearsalOf;
  player: Player;
}

export function createRehearsal(sources: RehearsalSources): Rehearsal {
  let playing: Playing | null = null;
  /** When the oldest event came that is not drawn yet. */
  let waiting = Infinity;
  const newPlayer = (of: RehearsalOf) => createPlayer(of.layout, of.screen, of.hz ?? HZ, viewOf(of));
  const feed = (event: InputEvent) => {
    if (BY_HAND.has(event.type)) waiting = Math.min(waiting, event.t);
    const used = usedBy(event);
    if (used) playing?.of.onUsed?.(used);
    playing?.player.feed(event);
  };
  const hands = createHands({
    feed,
    scale: () => playing?.of.scale ?? 1,
    mouseIsItself: () => playing?.of.mouseIsItself ?? false,
    onKeys: (codes) => playing?.of.onKeys?.(codes),
    now: () => performance.now(),
  });
  const onLatency = (of: RehearsalOf) => {
    if (waiting < Infinity) of.onLatency?.(performance.now() - waiting);
    waiting = Infinity;
  };
  return {
    ...hands,
    feed,
    update(of) {
      if (playing === null) playing = { of, player: newPlayer(of) };
      else if (playing.of.hz !== of.hz) playing.player = newPlayer(of);
      else if (!isSamePlay(playing.of, of)) playing.player.retune(of.layout, of.screen, viewOf(of));
      playing.of = of;
    },
    restart() {
      if (playing) playing.player = newPlayer(playing.of);
    },
    start() {
      const frame = createFrame(sources);
      let animation = 0;
      const step = (time: number) => {
        if (playing) {
          frame(playing, time);
          onLatency(playing.of);
        }
        animation = requestAnimationFrame(step);
      };
      animation = requestAnimationFrame(step);
      const stopLeaving = onLeave(() => playing?.player.feed({ t: performance.now(), type: "blur" }));
      return () => {
        stopLeaving();
        cancelAnimationFrame(animation);
      };
    },
  };
}

/** Hears that the page is hidden or has lost the focus. */
function onLeave(leave: () => void): () => void {
  const onHide = () => void (document.hidden && leave());
  document.addEventListener("visibilitychange", onHide);
  window.addEventListener("blur", leave);
  return () => {
    document.removeEventListener("visibilitychange", onHide);
    window.removeEventListener("blur", leave);
  };
}

/** One frame: what the pad does now, the ticks that are due, and the picture where it differs from the last one. */
function createFrame({ canvas, pad, language }: RehearsalSources): (playing: Playing, time: number) => void {
  let moment: string | null = null;
  let padBefore = "";
  let drawn: readonly unknown[] = [];
  let values: ActionValues = {};
  const posed = createDrawnControls(createMotion());
  const withGiven = createGiven();
  const feedPad = ({ of, player }: Playing, time: number) => {
    const now = pad();
    const text = now ? JSON.stringify(now) : "";
    if (now && text !== padBefore) {
      player.feed({ t: time, type: "pad", ...now });
      if (padBefore !== "") of.onUsed?.("pad");
    }
    padBefore = text;
  };
  const feedMoment = ({ of, player }: Playing) => {
    const wished = of.game.moment();
    const isKnown = wished !== null && of.layout.moments.some((m) => m.id === wished);
    if (isKnown && wished !== moment) player.feed({ t: performance.now(), type: "moment", moment: wished });
    moment = wished;
  };
  const draw = ({ of, player }: Playing) => {
    const layout = spokenLayout(of.layout, language());
    const states = of.given?.() ?? NO_STATES;
    const controls = withGiven(posed({ layout, resolved: player.resolved(), setup: player.setup(), state: player.state() }), states);
    // What the glass shows: where all of it is the same as at the last frame nothing is drawn.
    const isSeen = of.areSeen?.() ?? true;
    const shows = [
      ...[isSeen, controls, of.game, of.game.revision(), of.layout, of.screen, of.scale, canvas()],
      ...[imageArrivals(), document.fonts.status, window.devicePixelRatio],
    ];
    if (shows.some((what, i) => what !== drawn[i])) paint(canvas(), of, isSeen ? controls : []);
    drawn = shows;
  };
  return (playing, time) => {
    const { of, player } = playing;
    feedPad(playing, time);
    of.onFrame?.(performance.now());
    // Everything that has come by now is played in this frame.
    player.playTo(performance.now(), (given, t, came) => {
      values = given;
      of.game.tick(given, 1000 / (of.hz ?? HZ));
      of.onTick(given, { player, t, came });
    });
    feedMoment(playing);
    draw(playing);
    of.onDrawn(values);
    of.onPlayed?.(player);
  };
}

const NO_STATES: GivenStates = new Map();

function paint(canvas: HTMLCanvasElement | null, { game, layout, screen, scale }: RehearsalOf, controls: readonly DrawnControl[]): void {
  const ctx = canvas && contextFor(canvas, screen, { scale });
  if (!ctx) return;
  game.draw(ctx, screen.widthPx, screen.heightPx);
  const supplies = suppliesOf(layout);
  drawControls(ctx, controls, 1 / scale, controls.some(({ given }) => given) ? { ...supplies, givenStyle: playersStyle() } : supplies);
}
