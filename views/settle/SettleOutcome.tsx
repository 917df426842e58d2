"use client";
/** What a proposal comes to: the slider from before to after, what is found before and after, how often controls are missed. */
import { RangeSlider } from "../../ui/Range";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { nameOf } from "../document/names";
import { distinctTally, scenarioName, screensWith } from "../document/settle/settleWords";
import { showPart, useSettle, type Proposal } from "../document/settle/settleState";

const percent = (part: number) => `${Math.round(part * 100)} %`;
const WORDS = { blocker: "blockers", warning: "warnings", note: "notes" } as const;

export function SettleOutcome({ proposal }: { proposal: Proposal | null }) {
  if (!proposal)
    return <p className="caption">The result lists what moved, how far and why; the glass shows before and after. Nothing changes until you apply it.</p>;
  if (proposal.settled.moves.length === 0 && proposal.settled.kind === "clean") return <p className="caption">Nothing needs to move.</p>;
  const [was, is] = [distinctTally(proposal.before), distinctTally(proposal.after)];
  return (
    <>
      <PartSlider />
      <table className="w-full text-left text-[0.75rem]" aria-label="Findings before and after">
        <Heads names={["found", "before", "after", "on screens"]} />
        <tbody>
          {(["blocker", "warning", "note"] as const).map((severity) => (
            <tr key={severity} className="border-t border-rule" data-settle-tally={severity}>
              <th scope="row" className={`font-normal ${SEVERITY_CLASS[severity]}`}>
                <span aria-hidden>{SEVERITY_MARK[severity]}</span> {WORDS[severity]}
              </th>
              <td className="figure text-right">{was[severity]}</td>
              <td className="figure text-right">{is[severity]}</td>
              <td className="figure pl-3 text-right text-muted">
                {screensWith(proposal.before, severity)} → {screensWith(proposal.after, severity)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Missed proposal={proposal} />
    </>
  );
}

/** The heads of a table of figures: the first is that of the names. */
function Heads({ names }: { names: readonly string[] }) {
  return (
    <thead className="caption">
      <tr>
        {names.map((name, i) => (
          <th key={name} scope="col" className={`font-normal ${i > 0 ? "pl-3 text-right" : ""}`}>
            {name}
          </th>
        ))}
      </tr>
    </thead>
  );
}

/** From before to after, on the glass and in the picture. */
function PartSlider() {
  const session = useSessionActions();
  const part = useSettle((s) => s.part);
  return (
    <div className="grid grid-cols-[auto_1fr_auto] items-center gap-2">
      <span className="caption">Before</span>
      <RangeSlider
        label="From before to after"
        value={[part]}
        min={0}
        max={1}
        step={0.05}
        onChange={([value]) => showPart(session, value)}
        reads={says("settle.part")}
        shown={percent(part)}
      />
      <span className="caption">After</span>
    </div>
  );
}

/** So many controls are reported. */
const MOST_TOLD = 4;

function Missed({ proposal: { settled } }: { proposal: Proposal }) {
  const layout = useSession((s) => s.layout);
  if (!settled.misses || settled.misses.length === 0) return null;
  return (
    <table className="w-full text-left text-[0.75rem]" aria-label="Misses before and after">
      <Heads names={["missed, worst case", "before", "after"]} />
      <tbody>
        {settled.misses.slice(0, MOST_TOLD).map(({ id, before, after }) => (
          <tr key={id} className="border-t border-rule">
            <th
              scope="row"
              className="font-normal"
              title={`${scenarioName(settled.scenarios[before.scenario])} · after: ${scenarioName(settled.scenarios[after.scenario])}`}
            >
              {nameOf(layout, id)}
            </th>
            <td className="figure text-right">{(before.rate * 100).toFixed(1)} %</td>
            <td className="figure text-right">{(after.rate * 100).toFixed(1)} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
