/** Game art matched to looks by the names of its files: `horn_pressed@2x.png` is the held look of the horn. */
import { KINDS } from "../engine/kinds";
import type { ArtPart } from "../editing/edits/pictures";
import { nearestWord } from "../engine/nearest";
import type { Control, Layout } from "../format/types";

/** Which part of which control's look a picture is; null: none is near. */
export interface ArtTarget {
  readonly control: string;
  readonly part: ArtPart;
}

/** Words by which files tell parts of a look. */
const PART_WORDS: Readonly<Record<ArtPart, ReadonlySet<string>>> = {
  held: new Set("held pressed press down active on lit touched".split(" ")),
  knob: new Set("knob thumb handle nub cap mark marker pointer needle notch".split(" ")),
  rest: new Set("rest normal up idle default base off bg background ring rim wheel".split(" ")),
};
/** What says nothing of either. */
const SILENT = new Set("button btn icon img image ui hud control joystick stick dpad art sprite".split(" "));

/** The words of a file's name: without folders, ending and the mark of its scale. */
const wordsOf = (fileName: string): readonly string[] =>
  fileName
    .replace(/^.*[/\\]/, "")
    .replace(/\.[a-z\d]+$/i, "")
    .replace(/@\d+(?:\.\d+)?x$/i, "")
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== "");

const bare = (text: string): string => wordsOf(text).join("");
/** All that a control is called: its id, its name, its word, what it serves. */
const namesOf = ({ id, name, look, serves }: Control): readonly string[] =>
  [id, name, look.label, ...serves.map(({ action }) => action)].filter((text) => text !== "");

/** The target of each file, in their order. No part of a control is given twice: the first that fits has it. */
export function matchArt({ controls }: Pick<Layout, "controls">, fileNames: readonly string[]): readonly (ArtTarget | null)[] {
  const taken = new Set<string>();
  const free = (target: ArtTarget): ArtTarget | null => {
    const key = `${target.control} ${target.part}`;
    if (taken.has(key)) return null;
    taken.add(key);
    return target;
  };
  const targetOf = (fileName: string): ArtTarget | null => {
    const words = wordsOf(fileName);
    // A word of a part may be a control's own name: `down` is a button too. The whole name is tried first, as a picture at rest.
    const own = controlOf(controls, words);
    if (own) return free({ control: own.id, part: "rest" });
    for (const part of ["knob", "held", "rest"] as const) {
      if (!words.some((word) => PART_WORDS[part].has(word))) continue;
      const others = (sets: readonly ReadonlySet<string>[]) => words.filter((word) => !sets.some((set) => set.has(word)));
      const control = controlOf(controls, others([PART_WORDS[part]])) ?? controlOf(controls, others(Object.values(PART_WORDS)));
      if (control && (part !== "knob" || KINDS[control.kind].parts !== null)) return free({ control: control.id, part });
    }
    const near = nearestControl(controls, words);
    return near && free({ control: near.id, part: "rest" });
  };
  // A base by itself goes before a picture of the whole: its knob is drawn over it.
  const isBase = (fileName: string) => wordsOf(fileName).includes("base");
  const found = new Map(
    [...fileNames.keys()].sort((a, b) => Number(isBase(fileNames[b])) - Number(isBase(fileNames[a])) || a - b).map((i) => [i, targetOf(fileNames[i])]),
  );
  return fileNames.map((_, i) => found.get(i) ?? null);
}

/** The control that some words name wholly, the silent ones with them or without. */
function controlOf(controls: readonly Control[], words: readonly string[]): Control | null {
  const spoken = words.filter((word) => !SILENT.has(word));
  const tried = [words.join(""), spoken.join("")].filter((text) => text !== "");
  return controls.find((control) => namesOf(control).some((name) => tried.includes(bare(name)))) ?? null;
}

function nearestControl(controls: readonly Control[], words: readonly string[]): Control | null {
  const spoken = words.filter((word) => !SILENT.has(word)).join("");
  const by = new Map(controls.flatMap((control) => namesOf(control).map((name) => [bare(name), control] as const)));
  const near = spoken === "" ? null : nearestWord(spoken, [...by.keys()], 1);
  return near === null ? null : (by.get(near) ?? null);
}
