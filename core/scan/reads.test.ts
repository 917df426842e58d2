import fc from "fast-check";
import { familyOf } from "./lex";
import { scanSource } from "./reads";
import { compareStandards, compareWords, gatherReads, nearPairs, rankCallees, type FileRead } from "./foundWords";
import { repeated } from "../../test/repeated";

/** The same small game in each language: reads written the way people write them there, and texts that are no reads. */
const SOURCES: Readonly<Record<string, string>> = {
  "helm.ts": `import { input } from "./input"; // input.pressed("never")
if (input.pressed("horn")) sound.play("horn.ogg");
const way = input.vector('helm');
switch (event.action) { case "towline": toggle(); break; }
const path = \`img/\${name}.png\`;`,
  "Helm.cs": `using Game; /* Input.GetButton("never") */
if (Input.GetButtonDown("horn")) Audio.Play($"{dir}/horn");
float turn = Input.GetAxis("helm");
if (action.Name == "towline") Toggle();`,
  "helm.cpp": `#include "input.h"
if (input->isDown("horn")) play(R"(horn "loud")");
float turn = controls.axis("helm");
if ("towline" == action.name) toggle();`,
  "Helm.java": `if (input.isPressed("horn")) { log.info("horn sounded"); }
float turn = input.getAxis("helm");
switch (action) { case "towline" -> toggle(); }`,
  "helm.kt": `if (input.isPressed("horn")) play("horn $loud")
val turn = input.axis("helm")
when (action) { "towline" -> toggle() }`,
  "helm.swift": `if input.isPressed("horn") { play("horn") }
let turn = input.axis("helm")
switch action { case "towline": toggle(); default: break }`,
  "helm.dart": `if (input.isPressed('horn')) play('horn.ogg');
final turn = input.axis('helm');
if (action == 'towline') toggle();`,
  "helm.lua": `-- input:pressed("never")
if input:pressed("horn") then play("horn.ogg") end
local turn = input:axis("helm")
if action == "towline" then toggle() end`,
  "helm.rs": `if input.pressed("horn") { play("horn.ogg"); }
let turn = input.axis("helm");
match action { "towline" => toggle(), _ => {} }`,
  "helm.py": `"""input.pressed("never")"""
if input.pressed("horn"): play(f"{name}.ogg")
turn = input.axis("helm")
if action == "towline": toggle()`,
};

test.each(Object.keys(SOURCES))("%s: each word is found with its line, what asks for it, and its likely kind", (file) => {
  const { reads } = scanSource(SOURCES[file], familyOf(file));
  const of = (word: string) => reads.filter((r) => r.word === word && /input|controls|action/i.test(r.callee));
  const lineOf = (text: string) => SOURCES[file].split("\n").findIndex((l) => l.includes(text) && !/^(?:--|\/\/|""")/.test(l.trim())) + 1;
  expect(of("horn")).toHaveLength(1);
  expect(of("horn")[0]).toMatchObject({ kind: "press", shape: "call" });
  expect(of("helm")[0]).toMatchObject({ kind: file === "helm.ts" ? "vector" : "axis", line: lineOf('helm")') || lineOf("helm')") });
  expect(of("towline")[0]).toMatchObject({ shape: "compare", kind: "press", line: lineOf("towline") });
  expect(reads.map((r) => r.word)).not.toContain("never");
});

test("what is read by the web's standards stands against what is bound here", () => {
  const files = [
    ["a.js", 'if (e.code === "KeyW" || e.code === "KeyQ") go(); pad.axes[1];'],
    ["b.js", 'if (e.code === "KeyW") stop();'],
  ] as const;
  const standards = files.flatMap(([file, text]) => scanSource(text, "c").standards.map((s) => ({ ...s, file })));
  const found = compareStandards(standards, [{ name: "helm", ends: ["key KeyW"] }], (a) => a.ends);
  expect(found.map((f) => [f.end, f.actions, f.occurrences.map((p) => p.file)])).toEqual([
    ["key KeyQ", [], ["a.js"]],
    ["pad axis 1", [], ["a.js"]],
    ["key KeyW", ["helm"], ["a.js", "b.js"]],
  ]);
});

test("the web's own standards need no saying", () => {
  const { standards, reads } = scanSource(
    `addEventListener("keydown", (e) => { if (e.code === "KeyW") up(); if (keys["Space"]) jump(); });
     const pad = navigator.getGamepads()[0]; if (pad.buttons[3].pressed) pump(); turn(pad.axes[0]);`,
    "script",
  );
  expect(standards.map((s) => `${s.sort} ${s.value} ${s.line}`)).toEqual(["key KeyW 1", "key Space 1", "pad-button 3 2", "pad-axis 0 2"]);
  expect(reads.map((r) => r.word)).toEqual(["keydown"]);
});

test("later arguments, places in lists, either side of a comparison", () => {
  const { reads } = scanSource(
    `on(player, "bell"); held["winch"] = 1; if ("flare" !== cmd.word) {} f(g("x"), "y"); ({ "key": 1 }); const s = "alone";`,
    "script",
  );
  expect(reads.map((r) => [r.word, r.callee])).toEqual([
    ["bell", "on(…)"],
    ["winch", "held[…]"],
    ["flare", "cmd.word == …"],
    ["x", "g(…)"],
    ["y", "f(…)"],
  ]);
});

const all = gatherReads(Object.entries(SOURCES).flatMap(([file, source]) => scanSource(source, familyOf(file)).reads.map((r) => ({ ...r, file }))));

test("callees that read words of the ledger come first, those that print or load come last", () => {
  const ranked = rankCallees(all, ["horn", "helm", "towline"]);
  const asking = ranked.filter((r) => r.known > 0);
  expect(asking.length).toBeGreaterThan(6);
  expect(ranked.slice(0, asking.length)).toEqual(asking);
  const place = (callee: string) => ranked.findIndex((r) => r.callee === callee);
  expect(place("input.pressed(…)")).toBeLessThan(place("sound.play(…)"));
  expect(place("input.axis(…)")).toBeLessThan(place("log.info(…)"));
  expect(rankCallees([], [])).toEqual([]);
});

test("against the ledger: new, known, gone, nearly the same", () => {
  const read = (word: string, line = 1): FileRead => ({
    word,
    callee: "in(…)",
    shape: "call",
    owner: "",
    isHandled: false,
    line,
    kind: "press",
    file: "winch.ts",
  });
  const reads = [read("tow_line", 48), read("horn", 3), read("flare", 9), { ...read("other"), callee: "print(…)" }];
  const actions = ["towline", "horn", "pump", "bell"].map((name) => ({ name, read: name !== "bell" }));
  expect(
    compareWords(gatherReads(reads), new Set(["in(…)"]), actions).map((w) => [w.word, w.state, w.near, w.occurrences.map((p) => `${p.file}:${p.line}`).join()]),
  ).toEqual([
    ["tow_line", "nearly", "towline", "winch.ts:48"],
    ["flare", "new", null, "winch.ts:9"],
    ["pump", "gone", null, ""],
    ["horn", "known", null, "winch.ts:3"],
  ]);
});

test("names that differ only in case, separators or one letter are pointed out", () => {
  expect(nearPairs(["Horn", "horn", "tow line", "tow_line", "anchor", "ancor", "left", "lift", "slot1", "slot2", "pump"])).toEqual([
    ["Horn", "horn"],
    ["tow line", "tow_line"],
    ["anchor", "ancor"],
  ]);
});

test("any source at all is scanned without a fault", () => {
  const piece = fc.constantFrom('"w"', "'", "a", ".", "(", ")", "[", "]", "==", "case ", "switch(x){", "=>", ",", "\n", "match x {", "}", "`", "::", "->", ":");
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 60 }), fc.constantFrom(...Object.keys(SOURCES)), (pieces, file) => {
      const source = pieces.join("");
      const { reads } = scanSource(source, familyOf(file));
      for (const r of reads) expect(r.line).toBeLessThanOrEqual(source.split("\n").length);
    }),
    { numRuns: repeated(400) },
  );
});

test("a way of the mouse that is read by itself is a delta, by its word or by the web's own standard; a whole movement is a motion", () => {
  const text = `yaw += input.getAxis("Mouse X") * speed; pitch += input.axis("look_vertical"); lean = input.axis("lean_x");
const way = input.mouseDelta("look"); const drag = input.motion("cameraX"); if (input.pressed("mouse_x")) go();
view.turn(event.movementX); view.tilt(-e.movementY); const init = { movementX: 4 }; event.movementX = 3;`;
  const { reads, standards } = scanSource(text, "c");
  expect(Object.fromEntries(reads.map(({ word, kind }) => [word, kind]))).toMatchObject({
    "Mouse X": "delta",
    look_vertical: "delta",
    lean_x: "axis",
    look: "motion",
    cameraX: "delta",
    mouse_x: "press",
  });
  expect(standards.map(({ sort, value, line }) => [sort, value, line])).toEqual([
    ["mouse-move", "x", 3],
    ["mouse-move", "y", 3],
  ]);
});
