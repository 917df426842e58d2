/** `npm start`: installs what is missing, builds what has changed, serves on 127.0.0.1. PORT changes the port. */
import { createServer } from "node:net";
import { spawn } from "node:child_process";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, root } from "./lib.mjs";

const port = Number(process.env.PORT ?? 4310);
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT is "${process.env.PORT}"; give a number from 1 to 65535.`);
  process.exit(1);
}

const free = await new Promise((resolve) => {
  const probe = createServer();
  probe.once("error", () => resolve(false));
  probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
});
if (!free) {
  console.error(`Port ${port} is taken by another program. Choose another one: PORT=${port + 1} npm start`);
  process.exit(1);
}

ensureInstalled();
if (ensureBuilt() !== 0) process.exit(1);

const server = spawn(process.execPath, [join(root, "node_modules", "next", "dist", "bin", "next"), "start", "-H", "127.0.0.1", "-p", String(port)], {
  cwd: root,
  stdio: ["ignore", "pipe", "inherit"],
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
});
let told = false;
server.stdout.on("data", (chunk) => {
  if (told || !/ready/i.test(String(chunk))) return;
  told = true;
  console.log(`Nodulum is at http://127.0.0.1:${port}`);
});
server.on("exit", (code) => process.exit(code ?? 1));
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
