"use client";
/** Arrangements: variants of the layout for a range of aspect or size. They lie on an axis, so that overlaps and gaps are seen; the first that matches a screen applies. */
import { ArrowDown, ArrowUp, Plus, Trash2 } from "lucide-react";
import { byId } from "../../../core/derived/byId";
import { addArrangement, changeArrangement, moveArrangement, removeArrangement, type When } from "../../../core/editing/edits/arrangements";
import type { EditContext } from "../../../core/editing/placing";
import { stretches } from "../../../core/editing/stretches";
import { aspectOf } from "../../../core/engine/placement/screen";
import { NumberField } from "../../../ui/Field";
import { TypedField } from "../../../ui/Typed";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { removeWithNotice } from "../../document/remove";

const AXIS = { from: 0.4, to: 2.6 } as const;
const part = (aspect: number) => ((Math.min(AXIS.to, Math.max(AXIS.from, aspect)) - AXIS.from) / (AXIS.to - AXIS.from)) * 100;
const ICON = "grid size-6 place-items-center rounded-sm hover:bg-paper disabled:opacity-30";

export function ArrangementsCard({ context }: { context: EditContext }) {
  const session = useSessionActions();
  const { arrangements } = context.layout;
  const here = aspectOf(context.screen);
  const add = () => {
    // Around the screen in view: what is laid out next is meant for such screens.
    const low = Number((Math.floor(here * 10 - 1) / 10).toFixed(1));
    const when: When = { aspect: { min: low, max: Number((low + 0.3).toFixed(1)) } };
    session.edit("add an arrangement", (l) => {
      const made = addArrangement(l, `For ${context.screen.name}`.slice(0, 80), when);
      return made.ok ? { ok: true, value: made.value.layout } : made;
    });
  };
  return (
    <>
      {arrangements.length > 0 && <Axis context={context} />}
      <ul className="grid gap-1">
        {arrangements.map((a, i) => (
          <li key={a.id} className="grid [--name:5.25rem]" aria-label={a.name}>
            <TypedField
              label={`Name of ${a.name}`}
              word="Name"
              value={a.name}
              reads={says("arrangement.name")}
              onCommit={(name) => session.edit(`rename ${a.name}`, (l) => changeArrangement(l, a.id, { name: name.trim() }))}
            />
            <span className="field-row">
              <span className="field-name">Changes</span>
              <span className="flex items-center gap-0.5">
                <span className="flex-1 text-[0.75rem]">
                  <span className="figure">{Object.keys(a.overrides).length}</span> things
                </span>
                <button
                  className={ICON}
                  aria-label={`${a.name} earlier`}
                  disabled={i === 0}
                  {...readingProps(says("arrangement.order", { where: "earlier" }))}
                  onClick={() => session.edit(`order of ${a.name}`, (l) => moveArrangement(l, a.id, -1))}
                >
                  <ArrowUp size={12} />
                </button>
                <button
                  className={ICON}
                  aria-label={`${a.name} later`}
                  disabled={i === arrangements.length - 1}
                  {...readingProps(says("arrangement.order", { where: "later" }))}
                  onClick={() => session.edit(`order of ${a.name}`, (l) => moveArrangement(l, a.id, 1))}
                >
                  <ArrowDown size={12} />
                </button>
                <button
                  className={ICON}
                  aria-label={`Delete ${a.name}`}
                  {...readingProps(says("arrangement.remove"))}
                  onClick={() => removeWithNotice(session, `delete ${a.name}`, `Arrangement “${a.name}” deleted`, (l) => removeArrangement(l, a.id))}
                >
                  <Trash2 size={12} />
                </button>
              </span>
            </span>
            <End id={a.id} name={a.name} when={a.when} range="aspect" end="min" />
            <End id={a.id} name={a.name} when={a.when} range="aspect" end="max" />
            <End id={a.id} name={a.name} when={a.when} range="shortSideMm" end="min" />
            <End id={a.id} name={a.name} when={a.when} range="shortSideMm" end="max" />
          </li>
        ))}
      </ul>
      <button className="push h-6 justify-self-start" onClick={add} {...readingProps(says("arrangement.add"))}>
        <Plus size={13} /> Add an arrangement for this screen
      </button>
    </>
  );
}

/** One end of a range: empty is open. */
function End({ id, name, when, range, end }: { id: string; name: string; when: When; range: "aspect" | "shortSideMm"; end: "min" | "max" }) {
  const session = useSessionActions();
  const set = (value: number | undefined) => {
    const { [end]: _old, ...rest } = when[range] ?? {};
    const next = value === undefined ? rest : { ...rest, [end]: value };
    const { [range]: _range, ...others } = when;
    session.edit(`range of ${id}`, (l) => changeArrangement(l, id, { when: Object.keys(next).length > 0 ? { ...others, [range]: next } : others }), true);
  };
  return (
    <NumberField
      label={`${name}: ${range === "aspect" ? "aspect" : "short side, mm"} ${end === "min" ? "from" : "below"}`}
      word={`${range === "aspect" ? "Aspect" : "Short side"} ${end === "min" ? "from" : "below"}`}
      reads={says(
        range === "aspect"
          ? end === "min"
            ? "arrangement.aspectFrom"
            : "arrangement.aspectTo"
          : end === "min"
            ? "arrangement.sideFrom"
            : "arrangement.sideTo",
      )}
      unit={range === "shortSideMm" ? "mm" : undefined}
      value={when[range]?.[end] ?? null}
      none="any"
      step={range === "aspect" ? 0.05 : 1}
      min={0}
      max={range === "aspect" ? 10 : 1000}
      onChange={set}
      onClear={() => set(undefined)}
      onRefuse={(text) => session.tell({ text, tone: "problem" })}
    />
  );
}

/** Aspect ratios along the bottom: a bar for each arrangement, overlaps and gaps in their own words, a mark where the screen in view is. */
function Axis({ context }: { context: EditContext }) {
  const { arrangements } = context.layout;
  const parts = stretches(arrangements, AXIS.from, AXIS.to);
  const nameOf = (id: string) => byId(arrangements).get(id)?.name ?? id;
  const here = aspectOf(context.screen);
  return (
    <div role="img" aria-label={parts.map((p) => `${p.from} to ${p.to}: ${p.ids.map(nameOf).join(" and ") || "base"}`).join("; ")} className="pb-3">
      <div className="relative h-[1.625rem] border-b border-edge" data-testid="arrangement-axis">
        {parts.map((p) => (
          <div
            key={p.from}
            title={`${p.from} to ${p.to}: ${p.ids.map(nameOf).join(", then ") || "base"}${p.overlap ? " (overlap: the first applies)" : p.gap ? " (gap: the base applies)" : ""}`}
            className={`absolute bottom-0 h-[0.875rem] overflow-hidden px-0.5 text-[0.59375rem] leading-[0.875rem] whitespace-nowrap ${p.ids.length > 0 ? "border-x border-accent bg-accent/20 text-ink" : p.gap ? "text-warning" : "text-muted"}`}
            style={{
              left: `${part(p.from)}%`,
              width: `${part(p.to) - part(p.from)}%`,
              backgroundImage: p.overlap ? "repeating-linear-gradient(45deg, transparent 0 3px, var(--warning) 3px 4px)" : undefined,
            }}
            data-stretch={p.overlap ? "overlap" : p.gap ? "gap" : p.ids.length > 0 ? "held" : "base"}
          >
            {p.overlap ? "overlap" : p.gap ? "gap" : (p.ids.map(nameOf)[0] ?? "base")}
          </div>
        ))}
        <span aria-hidden className="absolute bottom-0 h-[1.5rem] w-px bg-ink" style={{ left: `${part(here)}%` }} />
        <span className="figure absolute top-0 text-[0.59375rem]" style={{ left: `calc(${part(here)}% + 3px)` }}>
          {here.toFixed(2)}
        </span>
        {[0.5, 1, 1.5, 2, 2.5].map((v) => (
          <span key={v} className="figure absolute top-[1.6875rem] -translate-x-1/2 text-[0.59375rem] text-muted" style={{ left: `${part(v)}%` }}>
            {v}
          </span>
        ))}
      </div>
    </div>
  );
}
