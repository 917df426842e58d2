"use client";
/** On how many screens a finding is, and which part of one's players has them. */
import { counted } from "../../core/derived/counted";
import { useCallback, useMemo } from "react";
import type { Finding } from "../../core/checks/finding";
import { playersWith } from "../../core/checks/screenFilter";
import { useFaces } from "./useFaces";

const keyOf = ({ code, subjects }: Pick<Finding, "code" | "subjects">) => `${code}\n${subjects.join("\n")}`;

/** In words; null where it is on no screen that has been judged (what only the views find). */
export function useSpread(): (finding: Finding) => string | null {
  const { layout, screens, judged } = useFaces();
  const parts = layout.workbench.playersPart;
  const names = useMemo(() => {
    const found = new Map<string, string[]>();
    for (const screen of judged) {
      const keys = new Set(screen?.faces.flatMap((list) => list.filter((f) => f.accepted === null).map(keyOf)));
      for (const key of keys) found.set(key, [...(found.get(key) ?? []), screen!.name]);
    }
    return found;
  }, [judged]);
  return useCallback(
    (finding) => {
      const on = names.get(keyOf(finding));
      if (!on) return null;
      const players = playersWith(on, parts);
      return `on ${on.length} of ${counted(screens.length, "screen")}${players === null ? "" : `, on ${Math.round(players * 100)} % of your players`}`;
    },
    [names, parts, screens],
  );
}
