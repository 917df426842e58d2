/**
 * The open layout in your own game: the editor opens the game's development page, and every edit goes there at once. It goes on whatever view
 * is shown, until the page is closed or another is opened. Only that page is spoken with: by its window, its origin and a token.
 */
import { createMessageRate, readPageMessage } from "../../core/exchange/pageMessage";
import { compile } from "../../core/format/compile";
import type { Layout } from "../../core/format/types";
import { EDITOR_FLAG, TOKEN_FLAG, type TuningMessage } from "../../runtime/tuned";
import type { Session } from "../document/session";
import { defineOwned, defineUiState } from "../document/uiState";

export interface TuningState {
  /** waiting: the page has not said that it is there · live: it takes edits · closed: it has gone. */
  readonly phase: "none" | "waiting" | "live" | "closed";
  readonly address: string;
  /** Why the page did not take the last edit. */
  readonly problem: string | null;
  /** Words the game asked for that are not there, with the nearest. */
  readonly asked: readonly { readonly word: string; readonly times: number; readonly nearest: string | null }[];
  /** How many messages of the page could not be read, or came too fast to be. */
  readonly unreadable: number;
}

const NONE: TuningState = { phase: "none", address: "", problem: null, asked: [], unreadable: 0 };
const tuning = defineUiState<TuningState>({ lasts: "window", first: NONE });
export const useTuning = (): TuningState => tuning.use((s) => s);
/** What ends the link to the page that is played in. */
const link = defineOwned<{ end: () => void }>({ lasts: "window", create: () => ({ end: () => undefined }), end: (one) => one.end() });

/** Edits go out at most so often, ms: a drag is sixty of them a second, and each is compiled. */
const SENT_EVERY_MS = 50;
const LOOKED_EVERY_MS = 1000;
/** Of what could not be read it is reported at most so often, ms. */
const COUNTED_EVERY_MS = 250;
/** So many words asked in vain are shown. */
const SHOWN_WORDS = 50;

/** The address that is opened: with the token and who is asking. Null where it is no address of a page. */
function tunedAddress(address: string, token: string, editor: string): URL | null {
  let url: URL;
  try {
    url = new URL(address.includes("://") ? address : `http://${address}`);
  } catch {
    return null;
  }
  if (url.protocol !== "http:" && url.protocol !== "https:") return null;
  url.searchParams.set(TOKEN_FLAG, token);
  url.searchParams.set(EDITOR_FLAG, editor);
  return url;
}

const hasToken = (data: unknown, token: string): boolean => typeof data === "object" && data !== null && "token" in data && data.token === token;

/** Opens a page and plays in it. Gives why not, or null. */
export function playInPage(session: Session, address: string): string | null {
  const token = Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, "0")).join("");
  const url = tunedAddress(address.trim(), token, location.origin);
  if (!url) return `“${address}” is not the address of a page; write one such as http://localhost:8080/`;
  const current = link.of(session);
  current.end();
  const page = window.open(url);
  if (!page) return "The browser did not open the page: allow this one to open windows.";
  const store = tuning.of(session);
  store.setState({ ...NONE, phase: "waiting", address });
  const edits = sendEdits(session, (layout) => {
    if (store.getState().phase !== "live") return false;
    page.postMessage({ nodulum: "layout", token, played: compile(layout) } satisfies TuningMessage, url.origin);
    return true;
  });
  const unreadable = countedOften((count) => store.setState({ unreadable: count }));
  const isRead = createMessageRate();
  const onMessage = ({ origin, source, data }: MessageEvent<unknown>) => {
    if (source !== page || origin !== url.origin || !hasToken(data, token)) return;
    const message = isRead(performance.now()) ? readPageMessage(data) : null;
    switch (message?.nodulum) {
      case undefined:
        return unreadable.add();
      case "ready":
        store.setState({ phase: "live" });
        return edits.again();
      case "taken":
        return store.setState({ problem: message.problem });
      case "asked": {
        const asked = Object.entries(message.asked).slice(0, SHOWN_WORDS);
        return store.setState({ asked: asked.map(([word, one]) => ({ word, ...one })) });
      }
    }
  };
  window.addEventListener("message", onMessage);
  const look = window.setInterval(() => {
    if (!page.closed) return;
    current.end();
    store.setState({ phase: "closed" });
  }, LOOKED_EVERY_MS);
  current.end = () => {
    edits.stop();
    unreadable.stop();
    window.clearInterval(look);
    window.removeEventListener("message", onMessage);
    current.end = () => undefined;
  };
  return null;
}

/** Sends the layout a little after every edit. `send`: false where it cannot be sent now. */
function sendEdits(session: Session, send: (layout: Layout) => boolean) {
  let sent: Layout | null = null;
  let timer: number | undefined;
  const sendSoon = () => {
    timer ??= window.setTimeout(() => {
      timer = undefined;
      const { layout } = session.store.getState();
      if (layout !== sent && send(layout)) sent = layout;
    }, SENT_EVERY_MS);
  };
  const unsubscribe = session.store.subscribe((now, before) => {
    if (now.layout !== before.layout) sendSoon();
  });
  return {
    /** The page knows nothing any more. */
    again() {
      sent = null;
      sendSoon();
    },
    stop() {
      unsubscribe();
      window.clearTimeout(timer);
    },
  };
}

/** Counts, and tells how many there are now and then. */
function countedOften(tell: (count: number) => void) {
  let count = 0;
  let timer: number | undefined;
  return {
    add() {
      count += 1;
      timer ??= window.setTimeout(() => {
        timer = undefined;
        tell(count);
      }, COUNTED_EVERY_MS);
    },
    stop: () => window.clearTimeout(timer),
  };
}
