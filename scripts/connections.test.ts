/** Slow and half-closed connections against the server as it runs for users: pages are answered all the same. */
import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { connect, type Socket } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

const root = mkdtempSync(join(tmpdir(), "nodulum-slow-"));
const START = `
import { createFront } from ${JSON.stringify(join(process.cwd(), "scripts", "front.mjs"))};
const times = { headersTimeout: 400, requestTimeout: 500, connectionsCheckingInterval: 100 };
const handle = async (_, response) => void response.end("<p>bench</p>");
const server = createFront({ pages: new Map([["/layout", ""]]), files: new Map(), handle, times });
server.listen(0, "127.0.0.1", () => console.log("port " + server.address().port));
setInterval(() => server.getConnections((_, count) => console.log("open " + count)), 100);
`;
let server: ChildProcess;
let port = 0;
/** How many connections the server says it has. */
let open = 0;
const printed: string[] = [];
beforeAll(async () => {
  const file = join(root, "start.mjs");
  writeFileSync(file, START);
  server = spawn(process.execPath, [file]);
  server.stderr!.on("data", (piece) => printed.push(String(piece)));
  port = await new Promise<number>((resolve) =>
    server.stdout!.on("data", (piece) => {
      const said = String(piece);
      const at = /port (\d+)/.exec(said);
      if (at) resolve(Number(at[1]));
      for (const [, count] of said.matchAll(/open (\d+)/g)) open = Number(count);
    }),
  );
});
afterAll(() => void server.kill());

/** The status of the bench's page, or why there is no answer. Each time over its own connection. */
const page = () =>
  new Promise<number | string>((resolve) => {
    const asked = request({ host: "127.0.0.1", port, path: "/layout", agent: false, headers: { Host: "localhost" } }, (answer) => {
      answer.resume();
      answer.on("end", () => resolve(answer.statusCode!));
    });
    asked.on("error", (error) => resolve(String(error)));
    asked.end();
  });

/** So many connections that send the beginning of a request, never the rest, and never close their side; for each that the server ends another is opened, `refills` in all. */
function slowSockets(count: number, refills: number, bytes: string) {
  const sockets = new Set<Socket>();
  let ended = 0;
  const add = () => {
    const socket = connect({ port, host: "127.0.0.1", allowHalfOpen: true }, () => socket.write(bytes));
    sockets.add(socket);
    socket.on("data", () => undefined);
    socket.on("error", () => undefined);
    let isOver = false;
    const over = () => {
      if (isOver) return;
      isOver = true;
      ended += 1;
      if (sockets.size < count + refills) add();
    };
    socket.on("end", over);
    socket.on("close", over);
  };
  for (let i = 0; i < count; i += 1) add();
  return { ended: () => ended, stop: () => sockets.forEach((socket) => socket.destroy()) };
}

test.each([
  ["headers that never end", "GET /layout HTTP/1.1\r\nHost: loc"],
  ["a body that never ends", "POST /layout HTTP/1.1\r\nHost: localhost\r\nContent-Length: 100\r\n\r\nx"],
  ["nothing at all", ""],
])(
  "600 connections with %s, half-closed, and 600 more as they are ended: every page is answered during and after, and none of them stays",
  async (_, bytes) => {
    const slow = slowSockets(600, 600, bytes);
    // During: until the server has ended them all, the later ones too. 408: on a busy machine this request was late itself.
    while (slow.ended() < 1200) expect([200, 408]).toContain(await page());
    // None of them has closed its side, and none of them counts any more.
    while (open > 4) expect([200, 408]).toContain(await page());
    let status = await page();
    while (status === 408) status = await page();
    expect(status).toBe(200);
    slow.stop();
    expect(printed.join("")).toBe("");
  },
);
