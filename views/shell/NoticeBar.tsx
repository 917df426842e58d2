"use client";
/** What just happened, or why something did not, with a way on. */
import { X } from "lucide-react";
import { useSession, useSessionActions } from "../document/SessionContext";

export function NoticeBar() {
  const notice = useSession((s) => s.notice);
  const session = useSessionActions();
  return (
    <div aria-live="polite" className="pointer-events-none fixed inset-x-0 bottom-9 z-50 grid place-items-center">
      {notice && (
        <div
          className={`pointer-events-auto flex max-w-[45rem] items-center gap-3 rounded-sm border bg-sheet px-4 py-2.5 shadow-lg ${notice.tone === "problem" ? "border-blocker" : "border-edge"}`}
        >
          {notice.tone === "problem" && (
            <span aria-hidden className="text-blocker">
              ■
            </span>
          )}
          <span className="whitespace-pre-line">{notice.text}</span>
          {notice.act && (
            <button
              className="push"
              onClick={() => {
                session.tell(null);
                notice.act?.run();
              }}
            >
              {notice.act.label}
            </button>
          )}
          <button className="push push-bare" aria-label="Dismiss" onClick={() => session.tell(null)}>
            <X size={14} />
          </button>
        </div>
      )}
    </div>
  );
}
