/** Where an anchor lies, in words: "bottom left", "centre", "38 %, 50 %". */
export function anchorWord([ax, ay]: readonly [number, number]): string {
  const known = [0, 0.5, 1];
  if (!known.includes(ax) || !known.includes(ay)) return `${Math.round(ax * 100)} %, ${Math.round(ay * 100)} %`;
  if (ax === 0.5 && ay === 0.5) return "centre";
  const vertical = ay === 0 ? "top" : ay === 1 ? "bottom" : "";
  const horizontal = ax === 0 ? "left" : ax === 1 ? "right" : "";
  return `${vertical} ${horizontal}`.trim();
}
