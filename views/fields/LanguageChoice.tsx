"use client";
/** In which language the words on the controls are shown; absent where they are in one alone. */
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { languageName } from "../document/languages";
import { languagesOf, showLanguage, useLanguage } from "../document/language";

export function LanguageChoice() {
  const session = useSessionActions();
  const tags = useSession((s) => languagesOf(s.layout).join(" "));
  const language = useLanguage();
  if (tags === "") return null;
  const known = tags.split(" ");
  const shown = language !== null && known.includes(language) ? language : "";
  return (
    <label className="flex items-center gap-1">
      <span className="caption">Words</span>
      <select
        aria-label="Word language"
        className="box h-6 px-0.5 text-[0.6875rem]"
        value={shown}
        onChange={(event) => showLanguage(session, event.target.value || null)}
        {...readingProps(says("bar.language"), shown === "" ? "the words as written" : languageName(shown))}
      >
        <option value="">as written</option>
        {known.map((tag) => (
          <option key={tag} value={tag}>
            {languageName(tag)}
          </option>
        ))}
      </select>
    </label>
  );
}
