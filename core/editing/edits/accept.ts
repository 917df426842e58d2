/** Findings someone has looked at and lives with. */
import { refused, type Result } from "../../engine/result";
import type { Layout } from "../../format/types";
import { checked } from "./checked";

interface Named {
  readonly code: string;
  readonly subjects: readonly string[];
}

const isSame = (a: Named, b: Named) => a.code === b.code && a.subjects.length === b.subjects.length && a.subjects.every((s) => b.subjects.includes(s));

/** Accepts a finding with a reason; an earlier reason is replaced. */
export function accept(layout: Layout, finding: Named, reason: string): Result<Layout> {
  if (reason.trim() === "") return refused("accepted", "enter a reason; it is shown next to the finding");
  const entry = { code: finding.code, subjects: [...finding.subjects], reason: reason.trim() };
  return checked(layout, { ...layout, accepted: [...layout.accepted.filter((a) => !isSame(a, finding)), entry] });
}

/** Takes an acceptance back. */
export function unaccept(layout: Layout, finding: Named): Result<Layout> {
  return checked(layout, { ...layout, accepted: layout.accepted.filter((a) => !isSame(a, finding)) });
}
