/** A window at a layout, without a page: for tests alone. */
import type { Layout } from "../core/format/types";
import { memoryStore } from "../storage/memory";
import type { LayoutStore } from "../storage/store";
import { ONLY_WINDOW, type News, type Windows } from "../storage/windows";
import type { LostVersion } from "../core/versions/merge";
import { newlyOpened, openKept } from "../storage/openKept";
import { createLibrary } from "../views/document/library";
import { createSession, type Session, type SessionParts } from "../views/document/session";
import { createStates } from "../views/document/states";
import { createTakes } from "../views/document/takeLibrary";
import { composeHere } from "../workers/writing";

let ids = 0;
/** Ids that no other test has. */
export const testId = (): string => `test-${(ids += 1)}`;

const open: { close(): void }[] = [];
afterEach(() => open.splice(0).forEach((session) => session.close()));

/** What a window is on, with a store in memory where no other is given. */
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

/** Two windows at one store, which hear of each other's writes when `pass` says so. */
export async function openTwoWindows(layout: Layout, kept: LayoutStore = memoryStore("test"), pass: () => boolean = () => true) {
  const sessions: Session[] = [];
  const lost: LostVersion[] = [];
  const windowOf = (own: string, other: number): Windows => ({
    own,
    others: () => Promise.resolve(new Set()),
    tell: (news: News) => news.kind === "written" && pass() && sessions[other]?.heard(),
    alone: (_name, work) => work(),
    close: () => undefined,
  });
  for (const [i, own] of ["a", "b"].entries()) {
    const { session } = openWindow(layout, { kept, windows: windowOf(own, 1 - i), onLost: (versions) => lost.push(...versions) });
    await session.flush();
    const found = await openKept(kept, "id");
    if (!found.ok) throw new Error("not kept");
    session.show(found.value);
    session.setOthers(new Set([i === 0 ? "b" : "a"]));
    sessions.push(session);
  }
  const settled = async () => {
    for (let i = 0; i < 4; i += 1) for (const session of sessions) await session.flush();
  };
  return { a: sessions[0], b: sessions[1], lost, settled, kept };
}
