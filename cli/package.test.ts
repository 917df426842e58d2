/** The package of the command line, as someone else would have it: packed, installed into an empty folder, run. */
import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { compile } from "../core/format/compile";
import { readPlayed } from "../core/engine/read/played";
import { sampleLayouts } from "../test/samples";

const root = process.cwd();
const run = (command: string, args: string[], cwd: string) => {
  const done = spawnSync(command, args, {
    cwd,
    encoding: "utf8",
    env: { ...process.env, npm_config_offline: "true", npm_config_audit: "false", npm_config_fund: "false" },
  });
  if (done.status !== 0) throw new Error(`${command} ${args.join(" ")}: ${done.stderr}`);
  return done.stdout;
};

test("the tarball runs elsewhere, with no packages beside it", () => {
  run(process.execPath, [join(root, "scripts", "build-cli.mjs")], root);
  const folder = mkdtempSync(join(tmpdir(), "nodulum-package-"));
  const packed = run("npm", ["pack", "--silent", "--pack-destination", folder, join(root, "dist", "cli")], folder)
    .trim()
    .split("\n")
    .at(-1)!;
  writeFileSync(join(folder, "package.json"), '{"name":"elsewhere","private":true}');
  run("npm", ["install", "--silent", "--no-package-lock", join(folder, packed)], folder);
  expect(readdirSync(join(folder, "node_modules")).filter((name) => !name.startsWith("."))).toEqual(["nodulum"]);
  const own = join(folder, "node_modules", "nodulum");
  expect(existsSync(join(own, "node_modules"))).toBe(false);
  expect(JSON.parse(readFileSync(join(own, "package.json"), "utf8"))).not.toHaveProperty("dependencies");
  const [brackwater] = sampleLayouts();
  writeFileSync(join(folder, "b.nodulum.json"), readFileSync(join(root, "samples", "brackwater.nodulum.json")));
  const bin = join(folder, "node_modules", ".bin", "nodulum");
  expect(run(bin, ["compile", "b.nodulum.json"], folder)).toBe(compile(brackwater));
  run(bin, ["compile", "b.nodulum.json", "-o", "b.played.json"], folder);
  expect(readPlayed(readFileSync(join(folder, "b.played.json"))).ok).toBe(true);
  expect(run(bin, ["check", "b.nodulum.json", "--fail-on", "warning"], folder)).toContain("0 blockers, 0 warnings");
});
