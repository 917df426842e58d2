import { XMLParser, XMLValidator } from "fast-xml-parser";
import { sampleLayouts } from "../../test/samples";
import { findAspectIntervals } from "../checks/aspectIntervals";
import { catalogueFor } from "../checks/catalogue";
import { checkScreen } from "../checks/check";
import { facesOf } from "../checks/grid";
import { ofHundred } from "../checks/missWords";
import { sayNames } from "../checks/say";
import { leastHit, missesInMoments } from "../checks/worstMiss";
import { accept } from "../editing/edits/accept";
import { pxPerMm } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import { makeReport, spanRange, type ReportAsked } from "./gatherReport";
import { REPORT_PARTS } from "./reportSource";
import { CONTENT_MM } from "./style";

const [brackwater, pigeonhole, draft] = sampleLayouts();
const screens = catalogueFor("landscape").filter((_, i) => i % 11 === 0);
const report = (layout: Layout, more: Partial<ReportAsked> = {}) => makeReport({ layout, digest: "d".repeat(64), date: "2026-11-26", screens, ...more });
/** All parts but the spans, which take their time and are looked at by themselves. */
const QUICK = REPORT_PARTS.filter((one) => one !== "spans");
/** The words of a piece of markup. */
const wordsOf = (html: string) =>
  html
    .replace(/<[^>]+>/g, "")
    .replace(/&quot;/g, '"')
    .replace(/&lt;/g, "<")
    .replace(/&gt;/g, ">")
    .replace(/&#39;/g, "'")
    .replace(/&amp;/g, "&");
const part = (html: string, name: string) => new RegExp(`<section id="part-${name}">([\\s\\S]*?)</section>`).exec(html)![1];

test("it says of which file, when, and on what it was made; it is whole in itself and runs nothing", () => {
  const html = report(draft, { parts: QUICK });
  expect(html).toContain("<h1>Brackwater, first draft</h1>");
  expect(html).toContain("2026-11-26");
  expect(html).toContain("d".repeat(64));
  expect(html).toContain(`■ blockers on ${screens.length} of ${screens.length} screens`);
  expect(html).not.toMatch(/<script|<link|<img|\bsrc=|\bhref=|@import|url\((?!#)/);
  // All but the doctype and the elements of HTML that are never closed is well-formed.
  const body = /<body>([\s\S]*)<\/body>/.exec(html)![1].replaceAll("<br>", "<br/>");
  expect(XMLValidator.validate(body)).toBe(true);
  const ids = [...html.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id);
  expect(new Set(ids).size).toBe(ids.length);
});

test("every finding of every face and screen is in it, in words, as it is where it is worst; what is accepted with its reason", () => {
  const accepted = accept(draft, { code: "touch/small", subjects: ["pause"] }, "only we press it <here>");
  if (!accepted.ok) throw new Error("refused");
  const html = report(accepted.value, { parts: ["findings"] });
  const items = [...part(html, "findings").matchAll(/<li>([\s\S]*?)<\/li>/g)].map(([, item]) => wordsOf(item));
  const faces = facesOf(draft);
  const all = screens.flatMap((screen) => faces.flatMap((face) => checkScreen(accepted.value, screen, { ...face, moment: null }, { say: sayNames(draft) })));
  const keys = new Set(all.map((f) => JSON.stringify([f.code, f.subjects, f.moment, f.accepted !== null])));
  expect(items.length).toBe(keys.size);
  for (const item of items) expect(all.some((f) => item.includes(f.text.replaceAll("`", "")))).toBe(true);
  const own = items.find((item) => item.includes("touch/small") && item.includes("“pause”"))!;
  expect(own).toContain("accepted: only we press it <here>");
  const [open] = part(html, "findings").split("<h3>Accepted</h3>");
  expect(wordsOf(open)).not.toContain("only we press it");
});

test("the grid, the misses and the spans hold the figures of check, misses and spans", () => {
  const faces = facesOf(draft).slice(0, 1);
  const html = report(draft, { parts: ["grid", "spans", "misses"], faces });
  const rowOf = (name: string, control: string) => new RegExp(`<tr><th scope="row">${control}</th>(.*?)</tr>`).exec(part(html, name))![1];
  const cells = (row: string) => [...row.matchAll(/<td>(.*?)<\/td>/g)].map(([, cell]) => wordsOf(cell));
  const small = screens.map((screen) => {
    const own = faces
      .flatMap((face) => checkScreen(draft, screen, { ...face, moment: null }))
      .filter((f) => f.code === "touch/small" && f.subjects[0] === "pause");
    return `■${Math.min(...own.map((f) => f.measure!.value)).toFixed(1)}`;
  });
  expect(cells(rowOf("grid", "pause"))).toEqual(small);
  const hits = screens.map((screen) =>
    ofHundred(leastHit({ name: "", faces: faces.map((face) => missesInMoments(draft, screen, face)) }, "nudge")!.misses.hit),
  );
  expect(cells(rowOf("misses", "nudge"))).toEqual(hits);
  const drawn = new Set([...part(html, "spans").matchAll(/data-span="([^"]+)"/g)].map(([, span]) => span));
  for (const face of faces)
    for (const { code, intervals } of findAspectIntervals(draft, spanRange(draft), { ...face, moment: null }))
      for (const [a, b] of intervals)
        expect(
          [...drawn].some(
            (span) => span.startsWith(`${code} `) && Math.abs(Number(span.split(" ")[1]) - a) <= 5e-4 && Math.abs(Number(span.split(" ")[2]) - b) <= 5e-4,
          ),
        ).toBe(true);
});

test.each([1, 2, 3] as const)(
  "on the contact sheet every screen is drawn at the scale that is said, %i, or smaller where the paper is too narrow, and says so",
  (shrinks) => {
    const sheet = part(report(brackwater, { parts: ["sheet"], shrinks, faces: [], screens: catalogueFor("landscape") }), "sheet");
    const figures = [...sheet.matchAll(/<figure data-screen="([^"]+)"><svg [^>]*width="([\d.]+)mm"[\s\S]*?<figcaption>([\s\S]*?)<\/figcaption>/g)];
    expect(figures.map(([, name]) => name)).toEqual(catalogueFor("landscape").map((s) => s.name));
    for (const [, name, width, caption] of figures) {
      const screen = catalogueFor("landscape").find((s) => s.name === name)!;
      const times = screen.widthPx / pxPerMm(screen) / Number(width);
      expect(Number(width)).toBeLessThanOrEqual(CONTENT_MM);
      expect(times).toBeCloseTo(Math.round(times), 3);
      const told = Math.round(times) === shrinks ? null : `1 mm here is ${Math.round(times)} mm on the screen`;
      expect(caption.match(/1 mm here is \d+ mm on the screen/)?.[0] ?? null).toBe(told);
    }
  },
);

test("only the parts that are asked for, in their order; paper and progress as asked; a layout without anything is told too", () => {
  const steps: number[] = [];
  const html = makeReport(
    { layout: pigeonhole, digest: "", date: "", screens: screens.slice(0, 2), parts: ["findings", "layout"], paper: "letter" },
    (done, all) => steps.push(done / all),
  );
  expect([...html.matchAll(/<section id="part-(\w+)"/g)].map(([, name]) => name)).toEqual(["layout", "findings"]);
  expect(html).toContain("size: letter");
  expect(steps).toEqual([0, 0.5]);
  const bare: Layout = { ...brackwater, controls: [], actions: [], clusters: [], keepClear: [], moments: [], arrangements: [], together: [] };
  const empty = report(bare);
  expect(empty).toContain("No blockers and no warnings");
  expect(wordsOf(part(empty, "findings"))).toContain("Nothing is open.");
  expect(wordsOf(part(empty, "misses"))).toContain("No touch is meant for a picture here.");
  expect(wordsOf(part(empty, "spans"))).toContain("No findings at any aspect ratio.");
});

test("nothing in a layout becomes markup: names, reasons and words of the game are words", () => {
  const nasty = `"><img src=x onerror=alert(1)>`;
  const layout: Layout = {
    ...draft,
    name: nasty,
    controls: draft.controls.map((c) => ({ ...c, name: nasty })),
    moments: draft.moments.map((m) => ({ ...m, name: nasty })),
    accepted: [{ code: "touch/small", subjects: ["pause"], reason: nasty }],
  };
  const html = report(layout, { screens: [{ ...screens[0], name: nasty }], parts: QUICK });
  expect(html).not.toContain("<img");
  const texts = new XMLParser({ ignoreAttributes: true }).parse(/<body>([\s\S]*)<\/body>/.exec(html)![1].replaceAll("<br>", "<br/>")) as unknown;
  expect(JSON.stringify(texts)).toContain("onerror=alert(1)");
});
