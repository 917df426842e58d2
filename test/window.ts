/** A window at a layout, without a page: for tests alone. */
import type { Layout } from "../core/format/types";
import { memoryStore } from "../storage/memory";
import type { LayoutStore } from "../storage/store";
import { ONLY_WINDOW, type Windows } from "../storage/windows";
import { newlyOpened } from "../views/session/kept";
import { createLibrary } from "../views/session/library";
import { createSession, type SessionParts } from "../views/session/session";
import { createStates } from "../views/session/states";
import { createTakes } from "../views/session/takes";
import { composeHere } from "../workers/writing";

let ids = 0;
/** Ids that no other test has. */
export const testId = (): string => `test-${(ids += 1)}`;

const open: { close(): void }[] = [];
afterEach(() => open.splice(0).forEach((session) => session.close()));

/** What a window stands on, with a store in memory where no other is given. */
export function openWindow(
  layout: Layout,
  { kept = memoryStore("test"), windows = ONLY_WINDOW("this"), ...more }: Partial<SessionParts> & { kept?: LayoutStore; windows?: Windows } = {},
) {
  let time = 1000;
  const now = () => (time += 1);
  const session = createSession({ kept, windows, now, newId: testId, againMs: [5], ...more }, newlyOpened("id", layout));
  open.push(session);
  const library = createLibrary({ kept, session, windows, now, newId: testId });
  const states = createStates({ kept, session, windows, now, newId: testId, compose: composeHere });
  const takes = createTakes({ kept, session, windows, now, newId: testId, compose: composeHere });
  return { kept, session, library, states, takes };
}
