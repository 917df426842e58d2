/** `npm start`: installs what is missing, builds what has changed, serves on 127.0.0.1. PORT changes the port; NODULUM_HOST and NODULUM_NAMES are told in serve.mjs. */
import { execFileSync } from "node:child_process";
import { createServer } from "node:net";
import { ensureBuilt, ensureInstalled } from "./lib.mjs";
import { serve } from "./serve.mjs";

const port = Number(process.env.PORT ?? 4310);
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT is "${process.env.PORT}"; give a number from 1 to 65535.`);
  process.exit(1);
}

const free = await new Promise((resolve) => {
  const probe = createServer();
  probe.once("error", () => resolve(false));
  probe.listen(port, process.env.NODULUM_HOST ?? "127.0.0.1", () => probe.close(() => resolve(true)));
});
if (!free) {
  console.error(`Port ${port} is taken by another program. Choose another one: PORT=${port + 1} npm start`);
  process.exit(1);
}

ensureInstalled();
if (ensureBuilt() !== 0) process.exit(1);

const server = await serve(port).catch((error) => {
  console.error(`Nodulum cannot be served: ${error.message}`);
  process.exit(1);
});
console.log(`Nodulum is at http://${process.env.NODULUM_HOST ?? "127.0.0.1"}:${port}`);

/** Ends with what started it: connections are cut, the port is free. */
function end() {
  server.close(() => process.exit(0));
  server.closeAllConnections();
}
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, end);

// Whoever starts this by `npm start` and is killed with no time to say so must leave no server behind: npm, and a shell between, are looked after.
const asked = (column, pid) => {
  try {
    return execFileSync("ps", ["-o", `${column}=`, "-p", String(pid)], { encoding: "utf8", stdio: ["ignore", "pipe", "ignore"] }).trim();
  } catch {
    return "";
  }
};
const lives = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === "EPERM";
  }
};
if (process.env.npm_lifecycle_event === "start") {
  const parent = process.ppid;
  const npm = /(?:^|\/)(?:ba|da|z|k)?sh$/.test(asked("comm", parent)) ? Number(asked("ppid", parent)) : parent;
  setInterval(() => (process.ppid !== parent || !lives(npm)) && end(), 1000).unref();
}
