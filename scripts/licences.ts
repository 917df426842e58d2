/** THIRD-PARTY.md: every package that is shipped or installed with its licence, from package-lock.json; and the texts of those that are shipped. */
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";

interface Locked {
  readonly version: string;
  readonly license?: string;
  readonly dev?: boolean;
  readonly optional?: boolean;
  readonly devOptional?: boolean;
}
interface Package extends Locked {
  readonly name: string;
  /** Where it is installed, from the project's folder. */
  readonly path: string;
  readonly licence: string;
  readonly shipped: boolean;
}

/** Packages that are needed to build, or on the way to the page, and of which nothing is in what is served or in the command line. */
const NOT_SHIPPED =
  /^(?:@alloc\/|@img\/|@jridgewell\/|@next\/(?:env|swc)|@tailwindcss\/|@emnapi\/|@esbuild\/|baseline-browser-mapping$|caniuse-lite$|detect-libc$|enhanced-resolve$|esbuild$|graceful-fs$|jiti$|lightningcss|magic-string$|nanoid$|picocolors$|postcss$|sharp$|source-map-js$|tailwindcss$|tapable$)/;

/** What the lock file says to be installed, wherever; sorted by name. */
export function lockedPackages(lock: { readonly packages: Readonly<Record<string, Locked>> }): readonly Package[] {
  return Object.entries(lock.packages)
    .filter(([path]) => path !== "")
    .map(([path, locked]) => {
      const name = path.slice(path.lastIndexOf("node_modules/") + "node_modules/".length);
      const isOptional = locked.dev === true || locked.optional === true || locked.devOptional === true;
      return { ...locked, name, path, licence: locked.license ?? licenceIn(path), shipped: !isOptional && !NOT_SHIPPED.test(name) };
    })
    .sort((a, b) => (a.name === b.name ? (a.version < b.version ? -1 : 1) : a.name < b.name ? -1 : 1));
}

function licenceIn(path: string): string {
  const file = join(path, "package.json");
  const { license } = existsSync(file) ? (JSON.parse(readFileSync(file, "utf8")) as { license?: string }) : {};
  return license ?? "not stated";
}

/** The licence text that a package brings along; null where it brings none. */
function textIn({ path }: Package): string | null {
  const file = readdirSync(path).find((name) => /^licen[cs]e(?:\.md|\.txt|-mit)?$/i.test(name));
  return file === undefined ? null : readFileSync(join(path, file), "utf8").replace(/\r\n/g, "\n").trim();
}

const named = ({ name, version }: Package) => `${name} ${version}`;

function table(packages: readonly Package[]): string {
  const licences = [...new Set(packages.map((p) => p.licence))].sort();
  return licences
    .map((licence) => {
      const own = [...new Set(packages.filter((p) => p.licence === licence).map(named))];
      return `**${licence}** (${own.length}): ${own.join(", ")}`;
    })
    .join("\n\n");
}

/** The texts of what is shipped, each once, with the packages that it is of. */
function texts(packages: readonly Package[]): string {
  const byText = new Map<string, string[]>();
  for (const p of packages) {
    const text = textIn(p) ?? `(${p.name} brings no text of its licence along; it says that it is under ${p.licence}.)`;
    byText.set(text, [...(byText.get(text) ?? []), named(p)]);
  }
  return [...byText].map(([text, names]) => `### ${names.join(", ")}\n\n\`\`\`\n${text.replaceAll("```", "'''")}\n\`\`\``).join("\n\n");
}

const BEGIN = "<!-- from package-lock.json by npm run docs -->";

/** THIRD-PARTY.md with its generated part written again. */
export function thirdPartyPage(page: string, lock: Parameters<typeof lockedPackages>[0] = JSON.parse(readFileSync("package-lock.json", "utf8"))): string {
  const packages = lockedPackages(lock);
  const shipped = packages.filter((p) => p.shipped);
  const others = packages.filter((p) => !p.shipped);
  const [kept] = page.split(BEGIN);
  return `${kept.trimEnd()}

${BEGIN}

## Shipped

What is served to a browser, and what is in the command line's bundle, is made of these packages.

${table(shipped)}

## Installed, not shipped

Needed to build and test the project on one machine or another; nothing of them is in what is handed on. Among them are packages under licences that ask for more of those who do: LGPL (libvips, an optional part of the framework that is not used), MPL (a style sheet compiler, an accessibility checker), CC-BY (tables of what browsers can do).

${table(others)}

## The texts

${texts(shipped)}
`;
}
