"use client";
/** Title strip, view, notices; the keys that work everywhere. */
import { usePathname, useRouter } from "next/navigation";
import { useEffect, useState, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
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
  VIEWS.forEach((view, i) => {
    // The views are a fixed list, so the order of hooks never changes.
    // eslint-disable-next-line react-hooks/rules-of-hooks
    useHotkeys(String(i + 1), () => router.push(view.path), { enabled: path !== view.path, ignoreModifiers: false });
  });
  useEffect(() => {
    // By the sign, not by the key: on many keyboards the question mark lies elsewhere.
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest("input, textarea, select, [contenteditable]") !== null;
      if (event.key === "?" && !typing && !event.ctrlKey && !event.metaKey) setHelp(true);
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);
  // On the sliders of live pictures too: a hand that has just dragged one wants to take it back.
  const anywhere = { preventDefault: true, enableOnFormTags: ["slider"] } as const;
  useHotkeys("mod+z", () => session.undo(), anywhere);
  useHotkeys(["mod+shift+z", "ctrl+y"], () => session.redo(), anywhere);

  return (
    <div className="grid h-full grid-rows-[44px_minmax(0,1fr)]">
      <TitleStrip path={path} onHelp={() => setHelp(true)} />
      <main className="min-h-0">{children}</main>
      <NoticeBar />
      <SimulatedPad />
      <Shortcuts open={help} onOpenChange={setHelp} />
    </div>
  );
}
