import { readFileSync } from "node:fs";
import { architectureSvg, folderImports } from "./graph";
import { lockedPackages, thirdPartyPage } from "./licences";
import { findingsPage, formatPage } from "./pages";
import { playedPage } from "./playedPage";
import { wordsModule } from "./wordsModule";

test.each([
  ["THIRD-PARTY.md", (page: string) => thirdPartyPage(page)],
  ["docs/architecture.svg", (_: string) => architectureSvg()],
  ["docs/FINDINGS.md", (_: string) => findingsPage()],
  ["views/words/glossary.ts", (_: string) => wordsModule(readFileSync("docs/GLOSSARY.md", "utf8"))],
  ["docs/FORMAT.md", formatPage],
  ["docs/PLAYED.md", playedPage],
])("%s is as the code has it (npm run docs writes it anew)", (file, page) => {
  const text = readFileSync(file, "utf8");
  expect(page(text)).toBe(text);
});

test("every package that is locked is named with its licence; whatever is bundled counts as shipped", () => {
  const lock = JSON.parse(readFileSync("package-lock.json", "utf8")) as Parameters<typeof lockedPackages>[0];
  const packages = lockedPackages(lock);
  const page = readFileSync("THIRD-PARTY.md", "utf8");
  expect(packages.filter((p) => p.licence === "not stated")).toEqual([]);
  for (const { name, version } of packages) expect(page).toContain(`${name} ${version}`);
  for (const licence of ["LGPL-3.0-or-later", "MPL-2.0", "CC-BY-4.0", "OFL-1.1"]) expect(page).toContain(`**${licence}**`);
  const shipped = new Set(packages.filter((p) => p.shipped).map((p) => p.name));
  const { dependencies } = JSON.parse(readFileSync("package.json", "utf8")) as { dependencies: Readonly<Record<string, string>> };
  expect(Object.keys(dependencies).filter((name) => !shipped.has(name))).toEqual(["@tailwindcss/postcss", "esbuild", "tailwindcss"]);
});

test("the worked example comes to what its text says", () => {
  const page = readFileSync("docs/FORMAT.md", "utf8");
  expect(page).toContain("One unit is 2 px.");
  expect(page).toContain("| `helm` | 200, 480, 400, 400 | 160, 440, 480, 480 | 200 |");
  expect(page).toContain("| `horn` | 2226, 480, 120, 120 | 2196, 450, 180, 180 | – |");
});

test("the example of the played file comes to what was worked out by hand", () => {
  const page = readFileSync("docs/PLAYED.md", "utf8");
  expect(page).toContain("One unit is 2 px.");
  expect(page).toContain("| `helm` | 200, 500, 400, 400 | 180, 480, 440, 440 | 200 |");
  expect(page).toContain("| `horn` | 1700, 650, 200, 200 | 1680, 630, 240, 240 | – |");
  expect(page).toContain("| 1 | 20 | [0.3375,0.45] | false |");
  expect(page).toContain("| 2 | 40 | [0.3375,0.45] | true |");
  expect(page).toContain("| 3 | 60 | [0.3375,0.45] | false |");
});

test("the drawn graph has every import between folders, and the engine imports nothing", () => {
  const imports = folderImports();
  expect([...imports.get("core/engine")!]).toEqual([]);
  expect([...imports.get("runtime")!]).toEqual(["core/engine"]);
  expect([...imports.get("app")!].sort()).toEqual(["server", "views"]);
  expect(imports.get("views")!.has("core/settle")).toBe(true);
});
