/** Why something was refused, in words that a sentence can end with; browsers do not always say. */
export function reasonOf(error: unknown): string {
  return error instanceof Error && error.message !== "" ? error.message : "the browser gave no reason";
}
