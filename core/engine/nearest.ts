/** Of a word longer than this none is sought: what it costs grows with its length, and nobody meant it. */
export const MOST_NEAR_LETTERS = 64;

/** The number of single-letter insertions, deletions, replacements and neighbour swaps between two words (Damerau–Levenshtein, optimal string alignment). @internal exported for its test */
export function wordDistance(a: string, b: string): number {
  const rows: number[][] = [];
  for (let i = 0; i <= a.length; i += 1) {
    rows.push([i]);
    for (let j = 1; j <= b.length; j += 1) {
      if (i === 0) {
        rows[0][j] = j;
        continue;
      }
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min(rows[i - 1][j] + 1, rows[i][j - 1] + 1, rows[i - 1][j - 1] + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) best = Math.min(best, rows[i - 2][j - 2] + 1);
      rows[i][j] = best;
    }
  }
  return rows[a.length][b.length];
}

/**
 * The word of `known` that `word` was most likely meant to be, or null when none is near.
 * Near: at most a third of the longer word's letters differ (`least` at least), case and separators set aside.
 */
export function nearestWord(word: string, known: readonly string[], least = 2): string | null {
  if (word.length > MOST_NEAR_LETTERS) return null;
  const bare = (text: string) => text.toLowerCase().replace(/[\s_-]+/g, "");
  let best: string | null = null;
  let bestDistance = Infinity;
  for (const candidate of known) {
    if (candidate === word) continue;
    const distance = wordDistance(bare(word), bare(candidate));
    const allowed = Math.max(least, Math.floor(Math.max(word.length, candidate.length) / 3));
    const wholeWordChanged = distance >= Math.max(bare(word).length, bare(candidate).length);
    if (distance < bestDistance && distance <= allowed && !wholeWordChanged) {
      best = candidate;
      bestDistance = distance;
    }
  }
  return best;
}
