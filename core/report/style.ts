/** The look of a report: a sheet of paper, light on every screen, as wide as A4 and letter both allow. */
import { FIGURES, FONT, INK } from "../drawing/ink";

export const PAPERS = ["a4", "letter"] as const;
export type Paper = (typeof PAPERS)[number];

/** What fits between the margins of either paper, mm: A4 is 210 wide, letter 215.9, the margins 14. */
export const CONTENT_MM = 182;

const SIZE: Readonly<Record<Paper, string>> = { a4: "A4", letter: "letter" };

export const reportStyle = (paper: Paper): string => `
@page { size: ${SIZE[paper]}; margin: 14mm; }
:root { color-scheme: light; }
* { box-sizing: border-box; }
body { margin: 0; background: #F4F1EA; color: ${INK.ink}; font: 9.5pt/1.4 ${FONT}; -webkit-print-color-adjust: exact; print-color-adjust: exact; }
main { width: ${CONTENT_MM}mm; margin: 0 auto; }
@media screen { main { margin: 8mm auto; padding: 14mm; box-sizing: content-box; background: #fff; border: 1px solid ${INK.rule}; } }
h1 { font-size: 20pt; line-height: 1.15; margin: 0 0 2mm; }
h2 { font-size: 13pt; margin: 9mm 0 2mm; padding-top: 2mm; border-top: 0.4mm solid ${INK.ink}; break-after: avoid; }
h3 { font-size: 10pt; margin: 4mm 0 1mm; break-after: avoid; }
p { margin: 0 0 2mm; break-inside: avoid; }
p.muted { break-after: avoid; }
.muted, caption, dt { color: ${INK.muted}; }
code, .figure { font-family: ${FIGURES}; font-size: 0.92em; font-variant-numeric: tabular-nums; }
.blocker { color: #A5281B; } .warning { color: #8A5A00; } .note { color: #4A6572; }
dl { display: grid; grid-template-columns: 32mm 1fr; gap: 0.6mm 3mm; margin: 0; }
dd { margin: 0; overflow-wrap: anywhere; }
table { border-collapse: collapse; width: 100%; font-size: 8.5pt; }
caption { text-align: left; padding-bottom: 1mm; }
th, td { text-align: left; vertical-align: top; padding: 0.7mm 2mm 0.7mm 0; border-bottom: 0.15mm solid ${INK.rule}; font-weight: normal; overflow-wrap: anywhere; }
thead th { color: ${INK.muted}; border-bottom-color: ${INK.ink}; }
thead { display: table-header-group; }
tr, figure { break-inside: avoid; }
td.n, th.n { text-align: right; font-family: ${FIGURES}; white-space: nowrap; }
table.cells { width: auto; font-size: 7pt; margin-bottom: 3mm; break-inside: avoid; }
table.cells th[scope=row] { width: 34mm; }
table.cells td { width: 10.4mm; padding: 0.5mm 0.3mm; text-align: center; font-family: ${FIGURES}; white-space: nowrap; border-left: 0.15mm solid ${INK.rule}; }
table.cells thead th { height: 30mm; padding: 0.5mm; vertical-align: bottom; border-left: 0.15mm solid ${INK.rule}; color: ${INK.ink}; }
table.cells thead th:first-child { border-left: 0; }
table.cells thead span { writing-mode: vertical-rl; transform: rotate(180deg); max-height: 29mm; overflow: hidden; line-height: 1.05; }
.sheet { display: flex; flex-wrap: wrap; gap: 5mm; align-items: flex-end; }
.sheet figure { margin: 0; }
.sheet figcaption { font-size: 8pt; line-height: 1.3; margin-top: 0.8mm; max-width: ${CONTENT_MM}mm; }
svg { display: block; max-width: 100%; }
ul.findings { list-style: none; margin: 0; padding: 0; }
ul.findings li { display: grid; grid-template-columns: 20mm 1fr; gap: 0 2mm; padding: 1mm 0; border-bottom: 0.15mm solid ${INK.rule}; break-inside: avoid; }
`;
