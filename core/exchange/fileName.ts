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

/** File names that are used once: the second of the same name is numbered before its ending, and so on. */
export function fileNamesOnce(): (name: string, ending: string) => string {
  const used = new Set<string>();
  return (name, ending) => {
    let file = fileNameFor(name, ending);
    for (let n = 2; used.has(file); n += 1) file = fileNameFor(name, `-${n}${ending}`);
    used.add(file);
    return file;
  };
}
