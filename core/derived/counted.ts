/** Numbers and articles before English words. */

/** A number with its word: `1 moment`, `2 moments`; `plural` for a word that takes more than an s. */
export const counted = (count: number, word: string, plural = `${word}s`): string => `${count} ${count === 1 ? word : plural}`;

/** A word with its article: `a button`, `an axis`. Letters spoken alone, such as SVG, are words like others. */
export const withArticle = (word: string): string => `${/^(?:[aeiou]|SVG)/i.test(word) ? "an" : "a"} ${word}`;
