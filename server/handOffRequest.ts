/** What a request for parcels asks for, read from its address. */
import { CONSTANT_LANGUAGES, type ConstantLanguage } from "../core/exchange/constants";
import { ok, type Problem, type Result } from "../core/engine/result";
import { Y_DIRECTIONS, type YDirection } from "../core/exchange/boxDirection";
import { PAPERS, type Paper } from "../core/report/style";
import { PARCEL_IDS, type ParcelId } from "../parcels/parcel";
import { MOST_SCREENS, oneOf, strangers } from "./query";

export interface HandOffRequest {
  readonly parcels: readonly ParcelId[];
  readonly screens: readonly string[];
  readonly direction: YDirection;
  readonly language: ConstantLanguage;
  readonly paper: Paper;
}

const KNOWN = ["parcel", "screen", "y", "language", "paper"];
/** Takes are recorded where they are played: a request brings none. */
const HERE = PARCEL_IDS.filter((id) => id !== "takes");

/** Reads the query of an address; each fault names its part. Without a parcel, all that can be made here. */
export function readHandOffRequest(query: URLSearchParams): Result<HandOffRequest> {
  const problems: Problem[] = strangers(query, KNOWN);
  const choose = <T extends string>(key: string, choices: readonly T[], usual: T) => oneOf(query.get(key), { key, choices, usual, problems });
  const direction = choose("y", Y_DIRECTIONS, "down");
  const language = choose("language", CONSTANT_LANGUAGES, "typescript");
  const paper = choose("paper", PAPERS, "a4");
  const screens = query.getAll("screen");
  if (screens.length > MOST_SCREENS) problems.push({ path: "screen", message: `at most ${MOST_SCREENS} screens per request` });
  const named = query.getAll("parcel").map((parcel) => oneOf<ParcelId>(parcel, { key: "parcel", choices: HERE, usual: "played", problems }));
  if (problems.length > 0) return { ok: false, problems };
  return ok({ parcels: named.length > 0 ? [...new Set(named)] : HERE, screens, direction, language, paper });
}
