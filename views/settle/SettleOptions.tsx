"use client";
/** What Settle is asked, in words: where, for whom, what must be fixed, what may change; asked again, stopped, taken. */
import { SEVERITIES } from "../../core/checks/finding";
import { CHANGEABLES } from "../../core/settle/request";
import { ChoiceField } from "../../ui/Choice";
import { More } from "../../ui/More";
import { RangeSlider } from "../../ui/Range";
import { readingProps } from "../../ui/reading";
import { says, type SentenceKey } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { shelfOf } from "../document/railScreens";
import { nameOf } from "../document/names";
import { AIM_WORDS, SETTLE_GOALS, CHANGEABLE_WORDS, GRAVITY_WORDS, HAND_WORDS, HANDS, USUAL_CHOICE } from "../document/settle/settleChoice";
import { wayWords } from "../document/settle/settleWords";
import { SettleActions } from "./SettleActions";
import { useSettle, type Proposal } from "../document/settle/settleState";
import { choose, goWay, hold } from "../document/settle/settleSession";

// oxlint-disable-next-line max-lines-per-function -- a list of fields
export function SettleOptions({ proposal }: { proposal: Proposal | null }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const { choice, these, held, ways } = useSettle((s) => s);
  const shelf = shelfOf(layout);
  const { min, max } = layout.playerSizes;
  const ends = [...new Set([min, 1, max])].sort((a, b) => a - b);
  const set = (choice.notesMayGrow ? 1 : 0) + (choice.aims.length === SETTLE_GOALS.length ? 0 : 1) + (choice.changeable.length === CHANGEABLES.length ? 0 : 1);
  return (
    <>
      <SettleActions proposal={proposal} />
      <div className="grid">
        <ChoiceField
          label="Screens"
          value={choice.which}
          options={[
            ["these", these.length === 1 ? these[0] : `these ${these.length} screens`],
            ["all", `all ${shelf.length} of the shelf`],
          ]}
          onChange={(which) => choose(session, { which })}
          reads={says("settle.screens")}
        />
        <ChoiceField
          label="Hands"
          value={choice.hands}
          options={HANDS.map((hands) => [hands, HAND_WORDS[hands]] as const)}
          onChange={(hands) => choose(session, { hands })}
          reads={says("settle.hands")}
        />
        <ChoiceField
          label="Player’s size"
          value={choice.sizes}
          options={[
            ["usual", "size 1"],
            ["all", ends.length === 1 ? "size 1" : `sizes ${ends.join(", ")}`],
          ]}
          onChange={(sizes) => choose(session, { sizes })}
          reads={says("settle.sizes")}
        />
        <ChoiceField
          label="Fix"
          value={choice.severity}
          options={SEVERITIES.map((severity) => [severity, GRAVITY_WORDS[severity]] as const)}
          onChange={(severity) => choose(session, { severity })}
          reads={says("settle.severity")}
        />
        <MissAim />
      </div>
      {held.length > 0 && (
        <Chips
          title="Not fixed"
          items={held.map((id) => ({ key: id, word: nameOf(layout, id), reads: "settle.takeIn" as const, drop: () => hold(session, id, false) }))}
        />
      )}
      {ways.length > 0 && (
        <Chips
          title="With"
          items={ways.map((way, i) => ({
            key: String(i),
            word: wayWords(layout, way),
            reads: "settle.wayBack" as const,
            drop: () => goWay(session, way, false),
          }))}
        />
      )}
      <More set={set} reads={says("settle.more")}>
        <label className="flex h-6 items-center gap-2" {...readingProps(says("settle.notes"), choice.notesMayGrow ? "yes" : "no")}>
          <input
            type="checkbox"
            className="accent-[var(--accent)]"
            checked={choice.notesMayGrow}
            onChange={(event) => choose(session, { notesMayGrow: event.target.checked })}
          />
          Allow new and worse notes
        </label>
        <Ticks
          title="Must be reached"
          all={SETTLE_GOALS}
          chosen={choice.aims}
          words={AIM_WORDS}
          reads="settle.aim"
          onChange={(aims) => choose(session, { aims })}
        />
        <Ticks
          title="May change"
          all={CHANGEABLES}
          chosen={choice.changeable}
          words={CHANGEABLE_WORDS}
          reads="settle.changeable"
          onChange={(changeable) => choose(session, { changeable })}
        />
      </More>
    </>
  );
}

/** How far things may go to be missed less. */
const MOST_MISS_MM = 6;

function MissAim() {
  const session = useSessionActions();
  const missMm = useSettle((s) => s.choice.missMm);
  const words = missMm === USUAL_CHOICE.missMm ? "no" : `within ${missMm.toFixed(1)} mm`;
  return (
    <div className="field-row" data-row>
      <span className="field-name">Reduce misses</span>
      <span className="grid grid-cols-[1fr_5.5rem] items-center gap-2 pl-1.5">
        <RangeSlider
          label="Change allowed to reduce misses, mm"
          value={[missMm]}
          min={0}
          max={MOST_MISS_MM}
          step={0.5}
          onChange={([mm]) => choose(session, { missMm: mm })}
          reads={says("settle.misses")}
          shown={words}
        />
        <span className="figure text-right text-[0.6875rem]" data-testid="settle-miss-mm">
          {words}
        </span>
      </span>
    </div>
  );
}

interface TicksProps<T extends string> {
  readonly title: string;
  readonly all: readonly T[];
  readonly chosen: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  readonly reads: SentenceKey;
  readonly onChange: (chosen: readonly T[]) => void;
}

function Ticks<T extends string>({ title, all, chosen, words, reads, onChange }: TicksProps<T>) {
  return (
    <fieldset>
      <legend className="caption">{title}</legend>
      {all.map((one) => (
        <label key={one} className="flex h-6 items-center gap-2" {...readingProps(says(reads, { what: words[one] }), chosen.includes(one) ? "yes" : "no")}>
          <input
            type="checkbox"
            className="accent-[var(--accent)]"
            checked={chosen.includes(one)}
            onChange={(event) => onChange(all.filter((other) => (other === one ? event.target.checked : chosen.includes(other))))}
          />
          {words[one]}
        </label>
      ))}
    </fieldset>
  );
}

interface Chip {
  readonly key: string;
  readonly word: string;
  readonly reads: SentenceKey;
  readonly drop: () => void;
}

function Chips({ title, items }: { title: string; items: readonly Chip[] }) {
  return (
    <div className="flex flex-wrap items-center gap-1">
      <span className="caption">{title}</span>
      {items.map(({ key, word, reads, drop }) => (
        <button key={key} type="button" className="push h-auto min-h-6 px-1.5 text-left whitespace-normal" onClick={drop} {...readingProps(says(reads), word)}>
          {word} ✕
        </button>
      ))}
    </div>
  );
}
