/** How an overlay is drawn, as a small mark next to its name. */
import type { OverlayKey } from "../canvas/overlays";

const HATCH = "M2 12L8 2M8 12L14 2M14 12L20 2";

function drawing(of: OverlayKey) {
  switch (of) {
    case "hit":
      return <path d={HATCH} stroke="var(--hit)" />;
    case "landing":
      return <path d="M4 4h.1M11 4h.1M18 4h.1M7.5 7h.1M14.5 7h.1M4 10h.1M11 10h.1M18 10h.1" stroke="var(--land)" strokeWidth={2} strokeLinecap="round" />;
    case "travel":
      return (
        <>
          <circle cx={11} cy={7} r={5.5} stroke="var(--ink)" strokeWidth={0.75} />
          <circle cx={11} cy={7} r={4.5} stroke="var(--ink)" strokeWidth={0.75} />
          <circle cx={11} cy={7} r={1.75} fill="var(--muted)" />
        </>
      );
    case "frames":
      return <path d="M2 2.5h18v9H2z" stroke="var(--ink)" strokeDasharray="5 3" />;
    case "edges":
      return <path d="M2 2v10M20 2v10" stroke="var(--muted)" strokeWidth={3} strokeDasharray="2 2" />;
    case "reach":
      return (
        <>
          <path d="M2 12A10 10 0 0 1 12 2" stroke="var(--reach)" />
          <path d="M8 12A10 10 0 0 1 20 3" stroke="var(--reach)" strokeDasharray="2 2" />
        </>
      );
    case "clear":
      return <path d={`${HATCH}M2 2L8 12M8 2L14 12M14 2L20 12`} stroke="var(--clear)" />;
    case "grid":
      return <path d="M2 4.5h18M2 9.5h18M6 2v10M11 2v10M16 2v10" stroke="var(--muted)" strokeWidth={0.75} />;
    case "misses":
      return (
        <>
          <circle cx={6} cy={8} r={1.6} fill="var(--ink)" />
          <circle cx={11} cy={5} r={1.6} stroke="var(--muted)" />
          <path d="M14.5 6.5l3 3M14.5 9.5l3-3" stroke="var(--blocker)" strokeWidth={1.5} />
        </>
      );
    case "gaps":
      return <path d="M3 3v8M19 3v8M3 7h16M6 5L3 7l3 2M16 5l3 2-3 2" stroke="var(--accent)" />;
  }
}

export function OverlayMark({ of }: { of: OverlayKey }) {
  return (
    <svg width={22} height={14} viewBox="0 0 22 14" fill="none" aria-hidden data-mark={of}>
      {drawing(of)}
    </svg>
  );
}
