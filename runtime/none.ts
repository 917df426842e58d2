/**
 * `nodulum-runtime/none`: the same names, types and calls as the whole package, with every action at rest, for builds without touch. Alias
 * `nodulum-runtime` and every `nodulum-runtime/…` to it in the build tool.
 */
import { nearestWord } from "../core/engine/nearest";
import type { ActionKind } from "../core/engine/types";
import type { ActionValue } from "../core/engine/input/events";
import type { Handle, KnownActions, MakePainter } from "./handle";
import type { OwnChanges } from "./overrides";
import { RESTS } from "./valueReader";
import type { play as Play } from "./play";
import type { readPlayed as ReadPlayed } from "./playedSource";
import type { load as Load } from "./load";
import type { fullscreen as Fullscreen } from "./fullscreen";
import type { asKeys as AsKeys } from "./standIns/asKeys";
import type { asPad as AsPad } from "./standIns/asPad";
import type { asMouse as AsMouse } from "./standIns/asMouse";
import type { record as Record } from "./recording";
import type { watch as Watch } from "./nameWatch";
import type { overlay as Overlay } from "./overlay";
import type { keepTurned as KeepTurned } from "./turn";
import type { tuned as Tuned } from "./tuned";
import type { playersPage as PlayersPage } from "./playersPage";

const nothing = (): void => undefined;
const no = (): boolean => false;
const end = () => nothing;

/** Returns the value at rest of each action; empty if the file cannot be read, because nothing is validated here. */
function restsOf(played: unknown): ReadonlyMap<string, ActionValue> {
  try {
    const isBytes = played instanceof Uint8Array || played instanceof ArrayBuffer;
    const file: unknown = typeof played === "string" ? JSON.parse(played) : isBytes ? JSON.parse(new TextDecoder().decode(played)) : played;
    const { actions } = file as { readonly actions: readonly { readonly name: string; readonly kind: ActionKind }[] };
    return new Map(actions.map(({ name, kind }) => [name, RESTS[kind] ?? false]));
  } catch {
    return new Map();
  }
}

/** Returns a handle whose actions are at rest, with the types of the played file. */
export function play<A extends KnownActions = string>(played?: unknown, options?: Partial<Parameters<typeof Play>[1]>): Handle<A> {
  const rests = restsOf(played);
  const none = {
    value: (name: string) => rests.get(name) ?? rests.get(nearestWord(name, [...rests.keys()], 1) ?? "") ?? false,
    press: no,
    axis: () => 0,
    vector: () => RESTS.vector,
    motion: () => RESTS.motion,
    delta: () => 0,
    angle: () => 0,
    magnitude: () => 0,
    justPressed: no,
    justReleased: no,
    on: end,
    onTick: end,
    step: nothing,
    controls: () => [],
    state: nothing,
    show: nothing,
    moment: options?.moment ?? null,
    handed: options?.handed ?? "right",
    playerSize: options?.playerSize ?? 1,
    language: options?.language ?? "",
    appear: options?.appear ?? "touch",
    enabled: false,
    replace: nothing,
    overrides: { move: no, size: no, fade: no, sensitivity: no, invert: no, json: (): OwnChanges => ({ controls: {}, actions: {} }), reset: nothing },
    over: null,
    screen: null,
    layout: null,
    digest: "",
    hz: options?.hz ?? 60,
    unknownNames: {},
    reads: {},
    dispose: nothing,
  } satisfies Record<Exclude<keyof Handle, typeof Symbol.dispose>, unknown>;
  return { ...none, [Symbol.dispose ?? Symbol.for("Symbol.dispose")]: nothing } as unknown as Handle<A>;
}

/** Always returns an error. */
export const readPlayed: typeof ReadPlayed = () => ({ ok: false, problems: [{ path: "", message: "this build plays no layout" }] });
export const load: typeof Load = <A extends KnownActions>() => Promise.resolve(play<A>());
export const fullscreen: typeof Fullscreen = () => Promise.resolve(() => Promise.resolve());
export const drawing: MakePainter | undefined = undefined;
export const drawingWith = (_icons?: unknown): MakePainter | undefined => undefined;
export const asKeys: typeof AsKeys = end;
export const asPad: typeof AsPad = end;
export const asMouse: typeof AsMouse = end;
export const record: typeof Record = () => ({ stop: () => "", lengthMs: () => 0 });
export const watch: typeof Watch = () => ({ file: () => "", dispose: nothing });
export const overlay: typeof Overlay = end;
export const keepTurned: typeof KeepTurned = end;
export const tuned: typeof Tuned = end;
export const playersPage: typeof PlayersPage = end;
