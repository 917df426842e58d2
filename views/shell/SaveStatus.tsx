"use client";
/** Whether the layout is saved; behind it how it is kept, how safe that is, and everything as one backup. */
import dynamic from "next/dynamic";
import { Popover } from "radix-ui";
import { readingProps } from "../../ui/reading";
import { says } from "./reading/sentences";
import { useSession } from "../document/SessionContext";
import type { SessionState } from "../document/session";
import type { Offline } from "./offlineState";
import { useOffline } from "./useOffline";
import { usePersistence, type Persistence } from "./usePersistence";

const KeptRoom = dynamic(() => import("./StoredDataPanel").then((m) => m.StoredDataPanel), { ssr: false });

interface Shown {
  readonly text: string;
  readonly tone: string;
  readonly words: string;
}

/** How far the layout is kept, in a word and a sentence. "saved" is only where everything is written and confirmed. */
function shownOf({ saving, onlyMemory, gesture, layout, isDeleted }: SessionState, hasDraft: boolean): Shown {
  if (saving.kind === "refused")
    return {
      text: "not saved",
      tone: "text-blocker",
      words: `The browser could not store the layout: ${saving.reason}. You can continue; saving is retried. Download the layout file to be safe.`,
    };
  if (onlyMemory !== null)
    return {
      text: "in memory only",
      tone: "text-warning",
      words: `The browser stores nothing: ${onlyMemory}. The layout is in memory only; download the file or a backup before you close the window.`,
    };
  if (hasDraft) return { text: "unsaved text", tone: "text-muted", words: "The text in a field is not in the layout yet. Press Enter or leave the field." };
  if (gesture && gesture.base !== layout) return { text: "not saved yet", tone: "text-muted", words: "The current drag is saved when you release it." };
  if (saving.kind === "saving") return { text: "saving…", tone: "text-muted", words: "Saving." };
  if (isDeleted)
    return { text: "saved, deleted", tone: "text-warning", words: "This layout is deleted; edits to it are stored. Restore it from the list of layouts." };
  return { text: "saved", tone: "text-muted", words: "Every edit is saved and confirmed by the browser." };
}

const PROMISES: Readonly<Record<Persistence, string>> = {
  unasked: "After your first edit, the browser is asked for persistent storage.",
  promised: "The browser keeps it until you clear it.",
  refused: "The browser may delete it when the disk is full. Download a backup.",
  unknown: "This browser offers persistent storage only on a secure page. Download a backup.",
};

const WITHOUT_SERVER: Readonly<Record<Offline, string>> = {
  never: "Nodulum is not available offline (that needs a secure page or this machine).",
  preparing: "Nodulum is being stored for offline use.",
  ready: "Nodulum also works offline.",
  newer: "A new version of Nodulum is ready: press “New version”.",
  older: "Another window uses a new version of Nodulum: reload this window.",
};

export function SaveStatus({ hasDraft }: { hasDraft: boolean }) {
  const text = useSession((s) => shownOf(s, hasDraft).text);
  const tone = useSession((s) => shownOf(s, hasDraft).tone);
  const words = useSession((s) => shownOf(s, hasDraft).words);
  const persistence = usePersistence();
  const offline = useOffline();
  return (
    <Popover.Root>
      <Popover.Trigger className="push push-bare mr-1 text-[0.75rem]" {...readingProps(says("strip.kept"), words)}>
        <span role="status" data-testid="saved-state" className={tone}>
          {text}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Stored data"
          className="z-50 grid max-h-[var(--radix-popover-content-available-height)] w-[21.25rem] gap-3 overflow-auto rounded-sm border border-edge bg-sheet p-4 shadow-lg"
        >
          <p>{words}</p>
          <p className="text-muted">{PROMISES[persistence]}</p>
          <p className="text-muted">{WITHOUT_SERVER[offline]}</p>
          <KeptRoom />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
