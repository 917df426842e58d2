"use client";
/** In which moments the selected things show, and whether this arrangement hides them. */
import { hideIn } from "../../../core/editing/edits/arrangements";
import { changeMoments } from "../../../core/editing/edits/controls";
import type { Layout } from "../../../core/format/types";
import type { EditContext } from "../../../core/editing/placing";
import { overrideIn } from "../../../core/editing/placeables";
import type { Result } from "../../../core/engine/result";
import { readingProps, type Reading } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { common } from "../../fields/common";
import { namesOf } from "../../document/names";

interface Item {
  readonly id: string;
  readonly moments: readonly string[];
}

export function MomentsField({ context, items }: { context: EditContext; items: readonly Item[] }) {
  const session = useSessionActions();
  const { moments } = context.layout;
  const { arrangement } = context.resolved;
  const ids = items.map((i) => i.id);
  const name = namesOf(context.layout, ids, "of them");
  const show = (moment: string, on: boolean) =>
    session.edit(`moments of ${name}`, (l) =>
      items.reduce<Result<Layout>>(
        (r, i) => (r.ok ? changeMoments(r.value, [i.id], on ? [...i.moments, moment] : i.moments.filter((known) => known !== moment)) : r),
        { ok: true, value: l },
      ),
    );
  const hidden = arrangement === null ? null : common(ids, (id) => overrideIn(context.layout, arrangement, id)?.hidden ?? false);
  const chip = (word: string, on: boolean | null, set: (on: boolean) => void, reads: Reading) => (
    <button
      key={word}
      aria-pressed={on === null ? "mixed" : on}
      {...readingProps(reads, on === null ? "some of them" : on ? "yes" : "no")}
      className={`min-h-6 rounded-sm border px-1.5 text-[0.6875rem] ${on ? "border-accent bg-accent text-on-accent" : on === null ? "border-dashed border-accent" : "border-edge text-muted"}`}
      onClick={() => set(on !== true)}
    >
      {word}
    </button>
  );
  if (moments.length === 0 && arrangement === null) return null;
  return (
    <div role="group" aria-label="Shows in" className="flex flex-wrap items-center gap-1 pt-0.5">
      {moments.length > 0 && <span className="field-name w-full">Shows in</span>}
      {moments.map((m) =>
        chip(
          m.name,
          common(items, (i) => i.moments.includes(m.id)),
          (on) => show(m.id, on),
          says("shows.moment", { moment: m.name }),
        ),
      )}
      {arrangement !== null &&
        chip("hidden here", hidden, (on) => session.edit(`${on ? "hide" : "show"} ${name}`, (l) => hideIn(l, arrangement, ids, on)), says("shows.hidden"))}
    </div>
  );
}
