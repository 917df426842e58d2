"use client";
/** The open layout's name, and behind it all the others: new, open, duplicate, rename, delete, bring back. */
import { ChevronDown } from "lucide-react";
import dynamic from "next/dynamic";
import { DropdownMenu } from "radix-ui";
import { useState } from "react";
import { changeLayout } from "../../core/editing/edits/layout";
import { problemText } from "../../core/engine/result";
import type { KeptLayout } from "../../core/exchange/storedRecords";
import { readingProps } from "../../ui/reading";
import { says } from "./reading/sentences";
import { Dialogue } from "../../ui/Dialogue";
import { ok } from "../../core/engine/result";
import type { SetAside } from "../../storage/store";
import { useAsking, useLibrary, useSession, useSessionActions } from "../document/SessionContext";
import type { Listed } from "../document/library";
import { fileNameFor } from "../../core/exchange/fileName";
import { saveText } from "../document/files/download";
import { navigate } from "./navigate";
import { showFirstSteps } from "./firstStepsState";
import { Stop } from "../../ui/Roving";

const NewLayout = dynamic(() => import("./NewLayout").then((m) => m.NewLayout));

const ITEM = "flex h-7 items-center rounded-sm px-2.5 outline-none data-[highlighted]:bg-accent data-[highlighted]:text-on-accent cursor-pointer";
const BOX = "z-50 min-w-[14.375rem] rounded-sm border border-edge bg-sheet p-1 shadow-lg";

// oxlint-disable-next-line max-lines-per-function -- one menu: its items share the lists and the dialogue
export function LayoutMenu() {
  const library = useLibrary();
  const session = useSessionActions();
  const ask = useAsking();
  const name = useSession((s) => s.layout.name);
  const id = useSession((s) => s.id);
  const [lists, setLists] = useState<Listed>({ kept: [], deleted: [], aside: [] });
  const [dialogue, setDialogue] = useState<"new" | "rename" | null>(null);

  const open = async (target: KeptLayout) => {
    const opened = await library.open(target.id);
    if (!opened.ok)
      session.tell({
        text: `“${target.name}” was not opened: ${problemText(opened.problems, 2)}`,
        tone: "problem",
        act: { label: "Download unchanged", run: () => ask(library.textOf(target).then((text) => ok(saveText(fileNameFor(target.name), text)))) },
      });
  };
  /** A record that cannot be read is never thrown away: it can be taken out as it is. */
  const tellAside = ({ name: called, why, value }: SetAside) =>
    session.tell({
      text: `“${called}” cannot be read: ${why}. It stays unchanged.`,
      tone: "problem",
      act: { label: "Download unchanged", run: () => saveText(`${fileNameFor(called)}.txt`, JSON.stringify(value, null, 2)) },
    });
  return (
    <>
      <DropdownMenu.Root onOpenChange={(shown) => shown && ask(library.list().then((all) => ok(setLists(all))))}>
        <Stop>
          <DropdownMenu.Trigger className="push max-w-[15rem]" aria-label={`Layouts; open: ${name}`} {...readingProps(says("strip.layouts"))}>
            <span className="truncate font-medium">{name}</span>
            <ChevronDown size={14} />
          </DropdownMenu.Trigger>
        </Stop>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="start"
            sideOffset={4}
            className={BOX}
            // A dialogue that was chosen takes the focus; it must not go back to the menu's button.
            onCloseAutoFocus={(event) => dialogue !== null && event.preventDefault()}
          >
            <DropdownMenu.Item className={ITEM} onSelect={() => setDialogue("new")}>
              New layout…
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => setDialogue("rename")}>
              Rename…
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => ask(library.duplicate())}>
              Duplicate
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => ask(library.remove(id))}>
              Delete
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-rule" />
            <DropdownMenu.Item className={ITEM} onSelect={() => navigate("/words")}>
              Glossary
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => showFirstSteps(session)}>
              First steps
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-rule" />
            <DropdownMenu.Label className="heading px-2.5 py-1">Open</DropdownMenu.Label>
            {lists.kept.map((kept) => (
              <DropdownMenu.Item key={kept.id} className={ITEM} onSelect={() => void open(kept)}>
                <span className={kept.id === id ? "font-semibold" : ""}>{kept.name}</span>
                {kept.id === id && <span className="ml-auto pl-3 text-[0.6875rem] opacity-70">open</span>}
              </DropdownMenu.Item>
            ))}
            {lists.aside.map((aside, i) => (
              <DropdownMenu.Item key={i} className={ITEM} onSelect={() => tellAside(aside)}>
                <span className="truncate">{aside.name}</span>
                <span className="ml-auto pl-3 text-[0.6875rem] text-warning">set aside</span>
              </DropdownMenu.Item>
            ))}
            {lists.deleted.length > 0 && (
              <DropdownMenu.Sub>
                <DropdownMenu.SubTrigger className={ITEM}>Restore a deleted layout…</DropdownMenu.SubTrigger>
                <DropdownMenu.Portal>
                  <DropdownMenu.SubContent className={BOX}>
                    {lists.deleted.map((kept) => (
                      <DropdownMenu.Item key={kept.id} className={ITEM} onSelect={() => ask(library.restore(kept.id))}>
                        {kept.name}
                      </DropdownMenu.Item>
                    ))}
                  </DropdownMenu.SubContent>
                </DropdownMenu.Portal>
              </DropdownMenu.Sub>
            )}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {dialogue === "new" && <NewLayout onClose={() => setDialogue(null)} />}
      <Rename open={dialogue === "rename"} onClose={() => setDialogue(null)} />
    </>
  );
}

function Rename({ open, onClose }: { open: boolean; onClose: () => void }) {
  const session = useSessionActions();
  const name = useSession((s) => s.layout.name);
  return (
    <Dialogue title="Rename the layout" open={open} onOpenChange={(shown) => !shown && onClose()}>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const next = String(new FormData(event.currentTarget).get("name")).trim();
          if (session.edit("rename the layout", (l) => changeLayout(l, { name: next }))) onClose();
        }}
      >
        <input name="name" aria-label="Name" defaultValue={name} maxLength={80} className="box h-8 flex-1 px-2" data-first />
        <button className="push push-main h-8">Rename</button>
      </form>
    </Dialogue>
  );
}
