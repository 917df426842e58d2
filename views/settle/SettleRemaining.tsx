"use client";
/** Lists remaining findings with the reason: constraints that cannot all be met, drawn on the narrowest screen, and options with their cost. */
import { counted } from "../../core/derived/counted";
import type { Unsolved } from "../../core/settle/unsolved";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { useSession } from "../document/SessionContext";
import { named, nameOf } from "../document/names";
import { scenarioName, remainingGroups } from "../document/settle/settleWords";
import type { Proposal } from "../document/settle/settleState";
import { Ways } from "./Ways";
import { narrowestScenario, ConstraintPicture } from "./ConstraintPicture";

/** Maximum number of remaining findings without a reason that are listed separately. */
const MOST_OTHERS = 6;

export function SettleRemaining({ proposal }: { proposal: Proposal }) {
  const layout = useSession((s) => s.layout);
  const { settled } = proposal;
  const groups = remainingGroups(settled.remaining);
  const unsolvedFor = (code: string, subjects: readonly string[]) =>
    settled.unsolved.find((one) => one.code === code && one.subjects.join() === subjects.join());
  const told = groups.map((group) => ({ group, unsolved: unsolvedFor(group[0].finding.code, group[0].finding.subjects) }));
  const others = told.filter(({ unsolved }) => !unsolved);
  return (
    <>
      {told
        .filter(({ unsolved }) => unsolved)
        .map(({ group, unsolved }) => {
          const { code, severity, subjects } = group[0].finding;
          const screens = new Set(group.map(({ scenario }) => settled.scenarios[scenario].screen.name)).size;
          return (
            <article
              key={`${code} ${subjects.join()}`}
              className="grid gap-1 border-t border-rule pt-1"
              data-no-way={code}
              aria-label={`${code} of ${subjects.map((id) => nameOf(layout, id)).join(" and ")}`}
            >
              <h3>
                <span className={SEVERITY_CLASS[severity]}>
                  <span aria-hidden>{SEVERITY_MARK[severity]}</span> {code}
                </span>{" "}
                {subjects.map((id) => nameOf(layout, id)).join(" and ")} <span className="caption">on {counted(screens, "screen")}</span>
              </h3>
              <Explanation proposal={proposal} unsolved={unsolved!} />
            </article>
          );
        })}
      {others.length > 0 && (
        <ul aria-label="Other remaining findings" className="grid gap-0.5">
          {others.slice(0, MOST_OTHERS).map(({ group }) => {
            const { code, severity, subjects } = group[0].finding;
            return (
              <li key={`${code} ${subjects.join()}`} className="text-[0.75rem]">
                <span className={SEVERITY_CLASS[severity]}>
                  <span aria-hidden>{SEVERITY_MARK[severity]}</span> {code}
                </span>{" "}
                {subjects.map((id) => nameOf(layout, id)).join(" and ")}{" "}
                <span className="caption">first on {scenarioName(settled.scenarios[group[0].scenario])}</span>
              </li>
            );
          })}
          {others.length > MOST_OTHERS && <li className="caption">and {others.length - MOST_OTHERS} more</li>}
        </ul>
      )}
    </>
  );
}

function Explanation({ proposal, unsolved }: { proposal: Proposal; unsolved: Unsolved }) {
  const layout = useSession((s) => s.layout);
  const scenario = narrowestScenario(proposal, unsolved);
  return (
    <>
      <div className="grid grid-cols-[auto_minmax(0,1fr)] gap-2">
        <ConstraintPicture proposal={proposal} unsolved={unsolved} scenario={scenario} />
        <div className="text-[0.75rem]">
          {unsolved.proved ? (
            <>
              <p>These cannot all be met:</p>
              <ul className="list-disc pl-4">
                {unsolved.constraints.map((constraint) => (
                  <li key={constraint}>{named(layout, constraint)}</li>
                ))}
              </ul>
              <p>
                At least <span className="figure">{unsolved.shortMm!.toFixed(1)} mm</span> short.
              </p>
            </>
          ) : (
            <p>No solution was found. It is not proved that there is none.</p>
          )}
        </div>
      </div>
      <Ways label="Options" ways={unsolved.suggestions} />
    </>
  );
}
