"use client";
/** Play in my page: the your own address development page, what it does with the edits, and the words it asks for in vain. */
import { useState, type FormEvent } from "react";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { playInPage, useTuning, type TuningState } from "./tuning";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

const WORDS: Readonly<Record<TuningState["phase"], string>> = {
  none: "",
  waiting: "Waiting for the page to connect: it calls tuned(handle) from nodulum-runtime/tuned.",
  live: "The page plays this layout and gets every edit at once.",
  closed: "The page was closed.",
};

export function PlayInPage() {
  const session = useSessionActions();
  const { phase, address, problem, asked, unreadable } = useTuning();
  const [refused, setRefused] = useState<string | null>(null);
  const open = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setRefused(playInPage(session, String(new FormData(event.currentTarget).get("address"))));
  };
  return (
    <section className="grid gap-2" aria-label="In your game">
      <h2 className="heading">In your game</h2>
      <p>Opens your development page, which plays this layout while you edit it. Your released game is not affected.</p>
      <form className="flex flex-wrap gap-2" onSubmit={open}>
        <input
          name="address"
          maxLength={FIELD_LETTERS.address}
          className="box h-[1.625rem] w-full min-w-0 px-2"
          defaultValue={address}
          placeholder="http://localhost:8080/"
          aria-label="Address of your page"
          {...readingProps(says("tuning.address"), address || "none yet")}
        />
        <button className="push">Open my page</button>
      </form>
      {refused && (
        <p role="alert" className="text-blocker">
          {refused}
        </p>
      )}
      <p role="status" className="caption" data-testid="tuning-state">
        {WORDS[phase]}
      </p>
      {problem && (
        <p role="alert" className="text-blocker">
          The page rejected the last edit: {problem}
        </p>
      )}
      {unreadable > 0 && (
        <p role="alert" className="text-blocker" data-testid="unreadable">
          The page sent an unreadable message (<span className="figure">{unreadable.toLocaleString("en")}</span> {unreadable === 1 ? "time" : "times"}). It was
          ignored.
        </p>
      )}
      {asked.length > 0 && (
        <ul aria-label="Unknown names" className="grid gap-0.5 text-[0.75rem]">
          {asked.map(({ word, times, nearest }) => (
            <li key={word}>
              <span className="figure">{word}</span>{" "}
              <span className="caption">
                requested {times} ×, unknown{nearest && `; did you mean ${nearest}?`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
