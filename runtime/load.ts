/** Fetches a played file and plays it, in one line. */
import type { Handle, KnownActions, PlayOptions } from "./handle";
import { play } from "./play";

/**
 * Fetches a played file, checks it and plays it: `const controls = await load("./quay.played.json", { over: "#game" })`. Rejects with an Error that
 * names the address, or the position and the problem in the file.
 */
export async function load<A extends KnownActions = string>(url: string | URL, options: PlayOptions): Promise<Handle<A>> {
  const response = await fetch(url).catch((error: unknown) => {
    throw new Error(`load: ${url}: ${error instanceof Error ? error.message : String(error)}`);
  });
  if (!response.ok) throw new Error(`load: ${url}: the server answers ${response.status}`);
  return play<A>(await response.text(), options);
}
