/**
 * How each action is, in a word: what serves it in each moment, what is still to do, and where the chain is broken.
 * Screens have no say here: what an arrangement hides on one of them is reported by the findings.
 */
import { withArticle } from "../derived/counted";
import { hasPort, portFits, serveLacks } from "../engine/input/fits";
import { byId, byName } from "../derived/byId";
import type { Action, ControlKind, Layout, Serve } from "../format/types";
import { nearestWord } from "../engine/nearest";
import { hardwareEnds } from "./hardwareWires";

/** How an action is. `part`: served in some of its moments only; `idle`: wanted nowhere, or meant for desks and bound to nothing there. */
export type ActionStatusKind = "not-read" | "desk-only" | "idle" | "misspelt" | "unserved" | "part" | "touch-only" | "served";

export interface ActionStatus {
  readonly name: string;
  readonly kind: ActionStatusKind;
  /** The word at the end of its wire. */
  readonly word: string;
  /** Whether something is to be done before a thumb can give it wherever it is wanted. */
  readonly toDo: boolean;
  /** The moments it is wanted in (one null in a layout without moments), each with the names of the controls that serve it there. */
  readonly moments: readonly { readonly moment: string | null; readonly by: readonly string[] }[];
  /** The word that a control names and that was likely meant for this action, or null. */
  readonly near: string | null;
}

/** A control that gives nothing, or gives to a word nothing reads, or by a port that does not fit. */
export interface LooseEnd {
  readonly control: string;
  /** The index of the serve at fault; null where the control serves nothing at all. */
  readonly index: number | null;
  readonly word: string;
  /** The action that was likely meant. */
  readonly near: string | null;
}

/** Whether a serve gives anything to an action: the pair fits and lacks nothing. */
function gives(control: ControlKind, serve: Serve, action: Pick<Action, "name" | "kind">): boolean {
  return (
    serve.action === action.name &&
    hasPort(control, serve.port) &&
    portFits(serve.port, action.kind) &&
    serveLacks(serve.port, action.kind, serve.value, serve.scale) === null
  );
}

/** The controls that give to an action in some moment, in drawing order. */
export const serversOf = ({ controls }: Pick<Layout, "controls">, action: Pick<Action, "name" | "kind">) =>
  controls.filter((c) => (c.serves as readonly Serve[]).some((s) => gives(c.kind, s, action)));

/** How every action of a layout is, in the layout's order. */
export function actionStatuses(layout: Pick<Layout, "actions" | "controls" | "moments">): ActionStatus[] {
  const names = new Set(layout.actions.map((a) => a.name));
  const strays = [...new Set(layout.controls.flatMap((c) => (c.serves as readonly Serve[]).map((s) => s.action)))].filter((word) => !names.has(word));
  const named = byId(layout.moments);
  const known = [...names];
  return layout.actions.map((action): ActionStatus => {
    const servers = serversOf(layout, action);
    const wanted: readonly (string | null)[] = layout.moments.length === 0 ? [null] : action.moments;
    const moments = wanted.map((moment) => ({
      moment,
      by: servers.filter((c) => moment === null || c.moments.includes(moment)).map((c) => c.name),
    }));
    const bare = moments.filter((m) => m.by.length === 0).map((m) => m.moment);
    const near = strays.find((word) => nearestWord(word, known) === action.name) ?? null;
    const hardware = hardwareEnds(action).length > 0;
    const status = (kind: ActionStatusKind, word: string, toDo = false): ActionStatus => ({ name: action.name, kind, word, toDo, moments, near });
    if (!action.read) return status("not-read", "not read");
    if (action.touch === "never")
      return servers.length > 0
        ? status("desk-only", "marked desktop only, but has a touch control")
        : hardware
          ? status("desk-only", "desktop only")
          : status("idle", "desktop only, no key yet");
    if (wanted.length === 0) return status("idle", "in no moment");
    if (bare.length > 0) {
      const all = bare.length === wanted.length;
      const word = all ? "no touch control" : `no touch control ${bare.map((m) => `in ${named.get(m!)?.name ?? m!}`).join(", ")}`;
      return near === null ? status(all ? "unserved" : "part", word, true) : status("misspelt", `${word}; nearly ${near}`, true);
    }
    const most = Math.max(...moments.map((m) => m.by.length));
    const times = most === 1 ? "served" : most === 2 ? "served twice" : `served ${most} times`;
    return hardware ? status("served", times) : status("touch-only", `${times}, touch only`);
  });
}

/** Where controls lead nowhere, in drawing order. */
export function looseEnds(layout: Pick<Layout, "actions" | "controls">): LooseEnd[] {
  const actions = byName(layout.actions);
  const names = [...actions.keys()];
  return layout.controls.flatMap((control): LooseEnd[] => {
    const serves = control.serves as readonly Serve[];
    if (serves.length === 0) return [{ control: control.id, index: null, word: "serves nothing", near: null }];
    return serves.flatMap((serve, index): LooseEnd[] => {
      const action = actions.get(serve.action);
      if (!action) {
        const near = nearestWord(serve.action, names);
        return [{ control: control.id, index, word: near === null ? "the game does not read this" : `nearly ${near}`, near }];
      }
      if (!hasPort(control.kind, serve.port)) return [{ control: control.id, index, word: `${withArticle(control.kind)} has no ${serve.port}`, near: null }];
      if (!portFits(serve.port, action.kind)) return [{ control: control.id, index, word: `does not fit ${withArticle(action.kind)}`, near: null }];
      const lacks = serveLacks(serve.port, action.kind, serve.value, serve.scale);
      return lacks === null ? [] : [{ control: control.id, index, word: lacks, near: null }];
    });
  });
}

/** One thing left to do: an action that a thumb cannot give everywhere, or a control that leads nowhere. */
export type ToDo = { readonly kind: "action"; readonly name: string } | { readonly kind: "control"; readonly id: string };

/** All that remains to do, actions first. A control whose word is nearly that of an action told already is not told again. */
export function leftToDo(layout: Pick<Layout, "actions" | "controls" | "moments">): ToDo[] {
  const actions = actionStatuses(layout).filter((s) => s.toDo);
  const told = new Set(actions.flatMap((s) => (s.near === null ? [] : [s.name])));
  const controls = new Set(looseEnds(layout).flatMap((e) => (e.near !== null && told.has(e.near) ? [] : [e.control])));
  return [...actions.map((s): ToDo => ({ kind: "action", name: s.name })), ...[...controls].map((id): ToDo => ({ kind: "control", id }))];
}

/** Several actions on one desk end in one moment: each of them is given at once. */
export interface Clash {
  readonly end: string;
  readonly actions: readonly string[];
  /** The moment in which it is so, or null where there are no moments. */
  readonly moment: string | null;
}

/** Every desk end that gives to two actions or more in the same moment; each end once, with the first such moment. */
export function hardwareClashes(layout: Pick<Layout, "actions" | "moments">): Clash[] {
  const byEnd = new Map<string, Action[]>();
  for (const action of layout.actions) for (const end of hardwareEnds(action)) byEnd.set(end, [...(byEnd.get(end) ?? []), action]);
  const moments: readonly (string | null)[] = layout.moments.length === 0 ? [null] : layout.moments.map((m) => m.id);
  return [...byEnd].flatMap(([end, actions]) => {
    for (const moment of moments) {
      const here = actions.filter((a) => a.read && (moment === null || a.moments.includes(moment)));
      if (here.length > 1) return [{ end, actions: here.map((a) => a.name), moment }];
    }
    return [];
  });
}

/** The main mouse button: on glass every touch gives it too. */
export const MAIN_MOUSE = "mouse 0";
