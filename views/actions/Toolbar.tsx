"use client";
/** What of the sheet is seen: search, moment, state, groups; sheet or table; how much remains to do, and the next of it. */
import { counted } from "../../core/derived/counted";
import { useRef } from "react";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useKeys } from "../interaction/useKeys";
import { useSession, useSessionActions } from "../document/SessionContext";
import { setSheetState, useSheetState, type SheetState } from "./sheetState";
import { groupsOf } from "./sheetPositions";
import type { SheetData } from "./useSheet";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

const ONLY: readonly (readonly [SheetState["only"], string])[] = [
  ["all", "any status"],
  ["left", "open"],
  ["served", "served"],
  ["hardware", "desktop only"],
  ["unread", "not read"],
];

export function Toolbar({ data, onNext }: { data: SheetData; onNext: () => void }) {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  const form = useSheetState((p) => p.form);
  const search = useSheetState((p) => p.search);
  const { toDo, positions, layout, seen } = data;
  const searchBox = useRef<HTMLInputElement>(null);
  useKeys("actions", { search: () => searchBox.current?.focus() });
  return (
    <div role="toolbar" aria-label="Filters" className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
      <input
        ref={searchBox}
        type="search"
        maxLength={FIELD_LETTERS.search}
        aria-label="Search"
        {...readingProps(says("sheet.search"))}
        placeholder="search  /"
        className="box h-6 w-40 px-1.5"
        value={search}
        onChange={(event) => setSheetState(session, { search: event.target.value })}
        onKeyDown={(event) => {
          if (event.key !== "Escape") return;
          event.stopPropagation();
          if (search === "") event.currentTarget.blur();
          setSheetState(session, { search: "" });
        }}
      />
      <Filters />
      {moments.length > 0 && form === "sheet" && <Grouping seen={seen} />}
      <span role="group" aria-label="Form" className="flex">
        {(["sheet", "table"] as const).map((f) => (
          <button
            key={f}
            aria-pressed={form === f}
            className={`push h-6 px-2 ${form === f ? "border-accent text-accent" : ""}`}
            onClick={() => setSheetState(session, { form: f })}
          >
            {f === "sheet" ? "Sheet" : "Table"}
          </button>
        ))}
      </span>
      <span className="ml-auto flex items-center gap-2">
        {positions.hidden > 0 && (
          <span className="caption">
            <span className="figure">{seen.length}</span> of <span className="figure">{layout.actions.length}</span>
          </span>
        )}
        <span className={toDo.length > 0 ? "text-[0.75rem] text-blocker" : "caption"} data-testid="to-do">
          {toDo.length > 0 ? `■ ${toDo.length} open` : `${counted(layout.actions.length, "action")}, all done`}
        </span>
        {toDo.length > 0 && (
          <button className="push h-6 px-2" onClick={onNext} title="Next open action (O)">
            Next
          </button>
        )}
      </span>
    </div>
  );
}

/** Which actions are seen: of a moment, of a status. */
function Filters() {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  const moment = useSheetState((p) => p.moment);
  const only = useSheetState((p) => p.only);
  return (
    <>
      {moments.length > 0 && (
        <span className="flex items-center gap-1">
          <span className="caption">Used</span>
          <select
            aria-label="Filter by moment"
            {...readingProps(says("sheet.moment"), moments.find((m) => m.id === moment)?.name ?? "any moment")}
            className="box h-6 px-1"
            value={moment ?? ""}
            onChange={(event) => setSheetState(session, { moment: event.target.value || null })}
          >
            <option value="">any moment</option>
            {moments.map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
              </option>
            ))}
          </select>
        </span>
      )}
      <select
        aria-label="Filter by status"
        {...readingProps(says("sheet.only"), ONLY.find(([key]) => key === only)?.[1])}
        className="box h-6 px-1"
        value={only}
        onChange={(event) => setSheetState(session, { only: event.target.value as SheetState["only"] })}
      >
        {ONLY.map(([key, word]) => (
          <option key={key} value={key}>
            {word}
          </option>
        ))}
      </select>
    </>
  );
}

/** Whether actions stand in groups of their moments, and whether these are folded. */
function Grouping({ seen }: { seen: SheetData["seen"] }) {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  const grouped = useSheetState((p) => p.grouped);
  const folded = useSheetState((p) => p.folded);
  const groups = groupsOf(seen, moments, grouped).filter((g) => g.word !== "");
  const allFolded = groups.length > 0 && groups.every((g) => folded.has(g.key));
  return (
    <span className="flex items-center gap-1">
      <label className="flex h-6 items-center gap-1.5">
        <input
          type="checkbox"
          className="accent-[var(--accent)]"
          checked={grouped}
          onChange={(event) => setSheetState(session, { grouped: event.target.checked })}
        />
        Group by moment
      </label>
      {groups.length > 0 && (
        <button
          className="push h-6 px-1.5 text-[0.6875rem]"
          onClick={() => setSheetState(session, { folded: allFolded ? new Set() : new Set(groups.map((g) => g.key)) })}
        >
          {allFolded ? "Unfold all" : "Fold all"}
        </button>
      )}
    </span>
  );
}
