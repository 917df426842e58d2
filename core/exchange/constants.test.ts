import fc from "fast-check";
import { lex, type Family } from "../scan/lex";
import { CONSTANT_LANGUAGES, constantsFile, identifiersOf, type ConstantLanguage } from "./constants";
import { repeated } from "../../test/repeated";

const FAMILY: Readonly<Record<ConstantLanguage, Family>> = {
  typescript: "script",
  csharp: "csharp",
  c: "c",
  cpp: "cpp",
  java: "java",
  kotlin: "kotlin",
  swift: "swift",
  dart: "dart",
  lua: "lua",
  rust: "rust",
  python: "python",
};
const press = (name: string) => ({ name, kind: "press" as const, read: true });
/** The texts of a file of constants, as the language itself would read them; the error message of the Lua file is not one. */
const textsIn = (file: string, language: ConstantLanguage) =>
  lex(file, FAMILY[language])
    .flatMap((t) => (t.kind === "text" && t.whole ? [t.text] : []))
    .filter((t) => t !== "no action ");

test.each(CONSTANT_LANGUAGES)("%s: the texts are the names to the letter, whatever is in them", (language) => {
  const name = fc
    .string({ minLength: 1, maxLength: 20, unit: "grapheme" })
    .filter((n) => !/[\u0000-\u001f\u007f-\u009f]|[\ud800-\udfff](?![\udc00-\udfff])/.test(n) && n.isWellFormed());
  const tricky = fc.constantFrom(
    'say "hi"',
    "back\\slash",
    "$cash",
    "${x}",
    "#{x}",
    "Größe",
    "帆",
    "🚤",
    "a\u0000b".replace("\u0000", " "),
    "what??!",
    "class",
    "1st",
    "  two  ",
    "\\u0041",
  );
  fc.assert(
    fc.property(fc.uniqueArray(fc.oneof(tricky, name), { minLength: 1, maxLength: 8 }), (names) => {
      expect(textsIn(constantsFile("Any “game”", names.map(press), language), language)).toEqual(names);
    }),
    { numRuns: repeated(150) },
  );
});

test.each(CONSTANT_LANGUAGES)("%s: identifiers are plain, none of them alike", (language) => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.string({ minLength: 1, maxLength: 12 }), { maxLength: 12 }), (names) => {
      const ids = identifiersOf(names, language);
      for (const id of ids) expect(id).toMatch(/^[A-Za-z_][A-Za-z0-9_]*$/);
      expect(new Set(ids.map((id) => id.toLowerCase())).size).toBe(names.length);
    }),
  );
});

test("names that meet are numbered, the language's own words set aside, only what is read is written", () => {
  expect(identifiersOf(["tow line", "tow_line", "towLine", "3rd gear", "…"], "typescript")).toEqual(["towLine", "towLine2", "towLine3", "a3rdGear", "action"]);
  expect(identifiersOf(["tow line", "Größe"], "rust")).toEqual(["TOW_LINE", "GROSSE"]);
  expect(identifiersOf(["default", "switch"], "swift")).toEqual(["defaultAction", "switchAction"]);
  expect(constantsFile("Brackwater", [press("horn"), { ...press("idle"), read: false }, { name: "helm", kind: "vector", read: true }], "csharp")).toBe(
    `// The actions of Brackwater, exactly as their names are. Written by Nodulum; write it anew when they change.
public static class Actions
{
    public const string Horn = "horn"; // press
    public const string Helm = "helm"; // vector
}
`,
  );
});
