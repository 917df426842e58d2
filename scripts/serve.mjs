/**
 * Serves the built application, and nothing else: the files of out/ by their exact names, read once at the start, and the routes of server/
 * (checks, the schema). No file system is touched for a request, nothing is kept of anybody. Node built-ins only.
 *
 * `node scripts/serve.mjs [PORT]`, or `createApplicationServer()` from elsewhere. NODULUM_HOST says where it listens (127.0.0.1), NODULUM_NAMES
 * (names with commas between) by which names besides localhost, 127.0.0.1 and [::1] it may be asked.
 */
import { createHash } from "node:crypto";
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { once } from "node:events";
import { createServer } from "node:http";
import { extname, join, relative, sep } from "node:path";
import { Readable } from "node:stream";
import { fileURLToPath, pathToFileURL } from "node:url";
import { gzipSync } from "node:zlib";
import { limitConnections } from "./connections.mjs";

const TYPES = {
  ".html": "text/html; charset=utf-8",
  ".js": "text/javascript; charset=utf-8",
  ".css": "text/css; charset=utf-8",
  ".json": "application/json",
  ".webmanifest": "application/manifest+json",
  ".svg": "image/svg+xml",
  ".png": "image/png",
  ".ico": "image/x-icon",
  ".woff2": "font/woff2",
  ".txt": "text/plain; charset=utf-8",
};
const TEXTS = new Set([".html", ".js", ".css", ".json", ".webmanifest", ".svg", ".txt"]);

/** Headers of every answer. A page's own policy comes besides. */
const ALWAYS = {
  "X-Content-Type-Options": "nosniff",
  "X-Frame-Options": "DENY",
  "Referrer-Policy": "no-referrer",
  // A page that is opened to play a layout in must be able to answer.
  "Cross-Origin-Opener-Policy": "same-origin-allow-popups",
  "Cross-Origin-Resource-Policy": "same-origin",
  // Pads are read; storage is the page's own. Everything else that a page could ask for is not asked for.
  "Permissions-Policy":
    "accelerometer=(), autoplay=(), browsing-topics=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), hid=(), magnetometer=(), microphone=(), midi=(), payment=(), serial=(), usb=(), gamepad=(self)",
};

/** The policy (CSP Level 3) of a page: scripts of its own and those inline ones whose digests are known; no eval; nothing from elsewhere. Styles are set by the script as well, which needs 'unsafe-inline' for them. */
export function policyFor(html) {
  const inline = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(([, text]) => text);
  const hashes = [...new Set(inline.map((text) => `'sha256-${createHash("sha256").update(text).digest("base64")}'`))];
  return [
    "default-src 'none'",
    `script-src 'self' ${hashes.join(" ")}`.trim(),
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join("; ");
}

function filesUnder(dir) {
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? filesUnder(join(dir, entry.name)) : [join(dir, entry.name)]));
}

/** The path under which a file is asked for: pages without their ending. */
const pathOf = (root, file) =>
  `/${relative(root, file)
    .split(sep)
    .join("/")
    .replace(/\.html$/, "")}`;

/** All there is to be served, by path. */
function readAll(root) {
  const served = new Map();
  for (const file of filesUnder(root)) {
    const ending = extname(file);
    const type = TYPES[ending];
    if (!type) continue;
    const body = readFileSync(file);
    const address = pathOf(root, file);
    const headers = {
      ...ALWAYS,
      "Content-Type": type,
      // What has a digest in its name never changes; all else is asked about each time, and mostly answered with 304.
      "Cache-Control": address.startsWith("/_next/static/") ? "public, max-age=31536000, immutable" : "no-cache",
      ETag: `"${createHash("sha256").update(body).digest("base64url").slice(0, 27)}"`,
      "Content-Security-Policy": policyFor(ending === ".html" ? body.toString("utf8") : ""),
    };
    served.set(address, { body, packed: TEXTS.has(ending) ? null : undefined, headers });
  }
  return served;
}

/** The host of a Host header without its port, in lower case; null where it is no host with a port of 0 to 65535. */
function hostOf(header) {
  const match = /^(\[[0-9a-f:.]+\]|[a-z0-9.-]+)(?::(\d{1,5}))?$/i.exec(header ?? "");
  return match && Number(match[2] ?? 0) <= 65_535 ? match[1].toLowerCase() : null;
}

/** Answers by a route handler: a request of the Fetch standard in, its answer out, piece by piece. Whoever goes away ends the work. */
async function answerByRoute(route, request, response) {
  const gone = new AbortController();
  response.on("close", () => gone.abort());
  const asked = new Request(`http://${request.headers.host}${request.url}`, {
    method: request.method,
    signal: gone.signal,
    headers: Object.entries(request.headers).flatMap(([name, value]) => (typeof value === "string" ? [[name, value]] : [])),
    ...(request.method === "POST" ? { body: Readable.toWeb(request), duplex: "half" } : {}),
  });
  const answer = await route.handle(asked);
  const usual = { ...ALWAYS, "Content-Security-Policy": "default-src 'none'", "Cache-Control": "no-store" };
  const own = Object.fromEntries(answer.headers);
  // Two policies would both hold: what an answer says itself takes the place of what is usual.
  for (const name of Object.keys(usual)) if (name.toLowerCase() in own) delete usual[name];
  response.writeHead(answer.status, { ...usual, ...own });
  const pieces = answer.body?.getReader();
  for (let piece = await pieces?.read(); piece && !piece.done; piece = await pieces.read()) {
    if (response.destroyed) return void pieces.cancel().catch(() => undefined);
    if (!response.write(piece.value)) await Promise.race([once(response, "drain"), once(response, "close")]);
  }
  response.end();
}

/**
 * A server of the files under `root`, not listening yet. `allowedHosts`: names besides those of this machine by which it may be asked; `routes`:
 * what is answered by a handler, by path; `times`: how long a request and its headers may take to arrive, and how often that is looked at, ms.
 */
export function createApplicationServer(root, allowedHosts = [], routes = new Map(), times = {}) {
  const served = readAll(root);
  const hosts = new Set(["localhost", "127.0.0.1", "[::1]", ...allowedHosts.map((host) => host.toLowerCase())]);
  const plain = (response, status, text, more = {}) => {
    response.writeHead(status, { ...ALWAYS, "Content-Type": "text/plain; charset=utf-8", "Content-Security-Policy": "default-src 'none'", ...more });
    response.end(`${text}\n`);
  };
  const answer = (request, response) => {
    // A page elsewhere whose name has been turned to this machine's address must not reach what is here (DNS rebinding).
    const host = hostOf(request.headers.host);
    if (host === null) return plain(response, 400, "The Host header is not a host name with a port.", { Connection: "close" });
    if (!hosts.has(host)) return plain(response, 421, "This server is asked by another name than its own. Name it in NODULUM_NAMES.", { Connection: "close" });
    const route = routes.get(request.url.split("?")[0]);
    if (route) {
      if (request.method !== route.method) return plain(response, 405, `Only ${route.method}.`, { Allow: route.method, Connection: "close" });
      return void answerByRoute(route, request, response).catch(() => {
        if (!response.headersSent) plain(response, 500, "The request could not be answered.", { Connection: "close" });
        else response.destroy();
      });
    }
    if (request.method !== "GET" && request.method !== "HEAD") return plain(response, 405, "Only GET and HEAD.", { Allow: "GET, HEAD", Connection: "close" });
    const path = request.url.split("?")[0];
    if (path === "/") return plain(response, 307, "The welcome is at /welcome.", { Location: "/welcome" });
    const found = served.get(path);
    if (!found) return plain(response, 404, "There is nothing here. The bench is at /layout.");
    if (request.headers["if-none-match"] === found.headers.ETag) {
      response.writeHead(304, found.headers);
      return response.end();
    }
    let { body } = found;
    const headers = { ...found.headers };
    if (found.packed !== undefined) {
      headers.Vary = "Accept-Encoding";
      if (/\bgzip\b/.test(request.headers["accept-encoding"] ?? "")) {
        body = found.packed ??= gzipSync(found.body, { level: 9 });
        headers["Content-Encoding"] = "gzip";
      }
    }
    response.writeHead(200, { ...headers, "Content-Length": body.length });
    response.end(request.method === "HEAD" ? undefined : body);
  };
  const server = createServer(
    { maxHeaderSize: 16_384, requestTimeout: 15_000, headersTimeout: 10_000, keepAliveTimeout: 5_000, connectionsCheckingInterval: 2_000, ...times },
    answer,
  );
  server.timeout = 30_000;
  limitConnections(server);
  return server;
}

/** The built route handlers; none where they are not built. */
async function routesOf(folder) {
  if (!existsSync(join(folder, "api.mjs"))) return new Map();
  const { createRoutes } = await import(pathToFileURL(join(folder, "api.mjs")).href);
  return createRoutes(pathToFileURL(join(folder, "layoutThread.mjs")));
}

/** Serves the built application of this project; gives the server when it listens. */
export async function serve(port, { host = process.env.NODULUM_HOST ?? "127.0.0.1", root = join(dirname(), "..", "out") } = {}) {
  if (!existsSync(join(root, "layout.html"))) throw new Error("The application is not built yet: npm start builds it.");
  const allowed = (process.env.NODULUM_NAMES ?? "")
    .split(",")
    .map((name) => name.trim())
    .filter((name) => name !== "");
  const server = createApplicationServer(root, allowed, await routesOf(join(dirname(), "..", "dist", "server")));
  return new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, host, () => resolve(server));
  });
}

const dirname = () => fileURLToPath(new URL(".", import.meta.url));

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const server = await serve(Number(process.argv[2] ?? 4310), process.argv[3] ? { root: process.argv[3] } : {});
  console.log(`Nodulum is at http://127.0.0.1:${server.address().port}`);
}
