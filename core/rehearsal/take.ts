/**
 * A take: what hands did, with all that must be known to play it again (section "Takes" of docs/TAKES.md). It begins with nothing held,
 * latches off, nothing eased, no pad and every control on; what was seen while it was recorded is not in it, but can be computed.
 */
import { withArticle } from "../derived/counted";
import { replaySteps, tickTime, type TickStep, type TickOutput } from "../engine/input/advance";
import type { InputEvent } from "../engine/input/events";
import { prepareInput, type InputSetup } from "../engine/input/setup";
import { TIME_SLACK } from "../engine/geometry/tolerances";
import { ok, refused, type Result } from "../engine/result";
import { resolve, type PlayerView, type Resolved } from "../engine/placement/resolve";
import { preparedOf } from "../derived/prepared";
import { digestOfText } from "../format/digest";
import { layoutText } from "../derived/text";
import type { Layout, Screen } from "../format/types";

export interface Take {
  readonly name: string;
  /** The digest of the layout it was played on. */
  readonly layout: string;
  readonly screen: Screen;
  readonly handed: PlayerView["handed"];
  readonly playerSize: number;
  /** Ticks a second. */
  readonly hz: number;
  /** The moment at its start; null: none, every control shown. */
  readonly moment: string | null;
  /** In order of time, ms from its start. */
  readonly events: readonly InputEvent[];
  /** What its events give on its layout, tick by tick; null: not kept. */
  readonly frames: readonly TickOutput[] | null;
}

/** The digest by which a take names its layout: SHA-256 of the text of the layout's file. */
export const layoutDigest = (layout: Layout): string => digestOfText(layoutText(layout));

/** A layout made ready for a take: where everything is on its screen, for its hand and size, at its rate. */
export interface TakeStage {
  readonly layout: Layout;
  readonly resolved: Resolved;
  readonly setup: InputSetup;
}

/** How many ticks a take has: up to the first at or after its last event, plus one; two where it has none. */
export function tickNumber({ events, hz }: Pick<Take, "events" | "hz">): number {
  const end = events.length > 0 ? events[events.length - 1].t : 0;
  let n = Math.max(1, Math.floor((end * hz) / 1000));
  while (tickTime(n, hz) < end - TIME_SLACK) n += 1;
  return n + 1;
}

/** How long a take is, ms. */
export const takeLengthMs = (take: Pick<Take, "events" | "hz">): number => tickTime(tickNumber(take), take.hz);

/** What a take names that a layout lacks: a moment or a control, each once. */
function missingIds(take: Pick<Take, "moment" | "events">, layout: Layout): readonly { readonly kind: "moment" | "control"; readonly id: string }[] {
  const moments = new Set(layout.moments.map((m) => m.id));
  const controls = new Set(layout.controls.map((c) => c.id));
  const strangers = new Map<string, { kind: "moment" | "control"; id: string }>();
  const see = (kind: "moment" | "control", id: string | null, known: ReadonlySet<string>) => {
    if (id !== null && !known.has(id)) strangers.set(`${kind} ${id}`, { kind, id });
  };
  see("moment", take.moment, moments);
  for (const event of take.events) {
    if (event.type === "moment") see("moment", event.moment, moments);
    if (event.type === "control") see("control", event.id, controls);
  }
  return [...strangers.values()];
}

/** Makes a layout ready for a take. Refused where the take names a moment or a control that the layout lacks. */
export function stageOf(take: Take, layout: Layout): Result<TakeStage> {
  const [stranger] = missingIds(take, layout);
  if (stranger) {
    const all: readonly { readonly id: string }[] = stranger.kind === "moment" ? layout.moments : layout.controls;
    const known = all.length > 0 ? `; known: ${all.map((one) => one.id).join(", ")}` : "; the layout has none";
    return refused("", `the take is of ${withArticle(stranger.kind)} "${stranger.id}" that the layout lacks${known}`);
  }
  const resolved = resolve(preparedOf(layout), take.screen, { handed: take.handed, playerSize: take.playerSize, moment: null });
  return ok({ layout, resolved, setup: prepareInput(layout, resolved, take.hz) });
}

/** The ticks of a take on a stage, as they are wanted. */
export const ticksOf = (take: Take, stage: TakeStage): Generator<TickStep> => replaySteps(stage.setup, take.events, take.moment);

/** The frames of a take on a layout: what `replay` gives for its events. Refused where it names what the layout lacks. */
export function takeFrames(take: Take, layout: Layout): Result<TickOutput[]> {
  const stage = stageOf(take, layout);
  if (!stage.ok) return stage;
  const frames: TickOutput[] = [];
  for (const { t, values } of ticksOf(take, stage.value)) frames.push({ t, values });
  return ok(frames);
}
