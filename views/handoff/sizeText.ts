/** How large a file is in words: kB of 1000 bytes, as file managers and download lists count. */
export function sizeText(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1e6) return `${(bytes / 1000).toFixed(bytes < 10_000 ? 1 : 0)} kB`;
  return `${(bytes / 1e6).toFixed(1)} MB`;
}
