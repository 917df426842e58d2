/**
 * Plays a layout over an element of a page: converts touches, keys, mouse and pads to action values. It stores nothing, and `dispose`
 * removes everything.
 */
import type { Point } from "../core/engine/geometry/point";
import type { InputEvent } from "../core/engine/input/events";
import { isShown, stackAt } from "../core/engine/input/touches";
import { ownEntry } from "../core/engine/playerChanges";
import type { PlayedLayout, Screen } from "../core/engine/types";
import { createDesk, type DeskInput } from "./attach/deskInput";
import { createFingers, type Fingers } from "./attach/fingers";
import { createGlass, type Glass } from "./attach/elementScreen";
import { elementOf } from "./canvasAbove";
import { createBuzz } from "./buzz";
import { playedControls } from "./playedControls";
import type { DrawnControl, GivenState } from "./draw/drawn";
import { createGiven, readGiven, withState, type GivenStates } from "./draw/given";
import type { Appear, KnownActions, PressEvent, ReadValue, PaintFrame, Handle, OnTick, Painter, PlayedControl, PlayOptions } from "./handle";
import { createMotion } from "./returnMotion";
import { fadedByOwn, withOwnValues, type OwnChanges } from "./overrides";
import { createOwn, type OwnHandle } from "./ownHandle";
import { createPlayer, type PlayedFor, type Player } from "./player";
import { createDrawnControls } from "./poses";
import { createReading, type ValueReader } from "./valueReader";
import { createSeen, type Seen } from "./seen";
import { readSource, type PlayedSource } from "./playedSource";
import { inLanguage } from "./labelLanguage";
import { createWake, type Wake } from "./wake";

/** The override in the page's URL: `?nodulum-appear=always`. */
function appearFlag(): Appear | null {
  const value = new URLSearchParams(location.search).get("nodulum-appear");
  return value === "touch" || value === "always" || value === "no-pad" ? value : null;
}

const now = () => performance.now();
/** `Symbol.dispose`, also where a browser does not have it yet. */
const DISPOSE: typeof Symbol.dispose = Symbol.dispose ?? (Symbol.for("Symbol.dispose") as typeof Symbol.dispose);

class Playing<A extends KnownActions> implements Handle<A> {
  readonly overrides: OwnHandle;
  readonly hz: number;
  readonly over: HTMLElement;
  #layout: PlayedLayout;
  #spoken: PlayedLayout;
  #view: PlayedFor;
  #language: string;
  #codes: ReadonlySet<string>;
  #isOn = true;
  /** Whether a read first runs the pending events: with the own loop, and outside a step. */
  #readsStep = false;
  #animation = 0;
  #digest: string;
  readonly #player: Player;
  readonly #glass: Glass;
  readonly #fingers: Fingers;
  readonly #desk: DeskInput;
  readonly #seen: Seen;
  readonly #painter: Painter | null;
  readonly #buzz: () => void;
  readonly #wake: Wake | null;
  readonly #posed = createDrawnControls(createMotion());
  #faded: { readonly of: readonly DrawnControl[]; readonly by: OwnChanges | null; readonly drawn: readonly DrawnControl[] } = { of: [], by: null, drawn: [] };
  readonly #withGiven = createGiven();
  /** What the game says of its controls. Replaced, never changed. */
  #given: GivenStates = new Map();
  #painted: Partial<PaintFrame> = {};
  readonly #reading = createReading({
    missing: (name, nearest) => console.warn(`nodulum: the layout has no action "${name}".${nearest === null ? "" : ` Did you mean "${nearest}"?`}`),
    otherKind: (name, is, asked) => console.warn(`nodulum: "${name}" is of kind ${is}, and was read as ${asked}. Read it by ${is}("${name}").`),
  });
  readonly #listeners = new Set<OnTick>();

  constructor(played: PlayedSource, options: PlayOptions) {
    const { screen, ppi, hz = 60, keys = true, mouse = true, pads = true } = options;
    const { layout, digest } = readSource(played);
    const over = elementOf(options.over);
    this.#layout = layout;
    this.#digest = digest;
    this.hz = hz;
    this.over = over;
    this.#language = options.language ?? navigator.language;
    this.#spoken = inLanguage(layout, this.#language);
    this.#codes = codesOf(layout);
    this.#view = { handed: options.handed ?? "right", playerSize: sizeIn(layout, options.playerSize ?? 1), moment: momentIn(layout, options.moment ?? null) };
    this.#glass = createGlass(over, { fixed: screen, ppi }, () => this.#moved());
    this.overrides = createOwn({ layout: () => this.#layout, laidOut: () => this.#laidOut(), changed: () => this.#retune() }, options.overrides);
    this.#player = createPlayer(this.#spoken, this.#glass.screen(), hz, { ...this.#view, own: this.overrides.changes(), inPlace: true });
    this.#buzz = options.buzz === false ? () => undefined : createBuzz(this.#player);
    this.#wake = options.awake === false ? null : createWake();
    this.#know();
    this.#seen = createSeen(appearFlag() ?? options.appear ?? layout.appear);
    const feed = (event: InputEvent) => this.#player.feed(event);
    this.#fingers = createFingers({
      over,
      isSeen: () => this.#isSeen(),
      toScreen: this.#glass.toScreen,
      feed,
      takes: (point) => this.#takes(point),
      touched: () => {
        this.#seen.used("touch");
        this.#wake?.used();
      },
      mouseTouches: () => this.#seen.isSeen() && this.#isOn,
      mouse,
      now,
    });
    const { onPad = () => undefined } = options;
    this.#desk = createDesk({
      feed,
      now,
      codes: () => this.#codes,
      keys,
      pads,
      used: (what) => this.#seen.used(what),
      onPad,
      lost: () => this.#fingers.cancel(),
    });
    this.#painter = options.draw?.(over) ?? null;
    this.#readsStep = (options.loop ?? "own") === "own";
    if (this.#readsStep) this.#turn();
  }

  /** One step per animation frame for `loop: "own"`: up to now, not to the start of the frame, because touches arrive in between. */
  #turn(): void {
    this.#animation = requestAnimationFrame(() => {
      this.step();
      this.#turn();
    });
  }

  /** Whether the controls are visible: no other element is full screen, and the drawing has followed. */
  #isSeen(): boolean {
    return this.#glass.isSeen() && this.#painter?.isSeen?.() !== false;
  }

  /** Handles a new size of the element or another full-screen element: touches on hidden controls are cancelled. */
  #moved(): void {
    if (this.#isSeen()) this.#retune();
    else this.#fingers.cancel();
  }

  #laidOut() {
    return createPlayer(this.#spoken, this.#glass.screen(), this.hz, this.#view).resolved();
  }

  /** Applies changed settings: unchanged controls continue, and every touch is evaluated again. */
  #retune(): void {
    this.#spoken = inLanguage(this.#layout, this.#language);
    this.#player.retune(this.#spoken, this.#glass.screen(), { ...this.#view, own: this.overrides.changes() });
    this.#know();
    this.#fingers.again();
  }

  #know(): void {
    this.#reading.know(this.#layout.actions, this.#player.setup().atRest);
  }

  /** Whether a touch belongs to the controls: it hits one, or a control with slide in is visible. */
  #takes({ x, y }: Point): boolean {
    if (!this.#isOn) return false;
    // Measure the page before evaluating a touch, because it may have moved since the last step.
    this.#glass.look();
    const [setup, state] = [this.#player.setup(), this.#player.state()];
    if (stackAt(setup, state, { touch: NaN, x, y }).length > 0) return true;
    return setup.slides && setup.controls.some((control) => control.kind === "button" && control.feel.slideIn && isShown(state, control));
  }

  #drawn(): readonly DrawnControl[] {
    const drawn = this.#posed({ layout: this.#spoken, resolved: this.#player.resolved(), setup: this.#player.setup(), state: this.#player.state() });
    const changes = this.overrides.changes();
    // Faded looks are recomputed only on changes, so that unchanged objects keep their identity.
    if (drawn !== this.#faded.of || changes !== this.#faded.by) this.#faded = { of: drawn, by: changes, drawn: fadedByOwn(drawn, changes) };
    return this.#withGiven(this.#faded.drawn, this.#given);
  }

  /** Draws if anything differs from the last frame. */
  #paint(strength: number): void {
    const painter = this.#painter;
    if (!painter) return;
    const isStale = painter.isStale?.() ?? false;
    const [drawn, before] = [this.#drawn(), this.#painted];
    const [layout, screen, scale] = [this.#spoken, this.screen, this.#glass.scale()];
    const isSame = before.drawn === drawn && before.opacity === strength && before.layout === layout && before.screen === screen && before.scale === scale;
    if (isSame && !isStale) return;
    const frame: PaintFrame = { layout, screen, drawn, opacity: strength, scale };
    this.#painted = frame;
    painter.paint(frame);
  }

  step(nowMs = now()): void {
    this.#glass.look();
    this.#desk.poll();
    this.#reading.begin();
    this.#playTo(nowMs);
    this.#paint(this.#seen.strengthAt(nowMs));
  }

  #playTo(nowMs: number): void {
    const readsStep = this.#readsStep;
    this.#readsStep = false;
    this.#player.playTo(nowMs, (values, t, { events }) => {
      const given = withOwnValues(values, this.#layout, this.overrides.changes());
      this.#reading.tick(given);
      this.#buzz();
      if (this.#listeners.size > 0) for (const heard of this.#listeners) heard(given, t, events);
    });
    this.#readsStep = readsStep;
  }

  /** Runs pending events before a read that comes earlier than this frame's step. Edges and movements add to those of the previous step. */
  #fresh(): ValueReader {
    if (this.#readsStep && this.#player.hasEvents()) this.#playTo(now());
    return this.#reading;
  }

  readonly value = ((name: string) => this.#fresh().value(name)) as ReadValue<A>;
  press = (name: string) => this.#fresh().typed(name, "press");
  axis = (name: string) => this.#fresh().typed(name, "axis");
  vector = (name: string) => this.#fresh().typed(name, "vector");
  motion = (name: string) => this.#fresh().typed(name, "motion");
  delta = (name: string) => this.#fresh().typed(name, "delta");
  angle = (name: string) => this.#fresh().angle(name);
  magnitude = (name: string) => this.#fresh().strength(name);
  justPressed = (name: string) => this.#fresh().rose(name);
  justReleased = (name: string) => this.#fresh().fell(name);

  on(event: PressEvent, name: string, listener: () => void): () => void {
    const isPressed = event === "pressed";
    let was = this.#reading.typed(name, "press");
    return this.onTick((values) => {
      const now = ownEntry(values, name) === true;
      if (now !== was && now === isPressed) listener();
      was = now;
    });
  }

  onTick(listener: OnTick): () => void {
    this.#listeners.add(listener);
    return () => void this.#listeners.delete(listener);
  }

  controls(): readonly PlayedControl[] {
    this.#fresh();
    return playedControls({ resolved: this.#player.resolved(), drawn: this.#drawn(), scale: this.#glass.scale(), strength: this.#seen.strength() });
  }

  state(id: string, given: GivenState | null): void {
    this.#mustHave(id);
    this.#given = withState(this.#given, id, given && readGiven(given));
  }

  #mustHave(id: string): void {
    if (!this.#layout.controls.some((control) => control.id === id)) throw new Error(`there is no control "${id}"`);
  }

  show(id: string, on: boolean): void {
    this.#mustHave(id);
    this.#player.feed({ t: now(), type: "control", id, shown: on });
  }

  get moment(): string | null {
    return this.#view.moment;
  }
  set moment(moment: string | null) {
    this.#view = { ...this.#view, moment: momentIn(this.#layout, moment) };
    this.#player.feed({ t: now(), type: "moment", moment });
  }
  get handed(): "right" | "left" {
    return this.#view.handed;
  }
  set handed(handed: "right" | "left") {
    this.#view = { ...this.#view, handed };
    this.#retune();
  }
  get playerSize(): number {
    return this.#view.playerSize;
  }
  set playerSize(playerSize: number) {
    this.#view = { ...this.#view, playerSize: sizeIn(this.#layout, playerSize) };
    this.#retune();
  }
  get language(): string {
    return this.#language;
  }
  set language(language: string) {
    this.#language = language;
    this.#retune();
  }
  get appear(): Appear {
    return this.#seen.appear;
  }
  set appear(appear: Appear) {
    this.#seen.appear = appear;
  }
  get screen(): Screen {
    return this.#glass.screen();
  }
  get layout(): PlayedLayout {
    return this.#layout;
  }
  get digest(): string {
    return this.#digest;
  }
  get unknownNames() {
    return this.#reading.asked;
  }
  get reads() {
    return this.#reading.reads;
  }

  get enabled(): boolean {
    return this.#isOn;
  }
  set enabled(enabled: boolean) {
    this.#isOn = enabled;
    this.#player.feed({ t: now(), type: enabled ? "on" : "off" });
  }

  replace(played: PlayedSource): void {
    const { layout, digest } = readSource(played);
    this.#layout = layout;
    this.#digest = digest;
    this.#codes = codesOf(layout);
    const { moment, playerSize } = this.#view;
    const isKnown = moment === null || layout.moments.some(({ id }) => id === moment);
    this.#view = { ...this.#view, moment: isKnown ? moment : null, playerSize: sizeIn(layout, playerSize) };
    this.#retune();
  }

  dispose(): void {
    cancelAnimationFrame(this.#animation);
    for (const part of [this.#fingers, this.#desk, this.#glass]) part.close();
    this.#painter?.dispose();
    this.#wake?.close();
    this.#listeners.clear();
  }
  [DISPOSE] = () => this.dispose();
}

const sizeIn = ({ playerSizes: { min, max } }: PlayedLayout, size: number): number => Math.min(max, Math.max(min, size));

function momentIn({ moments }: PlayedLayout, moment: string | null): string | null {
  if (moment === null || moments.some(({ id }) => id === moment)) return moment;
  throw new Error(`there is no moment "${moment}"; known: ${moments.map(({ id }) => id).join(", ") || "none"}`);
}

/** Returns the key codes of all actions. */
const codesOf = ({ actions }: PlayedLayout): ReadonlySet<string> => new Set(actions.flatMap((action) => action.keys.map(({ code }) => code)));

/**
 * Plays a played file: its text, its bytes or its parsed JSON; or a layout that `readPlayed` returned. Throws an Error that names the
 * position and the problem if the file cannot be read, or if `over` is not an element.
 */
export function play<A extends KnownActions = string>(played: PlayedSource, options: PlayOptions): Handle<A> {
  return new Playing<A>(played, options);
}
