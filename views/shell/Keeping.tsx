"use client";
/** Whether the layout is saved; behind it how it is kept, how safe that is, and everything as one backup. */
import dynamic from "next/dynamic";
import { Popover } from "radix-ui";
import { readingProps } from "../../ui/reading";
import { says } from "../reading/sentences";
import { useSession } from "../session/context";
import type { SessionState } from "../session/session";
import type { Offline } from "./offline";
import { useOffline } from "./useOffline";
import { usePersistence, type Persistence } from "./usePersistence";

const KeptRoom = dynamic(() => import("./KeptRoom").then((m) => m.KeptRoom), { ssr: false });

interface Shown {
  readonly text: string;
  readonly tone: string;
  readonly words: string;
}

/** How far the layout is kept, in a word and a sentence. "saved" stands only where everything is written and confirmed. */
function shownOf({ saving, onlyMemory, gesture, layout, isDeleted }: SessionState, hasDraft: boolean): Shown {
  if (saving.kind === "refused")
    return {
      text: "not saved",
      tone: "text-blocker",
      words: `The browser refused to keep the layout: ${saving.reason}. Work goes on, and it is tried again by itself; hand off the file to be safe.`,
    };
  if (onlyMemory !== null)
    return {
      text: "in memory only",
      tone: "text-warning",
      words: `The browser keeps nothing here: ${onlyMemory}. Work goes on in memory; hand off the file, or take a backup, before you close the window.`,
    };
  if (hasDraft)
    return { text: "not entered yet", tone: "text-muted", words: "What was typed is not part of the layout yet: Enter, or leaving the field, enters it." };
  if (gesture && gesture.base !== layout) return { text: "not saved yet", tone: "text-muted", words: "What is in hand is saved when it is let go." };
  if (saving.kind === "saving") return { text: "saving…", tone: "text-muted", words: "Being written." };
  if (isDeleted)
    return { text: "saved, deleted", tone: "text-warning", words: "This layout is deleted, and edits to it are kept: bring it back from the list of layouts." };
  return { text: "saved", tone: "text-muted", words: "Every edit is written, and the browser has confirmed it." };
}

const PROMISES: Readonly<Record<Persistence, string>> = {
  unasked: "After your first edit the browser is asked to keep it for good.",
  promised: "The browser has promised to keep it until you clear it yourself.",
  refused: "The browser has not promised to keep it: it may clear it when the disk fills. A backup is safe from that.",
  unknown: "This browser cannot be asked to keep it for good (it can only on a secure page). A backup is safe whatever it does.",
};

const WITHOUT_SERVER: Readonly<Record<Offline, string>> = {
  never: "Nodulum itself is not kept by this browser (that needs a secure page or this machine): it opens while its server runs.",
  preparing: "Nodulum itself is being kept, to open without its server.",
  ready: "Nodulum itself is kept too: it opens and works without its server.",
  newer: "A new version of Nodulum is kept and waits: press “New version”.",
  older: "Another window has taken a new version of Nodulum: load this one again.",
};

export function Keeping({ hasDraft }: { hasDraft: boolean }) {
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
          aria-label="What is kept"
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
