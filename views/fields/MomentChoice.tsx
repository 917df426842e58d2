"use client";
/** Which moment of the game is shown; absent where the layout has none. Stands in the title strip; while rehearsing next to the test yard, for a game chooses its own. */
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";

export function MomentChoice() {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  const moment = useSession((s) => s.playerView.moment);
  if (moments.length === 0) return null;
  return (
    <label className="flex items-center gap-1.5">
      <span className="caption">Moment</span>
      <select
        aria-label="Moment shown"
        {...readingProps(says("strip.moment"), moments.find((m) => m.id === moment)?.name ?? "every moment")}
        className="box h-6 max-w-[7.5rem] px-1 text-[0.75rem] max-[68rem]:max-w-[5.5rem]"
        value={moment ?? ""}
        onChange={(event) => session.showMoment(event.target.value || null)}
      >
        {moments.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
          </option>
        ))}
        <option value="">every moment</option>
      </select>
    </label>
  );
}
