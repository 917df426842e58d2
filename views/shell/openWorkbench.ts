/** Opens everything the window is on: the other windows, the store, the first layout, the session and what goes with it. */
import { SAMPLES } from "../../samples/samples";
import type { Life } from "../../storage/database";
import { openLayouts } from "../../storage/layouts";
import type { LayoutStore } from "../../storage/store";
import { joinWindows, type News, type Windows } from "../../storage/windows";
import { connectWriting } from "../../workers/connect";
import { createComposer } from "../../workers/writing";
import { firstLayout } from "../document/firstLayout";
import { createLibrary, type Library } from "../document/library";
import { createSession, type Session } from "../document/session";
import { createStates, type States } from "../document/states";
import { createTakes, type Takes } from "../document/takeLibrary";
import { newId } from "../document/newId";
import { drawingBegins, drawingEnds, undrawable } from "./drawingGuard";

/** What a window is on. `close` leaves it. */
export interface Opened {
  readonly kept: LayoutStore;
  readonly session: Session;
  readonly library: Library;
  readonly states: States;
  readonly takes: Takes;
  readonly close: () => void;
}

const now = () => Date.now();
/** The layout this window had open last: another window may have had another. */
const OPEN_KEY = "nodulum.open";
/** Pictures that nothing refers to are let go when the window has come to rest, ms. */
const SWEEP_MS = 8000;

/** What the browser has, or null where it has it not: on plain http, in a frame, where it is forbidden. */
function attempt<T>(get: () => T): T | null {
  try {
    return get() ?? null;
  } catch {
    return null;
  }
}

/** Opens a window. Never rejects for what storage refuses: then work begins in memory, and says so. */
export async function openWorkbench(): Promise<Opened> {
  const remembered = attempt(() => window.sessionStorage);
  const notes = attempt(() => window.localStorage);
  let hear: (news: News) => void = () => undefined;
  let live: (life: Life) => void = () => undefined;
  const [windows, store] = await Promise.all([
    joinWindows({ channel: attempt(() => new BroadcastChannel("nodulum")), locks: attempt(() => navigator.locks), remembered, newId }, (news) => hear(news)),
    openLayouts({ onLife: (life) => live(life) }),
  ]);
  const last = attempt(() => remembered?.getItem(OPEN_KEY) ?? null);
  const { kept, opened, passedOver } = await firstLayout({ kept: store, samples: SAMPLES, newId, last, shunned: notes ? undrawable(notes) : undefined });
  if (notes) drawingBegins(notes, opened.id);
  const compose = createComposer(connectWriting);
  const session: Session = createSession({ kept, now, newId, compose, windows, onLost: (lost) => void states.keepLost(lost) }, opened);
  const states = createStates({ kept, session, windows, now, newId, compose });
  const takes = createTakes({ kept, session, windows, now, newId, compose });
  const library = createLibrary({ kept, session, windows, now, newId });

  const opens: Opens = { kept, session, states, takes, windows };
  hear = (news) => hearNews(opens, news);
  live = (life) => hearLife(session, life);
  const rememberOpen = (id: string) => attempt(() => remembered?.setItem(OPEN_KEY, id));
  rememberOpen(opened.id);
  session.store.subscribe(({ id }, before) => {
    if (id === before.id) return;
    rememberOpen(id);
    if (notes) drawingBegins(notes, id);
  });
  seeOthers(opens);
  const stopSight = onSight(() => {
    seeOthers(opens);
    session.heard();
    void hearMarked(kept, session);
  });
  if (passedOver.length > 0) session.tell({ text: `${passedOver.join(".\n")}. See the list of layouts.`, tone: "problem" });
  const sweep = window.setTimeout(() => void kept.sweep().catch((error: unknown) => console.error("Unused pictures could not be deleted.", error)), SWEEP_MS);
  const onHide = () => {
    windows.tell({ kind: "bye" });
    // A window that could still say goodbye had not frozen.
    if (notes) drawingEnds(notes, session.store.getState().id, "drawn");
  };
  window.addEventListener("pagehide", onHide);
  return {
    kept,
    session,
    library,
    states,
    takes,
    close() {
      window.clearTimeout(sweep);
      stopSight();
      window.removeEventListener("pagehide", onHide);
      windows.close();
      session.close();
    },
  };
}

/** What hears of other windows. */
interface Opens {
  readonly kept: LayoutStore;
  readonly session: Session;
  readonly states: States;
  readonly takes: Takes;
  readonly windows: Windows;
}

function seeOthers({ windows, session }: Opens): void {
  void windows
    .others()
    .then((others) => session.setOthers(others))
    .catch(() => undefined);
}

/** What another window says. */
function hearNews(opens: Opens, news: News): void {
  const { kept, session, states, takes } = opens;
  seeOthers(opens);
  if (!("layout" in news) || news.layout !== session.store.getState().id) return;
  if (news.kind === "written") session.heard();
  else if (news.kind === "states") states.heard();
  else if (news.kind === "takes") takes.heard();
  else void hearMarked(kept, session);
}

/** What becomes of the database. */
function hearLife(session: Session, life: Life): void {
  // What has been closed may have been cleared: the store is asked.
  if (life === "closed") return session.heard();
  session.tell({
    text: "A newer Nodulum is open in another window. Reload this window to continue; edits made here are not saved.",
    tone: "problem",
  });
}

/** Calls whenever somebody comes back to the window: it looks again at whatever was reported while it slept. Returns what stops it. */
function onSight(look: () => void): () => void {
  const lookIfSeen = () => void (document.visibilityState === "visible" && look());
  document.addEventListener("visibilitychange", lookIfSeen);
  window.addEventListener("focus", lookIfSeen);
  return () => {
    document.removeEventListener("visibilitychange", lookIfSeen);
    window.removeEventListener("focus", lookIfSeen);
  };
}

/** Another window has deleted the open layout, or brought it back. */
async function hearMarked(kept: LayoutStore, session: Session): Promise<void> {
  try {
    const { id, isDeleted } = session.store.getState();
    const found = await kept.read(id);
    const marked = found !== undefined && found.deletedAt !== null;
    if (marked === isDeleted || session.store.getState().id !== id) return;
    session.setDeleted(marked);
    session.tell({
      text: marked ? "Another window deleted this layout. It stays open here, and edits are stored." : "Another window restored this layout.",
      tone: "plain",
    });
  } catch {
    // Storage reports itself with the next edit.
  }
}
