/**
 * After a build: writes public/sw.js, the service worker by which the application works without its server. What is in it are the list of
 * files and a version made of their contents, so that another build is another worker. How it works is in service-worker.js.
 */
import { createHash } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { readBuilt } from "./built.mjs";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
/** What no page asks for: itself, and lists for routers that are not used. */
const LEFT_OUT = /^\/sw\.js$|_(?:buildManifest|ssgManifest|clientMiddlewareManifest)\.js$/;

/** Writes the worker for what has been built. */
export function writeServiceWorker(folder = root) {
  const { pages, files } = readBuilt(folder);
  const template = readFileSync(join(root, "scripts", "service-worker.js"), "utf8");
  const version = createHash("sha256").update(template);
  const contents = [...pages, ...[...files].filter(([path]) => !LEFT_OUT.test(path)).map(([path, file]) => [path, readFileSync(file)])];
  contents.sort(([a], [b]) => (a < b ? -1 : 1));
  for (const [path, content] of contents) version.update(path).update(content);
  const paths = contents.map(([path]) => path);
  const text = template.replace('"VERSION"', JSON.stringify(version.digest("hex").slice(0, 16))).replace('["FILES"]', JSON.stringify(paths));
  writeFileSync(join(folder, "public", "sw.js"), text);
}
