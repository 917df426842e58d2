/** What a session is: what it knows of the open layout, and all that may be done to it. */
import type { StoreApi } from "zustand/vanilla";
import type { FixOffer } from "../../core/checks/check";
import type { PlayerCase } from "../../core/checks/grid";
import type { PlayerView } from "../../core/engine/placement/resolve";
import type { Result } from "../../core/engine/result";
import type { Layout, Workbench } from "../../core/format/types";
import type { History, LogRecord } from "../../core/versions/log";
import type { Saving } from "../../storage/saveQueue";
import type { ScreenFindings } from "../../workers/checksService";
import type { OpenedLayout } from "../../storage/openKept";

/** A message at the foot of the window. */
export interface Notice {
  readonly text: string;
  readonly tone: "plain" | "problem";
  /** A way back or on, offered next to it. */
  readonly act?: { readonly label: string; readonly run: () => void };
}

/**
 * A gesture under way. Its previews are on `origin`, which never changes while it lasts; what they change is applied to `base`, which moves
 * on with every edit of another window. So a gesture can never take back what others do meanwhile, whatever its previews are computed from.
 */
export interface Gesture {
  readonly label: string;
  /** The layout when the pointer came down. */
  readonly origin: Layout;
  /** The last preview, on `origin`. */
  readonly made: Layout;
  /** The layout without the gesture, as it is now. */
  readonly base: Layout;
  /** Edits made meanwhile are previews of the gesture. */
  readonly gathers: boolean;
}

export interface SessionState {
  readonly id: string;
  readonly layout: Layout;
  /** All that happened to it, as far as it is kept; and what of it undo and redo would do here. */
  readonly log: readonly LogRecord[];
  readonly history: History;
  /** The other windows that are open: what they did is theirs to take back. */
  readonly others: ReadonlySet<string>;
  /** Whether it has been deleted, here or in another window: it is still kept, and can be brought back. */
  readonly isDeleted: boolean;
  readonly gesture: Gesture | null;
  readonly selection: readonly string[];
  /** As which player, and in which moment of the game, the views show the layout; moment null: all of them at once. */
  readonly playerView: PlayerView;
  readonly saving: Saving;
  /** Why nothing outlives the tab, or null where the browser keeps what is saved. */
  readonly onlyMemory: string | null;
  /** What is found on the screens in view, by their names: the list for the player that is edited for, the count for `countedFor`. */
  readonly findings: Readonly<Record<string, ScreenFindings>>;
  /** The players that findings are counted for: all of the layout, or while something is dragged the one that is edited for. */
  readonly countedFor: readonly PlayerCase[];
  /** The screen whose findings are read on the shelf; null: the one on the bench. */
  readonly shelfScreen: string | null;
  /** The moves that fix findings of the screen on the bench, of the layout as it stood when they were proved. */
  readonly fixes: readonly FixOffer[];
  /** The layout those moves were proved on; of any other they are stale, and may not be made. */
  readonly fixesOf: Layout | null;
  readonly notice: Notice | null;
  /** Two versions that are shown over each other on the glass. */
  readonly compared: { readonly was: Layout; readonly is: Layout } | null;
}

/** An edit as the core writes them: a function of the layout it is given, never of one that was read before (`seenAs`, `madeOn`). */
export type Edit = (layout: Layout) => Result<Layout>;

export interface Session {
  readonly store: StoreApi<SessionState>;
  /** Makes an edit; a refused one changes nothing and is reported. `merge` joins it with the last entry of the same label. */
  edit(label: string, edit: Edit, merge?: boolean): boolean;
  /**
   * A gesture: `begin`, any number of `preview`s (each from the layout as it was; a refused one is reported and changes nothing), then `commit` or
   * `cancel`. Until then nothing of it is kept. `origin`: the layout when the pointer came down, where that was earlier.
   */
  begin(label: string, origin?: Layout): void;
  preview(edit: Edit): boolean;
  /**
   * Adds what follows from the gesture, right before its commit: made on the layout with what others have done meanwhile, for it may touch more
   * than what is in hand. Where that is refused, nothing is added.
   */
  follow(edit: Edit): void;
  commit(): void;
  cancel(): void;
  /** A gesture made of edits: every `edit` from now on is a preview, from the layout as it was, and nothing is kept until `commit`. It is called as they are. */
  gather(): void;
  /** The next edit starts its own entry, whatever its label: the user has turned to something else. */
  endRun(): void;
  undo(): void;
  redo(): void;
  select(ids: readonly string[]): void;
  /** Chooses the moment that the views show. */
  showMoment(moment: string | null): void;
  /** Chooses as which player the layout is looked at: hand, size. */
  showPlayer(player: Partial<Pick<PlayerView, "handed" | "playerSize">>): void;
  /** Changes what the editor alone remembers; no entry in the history. */
  remember(change: Partial<Workbench>): void;
  /** Goes to where an edit of the history had just been made, by undo and redo where these lead there; null: to before your own all. */
  goTo(edit: string | null): void;
  /** Puts another layout on the bench. What was not written of the one before is given up: see `flush`. */
  show(opened: OpenedLayout): void;
  /** Resolves when nothing waits to be written, or it was refused once more; false: something is still not written. */
  flush(): Promise<boolean>;
  /** Whether leaving now would lose something: unwritten edits, or a gesture under way. */
  isUnsaved(): boolean;
  /** Another window has written this layout. */
  heard(): void;
  /** Whether the layout is deleted, told by another window. */
  setDeleted(isDeleted: boolean): void;
  /** Which other windows are open. */
  setOthers(others: ReadonlySet<string>): void;
  tell(notice: Notice | null): void;
  /** Tells why something was refused; of what was done nothing is reported. */
  tellRefusal(done: Result<unknown>): void;
  /** Takes the moves that fix what is found on the bench. */
  setFixes(fixes: readonly FixOffer[], of: Layout): void;
  /** Takes the findings of the screens in view, counted for some players; what says the same keeps its identity, so that nothing draws again for it. */
  setFindings(findings: Record<string, ScreenFindings>, countedFor: readonly PlayerCase[]): void;
  /** Chooses the screen whose findings are read on the shelf. */
  readOnShelf(screen: string): void;
  /** Shows two versions over each other on the glass, or none. */
  setCompared(compared: SessionState["compared"]): void;
  /** The window goes: nothing is tried again. */
  close(): void;
}
