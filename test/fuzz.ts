/**
 * Layout files, event streams and source texts broken at random, thrown at the core: never anything but its own refusals, never a value
 * outside its range. The random numbers come from a seed, so that a failure can be had again. For tests and `npm run fuzz`.
 */
import { randomFrom } from "./random";
import { checkScreen } from "../core/checks/check";
import { readTrace } from "../core/exchange/traceFile";
import { replay } from "../core/engine/input/advance";
import { readLayout } from "../core/format/parse";
import type { ActionKind, Layout } from "../core/format/types";
import { writeLayout } from "../core/format/write";
import { resolveLayout } from "../core/engine/placement/resolve";
import { scanSource } from "../core/scan/reads";
import type { Family } from "../core/scan/lex";
import { bytesOfText } from "../core/engine/read/json";
import { readPlayed } from "../core/engine/read/played";
import { plainScreen } from "../core/engine/placement/screen";

const words = (text: string) => text.split(" ");

const ODD: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -1e-308,
  "",
  "12 mm",
  "-5mm",
  "0u",
  "1e9u",
  "999999999999px",
  [],
  {},
  [0, 1],
  "stick",
  "safe",
  { cluster: "ring" },
  "\u0000",
  "∞",
  0.5,
  200,
  "__proto__",
  "constructor",
  "\u001b[31m\n",
  "\ud800",
  "n".repeat(5000),
  Array.from({ length: 300 }, () => ({})),
  nested(70),
];

/** A list in a list in a list. */
function nested(depth: number): unknown {
  return depth === 0 ? 1 : [nested(depth - 1)];
}
const SCREENS = [plainScreen("a", 2400, 1080, 411), plainScreen("b", 480, 640, 229), plainScreen("c", 1, 1, 1)];

/** Changes a few places of a plain value in place: other values, removed keys, keys of other objects, repeated items. */
export function mutate(value: unknown, random: () => number): void {
  const spots: { container: Record<string, unknown> | unknown[]; key: string }[] = [];
  const walk = (item: unknown): void => {
    if (typeof item !== "object" || item === null) return;
    for (const key of Object.keys(item)) {
      spots.push({ container: item as Record<string, unknown>, key });
      walk((item as Record<string, unknown>)[key]);
    }
  };
  walk(value);
  const some = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  for (let n = 1 + Math.floor(random() * 3); n > 0 && spots.length > 0; n -= 1) {
    const { container, key } = some(spots);
    const target = container as Record<string, unknown>;
    const dice = random();
    if (dice < 0.45) target[key] = some(ODD);
    else if (dice < 0.6) {
      const other = some(spots);
      target[key] = JSON.parse(JSON.stringify((other.container as Record<string, unknown>)[other.key] ?? null));
    } else if (dice < 0.75 && !Array.isArray(container)) delete target[key];
    else if (dice < 0.85 && Array.isArray(container)) container.push(container[0]);
    else if (dice < 0.95 && typeof target[key] === "number") target[key] = (target[key] as number) * (random() * 4 - 1);
    else target[random() < 0.3 ? "constructor" : `${key}x`] = target[key];
  }
}

/** Reads a broken file; what is taken must resolve, be checked, be written and read again. */
function tryFile(file: unknown): "taken" | "refused" {
  const read = readLayout(JSON.stringify(file));
  if (!read.ok) {
    if (read.problems.length === 0 || read.problems.some((p) => p.message === "")) throw new Error("refused without a reason");
    return "refused";
  }
  for (const screen of SCREENS) {
    const resolved = resolveLayout(read.value, screen);
    for (const c of resolved.controls)
      if (![c.visual.x, c.visual.y, c.visual.w, c.visual.h, c.hit.w, c.hit.h].every((n) => !Number.isNaN(n))) throw new Error(`NaN in ${c.id}`);
    for (const f of checkScreen(read.value, screen)) if (Number.isNaN(f.measure?.value ?? 0)) throw new Error(`NaN in ${f.code}`);
  }
  const text = writeLayout(read.value);
  const again = readLayout(text);
  if (!again.ok || writeLayout(again.value) !== text) throw new Error("written and read it is another layout");
  return "taken";
}

/** A stream of events at random: ids reused, downs twice, moves without a down, times equal, points far off, at times what no event is. */
function randomTrace(random: () => number): string {
  const lines: string[] = [];
  let t = 0;
  const count = Math.floor(random() * 50);
  const far = () => (random() < 0.1 ? (random() - 0.5) * 1e9 : random() * 2400);
  for (let i = 0; i < count; i += 1) {
    if (random() < 0.7) t += random() * 40;
    const dice = random();
    let event: unknown;
    if (dice < 0.7) event = { t, id: Math.floor(random() * 4), type: ["down", "move", "move", "up", "cancel"][Math.floor(random() * 5)], x: far(), y: far() };
    else if (dice < 0.8) event = { t, type: "key", code: ["KeyW", "KeyQ", "Space", ""][Math.floor(random() * 4)], down: random() < 0.5 };
    else if (dice < 0.85) event = { t, type: "pad", buttons: [random(), random() * 3 - 1], axes: [random() * 4 - 2, random(), random(), random()] };
    else if (dice < 0.9) event = { t, type: "mouse", dx: far(), dy: -far() };
    else if (dice < 0.98)
      event = [
        { t, type: "moment", moment: ["sail", null, "nowhere"][Math.floor(random() * 2.1)] },
        { t, type: "control", id: random() < 0.98 ? "a" : "nowhere", shown: random() < 0.5 },
        { t, type: "off" },
        { t, type: "on" },
        { t, type: "blur" },
      ][Math.floor(random() * 5)];
    else event = { t, id: 1, type: "down", x: "NaN", y: null };
    lines.push(JSON.stringify(event));
  }
  return lines.join("\n");
}

const isFiniteNumber = (n: unknown): n is number => typeof n === "number" && Number.isFinite(n);
/** Whether a value is one that an action of a kind may have. */
function isInRange(kind: ActionKind, value: unknown): boolean {
  if (kind === "press") return typeof value === "boolean";
  if (kind === "axis" || kind === "delta") return isFiniteNumber(value) && (kind === "delta" || Math.abs(value) <= 1);
  if (!Array.isArray(value) || !value.every(isFiniteNumber)) return false;
  return kind === "motion" || Math.hypot(...value) <= 1 + 1e-9;
}

/** Plays a stream; what is taken must give values in their range. */
function tryTrace(layout: Layout, trace: string): "taken" | "refused" {
  const read = readTrace(trace, layout);
  if (!read.ok) return "refused";
  for (const { values } of replay(layout, resolveLayout(layout, SCREENS[0]), read.value, { hz: 60 }))
    for (const action of layout.actions) {
      const value = values[action.name];
      const fine = isInRange(action.kind, value);
      if (!fine) throw new Error(`${action.name} gives ${JSON.stringify(value)}`);
    }
  return "taken";
}

/** Breaks the bytes of a played file in a few places: other bytes, cut off, doubled, glued; or its values, as files of layouts are broken. */
export function brokenPlayed(text: string, random: () => number): Uint8Array {
  if (random() < 0.6) {
    const value: unknown = JSON.parse(text);
    mutate(value, random);
    return bytesOfText(JSON.stringify(value));
  }
  const bytes = [...bytesOfText(text)];
  const at = () => Math.floor(random() * bytes.length);
  for (let n = 1 + Math.floor(random() * 3); n > 0; n -= 1) {
    const dice = random();
    if (dice < 0.4) bytes[at()] = Math.floor(random() * 256);
    else if (dice < 0.6) bytes[at()] = ODD_BYTES[Math.floor(random() * ODD_BYTES.length)];
    else if (dice < 0.75) bytes.splice(at(), 1 + Math.floor(random() * 5));
    else if (dice < 0.9) {
      const from = at();
      bytes.splice(at(), 0, ...bytes.slice(from, from + Math.floor(random() * 60)));
    } else bytes.length = at();
  }
  return Uint8Array.from(bytes);
}
const ODD_BYTES = [...'"\\{}[],:0-.eEu'].map((sign) => sign.charCodeAt(0)).concat(0, 0x80, 0xc0, 0xed, 0xff);

/** Reads a broken played file; what is taken must play, what is refused must say where and why. */
function tryPlayed(bytes: Uint8Array): "taken" | "refused" {
  const read = readPlayed(bytes);
  if (!read.ok) {
    if (read.problems.length !== 1 || read.problems[0].message === "") throw new Error("refused without a reason");
    return "refused";
  }
  const { layout } = read.value;
  for (const screen of SCREENS) {
    const resolved = resolveLayout(layout, screen);
    if (resolved.controls.some((c) => Number.isNaN(c.visual.x + c.visual.w + c.hit.h))) throw new Error("NaN in a place");
    replay(layout, resolved, [{ t: 3, type: "down", id: 1, x: 40, y: 40 }], { hz: 60 });
  }
  return "taken";
}

/** A run over broken played files; says how many were taken, and throws with the seed of what failed. */
export function fuzzPlayed(files: readonly string[], times: number, seed: number): number {
  let accepted = 0;
  for (let i = 0; i < times; i += 1) {
    try {
      if (tryPlayed(brokenPlayed(files[i % files.length], randomFrom(seed + i))) === "taken") accepted += 1;
    } catch (error) {
      throw new Error(`played, seed ${seed + i}: ${error instanceof Error ? `${error.message}\n${error.stack}` : String(error)}`, { cause: error });
    }
  }
  return accepted;
}

const SOURCE_FAMILIES: readonly Family[] = ["script", "csharp", "cpp", "java", "kotlin", "swift", "dart", "lua", "rust", "python", "c"];
const SOURCE_PIECES = words(
  '" \' ` \\ /* */ // -- # [[ ]] ${ } { ( ) [ ] == === => -> :: . , ; case switch match when "horn" \'helm\' input pressed r#" R"( )" """ $" @" \\( é 🚤',
);

/** Source of any family made at random; what is found is on a line that there is. */
function tryScan(random: () => number): void {
  const family = SOURCE_FAMILIES[Math.floor(random() * SOURCE_FAMILIES.length)];
  let source = "";
  for (let i = Math.floor(random() * 60); i > 0; i -= 1)
    source += SOURCE_PIECES[Math.floor(random() * SOURCE_PIECES.length)] + (random() < 0.3 ? "\n" : random() < 0.5 ? " " : "");
  const { reads, standards } = scanSource(source, family);
  const lines = source.split("\n").length;
  for (const { line } of [...reads, ...standards])
    if (!(line >= 1 && line <= lines)) throw new Error(`a read on line ${line} of ${lines}: ${JSON.stringify(source)}`);
}

/** A run of all three; says how many were taken, and throws with the seed of what failed. */
export function fuzz(files: readonly unknown[], layouts: readonly Layout[], times: number, seed: number): { filesAccepted: number; tracesAccepted: number } {
  let filesAccepted = 0;
  let tracesAccepted = 0;
  for (let i = 0; i < times; i += 1) {
    const random = randomFrom(seed + i);
    const file: unknown = JSON.parse(JSON.stringify(files[i % files.length]));
    try {
      mutate(file, random);
      tryScan(random);
      if (tryFile(file) === "taken") filesAccepted += 1;
      if (tryTrace(layouts[i % layouts.length], randomTrace(random)) === "taken") tracesAccepted += 1;
    } catch (error) {
      throw new Error(`seed ${seed + i}: ${error instanceof Error ? `${error.message}\n${error.stack}` : String(error)}`, { cause: error });
    }
  }
  return { filesAccepted, tracesAccepted };
}
