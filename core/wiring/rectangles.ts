/**
 * Rectangles that were drawn elsewhere become controls: what each most likely is, by its name and its shape, and where it is tied. All of it
 * is a guess until somebody has looked; what is taken is to the px where it was drawn.
 */
import { byId } from "../derived/byId";
import { gather } from "../editing/clusters";
import { addControls, freeId, freeName } from "../editing/edits/controls";
import { fittingKind, fittingServe, makeControl } from "../editing/make";
import { editContextOf, placeAt, type EditContext } from "../editing/placing";
import type { Box } from "../engine/geometry/point";
import { nearestWord } from "../engine/nearest";
import { pxPerMm } from "../engine/placement/screen";
import { ok, type Result } from "../engine/result";
import type { Action, Control, ControlKind, Layout, Screen } from "../format/types";
import { wordKind } from "./wordKind";

/** A rectangle as a drawing or a table has it: px of the screen it was drawn for, y down. */
export interface DrawnRectangle {
  readonly name: string;
  readonly box: Box;
  /** The shape it was drawn as; null: not told. */
  readonly shape: "ellipse" | "box" | "capsule" | null;
  /** The kind it is said to be; null: not told. */
  readonly kind: ControlKind | null;
}

/** What a rectangle is taken for. */
export interface ControlGuess {
  readonly kind: ControlKind;
  /** By what the kind was guessed. */
  readonly by: "from the file" | "its name" | "its action" | "its shape";
  /** The action it is taken to serve; null: none is near. */
  readonly action: string | null;
  /** The control of the layout that it is, by its id; null: a new one. */
  readonly control: string | null;
}

/** Words in names that say a kind, as games and drawings call them. */
const KIND_WORDS: readonly (readonly [ControlKind, ReadonlySet<string>])[] = [
  ["stick", new Set("stick joystick thumbstick analog".split(" "))],
  ["dpad", new Set("dpad pad cross arrows directions".split(" "))],
  ["touchpad", new Set("touchpad trackpad lookpad camera".split(" "))],
  ["swipe", new Set("swipe flick slash".split(" "))],
  ["button", new Set("button btn key tap".split(" "))],
];

const partsOf = (name: string): readonly string[] =>
  name
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((part) => part !== "");

/** Words that say what a thing is or where it is, and nothing of which action it serves. */
const SILENT = new Set([...KIND_WORDS.flatMap(([, words]) => [...words]), "left", "right", "icon", "image", "img", "rect", "the", "ui", "hud", "control"]);

/** A shorter word is no other's misspelling: most short words are near some other. */
const LEAST_NEAR_LETTERS = 6;

/** The action that a name means: its own, spelt alike but for case and signs, one of its parts, or the nearest. @internal exported for its test */
export function actionOfName(name: string, actions: readonly Pick<Action, "name">[]): string | null {
  const bare = (text: string) => partsOf(text).join("");
  const names = actions.map((action) => action.name);
  const exact = names.find((one) => one === name) ?? names.find((one) => bare(one) === bare(name) && bare(name) !== "");
  if (exact !== undefined) return exact;
  const parts = partsOf(name).filter((part) => !SILENT.has(part));
  const part = names.find((one) => parts.includes(one.toLowerCase()));
  if (part !== undefined) return part;
  return parts.join("-").length >= LEAST_NEAR_LETTERS ? nearestWord(parts.join("-"), names, 1) : null;
}

/** A round thing at least so wide is taken for a stick, mm; a thing at least this much of the screen's width for a touchpad. */
const STICK_MM = 18;
const TOUCHPAD_PART = 0.25;

/** Of what kind a rectangle of no told kind is. */
function kindOf({ name, box, shape }: DrawnRectangle, action: Action | undefined, screen: Screen): Pick<ControlGuess, "kind" | "by"> {
  const parts = partsOf(name);
  const named = KIND_WORDS.find(([, words]) => parts.some((part) => words.has(part)))?.[0];
  if (named) return { kind: named, by: "its name" };
  const isBroad = box.w >= TOUCHPAD_PART * screen.widthPx && box.h >= TOUCHPAD_PART * screen.heightPx;
  if (action) return { kind: action.kind === "press" && isBroad ? "swipe" : fittingKind(action.kind), by: "its action" };
  const word = wordKind(name);
  if (word !== "press") return { kind: fittingKind(word), by: "its name" };
  if (isBroad) return { kind: "touchpad", by: "its shape" };
  const side = Math.min(box.w, box.h);
  const isRound = shape === "ellipse" && Math.abs(box.w - box.h) <= 0.1 * side;
  return { kind: isRound && side >= STICK_MM * pxPerMm(screen) ? "stick" : "button", by: "its shape" };
}

/** What each rectangle most likely is. No control and no action is guessed twice where there are others: the first in the order has it. */
export function guessControls(layout: Layout, rectangles: readonly DrawnRectangle[], screen: Screen): readonly ControlGuess[] {
  const takenControls = new Set<string>();
  return rectangles.map((rectangle) => {
    const { name, kind } = rectangle;
    const control = layout.controls.find((one) => !takenControls.has(one.id) && (one.id === name || one.name === name));
    if (control) {
      takenControls.add(control.id);
      return { kind: control.kind, by: "from the file", action: control.serves[0]?.action ?? null, control: control.id };
    }
    const action = actionOfName(name, layout.actions);
    const told = layout.actions.find((one) => one.name === action);
    return { ...(kind ? { kind, by: "from the file" as const } : kindOf(rectangle, told, screen)), action, control: null };
  });
}

/** A rectangle with what it is to be. */
export interface RectangleImport extends DrawnRectangle {
  readonly kind: ControlKind;
  readonly action: string | null;
  /** The control that is placed there; null: a new one is made. */
  readonly control: string | null;
}

/** Controls nearer to each other than this part of their mean side stand together. */
const TOGETHER_PART = 0.6;
/** So many that stand together make a cluster. */
const LEAST_CLUSTER = 3;

const gapBetween = (a: Box, b: Box): number => {
  const across = Math.max(0, Math.max(a.x, b.x) - Math.min(a.x + a.w, b.x + b.w));
  const down = Math.max(0, Math.max(a.y, b.y) - Math.min(a.y + a.h, b.y + b.h));
  return Math.hypot(across, down);
};

/** Which boxes stand together, by their places in the list: three or more, each near another of them. @internal exported for its test */
export function groupsByGap(boxes: readonly Box[]): readonly (readonly number[])[] {
  const group = boxes.map((_, i) => i);
  const find = (i: number): number => (group[i] === i ? i : find(group[i]));
  boxes.forEach((a, i) =>
    boxes.slice(0, i).forEach((b, k) => {
      const side = (Math.min(a.w, a.h) + Math.min(b.w, b.h)) / 2;
      if (gapBetween(a, b) <= TOGETHER_PART * side) group[find(i)] = find(k);
    }),
  );
  const groups = new Map<number, number[]>();
  boxes.forEach((_, i) => groups.set(find(i), [...(groups.get(find(i)) ?? []), i]));
  return [...groups.values()].filter((one) => one.length >= LEAST_CLUSTER);
}

const SHAPED: ReadonlySet<ControlKind> = new Set<ControlKind>(["button"]);

/** A control made of a wish, its word and its shape as they were drawn. */
function controlOf(context: EditContext, wish: RectangleImport): Control {
  const action = context.layout.actions.find(({ name }) => name === wish.action) ?? null;
  const made = makeControl(context, wish.kind, action, wish.box);
  const name = [...wish.name.replace(/\p{Cc}/gu, " ").trim()].slice(0, 80).join("") || made.name;
  const serves = action && fittingServe(wish.kind, action) === null ? [] : made.serves;
  const shape = wish.shape !== null && SHAPED.has(wish.kind) ? wish.shape : made.hit.shape;
  const free = freeName(context.layout, name);
  return { ...made, id: freeId(context.layout, free), name: free, serves, hit: { ...made.hit, shape } } as Control;
}

/**
 * Takes rectangles into the layout on the screen in view: those that are a control of the layout move it, the others become new ones, tied to
 * the nearest corner, edge's middle or centre of the safe frame. `clusters`: new buttons that stand together become clusters.
 */
export function takeRectangles(
  context: EditContext,
  wishes: readonly RectangleImport[],
  clusters: boolean,
): Result<{ readonly layout: Layout; readonly ids: readonly string[] }> {
  const { screen, playerView } = context;
  const whole = { ...playerView, moment: null };
  const at = (layout: Layout) => editContextOf(layout, screen, whole);
  let { layout } = context;
  const ids: string[] = [];
  const buttons: { readonly id: string; readonly box: Box; readonly name: string }[] = [];
  for (const wish of wishes) {
    let id = wish.control;
    if (id === null) {
      const control = controlOf(at(layout), wish);
      const added = addControls(layout, [control]);
      if (!added.ok) return added;
      layout = added.value;
      id = control.id;
      if (wish.kind === "button") buttons.push({ id, box: wish.box, name: control.name });
    }
    const placed = placeAt(at(layout), id, wish.box, true);
    if (!placed.ok) return placed;
    layout = placed.value;
    ids.push(id);
  }
  if (!clusters) return ok({ layout, ids });
  for (const group of groupsByGap(buttons.map(({ box }) => box))) {
    const members = group.map((i) => buttons[i]);
    const moments = new Set(members.map(({ id }) => byId(layout.controls).get(id)!.moments.join(" ")));
    if (moments.size > 1) continue;
    const gathered = gather(
      at(layout),
      members.map(({ id }) => id),
      `${members[0].name} and ${members.length - 1} more`,
    );
    if (!gathered.ok) return gathered;
    layout = gathered.value.layout;
  }
  return ok({ layout, ids });
}
