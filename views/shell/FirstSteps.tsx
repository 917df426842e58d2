"use client";
/** The first steps as a line below the title strip: what to do next, and the four of them, ticked off as they are done. */
import { Check, Circle, X } from "lucide-react";
import type { Layout, Serve } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { says } from "./reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import type { SessionState } from "../document/sessionState";
import { navigate } from "./navigate";
import { VIEWS, type ViewPath } from "./views";
import { closeFirstSteps, FIRST_STEPS, useFirstSteps, type FirstStep } from "./firstStepsState";

const WORD: Readonly<Record<FirstStep, string>> = {
  grown: "Create a control",
  felt: "Try a stick",
  mended: "Fix a screen",
  taken: "Export a file",
};

/** What to do next, and the view in which it is done. */
interface Step {
  readonly at: ViewPath;
  readonly words: string;
}

/** The action to begin with: the first that nothing on the glass serves, else the first of all. */
function firstAction({ actions, controls }: Layout): string | null {
  const served = new Set(controls.flatMap((c) => (c.serves as readonly Serve[]).map((s) => s.action)));
  return (actions.find((a) => a.read && a.touch === "wanted" && !served.has(a.name)) ?? actions[0])?.name ?? null;
}

/** A screen in view with a blocker or warning, or null. */
const brokenScreen = (findings: SessionState["findings"]) => Object.entries(findings).find(([, { tally }]) => tally.blocker + tally.warning > 0)?.[0] ?? null;

function nextStep(deed: FirstStep, layout: Layout, findings: SessionState["findings"]): Step | null {
  switch (deed) {
    case "grown": {
      const name = firstAction(layout);
      return name === null
        ? { at: "/actions", words: "Add the actions that your game reads." }
        : { at: "/layout", words: `Drag ${name} from the ledger onto the glass, or press Enter on it.` };
    }
    case "felt": {
      const stick = layout.controls.find((c) => c.kind === "stick") ?? layout.controls[0];
      return stick ? { at: "/rehearse", words: `Move ${stick.name} with the mouse.` } : null;
    }
    case "mended": {
      const screen = brokenScreen(findings);
      return screen === null ? null : { at: "/layout", words: `${screen} has findings: open it on the bench and apply a fix.` };
    }
    case "taken":
      return { at: "/handoff", words: "Download the layout file." };
  }
}

export function FirstSteps({ path }: { path: string }) {
  const { list, done } = useFirstSteps();
  if (list !== "shown" || path === "/welcome") return null;
  return <Line path={path} done={done} />;
}

function Line({ path, done }: { path: string; done: readonly FirstStep[] }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const findings = useSession((s) => s.findings);
  const next = FIRST_STEPS.filter((deed) => !done.includes(deed)).flatMap((deed) => nextStep(deed, layout, findings) ?? [])[0] as Step | undefined;
  const view = VIEWS.find((v) => v.path === next?.at);
  return (
    <section aria-label="First steps" className="flex h-8 items-center gap-3 border-b border-rule bg-paper px-3">
      <p className="flex min-w-0 flex-1 items-center gap-2" role="status">
        <span className="heading shrink-0">{next ? "Next" : "Done"}</span>
        <span className="truncate">
          {next ? next.words : done.length === FIRST_STEPS.length ? "All four done. You can close this list." : "Nothing to fix here."}
        </span>
        {next && view && path !== next.at && (
          <button type="button" className="push h-6 shrink-0 px-2" onClick={() => navigate(next.at)}>
            Go to {view.word}
          </button>
        )}
      </p>
      <ul className="flex shrink-0 gap-3 text-[0.75rem]">
        {FIRST_STEPS.map((deed) => (
          <li key={deed} className={`flex items-center gap-1 ${done.includes(deed) ? "text-muted" : ""}`} data-deed={deed} data-done={done.includes(deed)}>
            {done.includes(deed) ? <Check size={13} aria-hidden className="text-accent" /> : <Circle size={9} aria-hidden />}
            {WORD[deed]}
            <span className="sr-only">{done.includes(deed) ? ": done" : ": not yet"}</span>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="push push-bare h-6 shrink-0"
        onClick={() => closeFirstSteps(session)}
        aria-label="Close the first steps"
        {...readingProps(says("deeds.close"))}
      >
        <X size={14} />
      </button>
    </section>
  );
}
