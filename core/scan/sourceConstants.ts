/**
 * Names in source that represent something fixed, as texts do: constants in capitals (`JUMP`), members of an enumeration
 * (`Action.JUMP`, `Action::Jump`, `.jump`), and constants that plainly mean a key (`K_LEFT`).
 */
import { isSign, joins, memoized } from "./chains";
import { keyOfConstant, isKeyList } from "./keyNames";
import type { Family, Token } from "./lex";

/** Some tokens that mean one thing, from the first to the last. */
export interface Piece {
  readonly first: number;
  readonly last: number;
}

/** A constant where source uses it. */
export interface Constant extends Piece {
  /** Its own name, as it is spelt: of `Action.JUMP` it is `JUMP`. */
  readonly word: string;
  /** What it is a member of: `Action`; empty where nothing is said. */
  readonly owner: string;
  /** The position of the key that it plainly means, else null. */
  readonly key: string | null;
}

const CAPITALS = /^[A-Z][A-Z\d]*(?:_[A-Z\d]+)*$/;
/** Constants of every language, which are no words of a game. */
const EVERYWHERE = /^(?:NULL|TRUE|FALSE|NONE|NIL|EOF|NAN|PI|TAU|INFINITY|INF|EPSILON|MIN|MAX|MIN_VALUE|MAX_VALUE|ASSERT|DEBUG|TODO|OK|ERROR|UNUSED|SELF)$/i;
/** Names of lists whose members are constants although they are written small. */
const LIST = /^(?:actions?|keys?|keycodes?|keyboard|buttons?|inputs?|commands?|controls?|intents?|moves?|verbs?)$/i;
/** Members that every enumeration has, and what they are asked for. */
const NO_MEMBER =
  /^(?:length|size|count|name|value|values|ordinal|rawValue|allCases|entries|toString|hashCode|class|prototype|self|Self|new|default|Default|None|Empty)$/;

const isCapital = (text: string) => text.length > 1 && CAPITALS.test(text) && !EVERYWHERE.test(text);
const startsLarge = (text: string) => text.charCodeAt(0) >= 65 && text.charCodeAt(0) <= 90;
/** Families in which what follows `case` is a constant, however it is written; in others it may be a name that is given there. */
const NAMED_CASES: ReadonlySet<Family> = new Set<Family>(["c", "cpp", "csharp", "java", "go", "script", "dart"]);

/** The key of a constant told as `owner.member`. */
const keyOf = memoized((chain) => {
  const dot = chain.indexOf(".");
  return keyOfConstant(chain.slice(0, dot), chain.slice(dot + 1));
});

/** Whether a name may be that of a list of constants. */
const hasMembers = memoized((name) => startsLarge(name) || LIST.test(name) || isKeyList(name));

/** Whether the dot at a place begins a member whose list remains unsaid (`.jump` of Swift and Zig). */
const isBareDot = (tokens: readonly Token[], dot: number) =>
  isSign(tokens[dot], ".") &&
  (isSign(tokens[dot - 1], "(", ",", "[", "==", "!=", "|", ":", "{") || (tokens[dot - 1]?.kind === "name" && tokens[dot - 1].text === "case"));

/** The constant whose last name is at a place; null where that is none, or only a part of a longer one. */
export function constantAt(tokens: readonly Token[], i: number, family: Family): Constant | null {
  const token = tokens[i];
  const { text } = token;
  const before = tokens[i - 1] as Token | undefined;
  const isMember = before?.kind === "sign" && before.text !== ":" && (joins(tokens, i - 1) || (family === "swift" && isBareDot(tokens, i - 1)));
  const isCase = before?.kind === "name" && before.text === "case" && NAMED_CASES.has(family);
  // Most names of a source are neither: they are distinguished at the first look.
  if (!startsLarge(text) && !isCase) {
    if (isMember ? family !== "swift" && !(tokens[i - 2]?.kind === "name" && hasMembers(tokens[i - 2].text)) && !/_/.test(text) : text.charCodeAt(0) !== 107)
      return null;
  }
  if (isMember ? NO_MEMBER.test(text) : EVERYWHERE.test(text)) return null;
  const after = tokens[i + 1];
  if (isSign(after, "(")) return null;
  // `Action.JUMP.name`: the constant goes on to what is asked of it.
  let last = i;
  if (after?.text !== ":" && joins(tokens, i + 1) && tokens[i + 2]?.kind === "name") {
    if (!isCapital(text) || !/^[a-z]/.test(tokens[i + 2].text) || after.text === "->") return null;
    last = i + 2;
    if (isSign(tokens[last + 1], "(") && isSign(tokens[last + 2], ")")) last += 2;
    else if (isSign(tokens[last + 1], "(", ".", "[")) return null;
  }
  if (isMember && family === "swift" && isBareDot(tokens, i - 1)) return { word: text, owner: "", key: null, first: i - 1, last };
  let first = i;
  while (tokens[first - 1]?.text !== ":" && joins(tokens, first - 1) && tokens[first - 2]?.kind === "name") first -= 2;
  const owner = first < i ? tokens[i - 2].text : "";
  if (isMember && owner === "") return null;
  const key = keyOf(`${owner}.${text}`);
  const isPascal = (family === "go" && /^[A-Z][a-z\d]+[A-Z]\w*$/.test(text)) || (family === "cpp" && /^k[A-Z]\w+$/.test(text));
  if (key !== null && (isMember || isPascal || isCapital(text) || /^[A-Z]+_\w+$/.test(text))) return { word: text, owner, key, first, last };
  const counts = owner === "" ? isCapital(text) || isCase || isPascal : isCapital(text) || hasMembers(owner);
  return counts ? { word: text, owner, key: null, first, last } : null;
}
