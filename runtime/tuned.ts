/**
 * `nodulum-runtime/tuned`: lets the editor update the layout of a running development page. It does nothing unless the editor opened the page,
 * with a token and its origin in the URL; other messages are ignored. Do not ship it.
 */
import type { Handle } from "./handle";

/** The messages between editor and page; each has the token of the URL. */
export type TuningMessage =
  | { readonly nodulum: "ready"; readonly token: string }
  | { readonly nodulum: "layout"; readonly token: string; readonly played: string }
  | { readonly nodulum: "taken"; readonly token: string; readonly problem: string | null }
  | {
      readonly nodulum: "asked";
      readonly token: string;
      readonly asked: Readonly<Record<string, { readonly times: number; readonly nearest: string | null }>>;
    };

/** The URL parameters that the editor adds. */
export const TOKEN_FLAG = "nodulum-token";
export const EDITOR_FLAG = "nodulum-editor";
/** Interval of the reports of unknown names, ms. */
const TOLD_EVERY_MS = 500;
/** Maximum number and length of reported names; the editor accepts no more. */
const MOST_WORDS = 50;
const MOST_LETTERS = 64;

/** Starts if the editor opened this page; returns a function that stops it. */
export function tuned(handle: Pick<Handle, "replace" | "unknownNames">): () => void {
  const flags = new URLSearchParams(location.search);
  const [token, editor] = [flags.get(TOKEN_FLAG), flags.get(EDITOR_FLAG)];
  const opener = window.opener as Window | null;
  if (token === null || editor === null || opener === null) return () => undefined;
  const tell = (message: TuningMessage) => opener.postMessage(message, editor);
  const heard = ({ origin, source, data }: MessageEvent) => {
    const message = data as Partial<TuningMessage> | null;
    if (origin !== editor || source !== opener || message?.nodulum !== "layout" || message.token !== token || typeof message.played !== "string") return;
    try {
      handle.replace(message.played);
      tell({ nodulum: "taken", token, problem: null });
    } catch (error) {
      tell({ nodulum: "taken", token, problem: (error instanceof Error ? error.message : String(error)).slice(0, 2000) });
    }
  };
  addEventListener("message", heard);
  let told = "";
  const timer = setInterval(() => {
    const words = Object.entries(handle.unknownNames).filter(([word]) => word.length <= MOST_LETTERS);
    const asked = Object.fromEntries(words.slice(0, MOST_WORDS));
    const text = JSON.stringify(asked);
    if (text !== told) tell({ nodulum: "asked", token, asked });
    told = text;
  }, TOLD_EVERY_MS);
  tell({ nodulum: "ready", token });
  return () => {
    clearInterval(timer);
    removeEventListener("message", heard);
  };
}
