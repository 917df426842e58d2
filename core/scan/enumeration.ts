/** The members of an enumeration, where it is declared: a game that lists its inputs says all of them at one place. */
import type { CalleeUse, SourcePlace } from "./asking";
import { isSign } from "./chains";
import type { Family, Token } from "./lex";

/** So many tokens are between the word `enum` and its brace, at most. */
const HEAD = 14;
/** A class of Python is looked for so far back, tokens. */
const FAR = 600;

/** The name of the enumeration in which a name is declared at a place, as what asks for it; null where it is declared in none. */
export function enumerationOf(place: SourcePlace, i: number, family: Family): CalleeUse | null {
  const { tokens, open } = place;
  const before = tokens[i - 1] as Token | undefined;
  // A member begins a line, or follows a bracket, a comma or the word case: nearly every other name is distinguished by that.
  if (before && before.text !== "{" && before.text !== "," && before.text !== "case" && before.line === tokens[i].line) return null;
  const bracket = open[open.length - 1] as number | undefined;
  const isBlock = bracket !== undefined && isSign(tokens[bracket], "{");
  const name = isBlock ? enumOf(tokens, i, bracket) : family === "python" ? classOf(place, i) : null;
  return name === null ? null : { callee: name, shape: "members", first: i, last: i };
}

/** `enum Action { JUMP, FIRE = 2 }`, and `case jump` in it. */
function enumOf(tokens: readonly Token[], i: number, brace: number): string | null {
  const before = tokens[i - 1];
  const after = tokens[i + 1] as Token | undefined;
  const isCase = before.kind === "name" && before.text === "case";
  if (!isCase && !isSign(before, "{", ",")) return null;
  if (!isSign(after, ",", "}", "=", "(", ";") && !(after?.kind === "name" && after.text === "case")) return null;
  for (let k = brace - 1; k > brace - HEAD && k >= 0; k -= 1) {
    if (isSign(tokens[k], "{", "}", ";", ")")) return null;
    if (tokens[k].kind !== "name" || tokens[k].text !== "enum") continue;
    const at = /^(?:class|struct)$/.test(tokens[k + 1].text) ? k + 2 : k + 1;
    return tokens[at].text;
  }
  return null;
}

/** `class Action(Enum):` with `JUMP = 1` on its own line. */
function classOf({ source, tokens, open }: SourcePlace, i: number): string | null {
  const columnOf = (token: Token) => token.at - source.lastIndexOf("\n", token.at - 1);
  if (open.length > 0 || !isSign(tokens[i + 1], "=") || !/^[A-Z]/.test(tokens[i].text) || tokens[i - 1]?.line === tokens[i].line) return null;
  for (let k = i - 1; k > i - FAR && k >= 0; k -= 1) {
    const token = tokens[k];
    if (token.kind !== "name") continue;
    if (/^(?:def|import)$/.test(token.text)) return null;
    if (token.text !== "class") continue;
    if (columnOf(token) >= columnOf(tokens[i])) return null;
    for (let b = k + 2; b < k + 12 && !isSign(tokens[b], ":"); b += 1) if (/Enum$|Flag$/.test(tokens[b].text)) return tokens[k + 1].text;
    return null;
  }
  return null;
}
