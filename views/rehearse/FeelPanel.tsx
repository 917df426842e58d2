"use client";
/** The feel of the control touched last, open while playing: the chain live, and every field of it. */
import { useTheme } from "next-themes";
import { byId } from "../../core/derived/byId";
import type { EditContext } from "../../core/editing/placing";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { FeelCard } from "../fields/feel/FeelCard";
import { FeelChain, type OnFeel } from "./FeelChain";
import { GivenPart } from "./GivenPart";
import { SideBySide } from "./SideBySide";
import { setStage, useStage } from "./stageState";

interface Props {
  readonly context: EditContext;
  /** The control that was touched last; null before any. */
  readonly touched: string | null;
  readonly onFeel: OnFeel;
}

/** The control whose feel is shown: the one that stays, the one touched last, the one selected, else the first stick. */
export function useFollowed(touched: string | null) {
  const controls = useSession((s) => s.layout.controls);
  const selected = useSession((s) => s.selection[0]);
  const stays = useStage((s) => s.stays);
  const known = byId(controls);
  return known.get(stays ?? "") ?? known.get(touched ?? "") ?? known.get(selected) ?? controls.find((c) => c.kind === "stick") ?? controls[0];
}

export function FeelPanel({ context, touched, onFeel }: Props) {
  const session = useSessionActions();
  const { layout, resolved } = context;
  const control = useFollowed(touched);
  const stays = useStage((s) => s.stays);
  const hidden = useStage((s) => s.hidden);
  const { resolvedTheme } = useTheme();
  if (!control) return null;
  const isHidden = hidden.includes(control.id);
  return (
    <section aria-label="Feel" className="grid content-start gap-1.5 px-4 py-2.5">
      <header className="flex items-center gap-2">
        <h2 className="heading shrink-0">Feel</h2>
        <select
          aria-label="Control whose feel is open"
          className="box h-6 min-w-0 flex-1 px-1 text-[0.75rem]"
          value={stays ?? ""}
          onChange={(event) => setStage(session, { stays: event.target.value || null })}
          {...readingProps(says("feel.follows"), stays === null ? "last touched control" : control.name)}
        >
          <option value="">last touched: {control.name}</option>
          {layout.controls.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name} · {c.kind}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="push h-6 shrink-0 px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent"
          aria-pressed={!isHidden}
          aria-label={`${control.name} shows`}
          onClick={() => setStage(session, { hidden: isHidden ? hidden.filter((id) => id !== control.id) : [...hidden, control.id] })}
        >
          Shown
        </button>
      </header>
      {hidden.length > 0 && (
        <p className="flex flex-wrap items-center gap-1">
          <span className="caption">Hidden</span>
          {layout.controls
            .filter((c) => hidden.includes(c.id))
            .map((c) => (
              <button
                key={c.id}
                type="button"
                className="push h-6 px-1.5 text-[0.6875rem]"
                aria-label={`Show ${c.name} again`}
                onClick={() => setStage(session, { hidden: hidden.filter((id) => id !== c.id) })}
              >
                {c.name}
              </button>
            ))}
        </p>
      )}
      <FeelChain key={control.id} control={control} onFeel={onFeel} dark={resolvedTheme === "dark"} />
      <SideBySide control={control} />
      <FeelCard context={context} controls={[control]} placed={[byId(resolved.controls).get(control.id)]} />
      <GivenPart key={`given ${control.id}`} id={control.id} />
    </section>
  );
}
