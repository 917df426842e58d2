"use client";
/** Which screens are looked at: by class, how they are held, aspect, shorter side, notch, what was found, and what it is about. */
import { isEqual } from "../../core/engine/equal";
import { counted } from "../../core/derived/counted";
import { typedNumber } from "../../core/editing/arithmetic";
import { FINDING_CODES } from "../../core/checks/finding";
import { NO_FILTER, SIZE_CLASSES, type ScreenFilter } from "../../core/checks/screenFilter";
import { readingProps } from "../../ui/reading";
import { Select, type Choices } from "../../ui/Select";
import { says, type SentenceKey } from "../shell/reading/sentences";
import { useFaces } from "./useFaces";
import { setFilter, setScreens, useScreens } from "./screensState";
import { FIELD_LETTERS } from "../../ui/fieldLimits";
import { useSessionActions } from "../document/SessionContext";

const CLASS_WORDS = { phone: "phones, under 80 mm", between: "between, to 115 mm", tablet: "tablets, 115 mm and more" } as const;
interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: Choices;
  readonly reads: SentenceKey;
  readonly onChange: (key: string) => void;
}

function Choice({ label, reads, ...rest }: ChoiceProps) {
  return (
    <label className="grid gap-0.5">
      <span className="caption">{label}</span>
      <Select label={label} reads={says(reads)} className="w-full" {...rest} />
    </label>
  );
}

/** Two ends of a range; empty is open. */
function Range({
  label,
  unit,
  step,
  value,
  reads,
  onChange,
}: {
  label: string;
  unit: string;
  step: number;
  value: ScreenFilter["aspect"];
  reads: SentenceKey;
  onChange: (range: ScreenFilter["aspect"]) => void;
}) {
  const end = (at: 0 | 1, text: string) => {
    const number = typedNumber(text);
    const ends: [number, number] = [value?.[0] ?? 0, value?.[1] ?? Infinity];
    ends[at] = text.trim() === "" || !Number.isFinite(number) ? [0, Infinity][at] : number;
    onChange(ends[0] === 0 && ends[1] === Infinity ? null : ends);
  };
  const shown = (at: 0 | 1) => (value && Number.isFinite(value[at]) && value[at] !== 0 ? String(value[at]) : "");
  return (
    <fieldset className="grid grid-cols-2 gap-1">
      <legend className="caption mb-0.5">
        {label}
        {unit && `, ${unit}`}
      </legend>
      {(["from", "to"] as const).map((word, at) => (
        <input
          key={`${word} ${shown(at as 0 | 1)}`}
          aria-label={`${label} ${word}`}
          className="box figure h-6 min-w-0 px-1 text-right text-[0.75rem]"
          inputMode="decimal"
          maxLength={FIELD_LETTERS.number}
          placeholder={word}
          step={step}
          defaultValue={shown(at as 0 | 1)}
          onBlur={(event) => end(at as 0 | 1, event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && end(at as 0 | 1, event.currentTarget.value)}
          {...readingProps(says(reads), shown(at as 0 | 1) || "open")}
        />
      ))}
    </fieldset>
  );
}

// oxlint-disable-next-line max-lines-per-function -- a list of fields
export function FilterPanel({ shown }: { shown: number }) {
  const session = useSessionActions();
  const { layout, screens } = useFaces();
  const filter = useScreens((s) => s.filter);
  const isOpen = isEqual(filter, NO_FILTER);
  const { order, grouping } = useScreens((s) => s);
  return (
    <aside aria-label="Filter" className="grid min-h-0 content-start gap-2 overflow-auto border-r border-rule bg-sheet p-3">
      <h2 className="heading">Filter</h2>
      <p className="caption" data-testid="screens-shown">
        {shown} of {counted(screens.length, "screen")}
      </p>
      <Choice
        label="Class"
        value={filter.sizeClass ?? ""}
        options={[["", "any"], ...SIZE_CLASSES.map(({ name }) => [name, CLASS_WORDS[name]] as const)]}
        reads="screens.class"
        onChange={(key) => setFilter(session, { sizeClass: SIZE_CLASSES.find((c) => c.name === key)?.name ?? null })}
      />
      <Choice
        label="Orientation"
        value={filter.held}
        options={[
          ["any", "both"],
          ["wide", "landscape"],
          ["tall", "portrait"],
        ]}
        reads="screens.held"
        onChange={(key) => setFilter(session, { held: key as ScreenFilter["held"] })}
      />
      <Range label="Aspect" unit="" step={0.05} value={filter.aspect} reads="screens.aspect" onChange={(aspect) => setFilter(session, { aspect })} />
      <Range label="Shorter side" unit="mm" step={1} value={filter.shortMm} reads="screens.short" onChange={(shortMm) => setFilter(session, { shortMm })} />
      <Choice
        label="Notch or insets"
        value={filter.notch}
        options={[
          ["any", "any"],
          ["with", "with"],
          ["without", "without"],
        ]}
        reads="screens.notch"
        onChange={(key) => setFilter(session, { notch: key as ScreenFilter["notch"] })}
      />
      <Choice
        label="With a finding"
        value={filter.code ?? ""}
        options={[["", "any"], ...FINDING_CODES.map((code) => [code, code] as const)]}
        reads="screens.code"
        onChange={(key) => setFilter(session, { code: FINDING_CODES.find((code) => code === key) ?? null })}
      />
      <Choice
        label="About"
        value={filter.subject ?? ""}
        options={[["", "anything"], ...[...layout.controls, ...layout.keepClear].map((one) => [one.id, one.name] as const)]}
        reads="screens.about"
        onChange={(key) => setFilter(session, { subject: key || null })}
      />
      {!isOpen && (
        <button type="button" className="push h-6" onClick={() => setScreens(session, { filter: NO_FILTER })} {...readingProps(says("screens.all"))}>
          Clear filter
        </button>
      )}
      <Choice
        label="Order"
        value={order}
        options={[
          ["own", "catalogue"],
          ["rail", "rail"],
          ["size", "shorter side"],
          ["aspect", "aspect"],
          ["gravity", "worst first"],
          ["name", "name"],
        ]}
        reads="screens.order"
        onChange={(key) => setScreens(session, { order: key as typeof order })}
      />
      <Choice
        label="Groups"
        value={grouping}
        options={[
          ["none", "none"],
          ["arrangement", "by arrangement"],
          ["class", "by class"],
        ]}
        reads="screens.groups"
        onChange={(key) => setScreens(session, { grouping: key as typeof grouping })}
      />
    </aside>
  );
}
