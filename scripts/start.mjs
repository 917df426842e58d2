/** `npm start`: installs what is missing, builds what has changed, serves on 127.0.0.1. PORT changes the port; NODULUM_HOST and NODULUM_NAMES are reported in server.mjs. */
import { createServer } from "node:net";
import { ensureBuilt, ensureInstalled } from "./lib.mjs";
import { endWithStarter, startWithEnvironment } from "./process.mjs";

// glibc keeps what is freed for itself unless it was taken from the system piece by piece: without this the server would go on holding what it was
// once sent. It must be in the environment when the process starts.
if (process.platform === "linux") await startWithEnvironment({ MALLOC_MMAP_THRESHOLD_: "65536" });

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

const { serve } = await import("./server.mjs");
const server = await serve(port).catch((error) => {
  console.error(`Nodulum cannot be served: ${error.message}`);
  process.exit(1);
});
console.log(`Nodulum is at http://${process.env.NODULUM_HOST ?? "127.0.0.1"}:${port}`);

/** Ends with what started it: connections are cut, the port is free. */
let isEnding = false;
function end() {
  if (isEnding) return;
  isEnding = true;
  server.close(() => process.exit(0));
  server.closeAllConnections();
}
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, end);
endWithStarter(end);
