/** What a function gives that may refuse: a value, or the problems that stood in the way. */
export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** One reason for a refusal: `path` names the place (`controls[3].placement.size[0]`, empty for the whole), `message` says what is wrong and what to do. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

/** A result that holds a value. */
export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

/** A refusal with one reason. */
export function refused<T>(path: string, message: string): Result<T> {
  return { ok: false, problems: [{ path, message }] };
}

/** Problems as lines of text, place first, for a message or a terminal. */
export function problemText(problems: readonly Problem[], most = 8): string {
  const lines = problems.slice(0, most).map((p) => (p.path ? `${p.path}: ${p.message}` : p.message));
  if (problems.length > most) lines.push(`and ${problems.length - most} more`);
  return lines.join("\n");
}
