import { spawn, type ChildProcess } from "node:child_process";
import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { connect } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";

const root = join(mkdtempSync(join(tmpdir(), "nodulum-")), "out");
mkdirSync(join(root, "_next", "static"), { recursive: true });
writeFileSync(join(root, "layout.html"), "<!doctype html><script>alert(1)</script><script src=/a.js></script><p>bench</p>");
writeFileSync(join(root, "_next", "static", "a.js"), "export {};".repeat(50));
writeFileSync(join(root, "secret.key"), "not served");
writeFileSync(join(root, "..", "beside.html"), "not served either");

let server: ChildProcess;
let port = 0;
const printed: string[] = [];
beforeAll(async () => {
  server = spawn(process.execPath, [join(process.cwd(), "scripts", "serve.mjs"), "0", root], { env: { ...process.env, NODULUM_NAMES: "bench.lan" } });
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
  for (const path of ["/layout", "/", "/nothing", "/_next/static/a.js"])
    expect((await ask(path)).headers).toMatchObject({
      "x-content-type-options": "nosniff",
      "referrer-policy": "no-referrer",
      "permissions-policy": expect.stringContaining("camera=()"),
    });
  expect((await ask("/")).headers.location).toBe("/welcome");
});

test("what does not change is kept, what may is asked about, and both come packed", async () => {
  const script = await ask("/_next/static/a.js", { headers: { "Accept-Encoding": "br, gzip" } });
  expect(script.headers).toMatchObject({ "cache-control": "public, max-age=31536000, immutable", "content-encoding": "gzip", vary: "Accept-Encoding" });
  expect(gunzipSync(script.body).toString()).toBe("export {};".repeat(50));
  const page = await ask("/layout");
  expect(page.headers["cache-control"]).toBe("no-cache");
  expect((await ask("/layout", { headers: { "If-None-Match": String(page.headers.etag) } })).status).toBe(304);
  const head = await ask("/layout", { method: "HEAD" });
  expect([head.status, head.body.length, head.headers["content-length"]]).toEqual([200, 0, String(page.body.length)]);
});

test.each(["localhost", "LOCALHOST:4310", "127.0.0.1:80", "[::1]:4310", "bench.lan"])("asked by its own name, %s, it answers", async (host) =>
  expect((await ask("/layout", { headers: { Host: host } })).status).toBe(200),
);
test.each(["evil.example", "localhost.evil.example", "127.0.0.1.nip.example", "localhost@evil", "[::2]", "192.168.0.9"])(
  "asked by another's name, %s, it does not",
  async (host) => {
    const answer = await ask("/layout", { headers: { Host: host } });
    expect([400, 421]).toContain(answer.status);
    expect(answer.body.toString()).not.toContain("bench</p>");
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
    "/__proto__",
    "/constructor",
  ])
    expect([path, (await ask(path)).status]).toEqual([path, 404]);
  expect((await ask("/layout?_rsc=1")).status).toBe(200);
});

test("odd requests are answered in a line, tell nothing of the server, and it goes on", async () => {
  for (const method of ["POST", "PUT", "DELETE", "OPTIONS", "PATCH", "TRACE"]) {
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
