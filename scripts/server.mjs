/**
 * Serves the built application by Next's production server, behind scripts/front.mjs.
 *
 * `node scripts/server.mjs [PORT] [FOLDER]`, or `serve()` from elsewhere. NODULUM_HOST says where it listens (127.0.0.1), NODULUM_NAMES (names with
 * commas between) by which names in addition localhost, 127.0.0.1 and [::1] it may be asked. FOLDER: of the project that is built, this one's.
 */
import { join, resolve } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { readBuilt } from "./built.mjs";
import { createFront } from "./front.mjs";

/** Serves; gives the server when it listens. `times`: see front.mjs. */
export async function serve(port, { folder = fileURLToPath(new URL("..", import.meta.url)), host = process.env.NODULUM_HOST ?? "127.0.0.1", times } = {}) {
  const names = (process.env.NODULUM_NAMES ?? "")
    .split(",")
    .map((name) => name.trim())
    .filter((name) => name !== "");
  const { pages, files } = readBuilt(folder);
  // The routes find their threads from here.
  process.chdir(folder);
  const { default: next } = await import("next");
  const application = next({ dev: false, dir: folder, hostname: host, port });
  const server = createFront({ pages, files, handle: application.getRequestHandler(), names, times });
  await application.prepare();
  return new Promise((done, reject) => {
    server.once("error", reject);
    server.listen(port, host, () => done(server));
  });
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const server = await serve(Number(process.argv[2] ?? 4310), process.argv[3] ? { folder: resolve(join(process.argv[3])) } : {});
  console.log(`Nodulum is at http://127.0.0.1:${server.address().port}`);
}
