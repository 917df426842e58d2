/** Where in the application one was last: there the next visit opens. */
import { note, noted } from "../document/notes";
import { VIEWS, type PagePath } from "./views";

const KEY = "nodulum.where";
const PLACES: readonly PagePath[] = [...VIEWS.map((v) => v.path), "/welcome"];

const isPlace = (path: unknown): path is PagePath => PLACES.includes(path as PagePath);

/** Notes where one is. What is next to the work, the words for one, is not noted. */
export function noteWhere(path: string): void {
  if (isPlace(path)) note(KEY, path);
}

/**
 * Whoever comes to the door again goes on to where they were; the first visit stays at the welcome. To be called before anything of the
 * page shows.
 */
export function goOnFromDoor(): void {
  const last = noted(KEY);
  if (window.location.pathname !== "/welcome" || last === "/welcome" || !isPlace(last)) return;
  History.prototype.replaceState.call(window.history, window.history.state, "", last);
}
