import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { newAction } from "../editing/edits/actions";
import type { Action, Layout } from "../format/types";
import { changesIn } from "./codeChanges";
import { constantFile, constantsFile } from "./constants";
import { handleStubs, languagesWithoutRuntime } from "./handleStub";

const NOTHING = { actions: [], moments: [] } as unknown as Layout;
const action = (name: string, kind: Action["kind"]): Action => newAction(NOTHING, name, kind);
const ACTIONS = [action('go "up"', "press"), action("turn", "axis"), action("helm", "vector")];
const CALLEES = ["input.pressed(…)", "input.just_pressed(…)", "input.was_released(…)", "input.axis(…)", "input.vector(…)"];

/** A game of three frames as strangers write it, before its reads are changed, and how it is run. */
interface Game {
  readonly file: string;
  readonly source: string;
  readonly commands: readonly (readonly string[])[];
}

const GAMES: Readonly<Record<string, Game>> = {
  python: {
    file: "game.py",
    source: `import actions
from controls import Pair, controls

def frame():
    out = []
    if input.pressed("go \\"up\\""): out.append("held")
    if input.just_pressed("go \\"up\\""): out.append("began")
    if input.was_released("go \\"up\\""): out.append("ended")
    if input.axis("turn") < -0.5: out.append("turns")
    if not input.pressed("go \\"up\\""): out.append("free")
    way = input.vector("helm")
    out.append("%g %g" % (way.x, way.y))
    print(", ".join(out))

controls.set(actions.GO_UP, True)
controls.set(actions.HELM, Pair(0.5, -1))
frame()
controls.begin_frame()
controls.set(actions.TURN, -1)
frame()
controls.begin_frame()
controls.set(actions.GO_UP, False)
frame()
`,
    commands: [["python3", "game.py"]],
  },
  lua: {
    file: "game.lua",
    source: `local Actions = require("actions")
local controls = require("controls")

local function frame()
  local out = {}
  if input.pressed("go \\"up\\"") then table.insert(out, "held") end
  if input.just_pressed("go \\"up\\"") then table.insert(out, "began") end
  if input.was_released("go \\"up\\"") then table.insert(out, "ended") end
  if input.axis("turn") < -0.5 then table.insert(out, "turns") end
  if not input.pressed("go \\"up\\"") then table.insert(out, "free") end
  local way = input.vector("helm")
  table.insert(out, string.format("%g %g", way.x, way.y))
  print(table.concat(out, ", "))
end

controls:set(Actions.GO_UP, true)
controls:set(Actions.HELM, { x = 0.5, y = -1 })
frame()
controls:begin_frame()
controls:set(Actions.TURN, -1)
frame()
controls:begin_frame()
controls:set(Actions.GO_UP, false)
frame()
`,
    commands: [["lua5.4", "game.lua"]],
  },
  csharp: {
    file: "Game.cs",
    source: `using System;
using System.Collections.Generic;

public static class Game
{
    static readonly Controls controls = new Controls();
    static void Frame()
    {
        var parts = new List<string>();
        if (input.pressed("go \\"up\\"")) parts.Add("held");
        if (input.just_pressed("go \\"up\\"")) parts.Add("began");
        if (input.was_released("go \\"up\\"")) parts.Add("ended");
        if (input.axis("turn") < -0.5) parts.Add("turns");
        if (!input.pressed("go \\"up\\"")) parts.Add("free");
        var way = input.vector("helm");
        parts.Add(way.x.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture) + " " + way.y);
        Console.WriteLine(string.Join(", ", parts));
    }
    public static void Main()
    {
        controls.Set(Actions.GoUp, true);
        controls.Set(Actions.Helm, new ActionValue(0.5f, -1f));
        Frame();
        controls.BeginFrame();
        controls.Set(Actions.Turn, -1f);
        Frame();
        controls.BeginFrame();
        controls.Set(Actions.GoUp, false);
        Frame();
    }
}
`,
    commands: [
      ["mcs", "-out:game.exe", "Game.cs", "Actions.cs", "Controls.cs"],
      ["mono", "game.exe"],
    ],
  },
};

/** The source with every line changed as the list says. */
function changed({ file, source }: Game): string {
  const lines = source.split("\n");
  const changes = changesIn({ name: file, text: source }, { callees: CALLEES, actions: ACTIONS, language: null });
  for (const { line, stands, write, how } of changes) {
    expect(how).toBe("line");
    lines[line - 1] = lines[line - 1].replace(stands, () => write);
  }
  expect(changes).toHaveLength(6);
  return lines.join("\n");
}

const isThere = (tool: string) => spawnSync("sh", ["-c", `command -v ${tool}`]).status === 0;

for (const game of Object.values(GAMES)) {
  const tools = game.commands.map(([tool]) => tool);
  const withTools = tools.every(isThere) ? test : test.skip;
  withTools(`${game.file}: with its lines changed as listed, and the stub and constants beside it, the game runs (${tools.join(", ")})`, () => {
    const folder = mkdtempSync(join(tmpdir(), "nodulum-stub-"));
    const [stub] = handleStubs([game.file], ACTIONS, null);
    writeFileSync(join(folder, stub.file), stub.text);
    writeFileSync(join(folder, constantFile(stub.language)), constantsFile({ name: "Tug", actions: ACTIONS }, stub.language));
    writeFileSync(join(folder, game.file), changed(game));
    const done = game.commands.map(([tool, ...args]) => spawnSync(tool, args, { cwd: folder, encoding: "utf8" }));
    expect(done.map((d) => d.stderr)).toEqual(done.map(() => ""));
    expect(done[done.length - 1].stdout).toBe("held, began, 0.5 -1\nheld, turns, 0.5 -1\nended, turns, free, 0.5 -1\n");
    rmSync(folder, { recursive: true });
  });
}

test("languages without a runtime are named, each once; of some there is a stub", () => {
  const files = ["a.ts", "b.cpp", "c.c", "d.swift", "e.swift", "f.py", "g.go"];
  expect(languagesWithoutRuntime(files, null)).toEqual(["Swift", "Python", "Go"]);
  expect(languagesWithoutRuntime(files, "lua")).toEqual(["Lua"]);
  expect(languagesWithoutRuntime(files, "typescript")).toEqual([]);
  expect(handleStubs(files, ACTIONS, null).map((s) => s.file)).toEqual(["controls.py"]);
  expect(handleStubs(files, ACTIONS, "csharp").map((s) => s.file)).toEqual(["Controls.cs"]);
});
