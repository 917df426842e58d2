/** Four directions that one call reads as a vector, such as `input.vector("left", "right", "up", "down")`: one read of one word, not four. */
import { commonName, DIRECTIONS, fourDirections } from "../editing/wordMeaning";
import type { ActionKind } from "../format/types";
import type { CalleeUse } from "./asking";
import type { Piece } from "./sourceConstants";

/** A place that asks, as far as it matters here. */
interface Asked {
  readonly asking: CalleeUse;
  readonly piece: Piece;
  readonly read: { readonly word: string; readonly owner: string; readonly kind: ActionKind | null } | null;
}

/** What such a read is called where the four words share no their own word. */
const NAME = "move";

/** Passes places on to `tell`, four directions of one call for a vector as one. Call `end` after the last place. */
export function joinFourWords<Found extends Asked>(tell: (found: Found) => void): { readonly tell: (found: Found) => void; readonly end: () => void } {
  let waiting: Found[] = [];
  const end = () => {
    const joined = joinedRead(waiting);
    if (joined) tell(joined);
    else for (const found of waiting) tell(found);
    waiting = [];
  };
  return {
    tell(found) {
      if (waiting.length > 0 && waiting[0].asking.bracket !== found.asking.bracket) end();
      if (found.read?.kind === "vector" && found.asking.shape === "call") waiting.push(found);
      else {
        end();
        tell(found);
      }
    },
    end,
  };
}

function joinedRead<Found extends Asked>(found: readonly Found[]): Found | null {
  const words = found.flatMap(({ read }) => (read ? [{ name: read.word }] : []));
  const directions = fourDirections(words);
  if (!directions) return null;
  const [first, last] = [found[0], found[found.length - 1]];
  const word = commonName(words)?.replaceAll(" ", "_") ?? NAME;
  return {
    ...first,
    asking: { ...first.asking, last: last.asking.last },
    piece: { first: first.piece.first, last: last.piece.last },
    read: { ...first.read!, word, owner: "", directions: DIRECTIONS.map((direction) => directions[direction].name) },
  };
}
