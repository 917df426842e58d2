/** The drawn parts of a report: the layout as it is drawn, its screens, the contact sheet. */
import { PLAIN_PLAYER_VIEW, type Resolved } from "../engine/placement/resolve";
import { resolvedOn } from "../derived/resolved";
import { layoutDrawing } from "../drawing/layoutDrawing";
import { element, escaped } from "../drawing/svgElement";
import { pxPerMm } from "../engine/placement/screen";
import { drawnFor } from "../versions/compare";
import type { ReportedScreen } from "./reportedScreen";
import type { ReportSource } from "./reportSource";
import { CONTENT_MM } from "./style";
import { aspectWords, momentIn, sizeWords, tallyMarks } from "./reportWords";

const SHRINK_STEPS = [1, 2, 3, 4, 6, 8, 12, 16, 32, 64, 128];

/** The least whole number of mm a mm of the paper, from `least` on, at which so much fits the paper's width. */
function shrinksFor(widthMm: number, least: number): number {
  return SHRINK_STEPS.find((step) => step >= least && widthMm / step <= CONTENT_MM) ?? Math.ceil(widthMm / CONTENT_MM);
}

const scaleWords = (shrinks: number) => (shrinks === 1 ? "life size" : `1 mm here is ${shrinks} mm on the screen`);

/** So many moments are drawn each by itself; of more the layout is drawn once, with all that it has. */
const MOST_MOMENTS = 6;

/** The layout on the screen it is drawn for, moment by moment, with its areas, names and measures; its controls as a table. */
export function drawnPart({ layout }: ReportSource): string {
  const screen = drawnFor(layout);
  const shrinks = shrinksFor(screen.widthPx / pxPerMm(screen), layout.moments.length > 1 ? 2 : 1);
  const moments = layout.moments.length > 0 && layout.moments.length <= MOST_MOMENTS ? layout.moments.map(({ id }) => id) : [null];
  const figures = moments.map((moment, i) => {
    const drawing = layoutDrawing(layout, resolvedOn(layout, screen, { ...PLAIN_PLAYER_VIEW, moment }), {
      layers: ["glass", "zones", "areas", "controls", "names", "measures"],
      shrinks,
      prefix: `drawn${i}.`,
    });
    return element("figure", {}, drawing + element("figcaption", {}, element("b", {}, escaped(moment === null ? "Every moment" : momentIn(layout, moment)))));
  });
  const said = `${screen.name[0].toUpperCase()}${screen.name.slice(1)}; sizes in mm; ${scaleWords(shrinks)}. Hatched: hit areas; dotted: landing areas; cross-hatched: keep-clear zones; grey discs: dead zones.`;
  const every = resolvedOn(layout, screen, PLAIN_PLAYER_VIEW);
  return element("p", { class: "muted" }, escaped(said)) + element("div", { class: "sheet" }, figures.join("\n")) + controlsTable(layout, every);
}

function controlsTable(layout: ReportSource["layout"], resolved: Resolved): string {
  const mm = pxPerMm(resolved.screen);
  const size = ({ w, h }: { readonly w: number; readonly h: number }) => `${(w / mm).toFixed(1)} × ${(h / mm).toFixed(1)}`;
  const rows = layout.controls.map((control) => {
    const at = resolved.controls.find(({ id }) => id === control.id);
    const serves = control.serves.map(({ action, port }) => `${action} ← ${port}`).join(", ");
    return element(
      "tr",
      {},
      element("th", { scope: "row" }, escaped(control.name)) +
        element("td", {}, control.kind) +
        element("td", { class: "n" }, at ? size(at.visual) : "hidden") +
        element("td", { class: "n" }, at ? size(at.landing ?? at.hit) : "hidden") +
        element("td", {}, escaped(serves || "nothing")) +
        element("td", {}, escaped(control.moments.map((id) => momentIn(layout, id)).join(", "))),
    );
  });
  const heads =
    element("th", {}, "control") +
    element("th", {}, "kind") +
    element("th", { class: "n" }, "seen, mm") +
    element("th", { class: "n" }, "takes touches, mm") +
    element("th", {}, "serves") +
    element("th", {}, "shows in");
  return element("h3", {}, "Controls") + element("table", {}, element("thead", {}, element("tr", {}, heads)) + element("tbody", {}, rows.join("")));
}

/** The screens that are judged, each with what is found on it over all faces. */
export function screensPart({ screens }: ReportSource): string {
  const rows = screens.map((one) => {
    const { screen } = one;
    const { left, top, right, bottom } = screen.insets;
    return element(
      "tr",
      {},
      element("th", { scope: "row" }, escaped(screen.name)) +
        element("td", { class: "n" }, `${screen.widthPx} × ${screen.heightPx}`) +
        element("td", { class: "n" }, String(screen.ppi)) +
        element("td", { class: "n" }, sizeWords(one)) +
        element("td", { class: "n" }, aspectWords(one)) +
        element("td", { class: "n" }, [left, top, right, bottom].some((inset) => inset > 0) ? `${left}, ${top}, ${right}, ${bottom}` : "none") +
        element("td", {}, tallyMarks(openFindings(one)) + notJudged(one)),
    );
  });
  const head = (word: string, isNumber = true) => element("th", isNumber ? { class: "n" } : {}, word);
  const heads = head("screen", false) + head("px") + head("ppi") + head("size") + head("aspect") + head("insets l, t, r, b, px") + head("found", false);
  return element("table", {}, element("thead", {}, element("tr", {}, heads)) + element("tbody", {}, rows.join("")));
}

/** What was not judged on a screen, and why. */
const notJudged = ({ faintNotJudged: why }: ReportedScreen) =>
  why === null ? "" : element("div", { class: "muted" }, `${element("code", {}, "look/faint")} not judged: ${escaped(why)}`);

/** The findings of a screen, the same of several faces once: as severe as on the worst of them. */
function openFindings({ faces }: ReportedScreen) {
  const known = new Map<string, ReportedScreen["faces"][number][number]>();
  const rank = { blocker: 0, warning: 1, note: 2 };
  for (const finding of faces.flat()) {
    const key = JSON.stringify([finding.code, finding.subjects, finding.moment]);
    const before = known.get(key);
    if (!before || rank[finding.severity] < rank[before.severity]) known.set(key, finding);
  }
  return [...known.values()];
}

/** Every screen at one scale, for the right hand and a player of size 1, with the findings of all faces marked. */
export function contactSheetPart({ layout, screens, shrinks }: ReportSource): string {
  const figures = screens.map((one, i) => {
    const { screen } = one;
    const found = openFindings(one);
    const step = shrinksFor(screen.widthPx / pxPerMm(screen), shrinks);
    const drawing = layoutDrawing(layout, resolvedOn(layout, screen, PLAIN_PLAYER_VIEW), {
      layers: ["glass", "zones", "controls", "names", "findings"],
      shrinks: step,
      prefix: `s${i}.`,
      findings: found,
    });
    const caption = `${element("b", {}, escaped(screen.name))} ${element("span", { class: "muted" }, sizeWords(one))}<br>${tallyMarks(found)}${step === shrinks ? "" : ` ${element("span", { class: "muted" }, scaleWords(step))}`}`;
    return element("figure", { "data-screen": screen.name }, drawing + element("figcaption", {}, caption));
  });
  const said = `${scaleWords(shrinks)[0].toUpperCase()}${scaleWords(shrinks).slice(1)}, unless another scale is given; right hand, size 1; all moments. Marks: worst finding of a control for any player. ■ blocker, ◆ warning, ○ note.`;
  return element("p", { class: "muted" }, said) + element("div", { class: "sheet" }, figures.join("\n"));
}
