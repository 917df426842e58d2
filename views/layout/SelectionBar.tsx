"use client";
/** What can be done with what is selected, as buttons above its card; and the worst finding about it. */
import { isEqual } from "../../core/engine/equal";
import {
  ArrowDownToLine,
  ClipboardCopy,
  CopyPlus,
  EyeOff,
  FlipHorizontal2,
  Group,
  Hand,
  Lock,
  LockOpen,
  Palette,
  Scan,
  SquareSplitHorizontal,
  Target,
  Trash2,
  Ungroup,
  ArrowUpToLine,
  Expand,
} from "lucide-react";
import { memo, type ReactNode } from "react";
import { byId } from "../../core/derived/byId";
import { reorderControls } from "../../core/editing/edits/controls";
import { handBack, ownFields, placementIn, placeableBox, placeableOf } from "../../core/editing/placeables";
import { carryTo, seenPin } from "../../core/editing/anchors";
import { type EditContext, seenAs } from "../../core/editing/placing";
import { locksOf } from "../../core/editing/locks";
import { canSplit } from "../../core/editing/split";
import { pxPerMm } from "../../core/engine/placement/screen";
import { readingProps } from "../../ui/reading";
import { CARRY_MM } from "../interaction/glassGesture";
import { says, type SentenceKey } from "../shell/reading/sentences";
import { benchContextNow } from "../document/benchContext";
import { useSessionActions } from "../document/SessionContext";
import { nameOf, namesOf } from "../document/names";
import { deletePlaceables } from "../document/remove";
import { AlignMenu } from "./AlignMenu";
import { anchorWord } from "./anchorWord";
import { setBench, useBench } from "./bench";
import { FindingLine } from "./FindingLine";
import { LockMenu, type LockFact } from "./LockMenu";
import { MirroredWires } from "./MirroredWires";
import { copySelected, copyToClipboard, dissolveSelected, gatherSelected, growSelected, hideForNow, mirrorSelected, splitSelected } from "./selectionEdits";
import { zoomToSelection } from "./zoomToSelection";
import { Roving, Stop } from "../../ui/Roving";

interface Props {
  readonly context: EditContext;
  readonly keys: readonly string[];
  /** Whose findings are reported: of a cluster those of what is in it too. */
  readonly findingsOf: readonly string[];
}

/** All that the buttons show depends on: while something is moved it stays the same, and nothing of the bar is redrawn. */
interface BarFacts {
  readonly told: string;
  readonly names: string;
  readonly kinds: readonly string[];
  /** Where it would be carried; null: it has no tether, or there are several. */
  readonly where: string | null;
  readonly splits: boolean;
  readonly locks: readonly LockFact[];
}

function factsOf(context: EditContext, keys: readonly string[]): BarFacts {
  const { layout } = context;
  const one = keys.length === 1 ? keys[0] : null;
  return {
    told: one === null ? `the ${keys.length} selected` : nameOf(layout, one),
    names: namesOf(layout, keys, "of them"),
    kinds: keys.map((key) => placeableOf(layout, key)?.kind ?? ""),
    where: one !== null && seenPin(context, one) ? whereOf(context, one) : null,
    splits: keys.length === 2 && keys.every((key) => canSplit(byId(layout.controls).get(key))),
    locks: keys.map((key) => locksOf(layout, key)),
  };
}

export function SelectionBar({ context, keys, findingsOf }: Props) {
  return (
    <Roving along="across">
      <div role="toolbar" aria-label="What is selected" className="flex min-h-7 min-w-0 flex-wrap items-center gap-x-3 px-2.5">
        <MirroredWires keys={keys} />
        <Buttons keys={keys} facts={factsOf(context, keys)} />
        <Notes context={context} keys={keys} />
        <FindingLine of={findingsOf} />
      </div>
    </Roving>
  );
}

/** What a button of the bar shows and says. */
interface ButtonLook {
  readonly sentence: SentenceKey;
  readonly icon: ReactNode;
  readonly figures?: Readonly<Record<string, string>>;
  readonly pressed?: boolean;
}

const Buttons = memo(
  function Buttons({ keys, facts }: { keys: readonly string[]; facts: BarFacts }) {
    const session = useSessionActions();
    const copying = useBench((b) => b.copying);
    const { told, names, kinds, where, splits, locks } = facts;
    const one = keys[0];
    const isControl = keys.length === 1 && kinds[0] === "control";
    const hasControls = kinds.includes("control") || kinds.includes("cluster");
    const now = () => benchContextNow(session);
    const button = (name: string, run: (() => void) | false, { sentence, icon, figures, pressed }: ButtonLook) =>
      run !== false && (
        <Stop key={name} isChosen={pressed}>
          <button
            className="grid size-6 place-items-center rounded-sm hover:bg-paper aria-pressed:bg-accent aria-pressed:text-on-accent"
            aria-label={name}
            aria-pressed={pressed}
            onClick={run}
            {...readingProps(says(sentence, figures), told)}
          >
            {icon}
          </button>
        </Stop>
      );
    const carry = () => {
      const context = now();
      session.edit(
        `carry ${names}`,
        seenAs(context, (seen) => carryTo(seen, one, CARRY_MM * pxPerMm(seen.screen))),
      );
    };
    const order = (word: string, to: "up" | "down") => () => session.edit(`${word} ${names}`, (l) => reorderControls(l, keys, to));
    const copy = (what: "look" | "feel") => () => setBench(session, { copying: copying?.what === what ? null : { what, from: one } });
    return (
      <span className="flex flex-wrap items-center">
        {button("Copy", () => copyToClipboard(session, keys), { sentence: "do.copy", icon: <ClipboardCopy size={14} /> })}
        {button("Duplicate", () => copySelected(session, now(), keys), { sentence: "do.duplicate", icon: <CopyPlus size={14} /> })}
        {button("Second side", !kinds.includes("zone") && (() => mirrorSelected(session, now(), keys)), {
          sentence: "do.mirror",
          icon: <FlipHorizontal2 size={14} />,
        })}
        {button("Delete", () => deletePlaceables(session, keys), { sentence: "do.delete", icon: <Trash2 size={14} /> })}
        <Divide />
        {button("Above", kinds.includes("control") && order("raise", "up"), { sentence: "do.above", icon: <ArrowUpToLine size={14} /> })}
        {button("Below", kinds.includes("control") && order("lower", "down"), { sentence: "do.below", icon: <ArrowDownToLine size={14} /> })}
        {button("Make a cluster", keys.length > 1 && (() => gatherSelected(session, now(), keys)), {
          sentence: "do.gather",
          icon: <Group size={14} />,
        })}
        {button("Dissolve the cluster", kinds.includes("cluster") && (() => dissolveSelected(session, now(), keys)), {
          sentence: "do.dissolve",
          icon: <Ungroup size={14} />,
        })}
        {button("Split the screen between the two", splits && (() => splitSelected(session, now(), keys)), {
          sentence: "do.split",
          icon: <SquareSplitHorizontal size={14} />,
        })}
        {button(`Carry there: ${where ?? ""}`, where !== null && carry, { sentence: "do.carry", icon: <Target size={14} />, figures: { where: where ?? "" } })}
        <AlignMenu keys={keys} told={told} />
        <Divide />
        {button("Copy its look to others", isControl && copy("look"), {
          sentence: "do.look",
          icon: <Palette size={14} />,
          pressed: copying?.what === "look",
        })}
        {button("Copy its feel to others", isControl && copy("feel"), {
          sentence: "do.feel",
          icon: <Hand size={14} />,
          pressed: copying?.what === "feel",
        })}
        {button("Grow hit areas", hasControls && (() => growSelected(session, now(), keys)), { sentence: "do.room", icon: <Expand size={14} /> })}
        <Divide />
        <LockMenu keys={keys} locks={locks} told={told} icons={[<LockOpen key="o" size={14} />, <Lock key="l" size={14} />]} />
        {button("Hide temporarily", () => hideForNow(session, keys), { sentence: "do.hide", icon: <EyeOff size={14} /> })}
        {button("Zoom to it", () => zoomToSelection(session, now(), keys), { sentence: "bar.selection", icon: <Scan size={14} /> })}
      </span>
    );
  },
  (a, b) => a.keys === b.keys && isEqual(a.facts, b.facts),
);

const Divide = () => <span aria-hidden className="mx-1 h-4 w-px bg-rule" />;

/** Where a pin is carried: "the bottom left of the safe frame". */
function whereOf(context: EditContext, key: string): string {
  const pin = seenPin(context, key)!;
  const frame =
    typeof pin.frame === "string"
      ? `the ${pin.frame === "screen" ? "screen" : `${pin.frame} frame`}`
      : `the cluster ${nameOf(context.layout, pin.frame.cluster)}`;
  return `the ${anchorWord(pin.anchor)} of ${frame}`;
}

/** What else is to be said of them: how many, hidden here, changed in an arrangement. */
function Notes({ context, keys }: { context: EditContext; keys: readonly string[] }) {
  const session = useSessionActions();
  const copying = useBench((b) => b.copying);
  const { layout, resolved } = context;
  const { arrangement } = resolved;
  const own = keys.filter((key) => ownFields(layout, arrangement, key).length > 0);
  const placeable = keys.length === 1 ? placeableOf(layout, keys[0]) : null;
  const notShown =
    placeable !== null && placeable !== undefined && placementIn(layout, arrangement, keys[0]) !== undefined && !placeableBox(resolved, placeable);
  return (
    <span className="flex flex-wrap items-center gap-x-3 text-[0.75rem] text-muted">
      {keys.length > 1 && (
        <span>
          {keys.length} selected: {keys.map((key) => nameOf(layout, key)).join(", ")}
        </span>
      )}
      {copying && (
        <span className="text-accent">
          click what is to {copying.what} like {nameOf(layout, copying.from)}; Escape ends it
        </span>
      )}
      {notShown && <span>not shown on this screen</span>}
      {own.length > 0 && arrangement !== null && (
        <Stop>
          <button
            className="text-accent underline"
            data-testid="hand-back"
            {...readingProps(
              says("do.handBack", { what: ownFields(layout, arrangement, own[0]).join(", ") }),
              own.map((key) => nameOf(layout, key)).join(", "),
            )}
            onClick={() =>
              session.edit(`reset ${namesOf(layout, own)}`, (l) =>
                own.reduce((r, key) => (r.ok ? handBack(r.value, arrangement, key) : r), { ok: true, value: l } as ReturnType<typeof handBack>),
              )
            }
          >
            Changed here · reset
          </button>
        </Stop>
      )}
    </span>
  );
}
