/**
 * What is before Next's production server: who may ask by which name, for which paths, by which methods, and what every answer says about
 * itself. Next answers what remains. Node built-ins only.
 */
import { createHash } from "node:crypto";
import { createServer } from "node:http";
import { limitConnections } from "./connections.mjs";

/** Headers of every answer. A page's own policy comes in addition. */
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

/** The routes of the API, and the method each takes. OPTIONS is answered in addition; HEAD where GET is. */
export const API_METHODS = {
  "/api/check": "POST",
  "/api/report": "POST",
  "/api/compile": "POST",
  "/api/settle": "POST",
  "/api/handoff": "POST",
  "/api/schema": "GET",
};

/** The policy (CSP Level 3) of a page: its own scripts and those inline ones whose digests are known; no eval; nothing from elsewhere. Styles are set by the script as well, which needs 'unsafe-inline' for them. */
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

/** The host of a Host header without its port, in lower case; null where it is no host with a port of 0 to 65535. */
function hostOf(header) {
  const match = /^(\[[0-9a-f:.]+\]|[a-z0-9.-]+)(?::(\d{1,5}))?$/i.exec(header ?? "");
  return match && Number(match[2] ?? 0) <= 65_535 ? match[1].toLowerCase() : null;
}

const OWN_HOSTS = ["localhost", "127.0.0.1", "[::1]"];

/** What Next reports itself and of a router that asks nothing here. */
const UNTOLD = ["X-Powered-By", "X-Nextjs-Cache", "X-Nextjs-Prerender", "X-Nextjs-Stale-Time", "Link"];

/** Says what an answer carries: `fixed`, which nothing after it changes; `usual`, where the answer says its own nothing; never what is untold. */
function carry(response, { fixed, usual = {} }) {
  for (const [name, value] of Object.entries(fixed)) response.setHeader(name, value);
  const closed = new Set([...Object.keys(fixed), ...UNTOLD].map((name) => name.toLowerCase()));
  const setHeader = response.setHeader.bind(response);
  const set = (name, value) => {
    if (!closed.has(name.toLowerCase())) setHeader(name, value);
    return response;
  };
  response.setHeader = set;
  response.appendHeader = set;
  const writeHead = response.writeHead.bind(response);
  response.writeHead = (status, ...rest) => {
    for (const [name, value] of Object.entries(rest.find((each) => typeof each === "object") ?? {})) set(name, value);
    for (const [name, value] of Object.entries(usual)) if (!response.hasHeader(name)) setHeader(name, value);
    return writeHead(status);
  };
}

/** What is not asked by anybody here: Next's router, and what a proxy says of who is behind it. */
const UNHEARD = /^(?:rsc|next-.*|x-.*)$/;

/** An answer of one line. */
function plain(response, status, text, more = {}) {
  response.writeHead(status, { ...ALWAYS, "Content-Type": "text/plain; charset=utf-8", "Content-Security-Policy": "default-src 'none'", ...more });
  response.end(`${text}\n`);
}

/** The methods of a route of the API; null where it is none. */
function methodsOf(path) {
  if (!Object.hasOwn(API_METHODS, path)) return null;
  return API_METHODS[path] === "GET" ? ["GET", "HEAD"] : [API_METHODS[path]];
}

const API_HEADERS = { fixed: { ...ALWAYS, "Cache-Control": "no-store" }, usual: { "Content-Security-Policy": "default-src 'none'" } };

/** What a page or a file carries. What has a digest in its name never changes; all else is asked about each time, and mostly answered with 304. */
function headersOfFile(path, policy = policyFor("")) {
  const keeping = path.startsWith("/_next/static/") ? "public, max-age=31536000, immutable" : "no-cache";
  return { fixed: { ...ALWAYS, "Content-Security-Policy": policy, "Cache-Control": keeping, Vary: "Accept-Encoding" } };
}

/** A connection may be silent so long while it is answered, ms: eight wait for two threads, each of which may work for 20 s, and then it works itself. */
const MOST_SILENT_MS = 120_000;

/**
 * A server, not listening yet. `pages`: the HTML of the pages by path; `files`: the paths of all files; `handle(request, response)` answers what is
 * let through; `names`: by which it may be asked in addition to those of this machine; `times`: options of node:http on how
 * long a request may take to arrive and how often that is looked at, and `timeout`, how long it may be silent, ms.
 */
export function createFront({ pages, files, handle, names = [], times = {} }) {
  const hosts = new Set([...OWN_HOSTS, ...names.map((name) => name.toLowerCase())]);
  const policies = new Map([...pages].map(([path, html]) => [path, policyFor(html)]));
  const isFile = (path) => path === "/" || policies.has(path) || files.has(path);
  const answer = (request, response) => {
    // A page elsewhere whose name has been turned to this machine's address must not reach what is here (DNS rebinding).
    const host = hostOf(request.headers.host);
    if (host === null) return plain(response, 400, "The Host header is not a host name with a port.", { Connection: "close" });
    if (!hosts.has(host)) return plain(response, 421, "This server is asked by another name than its own. Name it in NODULUM_NAMES.", { Connection: "close" });
    const path = request.url.split("?")[0];
    const allowed = isFile(path) ? ["GET", "HEAD"] : methodsOf(path);
    if (allowed === null) return plain(response, 404, "There is nothing here. The bench is at /layout.");
    if (request.method === "OPTIONS") {
      response.writeHead(204, { ...ALWAYS, Allow: ["OPTIONS", ...allowed].join(", ") });
      return response.end();
    }
    if (!allowed.includes(request.method)) return plain(response, 405, `Only ${allowed.join(" and ")}.`, { Allow: allowed.join(", "), Connection: "close" });
    for (const name of Object.keys(request.headers)) if (UNHEARD.test(name)) delete request.headers[name];
    // On the way to a browser of this machine packing only takes time.
    if (OWN_HOSTS.includes(host)) delete request.headers["accept-encoding"];
    carry(response, isFile(path) ? headersOfFile(path, policies.get(path)) : API_HEADERS);
    Promise.resolve(handle(request, response)).catch(() => {
      if (!response.headersSent) plain(response, 500, "The request could not be answered.", { Connection: "close" });
      else response.destroy();
    });
  };
  const server = createServer(
    { maxHeaderSize: 16_384, requestTimeout: 15_000, headersTimeout: 10_000, keepAliveTimeout: 5_000, connectionsCheckingInterval: 2_000, ...times },
    answer,
  );
  server.timeout = times.timeout ?? MOST_SILENT_MS;
  limitConnections(server);
  return server;
}
