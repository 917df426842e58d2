"use client";
/** What the game reads, and what serves it: the patch sheet or the same as a table, the card of what is picked, and the ways in and out. */
import dynamic from "next/dynamic";
import { useState } from "react";
import { nearPairs } from "../../core/scan/foundWords";
import { useKeys } from "../interaction/useKeys";
import type { Session } from "../document/session";
import { useSessionActions } from "../document/SessionContext";
import { AddAction } from "./AddAction";
import { Aside } from "./cards/Aside";
import { setSheetState, sheetStore, useSheetState } from "./sheetState";
import { removePicked } from "./removePicked";
import { ActionTable } from "./ActionTable";
import { Sheet } from "./sheet/Sheet";
import { Toolbar } from "./Toolbar";
import { pickNextToDo, useSheet } from "./useSheet";

const CodeDialogue = dynamic(() => import("./dialogues/CodeDialogue").then((m) => m.CodeDialogue));
const ListDialogue = dynamic(() => import("./dialogues/ListDialogue").then((m) => m.ListDialogue));
const MomentsDialogue = dynamic(() => import("./dialogues/MomentsDialogue").then((m) => m.MomentsDialogue));
const OtherDialogue = dynamic(() => import("./dialogues/OtherDialogue").then((m) => m.OtherDialogue));

const WAYS = [
  ["code", "From the game’s code…"],
  ["other", "From another layout…"],
  ["list", "Lists and constants…"],
  ["moments", "Moments…"],
] as const;

export function ActionsView() {
  const session = useSessionActions();
  const data = useSheet();
  const form = useSheetState((p) => p.form);
  const [dialogue, setDialogue] = useState<(typeof WAYS)[number][0] | null>(null);
  const { layout, toDo } = data;
  const { actions } = layout;
  const next = () => {
    if (!pickNextToDo(session, toDo)) session.tell({ text: "All done.", tone: "plain" });
  };
  useKeys("actions", {
    "next open": next,
    "clear the selection": () => setSheetState(session, { pick: null }),
    "remove picked": () => removePicked(session),
    rename: () => renamePicked(session),
  });
  const close = () => setDialogue(null);
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <header className="grid gap-1.5 border-b border-rule px-3 py-2">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
          <AddAction />
          <span className="ml-auto flex flex-wrap gap-1">
            {WAYS.map(([key, word]) => (
              <button key={key} className="push px-2" onClick={() => setDialogue(key)}>
                {word}
              </button>
            ))}
          </span>
        </div>
        {actions.length > 0 && <Toolbar data={data} onNext={next} />}
        <NearNames names={actions.map((a) => a.name)} />
        {dialogue === "code" && <CodeDialogue open onOpenChange={close} />}
        {dialogue === "list" && <ListDialogue open onOpenChange={close} />}
        {dialogue === "moments" && <MomentsDialogue open onOpenChange={close} />}
        {dialogue === "other" && <OtherDialogue open onOpenChange={close} />}
      </header>
      {actions.length === 0 ? (
        <div className="grid place-items-center">
          <div className="grid max-w-md justify-items-center gap-2 text-center">
            <p className="text-base font-medium">What does the game read?</p>
            <p className="text-muted">
              Enter the exact names that the game’s code reads, each with its kind: a press is true or false, an axis goes from −1 to 1, a vector has x and y, a
              motion is a change per tick.
            </p>
            <button className="push push-main" onClick={() => setDialogue("code")}>
              Read them from the code…
            </button>
          </div>
        </div>
      ) : (
        <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_17.75rem]">
          <div className="flex min-h-0 min-w-0 flex-col">{form === "sheet" ? <Sheet data={data} /> : <ActionTable data={data} />}</div>
          <Aside data={data} />
        </div>
      )}
    </div>
  );
}

/** Takes the word of the picked action in hand. Whether there is one. */
function renamePicked(session: Session): boolean {
  const { pick } = sheetStore(session).getState();
  if (pick?.kind !== "action") return false;
  const field = document.querySelector<HTMLInputElement>(`[data-action="${CSS.escape(pick.name)}"] input`);
  field?.focus();
  field?.select();
  return field !== null;
}

/** Names that are likely the same word, spelt twice. */
function NearNames({ names }: { names: readonly string[] }) {
  const session = useSessionActions();
  const pairs = nearPairs(names);
  if (pairs.length === 0) return null;
  return (
    <p className="text-[0.75rem] text-warning">
      ◆{" "}
      {pairs.map(([a, b], i) => (
        <span key={`${a} ${b}`}>
          {i > 0 && "; "}
          <button className="figure underline" onClick={() => setSheetState(session, { pick: { kind: "action", name: a } })}>
            {a}
          </button>{" "}
          and{" "}
          <button className="figure underline" onClick={() => setSheetState(session, { pick: { kind: "action", name: b } })}>
            {b}
          </button>
        </span>
      ))}
      : the same word twice?
    </p>
  );
}
