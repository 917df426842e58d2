/** An older check to be held against: what it had already found does not fail. */
import { z } from "zod";
import type { Finding } from "../checks/finding";
import { readThrough } from "../format/readThrough";
import { readJson } from "../format/parseJson";
import { ok, type Result } from "../engine/result";

const baselineSchema = z.object({
  screens: z.array(
    z.object({
      name: z.string(),
      findings: z.array(z.object({ code: z.string(), severity: z.string(), subjects: z.array(z.string()), moment: z.string().nullable() })),
    }),
  ),
});

/** Whether a finding on a screen stood in the older check with at least the same severity. */
export type Baseline = (screen: string, finding: Finding) => boolean;

const RANK: Readonly<Record<string, number>> = { blocker: 3, warning: 2, note: 1 };

/** Reads the JSON that `check --format json` printed earlier. */
export function readBaseline(text: string): Result<Baseline> {
  const value = readJson(text);
  if (!value.ok) return value;
  const read = readThrough(baselineSchema, value.value);
  if (!read.ok) return read;
  const keyOf = (screen: string, f: { code: string; subjects: readonly string[]; moment: string | null }) =>
    JSON.stringify([screen, f.code, f.subjects, f.moment]);
  const known = new Map<string, number>();
  for (const { name, findings } of read.value.screens) for (const f of findings) known.set(keyOf(name, f), RANK[f.severity] ?? 0);
  return ok((screen, finding) => (known.get(keyOf(screen, finding)) ?? 0) >= RANK[finding.severity]);
}
