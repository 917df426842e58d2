"use client";
/** The words on a control in other languages, one a line, and a new one. */
import { Plus, X } from "lucide-react";
import { useState } from "react";
import type { Control } from "../../../core/format/types";
import { TypedField } from "../../../ui/Typed";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { directionOf, languageName } from "../../document/languages";
import type { ChangeEach } from "../../fields/form/entries";
import { TEXTS } from "../../../core/format/limits";

type Look = Control["look"];
interface Props {
  readonly controls: readonly Control[];
  readonly change: ChangeEach<Control, Partial<Look>>;
}

/** Of one control. */
export function Labels({ controls, change }: Props) {
  const session = useSessionActions();
  const [tag, setTag] = useState("");
  const [{ look }] = controls;
  const { labels } = look;
  const without = (language: string) => Object.fromEntries(Object.entries(labels).filter(([known]) => known !== language));
  const add = () => {
    const language = tag.trim();
    if (language === "") return;
    if (Object.hasOwn(labels, language)) return session.tell({ text: `There is already a word in ${languageName(language)}.`, tone: "problem" });
    if (change("word in a language", ({ look }) => ({ labels: { ...look.labels, [language]: look.label } }))) setTag("");
  };
  const more = says("look.addLanguage");
  return (
    <div role="group" aria-label="Translations">
      {Object.entries(labels).map(([language, text]) => (
        <div key={language} className="field-row" data-row>
          <span className="field-name">{languageName(language)}</span>
          <span className="flex gap-0.5" dir={directionOf(language)}>
            <TypedField
              bare
              label={`Word in ${languageName(language)}`}
              value={text}
              placeholder="none"
              reads={says("look.language", { language: languageName(language) })}
              onCommit={(next) => change("word in a language", ({ look }) => ({ labels: { ...look.labels, [language]: next } }))}
            />
            <button
              className="grid size-6 shrink-0 place-items-center"
              aria-label={`No word in ${languageName(language)}`}
              onClick={() => change("word in a language", () => ({ labels: without(language) }))}
            >
              <X size={12} />
            </button>
          </span>
        </div>
      ))}
      <form
        className="field-row"
        data-row
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <label className="field-name" htmlFor="new-language">
          Language
        </label>
        <span className="flex gap-0.5">
          <input
            id="new-language"
            maxLength={TEXTS.languageTag.most}
            className="box h-6 w-full min-w-0 px-1.5"
            placeholder="de, ar, pt-BR"
            value={tag}
            onChange={(event) => setTag(event.target.value)}
            {...readingProps(more)}
          />
          <button className="grid size-6 shrink-0 place-items-center" aria-label="Add the language" {...readingProps(more)}>
            <Plus size={13} />
          </button>
        </span>
      </form>
    </div>
  );
}
