/** `npm run bench`: measures and prints. Nothing here passes or fails; the machine is shared and noisy. */
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { ensureBuilt, ensureInstalled, root } from "../scripts/lib.mjs";

ensureInstalled();
const { build } = await import("esbuild");
/** Builds a part of the bench that runs without a browser, and runs it. */
async function runPart(name) {
  const outfile = join(root, ".cache", `bench-${name}.mjs`);
  const entryPoints = [join(root, "bench", `${name}.ts`)];
  await build({ entryPoints, outfile, bundle: true, platform: "node", format: "esm", logLevel: "error", external: ["yoga-layout"] });
  await import(pathToFileURL(outfile).href);
}
if (process.argv.includes("--start")) {
  await printStart();
  process.exit(0);
}
if (process.argv.includes("--settle")) {
  await runPart("settle");
  process.exit(0);
}
await runPart("core");
const { sizes } = await import("./sizes.mjs");
const kB = (bytes) => `${(bytes / 1000).toFixed(1)} kB`;
for (const [bundler, size] of Object.entries(await sizes()))
  console.log(
    `what a game carries of the packed package, bundled by ${bundler}, gzip: playing ${kB(size.play.gzip)} (aim 12 kB), with drawing ${kB(size.withDrawing.gzip)} (aim 18 kB), with every icon ${kB(size.withEveryIcon.gzip)}, none of it ${kB(size.none.gzip)}; more for ${size.added.map(([name, gzip]) => `${name} ${kB(gzip)}`).join(", ")} (aim 3 kB each)`,
  );
const { benchPort } = await import("./port.mjs");
const c = benchPort();
const KiB = (bytes) => `${(bytes / 1024).toFixed(1)} KiB`;
if (c === null) console.log("the port in C: there is no C compiler here");
else
  console.log(
    `the port in C, ${c.controls} controls, ${c.touches} touches: a tick ${c.tickUs.toFixed(1)} µs (aim 2), reading ${(c.readUs / 1000).toFixed(2)} ms (aim 1), placing ${c.placeUs.toFixed(1)} µs (aim 20), memory ${KiB(c.layoutBytes)} read, ${KiB(c.placedBytes)} placed, ${KiB(c.stateBytes)} a state (aim 64 KiB), object code ${KiB(c.objectBytes)} at -Os (aim 60 KiB)`,
  );
if (process.argv.includes("--core")) process.exit(0);
if (process.argv.includes("--runtime")) {
  await printRuntime();
  process.exit(0);
}
if (process.argv.includes("--imports")) {
  await printImports();
  process.exit(0);
}
await printStart();
await printRuntime();
await runPart("settle");
const { benchActions, benchBrowser, benchGrid, benchPlay, benchTake } = await import("./browser.mjs");
const b = await benchBrowser();
console.log(
  `dragging, 60 controls with pictures, 12 screens live: script a frame ${b.median.toFixed(1)} ms median, ${b.p95.toFixed(1)} ms at the 95th percentile (${b.frames} frames; aims 5 and 12 ms)`,
);
const { counts } = b.counted;
const count = (key, words) => `${words} ${counts[key].median} (most ${counts[key].most})`;
console.log(
  `  a frame of it, whatever the machine: ${[
    count("components", "components rendered"),
    count("lengths", "lengths read"),
    count("screens", "screens placed"),
    count("controls", "controls placed anew"),
    count("canvases", "canvases touched"),
  ].join(", ")} (aims: components 12, lengths 0, controls: the one that is dragged on each screen)`,
);
console.log(`  rendered a frame: ${b.counted.names.join(", ")}`);
console.log(
  `nudging by key, 100 controls: script a press ${b.nudges.press.toFixed(1)} ms until it is drawn (aim 8 ms), ${b.nudges.all.toFixed(1)} ms with the findings, fixes and the saving that follow`,
);
console.log(`cold load of the bench to the first drag: ${(b.load / 1000).toFixed(2)} s (median of 5; aim 1.5 s)`);
console.log(
  `loading a layout again: ${(b.reopened.bare / 1000).toFixed(2)} s to the glass, ${(b.reopened.logged / 1000).toFixed(2)} s with 1,000 edits in its log (median of 5)`,
);
console.log(`JavaScript shipped to the bench: ${b.shippedKb.toFixed(0)} kB gzip (aim 350 kB)`);
const a = await benchActions();
console.log(
  `drawing a wire, 60 actions and 60 controls: script a frame ${a.median.toFixed(1)} ms median, ${a.p95.toFixed(1)} ms at the 95th percentile (${a.frames} frames)`,
);
console.log(
  `source of a game, 5,000 files of 30 MB: read in ${a.seconds.toFixed(1)} s (aim 10 s), the page never silent for longer than ${a.longestMs.toFixed(0)} ms`,
);
/** Five minutes of play; fewer where that is said. */
const p = await benchPlay(Number(process.env.PLAY_SECONDS ?? 300));
console.log(
  `playing, 40 controls and 10 looped fingers: script a frame ${p.median.toFixed(1)} ms median, ${p.p95.toFixed(1)} ms at the 95th percentile (${p.frames} frames; aims 4 and 10 ms); memory ${p.before.toFixed(1)} MB, after ${p.seconds} s ${p.after.toFixed(1)} MB`,
);
const k = await benchTake();
console.log(
  `a take of half an hour: open after ${(k.opened / 1000).toFixed(2)} s (aim 1 s), all of it known after ${(k.known / 1000).toFixed(2)} s; at eight times its speed it goes ${k.speed.toFixed(1)} times, script a frame ${k.median.toFixed(1)} ms median, ${k.p95.toFixed(1)} ms at the 95th percentile; running traces cost ${k.traces.toFixed(1)} ms a frame (aim 1 ms)`,
);
const g = await benchGrid();
console.log(
  `the grid, 60 controls on ${g.screens} screens and 4 faces: the first cells after ${(g.first / 1000).toFixed(2)} s, all of them after ${(g.all / 1000).toFixed(2)} s, the view and its worker begun anew (aim 2 s)`,
);
await printImports();

/** How long the page is silent at the longest while something large or hostile is imported. */
async function printImports() {
  const { benchImports: measured } = await import("./browser.mjs");
  for (const { what, ms, longestMs } of await measured())
    console.log(`importing ${what}: ${(ms / 1000).toFixed(1)} s, the page never silent for longer than ${longestMs.toFixed(0)} ms (aim 200 ms)`);
}

/** How soon a touch is in a value, and what a frame allocates. */
async function printRuntime() {
  await build({
    ...{ entryPoints: [join(root, "bench", "forty.ts")], outfile: join(root, ".cache", "bench-forty.mjs") },
    ...{ bundle: true, platform: "node", format: "esm", logLevel: "error" },
  });
  const { allocations, latencies } = await import("./runtime.mjs");
  for (const { hz, loop, order, touches, counts } of await latencies())
    console.log(
      `from a touch to the value, ${hz} pictures a second, loop "${loop}", the game's own begun ${order} play: in the same picture ${((100 * counts[0]) / touches).toFixed(1)} % (aim 95 %), one later ${counts[1]}, more ${counts[2]}, of ${touches} touches`,
    );
  for (const [name, { idle, moving }] of Object.entries(await allocations()))
    console.log(
      `allocated a frame, 40 controls, ${name}: ${kB(idle.bytes)} while nothing is touched, ${kB(moving.bytes)} while ten fingers move (aim ${name === "with drawing" ? 8 : 2} kB)`,
    );
}

/** From the command to the first page, built. */
async function printStart() {
  if (ensureBuilt() !== 0) process.exit(1);
  const { benchStart } = await import("./start.mjs");
  const seconds = await benchStart();
  console.log(
    `from npm start to the first page, built: ${seconds[2].toFixed(1)} s median of ${seconds.length}, ${seconds.at(-1).toFixed(1)} s at most (aim 3 s)`,
  );
}
