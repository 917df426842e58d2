/** How the application is started, and that nothing of it remains when whoever started it is gone. */
import { spawn } from "node:child_process";
import { connect } from "node:net";
import { expect } from "@playwright/test";
import { test } from "./test";

const PORT = 4386;
const answers = () =>
  new Promise<boolean>((resolve) => {
    const socket = connect(PORT, "127.0.0.1", () => {
      socket.destroy();
      resolve(true);
    });
    socket.on("error", () => resolve(false));
  });

test("npm start serves; killed with no time to say so it leaves no server behind", async () => {
  expect(await answers()).toBe(false);
  const npm = spawn("npm", ["start"], { env: { ...process.env, PORT: String(PORT) }, stdio: ["ignore", "pipe", "ignore"], detached: true });
  const said: string[] = [];
  npm.stdout.on("data", (piece) => said.push(String(piece)));
  try {
    await expect.poll(answers).toBe(true);
    // What it says comes by way of npm, and may come after the first answer.
    await expect.poll(() => said.join("")).toContain(`Nodulum is at http://127.0.0.1:${PORT}`);
    process.kill(npm.pid!, "SIGKILL");
    await expect.poll(answers).toBe(false);
  } finally {
    try {
      process.kill(-npm.pid!, "SIGKILL");
    } catch {
      // Nothing remains of it, as it should be.
    }
  }
});
