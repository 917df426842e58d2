"use client";
/** The patch sheet: keys, mouse and pads at the left, actions in the middle, touch controls at the right, wires drawn between. */
import dynamic from "next/dynamic";
import { useState } from "react";
import { nearPairs } from "../../core/scan/words";
import { useSession } from "../session/context";
import { ActionRow } from "./ActionRow";
import { AddAction } from "./AddAction";
import { ControlRow } from "./ControlRow";
import { DeskInputs } from "./DeskInputs";
import { chainOf, sheetPlaces, type Pick } from "./sheet";
import { Wires } from "./Wires";

const CodeDialogue = dynamic(() => import("./code/CodeDialogue").then((m) => m.CodeDialogue));
const ListDialogue = dynamic(() => import("./ListDialogue").then((m) => m.ListDialogue));

export function ActionsView() {
  const actions = useSession((s) => s.layout.actions);
  const controls = useSession((s) => s.layout.controls);
  const [pick, setPick] = useState<Pick | null>(null);
  const [dialogue, setDialogue] = useState<"code" | "list" | null>(null);
  const places = sheetPlaces(actions, controls);
  const chain = chainOf(pick, controls);
  const dimAction = (name: string) => chain !== null && !chain.actions.has(name);
  const dimControl = (id: string) => chain !== null && !chain.controls.has(id);
  const toDo = actions.filter((a) => a.read && a.touch === "wanted" && !controls.some((c) => c.serves.some((s) => s.action === a.name))).length;
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <header className="flex flex-wrap items-center gap-4 border-b border-rule px-5 py-2.5">
        <AddAction />
        <span className="caption">
          <span className="figure">{actions.length}</span> {actions.length === 1 ? "action" : "actions"}
          {actions.length > 0 && (toDo > 0 ? `, ${toDo} with nothing on touch` : ", all served")}
        </span>
        <NearNames names={actions.map((a) => a.name)} />
        <span className="ml-auto flex gap-1.5">
          <button className="push" onClick={() => setDialogue("code")}>
            From the game’s code…
          </button>
          <button className="push" onClick={() => setDialogue("list")}>
            Lists and constants…
          </button>
        </span>
        {dialogue === "code" && <CodeDialogue open onOpenChange={() => setDialogue(null)} />}
        {dialogue === "list" && <ListDialogue open onOpenChange={() => setDialogue(null)} />}
      </header>
      {actions.length === 0 ? (
        <div className="grid place-items-center">
          <div className="max-w-md text-center">
            <p className="text-base font-medium">What does the game read?</p>
            <p className="mt-1 text-muted">
              Type the exact words of the game’s code, one after the other, each with its kind: a press is true or false, an axis runs from −1 to 1, a vector
              has x and y, a motion moves by steps.
            </p>
          </div>
        </div>
      ) : (
        <div className="overflow-auto" onClick={(event) => event.target === event.currentTarget && setPick(null)}>
          <div className="grid min-w-[1000px] grid-cols-[minmax(240px,1fr)_300px_minmax(150px,220px)_minmax(240px,1fr)]">
            <h2 className="heading px-5 py-2">Keys, mouse, pads</h2>
            <h2 className="heading px-3 py-2">Actions</h2>
            <span />
            <h2 className="heading px-3 py-2">Touch controls</h2>
            <ul aria-label="Keys, mouse and pads" className="relative">
              {actions.map((a) => (
                <DeskInputs key={a.name} action={a} height={places.actionHeight} dim={dimAction(a.name)} />
              ))}
            </ul>
            <ul aria-label="Actions">
              {actions.map((a) => (
                <ActionRow
                  key={a.name}
                  action={a}
                  height={places.actionHeight}
                  dim={dimAction(a.name)}
                  picked={pick?.kind === "action" && pick.name === a.name}
                  onPick={() => setPick({ kind: "action", name: a.name })}
                />
              ))}
            </ul>
            <Wires actions={actions} controls={controls} places={places} chain={chain} />
            <ul aria-label="Touch controls" className="pr-4">
              {controls.map((c) => (
                <ControlRow
                  key={c.id}
                  control={c}
                  actions={actions}
                  places={places}
                  dim={dimControl(c.id)}
                  picked={pick?.kind === "control" && pick.id === c.id}
                  onPick={() => setPick({ kind: "control", id: c.id })}
                />
              ))}
              {controls.length === 0 && <li className="px-3 text-muted">No controls yet; drag actions onto the glass in Layout.</li>}
            </ul>
          </div>
        </div>
      )}
    </div>
  );
}

/** Names that are likely the same word, spelt twice. */
function NearNames({ names }: { names: readonly string[] }) {
  const pairs = nearPairs(names);
  if (pairs.length === 0) return null;
  return <span className="text-[12px] text-warning">◆ {pairs.map(([a, b]) => `${a} and ${b}`).join("; ")}: the same word twice?</span>;
}
