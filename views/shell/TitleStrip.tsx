"use client";
/** The strip at the top: which layout, which view, undo and redo, whether it is saved. */
import { History, Moon, Redo2, RefreshCw, Sun, Undo2 } from "lucide-react";
import { useTheme } from "next-themes";
import { readingProps } from "../../ui/reading";
import { says } from "./reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { MomentChoice } from "../fields/MomentChoice";
import { SaveStatus } from "./SaveStatus";
import { LayoutMenu } from "./LayoutMenu";
import { VIEWS } from "./views";
import { ViewLink } from "./ViewLink";
import { fetchView } from "./ViewRouter";
import { useOffline, useTakeNewer } from "./useOffline";
import { Roving, Stop } from "../../ui/Roving";

const VIEW_SAYS = {
  "/actions": "view.actions",
  "/layout": "view.layout",
  "/rehearse": "view.rehearse",
  "/screens": "view.screens",
  "/handoff": "view.handoff",
} as const;

interface Props {
  readonly path: string;
  /** Text was typed and not entered. */
  readonly hasDraft: boolean;
  readonly onHelp: () => void;
  readonly onHistory: () => void;
}

// oxlint-disable-next-line max-lines-per-function -- one strip, read from left to right
export function TitleStrip({ path, hasDraft, onHelp, onHistory }: Props) {
  const { resolvedTheme, setTheme } = useTheme();
  const dark = resolvedTheme === "dark";
  // At the welcome nothing is in hand yet: what is about the open layout is back.
  const isWelcome = path === "/welcome";
  return (
    <header data-region="0" className="flex items-center gap-3 border-b border-rule bg-sheet px-3">
      {/* One stop of the Tab key for all of it: the way to the first field is short. */}
      <Roving along="across">
        <div role="group" aria-label="Welcome, layouts, views" className="flex h-full items-center gap-3">
          <Stop isChosen={path === "/welcome"}>
            <ViewLink
              to="/welcome"
              aria-label="Nodulum: start page"
              aria-current={path === "/welcome" ? "page" : undefined}
              className="flex h-7 items-center gap-2 rounded-sm font-semibold tracking-tight"
              onPointerEnter={() => void fetchView("/welcome")}
              {...readingProps(says("strip.mark"))}
            >
              <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
                <circle cx="10" cy="10" r="9" fill="none" stroke="currentColor" strokeWidth="1.2" />
                <circle cx="10" cy="10" r="6.6" fill="none" stroke="currentColor" strokeWidth=".6" />
                <circle cx="12.4" cy="7.6" r="3.2" fill="var(--accent)" />
              </svg>
              Nodulum
            </ViewLink>
          </Stop>
          {!isWelcome && <LayoutMenu />}
          <nav aria-label="Views" className="flex h-full">
            {VIEWS.map((view, i) => (
              <Stop key={view.path} isChosen={path === view.path}>
                <ViewLink
                  to={view.path}
                  // A view is fetched when a hand nears it: on the way in only the view that is opened counts.
                  onPointerEnter={() => void fetchView(view.path)}
                  onFocus={() => void fetchView(view.path)}
                  aria-current={path === view.path ? "page" : undefined}
                  {...readingProps({ ...says(VIEW_SAYS[view.path]), keys: String(i + 1) })}
                  className="flex items-center gap-1.5 border-b-2 border-transparent px-3 whitespace-nowrap text-muted max-[73.75rem]:px-2 max-[66rem]:px-1.5 hover:text-ink aria-[current]:border-accent aria-[current]:font-semibold aria-[current]:text-ink"
                >
                  <span className="figure text-[0.625rem] opacity-70">{i + 1}</span>
                  {view.word}
                </ViewLink>
              </Stop>
            ))}
          </nav>
        </div>
      </Roving>
      <div className="ml-auto flex items-center gap-1">
        {(path === "/layout" || path === "/screens") && <MomentChoice />}
        <NewVersion hasDraft={hasDraft} />
        <SaveStatus hasDraft={hasDraft} />
        <Roving along="across">
          <span role="group" aria-label="Undo, history, theme, shortcuts" className="flex items-center gap-1">
            {!isWelcome && (
              <>
                <UndoButtons />
                <Stop>
                  <button className="push push-bare" onClick={onHistory} aria-label="History" {...readingProps(says("strip.history"))}>
                    <History size={15} />
                  </button>
                </Stop>
              </>
            )}
            <Stop>
              <button
                className="push push-bare"
                onClick={() => setTheme(dark ? "light" : "dark")}
                aria-label={dark ? "Light theme" : "Dark theme"}
                {...readingProps(says("strip.paper"), dark ? "Light theme" : "Dark theme")}
              >
                {dark ? <Sun size={15} /> : <Moon size={15} />}
              </button>
            </Stop>
            <Stop>
              <button
                className="push push-bare figure min-w-7 justify-center"
                onClick={onHelp}
                aria-label="Shortcuts"
                {...readingProps(says("strip.shortcuts"))}
              >
                ?
              </button>
            </Stop>
          </span>
        </Roving>
      </div>
    </header>
  );
}

/** Stands in the strip while a newer version of the application waits. */
function NewVersion({ hasDraft }: { hasDraft: boolean }) {
  const offline = useOffline();
  const take = useTakeNewer(hasDraft);
  if (offline !== "newer" && offline !== "older") return null;
  return (
    <button className="push push-main h-6" onClick={take} title="Saves everything, then reloads with the new version">
      <RefreshCw size={13} aria-hidden />
      <span className="max-[73.75rem]:sr-only">{offline === "newer" ? "New version" : "Load again"}</span>
    </button>
  );
}

/** One step back, one forward again, each called by what it would take back or do. */
function UndoButtons() {
  const session = useSessionActions();
  const back = useSession((s) => s.history.past.at(-1)?.label);
  const forward = useSession((s) => s.history.future[0]?.label);
  return (
    <>
      <Stop isDisabled={!back}>
        <button
          className="push push-bare"
          disabled={!back}
          onClick={() => session.undo()}
          aria-label={back ? `Undo: ${back}` : "Undo"}
          {...readingProps(says("strip.undo"), back ?? "nothing to undo")}
        >
          <Undo2 size={15} />
        </button>
      </Stop>
      <Stop isDisabled={!forward}>
        <button
          className="push push-bare"
          disabled={!forward}
          onClick={() => session.redo()}
          aria-label={forward ? `Redo: ${forward}` : "Redo"}
          {...readingProps(says("strip.redo"), forward ?? "nothing to redo")}
        >
          <Redo2 size={15} />
        </button>
      </Stop>
    </>
  );
}
