/** The port in C: how fast it reads, places and ticks with 40 controls and 10 touches, and how large it is. Null where there is no C compiler. */
import { spawnSync } from "node:child_process";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "../scripts/lib.mjs";

const port = join(root, "ports", "c99");
const run = (command, ...args) => spawnSync(command, args, { cwd: root, encoding: "utf8" });

/** Brackwater with its controls over and over, moved about, until there are forty. */
function forty() {
  const layout = JSON.parse(readFileSync(join(root, "samples", "brackwater.nodulum.json"), "utf8"));
  const moved = (length, by) => `${parseFloat(length) + by}u`;
  const own = layout.controls;
  layout.controls = Array.from({ length: 40 }, (_, i) => {
    const control = structuredClone(own[i % own.length]);
    if (i < own.length) return control;
    const { placement } = control;
    placement.offset = placement.offset && [moved(placement.offset[0], ((i * 37) % 400) - 200), moved(placement.offset[1], ((i * 53) % 300) - 150)];
    return { ...control, id: `${control.id}-${i}`, name: `${control.name} ${i}` };
  });
  return JSON.stringify(layout);
}

export function benchPort() {
  if (run("cc", "--version").status !== 0 || run("make", "--version").status !== 0) return null;
  mkdirSync(join(root, ".cache"), { recursive: true });
  const [layout, played] = ["forty.nodulum.json", "forty.played.json"].map((name) => join(root, ".cache", name));
  writeFileSync(layout, forty());
  const compiled = run(process.execPath, join(root, "cli", "nodulum.mjs"), "compile", layout, "-o", played);
  if (compiled.status !== 0) throw new Error(compiled.stderr);
  for (const target of ["build/speed", "clean-builds"]) {
    const built = run("make", "-C", port, target);
    if (built.status !== 0) throw new Error(built.stderr);
  }
  const measured = JSON.parse(run(join(port, "build", "speed"), played).stdout);
  const [, text, data, bss] = /\n\s*(\d+)\s+(\d+)\s+(\d+)/.exec(run("size", join(port, "build", "unit.o")).stdout) ?? [];
  return { ...measured, objectBytes: Number(text) + Number(data) + Number(bss) };
}
