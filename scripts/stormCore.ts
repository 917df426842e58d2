/** A part of the storm through the core: this many broken layout files and event streams from a seed on, each measured. Says how far it is, and at the end what it did, as JSON lines. */
import { conformanceCases } from "../test/cases";
import { fuzz } from "../test/fuzz";
import { parseLayout } from "../core/format/parse";

/** What a part has done. Times in ms of the processor, memory in MiB. */
export interface CoreReport {
  readonly times: number;
  readonly filesTaken: number;
  readonly tracesTaken: number;
  readonly slowestMs: number;
  readonly slowestSeed: number;
  readonly mostMib: number;
}

const STRETCH = 10_000;

/** Runs a part. Throws, with its seed, on the first file or stream that is not refused and not sound. */
export function stormCore(times: number, seed: number, onStretch: (report: CoreReport) => void): CoreReport {
  const files = conformanceCases().map((c) => c.layout);
  const layouts = files.flatMap((file) => {
    const read = parseLayout(file);
    return read.ok ? [read.value] : [];
  });
  let report: CoreReport = { times: 0, filesTaken: 0, tracesTaken: 0, slowestMs: 0, slowestSeed: seed, mostMib: 0 };
  for (let i = 0; i < times; i += 1) {
    const begun = process.cpuUsage();
    // Which file and layout follows from the seed, so that one can be had again alone.
    const at = (seed + i) % files.length;
    const { filesAccepted, tracesAccepted } = fuzz([files[at]], [layouts[at % layouts.length]], 1, seed + i);
    // Of the processor, so that what else the machine does does not count.
    const { user, system } = process.cpuUsage(begun);
    const ms = (user + system) / 1000;
    const slower = ms > report.slowestMs;
    report = {
      times: i + 1,
      filesTaken: report.filesTaken + filesAccepted,
      tracesTaken: report.tracesTaken + tracesAccepted,
      slowestMs: slower ? ms : report.slowestMs,
      slowestSeed: slower ? seed + i : report.slowestSeed,
      mostMib: i % 500 === 0 ? Math.max(report.mostMib, process.memoryUsage.rss() / 1048576) : report.mostMib,
    };
    if ((i + 1) % STRETCH === 0) onStretch(report);
  }
  return report;
}
