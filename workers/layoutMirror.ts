/**
 * A layout kept alike on both sides of a message channel: the first time it goes over whole, then only what changed. The other side keeps
 * the objects that stayed, and with them all that it has computed about them.
 */
import { applyPatch, patchBetween, type LayoutPatch } from "../core/format/patch";
import type { Layout } from "../core/format/types";

/** What is sent: the whole layout, or what changed since the last one that was sent. */
export type LayoutUpdate = { readonly whole: Layout } | { readonly patch: LayoutPatch };

/** The sending side. Every update it makes must be sent, in order. */
export interface MirrorSender {
  update(layout: Layout): LayoutUpdate;
  /** Something may have gone astray: the next update is whole. */
  reset(): void;
}

/** A sender for one channel, of which the other side knows nothing yet. */
export function createMirrorSender(): MirrorSender {
  let sent: Layout | null = null;
  return {
    update(layout) {
      const before = sent;
      sent = layout;
      return before === null ? { whole: layout } : { patch: patchBetween(before, layout) };
    },
    reset() {
      sent = null;
    },
  };
}

/** The receiving side: what the sender's layout is now. */
export interface MirrorReceiver {
  receive(update: LayoutUpdate): Layout;
}

/** A receiver for one channel. Throws on a patch to a layout that never came. */
export function createMirrorReceiver(): MirrorReceiver {
  let known: Layout | null = null;
  return {
    receive(update) {
      if ("whole" in update) known = update.whole;
      else if (known === null) throw new Error("a patch came before any layout");
      else known = applyPatch(known, update.patch);
      return known;
    },
  };
}
