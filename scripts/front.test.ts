import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { connect } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** A front before what represents Next: it says of itself what Next says, and which headers it was asked with. */
const START = `
import { createFront } from ${JSON.stringify(join(process.cwd(), "scripts", "front.mjs"))};
const pages = new Map([["/layout", "<!doctype html><script>alert(1)</script><script src=/a.js></script><p>bench</p>"]]);
const files = new Map([["/_next/static/a.js", ""], ["/sw.js", ""]]);
const handle = async (request, response) => {
  if (request.url.endsWith("?broken")) throw new Error("secret words");
  response.setHeader("Cache-Control", "s-maxage=31536000");
  response.setHeader("X-Powered-By", "somebody");
  response.appendHeader("Vary", "rsc");
  response.writeHead(200, { "X-Nextjs-Cache": "HIT", "Content-Type": "application/json" });
  response.end(JSON.stringify(request.headers));
};
const server = createFront({ pages, files, handle, names: ["bench.lan"] });
server.listen(0, "127.0.0.1", () => console.log("port :" + server.address().port));
`;

let server: ChildProcess;
let port = 0;
const printed: string[] = [];
beforeAll(async () => {
  const file = join(mkdtempSync(join(tmpdir(), "nodulum-front-")), "start.mjs");
  writeFileSync(file, START);
  server = spawn(process.execPath, [file]);
  server.stderr!.on("data", (piece) => printed.push(String(piece)));
  port = await new Promise<number>((resolve) => server.stdout!.on("data", (piece) => resolve(Number(/:(\d+)\s*$/.exec(String(piece))![1]))));
});
afterAll(() => void server.kill());

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly body: Buffer;
}
const ask = (path: string, { method = "GET", headers = {}, body = "" }: { method?: string; headers?: Record<string, string>; body?: string } = {}) =>
  new Promise<Answer>((resolve, reject) => {
    const asked = request({ host: "127.0.0.1", port, path, method, headers: { Host: "localhost", ...headers } }, (answer) => {
      const pieces: Buffer[] = [];
      answer.on("data", (piece: Buffer) => pieces.push(piece));
      answer.on("end", () => resolve({ status: answer.statusCode!, headers: answer.headers, body: Buffer.concat(pieces) }));
    });
    asked.on("error", reject);
    asked.end(body);
  });
/** What comes back for bytes that need be no request. */
const raw = (bytes: string) =>
  new Promise<string>((resolve) => {
    const socket = connect(port, "127.0.0.1", () => socket.write(bytes));
    let all = "";
    socket.on("data", (piece) => (all += String(piece)));
    socket.on("close", () => resolve(all));
    socket.on("error", () => undefined);
  });

test("every answer says what may be done with it; a page allows the inline scripts that stand in it, and no others", async () => {
  const page = await ask("/layout");
  expect(page.status).toBe(200);
  const policy = String(page.headers["content-security-policy"]);
  // The digest of "alert(1)", as every tool for it gives it.
  expect(policy).toContain("script-src 'self' 'sha256-bhHHL3z2vDgxUt0W3dWQOrprscmda2Y5pLsLg4GF+pI='");
  for (const part of ["default-src 'none'", "connect-src 'self'", "frame-ancestors 'none'", "base-uri 'none'", "object-src 'none'"])
    expect(policy).toContain(part);
  expect(policy).not.toContain("unsafe-eval");
  expect(/script-src[^;]*/.exec(policy)![0]).not.toContain("unsafe");
  for (const path of ["/layout", "/", "/nothing", "/_next/static/a.js", "/api/schema", "/layout?broken"])
    expect((await ask(path)).headers).toMatchObject({
      "x-content-type-options": "nosniff",
      "referrer-policy": "no-referrer",
      "permissions-policy": expect.stringContaining("camera=()"),
    });
});

test("pages and scripts say for how long they hold, the API that it holds for nothing, and nothing tells what answers", async () => {
  const keeping = { "/layout": "no-cache", "/sw.js": "no-cache", "/_next/static/a.js": "public, max-age=31536000, immutable", "/api/schema": "no-store" };
  for (const [path, words] of Object.entries(keeping)) {
    const { headers } = await ask(path);
    expect([path, headers["cache-control"]]).toEqual([path, words]);
    expect(Object.keys(headers).filter((name) => /next|powered/.test(name))).toEqual([]);
  }
  expect((await ask("/layout")).headers.vary).toBe("Accept-Encoding");
  expect((await ask("/api/schema")).headers["content-security-policy"]).toBe("default-src 'none'");
});

test("what asks Next's router for something, or says who is behind a proxy, is not heard; a browser of this machine is sent nothing packed", async () => {
  const odd = { RSC: "1", "Next-Router-State-Tree": "[]", "Next-Action": "0", "X-Forwarded-Host": "evil.example", "X-Middleware-Subrequest": "a" };
  const heard = async (host: string) => {
    const answer = await ask("/layout?_rsc=1", { headers: { ...odd, Host: host, "Accept-Encoding": "gzip" } });
    return JSON.parse(answer.body.toString()) as Record<string, string>;
  };
  expect(await heard("localhost")).toEqual({ host: "localhost", connection: expect.any(String) as string });
  expect(await heard("bench.lan")).toEqual({ host: "bench.lan", "accept-encoding": "gzip", connection: expect.any(String) as string });
});

test("what goes wrong behind it is told without its words", async () => {
  const answer = await ask("/layout?broken");
  expect([answer.status, answer.body.toString()]).toEqual([500, "The request could not be answered.\n"]);
});

test("what is let through are the routes of app/api, by the method that each exports", async () => {
  const folder = join(process.cwd(), "app", "api");
  const routes = readdirSync(folder).map((name) => [`/api/${name}`, /export const (GET|POST) /.exec(readFileSync(join(folder, name, "route.ts"), "utf8"))![1]]);
  const { API_METHODS } = (await import("./front.mjs")) as { API_METHODS: Record<string, string> };
  expect(Object.fromEntries(routes)).toEqual(API_METHODS);
});

test("the API: OPTIONS says what may be asked, HEAD goes where GET goes, other methods are refused with those that are not", async () => {
  for (const path of ["/api/check", "/api/report", "/api/compile", "/api/settle", "/api/handoff"]) {
    const options = await ask(path, { method: "OPTIONS" });
    expect([path, options.status, options.headers.allow, options.headers["access-control-allow-origin"]]).toEqual([path, 204, "OPTIONS, POST", undefined]);
    for (const method of ["GET", "HEAD", "PUT", "DELETE", "PATCH", "TRACE"]) {
      const refused = await ask(path, { method });
      expect([path, method, refused.status, refused.headers.allow]).toEqual([path, method, 405, "POST"]);
    }
  }
  expect((await ask("/api/schema", { method: "OPTIONS" })).headers.allow).toBe("OPTIONS, GET, HEAD");
  expect((await ask("/api/schema", { method: "HEAD" })).status).toBe(200);
  expect((await ask("/api/schema", { method: "POST" })).status).toBe(405);
});

test.each(["localhost", "LOCALHOST:4310", "127.0.0.1:80", "[::1]:4310", "bench.lan"])("asked by its own name, %s, it answers", async (host) =>
  expect((await ask("/layout", { headers: { Host: host } })).status).toBe(200),
);
test.each(["evil.example", "localhost.evil.example", "127.0.0.1.nip.example", "localhost@evil", "[::2]", "192.168.0.9"])(
  "asked by another's name, %s, it does not",
  async (host) => {
    const answer = await ask("/layout", { headers: { Host: host } });
    expect([400, 421]).toContain(answer.status);
    expect(answer.body.toString()).not.toMatch(/^\{/);
  },
);

test.each(["localhost:abc", "localhost:", "localhost:99999", "localhost:4310:1", "127.0.0.1:-1", "bench.lan:4310x", "localhost@evil"])(
  "asked by what is no host with a port, %s, it answers 400",
  async (host) => {
    const answer = await ask("/layout", { headers: { Host: host } });
    expect(answer.status).toBe(400);
    expect(answer.body.toString()).toBe("The Host header is not a host name with a port.\n");
  },
);

test("files are found by their exact names alone", async () => {
  for (const path of [
    "/../beside",
    "/..%2fbeside",
    "/%2e%2e/beside",
    "/layout.html",
    "/layout/",
    "//layout",
    "/secret.key",
    "/LAYOUT",
    "/_next/static/",
    "/api/check/",
    "/api%2fcheck",
    "/api",
    "/api/../layout",
    "/%61pi/check",
    "/layout%00",
    "/layout;a",
    "/_next/image?url=%2Ficon.svg&w=64&q=75",
    "/_next/data/x/layout.json",
    "/.next/server/app/layout.html",
    "/\\layout",
    "/__proto__",
    "/constructor",
  ])
    expect([path, (await ask(path)).status]).toEqual([path, 404]);
  expect((await ask("/layout?_rsc=1")).status).toBe(200);
});

test("odd requests are answered in a line, tell nothing of the server, and it goes on", async () => {
  for (const method of ["POST", "PUT", "DELETE", "PATCH", "TRACE"]) {
    const answer = await ask("/layout", {
      method,
      headers: { "Next-Action": "x".repeat(40), "Content-Type": "multipart/form-data; boundary=x" },
      body: method === "POST" ? "--x\r\n" : "",
    });
    expect([method, answer.status]).toEqual([method, 405]);
    expect(answer.body.toString()).toBe("Only GET and HEAD.\n");
  }
  for (const bytes of [
    "nonsense\r\n\r\n",
    "GET / HTTP/9.9\r\n\r\n",
    `GET / HTTP/1.1\r\nHost: localhost\r\nX: ${"y".repeat(40_000)}\r\n\r\n`,
    "GET / HTTP/1.1\r\nHost: localhost\r\nTransfer-Encoding: odd\r\n\r\n",
    "\u0000\u0001\u0002\r\n\r\n",
  ]) {
    const answer = await raw(bytes);
    expect(answer).not.toMatch(/at .*\.m?js|node:|Error:/);
  }
  expect((await ask("/layout")).status).toBe(200);
  expect(printed.join("")).toBe("");
});
