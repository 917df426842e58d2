/** The state of a session, and its actions: each part is declared with its implementation, here they are put together. */
import type { StoreApi } from "zustand/vanilla";
import type { FixOffer } from "../../core/checks/check";
import type { PlayerCase } from "../../core/checks/grid";
import type { PlayerView } from "../../core/engine/placement/resolve";
import type { Result } from "../../core/engine/result";
import type { Layout, Workbench } from "../../core/format/types";
import type { History, LogRecord } from "../../core/versions/log";
import type { OpenedLayout } from "../../storage/openKept";
import type { Saving } from "../../storage/saveQueue";
import type { ScreenFindings } from "../../workers/checksService";
import type { Owner } from "./owner";

/** A message at the bottom of the window. */
export interface Notice {
  readonly text: string;
  readonly tone: "plain" | "problem";
  /** A button next to the message. */
  readonly act?: { readonly label: string; readonly run: () => void };
}

/**
 * A gesture in progress. Its previews start from `origin`, which does not change; their changes are applied to `base`, which includes every edit
 * of other windows. So a gesture never takes back what others do in the meantime.
 */
export interface Gesture {
  readonly label: string;
  /** The layout when the pointer came down. */
  readonly origin: Layout;
  /** The last preview, made from `origin`. */
  readonly made: Layout;
  /** The layout without the gesture, as it is now. */
  readonly base: Layout;
  /** Whether edits made in the meantime are previews of the gesture. */
  readonly gathers: boolean;
}

export interface SessionState {
  readonly id: string;
  readonly layout: Layout;
  /** All stored records of the layout, and what undo and redo would do in this window. */
  readonly log: readonly LogRecord[];
  readonly history: History;
  /** The other open windows: only they undo their own edits. */
  readonly others: ReadonlySet<string>;
  /** Whether the layout has been deleted, here or in another window. It is still stored and can be restored. */
  readonly isDeleted: boolean;
  readonly gesture: Gesture | null;
  readonly selection: readonly string[];
  /** The player and the moment that the views show; moment null: all moments at once. */
  readonly playerView: PlayerView;
  readonly saving: Saving;
  /** Why nothing is stored beyond this tab; null if the browser stores it. */
  readonly onlyMemory: string | null;
  /** The findings on the visible screens, by screen name: listed for the current player, counted for `countedFor`. */
  readonly findings: Readonly<Record<string, ScreenFindings>>;
  /** The players that findings are counted for: all of the layout; during a drag the current one. */
  readonly countedFor: readonly PlayerCase[];
  /** The screen whose findings are listed in Screens; null: the screen on the bench. */
  readonly shelfScreen: string | null;
  /** Fixes for findings of the screen on the bench, verified on `fixesOf`. */
  readonly fixes: readonly FixOffer[];
  /** The layout that the fixes belong to; for any other layout they are out of date and may not be applied. */
  readonly fixesOf: Layout | null;
  readonly notice: Notice | null;
  /** Two versions that are compared on the glass. */
  readonly compared: { readonly was: Layout; readonly is: Layout } | null;
}

/** An edit: a function of the layout it is given, never of one that was read before (`seenAs`, `madeOn`). */
export type Edit = (layout: Layout) => Result<Layout>;

export interface NoticeActions {
  tell(notice: Notice | null): void;
  /** Reports why something was refused; nothing if it succeeded. */
  tellRefusal(done: Result<unknown>): void;
}

/**
 * Gestures: `begin`, any number of previews (each made from the layout at the start; a refused one is reported and changes nothing), then `commit`
 * or `cancel`. Nothing is stored before `commit`.
 */
export interface GestureActions {
  /** `origin`: the layout when the pointer came down, if that was earlier. */
  begin(label: string, origin?: Layout): void;
  /** Starts a gesture of edits: every `edit` from now on is a preview. It is labelled like the last edit. */
  gather(): void;
  preview(edit: Edit): boolean;
  /**
   * Adds a consequence of the gesture, right before its commit. It is made from the present layout, since it may change more than the gesture; if
   * it is refused, nothing is added.
   */
  follow(edit: Edit): void;
  commit(): void;
  cancel(): void;
}

export interface EditActions {
  /** Makes an edit; a refused one is reported and changes nothing. `merge`: joins it with the last entry of the same label. */
  edit(label: string, edit: Edit, merge?: boolean): boolean;
  /** The next edit gets its own entry in the history, even with the same label. */
  endRun(): void;
  /** Changes what only the editor remembers; without an entry in the history. */
  remember(change: Partial<Workbench>): void;
  undo(): void;
  redo(): void;
  /** Goes to the version after an edit of the history, by undo and redo if they lead there; null: before all edits of this window. */
  goTo(edit: string | null): void;
}

export interface ViewActions {
  select(ids: readonly string[]): void;
  /** Chooses the moment that the views show. */
  showMoment(moment: string | null): void;
  /** Chooses the player that the views show. */
  showPlayer(player: Partial<Pick<PlayerView, "handed" | "playerSize">>): void;
  /** Chooses the screen whose findings are listed in Screens. */
  readOnShelf(screen: string): void;
  /** Compares two versions on the glass; null ends it. */
  setCompared(compared: SessionState["compared"]): void;
}

export interface FindingActions {
  /** Sets the fixes for the screen on the bench. */
  setFixes(fixes: readonly FixOffer[], of: Layout): void;
  /** Sets the findings of the visible screens, counted for some players. Equal findings keep their identity, so that nothing renders again. */
  setFindings(findings: Record<string, ScreenFindings>, countedFor: readonly PlayerCase[]): void;
}

export interface DocumentActions {
  /** Opens another layout. What is not written of the previous one is discarded: see `flush`. */
  show(opened: OpenedLayout): void;
  /** Resolves when everything is written, or was refused once more; false: something is not written. */
  flush(): Promise<boolean>;
  /** Whether closing the window now would lose something: unwritten edits, or a gesture in progress. */
  isUnsaved(): boolean;
  /** Another window has written this layout. */
  heard(): void;
  /** Sets whether the layout is deleted, as another window reports it. */
  setDeleted(isDeleted: boolean): void;
  /** Sets which other windows are open. */
  setOthers(others: ReadonlySet<string>): void;
  /** The window closes: nothing is tried again. */
  close(): void;
}

export interface Session extends NoticeActions, GestureActions, EditActions, ViewActions, FindingActions, DocumentActions {
  readonly store: StoreApi<SessionState>;
  /** What views hold beside the layout: see `uiState`. */
  readonly owner: Owner<Session>;
}
