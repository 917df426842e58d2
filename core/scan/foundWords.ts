/** What a scan found, against the ledger: which callees ask for input most likely, and which of their words are new, known, gone or nearly the same. */
import type { ActionKind } from "../format/types";
import { nearestWord } from "../engine/nearest";
import { differByMeaning } from "../editing/wordMeaning";
import { partsOfName } from "./keyNames";
import { isLikelyInput, type ActionRead, type Standard } from "./reads";

/** A read with the file it is in. */
export interface FileRead extends ActionRead {
  readonly file: string;
}
/** A place of a game's code. */
export interface CodePlace {
  readonly file: string;
  readonly line: number;
}
/** Reads that are alike, with all their places: what is in a thousand places is reported once. */
export interface FoundRead extends Omit<ActionRead, "line"> {
  readonly places: readonly CodePlace[];
}

/** Gathers reads that are alike, in the order in which they come first. */
export function gatherReads(reads: readonly FileRead[]): FoundRead[] {
  const found = new Map<string, FoundRead & { readonly places: CodePlace[] }>();
  for (const { file, line, ...read } of reads) {
    const key = `${read.callee}\n${read.word}\n${read.owner}\n${read.isHandled}`;
    const like = found.get(key);
    if (like) like.places.push({ file, line });
    else found.set(key, { ...read, places: [{ file, line }] });
  }
  return [...found.values()];
}

/** Reads against a ledger: four directions read as one vector are four presses where the ledger has all four, else one vector. */
function readsFor(reads: readonly FoundRead[], actions: readonly string[]): FoundRead[] {
  const ledger = new Set(actions);
  return reads.flatMap((read): FoundRead[] => {
    const { directions, ...one } = read;
    return directions?.every((word) => ledger.has(word)) ? directions.map((word) => ({ ...one, word, kind: "press" })) : [read];
  });
}

/** A word of the web's standards with the file it is in. */
export interface FileStandard extends Standard {
  readonly file: string;
}

/** One sort of asking, with all the words it asks for. */
export interface Callee {
  readonly callee: string;
  /** How many places ask so. */
  readonly count: number;
  /** The words, those of the ledger first, then by how often. */
  readonly words: readonly string[];
  /** How many of the words are names of actions. */
  readonly known: number;
  /** Higher is likelier to read an input; only good for putting them in order. */
  readonly score: number;
}

/** Words in the name of what is surely something else: what prints, loads, draws, sounds, or keeps a state. */
const UNLIKELY = new Set(
  (
    "import require include log print debug warn error assert format path file load save translate locale style class color colour sprite sound sounds audio " +
    "music sfx texture image images picture json url http sql query test expect describe state status scene screen menu mode phase level tile font text draw " +
    "blit render fill play anim animation window type kind theme volume fullscreen resolution size width height random layer layers id ids tag"
  ).split(" "),
);
/** Names of events as every program has them: they say that something was pressed, not what for. */
const EVENT =
  /^(?:quit|exit|(?:sdl_?)?(?:key|mouse|touch|pointer|finger|joy|button|pad|controller|window|text)_?(?:button|axis|device|hat)?_?(?:down|up|move|motion|moved|start|end|ended|began|begin|enter|leave|cancel|press|pressed|release|released|click|clicked|wheel|drag|dragged|input|event|typed)|click|dblclick|load|resize|blur|focus|visibilitychange|contextmenu|beforeunload|user_?event|action_(?:down|up|move|cancel|pointer_down|pointer_up))$/i;
/** Words that name pictures, sounds, states of the game, sizes and colours, by themselves or by the list they are a member of. */
const THING =
  /(?:^|_)(?:STATES?|SCREENS?|MENUS?|SCENES?|IMAGES?|IMG|SPRITES?|TEXTURES?|SOUNDS?|SFX|MUSIC|COLORS?|COLOURS?|FONTS?|TILES?|WIDTH|HEIGHT|SIZE|SPEED|FPS|BLACK|WHITE|RED|GREEN|BLUE|YELLOW|PLAYING|PAUSED|GAME_?OVER|LOADING|TITLE|RUNNING|LEVEL|LAYER|WON|LOST|EMPTY|WALL)(?:_|$)/i;
const OWNER_OF_THINGS = /state|scene|screen|menu|image|sprite|texture|sound|music|sfx|colou?r|font|tile|layer|level|phase|asset|anim|mode(?!l)/i;

/** A word that a callee asks for: how often, and what it is a member of. */
interface Asked {
  readonly owner: string;
  count: number;
}
/** What a callee has been found to ask for. */
interface Asker {
  readonly words: Map<string, Asked>;
  count: number;
  handled: number;
}

/** What share of a callee's places asks for words that a test holds for. */
function shareOf({ words, count }: Asker, test: (word: string, owner: string) => boolean): number {
  let sum = 0;
  for (const [word, asked] of words) if (test(word, asked.owner)) sum += asked.count;
  return sum / count;
}

/** How likely the name of a callee makes it that it reads an input: what it is called last counts most. */
function namedScore(callee: string): number {
  const words = partsOfName(callee).map((word) => word.toLowerCase());
  return (isLikelyInput(callee) ? 1 : 0) - (words.some((word) => UNLIKELY.has(word)) ? 1 : 0);
}

/**
 * The callees of a scan, the likeliest to read inputs first: those that ask for words of the ledger, then those with a likely name or
 * where keys, touches and pads are handled, with several words, often. Events, pictures, sounds and states come last.
 */
export function rankCallees(reads: readonly FoundRead[], actions: readonly string[]): Callee[] {
  const ledger = new Set(actions);
  const found = new Map<string, Asker>();
  for (const { callee, word, owner, isHandled, places } of readsFor(reads, actions)) {
    let asker = found.get(callee);
    if (!asker) found.set(callee, (asker = { words: new Map(), count: 0, handled: 0 }));
    const asked = asker.words.get(word);
    if (asked) asked.count += places.length;
    else asker.words.set(word, { owner, count: places.length });
    asker.count += places.length;
    if (isHandled) asker.handled += places.length;
  }
  return [...found]
    .map(([callee, asker]): Callee => {
      const { words, count, handled } = asker;
      const known = [...words.keys()].filter((w) => ledger.has(w)).length;
      const order = [...words].sort(([a, n], [b, m]) => Number(ledger.has(b)) - Number(ledger.has(a)) || m.count - n.count || (a < b ? -1 : 1));
      const score =
        known * 10 +
        namedScore(callee) * 8 +
        Math.min(4, words.size) +
        Math.min(2, Math.log10(count + 1)) +
        (6 * handled) / count -
        12 * shareOf(asker, (word) => EVENT.test(word)) -
        10 * shareOf(asker, (word, owner) => THING.test(word) || OWNER_OF_THINGS.test(owner));
      return { callee, count, words: order.map(([w]) => w), known, score };
    })
    .sort((a, b) => b.score - a.score || b.count - a.count || (a.callee < b.callee ? -1 : 1));
}

/** From this many points on a callee most likely reads inputs: a likely name, and a word or two. */
const LIKELY_SCORE = 8.5;
/** Those of ranked callees that most likely read inputs: what is ticked for somebody who has said nothing yet. */
export const likelyCallees = (ranked: readonly Callee[]): string[] => ranked.filter((c) => c.score >= LIKELY_SCORE).map((c) => c.callee);

/** How a word of the game is to the ledger. */
export type WordState = "new" | "known" | "gone" | "nearly";
export interface FoundWord {
  readonly word: string;
  readonly state: WordState;
  /** Of one nearly the same, the action it is near; of one gone, the word of the game it may have become, or null. */
  readonly near: string | null;
  /** The kind that most of its places look like; null where nothing reports. */
  readonly kind: ActionKind | null;
  readonly occurrences: readonly CodePlace[];
}

/**
 * The words that the chosen callees read, against the actions of the ledger: those nearly the same first, then new, gone and
 * known ones, each by name. A word near to an action is only *nearly* it where that action is not itself read.
 */
export function compareWords(
  reads: readonly FoundRead[],
  chosen: ReadonlySet<string>,
  actions: readonly { readonly name: string; readonly read: boolean }[],
): FoundWord[] {
  const words = new Map<string, FoundRead[]>();
  const names = actions.map((a) => a.name);
  for (const read of readsFor(reads, names)) {
    if (!chosen.has(read.callee)) continue;
    const list = words.get(read.word);
    if (list) list.push(read);
    else words.set(read.word, [read]);
  }
  const unread = actions.filter((a) => a.read && !words.has(a.name)).map((a) => a.name);
  const found: FoundWord[] = [...words].map(([word, list]) => {
    // Two letters of a short word make another word of it: it is asked too often here to be wrong so easily.
    const near = names.includes(word) ? null : nearestWord(word, unread, 1);
    return {
      word,
      state: names.includes(word) ? "known" : near === null ? "new" : "nearly",
      near,
      kind: commonKind(list),
      occurrences: list.flatMap((r) => r.places),
    };
  });
  const claimed = new Set(found.flatMap((f) => (f.state === "nearly" ? [f.near] : [])));
  // Before anything is ticked that asks here, nothing reports what the game reads, nor what it reads no longer.
  if (words.size > 0) for (const name of unread) if (!claimed.has(name)) found.push({ word: name, state: "gone", near: null, kind: null, occurrences: [] });
  const order: readonly WordState[] = ["nearly", "new", "gone", "known"];
  return found.sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state) || (a.word < b.word ? -1 : 1));
}

/** A key, button or axis that the game reads by a web standard, with its places, and the actions here that it gives to. */
export interface FoundStandard {
  /** The end of a wire it represents: `key KeyW`, `mouse 0` (also any touch), `pad button 0`, `pad axis 1`. */
  readonly end: string;
  /** What most of its places seem to read it for; empty where nothing reports. */
  readonly purpose: string;
  readonly occurrences: readonly CodePlace[];
  readonly actions: readonly string[];
}

/** The end of a wire that a standard represents, as bindings name it. */
export const standardEnd = ({ sort, value }: Pick<Standard, "sort" | "value">): string => `${END_OF_SORT[sort]} ${value}`;
const END_OF_SORT: Readonly<Record<Standard["sort"], string>> = {
  key: "key",
  "mouse-button": "mouse",
  "mouse-move": "mouse move",
  "pad-button": "pad button",
  "pad-axis": "pad axis",
};

/** What the game reads by the web's own standards, against the ledger: those bound to nothing first, then by how often. `endsOf` gives the desk ends of an action. */
export function compareStandards<A extends { readonly name: string }>(
  standards: readonly FileStandard[],
  actions: readonly A[],
  endsOf: (action: A) => readonly string[],
): FoundStandard[] {
  const occurrences = new Map<string, { file: string; line: number }[]>();
  const purposes = new Map<string, FileStandard[]>();
  for (const standard of standards) {
    const { file, line, purpose } = standard;
    const end = standardEnd(standard);
    const list = occurrences.get(end);
    if (list) list.push({ file, line });
    else occurrences.set(end, [{ file, line }]);
    if (purpose !== "") purposes.set(end, [...(purposes.get(end) ?? []), standard]);
  }
  // What several inputs share, each in its own way, names none of them.
  const sharing = new Map<string, Set<string>>();
  for (const standard of standards)
    if (standard.isShared) sharing.set(standard.purpose, (sharing.get(standard.purpose) ?? new Set()).add(standardEnd(standard)));
  const tells = ({ purpose, isShared }: FileStandard) => !isShared || sharing.get(purpose)!.size === 1;
  const ends = actions.map((a) => [a.name, new Set(endsOf(a))] as const);
  return [...occurrences]
    .map(([end, list]) => ({
      end,
      purpose: commonest((purposes.get(end) ?? []).filter(tells).map((s) => s.purpose)),
      occurrences: list,
      actions: ends.flatMap(([name, set]) => (set.has(end) ? [name] : [])),
    }))
    .sort((a, b) => Number(a.actions.length > 0) - Number(b.actions.length > 0) || b.occurrences.length - a.occurrences.length || (a.end < b.end ? -1 : 1));
}

/** What is said most often, the first of those even; empty where nothing is said. */
function commonest(words: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? "";
}

/** What most places say, the more telling kind where they are even: a vector is more than an axis, an axis more than a press. */
function commonKind(reads: readonly FoundRead[]): ActionKind | null {
  const order: readonly ActionKind[] = ["vector", "motion", "delta", "axis", "press"];
  const counts = order.map((kind) => reads.reduce((sum, r) => sum + (r.kind === kind ? r.places.length : 0), 0));
  const most = Math.max(...counts);
  return most === 0 ? null : order[counts.indexOf(most)];
}

/**
 * Pairs of names that differ only in case, in their separators or by one letter: likely the same word, spelt twice. Names that mean two things by
 * what they differ in, such as `moveX` and `moveY`, are none.
 */
export function nearPairs(names: readonly string[]): (readonly [string, string])[] {
  const bare = (name: string) => name.toLowerCase().replace(/[\s_-]+/g, "");
  const pairs: (readonly [string, string])[] = [];
  for (let i = 0; i < names.length; i += 1)
    for (let j = i + 1; j < names.length; j += 1) {
      const [a, b] = [bare(names[i]), bare(names[j])];
      // One letter of a short word, or a number at its end, makes another word of it: left and lift, slot1 and slot2.
      if (differByMeaning(names[i], names[j])) continue;
      if (a === b || (Math.min(a.length, b.length) > 4 && Math.abs(a.length - b.length) <= 1 && differsByOne(a, b) && !/\d$/.test(a) && !/\d$/.test(b)))
        pairs.push([names[i], names[j]]);
    }
  return pairs;
}

/** Whether one letter put in, taken out or changed makes one of the other. */
function differsByOne(a: string, b: string): boolean {
  let i = 0;
  while (i < a.length && i < b.length && a[i] === b[i]) i += 1;
  const rest = (text: string, from: number) => text.slice(from);
  return rest(a, i + 1) === rest(b, i + 1) || rest(a, i) === rest(b, i + 1) || rest(a, i + 1) === rest(b, i);
}
