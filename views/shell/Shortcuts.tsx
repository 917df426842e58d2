"use client";
/** The list of shortcuts. */
import { Dialogue } from "../../ui/Dialogue";
import { readingProps } from "../../ui/reading";
import { says } from "./reading/sentences";
import { navigate } from "./navigate";
import { showFirstSteps } from "./firstStepsState";
import { keyList } from "../interaction/keyTable";
import { useSessionActions } from "../document/SessionContext";

export function Shortcuts({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const session = useSessionActions();
  return (
    <Dialogue title="Shortcuts" open={open} onOpenChange={onOpenChange} wide>
      <p className="mb-4 flex gap-1.5">
        <button
          className="push"
          onClick={() => {
            onOpenChange(false);
            navigate("/words");
          }}
          {...readingProps(says("words.open"))}
        >
          Glossary
        </button>
        <button
          className="push"
          onClick={() => {
            onOpenChange(false);
            showFirstSteps(session);
          }}
          {...readingProps(says("deeds.call"))}
        >
          First steps
        </button>
      </p>
      <div className="grid gap-5">
        {keyList().map(([heading, rows]) => (
          <section key={heading}>
            <h3 className="heading mb-1.5">{heading}</h3>
            <dl className="grid grid-cols-[16.25rem_1fr] gap-y-1">
              {rows.map(({ shown, words }) => (
                <div key={shown} className="contents">
                  <dt className="figure">{shown}</dt>
                  <dd>{words}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialogue>
  );
}
