import { ASKED_IN_PLAY, scanPlayedWords } from "./watchedNames";
import { compareWords, gatherReads } from "./foundWords";

const file = (more: object) => JSON.stringify({ format: "nodulum-words", version: 1, ...more });

test("words read in play are held against the ledger as code is: known, new, nearly the same", () => {
  const found = scanPlayedWords(
    file({
      words: [
        { word: "helm", times: 400, nearest: null },
        { word: "hron", times: 3, nearest: "horn" },
        { word: "anchor", times: 1, nearest: null },
      ],
    }),
  )!;
  expect(found.reads.map(({ word, callee, line }) => [word, callee, line])).toEqual([
    ["helm", ASKED_IN_PLAY, 1],
    ["hron", ASKED_IN_PLAY, 2],
    ["anchor", ASKED_IN_PLAY, 3],
  ]);
  const reads = gatherReads(found.reads.map((read) => ({ ...read, file: "played.json" })));
  const told = JSON.stringify(
    compareWords(reads, new Set([ASKED_IN_PLAY]), [
      { name: "helm", kind: "vector" },
      { name: "horn", kind: "press" },
    ] as never),
  );
  expect(told).toContain("hron");
  expect(told).toContain("anchor");
});

test("keys that went down are told as keys; what says nothing is passed over; another file is none of these", () => {
  expect(scanPlayedWords(file({ keys: [{ code: "KeyW", times: 4 }, { code: 7 }, null, "Space"], words: [{ word: "" }, { word: "x".repeat(65) }] }))).toEqual({
    reads: [],
    standards: [{ sort: "key", value: "KeyW", line: 1, purpose: "", isShared: false }],
  });
  for (const other of ["{}", "[]", "nodulum-words", `{"format":"other","note":"nodulum-words"}`, "null", ""]) expect(scanPlayedWords(other)).toBeNull();
});
