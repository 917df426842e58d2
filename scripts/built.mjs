/** What a build holds that a browser may ask for: pages, scripts, styles, fonts, and the files of public/. */
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { join, relative, sep } from "node:path";

function filesUnder(dir) {
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? filesUnder(join(dir, entry.name)) : [join(dir, entry.name)]));
}
const pathsUnder = (dir) => filesUnder(dir).map((file) => relative(dir, file).split(sep).join("/"));

/** Pages that are none of the application's. */
const NO_PAGE = /^_/;

/** The build of the project in `folder`: its pages, path to HTML, and its other files, path to where they are. */
export function readBuilt(folder) {
  const app = join(folder, ".next", "server", "app");
  if (!existsSync(join(app, "layout.html"))) throw new Error("The application is not built yet: npm start builds it.");
  const names = readdirSync(app).filter((name) => name.endsWith(".html") && !NO_PAGE.test(name));
  const pages = new Map(names.map((name) => [`/${name.slice(0, -".html".length)}`, readFileSync(join(app, name), "utf8")]));
  const fixed = join(folder, ".next", "static");
  const own = join(folder, "public");
  const files = new Map([
    ...pathsUnder(fixed).map((path) => [`/_next/static/${path}`, join(fixed, path)]),
    ...pathsUnder(own).map((path) => [`/${path}`, join(own, path)]),
  ]);
  return { pages, files };
}
