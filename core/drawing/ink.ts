/** The colours of drawings, of the light look, for they are printed: each meaning has a pattern in addition. */
import type { Severity } from "../checks/finding";

export const INK = {
  paper: "#FFFFFF",
  ink: "#18242E",
  muted: "#5F6B73",
  rule: "#D8D2C4",
  hit: "#7A3E9D",
  land: "#1B6E9C",
  clear: "#A8481C",
  accent: "#2B44C7",
} as const;
/** The colours of findings. */
export const FINDING_INK: Readonly<Record<Severity, string>> = { blocker: "#A5281B", warning: "#8A5A00", note: "#4A6572" };
export const FONT = "'Archivo Variable', Archivo, system-ui, sans-serif";
export const FIGURES = "'JetBrains Mono Variable', 'JetBrains Mono', ui-monospace, monospace";
