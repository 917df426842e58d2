/**
 * After a build: writes out/sw.js, the service worker by which the application works without its server. What stands in it are the list of
 * files and a version made of their contents, so that another build is another worker. How it works is in service-worker.js.
 */
import { createHash } from "node:crypto";
import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import { fileURLToPath } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
/** What the application needs: pages, scripts, styles, fonts, icons. Payloads of a router that is not used, and the page of what is not there, are left out. */
const NEEDED = /\.(?:html|js|css|json|webmanifest|svg|png|ico|woff2)$/;
const LEFT_OUT = /^(?:404|_not-found|index)\.html$|^_next\/(?!static\/)|^sw\.js$|_(?:buildManifest|ssgManifest|clientMiddlewareManifest)\.js$/;

function filesUnder(dir) {
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? filesUnder(join(dir, entry.name)) : [join(dir, entry.name)]));
}

/** Writes the worker for what has been built. */
export function writeServiceWorker(out = join(root, "out")) {
  const files = filesUnder(out)
    .map((file) => relative(out, file).split(sep).join("/"))
    .filter((file) => NEEDED.test(file) && !LEFT_OUT.test(file))
    .sort();
  const version = createHash("sha256");
  const template = readFileSync(join(root, "scripts", "service-worker.js"), "utf8");
  version.update(template);
  for (const file of files) version.update(file).update(readFileSync(join(out, file)));
  const paths = files.map((file) => `/${file.replace(/\.html$/, "")}`);
  const text = template.replace('"VERSION"', JSON.stringify(version.digest("hex").slice(0, 16))).replace('["FILES"]', JSON.stringify(paths));
  writeFileSync(join(out, "sw.js"), text);
}
