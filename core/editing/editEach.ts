/** The same edit to several things, one after the other: all of them, or none. */
import { ok, type Result } from "../engine/result";
import type { Layout } from "../format/types";

/** Applies an edit for every id; the first one that is refused refuses all. */
export function editEach(layout: Layout, ids: readonly string[], edit: (layout: Layout, id: string) => Result<Layout>): Result<Layout> {
  return ids.reduce<Result<Layout>>((result, id) => (result.ok ? edit(result.value, id) : result), ok(layout));
}
