/**
 * `node scripts/readability.mjs [--places] [FOLDER…]`: measures how the interface and the doc comments read. Prints words per sentence (median,
 * 95th percentile), the share of passive sentences, and how often words of a short list of archaic or private words occur; `--places` lists
 * where. A tool to find places, not a test.
 */
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join, relative } from "node:path";
import { root } from "./lib.mjs";

const args = process.argv.slice(2);
const showsPlaces = args.includes("--places");
const named = args.filter((arg) => !arg.startsWith("--"));
const FOLDERS = named.length > 0 ? named : ["app", "cli", "core", "page", "parcels", "runtime", "samples", "server", "storage", "ui", "views", "workers"];
/** Folders whose texts users read. */
const INTERFACE = /^(?:views|ui|app|page|cli|server|core\/(?:checks|report|handoff|settle))\//;
/** Words and phrases that a senior engineer would not write today, or that mean something of our own. */
const PRIVATE = [
  ...[
    "anew",
    "thereof",
    "whatever",
    "whoever",
    "wherever",
    "beside",
    "besides",
    "stands",
    "told",
    "tells",
    "graver",
    "gravest",
    "grave",
    "mend",
    "mends",
    "deeds",
  ],
  ...[
    "so many",
    "so much",
    "at the most",
    "at the least",
    "has to go",
    "of its own",
    "of one's own",
    "one's own",
    "is left",
    "comes to",
    "ready",
    "had of",
    "nothing of",
  ],
  ...["taken over", "copy", "given up", "told apart", "by themselves", "by itself", "as it were", "all the same"],
];
const PASSIVE =
  /\b(?:is|are|was|were|be|been|being)\s+(?:not\s+|never\s+|always\s+)?(?:\w+ed|told|kept|drawn|made|found|held|put|said|read|set|taken|given|shown|left|lost|sent|written|chosen|known|seen|done|thrown|begun|worn)\b/i;

function* filesIn(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* filesIn(path);
    else if (/\.(?:ts|tsx|mjs)$/.test(name) && !/\.test\.tsx?$/.test(name)) yield path;
  }
}

const lineOf = (text, at) => text.slice(0, at).split("\n").length;
const sentencesOf = (text) =>
  text
    .replace(/\s+/g, " ")
    .split(/(?<=[.!?])\s+(?=[A-Z“`])/)
    .map((sentence) => sentence.trim())
    .filter((sentence) => /[a-z]{2}/i.test(sentence));
const wordsOf = (sentence) => sentence.match(/[\p{L}\d][\p{L}\d'’-]*/gu) ?? [];

/** The doc comments of a source text. */
function* commentsIn(text) {
  for (const match of text.matchAll(/\/\*\*([\s\S]*?)\*\//g)) yield { at: match.index, text: match[1].replace(/^\s*\*\s?/gm, " ").replace(/@\w+/g, " ") };
}

/** The texts of the interface in a source: strings of three words and more that are no class names, and texts between tags. */
function* shownIn(source) {
  const text = source
    .replace(/\/\*[\s\S]*?\*\//g, (comment) => comment.replace(/[^\n]/g, " "))
    .replace(/^\s*(?:import|\/\/).*$/gm, (line) => " ".repeat(line.length));
  for (const match of text.matchAll(/(?<!className=)(?<!class=)(["`])((?:[^"`\\\n]|\\.){12,})\1/g)) {
    const said = match[2].replace(/\$\{[^}]*\}/g, "X");
    const isClass = /(?:^|\s)(?:[a-z]+:)?(?:[a-z]+-)+(?:\[|\d|[a-z])/.test(said) && !/[.,;:] |[A-Z]/.test(said);
    if (!isClass && wordsOf(said).length >= 3 && /[a-z] [a-z]/.test(said) && !/[{}=<>]|=>/.test(said)) yield { at: match.index, text: said };
  }
  for (const match of text.matchAll(/>\s*([A-Z“][^<>{}=;]{12,})</g)) if (wordsOf(match[1]).length >= 3) yield { at: match.index, text: match[1] };
}

function measure(title, found) {
  const sentences = found.flatMap(({ text }) => sentencesOf(text));
  const lengths = sentences.map((sentence) => wordsOf(sentence).length).sort((a, b) => a - b);
  const at = (part) => lengths[Math.min(lengths.length - 1, Math.floor(part * lengths.length))] ?? 0;
  const passive = sentences.filter((sentence) => PASSIVE.test(sentence)).length;
  console.log(
    `${title}: ${sentences.length} sentences, words per sentence: median ${at(0.5)}, 95th percentile ${at(0.95)}; passive: ${((100 * passive) / Math.max(1, sentences.length)).toFixed(0)} %`,
  );
  const counts = PRIVATE.map((word) => {
    const pattern = new RegExp(`(?<![\\w-])${word}(?![\\w-])`, "i");
    return { word, places: found.filter(({ text }) => pattern.test(text.replace(/\s+/g, " "))) };
  }).filter(({ places }) => places.length > 0);
  console.log(
    `  ${counts.reduce((sum, { places }) => sum + places.length, 0)} uses of listed words: ${counts
      .sort((a, b) => b.places.length - a.places.length)
      .map(({ word, places }) => `${word} ${places.length}`)
      .join(", ")}`,
  );
  if (showsPlaces)
    for (const { word, places } of counts)
      for (const { place, text } of places) console.log(`  ${place} “${word}”: ${text.replace(/\s+/g, " ").trim().slice(0, 160)}`);
}

const comments = [];
const shown = [];
for (const folder of FOLDERS)
  for (const path of filesIn(join(root, folder))) {
    const text = readFileSync(path, "utf8");
    const name = relative(root, path);
    const placed = (found) => [...found].map(({ at, text: said }) => ({ place: `${name}:${lineOf(text, at)}`, text: said }));
    comments.push(...placed(commentsIn(text)));
    if (INTERFACE.test(name)) shown.push(...placed(shownIn(text)));
  }
measure("Interface", shown);
measure("Doc comments", comments);
