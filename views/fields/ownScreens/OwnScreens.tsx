"use client";
/** One's own screens: made, changed, copied, deleted. */
import { Copy, Pencil, Trash2 } from "lucide-react";
import { removeScreen } from "../../../core/editing/edits/ownScreens";
import { plainScreen } from "../../../core/engine/placement/screen";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { shelfOf } from "../../document/railScreens";
import { removeWithNotice } from "../../document/remove";
import type { ScreenFormRequest } from "./ScreenForm";

const ICON = "grid size-6 place-items-center rounded-sm hover:bg-paper disabled:opacity-30";

/** A name like one that is there, and free: with a number behind it. */
function freeName(name: string, used: ReadonlySet<string>): string {
  let number = 2;
  while (used.has(`${name} ${number}`.slice(0, 80))) number += 1;
  return `${name} ${number}`.slice(0, 80);
}

/** `onForm`: opens the form for a screen. */
export function OwnScreens({ onForm }: { onForm: (wish: ScreenFormRequest) => void }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const own = layout.workbench.screens;
  const used = new Set(shelfOf(layout).map((s) => s.name));
  return (
    <section aria-label="Your screens" className="grid gap-1">
      <h3 className="heading">Your screens</h3>
      {own.length === 0 && <p className="text-muted">None yet: describe a device of yours, or import a list.</p>}
      <ul className="flex flex-wrap gap-1.5">
        {own.map((screen) => (
          <li key={screen.name} className="flex items-center rounded-sm border border-rule pl-2">
            <span className="max-w-[13.75rem] truncate">{screen.name}</span>
            <button className={ICON} aria-label={`Change ${screen.name}`} onClick={() => onForm({ screen, replaces: screen.name })}>
              <Pencil size={13} />
            </button>
            <button
              className={ICON}
              aria-label={`Duplicate ${screen.name}`}
              onClick={() => onForm({ screen: { ...screen, name: freeName(screen.name, used) }, replaces: null })}
            >
              <Copy size={13} />
            </button>
            <button
              className={ICON}
              aria-label={`Delete ${screen.name}`}
              onClick={() => removeWithNotice(session, `delete ${screen.name}`, `Screen “${screen.name}” deleted`, (l) => removeScreen(l, screen.name))}
            >
              <Trash2 size={13} />
            </button>
          </li>
        ))}
      </ul>
      <button className="push push-main mt-1 justify-self-start" onClick={() => onForm({ screen: plainScreen("", 2400, 1080, 400), replaces: null })}>
        Add a screen…
      </button>
    </section>
  );
}
