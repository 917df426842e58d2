"use client";
/** Title strip, view, notices; the keys that work everywhere. */
import { usePathname, useRouter } from "next/navigation";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import { NumberDragsProvider } from "../../ui/drags";
import { startDrag } from "../interaction/pointerDrag";
import { useKeys } from "../interaction/useKeys";
import { useSession, useSessionActions } from "../session/context";
import { useFindings } from "../session/useFindings";
import { SimulatedPad } from "../shared/SimulatedPad";
import { NoticeBar } from "./NoticeBar";
import { Shortcuts } from "./Shortcuts";
import { TitleStrip } from "./TitleStrip";
import { VIEWS } from "./views";

export function Shell({ children }: { children: ReactNode }) {
  const session = useSessionActions();
  const router = useRouter();
  const path = usePathname();
  const name = useSession((s) => s.layout.name);
  const [help, setHelp] = useState(false);
  useFindings(path === "/screens");
  // A view left in the middle of a drag keeps nothing of it.
  useEffect(() => () => session.cancel(), [path, session]);

  useEffect(() => {
    document.title = `${name} · Nodulum`;
  }, [name]);
  useEffect(() => {
    const onFocus = () => session.endRun();
    document.addEventListener("focusin", onFocus);
    return () => document.removeEventListener("focusin", onFocus);
  }, [session]);
  useKeys("everywhere", {
    ...Object.fromEntries(VIEWS.map((view, i) => [`view ${i + 1}`, () => path !== view.path && (router.push(view.path), true)])),
    undo: () => session.undo(),
    redo: () => session.redo(),
    shortcuts: () => setHelp(true),
  });

  const numberDrags = useMemo(
    () => ({ start: startDrag, begin: () => session.gather(), commit: () => session.commit(), cancel: () => session.cancel() }),
    [session],
  );
  return (
    <NumberDragsProvider value={numberDrags}>
      <div className="grid h-full grid-rows-[44px_minmax(0,1fr)]">
        <TitleStrip path={path} onHelp={() => setHelp(true)} />
        <main className="min-h-0">{children}</main>
        <NoticeBar />
        <SimulatedPad />
        <Shortcuts open={help} onOpenChange={setHelp} />
      </div>
    </NumberDragsProvider>
  );
}
