"use client";
/** The page that plays by itself, made here as the command line makes it. */
import { useState } from "react";
import { compile } from "../../core/format/compile";
import { playingPage } from "../../core/exchange/playingPage";
import { readingProps } from "../../ui/reading";
import { says } from "../reading/sentences";
import { useSessionActions } from "../session/context";
import { fileNameFor } from "../../core/exchange/fileName";
import { saveText } from "../shared/download";

/** Where the script of the page stands beside the application (scripts/build-page.mjs). */
const SCRIPT = "/nodulum-page.js";

export function PageParcel() {
  const { store } = useSessionActions();
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    setProblem(null);
    try {
      const answer = await fetch(SCRIPT);
      if (!answer.ok) throw new Error(`its script was answered with ${answer.status}`);
      const { layout } = store.getState();
      saveText(fileNameFor(layout.name, ".html"), playingPage({ layout, played: compile(layout), script: await answer.text() }), "text/html");
    } catch (error) {
      setProblem(`The page could not be made: ${error instanceof Error ? error.message : String(error)}.`);
    }
  };
  return (
    <section className="grid gap-2" aria-label="A page that plays by itself">
      <h2 className="heading">A page that plays by itself</h2>
      <p>One HTML file with the layout, the runtime and the test yard: for a phone in the hand, without network. It records takes.</p>
      <button type="button" className="push justify-self-start" onClick={() => void save()} {...readingProps(says("handoff.page"))}>
        Save the page
      </button>
      {problem && (
        <p role="alert" className="text-blocker">
          {problem}
        </p>
      )}
    </section>
  );
}
