"use client";
/** The view that the address names. The one the page came with is in the page; every other is fetched when it is first wanted. */
import { lazy, Suspense, type ComponentType, type ReactElement, type ReactNode } from "react";
import { PAGES, VIEWS, type PagePath } from "./views";

const FETCH: Readonly<Record<PagePath, () => Promise<{ default: ComponentType }>>> = {
  "/actions": () => import("../actions/ActionsView").then((m) => ({ default: m.ActionsView })),
  "/layout": () => import("../layout/BenchView").then((m) => ({ default: m.BenchView })),
  "/rehearse": () => import("../rehearse/RehearseView").then((m) => ({ default: m.RehearseView })),
  "/screens": () => import("../screens/ScreensView").then((m) => ({ default: m.ScreensView })),
  "/handoff": () => import("../handoff/HandOffView").then((m) => ({ default: m.HandOffView })),
  "/welcome": () => import("../welcome/WelcomeView").then((m) => ({ default: m.WelcomeView })),
  "/words": () => import("../words/WordsView").then((m) => ({ default: m.WordsView })),
};

/** Stands where a view could not be fetched: the server is gone, and nothing had kept the view before. */
function Unfetched() {
  return (
    <div role="alert" className="grid h-full place-content-center justify-items-center gap-3">
      <p>This view could not be fetched: the server does not answer. What is open is untouched.</p>
      <button className="push push-main" onClick={() => window.location.reload()}>
        Load it again
      </button>
    </div>
  );
}

function fetched(path: PagePath): ReactElement {
  const View = lazy(() => FETCH[path]().catch(() => ({ default: Unfetched })));
  return <View />;
}
const SHOWN: ReadonlyMap<string, ReactElement> = new Map([...VIEWS.map(({ path }) => path), ...PAGES].map((path) => [path, fetched(path)]));
const opening = <p className="grid h-full place-items-center text-muted">Opening…</p>;

/** Fetches a view ahead; where that fails it is fetched again when it is wanted. Whether it came. */
export function fetchView(path: PagePath): Promise<boolean> {
  return FETCH[path]().then(
    () => true,
    () => false,
  );
}

/** Fetches all of them: for where no worker keeps the application, and the server may be gone by the time one is wanted. */
export async function fetchAllViews(): Promise<void> {
  const came = await Promise.all([...SHOWN.keys()].map((path) => fetchView(path as PagePath)));
  // Whoever wonders whether the window needs its server any more can see it in the page.
  if (came.every(Boolean)) document.documentElement.dataset.views = "all here";
}

/** `first`: the path the page came with; its view is in `children`. */
export function ViewRouter({ path, first, children }: { path: string; first: string; children: ReactNode }) {
  const shown = path === first ? undefined : SHOWN.get(path);
  return shown ? <Suspense fallback={opening}>{shown}</Suspense> : children;
}

/** The pages next to the views are fetched when they are wanted, also where the window opens with them: whoever has been here goes on from the welcome at once. */
export const Welcome = () => <Suspense fallback={opening}>{SHOWN.get("/welcome")}</Suspense>;
export const Words = () => <Suspense fallback={opening}>{SHOWN.get("/words")}</Suspense>;
