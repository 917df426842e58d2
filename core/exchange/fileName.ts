/** A name as that of a file. */

/** A layout's where no other ending is given: letters, digits and hyphens; a name that has none of them becomes "layout". */
export function fileNameFor(name: string, ending = ".nodulum.json"): string {
  const bare = name
    .normalize("NFKD")
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "")
    .toLowerCase();
  return `${bare || "layout"}${ending}`;
}
