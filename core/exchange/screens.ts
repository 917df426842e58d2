/** Lists of screens as JSON. */
import { z } from "zod";
import { screenSchema } from "../layout/schema/file";
import { schemaProblems } from "../layout/parse";
import type { Screen } from "../layout/types";
import { ok, refused, type Result } from "../result";

/** Reads a JSON list of screens; each needs widthPx, heightPx and ppi, and gets a name from its px where it has none. */
export function readScreens(text: string): Result<Screen[]> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return refused("", `this is not JSON: ${error instanceof Error ? error.message : "it cannot be read"}`);
  }
  const read = z.array(screenSchema, "must be a list of screens").safeParse(value);
  if (!read.success) return { ok: false, problems: schemaProblems(read.error) };
  return ok(read.data.map((screen) => ({ ...screen, name: screen.name || `${screen.widthPx}×${screen.heightPx}` })));
}
