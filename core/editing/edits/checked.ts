/** The last step of every edit: a change that would break the file is refused with the reason, and nothing has changed. */
import type { z } from "zod";
import { ok, type Problem, type Result } from "../../engine/result";
import { byId } from "../../derived/byId";
import { plainAction, plainArrangement, plainControl, plainOrientation, plainZone } from "../../format/dependent";
import { readThrough, problemsToTell } from "../../format/readThrough";
import { LISTS } from "../../format/limits";
import { referenceProblems } from "../../format/references";
import { controlsSchema } from "../../format/schema/control";
import { actionSchema, fileSchema } from "../../format/schema/file";
import type { Control, Layout } from "../../format/types";

/** Accepts a changed layout if its references hold and the pieces that changed pass the schema. `before` must be sound; only what differs from it is read again. */
export function checked(before: Layout, after: Layout): Result<Layout> {
  if (after === before) return ok(before);
  const { moments } = after;
  const problems: Problem[] = [
    ...changedItems("actions", [before.actions, after.actions], actionSchema, (action) => plainAction(action, moments)),
    ...changedItems("controls", [before.controls, after.controls], controlsSchema, (control) => plainControl(control, moments)),
  ];
  for (const list of ["controls", "actions"] as const) if (after[list].length > LISTS[list].most) problems.push({ path: list, message: LISTS[list].words });
  for (const key of Object.keys(fileSchema.shape) as (keyof Layout)[]) {
    if (key === "controls" || key === "actions" || after[key] === before[key]) continue;
    const read = readThrough(fileSchema.shape[key], plainKey(after, key));
    if (!read.ok) problems.push(...under(key, read.problems));
  }
  if (problems.length === 0) problems.push(...referenceProblems(after));
  return problems.length > 0 ? { ok: false, problems: problemsToTell(problems) } : ok(after);
}

/** What is under a key, as the file has it. */
function plainKey(layout: Layout, key: keyof Layout): unknown {
  switch (key) {
    case "orientation":
      return plainOrientation(layout);
    case "keepClear":
      return layout.keepClear.map((zone) => plainZone(zone, layout.moments));
    case "arrangements":
      return layout.arrangements.map((arrangement) => plainArrangement(arrangement, (id) => byId(layout.controls).get(id)?.kind));
    default:
      return layout[key];
  }
}

/** The problems of those items of a list that were not in it before. */
function changedItems<T>(list: string, [before, after]: readonly [readonly T[], readonly T[]], schema: z.ZodType, plain: (item: T) => unknown): Problem[] {
  if (before === after) return [];
  const known = new Set(before);
  return after.flatMap((item, i) => {
    if (known.has(item)) return [];
    const read = readThrough(schema, plain(item));
    return read.ok ? [] : under(`${list}[${i}]`, read.problems);
  });
}

function under(path: string, problems: readonly Problem[]): Problem[] {
  return problems.map((p) => ({ ...p, path: p.path === "" ? path : p.path.startsWith("[") ? path + p.path : `${path}.${p.path}` }));
}

/** The layout with one control changed. */
export function withControl(layout: Layout, id: string, change: (control: Control) => Control): Result<Layout> {
  if (!layout.controls.some((c) => c.id === id)) return { ok: false, problems: [{ path: "controls", message: `there is no control "${id}"` }] };
  return checked(layout, { ...layout, controls: layout.controls.map((c) => (c.id === id ? change(c) : c)) });
}
