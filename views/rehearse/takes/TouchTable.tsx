"use client";
/** The touches as a table: of those meant for each control, what took them, and how far from its middle they lay. */
import { isEqual } from "../../../core/engine/equal";
import { touchTable, type TouchFate, type TouchMark } from "../../../core/rehearsal/touchMarks";
import { FATE_WORDS, FateShape } from "./TouchMarks";
import { useEvery } from "./useEvery";

interface Props {
  readonly controls: readonly string[];
  readonly nameOf: (id: string) => string;
  readonly marks: () => readonly TouchMark[];
}

const FATES: readonly TouchFate[] = ["meant", "another", "game", "nothing"];

export function TouchTable({ controls, nameOf, marks }: Props) {
  const rows = useEvery(400, () => touchTable(controls, marks()), isEqual);
  const stray = useEvery(400, () => marks().filter((m) => m.kind === "down" && m.meant === null).length);
  const mm = (value: number | null) => (value === null ? "–" : `${value.toFixed(1)} mm`);
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_13rem] overflow-y-auto">
      <table className="h-fit w-full text-[0.75rem]">
        <caption className="sr-only">Touches on each control and within 5 mm of it</caption>
        <thead className="sticky top-0 bg-paper text-left text-muted">
          <tr>
            {["control", "touches", "took it", "another took", "nothing took", "from the middle", "spread"].map((word, i) => (
              <th key={word} scope="col" className={`border-b border-rule px-3 py-1 font-normal ${i > 0 ? "text-right" : ""}`}>
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.control} className="h-[1.375rem] border-b border-rule" data-touch-row={row.control}>
              <th scope="row" className="px-3 text-left font-normal">
                {nameOf(row.control)}
              </th>
              {[row.touches, row.itself, row.another, row.nothing].map((count, i) => (
                <td key={i} className={`figure px-3 text-right ${count === 0 ? "text-muted" : i === 3 ? "text-blocker" : i === 2 ? "text-warning" : ""}`}>
                  {count}
                </td>
              ))}
              <td className="figure px-3 text-right">{mm(row.meanMm)}</td>
              <td className="figure px-3 text-right">{mm(row.spreadMm)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="grid content-start gap-1 border-l border-rule p-3 text-[0.75rem]">
        <p className="caption">On the glass: a touch that was taken</p>
        <ul className="grid gap-1">
          {FATES.map((fate) => (
            <li key={fate} className="flex items-center gap-2">
              <svg width={16} height={16} viewBox="-8 -8 16 16" aria-hidden className="rounded-sm bg-[#0c141b]">
                <FateShape fate={fate} r={5} />
              </svg>
              {FATE_WORDS[fate]}
            </li>
          ))}
        </ul>
        <p className="caption">Filled: touch start. Ring: slid in. Hollow: release.</p>
        {stray > 0 && (
          <p>
            <span className="figure">{stray}</span> started more than 5 mm from every picture.
          </p>
        )}
      </div>
    </div>
  );
}
