"use client";
/** What each rectangle is taken for: a guess with its reason, until somebody says otherwise. */
import type { ControlGuess, DrawnRectangle } from "../../../core/wiring/rectangles";
import { PORTS } from "../../../core/engine/types";
import type { ControlKind, Layout } from "../../../core/format/types";
import { Select } from "../../../ui/Select";
import { says } from "../../shell/reading/sentences";

export interface Choice {
  readonly taken: boolean;
  readonly kind: ControlKind;
  readonly action: string | null;
  readonly control: string | null;
}

interface Props {
  readonly layout: Layout;
  readonly rows: readonly (Choice & { readonly rectangle: DrawnRectangle })[];
  readonly guesses: readonly ControlGuess[];
  readonly onChange: (place: number, choice: Choice) => void;
}

const KIND_WORDS: Readonly<Record<ControlKind, string>> = {
  stick: "stick",
  dpad: "d-pad",
  button: "button",
  touchpad: "touchpad",
  swipe: "swipe",
  dial: "dial",
};
const KINDS = Object.keys(PORTS) as ControlKind[];
/** No ids or names of ours begin so. */
const NONE = "\u0000";

// oxlint-disable-next-line max-lines-per-function -- one list: each rectangle with its fields
export function RectangleList({ layout, rows, guesses, onChange }: Props) {
  return (
    <div className="max-h-[46vh] overflow-auto border border-rule" tabIndex={0} role="region" aria-label="Rectangles">
      <table className="w-full text-[0.75rem]">
        <thead>
          <tr className="caption">
            {["take", "name", "px", "is", "kind", "serves"].map((word) => (
              <th key={word} scope="col" className="sticky top-0 border-b border-edge bg-sheet px-1.5 py-1 text-left font-normal">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ rectangle, taken, kind, action, control }, i) => {
            const { name, box } = rectangle;
            const now: Choice = { taken, kind, action, control };
            const guess = guesses[i];
            return (
              <tr key={i} className={taken ? "" : "text-muted"} data-rectangle={name}>
                <td className="px-1.5 py-0.5">
                  <input
                    type="checkbox"
                    aria-label={`Import ${name}`}
                    className="accent-[var(--accent)]"
                    checked={taken}
                    onChange={(event) => onChange(i, { ...now, taken: event.target.checked })}
                  />
                </td>
                <th scope="row" className="max-w-[8rem] truncate px-1.5 text-left font-normal">
                  {name}
                </th>
                <td className="figure px-1.5 text-[0.6875rem] whitespace-nowrap text-muted">
                  {Math.round(box.w)} × {Math.round(box.h)}
                </td>
                <td className="px-1.5">
                  <Select
                    label={`What ${name} is`}
                    reads={says("rectangles.control")}
                    className="w-full"
                    value={control ?? NONE}
                    options={[[NONE, "new"], ...layout.controls.map((one) => [one.id, `move ${one.name}`] as const)]}
                    onChange={(id) => onChange(i, { ...now, control: id === NONE ? null : id })}
                  />
                </td>
                <td className="px-1.5">
                  {control === null ? (
                    <Select
                      label={`Kind of ${name}`}
                      reads={says("rectangles.kind", { why: kind === guess.kind ? `from ${guess.by}` : "chosen" })}
                      value={kind}
                      options={KINDS.map(
                        (one) => [one, `${KIND_WORDS[one]}${one === guess.kind && guess.by !== "from the file" ? ` · ${guess.by}` : ""}`] as const,
                      )}
                      onChange={(next) => onChange(i, { ...now, kind: KINDS.find((one) => one === next)! })}
                    />
                  ) : (
                    KIND_WORDS[layout.controls.find(({ id }) => id === control)?.kind ?? kind]
                  )}
                </td>
                <td className="px-1.5">
                  {control === null ? (
                    <Select
                      label={`Action of ${name}`}
                      reads={says("rectangles.action")}
                      className="w-full min-w-24"
                      value={action ?? NONE}
                      options={[[NONE, "nothing yet"], ...layout.actions.map((one) => [one.name, one.name] as const)]}
                      onChange={(next) => onChange(i, { ...now, action: next === NONE ? null : next })}
                    />
                  ) : (
                    "unchanged"
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
