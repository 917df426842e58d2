/**
 * Older files, brought up to the present version step by step.
 * A step is a named pure function from the file of one version to that of the next; version 1 is the first, so the chain is empty.
 */
import { ok, refused, type Result } from "../engine/result";
import { FILE_FORMAT, FILE_VERSION } from "./schema/file";

type Plain = Record<string, unknown>;
/** One step: `from` is the version it reads, its result is of version `from + 1`. */
export interface Migration {
  readonly from: number;
  readonly name: string;
  readonly apply: (file: Plain) => Plain;
}

/** The chain this program knows, in order. */
const MIGRATIONS: readonly Migration[] = [];

/** Checks format and version and applies the steps that are due. `current` and `chain` are given by tests alone. */
export function migrate(value: unknown, current: number = FILE_VERSION, chain: readonly Migration[] = MIGRATIONS): Result<unknown> {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return refused("", "this is not a layout file: the file must hold one JSON object");
  let file = value as Plain;
  if (file.format !== FILE_FORMAT) return refused("format", `this is not a layout file: "format" must be "${FILE_FORMAT}"`);
  const version = file.version;
  if (typeof version !== "number" || !Number.isInteger(version) || version < 1) return refused("version", `must be a whole number from 1 to ${current}`);
  if (version > current) return refused("version", `the file has version ${version}; this program reads up to version ${current}. Use a newer Nodulum`);
  for (let at = version; at < current; at += 1) {
    const step = chain.find((s) => s.from === at);
    if (!step) return refused("version", `version ${at} cannot be migrated to ${current}: the step from ${at} is missing`);
    file = { ...step.apply(file), version: at + 1 };
  }
  return ok(file);
}
