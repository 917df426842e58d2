/** Rows of the sheet about actions and looks of a control. */
import { KINDS } from "../engine/kinds";
import type { Control, Layout } from "../format/types";
import { number, row, type SheetRow } from "./sheetRow";

const oneOrTwo = (value: number | readonly [number, number]): string => (typeof value === "number" ? number(value) : `(${value.map(number).join(", ")})`);

/** Returns a row per served action with its port, value and scale. */
export function servesRows(control: Control, layout: Layout): SheetRow[] {
  return control.serves.map(({ port, action, value, scale, repeat }) => {
    const kind = layout.actions.find(({ name }) => name === action)?.kind ?? "no action of this layout";
    const more = [
      value === undefined ? "" : `gives ${oneOrTwo(value)}`,
      scale === undefined ? "" : `× ${oneOrTwo(scale)}`,
      repeat === undefined ? "" : `again from ${number(repeat.delayMs)} ms every ${number(repeat.intervalMs)} ms`,
    ].filter((text) => text !== "");
    return row("serves", port === "vector" ? "x, y" : port, [`${action} (${kind})`, ...more].join("; "));
  });
}

/** Returns the rows of labels, icon, colours, and behaviour when released or unused. */
export function lookRows({ kind, look }: Control, layout: Layout): SheetRow[] {
  const look1 = (field: string, value: string) => row("look", field, value);
  const face = ({ fill, line, ink, opacity }: { readonly fill: string; readonly line: string; readonly ink: string; readonly opacity: number }) =>
    `fill ${fill}, line ${line}, ink ${ink}, opacity ${number(opacity)}`;
  const art = Object.entries(look.art ?? {}).flatMap(([part, id]) => (id ? [`${part}: ${layout.pictures.find((p) => p.id === id)?.name ?? id}`] : []));
  return [
    ...(look.label === "" ? [] : [look1("word", look.label)]),
    ...Object.entries(look.labels).map(([language, word]) => look1(`word, ${language}`, word)),
    ...(look.icon === undefined ? [] : [look1("icon", look.icon)]),
    ...(look.rotateDeg === 0 ? [] : [look1("turned", `${number(look.rotateDeg)}°${look.turnLabel || look.label === "" ? "" : ", its word upright"}`)]),
    look1("at rest", face(look.rest)),
    look1("held", face(look.held)),
    ...(look.away ? [look1("away", `opacity ${number(look.away.opacity)} after ${number(look.away.afterMs)} ms, over ${number(look.away.fadeMs)} ms`)] : []),
    ...(look.hideAtRest === "none" ? [] : [look1("hidden at rest", look.hideAtRest === "all" ? "everything" : "its knob")]),
    ...(KINDS[kind].hasKnob ? [look1("knob", `${number(look.knobSize)} of the base`), look1("returns", homeWords(look))] : []),
    ...(art.length > 0 ? [look1("pictures", art.join("; "))] : []),
  ];
}

function homeWords({ home, homeAfterMs, returnMs }: Control["look"]): string {
  if (home === "stay") return "stays at the release point";
  return `${home === "now" ? "at once" : `after ${number(homeAfterMs)} ms`}, over ${number(returnMs)} ms`;
}
