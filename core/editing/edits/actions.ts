/** Edits of actions: add, remove, rename with all that refers to them, kind, keys; and of what serves them. */
import { refused, type Result } from "../../engine/result";
import { actionSchema } from "../../format/schema/file";
import type { Action, ActionKind, Control, Layout, Serve } from "../../format/types";
import { checked, withControl } from "./checked";

/** A new action with every default, wanted in every moment. */
export function newAction(layout: Layout, name: string, kind: ActionKind): Action {
  return { ...actionSchema.parse({ name: "x", kind }), name, moments: layout.moments.map((m) => m.id) };
}

export function addAction(layout: Layout, name: string, kind: ActionKind): Result<Layout> {
  if (layout.actions.some((a) => a.name === name)) return refused("actions", `there is already an action \`${name}\`; names must be unique`);
  return checked(layout, { ...layout, actions: [...layout.actions, newAction(layout, name, kind)] });
}

/** Removes an action. Controls that serve it go on naming it, which the findings then say; together sets lose it. */
export function removeAction(layout: Layout, name: string): Result<Layout> {
  if (!layout.actions.some((a) => a.name === name)) return refused("actions", `there is no action \`${name}\``);
  return checked(layout, {
    ...layout,
    actions: layout.actions.filter((a) => a.name !== name),
    together: layout.together
      .map((t) => (t.actions.includes(name) ? { ...t, actions: t.actions.filter((a) => a !== name) } : t))
      .filter((t) => t.actions.length > 1),
  });
}

/** Renames an action; serves, together sets and accepted findings follow. */
export function renameAction(layout: Layout, from: string, to: string): Result<Layout> {
  if (from === to) return checked(layout, layout);
  if (layout.actions.some((a) => a.name === to)) return refused("actions", `there is already an action \`${to}\`; names must be unique`);
  const swap = (name: string) => (name === from ? to : name);
  return checked(layout, {
    ...layout,
    actions: layout.actions.map((a) => (a.name === from ? { ...a, name: to } : a)),
    controls: layout.controls.map((c) => mapServes(c, (s) => (s.action === from ? { ...s, action: to } : s))),
    together: layout.together.map((t) => (t.actions.includes(from) ? { ...t, actions: t.actions.map(swap) } : t)),
    accepted: layout.accepted.map((a) => (a.code.startsWith("bind/") && a.subjects.includes(from) ? { ...a, subjects: a.subjects.map(swap) } : a)),
  });
}

/** Changes fields of an action other than its name. */
export function changeAction(layout: Layout, name: string, change: Partial<Omit<Action, "name">>): Result<Layout> {
  if (!layout.actions.some((a) => a.name === name)) return refused("actions", `there is no action \`${name}\``);
  return checked(layout, { ...layout, actions: layout.actions.map((a) => (a.name === name ? { ...a, ...change } : a)) });
}

function mapServes(control: Control, change: (serve: Serve) => Serve): Control {
  const serves = control.serves as Serve[];
  const next = serves.map(change);
  return next.every((s, i) => s === serves[i]) ? control : ({ ...control, serves: next } as Control);
}

/** Lets a control serve one thing more. */
export function bind(layout: Layout, id: string, serve: Serve): Result<Layout> {
  return withControl(layout, id, (c) => ({ ...c, serves: [...(c.serves as Serve[]), serve] }) as Control);
}

/** Takes one line out of what a control serves. */
export function unbind(layout: Layout, id: string, index: number): Result<Layout> {
  return withControl(layout, id, (c) => ({ ...c, serves: (c.serves as Serve[]).filter((_, i) => i !== index) }) as Control);
}

/** Changes one line of what a control serves. */
export function changeServe(layout: Layout, id: string, index: number, change: Partial<Serve>): Result<Layout> {
  return withControl(layout, id, (c) => ({ ...c, serves: (c.serves as Serve[]).map((s, i) => (i === index ? { ...s, ...change } : s)) }) as Control);
}

/** Takes over words that the game reads as actions wanted in every moment; a kind that is not known is a press. Words the ledger has are passed over. */
export function addActions(layout: Layout, words: readonly { readonly word: string; readonly kind: ActionKind | null }[]): Result<Layout> {
  const known = new Set(layout.actions.map((a) => a.name));
  const fresh = words.filter((w) => !known.has(w.word));
  return checked(layout, { ...layout, actions: [...layout.actions, ...fresh.map((w) => newAction(layout, w.word, w.kind ?? "press"))] });
}
