/** The figures of a report: grid, spans, misses, findings in words. */
import { counted } from "../derived/counted";
import { faceWords, measureWords } from "../checks/faceWords";
import type { Finding } from "../checks/finding";
import { SEVERITIES } from "../checks/finding";
import { gridOf, isMoreSevere, type GridCell } from "../checks/grid";
import { ofHundred, takersWords } from "../checks/missWords";
import { spanRows } from "../checks/spanRows";
import { leastHit, worstPair } from "../checks/worstMiss";
import { element, escaped } from "../drawing/svgElement";
import { spanDrawing } from "../drawing/spanDrawing";
import { aspectOf } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import type { ReportSource } from "./reportSource";
import { CONTENT_MM } from "./style";
import { momentIn, nameIn } from "./reportWords";

/** So many screens are next to each other in a table of the paper's width. */
const COLUMNS = 14;
const SIGN = { blocker: "■", warning: "◆", note: "○" } as const;

/** A table with screens across, cut into as many as the paper's width wants. */
function cellTables(names: readonly string[], rows: readonly { readonly name: string; readonly cells: readonly string[] }[]): string {
  const cuts = Array.from({ length: Math.ceil(names.length / COLUMNS) }, (_, i) => [i * COLUMNS, (i + 1) * COLUMNS] as const);
  return cuts
    .map(([from, to]) => {
      const heads = names.slice(from, to).map((name) => element("th", { scope: "col" }, element("span", {}, escaped(name))));
      const body = rows.map(({ name, cells }) =>
        element(
          "tr",
          {},
          element("th", { scope: "row" }, escaped(name)) +
            cells
              .slice(from, to)
              .map((cell) => element("td", {}, cell))
              .join(""),
        ),
      );
      return element(
        "table",
        { class: "cells" },
        element("thead", {}, element("tr", {}, element("th", {}, "") + heads.join(""))) + element("tbody", {}, body.join("")),
      );
    })
    .join("\n");
}

/** Controls down, screens across: in each cell the worst finding of all faces and moments. */
export function gridPart({ layout, screens }: ReportSource): string {
  const grid = gridOf(
    layout,
    screens.map(({ screen, faces }) => ({ name: screen.name, faces })),
  );
  const cell = (found: GridCell | null): string => {
    const worst = found?.worst?.finding;
    if (!worst) return found ? "✓" : "·";
    const measure = measureWords(worst.measure).replace(" mm", "").replace(" : 1", "");
    return element("span", { class: worst.severity }, `${SIGN[worst.severity]}${measure}`);
  };
  const rows = grid.rows.map(({ subject, cells }) => ({ name: subject === null ? "layout" : nameIn(layout, subject), cells: cells.map(cell) }));
  return (
    element("p", { class: "muted" }, "Each cell: the worst finding of all players and moments, in mm or % of an area; · none; ✓ only accepted findings.") +
    cellTables(
      screens.map(({ screen }) => screen.name),
      [{ name: "everything", cells: grid.columns.map(cell) }, ...rows],
    )
  );
}

/** Over which aspects each finding holds. */
export function spansPart({ layout, spans, screens, faces }: ReportSource): string {
  if (!spans) return element("p", { class: "muted" }, "Not computed.");
  const { range } = spans;
  const rows = spanRows(spans.faces);
  const lines = rows.map((row) => {
    const { code, subjects, moment } = row.profile;
    const about = subjects.map((s) => nameIn(layout, s)).join(", ") || "layout";
    const which = row.faces.length < faces.length ? ` (${row.faces.map((f) => `${faces[f].handed[0]}${faces[f].playerSize}`).join(" ")})` : "";
    return {
      label: cut(`${SIGN[row.profile.severity]} ${about}, ${code}${moment === null ? "" : `, ${momentIn(layout, moment)}`}${which}`, 64),
      profile: row.profile,
    };
  });
  const { left, top, right, bottom } = range.insetsMm;
  const said = `Screens of ${range.diagonalInches} inches and ${range.ppi} ppi, insets ${left}, ${top}, ${right}, ${bottom} mm; width by height along the bottom; the higher a bar, the worse its measure; thin lines: the screens of this report. In brackets the faces it holds for, where not for all: r right, l left hand, with the player's size.`;
  // A chart longer than a page would be cut through a row: each page has its own one.
  const pages = Array.from({ length: Math.ceil(lines.length / ROWS_A_PAGE) }, (_, i) => lines.slice(i * ROWS_A_PAGE, (i + 1) * ROWS_A_PAGE));
  const drawn = pages.map((part) =>
    element(
      "figure",
      { style: "margin:0 0 3mm" },
      spanDrawing(part, range, { widthMm: CONTENT_MM, labelsMm: 80, lines: screens.map(({ screen }) => aspectOf(screen)) }),
    ),
  );
  return element("p", { class: "muted" }, said) + (drawn.join("\n") || element("p", {}, "No findings at any aspect ratio."));
}

/** As many rows of the span chart as a page of either paper holds. */
const ROWS_A_PAGE = 44;

const cut = (text: string, letters: number): string => ([...text].length > letters ? `${[...text].slice(0, letters - 1).join("")}…` : text);

/** Of a hundred touches meant for each control, how many it gets; who takes the others where they are the most. */
export function missesPart({ layout, screens, faces }: ReportSource): string {
  const all = screens.map(({ misses }) => misses);
  const aimed = layout.controls.filter(({ id }) => all.some((one) => leastHit(one, id)));
  if (aimed.length === 0) return element("p", {}, "No touch is meant for a picture here.");
  const pair = worstPair(all);
  const worst = pair
    ? `The worst pair: of a hundred touches meant for ${nameIn(layout, pair.meant)}, ${ofHundred(pair.share)} go to ${nameIn(layout, pair.taker)}, on ${screens[pair.screen].screen.name}, ${faceWords(faces[pair.face])}${pair.moment === null ? "" : `, ${momentIn(layout, pair.moment)}`}.`
    : "No control takes touches meant for another.";
  const rows = aimed.map(({ id, name }) => ({
    name,
    cells: all.map((one) => {
      const least = leastHit(one, id);
      return least ? ofHundred(least.misses.hit) : "·";
    }),
  }));
  const takers = aimed.map(({ id, name }) => {
    const leasts = all.flatMap((one, place) => {
      const least = leastHit(one, id);
      return least ? [{ ...least, place }] : [];
    });
    const { misses, place, face, moment } = leasts.reduce((a, b) => (b.misses.hit < a.misses.hit ? b : a));
    const where = `${screens[place].screen.name}, ${faceWords(faces[face])}${moment === null ? "" : `, ${momentIn(layout, moment)}`}`;
    return element(
      "tr",
      {},
      element("th", { scope: "row" }, escaped(name)) +
        element("td", { class: "n" }, ofHundred(misses.hit)) +
        element("td", {}, escaped(takersWords(misses, (taker) => nameIn(layout, taker)) || "nobody")) +
        element("td", {}, escaped(where)),
    );
  });
  const heads =
    element("th", {}, "meant for") +
    element("th", { class: "n" }, "gets") +
    element("th", {}, "the rest goes to") +
    element("th", {}, "where it gets the least");
  return (
    element("p", {}, escaped(worst)) +
    element("p", { class: "muted" }, "Of a hundred touches meant for each control, how many it gets: on the worst of the faces and moments of each screen.") +
    cellTables(
      screens.map(({ screen }) => screen.name),
      rows,
    ) +
    element("h3", {}, "Who takes from whom") +
    element("table", {}, element("thead", {}, element("tr", {}, heads)) + element("tbody", {}, takers.join("")))
  );
}

/** A finding wherever it is. */
interface Everywhere {
  worst: Finding;
  at: string;
  readonly screens: Set<string>;
}

/** Findings in words, each once, as it is where it is worst; then those that somebody lives with, and why. */
export function findingsPart({ layout, screens, faces }: ReportSource): string {
  const found = new Map<string, Everywhere>();
  for (const { screen, faces: lists } of screens)
    lists.forEach((list, face) => {
      for (const finding of list) {
        const key = JSON.stringify([finding.code, finding.subjects, finding.moment, finding.accepted !== null]);
        const at = `${screen.name}, ${faceWords(faces[face])}`;
        const known = found.get(key);
        if (!known) found.set(key, { worst: finding, at, screens: new Set([screen.name]) });
        else {
          known.screens.add(screen.name);
          if (isMoreSevere(finding, known.worst)) [known.worst, known.at] = [finding, at];
        }
      }
    });
  const all = [...found.values()].sort((a, b) => SEVERITIES.indexOf(a.worst.severity) - SEVERITIES.indexOf(b.worst.severity));
  const open = all.filter(({ worst }) => worst.accepted === null);
  const accepted = all.filter(({ worst }) => worst.accepted !== null);
  return (
    (open.length > 0 ? listOf(layout, open, screens.length) : element("p", {}, "Nothing is open.")) +
    (accepted.length > 0 ? element("h3", {}, "Accepted") + listOf(layout, accepted, screens.length) : "")
  );
}

function listOf(layout: Layout, found: readonly Everywhere[], screens: number): string {
  const items = found.map(({ worst, at, screens: on }) => {
    const { severity, code, text, moment, accepted } = worst;
    const words = escaped(text).replace(/`([^`]*)`/g, "<code>$1</code>");
    const where = `on ${on.size} of ${counted(screens, "screen")}; as it is on ${at}${moment === null ? "" : `; ${momentIn(layout, moment)}`}`;
    const reason = accepted === null ? "" : element("div", {}, `accepted: ${escaped(accepted)}`);
    return element(
      "li",
      {},
      element("span", { class: severity }, `${SIGN[severity]} ${severity}`) +
        element("div", {}, `${words} ${element("div", { class: "muted" }, `${element("code", {}, code)} · ${escaped(where)}`)}${reason}`),
    );
  });
  return element("ul", { class: "findings" }, items.join(""));
}
