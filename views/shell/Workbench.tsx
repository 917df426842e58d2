"use client";
/** The window: opens what the browser keeps, then shows the title strip and the view. */
import dynamic from "next/dynamic";
import { useEffect, useState, type ReactNode } from "react";
import { workDone } from "../../core/derived/resolved";
import { SessionProvider } from "../document/SessionContext";
import { SettlePanelProvider, type SettlePanelProps } from "../document/settle/SettleSlot";
import { openWorkbench, type Opened } from "./openWorkbench";
import { Shell } from "./Shell";
import { goOnFromDoor } from "./where";

const SettlePanel = dynamic(() => import("../settle/SettlePanel").then((m) => m.SettlePanel));
const renderSettle = (props: SettlePanelProps) => <SettlePanel {...props} />;

export function WorkbenchShell({ children }: { children: ReactNode }) {
  /** The path the page came with. */
  const [first] = useState(() => (typeof window === "undefined" ? "" : window.location.pathname));
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    let close = () => undefined as void;
    openWorkbench().then(
      (made) => {
        if (!current) return made.close();
        close = made.close;
        goOnFromDoor();
        setOpened(made);
      },
      (error: unknown) => current && setProblem(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      current = false;
      close();
    };
  }, []);
  // How much has been computed so far, for whoever measures the running application.
  useEffect(() => {
    Object.assign(window, { nodulumWork: workDone });
  }, []);
  if (problem !== null) return <NotOpened problem={problem} />;
  if (!opened) return <Opening />;
  return (
    <SessionProvider value={opened}>
      <SettlePanelProvider value={renderSettle}>
        <Shell first={first}>{children}</Shell>
      </SettlePanelProvider>
    </SessionProvider>
  );
}

/** A way out that needs no script: it shows by itself when opening takes longer than it ever should. */
function Opening() {
  return (
    <div className="grid h-full place-items-center text-muted">
      <div className="grid justify-items-center gap-3">
        <p>Opening…</p>
        <p className="late">
          This takes longer than usual.{" "}
          <a href="" className="text-accent underline">
            Load it again
          </a>
        </p>
      </div>
    </div>
  );
}

/** The window itself could not be opened: what is kept is untouched. */
function NotOpened({ problem }: { problem: string }) {
  return (
    <div className="grid h-full place-items-center">
      <div role="alert" className="grid max-w-[32.5rem] gap-3">
        <p>Nodulum could not be opened: {problem}</p>
        <p className="text-muted">The stored data is unchanged.</p>
        <button className="push push-main w-fit" onClick={() => window.location.reload()}>
          Load it again
        </button>
      </div>
    </div>
  );
}
