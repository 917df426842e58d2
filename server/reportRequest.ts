/** What a request for a report asks for, read from its address. */
import { ok, type Problem, type Result } from "../core/engine/result";
import { REPORT_PARTS, SHRINKS, type ReportPart } from "../core/report/reportSource";
import { PAPERS, type Paper } from "../core/report/style";
import { MOST_SCREENS, oneOf, strangers } from "./query";

export interface ReportRequest {
  readonly screens: readonly string[];
  readonly paper: Paper;
  readonly shrinks: (typeof SHRINKS)[number];
  readonly parts: readonly ReportPart[];
}

const KNOWN = ["screen", "paper", "scale", "part"];

/** Reads the query of an address; each fault names its part. */
export function readReportRequest(query: URLSearchParams): Result<ReportRequest> {
  const problems: Problem[] = strangers(query, KNOWN);
  const choose = <T extends string>(key: string, choices: readonly T[], usual: T) => oneOf(query.get(key), { key, choices, usual, problems });
  const paper = choose("paper", PAPERS, "a4");
  const scale = choose("scale", SHRINKS.map(String), "2");
  const screens = query.getAll("screen");
  if (screens.length > MOST_SCREENS) problems.push({ path: "screen", message: `at most ${MOST_SCREENS} screens per request` });
  const named = query.getAll("part").map((part) => oneOf(part, { key: "part", choices: REPORT_PARTS, usual: "layout" as ReportPart, problems }));
  if (problems.length > 0) return { ok: false, problems };
  return ok({ screens, paper, shrinks: SHRINKS.find((one) => String(one) === scale)!, parts: named.length > 0 ? named : REPORT_PARTS });
}
