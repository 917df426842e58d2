import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { COMMON_WORDS } from "./commonWords";

const root = process.cwd();
const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : /(?<!\.test)\.ts$/.test(name) ? [path] : [];
  });

/** The names that a file gives out. */
function exportedNames(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.ESNext, true);
  const isGiven = (node: ts.Statement) => ts.canHaveModifiers(node) && (ts.getModifiers(node) ?? []).some((m) => m.kind === ts.SyntaxKind.ExportKeyword);
  return source.statements.flatMap((node) => {
    if (ts.isExportDeclaration(node) && node.exportClause && ts.isNamedExports(node.exportClause)) return node.exportClause.elements.map((e) => e.name.text);
    if (!isGiven(node)) return [];
    if (ts.isVariableStatement(node)) return node.declarationList.declarations.map((d) => d.name.getText(source));
    const { name } = node as ts.Statement & { name?: ts.Identifier };
    return name ? [name.text] : [];
  });
}

/** The words of a name: "hitAreaOf", "HIT_AREA" → hit, area, of. */
const wordsOf = (name: string): string[] =>
  name
    .replace(/([a-z0-9])([A-Z])/g, "$1 $2")
    .replace(/([A-Z]+)([A-Z][a-z])/g, "$1 $2")
    .split(/[ _0-9]+/)
    .filter((word) => word !== "")
    .map((word) => word.toLowerCase());

const singular = (word: string): string[] => [word, word.replace(/ies$/, "y"), word.replace(/e?s$/, ""), word.replace(/s$/, "")];

const glossary = readFileSync(join(root, "docs", "GLOSSARY.md"), "utf8");
const entries = [...glossary.matchAll(/^- \*\*(.+?)\*\* — (.+)$/gm)].map(([, words, meaning]) => ({ words: words.split(/, ?/), meaning }));
const told = new Set(
  entries.flatMap(({ words }) => words.flatMap((word) => [word, ...wordsOf(word.replace(/-/g, " ").replace(/ /g, "_"))])).map((w) => w.toLowerCase()),
);
const names = filesIn(join(root, "core")).flatMap((file) => exportedNames(file).map((name) => ({ name, file: file.slice(root.length + 1) })));

test("every name that the core gives out is made of everyday words, or of words that the glossary tells", () => {
  const known = (word: string) => singular(word).some((w) => COMMON_WORDS.has(w) || told.has(w));
  const strange = names.filter(({ name }) => !told.has(name.toLowerCase()) && !wordsOf(name).every(known));
  expect(
    strange.map(
      ({ name, file }) =>
        `${name} in ${file}: ${wordsOf(name)
          .filter((w) => !known(w))
          .join(", ")}`,
    ),
  ).toEqual([]);
});

test("the glossary tells each word once, in a line, in order", () => {
  expect(entries.length).toBeGreaterThan(120);
  const sections = glossary.split(/^## /m).slice(1);
  const heads = sections.map((section) => [...section.matchAll(/^- \*\*(.+?)\*\*/gm)].map(([, word]) => word.toLowerCase()));
  for (const list of heads) expect(list).toEqual([...list].sort((a, b) => (a < b ? -1 : 1)));
  const all = heads.flat();
  expect(all.filter((word, i) => all.indexOf(word) !== i)).toEqual([]);
  expect(glossary.split("\n").filter((line) => line.startsWith("- ") && !/^- \*\*.+?\*\* — .+\.$/.test(line))).toEqual([]);
});

test("no name of the core speaks in a word that was given up for having several meanings", () => {
  const givenUp = [
    "sight",
    "sights",
    "spot",
    "spots",
    "tie",
    "ties",
    "twin",
    "twins",
    "stand",
    "stands",
    "standing",
    "mend",
    "mends",
    "meaning",
    "meanings",
    "desk",
    "pull",
    "pulls",
    "judge",

    "due",
    "given",
    "ground",
  ];
  expect(names.filter(({ name }) => wordsOf(name).some((word) => givenUp.includes(word)))).toEqual([]);
});

/** Files that hold what a subject needs rather than one thing, and are called after the subject. */
const KNOWN_BY_SUBJECT = [
  "core/editing/arithmetic.ts",
  "core/editing/placing.ts",
  "core/engine/geometry/tolerances.ts",
  "core/engine/input/combine.ts",
  "core/engine/input/directions.ts",
  "core/engine/input/kinds.ts",
  "core/engine/placement/scale.ts",
  "core/engine/types.ts",
  "core/format/schema/parts.ts",
  "core/format/types.ts",
];

test("files are called after what is in them: one of their names, or the word that all of them share", () => {
  const folders = filesIn(join(root, "core")).filter((file) => exportedNames(file).length > 0);
  const stray = folders.filter((file) => {
    const own = wordsOf(file.split("/").at(-1)!.replace(/\.ts$/, ""));
    const given = exportedNames(file).flatMap(wordsOf).flatMap(singular);
    return !own.some((word) => singular(word).some((w) => given.includes(w)));
  });
  expect(stray.map((file) => file.slice(root.length + 1))).toEqual(KNOWN_BY_SUBJECT);
});
