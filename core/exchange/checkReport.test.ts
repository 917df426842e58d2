import { sampleLayouts } from "../../test/samples";
import { changeLook } from "../editing/edits/controls";
import { plainScreen } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import { readBaseline } from "./baseline";
import { checkedPlayers, checkScreens, reportText, type ReportFormat } from "./checkReport";

const [harbour] = sampleLayouts();
const screens = [plainScreen("Wide", 2400, 1080, 411), plainScreen("Small", 1334, 750, 326)];
const player = { handed: "right", playerSize: 1, moment: null } as const;

/** Brackwater with a long word on a faint button, before a backdrop. */
function withFaintWord(workbench: Partial<Layout["workbench"]>): Layout {
  const grey = { fill: "#808080", line: "#808080", ink: "#808080", opacity: 1 };
  const next = changeLook(harbour, "horn", { rest: grey, label: "a word that fits nowhere", art: undefined, hideAtRest: "none" });
  if (!next.ok) throw new Error("the horn is a button");
  return { ...next.value, workbench: { ...next.value.workbench, ...workbench } };
}
const plain = withFaintWord({ backdrop: "plain", colour: "#808080" });
const still = withFaintWord({ backdrop: "harbour" });

function printed(format: ReportFormat, layout: Layout, all = false): string {
  const results = [...checkScreens(layout, screens, checkedPlayers(layout, player, all))];
  return reportText(format, { file: "a.nodulum.json", layout, results, known: () => false, failOn: "blocker" });
}

test("looks are findings like all others, in every format, with the same figures", () => {
  const { screens: found } = JSON.parse(printed("json", plain)) as {
    screens: { findings: { code: string; subjects: string[]; measure: { value: number } }[] }[];
  };
  for (const { findings } of found) {
    const of = (code: string) => findings.find((f) => f.code === code && f.subjects[0] === "horn")!;
    expect(of("look/faint").measure).toEqual({ value: 1, unit: "ratio" });
    expect(of("look/overflow").measure.value).toBeLessThan(2);
  }
  for (const format of ["text", "junit", "sarif"] as const) {
    const text = printed(format, plain);
    for (const code of ["look/faint", "look/overflow"]) expect(text.split(code).length - 1).toBeGreaterThanOrEqual(screens.length);
    expect(text).not.toMatch(/not judged(?::| on)/);
  }
});

test("where the backdrop cannot be decoded it is said once per screen that faint looks are not judged, and why", () => {
  for (const format of ["text", "json", "junit", "sarif"] as const)
    for (const all of [false, true]) {
      const text = printed(format, still, all);
      expect(text.split("cannot be decoded outside the browser").length - 1).toBe(screens.length);
      expect(text).toContain("look/overflow");
    }
  const read = readBaseline(printed("json", still));
  expect(read.ok).toBe(true);
});
