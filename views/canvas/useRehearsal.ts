"use client";
/**
 * Plays the open layout in the browser: pointer, key, mouse and pad events go to the player with their times, ticks fall
 * due at 60 a second, the game reads the values by name. Pointer cancel, a lost capture, a hidden page and a lost focus
 * end what was held without firing it.
 */
import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from "react";
import type { TickInput } from "../../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../../core/engine/input/events";
import type { Used } from "../../runtime/appear";
import type { Layout, Screen } from "../../core/format/types";
import { drawControls } from "../../runtime/art";
import type { DrawnControl } from "../../runtime/draw/drawn";
import { pointerEvents, type MouseButtons, type PointerSample } from "../../runtime/attach/pointer";
import { createPlayer, type Player } from "../../runtime/player";
import { createMotion } from "../../runtime/returnMotion";
import { createDrawnControls } from "../../runtime/poses";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../../core/engine/placement/resolve";
import type { Game } from "../../samples/game";
import { imageArrivals, suppliesOf } from "./images";
import { languageNow, spokenLayout } from "../document/language";
import { padNow } from "../interaction/pads";
import { contextFor } from "./drawGlass";
import { useSessionActions } from "../document/SessionContext";

/** Ticks a second, where nothing else is said. */
const HZ = 60;
/** What a hand does, and waits for: from these on it is measured how long it takes until they are seen. */
const BY_HAND: ReadonlySet<string> = new Set(["down", "move", "up", "key", "mouse"]);
/** Escape held this long leaves the glass, ms. */
const LEAVE_MS = 600;

/** A tick that has been played: by whom, its time since tick 0 (ms), and what came in it. */
export interface PlayedTick {
  readonly player: Player;
  readonly t: number;
  readonly came: TickInput;
}

interface Options {
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
  readonly canvas: RefObject<HTMLCanvasElement | null>;
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
  /** Called when a touch, a key or a pad is used. */
  readonly onUsed?: (used: Used) => void;
}

/** What is used by an event; null for others. */
const usedBy = ({ type, ...event }: InputEvent): Used | null =>
  type === "down" ? "touch" : type === "key" && "down" in event && event.down ? "key" : type === "pad" ? "pad" : null;

export function useRehearsal(options: Options) {
  const session = useSessionActions();
  const { layout, screen, scale, game, moment, canvas } = options;
  const { handed, playerSize } = options.player ?? PLAIN_PLAYER_VIEW;
  const hz = options.hz ?? HZ;
  const player = useRef<Player | null>(null);
  const playedAt = useRef(0);
  const values = useRef<ActionValues>({});
  const now = useRef(options);
  useEffect(() => {
    now.current = options;
  });
  /** When the oldest event came that is not drawn yet. */
  const waiting = useRef(Infinity);
  useEffect(() => {
    const playerView = { handed, playerSize, moment: game.moment() ?? moment };
    if (player.current && playedAt.current === hz) player.current.retune(layout, screen, playerView);
    else player.current = createPlayer(layout, screen, hz, playerView);
    playedAt.current = hz;
  }, [layout, screen, moment, game, handed, playerSize, hz]);

  useEffect(() => {
    let animation = 0;
    let shown: string | null = null;
    let padBefore = "";
    let drawn: readonly unknown[] = [];
    const posed = createDrawnControls(createMotion());
    const step = (time: number) => {
      const { current } = now;
      const playing = player.current;
      if (playing) {
        const pad = padNow(session);
        const padText = pad ? JSON.stringify(pad) : "";
        if (pad && padText !== padBefore) {
          playing.feed({ t: time, type: "pad", ...pad });
          if (padBefore !== "") current.onUsed?.("pad");
        }
        padBefore = padText;
        current.onFrame?.(performance.now());
        // Everything that has come by now is played in this frame.
        playing.playTo(performance.now(), (given, t, came) => {
          values.current = given;
          current.game.tick(given, 1000 / (current.hz ?? HZ));
          current.onTick(given, { player: playing, t, came });
        });
        const wished = current.game.moment();
        if (wished !== null && wished !== shown && current.layout.moments.some((m) => m.id === wished))
          playing.feed({ t: performance.now(), type: "moment", moment: wished });
        shown = wished;
        const controls = posed({
          layout: spokenLayout(current.layout, languageNow(session)),
          resolved: playing.resolved(),
          setup: playing.setup(),
          state: playing.state(),
        });
        // What the glass shows: where all of it is the same as at the last frame nothing is drawn.
        const isSeen = current.areSeen?.() ?? true;
        const shows = [
          ...[isSeen, controls, current.game, current.game.revision(), current.layout, current.screen, current.scale, canvas.current],
          ...[imageArrivals(), document.fonts.status, window.devicePixelRatio],
        ];
        if (shows.some((what, i) => what !== drawn[i])) paint(current, isSeen ? controls : []);
        drawn = shows;
        current.onDrawn(values.current);
        current.onPlayed?.(playing);
        if (waiting.current < Infinity) current.onLatency?.(performance.now() - waiting.current);
        waiting.current = Infinity;
      }
      animation = requestAnimationFrame(step);
    };
    const paint = (current: typeof now.current, controls: readonly DrawnControl[]) => {
      const ctx = canvas.current && contextFor(canvas.current, current.screen, { scale: current.scale });
      if (!ctx) return;
      current.game.draw(ctx, current.screen.widthPx, current.screen.heightPx);
      drawControls(ctx, controls, 1 / current.scale, suppliesOf(current.layout));
    };
    animation = requestAnimationFrame(step);
    const onHide = () => {
      if (document.hidden) player.current?.feed({ t: performance.now(), type: "blur" });
    };
    const onLeave = () => player.current?.feed({ t: performance.now(), type: "blur" });
    document.addEventListener("visibilitychange", onHide);
    window.addEventListener("blur", onLeave);
    return () => {
      window.removeEventListener("blur", onLeave);
      cancelAnimationFrame(animation);
      document.removeEventListener("visibilitychange", onHide);
    };
  }, [session, canvas]);

  const feed: Player["feed"] = (event) => {
    if (BY_HAND.has(event.type)) waiting.current = Math.min(waiting.current, event.t);
    const used = usedBy(event);
    if (used) now.current.onUsed?.(used);
    player.current?.feed(event);
  };
  const buttons = useRef<MouseButtons>(0);
  const touch = (type: PointerSample["type"], event: PointerEvent<HTMLElement>) => {
    const rect = event.currentTarget.getBoundingClientRect();
    if (type === "down") {
      // A button let go outside the glass is let go all the same.
      event.currentTarget.setPointerCapture(event.pointerId);
      event.currentTarget.focus({ preventScroll: true });
    }
    // Between two frames the browser gathers movement into one event; what it gathered is distinguished.
    const gathered = type === "move" ? event.nativeEvent.getCoalescedEvents?.() : undefined;
    for (const e of gathered && gathered.length > 0 ? gathered : [event.nativeEvent]) {
      const step = pointerEvents(buttons.current, {
        type,
        id: event.pointerId,
        mouse: event.pointerType === "mouse",
        buttons: e.buttons,
        x: (e.clientX - rect.left) / scale,
        y: (e.clientY - rect.top) / scale,
        t: e.timeStamp,
        dx: e.movementX,
        dy: e.movementY,
      });
      buttons.current = step.buttons;
      const touches = (type: string) => type === "down" || type === "move" || type === "up" || type === "cancel";
      const isItself = now.current.mouseIsItself && event.pointerType === "mouse";
      for (const fed of step.events) {
        if (!isItself || !touches(fed.type)) feed(fed);
        // The main button of a mouse that touches nothing is a button like the others.
        else if (fed.type !== "move") feed({ t: fed.t, type: "mouse", button: 0, down: fed.type === "down" });
      }
    }
  };

  const leaving = useRef(0);
  const held = useRef(new Set<string>());
  /** The focus has gone elsewhere, to the feel panel perhaps: keys are let go, thumbs stay down. */
  const letGoOfKeys = () => {
    for (const code of held.current) feed({ t: performance.now(), type: "key", code, down: false });
    held.current.clear();
    now.current.onKeys?.([]);
  };
  const key = (down: boolean, event: KeyboardEvent<HTMLElement>) => {
    event.preventDefault();
    event.stopPropagation();
    event.nativeEvent.stopPropagation();
    const element = event.currentTarget;
    if (event.code === "Escape") {
      if (!down) window.clearTimeout(leaving.current);
      else if (!event.repeat) leaving.current = window.setTimeout(() => element.blur(), LEAVE_MS);
    }
    if (down) held.current.add(event.code);
    else held.current.delete(event.code);
    if (!event.repeat) now.current.onKeys?.([...held.current]);
    if (!event.repeat) feed({ t: event.timeStamp, type: "key", code: event.code, down });
  };

  /** Begins again: nothing is held, nothing is owed. */
  const restart = () => {
    const { current } = now;
    player.current = createPlayer(current.layout, current.screen, hz, { handed, playerSize, moment: current.game.moment() ?? current.moment });
  };
  return {
    restart,
    /** For events from elsewhere: keys pressed while another part of the view has the focus. */
    feed,
    bind: {
      onPointerDown: (event: PointerEvent<HTMLElement>) => touch("down", event),
      onPointerMove: (event: PointerEvent<HTMLElement>) => touch("move", event),
      onPointerUp: (event: PointerEvent<HTMLElement>) => touch("up", event),
      onPointerCancel: (event: PointerEvent<HTMLElement>) => touch("cancel", event),
      onLostPointerCapture: (event: PointerEvent<HTMLElement>) => touch("cancel", event),
      onContextMenu: (event: { preventDefault(): void }) => event.preventDefault(),
      onKeyDown: (event: KeyboardEvent<HTMLElement>) => key(true, event),
      onKeyUp: (event: KeyboardEvent<HTMLElement>) => key(false, event),
      onBlur: letGoOfKeys,
    },
  };
}
