/** The played file as an array of C, for games that build their data in. */

/** Bytes a line. */
const ALONG = 20;

/** `NODULUM_PLAYED` and its length; the bytes are those of the file. */
export function playedArray(played: string): string {
  const bytes = [...new TextEncoder().encode(played)];
  const lines: string[] = [];
  for (let i = 0; i < bytes.length; i += ALONG) lines.push(`  ${bytes.slice(i, i + ALONG).join(", ")},`);
  const guard = ["#ifndef NODULUM_PLAYED_H", "#define NODULUM_PLAYED_H", ""];
  return [
    "/* The played file: nodulum_read((const char *)NODULUM_PLAYED, NODULUM_PLAYED_LENGTH, ...). Written by Nodulum; write it anew when the layout changes. */",
    ...guard,
    `#define NODULUM_PLAYED_LENGTH ${bytes.length}`,
    "static const unsigned char NODULUM_PLAYED[] = {",
    ...lines,
    "};",
    "",
    "#endif",
    "",
  ].join("\n");
}
