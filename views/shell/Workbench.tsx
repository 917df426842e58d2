"use client";
/** The window: opens what the browser keeps, then shows the title strip and the view. */
import { useEffect, useState, type ReactNode } from "react";
import { workDone } from "../../core/derived/resolved";
import { SAMPLES } from "../../samples/samples";
import { openLayouts } from "../../storage/layouts";
import { connectWriting } from "../../workers/connect";
import { createComposer } from "../../workers/writing";
import { SessionProvider } from "../session/context";
import { createLibrary, firstLayout, type Library } from "../session/library";
import { createSession, type Session } from "../session/session";
import { Shell } from "./Shell";

const now = () => Date.now();
const newId = () => crypto.randomUUID();

export function Workbench({ children }: { children: ReactNode }) {
  const [opened, setOpened] = useState<{ session: Session; library: Library } | null>(null);
  useEffect(() => {
    let current = true;
    void (async () => {
      const kept = await openLayouts();
      const { id, layout, unreadable } = await firstLayout(kept, SAMPLES, now, newId);
      if (!current) return;
      const session = createSession({ kept, now, compose: createComposer(connectWriting) }, id, layout);
      if (unreadable.length > 0)
        session.tell({
          text: `“${unreadable[0].name}” cannot be read and was set aside as it is; it stands in the list of layouts, to be downloaded.`,
          tone: "problem",
        });
      setOpened({ session, library: createLibrary(kept, session, now, newId) });
    })();
    return () => {
      current = false;
    };
  }, []);
  // How much has been worked out so far, for whoever measures the running application.
  useEffect(() => {
    Object.assign(window, { nodulumWork: workDone });
  }, []);
  if (!opened) return <div className="grid h-full place-items-center text-muted">Opening…</div>;
  return (
    <SessionProvider value={opened}>
      <Shell>{children}</Shell>
    </SessionProvider>
  );
}
