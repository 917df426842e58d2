"use client";
/** Which part of one's players has a screen: your own figure, nothing is invented. It is in the file, next to the screen's name. */
import { typedNumber } from "../../core/editing/arithmetic";
import { ownEntry } from "../../core/engine/playerChanges";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

export function PlayersPart({ screen }: { screen: string }) {
  const session = useSessionActions();
  const parts = useSession((s) => s.layout.workbench.playersPart);
  const part = ownEntry(parts, screen);
  const set = (text: string) => {
    const percent = typedNumber(text.replace("%", ""));
    const { [screen]: _before, ...others } = parts;
    if (text.trim() === "") return session.remember({ playersPart: others });
    if (!(percent >= 0 && percent <= 100))
      return session.tell({ text: `“${text.slice(0, 40)}” is not a share: write a number from 0 to 100, or leave it empty.`, tone: "problem" });
    session.remember({ playersPart: { ...others, [screen]: percent / 100 } });
  };
  const shown = part === undefined ? "" : String(Number((part * 100).toFixed(2)));
  return (
    <label className="flex items-center gap-2">
      <span className="text-[0.75rem]">Share of your players</span>
      <input
        key={`${screen} ${shown}`}
        aria-label={`Share of your players with ${screen}, per cent`}
        className="box figure h-6 w-20 px-1 text-right text-[0.75rem]"
        inputMode="decimal"
        maxLength={FIELD_LETTERS.number}
        placeholder="–"
        defaultValue={shown}
        onBlur={(event) => event.target.value !== shown && set(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && set(event.currentTarget.value)}
        {...readingProps(says("screens.part", { screen }), part === undefined ? "–" : `${shown} %`)}
      />
      <span className="text-[0.75rem] text-muted">%</span>
    </label>
  );
}
