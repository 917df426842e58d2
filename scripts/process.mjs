/** The process that serves: started again with an environment, and ended with whatever started it. Node built-ins only. */
import { execFileSync, spawn } from "node:child_process";

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

/** Calls `end` when whoever started this by `npm start` is gone, killed with no time to say so: npm, and a shell between, are looked after. */
export function endWithStarter(end) {
  if (process.env.npm_lifecycle_event !== "start") return;
  const parent = process.ppid;
  const npm = /(?:^|\/)(?:ba|da|z|k)?sh$/.test(asked("comm", parent)) ? Number(asked("ppid", parent)) : parent;
  setInterval(() => (process.ppid !== parent || !lives(npm)) && end(), 1000).unref();
}

/** Runs this script again with more in its environment, and ends as it ends; returns at once where the environment has it already. */
export async function startWithEnvironment(more) {
  if (Object.keys(more).every((key) => process.env[key] !== undefined)) return;
  const child = spawn(process.execPath, process.argv.slice(1), { stdio: "inherit", env: { ...more, ...process.env } });
  const end = (signal = "SIGTERM") => child.kill(signal);
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => end(signal));
  endWithStarter(() => {
    end();
    process.exit(1);
  });
  const code = await new Promise((resolve) => {
    child.once("error", () => resolve(1));
    child.once("exit", (status) => resolve(status ?? 1));
  });
  process.exit(code);
}
