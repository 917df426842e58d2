/** Where in the application one was last: there the next visit opens. */
import { VIEWS, type Place } from "../shared/views";

const KEY = "nodulum.where";
const PLACES: readonly Place[] = [...VIEWS.map((v) => v.path), "/welcome"];

/** Notes where one is. What is beside the work, the words for one, is not noted. */
export function noteWhere(path: string): void {
  if (!PLACES.includes(path as Place)) return;
  try {
    window.localStorage.setItem(KEY, path);
  } catch {
    // Where nothing can be noted, each visit begins at the welcome.
  }
}

/**
 * Whoever comes to the door again goes on to where they were; the first visit stays at the welcome. To be called before anything of the
 * page shows.
 */
export function goOnFromDoor(): void {
  if (window.location.pathname !== "/welcome") return;
  try {
    const last = window.localStorage.getItem(KEY) as Place | null;
    if (last === null || last === "/welcome" || !PLACES.includes(last)) return;
    History.prototype.replaceState.call(window.history, window.history.state, "", last);
  } catch {
    // As on a first visit.
  }
}
