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
    "Actions",
    [
      ["O", "the next thing left to do; in the ledger of Layout too"],
      ["/", "search by any word"],
      ["drag from an end · Enter on an end", "draw a wire · draw one by key"],
      ["arrow keys · Enter · Escape", "lead the wire along the ends it fits · join it · let it go"],
      ["Enter on +", "bind a key by pressing it, a pad by moving it"],
      ["Delete · Backspace", "take the picked wire, action or control away"],
      ["Escape", "pick nothing"],
    ],
  ],
  [
    "Layout: making",
    [
      ["Enter on an action of the ledger", "grow its control; of several marked ones a cluster"],
      ["Space on an action of the ledger", "mark it, to grow several together"],
      ["Shift S · D · B · T · W · K", "take a stick · d-pad · button · touchpad · swipe · keep-clear zone in hand"],
      ["Enter · draw a box · click", "put it down · in that box · there"],
      ["D", "duplicate"],
      ["Shift M", "the second side: a mirrored twin, nothing bound yet"],
      ["U · Shift U", "gather into a cluster · dissolve it"],
      ["Shift X", "split the screen between two sticks, touchpads or swipes"],
      ["Ctrl C · Ctrl V · Ctrl X", "copy · paste · cut"],
      ["Delete · Backspace", "delete"],
    ],
  ],
  [
    "Layout: placing",
    [
      ["Tab · Shift Tab", "next, previous control, cluster or zone"],
      ["click · Shift click", "select · add to the selection"],
      ["drag on empty glass · Ctrl A", "select all within · all"],
      ["Enter · double click · Escape", "go into a cluster · likewise · leave it"],
      ["arrow keys · with Shift", "nudge by 1 u · by 5 mm"],
      ["Alt while dragging", "let go of snapping; a tether is tied freely"],
      ["Shift while dragging a handle", "keep the proportion, or let it go where it is kept"],
      ["Ctrl Shift arrow keys", "tie it elsewhere: the next corner, edge or centre that way; it stays where it is"],
      ["C · Shift while dropping a tether", "carry the control to where its tether is tied"],
      ["[ · ] · with Shift", "one below · one above · to the bottom, to the top"],
      ["24/2 · +3 · *2 · 12mm in a field", "arithmetic, a change of what stands there, a unit"],
      ["↑ · ↓ · drag in a field", "step the number; Shift for ten"],
      ["Escape", "cancel a drag, else put the tool away, else select nothing"],
    ],
  ],
  [
    "Layout: seeing",
    [
      ["H · L · Z", "hit areas · landing areas · dead zone and travel"],
      ["S · E · R · K", "frames and cut-outs · the system's strips · thumb's reach · keep-clear zones"],
      ["G · N", "millimetre grid · gaps while moving"],
      ["+ · − · F · T", "zoom in · out · fit · true size"],
      ["arrow keys, nothing selected · Space and drag · wheel", "push a zoomed glass about"],
      ["M · , · .", "as a left-handed player · smaller · larger player size"],
      ["P", "look at the controls as held"],
      ["J · Shift J", "next · previous moment"],
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
            <dl className="grid grid-cols-[260px_1fr] gap-y-1">
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
