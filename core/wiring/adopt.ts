/**
 * Bringing controls of one layout into another game: the words of the two are matched, what does not go together is said,
 * then controls with their clusters and pictures come over, or the looks alone. Arrangements stay behind: they are made for
 * the screens and their own controls layout.
 */
import { checked } from "../editing/edits/checked";
import { byId, byName } from "../derived/byId";
import { newAction } from "../editing/edits/actions";
import { freeId, freeName } from "../editing/edits/controls";
import { freeIdOf } from "../editing/edits/ids";
import { formatLength, lengthOf, parseLength } from "../engine/placement/length";
import type { Action, Cluster, Control, Layout, Serve } from "../format/types";
import { nearestWord } from "../engine/nearest";
import { refused, type Result } from "../engine/result";
import { portWhyNot, serveAs } from "./serves";

/** How a word of the other layout is to this one's. */
export type MatchState = "same" | "near" | "none";
export interface WordMatch {
  readonly word: string;
  /** The kind the other layout gives it; null where it only names it. */
  readonly kind: Action["kind"] | null;
  readonly state: MatchState;
  /** The action of this layout it is matched with, or null. */
  readonly to: string | null;
}

/** The words that controls of another layout serve, each with the action of this one that it most likely means, same ones first. */
export function matchWords(from: Layout, ids: readonly string[], here: readonly Pick<Action, "name" | "kind">[]): WordMatch[] {
  const chosen = new Set(ids);
  const words = new Set(from.controls.filter((c) => chosen.has(c.id)).flatMap((c) => (c.serves as readonly Serve[]).map((s) => s.action)));
  const names = here.map((a) => a.name);
  const kinds = new Map(from.actions.map((a) => [a.name, a.kind]));
  const same = new Set(names.filter((n) => words.has(n)));
  const free = names.filter((n) => !same.has(n));
  const matches = [...words].map((word): WordMatch => {
    const kind = kinds.get(word) ?? null;
    if (same.has(word)) return { word, kind, state: "same", to: word };
    // A word nearly the same of another kind is another thing.
    const near = nearestWord(
      word,
      here.flatMap((a) => (free.includes(a.name) && (kind === null || a.kind === kind) ? [a.name] : [])),
    );
    return { word, kind, state: near === null ? "none" : "near", to: near };
  });
  const order: readonly MatchState[] = ["same", "near", "none"];
  return matches.sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state));
}

/** What becomes of a word: it means an action here, it is a new action, nothing serves it, or its wires come along as they are and lead to nothing yet. */
export type WordChoice =
  | { readonly kind: "means"; readonly action: string }
  | { readonly kind: "new" }
  | { readonly kind: "leave" }
  | { readonly kind: "keep" };
/** What is taken over of a control: the control, or its look alone for controls of its kind that serve the same. */
export type ControlChoice = "control" | "look";

export interface Adoption {
  readonly words: ReadonlyMap<string, WordChoice>;
  readonly controls: ReadonlyMap<string, ControlChoice>;
  /** Layout units here that one unit there comes to, so that what is taken over keeps its size under the thumb. */
  readonly unitRatio: number;
  /** Clusters there that are this layout's own, by the same id: what is in them there is in them here, and they are not copied. */
  readonly joins?: ReadonlySet<string>;
}

/** A wire that cannot come along, and why. */
export interface Mismatch {
  readonly control: string;
  readonly word: string;
  readonly why: string;
}

/** The wires of the chosen controls that would not go together with the actions they are matched with. */
export function mismatches(from: Layout, here: Layout, words: Adoption["words"], ids: readonly string[]): Mismatch[] {
  const actions = byName(here.actions);
  const chosen = new Set(ids);
  return from.controls.flatMap((c) =>
    chosen.has(c.id)
      ? (c.serves as readonly Serve[]).flatMap((s): Mismatch[] => {
          const choice = words.get(s.action);
          const action = choice?.kind === "means" ? actions.get(choice.action) : undefined;
          const why = action ? portWhyNot(s.port, action.kind) : null;
          return why === null ? [] : [{ control: c.id, word: s.action, why }];
        })
      : [],
  );
}

/** An adoption in progress. */
interface Copying {
  readonly here: Layout;
  readonly from: Layout;
  readonly choice: Adoption;
  readonly momentOf: ReadonlyMap<string, string>;
  /** Clusters here by the ids of those that they stand for there. */
  readonly clusters: Map<string, Cluster>;
}

/** A copied layout, and the ids that were added or changed. */
interface Copied {
  readonly layout: Layout;
  readonly ids: readonly string[];
}

/**
 * Copies controls with their clusters and pictures, or only their looks, into a layout. Wires that do not fit are left out. Returns the ids of the
 * controls that were added or changed, and of the clusters that were added.
 */
export function adopt(here: Layout, from: Layout, choice: Adoption): Result<{ layout: Layout; ids: string[]; clusters: string[] }> {
  if (choice.controls.size === 0) return refused("", "choose at least one control to take over");
  const joined = here.clusters.flatMap((c) => (choice.joins?.has(c.id) ? [[c.id, c] as const] : []));
  const copying: Copying = { here, from, choice, momentOf: momentMatch(from, here), clusters: new Map(joined) };
  let next = withNewActions(copying);
  const serveOver = serveMatch(choice, next);
  const ids: string[] = [];
  for (const control of from.controls) {
    const what = choice.controls.get(control.id);
    if (what === undefined) continue;
    const serves = (control.serves as readonly Serve[]).flatMap(serveOver);
    const copied = what === "look" ? withLookOf(next, copying, control, serves) : withCopyOf(next, copying, control, serves);
    next = copied.layout;
    ids.push(...copied.ids);
  }
  if (ids.length === 0) return refused("", "no control here serves the same by the same kind; take the controls over instead");
  const result = checked(here, next);
  const known = new Set(here.clusters.map((c) => c.id));
  const clusters = next.clusters.flatMap((c) => (known.has(c.id) ? [] : [c.id]));
  return result.ok ? { ok: true, value: { layout: result.value, ids: [...new Set(ids)], clusters } } : result;
}

/** The layout with the chosen new actions. */
function withNewActions({ here, from, choice, momentOf }: Copying): Layout {
  const fromActions = byName(from.actions);
  const copied = from.controls.filter((c) => choice.controls.get(c.id) === "control");
  const needed = new Set(copied.flatMap((c) => (c.serves as readonly Serve[]).map((s) => s.action)));
  let next = here;
  for (const [word, what] of choice.words) {
    if (what.kind !== "new" || !needed.has(word) || next.actions.some((a) => a.name === word)) continue;
    const was = fromActions.get(word);
    const action = was ? { ...was, moments: momentsOver(was.moments, from, here, momentOf) } : newAction(next, word, "press");
    next = { ...next, actions: [...next.actions, action] };
  }
  return next;
}

/** How a wire is copied: to the action that its word stands for; none if it does not fit. */
function serveMatch({ words }: Adoption, layout: Layout): (serve: Serve) => Serve[] {
  const actions = byName(layout.actions);
  return (serve) => {
    const what = words.get(serve.action);
    if (what?.kind === "keep") return [serve];
    const name = what?.kind === "means" ? what.action : what?.kind === "new" ? serve.action : "";
    const action = actions.get(name);
    const fitted = action ? serveAs(serve, action) : null;
    return fitted ? [fitted] : [];
  };
}

/** The look of a control on all controls of its kind that serve the same. */
function withLookOf(layout: Layout, { from }: Copying, control: Control, serves: readonly Serve[]): Copied {
  const served = new Set(serves.map((s) => s.action));
  const alike = layout.controls.flatMap((c) => (c.kind === control.kind && c.serves.some(({ action }) => served.has(action)) ? [c.id] : []));
  if (alike.length === 0) return { layout, ids: [] };
  const dressed = artOver(layout, from, control);
  const controls = dressed.layout.controls.map((c) => (alike.includes(c.id) ? ({ ...c, look: { ...dressed.look, label: c.look.label } } as Control) : c));
  return { layout: { ...dressed.layout, controls }, ids: alike };
}

/** A copy of a control, with its cluster if that is not there yet. */
function withCopyOf(layout: Layout, copying: Copying, control: Control, serves: readonly Serve[]): Copied {
  const { here, from, choice, momentOf, clusters } = copying;
  const dressed = artOver(layout, from, control);
  let next = dressed.layout;
  const frame = control.placement.kind === "pin" ? control.placement.frame : null;
  let placement = inUnits(control.placement, choice.unitRatio);
  if (frame !== null && typeof frame === "object" && placement.kind === "pin") {
    let cluster = clusters.get(frame.cluster);
    if (!cluster) {
      const was = byId(from.clusters).get(frame.cluster)!;
      cluster = { id: freeId(next, was.id), name: freeName(next, was.name), placement: inUnits(was.placement, choice.unitRatio) };
      clusters.set(frame.cluster, cluster);
      next = { ...next, clusters: [...next.clusters, cluster] };
    }
    placement = { ...placement, frame: { cluster: cluster.id } };
  }
  const id = freeId(next, control.id);
  const copy = {
    ...control,
    id,
    name: freeName(next, control.name),
    placement,
    hit: inUnits(control.hit, choice.unitRatio),
    feel: inUnits(control.feel, choice.unitRatio),
    look: dressed.look,
    moments: momentsOver(control.moments, from, here, momentOf),
    serves,
  } as Control;
  return { layout: { ...next, controls: [...next.controls, copy] }, ids: [id] };
}

/** The moments of one layout that are another's: by id, else by name, case set aside. */
function momentMatch(from: Layout, here: Layout): ReadonlyMap<string, string> {
  return new Map(
    from.moments.flatMap((m) => {
      const match = byId(here.moments).get(m.id) ?? here.moments.find((h) => h.name.toLowerCase() === m.name.toLowerCase());
      return match ? [[m.id, match.id] as const] : [];
    }),
  );
}

/** Moments carried over: those that match, in order; every one where the thing belonged to all, or where none matches. */
function momentsOver(moments: readonly string[], from: Layout, here: Layout, match: ReadonlyMap<string, string>): string[] {
  const all = here.moments.map((m) => m.id);
  if (moments.length === from.moments.length) return all;
  const kept = new Set(moments.flatMap((m) => match.get(m) ?? []));
  return kept.size === 0 ? all : all.filter((m) => kept.has(m));
}

/** A control's look with its pictures brought into a layout; a picture that is there already is not kept twice. */
function artOver(layout: Layout, from: Layout, control: Control): { layout: Layout; look: Control["look"] } {
  const { art } = control.look;
  if (!art) return { layout, look: control.look };
  let next = layout;
  const moved = Object.fromEntries(
    Object.entries(art).flatMap(([part, id]) => {
      const picture = byId(from.pictures).get(id);
      if (!picture) return [];
      const same = next.pictures.find((p) => p.type === picture.type && p.data === picture.data);
      const kept = same ?? { ...picture, id: freeIdOf(next.pictures, picture.id, "picture") };
      if (!same) next = { ...next, pictures: [...next.pictures, kept] };
      return [[part, kept.id]];
    }),
  );
  return { layout: next, look: { ...control.look, art: moved } };
}

/** Every length in layout units, anywhere within a value, times a ratio, to a thousandth of a unit. Other lengths stay. */
function inUnits<T>(value: T, ratio: number): T {
  if (ratio === 1) return value;
  if (typeof value === "string") {
    const length = parseLength(value);
    if (length?.unit !== "u") return value;
    const rounded = Math.round(lengthOf(value).amount * ratio * 1000) / 1000;
    return formatLength(length.amount > 0 ? Math.max(0.001, rounded) : rounded, "u") as T;
  }
  if (Array.isArray(value)) return value.map((item: unknown) => inUnits(item, ratio)) as T;
  if (value !== null && typeof value === "object") return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, inUnits(item, ratio)])) as T;
  return value;
}
