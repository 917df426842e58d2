/** The last step of every edit: a change that would break the file is refused with the reason, and nothing has changed. */
import { ok, type Result } from "../../result";
import { leaveOutDependent } from "../dependent";
import { schemaProblems } from "../parse";
import { referenceProblems } from "../references";
import { controlsSchema } from "../schema/control";
import { actionSchema, fileSchema } from "../schema/file";
import type { Control, Layout } from "../types";

type Edit = Result<Layout>;

/** Accepts a changed layout if its references hold and the pieces that changed pass the schema. `before` must be sound. */
export function checked(before: Layout, after: Layout): Edit {
  if (after === before) return ok(before);
  const plain = leaveOutDependent(after);
  const known = new Set<unknown>([...before.controls, ...before.actions]);
  for (const [i, control] of after.controls.entries()) {
    if (known.has(control)) continue;
    const read = controlsSchema.safeParse(plain.controls[i]);
    if (!read.success) return { ok: false, problems: schemaProblems(read.error).map((p) => ({ ...p, path: `controls[${i}].${p.path}` })) };
  }
  for (const [i, action] of after.actions.entries()) {
    if (known.has(action)) continue;
    const read = actionSchema.safeParse(plain.actions[i]);
    if (!read.success) return { ok: false, problems: schemaProblems(read.error).map((p) => ({ ...p, path: `actions[${i}].${p.path}` })) };
  }
  const { controls: _controls, actions: _actions, ...rest } = plain;
  const lists = { controls: after.controls.length, actions: after.actions.length };
  const head = fileSchema.omit({ controls: true, actions: true }).safeParse(rest);
  if (!head.success) return { ok: false, problems: schemaProblems(head.error) };
  if (lists.controls > 200 || lists.actions > 200) return { ok: false, problems: [{ path: lists.controls > 200 ? "controls" : "actions", message: "a layout holds at most 200" }] };
  const problems = referenceProblems(after);
  return problems.length > 0 ? { ok: false, problems } : ok(after);
}

/** The layout with one control changed. */
export function withControl(layout: Layout, id: string, change: (control: Control) => Control): Edit {
  if (!layout.controls.some((c) => c.id === id)) return { ok: false, problems: [{ path: "controls", message: `there is no control "${id}"` }] };
  return checked(layout, { ...layout, controls: layout.controls.map((c) => (c.id === id ? change(c) : c)) });
}
