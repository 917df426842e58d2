"use client";
/** The fields of how controls look, at rest and held. No look changes where anything is or what it takes. */
import { KINDS } from "../../../core/engine/kinds";
import type { Control } from "../../../core/format/types";
import { FaceRow, type LookFace } from "./FaceRow";
import { common } from "../../fields/common";
import { entriesOf, type ChangeEach, type ChoiceEntry, type Entry, type Form, type NumberEntry, type SwitchEntry } from "../../fields/form/entries";
import { ArtPicker } from "./ArtPicker";
import { IconPicker } from "../../fields/IconPicker";
import { Labels } from "./Labels";
import { proposedIcon } from "./proposedIcon";

type Look = Control["look"];
type LookChange = Partial<Look>;
interface OwnProps {
  readonly controls: readonly Control[];
  readonly change: ChangeEach<Control, LookChange>;
}

const look = entriesOf<Control, Look>((c) => c.look);
const LONGEST_MS = 60_000;
const MS = { unit: "ms", min: 0, max: LONGEST_MS, step: 10 } as const;
const PERCENT = { unit: "%", digits: 0, step: 5, min: 0, max: 100 } as const;
/** The look when unused, as it begins. */
const AWAY = { opacity: 0.2, afterMs: 3000, fadeMs: 200 } as const;
/** How late "later" is, as it begins, ms. */
const HOME_LATER_MS = 1000;
/** A knob's own look as it begins: as it is drawn without one, the base's turned inside out. */
const inverted = ({ fill, ink, opacity }: LookFace): LookFace => ({ fill: ink, line: fill, ink: fill, opacity });
const knobFace = ({ knob, ...base }: Look, key: "rest" | "held"): LookFace => knob?.[key] ?? inverted(base[key]);
const hasKnob = ({ kind }: Control) => KINDS[kind].hasKnob;
const isMoving = (all: readonly Control[]) => all.some((c) => c.kind === "stick" && c.feel.origin !== "fixed");
const isFading = (all: readonly Control[]) => all.some((c) => c.look.away);

function Icon({ controls, change }: OwnProps) {
  return (
    <div className="field-row" data-row>
      <span className="field-name">Icon</span>
      <IconPicker value={common(controls, (c) => c.look.icon ?? "")} proposed={proposedIcon(controls)} onChange={(icon) => change("icon", () => ({ icon }))} />
    </div>
  );
}

const faceOf = (key: "rest" | "held") =>
  function Face({ controls, change }: OwnProps) {
    return (
      <FaceRow word={key} faces={controls.map((c) => c.look[key])} onChange={(words, part) => change(words, (c) => ({ [key]: { ...c.look[key], ...part } }))}>
        <ArtPicker controls={controls} part={key} word={key} />
      </FaceRow>
    );
  };

function KnobFaces({ controls, change }: OwnProps) {
  return (
    <div role="group" aria-label="Look of the knob">
      {(["rest", "held"] as const).map((key) => (
        <FaceRow
          key={key}
          word={key}
          faces={controls.map((c) => knobFace(c.look, key))}
          onChange={(words, part) => change(`${words} of the knob`, (c) => ({ knob: { ...c.look.knob, [key]: { ...knobFace(c.look, key), ...part } } }))}
        />
      ))}
    </div>
  );
}

/** The picture of a dial's mark, which turns with it. */
function Mark({ controls }: OwnProps) {
  return (
    <div className="field-row" data-row>
      <span className="field-name">Mark</span>
      <ArtPicker controls={controls} part="knob" word="mark" />
    </div>
  );
}

const KNOB: NumberEntry<Control, LookChange> = {
  kind: "number",
  label: "Knob",
  says: "Knob: {value} of the base’s size. This changes the look, not the travel.",
  of: hasKnob,
  unit: "% of base",
  digits: 1,
  step: 5,
  min: 0,
  max: 100,
  read: (c) => c.look.knobSize * 100,
  edit: (percent) => ({ knobSize: (percent as number) / 100 }),
  Beside: ({ controls }) => <ArtPicker controls={controls} part="knob" word="knob" />,
};

const HOME: ChoiceEntry<Control, LookChange> = {
  kind: "choice",
  label: "Base after release",
  says: "After release, the base {value}.",
  of: hasKnob,
  shown: isMoving,
  options: [
    ["now", "returns at once"],
    ["later", "returns later"],
    ["stay", "stays"],
  ],
  edits: "return",
  read: (c) => c.look.home,
  edit: (home, c) => ({ home: home as Look["home"], ...(home === "later" && c.look.homeAfterMs === 0 && { homeAfterMs: HOME_LATER_MS }) }),
};

const FADES: NumberEntry<Control, LookChange> = {
  ...PERCENT,
  kind: "number",
  label: "Fade to when unused",
  word: "Fade to",
  says: "Fades to {value} when unused for a while; a touch restores it at once.",
  none: "never",
  edits: "look when unused",
  more: true,
  read: ({ look: { away } }) => (away ? away.opacity * 100 : "none"),
  edit: (percent, c) => ({ away: percent === "none" ? undefined : { ...AWAY, ...c.look.away, opacity: percent / 100 } }),
};

/** A time of the fading, which a control that does not fade has not. */
const fadeTime = (key: "afterMs" | "fadeMs", entry: { label: string; says: string; edits: string }): NumberEntry<Control, LookChange> => ({
  ...MS,
  ...entry,
  kind: "number",
  shown: isFading,
  more: true,
  isSet: () => false,
  none: "never",
  read: (c) => c.look.away?.[key] ?? "none",
  edit: (ms, c) => (ms === "none" ? {} : { away: { ...AWAY, ...c.look.away, [key]: ms } }),
});

const OWN_KNOB: SwitchEntry<Control, LookChange> = {
  kind: "switch",
  label: "Separate look for the knob",
  word: "Separate knob look",
  says: "Separate look for the knob: {value}. Otherwise the knob inverts the look of its base.",
  of: hasKnob,
  edits: "look of the knob",
  more: true,
  read: (c) => c.look.knob !== undefined,
  edit: (own, { look: { rest, held } }) => ({ knob: own ? { rest: inverted(rest), held: inverted(held) } : undefined }),
};

/** The entries of the look card. @internal exported for the test of all entries */
export const LOOK = {
  label: look.text("label", {
    label: "Word on it",
    word: "Word",
    says: "Word: {value}. The player reads it; the game reads the action’s name.",
    edits: "word",
  }),
  icon: { kind: "own", label: "Icon", Show: Icon },
  rest: { kind: "own", label: "Look at rest", Show: faceOf("rest") },
  held: { kind: "own", label: "Look while held", Show: faceOf("held") },
  rotateDeg: look.number("rotateDeg", {
    label: "Rotation",
    says: "Rotation: {value}. The position and the hit area do not rotate.",
    unit: "°",
    min: -360,
    max: 360,
    step: 5,
  }),
  turnLabel: look.toggle("turnLabel", {
    label: "Rotate the word too",
    word: "Turn word",
    says: "Turn word: the word turns with the picture. Otherwise it stays upright.",
    edits: "rotation of the word",
    shown: (all) => all.some((c) => c.look.rotateDeg !== 0 && c.look.label !== ""),
  }),
  knob: KNOB,
  mark: { kind: "own", label: "Mark", of: ({ kind }) => kind === "dial", Show: Mark },
  hideAtRest: look.choice("hideAtRest", {
    label: "Visible at rest",
    says: "At rest, {value} is visible until a thumb arrives.",
    options: [
      ["none", "everything"],
      ["knob", "all but the knob"],
      ["all", "nothing"],
    ],
  }),
  home: HOME,
  fades: FADES,
  fadeAfter: fadeTime("afterMs", { label: "Fade after", says: "Fades after {value} without a touch.", edits: "look when unused" }),
  fadeTime: fadeTime("fadeMs", { label: "Fade time", says: "The fade takes {value}.", edits: "fading" }),
  returnMs: look.number("returnMs", { ...MS, label: "Return time", says: "The knob and the base move back over {value}.", of: hasKnob, more: true }),
  homeAfterMs: look.number("homeAfterMs", {
    ...MS,
    label: "Returns after",
    says: "The base moves back {value} after release.",
    of: hasKnob,
    shown: (all) => isMoving(all) && all.some((c) => c.look.home === "later"),
    edits: "return",
    more: true,
  }),
  ownKnob: OWN_KNOB,
  knobFaces: { kind: "own", label: "Look of the knob", of: hasKnob, Show: KnobFaces, shown: (all) => all.some((c) => c.look.knob), more: true },
  labels: {
    kind: "own",
    label: "Translations",
    Show: Labels,
    shown: (all) => all.length === 1 && !KINDS[all[0].kind].isField,
    isSet: (c) => Object.keys(c.look.labels).length > 0,
    more: true,
  },
} satisfies Record<string, Entry<Control, LookChange>>;

export const LOOK_FORM: Form<Control, LookChange> = { entries: Object.values(LOOK) };
