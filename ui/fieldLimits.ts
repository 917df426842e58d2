/** How many letters fields take that represent nothing in the file; what is in the file has its limit in core/format/limits.ts. */
export const FIELD_LETTERS = {
  /** Words that are searched for. */
  search: 80,
  /** Numbers, and sums of them. */
  number: 40,
  /** Addresses of pages. */
  address: 2000,
  /** The words or the code of a whole game: as much as is read of one file. */
  source: 1_000_000,
} as const;
