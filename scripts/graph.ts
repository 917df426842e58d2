/** docs/architecture.svg: the folders and what they import, from the imports in the code. A folder stands above all that it imports. */
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, normalize } from "node:path";

/** The folders that are drawn; the folders of `core` one by one. */
const FOLDERS = ["app", "cli", "page", "parcels", "runtime", "samples", "server", "storage", "ui", "views", "workers"];
const IMPORT = /(?:from|import)\s*\(?\s*"(\.{1,2}\/[^"]+)"/g;

function* sourceFiles(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* sourceFiles(path);
    else if (/\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name)) yield path;
  }
}

const folderOf = (path: string): string => path.split("/").slice(0, path.startsWith("core/") ? 2 : 1).join("/"); // prettier-ignore

/** For each folder, the folders that it imports. */
export function folderImports(): Map<string, ReadonlySet<string>> {
  const cores = readdirSync("core").map((name) => `core/${name}`);
  const folders = [...FOLDERS, ...cores];
  return new Map(
    folders.map((folder) => {
      const imported = new Set<string>();
      for (const file of sourceFiles(folder))
        for (const [, specifier] of readFileSync(file, "utf8").matchAll(IMPORT)) imported.add(folderOf(normalize(join(dirname(file), specifier))));
      return [folder, new Set([...imported].filter((one) => one !== folder && folders.includes(one)))];
    }),
  );
}

/** The edges without those that follow from others. */
function directEdges(imports: ReadonlyMap<string, ReadonlySet<string>>): [string, string][] {
  const reaches = (from: string, to: string): boolean => [...imports.get(from)!].some((next) => next === to || reaches(next, to));
  return [...imports].flatMap(([from, list]) =>
    [...list].filter((to) => ![...list].some((other) => other !== to && reaches(other, to))).map((to): [string, string] => [from, to]),
  );
}

/** Rows from the bottom: a folder is one row above the highest that it imports. */
function rowsOf(imports: ReadonlyMap<string, ReadonlySet<string>>): string[][] {
  const level = (folder: string): number => Math.max(-1, ...[...imports.get(folder)!].map(level)) + 1;
  const rows: string[][] = [];
  for (const folder of imports.keys()) (rows[level(folder)] ??= []).push(folder);
  return rows;
}

const BOX = { w: 118, h: 28, gap: 70, rowGap: 36 };
const WIDTH = 860;

/** Draws the graph. Rows are ordered by the mean place of what they import, so that lines cross seldom. */
export function architectureSvg(): string {
  const imports = folderImports();
  const edges = directEdges(imports);
  const rows = rowsOf(imports);
  const height = rows.length * (BOX.h + BOX.rowGap) + BOX.rowGap;
  const at = new Map<string, { x: number; y: number }>();
  rows.forEach((row, level) => {
    const below = (folder: string) => {
      const places = edges.filter(([from]) => from === folder).map(([, to]) => at.get(to)!.x);
      return places.length === 0 ? WIDTH / 2 : places.reduce((a, b) => a + b, 0) / places.length;
    };
    const width = row.length * BOX.w + (row.length - 1) * BOX.gap;
    const sorted = row.map((folder) => ({ folder, key: below(folder) })).sort((a, b) => a.key - b.key || (a.folder < b.folder ? -1 : 1));
    sorted.forEach(({ folder }, i) => {
      at.set(folder, { x: (WIDTH - width) / 2 + i * (BOX.w + BOX.gap) + BOX.w / 2, y: height - (level + 1) * (BOX.h + BOX.rowGap) });
    });
  });
  const lines = edges.map(([from, to]) => {
    const [a, b] = [at.get(from)!, at.get(to)!];
    const [y, end] = [a.y + BOX.h, b.y];
    return `<path d="M${a.x} ${y}C${a.x} ${y + BOX.rowGap / 2} ${b.x} ${end - BOX.rowGap / 2} ${b.x} ${end}"/>`;
  });
  const boxes = [...at].map(([folder, { x, y }]) => {
    const fill = folder.startsWith("core/") ? "#E6E9FB" : "#FBFAF6";
    return `<rect x="${x - BOX.w / 2}" y="${y}" width="${BOX.w}" height="${BOX.h}" rx="3" fill="${fill}"/><text x="${x}" y="${y + 18}">${folder}</text>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" width="${WIDTH}" height="${height}" font-family="monospace" font-size="12" text-anchor="middle">
<title>Folders and what they import: a folder stands above all that it imports</title>
<rect width="${WIDTH}" height="${height}" fill="#F4F1EA"/>
<g fill="none" stroke="#6B7780">${lines.join("\n")}</g>
<g stroke="#18242E" stroke-width="1">${boxes.join("\n").replaceAll("<text", '<text stroke="none" fill="#18242E"')}</g>
</svg>
`;
}
