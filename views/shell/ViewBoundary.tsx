"use client";
/** A boundary around each view: if it cannot be drawn, the title strip keeps working, and the layout can be exported. */
import type { ReactNode } from "react";
import { ErrorBoundary } from "react-error-boundary";
import { layoutText } from "../../core/derived/text";
import { useSessionActions } from "../document/SessionContext";
import type { Session } from "../document/session";
import { fileNameFor } from "../../core/exchange/fileName";
import { saveText } from "../document/files/download";
import { drawingEnds } from "./drawingGuard";

const messageOf = (error: unknown) => (error instanceof Error && error.message !== "" ? error.message : String(error));

/** A view that cannot be drawn ends its gesture, and is noted: the next window opens on the start page. */
function endDrawing(session: Session): void {
  session.cancel();
  try {
    drawingEnds(window.localStorage, session.store.getState().id, "failed");
  } catch {
    // Without a note, the next window tries again.
  }
}

function NotDrawn({ problem, onAgain }: { problem: string; onAgain: () => void }) {
  const session = useSessionActions();
  const { layout } = session.store.getState();
  const canUndo = session.store.getState().history.past.length > 0;
  return (
    <div className="grid h-full place-items-center">
      <div role="alert" className="grid max-w-[35rem] gap-3">
        <p className="font-semibold">This layout could not be drawn.</p>
        <p>It is stored unchanged. Export it, or open another layout from the list at the top left.</p>
        <p className="figure text-[0.75rem] text-muted">{problem}</p>
        <div className="flex gap-2">
          <button className="push push-main" onClick={() => saveText(fileNameFor(layout.name), layoutText(layout))}>
            Export it
          </button>
          {canUndo && (
            <button
              className="push"
              onClick={() => {
                session.undo();
                onAgain();
              }}
            >
              Undo the last edit
            </button>
          )}
          <button className="push" onClick={onAgain}>
            Try again
          </button>
        </div>
      </div>
    </div>
  );
}

/** A boundary around a view. `of`: what it shows; if that changes, the view is drawn again. */
export function ViewBoundary({ of, children }: { of: string; children: ReactNode }) {
  const session = useSessionActions();
  return (
    <ErrorBoundary
      key={of}
      onError={() => endDrawing(session)}
      fallbackRender={({ error, resetErrorBoundary }) => <NotDrawn problem={messageOf(error)} onAgain={resetErrorBoundary} />}
    >
      {children}
    </ErrorBoundary>
  );
}
