/** What a request to settle asks for, read from its address. */
import { FINDING_CODES, SEVERITIES, type FindingCode, type Severity } from "../core/checks/finding";
import { facesOf } from "../core/checks/grid";
import type { Layout, Screen } from "../core/format/types";
import { ok, type Problem, type Result } from "../core/engine/result";
import { MOST_MISS_MM, readChangeables, readCodes, SETTLED_CODES, USUALLY_CHANGEABLE, type Changeable, type SettleRequest } from "../core/settle/request";
import { readCheckRequest, viewOfRequest, type CheckRequest } from "./checkRequest";
import { oneOf, strangers } from "./query";

/** The question, before it is known of which layout. */
export interface SettleQuery extends CheckRequest {
  readonly codes: readonly FindingCode[];
  readonly severities: readonly Severity[];
  readonly changeable: readonly Changeable[];
  readonly missMm: number;
  readonly notes: (typeof NOTES)[number];
  readonly held: readonly string[];
}

const OWN = ["codes", "severity", "change", "misses", "notes", "lock"];
/** Whether notes stay as they are, or may come and grow. */
const NOTES = ["stay", "grow"] as const;
const KNOWN = ["screen", "players", "handed", "player-size", "moment", ...OWN];
/** So many controls and clusters may be held. */
const MOST_HELD = 300;

/** Reads the query of an address; each fault names its part. */
export function readSettleRequest(query: URLSearchParams): Result<SettleQuery> {
  const problems: Problem[] = strangers(query, KNOWN);
  const shared = new URLSearchParams([...query].filter(([key]) => KNOWN.includes(key) && !OWN.includes(key)));
  const read = readCheckRequest(shared);
  if (!read.ok) problems.push(...read.problems);
  const severity = oneOf(query.get("severity"), { key: "severity", choices: SEVERITIES, usual: "warning", problems });
  const codes = query.has("codes") ? readCodes(query.get("codes")!) : ok(SETTLED_CODES);
  if (!codes.ok) problems.push(...codes.problems);
  const changeable = query.has("change") ? readChangeables(query.get("change")!) : ok(USUALLY_CHANGEABLE);
  if (!changeable.ok) problems.push(...changeable.problems);
  const notes = oneOf(query.get("notes"), { key: "notes", choices: NOTES, usual: "stay", problems });
  const missMm = query.has("misses") ? Number(query.get("misses")) : 0;
  if (query.has("misses") && !(missMm > 0 && missMm <= MOST_MISS_MM))
    problems.push({ path: "misses", message: `must be a number of mm above 0, at most ${MOST_MISS_MM}` });
  const held = query.getAll("lock");
  if (held.length > MOST_HELD) problems.push({ path: "lock", message: `at most ${MOST_HELD} ids` });
  if (problems.length > 0 || !read.ok || !codes.ok || !changeable.ok) return { ok: false, problems };
  const severities = SEVERITIES.slice(0, SEVERITIES.indexOf(severity) + 1);
  return ok({
    ...read.value,
    codes: FINDING_CODES.filter((code) => codes.value.includes(code)),
    severities,
    changeable: changeable.value,
    missMm,
    notes,
    held,
  });
}

/** The question about a layout. Refused where it has no such moment, or nothing of an id that is to be held. */
export function settleRequestOf(layout: Layout, screens: readonly Screen[], query: SettleQuery): Result<SettleRequest> {
  const view = viewOfRequest(layout, query);
  if (!view.ok) return view;
  const known = new Set([...layout.controls, ...layout.clusters].map(({ id }) => id));
  const problems = query.held.flatMap((id, i) =>
    known.has(id) ? [] : [{ path: `lock[${i}]`, message: `there is no control or cluster "${id.slice(0, 80)}" in this layout` }],
  );
  if (problems.length > 0) return { ok: false, problems };
  const { handed, playerSize, moment } = view.value;
  const faces = query.allPlayers ? facesOf(layout) : [{ handed, playerSize }];
  return ok({
    layout,
    screens,
    faces,
    moment,
    codes: query.codes,
    severities: query.severities,
    held: query.held,
    changeable: query.changeable,
    notesMayGrow: query.notes === "grow",
    missMm: query.missMm,
    weights: {},
  });
}
