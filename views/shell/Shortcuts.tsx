"use client";
/** The list of shortcuts. */
import { Dialogue } from "../../ui/Dialogue";

/** Every shortcut, by where it works. */
const SHORTCUTS: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    "Everywhere",
    [
      ["1 – 5", "the five views"],
      ["Ctrl Z", "undo"],
      ["Ctrl Shift Z · Ctrl Y", "redo"],
      ["?", "this list"],
    ],
  ],
  [
    "Layout",
    [
      ["Tab · Shift Tab", "next, previous control"],
      ["click · Shift click", "select · add to the selection"],
      ["drag on empty glass", "select all within"],
      ["arrow keys", "nudge by 1 u"],
      ["Shift arrow keys", "nudge by 5 mm"],
      ["Ctrl A", "select all"],
      ["Ctrl C · Ctrl V · Ctrl X", "copy · paste · cut"],
      ["Ctrl D", "duplicate"],
      ["Delete · Backspace", "delete"],
      ["[ · ]", "one below · one above"],
      ["C", "carry the control to where its tether is tied"],
      ["Ctrl Shift arrow keys", "tie it elsewhere: the next corner, edge or centre that way; it stays where it is"],
      ["Alt + drag a tether's end", "tie freely, away from corners and edges"],
      ["Escape", "cancel a drag, else select nothing"],
      ["Enter on an action of the ledger", "grow its control"],
      ["H · Z · S · K", "show hit areas · dead zone and travel · safe frame · keep clear"],
    ],
  ],
  [
    "Rehearse",
    [
      ["the keys of the actions", "play, while the glass has the focus"],
      ["Escape, held for 600 ms", "leave the glass"],
    ],
  ],
];

export function Shortcuts({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="Shortcuts" open={open} onOpenChange={onOpenChange} wide>
      <div className="grid gap-5">
        {SHORTCUTS.map(([where, rows]) => (
          <section key={where}>
            <h3 className="heading mb-1.5">{where}</h3>
            <dl className="grid grid-cols-[230px_1fr] gap-y-1">
              {rows.map(([keys, does]) => (
                <div key={keys} className="contents">
                  <dt className="figure">{keys}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialogue>
  );
}
