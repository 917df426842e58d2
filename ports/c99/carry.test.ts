/** The port in C going on on another screen, or for the other hand, against the engine doing the same. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { advance, applyEvent, tickTime } from "../../core/engine/input/advance";
import { carryOver } from "../../core/engine/input/carryOver";
import type { InputEvent } from "../../core/engine/input/events";
import { initialState } from "../../core/engine/input/inputState";
import { prepareInput } from "../../core/engine/input/setup";
import { letGoOfHidden } from "../../core/engine/input/touches";
import { TIME_SLACK } from "../../core/engine/geometry/tolerances";
import { resolveLayout } from "../../core/engine/placement/resolve";
import { compile } from "../../core/format/compile";
import type { Layout, Screen } from "../../core/format/types";
import { eventsArbitrary, layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { difference } from "../../test/cases";

const hasCompiler = spawnSync("cc", ["--version"]).status === 0 && spawnSync("make", ["--version"]).status === 0;
const withCompiler = hasCompiler ? test : test.skip;
const HZ = 60;

interface Turned {
  readonly layout: Layout;
  readonly from: Screen;
  readonly to: Screen;
  readonly handed: "right" | "left";
  readonly trace: readonly InputEvent[];
  readonly turnAt: number;
}

/** The frames of a trace that goes on elsewhere after the first tick at or after a time. */
function framesOf({ layout, from, to, handed, trace, turnAt }: Turned): unknown[] {
  const view = { playerSize: 1, moment: null };
  let setup = prepareInput(layout, resolveLayout(layout, from, { ...view, handed: "right" }), HZ);
  let state = initialState(setup, null);
  const frames: unknown[] = [];
  let [next, hasTurned, closing] = [0, false, false];
  for (let n = 1; ; n += 1) {
    const t = tickTime(n, HZ);
    const due: InputEvent[] = [];
    while (next < trace.length && trace[next].t <= t + TIME_SLACK) due.push(trace[next++]);
    const step = advance(setup, state, due, t);
    ({ state } = step);
    frames.push({ t, values: step.values });
    if (closing) return frames;
    if (!hasTurned && t >= turnAt) {
      hasTurned = true;
      const there = prepareInput(layout, resolveLayout(layout, to, { ...view, handed }), HZ);
      state = carryOver(setup, state, there);
      setup = there;
      letGoOfHidden(setup, state);
      for (const { id, x, y } of [...state.touches]) applyEvent(setup, state, { t: state.time, type: "move", id, x, y });
    }
    closing = next === trace.length && t >= (trace.at(-1)?.t ?? 0) - TIME_SLACK;
  }
}

const screenText = ({ widthPx, heightPx, ppi, insets: { left, top, right, bottom } }: Screen) =>
  `${widthPx}x${heightPx}@${ppi}${left + top + right + bottom > 0 ? `+${left},${top},${right},${bottom}` : ""}`;

/** Fingers on the controls of the first screen: which control, where on it, after how long. */
const fingers = fc.array(
  fc.record({
    wait: fc.integer({ min: 0, max: 40 }),
    id: fc.integer({ min: 1, max: 3 }),
    type: fc.constantFrom("down" as const, "move" as const, "move" as const, "up" as const),
    on: fc.integer({ min: 0, max: 5 }),
    fx: fc.integer({ min: -4, max: 24 }).map((n) => n / 20),
    fy: fc.integer({ min: -4, max: 24 }).map((n) => n / 20),
  }),
  { maxLength: 40 },
);

withCompiler("turning, unfolding, the other hand: both engines go on with the same", () => {
  expect(spawnSync("make", ["-C", __dirname, "build/nodulum-replay-sound"], { encoding: "utf8" }).status).toBe(0);
  const folder = mkdtempSync(join(tmpdir(), "nodulum-carry-"));
  const seed = Date.now() % 2 ** 31;
  const plan = fc.record({ layout: layoutArbitrary, from: screenArbitrary, to: screenArbitrary, handed: fc.constantFrom("right" as const, "left" as const) });
  const all = fc
    .sample(fc.record({ plan, others: eventsArbitrary, steps: fingers, turnAt: fc.integer({ min: 10, max: 400 }) }), {
      seed,
      numRuns: Number(process.env.NODULUM_C99_RUNS ?? 150),
    })
    .map(({ plan: { layout, from, to, handed }, others, steps, turnAt }): Turned => {
      const { controls } = resolveLayout(layout, from, { handed: "right", playerSize: 1, moment: null });
      let t = 0;
      const touches = steps.flatMap(({ wait, id, type, on, fx, fy }): InputEvent[] => {
        t += wait;
        const at = controls[on % Math.max(1, controls.length)];
        if (!at) return [];
        const { x, y, w, h } = at.landing ?? at.hit;
        return [{ t, type, id, x: x + fx * w, y: y + fy * h }];
      });
      const known = others.filter((event) => event.type !== "control" || layout.controls.some(({ id }) => id === event.id));
      const trace = [...known.filter((event) => !("x" in event)), ...touches].sort((a, b) => a.t - b.t);
      return { layout, from, to, handed, trace, turnAt };
    });
  const lines = all.map(({ layout, from, to, handed, trace, turnAt }, i) => {
    const [file, events] = [join(folder, `${i}.json`), join(folder, `${i}.ndjson`)];
    writeFileSync(file, compile(layout));
    writeFileSync(events, trace.map((event) => JSON.stringify(event)).join("\n"));
    const where = ["--screen", screenText(from), "--to", screenText(to), "--to-handed", handed, "--turn-at", String(turnAt)];
    return ["replay", file, "--trace", events, ...where].join("\t");
  });
  const done = spawnSync(join(__dirname, "build", "nodulum-replay-sound"), ["calls"], { encoding: "utf8", maxBuffer: 1 << 28, input: `${lines.join("\n")}\n` });
  const printed = [...done.stdout.matchAll(/([^\u001e]*)\u001e(\d+)\n/g)];
  expect(printed).toHaveLength(all.length);
  let held = 0;
  printed.forEach(([, text, code], i) => {
    const frames = text
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as unknown);
    const own = JSON.parse(JSON.stringify(framesOf(all[i]))) as unknown[];
    expect({ seed, case: i, code, frames: difference(frames, own) }).toEqual({ seed, case: i, code: "0", frames: null });
    if (own.length > 2 && all[i].trace.some((event) => event.t > all[i].turnAt)) held += 1;
  });
  expect(held).toBeGreaterThan(all.length / 4);
});
