"use client";
/** The figures of the span chart: over which aspects each finding holds, and where it is worst. */
import { readingProps } from "../../ui/reading";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { says } from "../shell/reading/sentences";
import { faceWords, measureWords } from "../../core/checks/faceWords";
import type { SpanRow } from "../../core/checks/spanRows";
import { rowWords } from "./spanWords";
import { useFaces } from "./useFaces";

export function SpanTable({ rows, onBench }: { rows: readonly SpanRow[]; onBench: (aspect: number) => void }) {
  const { layout, faces } = useFaces();
  return (
    <div className="min-h-0 overflow-auto border-l border-rule bg-sheet">
      <table className="w-full text-[0.6875rem]">
        <caption className="sr-only">Aspect ratios of each finding</caption>
        <thead className="sticky top-0 bg-sheet text-left text-muted">
          <tr>
            {["finding", "aspects", "worst"].map((word) => (
              <th key={word} scope="col" className="border-b border-rule px-2 py-1 font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-b border-rule align-top" data-span-row={`${row.profile.code} ${row.profile.subjects.join(" ")}`}>
              <th scope="row" className="border-b border-rule px-2 py-1 text-left font-normal">
                <span className={SEVERITY_CLASS[row.profile.severity]}>
                  {SEVERITY_MARK[row.profile.severity]} {row.profile.severity}
                </span>{" "}
                {rowWords(layout, row)}
                <span className="block text-muted">
                  {row.faces.length === faces.length ? "every player" : row.faces.map((f) => faceWords(faces[f])).join("; ")}
                </span>
              </th>
              <td className="figure border-b border-rule px-2 py-1 whitespace-nowrap">
                {row.profile.intervals.map(([from, to]) => (
                  <span key={from} className="block">
                    {from.toFixed(3)} … {to.toFixed(3)}
                  </span>
                ))}
              </td>
              <td className="figure border-b border-rule px-2 py-1 text-right whitespace-nowrap">
                <button
                  type="button"
                  className="min-h-6 underline"
                  onClick={() => onBench(row.profile.worst?.aspect ?? row.profile.intervals[0][0])}
                  {...readingProps(says("spans.worst"), (row.profile.worst?.aspect ?? row.profile.intervals[0][0]).toFixed(3))}
                >
                  {row.profile.worst ? measureWords(row.profile.worst) : "holds"}
                  <span className="block text-muted">at {(row.profile.worst?.aspect ?? row.profile.intervals[0][0]).toFixed(3)}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
