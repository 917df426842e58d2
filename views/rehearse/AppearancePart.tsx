"use client";
/** What shows on the device that is rehearsed, and why; a touch, a key and a pad at a click. */
import { useSession, useSessionActions } from "../document/SessionContext";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { appearanceAfter, appearanceAtFirst, appearanceWords } from "./appearance";
import { setStage, useStage } from "./stageState";

export function AppearancePart() {
  const session = useSessionActions();
  const appear = useSession((s) => s.layout.appear);
  const appearance = useStage((s) => s.appearance);
  if (!appearance) return null;
  const { device, last } = appearance;
  return (
    <div role="group" aria-label="Visibility of the controls" className="flex min-h-7 flex-wrap items-center gap-2 border-b border-rule px-4 text-[0.75rem]">
      <span role="status" data-testid="appearance">
        {appearanceWords(appear, appearance)}
      </span>
      <span className="ml-auto flex items-center gap-1">
        <span className="caption">Try</span>
        {([null, "touch", "key", "pad"] as const).map((used) => (
          <button
            key={used ?? "first"}
            type="button"
            className="push h-6 px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent"
            aria-pressed={last === used}
            onClick={() => setStage(session, { appearance: used === null ? appearanceAtFirst(appear, device) : appearanceAfter(appear, appearance, used) })}
            {...readingProps(says("stage.try"), used ?? "nothing")}
          >
            {used === null ? "at the start" : `a ${used}`}
          </button>
        ))}
      </span>
    </div>
  );
}
