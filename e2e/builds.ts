/** Servers of built applications for the tests that stop them, start them again, and put another build in their place. */
import { spawn, type ChildProcess } from "node:child_process";
import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { basename, join, sep } from "node:path";
import { unzipSync } from "fflate";

/** What serves one build on one port. */
interface Running {
  readonly port: number;
  stop(): Promise<void>;
}

/** Serves the build of the project in `folder` as `npm start` does; port 0: any free one. */
export function serveBuild(folder: string, port: number): Promise<Running> {
  const child: ChildProcess = spawn(process.execPath, [join("scripts", "server.mjs"), String(port), folder], { stdio: ["ignore", "pipe", "inherit"] });
  const stop = () =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve();
      child.once("close", () => resolve());
      child.kill("SIGKILL");
    });
  return new Promise((resolve, reject) => {
    child.once("exit", (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout!.on("data", (piece) => {
      const address = /127\.0\.0\.1:(\d+)/.exec(String(piece));
      if (address) resolve({ port: Number(address[1]), stop });
    });
  });
}

/** A copy of this project's build, to be changed: the folder. It is deleted when the process of the tests ends. */
export function copyOfBuild(): string {
  const folder = mkdtempSync(join(tmpdir(), "nodulum-build-"));
  process.on("exit", () => rmSync(folder, { recursive: true, force: true }));
  const isCache = (path: string) => path.endsWith(`${sep}.next${sep}cache`);
  for (const part of [".next", "public", "package.json", "next.config.mjs", join("dist", "server")])
    cpSync(join(process.cwd(), part), join(folder, part), { recursive: true, filter: (path) => !isCache(path) });
  symlinkSync(join(process.cwd(), "node_modules"), join(folder, "node_modules"));
  return folder;
}

/** Changes every file of a name under a folder of a build. */
export function rewrite(folder: string, name: string, change: (text: string) => string): void {
  const files = readdirSync(folder, { recursive: true, encoding: "utf8" }).filter((path) => basename(path) === name);
  const changed = files.filter((path) => {
    const before = readFileSync(join(folder, path), "utf8");
    writeFileSync(join(folder, path), change(before));
    return change(before) !== before;
  });
  if (changed.length === 0) throw new Error(`nothing was changed in any ${name}`);
}

const TYPES: Readonly<Record<string, string>> = {
  html: "text/html; charset=utf-8",
  js: "text/javascript",
  css: "text/css",
  json: "application/json",
  webmanifest: "application/manifest+json",
  svg: "image/svg+xml",
};

/** Serves the application as it was when it was exported into plain files (version 0.1.0 of December 2026): its files by their paths. */
export function serveExported(port: number): Promise<Running> {
  const files = unzipSync(readFileSync(join("e2e", "fixtures", "exported.zip")));
  const server = createServer((request, response) => {
    const path = request.url!.split("?")[0].slice(1);
    const name = Object.hasOwn(files, path) ? path : `${path}.html`;
    if (!Object.hasOwn(files, name)) return void response.writeHead(404).end();
    response.writeHead(200, { "Content-Type": TYPES[name.split(".").at(-1)!] ?? "application/octet-stream", "Cache-Control": "no-cache" });
    response.end(files[name]);
  });
  const stop = () =>
    new Promise<void>((resolve) => {
      server.close(() => resolve());
      server.closeAllConnections();
    });
  return new Promise((resolve) => server.listen(port, "127.0.0.1", () => resolve({ port: (server.address() as AddressInfo).port, stop })));
}
