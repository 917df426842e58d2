/**
 * The open layout in one's own game: the editor opens the game's development page, and every edit goes there at once. It goes on whatever view
 * is shown, until the page is closed or another is opened. Only that page is spoken with: by its window, its origin and a token.
 */
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";
import { compile } from "../../core/format/compile";
import { EDITOR_FLAG, TOKEN_FLAG, type TuningMessage } from "../../runtime/tuned";
import type { Session } from "../session/session";

export interface TuningState {
  /** waiting: the page has not said that it is there · live: it takes edits · closed: it has gone. */
  readonly phase: "none" | "waiting" | "live" | "closed";
  readonly address: string;
  /** Why the page did not take the last edit. */
  readonly problem: string | null;
  /** Words the game asked for that are not there, with the nearest. */
  readonly asked: readonly { readonly word: string; readonly times: number; readonly nearest: string | null }[];
}

const store = createStore<TuningState>(() => ({ phase: "none", address: "", problem: null, asked: [] }));
export const useTuning = (): TuningState => useStore(store);

/** Edits go out at most so often, ms: a drag is sixty of them a second, and each is compiled. */
const SENT_EVERY_MS = 50;
const LOOKED_EVERY_MS = 1000;

let end: () => void = () => undefined;

/** The address that is opened: with the token and who is asking. Null where it is no address of a page. */
export function tunedAddress(address: string, token: string, editor: string): URL | null {
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

/** Opens a page and plays in it. Gives why not, or null. */
export function playInPage(session: Session, address: string): string | null {
  const token = Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, "0")).join("");
  const url = tunedAddress(address.trim(), token, location.origin);
  if (!url) return `“${address}” is not the address of a page; write one such as http://localhost:8080/`;
  end();
  const page = window.open(url);
  if (!page) return "The browser did not open the page: allow this one to open windows.";
  store.setState({ phase: "waiting", address, problem: null, asked: [] });
  let sent: unknown = null;
  const send = () => {
    const { layout } = session.store.getState();
    if (store.getState().phase !== "live" || layout === sent) return;
    sent = layout;
    page.postMessage({ nodulum: "layout", token, played: compile(layout) } satisfies TuningMessage, url.origin);
  };
  let timer: number | undefined;
  const stop = session.store.subscribe((now, before) => {
    if (now.layout !== before.layout) timer ??= window.setTimeout(() => ((timer = undefined), send()), SENT_EVERY_MS);
  });
  const heard = ({ origin, source, data }: MessageEvent) => {
    const message = data as Partial<TuningMessage> | null;
    if (source !== page || origin !== url.origin || message?.token !== token) return;
    if (message.nodulum === "ready") {
      store.setState({ phase: "live" });
      sent = null;
      send();
    } else if (message.nodulum === "taken") store.setState({ problem: typeof message.problem === "string" ? message.problem : null });
    else if (message.nodulum === "asked" && typeof message.asked === "object")
      store.setState({
        asked: Object.entries(message.asked)
          .slice(0, 50)
          .map(([word, { times, nearest }]) => ({ word, times, nearest })),
      });
  };
  window.addEventListener("message", heard);
  const look = window.setInterval(() => {
    if (!page.closed) return;
    end();
    store.setState({ phase: "closed" });
  }, LOOKED_EVERY_MS);
  end = () => {
    stop();
    window.clearTimeout(timer);
    window.clearInterval(look);
    window.removeEventListener("message", heard);
    end = () => undefined;
  };
  return null;
}
