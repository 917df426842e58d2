/** How long `npm start` takes from the command to the first page, when the application is built. */
import { spawn } from "node:child_process";
import { root } from "../scripts/lib.mjs";

const PORT = 4392;

/** Starts and stops this many times; gives the times, s, in order of length. */
export async function benchStart(times = 5) {
  const seconds = [];
  for (let i = 0; i < times; i += 1) seconds.push(await once());
  return seconds.sort((a, b) => a - b);
}

async function once() {
  const begun = performance.now();
  const npm = spawn("npm", ["start"], { cwd: root, env: { ...process.env, PORT: String(PORT) }, stdio: "ignore", detached: true });
  const gone = new Promise((resolve) => npm.once("close", resolve));
  try {
    while (!(await answers())) await new Promise((resolve) => setTimeout(resolve, 20));
    return (performance.now() - begun) / 1000;
  } finally {
    if (npm.pid !== undefined) process.kill(-npm.pid, "SIGTERM");
    await gone;
    while (await answers()) await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

const answers = () =>
  fetch(`http://127.0.0.1:${PORT}/layout`).then(
    async (answer) => (await answer.text()) !== "" && answer.ok,
    () => false,
  );
