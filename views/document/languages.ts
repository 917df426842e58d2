/** Languages by their tags (BCP 47): what they are called, and which way they are written. */

/** Scripts written from right to left (ISO 15924). */
const RIGHT_TO_LEFT = new Set(["Adlm", "Arab", "Hebr", "Mand", "Nkoo", "Rohg", "Samr", "Syrc", "Thaa", "Yezi"]);

/** What a language is called in English; its tag where nobody knows. */
export function languageName(tag: string): string {
  try {
    return new Intl.DisplayNames(["en"], { type: "language" }).of(tag) ?? tag;
  } catch {
    return tag;
  }
}

/** Which way the words of a language run, by the script it is most likely written in (CLDR, likely subtags). */
export function directionOf(tag: string | null): "ltr" | "rtl" {
  try {
    return tag !== null && RIGHT_TO_LEFT.has(new Intl.Locale(tag).maximize().script ?? "") ? "rtl" : "ltr";
  } catch {
    return "ltr";
  }
}
