/** What a request for a check asks for, read from its address. */
import { catalogueFor } from "../core/checks/catalogue";
import { readScreenText } from "../core/exchange/screens";
import type { PlayerView } from "../core/engine/placement/resolve";
import { ok, refused, type Problem, type Result } from "../core/engine/result";
import type { Layout, Screen } from "../core/format/types";
import { MOST_SCREENS, oneOf, strangers } from "./query";

/** How findings are reported: at once in one document, or (ndjson) a screen a line as they are found. */
export const ANSWER_FORMATS = ["json", "sarif", "junit", "ndjson"] as const;
export type AnswerFormat = (typeof ANSWER_FORMATS)[number];

export interface CheckRequest {
  readonly format: AnswerFormat;
  readonly screens: readonly string[];
  readonly allPlayers: boolean;
  readonly handed: PlayerView["handed"];
  readonly playerSize: number;
  readonly moment: string | null;
  readonly failOn: "blocker" | "warning";
}

const KNOWN = ["format", "screen", "players", "handed", "player-size", "moment", "fail-on"];

/** Reads the query of an address; each fault names its part. */
export function readCheckRequest(query: URLSearchParams): Result<CheckRequest> {
  const problems: Problem[] = strangers(query, KNOWN);
  const tell = (path: string, message: string) => void problems.push({ path, message });
  const choose = <T extends string>(key: string, choices: readonly T[], usual: T) => oneOf(query.get(key), { key, choices, usual, problems });
  const format = choose("format", ANSWER_FORMATS, "json");
  const handed = choose("handed", ["right", "left"] as const, "right");
  const failOn = choose("fail-on", ["blocker", "warning"] as const, "blocker");
  const players = choose("players", ["one", "all"] as const, "one");
  const playerSize = Number(query.get("player-size") ?? "1");
  if (!(playerSize >= 0.25 && playerSize <= 4)) tell("player-size", "is not a number from 0.25 to 4");
  const screens = query.getAll("screen");
  if (screens.length > MOST_SCREENS) tell("screen", `at most ${MOST_SCREENS} screens per request`);
  if (problems.length > 0) return { ok: false, problems };
  return ok({ format, screens, allPlayers: players === "all", handed, playerSize, moment: query.get("moment"), failOn });
}

/** The screens that are asked for; without, the shipped catalogue. */
export function screensOfRequest(layout: Layout, { screens }: Pick<CheckRequest, "screens">): Result<readonly Screen[]> {
  if (screens.length === 0) return ok(catalogueFor(layout.orientation));
  const read = screens.map(readScreenText);
  const problems = read.flatMap((one, i) => (one.ok ? [] : one.problems.map((p) => ({ path: `screen[${i}]`, message: p.message }))));
  return problems.length > 0 ? { ok: false, problems } : ok(read.flatMap((one) => (one.ok ? [one.value] : [])));
}

/** The player that is asked for. Refused where the layout has no such moment. */
export function viewOfRequest(layout: Layout, { handed, playerSize, moment }: CheckRequest): Result<PlayerView> {
  if (moment === null || layout.moments.some((m) => m.id === moment)) return ok({ handed, playerSize, moment });
  const known = layout.moments.map((m) => m.id).join(", ");
  return refused("moment", `there is no moment "${moment.slice(0, 80)}"${known ? `; known: ${known}` : "; the layout has none"}`);
}
