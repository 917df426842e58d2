/**
 * The open layout in your own game: the editor opens the game's development page, and every edit goes there at once. It goes on whatever view
 * is shown, until the page is closed or another is opened. Only that page is spoken with: by its window, its origin and a token.
 */
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";
import { createMessageRate, readPageMessage } from "../../core/exchange/pageMessage";
import { compile } from "../../core/format/compile";
import { EDITOR_FLAG, TOKEN_FLAG, type TuningMessage } from "../../runtime/tuned";
import type { Session } from "../document/session";

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

const store = createStore<TuningState>(() => ({ phase: "none", address: "", problem: null, asked: [], unreadable: 0 }));
export const useTuning = (): TuningState => useStore(store);

/** Edits go out at most so often, ms: a drag is sixty of them a second, and each is compiled. */
const SENT_EVERY_MS = 50;
const LOOKED_EVERY_MS = 1000;
/** Of what could not be read it is reported at most so often, ms. */
const COUNTED_EVERY_MS = 250;
/** So many words asked in vain are shown. */
const SHOWN_WORDS = 50;

let end: () => void = () => undefined;

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
  end();
  const page = window.open(url);
  if (!page) return "The browser did not open the page: allow this one to open windows.";
  store.setState({ phase: "waiting", address, problem: null, asked: [], unreadable: 0 });
  let sent: unknown = null;
  const send = () => {
    const { layout } = session.store.getState();
    if (store.getState().phase !== "live" || layout === sent) return;
    sent = layout;
    page.postMessage({ nodulum: "layout", token, played: compile(layout) } satisfies TuningMessage, url.origin);
  };
  let timer: number | undefined;
  const sendSoon = () => {
    timer ??= window.setTimeout(() => ((timer = undefined), send()), SENT_EVERY_MS);
  };
  const stop = session.store.subscribe((now, before) => {
    if (now.layout !== before.layout) sendSoon();
  });
  const isRead = createMessageRate();
  let unreadable = 0;
  let counting: number | undefined;
  const countUnreadable = () => {
    unreadable += 1;
    counting ??= window.setTimeout(() => ((counting = undefined), store.setState({ unreadable })), COUNTED_EVERY_MS);
  };
  const onMessage = ({ origin, source, data }: MessageEvent<unknown>) => {
    if (source !== page || origin !== url.origin || !hasToken(data, token)) return;
    const message = isRead(performance.now()) ? readPageMessage(data) : null;
    switch (message?.nodulum) {
      case undefined:
        return countUnreadable();
      case "ready":
        store.setState({ phase: "live" });
        sent = null;
        return sendSoon();
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
    end();
    store.setState({ phase: "closed" });
  }, LOOKED_EVERY_MS);
  end = () => {
    stop();
    window.clearTimeout(timer);
    window.clearInterval(look);
    window.removeEventListener("message", onMessage);
    window.clearTimeout(counting);
    end = () => undefined;
  };
  return null;
}
