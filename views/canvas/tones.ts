/** On the glass the light tones are used in both themes: the glass is dark in both. */
export const ON_GLASS = {
  hit: "#C08BE0",
  land: "#6FB7DE",
  clear: "#E58A5C",
  reach: "#C9A77C",
  muted: "#93A0A8",
  ink: "#E8E4DA",
  accent: "#8EA2FF",
  dark: "#0c141b",
} as const;
/** The tones of findings on the glass. */
export const FINDING_TONE = { blocker: "#FF8A7A", warning: "#E0B050", note: "#9DB4C0" } as const;
