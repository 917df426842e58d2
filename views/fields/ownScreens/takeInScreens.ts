/** A list of screens from a file: those that are not of the catalogue become your own, all of them are in the rail. */
import { addScreens } from "../../../core/editing/edits/ownScreens";
import { catalogueFor } from "../../../core/checks/catalogue";
import { problemText } from "../../../core/engine/result";
import { madeOn } from "../../../core/versions/merge";
import type { Session } from "../../document/session";
import { railOf } from "../../document/railScreens";
import { readScreensFile } from "../../document/files/readFile";

/** Takes a file in, as one edit; gives why it could not be, with the file's name, or nothing. */
export async function takeInScreens(session: Session, file: File): Promise<string> {
  const read = await readScreensFile(file);
  if (!read.ok) return `${file.name}: ${problemText(read.problems, 4)}`;
  const { layout } = session.store.getState();
  const shipped = new Set(catalogueFor(layout.orientation).map((s) => s.name));
  const fresh = read.value.filter((s) => !shipped.has(s.name));
  const known = read.value.filter((s) => shipped.has(s.name)).map((s) => s.name);
  const rail = [...railOf(layout).map((s) => s.name), ...known];
  const added = addScreens(layout, fresh, rail, shipped);
  if (!added.ok) return `${file.name}: ${problemText(added.problems, 4)}`;
  session.edit("import screens", madeOn(layout, added));
  return "";
}
