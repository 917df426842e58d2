import fc from "fast-check";
import { familyOf, lex, type Family } from "./lex";
import { repeated } from "../../test/repeated";

const texts = (source: string, family: Family) => lex(source, family).flatMap((t) => (t.kind === "text" ? [t.whole ? t.text : `${t.text}…`] : []));

test.each<[Family, string, string[]]>([
  ["script", `a("x"); // b("y")\n/* c("z") */ d('w')`, ["x", "w"]],
  ["script", "const s = `one ${f(`two`)} three` + `plain`", ["one  three…", "plain"]],
  ["script", `x.replace(/"/g, "q"); y = a / b / "c"`, ["q", "c"]],
  ["script", String.raw`f("a\"b\n\u0041\u{1F600}\x41")`, ['a"b\nA😀A']],
  ["csharp", `G(@"c:\\a ""b""", $"v{x}w", "p"); // "n"`, ['c:\\a "b"', "vw…", "p"]],
  ["csharp", `x = """raw "y" z""";`, ['raw "y" z']],
  ["cpp", `f(R"(a "b")", R"zz(c)" d)zz", u8"e", 'c', '\\'');`, ['a "b"', 'c)" d', "e"]],
  ["java", `String s = """\n  block\n  """; g("x"); char c = '"';`, ["\n  block\n  ", "x"]],
  ["kotlin", 'val a = "x${y("z")}w"; /* a /* nested */ "no" */ b("v")', ["xw…", "v"]],
  ["swift", String.raw`let a = "x\(y("z"))w"; let b = #"raw "q""#; /* /* */ "no" */ c("v")`, ["xw…", 'raw "q"', "v"]],
  ["dart", `f('a', r'b\\n', "c\${d}e", '''f''');`, ["a", "b\\n", "ce…", "f"]],
  ["lua", `f("a") -- g("b")\n--[[ h("c")\n ]] i[[long\nd]] j[==[e]]e]==]`, ["a", "long\nd", "e]]e"]],
  ["rust", `f("a"); r#"b "c""#; fn g<'a>(x: &'a str) { h('"', "d") } /* /* */ "no" */`, ["a", 'b "c"', "d"]],
  ["python", `f("a") # g("b")\nh('''c\nd''', r"e\\n", f"g{x}h")`, ["a", "c\nd", "e\\n", "gh…"]],
  ["c", `f("unended\ng("x")`, ["unended", "x"]],
])("%s: %s", (family, source, expected) => {
  expect(texts(source, family)).toEqual(expected);
});

test("lines are counted through comments and texts of several lines", () => {
  const tokens = lex("a\n/* one\ntwo */ b\n`three\nfour` c", "script");
  expect(tokens.map((t) => [t.kind, t.line])).toEqual([
    ["name", 1],
    ["name", 3],
    ["text", 4],
    ["name", 5],
  ]);
});

test("families by the ends of names", () => {
  expect(["a.TS", "b.cs", "c.h", "d.kt", "e.luau", "f.rs", "g.py", "h.unknown", "Makefile"].map(familyOf)).toEqual([
    "script",
    "csharp",
    "cpp",
    "kotlin",
    "lua",
    "rust",
    "python",
    "c",
    "c",
  ]);
});

const FAMILIES = ["script", "csharp", "cpp", "java", "kotlin", "swift", "dart", "lua", "rust", "python", "c"] as const;
test("any text at all is taken apart to its end, with lines that rise", () => {
  const piece = fc.constantFrom(
    '"',
    "'",
    "`",
    "\\",
    "\n",
    "/*",
    "*/",
    "//",
    "--",
    "[[",
    "]]",
    "${",
    "}",
    "#",
    "r#",
    'R"(',
    ')"',
    "word",
    "(",
    ")",
    "é",
    " ",
    '"""',
    "@",
    "$",
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 40 }), fc.constantFrom(...FAMILIES), (pieces, family) => {
      const source = pieces.join("");
      const tokens = lex(source, family);
      let last = 1;
      for (const token of tokens) {
        expect(token.line).toBeGreaterThanOrEqual(last);
        last = token.line;
      }
      expect(last).toBeLessThanOrEqual(source.split("\n").length);
    }),
    { numRuns: repeated(400) },
  );
});

test("a plain text comes back as it was written, in every family", () => {
  const plain = fc.stringMatching(/^[A-Za-z0-9 _.:-]{1,30}$/);
  fc.assert(
    fc.property(plain, fc.constantFrom(...FAMILIES), (word, family) => {
      expect(texts(`read("${word}")`, family)).toEqual([word]);
    }),
  );
});
