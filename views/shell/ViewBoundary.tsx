"use client";
/** Around each view: what cannot be drawn takes nothing else with it. The title strip keeps working, the layout can be handed out, another looked at. */
import { Component, type ReactNode } from "react";
import { layoutText } from "../../core/derived/text";
import { useSessionActions } from "../document/SessionContext";
import type { Session } from "../document/session";
import { fileNameFor } from "../../core/exchange/fileName";
import { saveText } from "../document/files/download";
import { drawingEnds } from "./drawingGuard";

interface Props {
  readonly session: Session;
  readonly children: ReactNode;
}

class Boundary extends Component<Props, { readonly problem: string | null }> {
  override state = { problem: null };

  static getDerivedStateFromError(error: unknown) {
    return { problem: error instanceof Error && error.message !== "" ? error.message : String(error) };
  }

  override componentDidCatch(): void {
    this.props.session.cancel();
    try {
      drawingEnds(window.localStorage, this.props.session.store.getState().id, "failed");
    } catch {
      // Where nothing can be noted, the next window tries again.
    }
  }

  override render(): ReactNode {
    const { problem } = this.state;
    return problem === null ? this.props.children : <NotDrawn problem={problem} onAgain={() => this.setState({ problem: null })} />;
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

/** A boundary around a view; `of`: what it shows, by which it starts again. */
export function ViewBoundary({ of, children }: { of: string; children: ReactNode }) {
  return (
    <Boundary key={of} session={useSessionActions()}>
      {children}
    </Boundary>
  );
}
