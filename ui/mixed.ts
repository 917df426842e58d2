/** What a field shows for several that differ, and what the reading line says of it. */
export const MIXED = "mixed";
export const SEVERAL = "several that differ";
