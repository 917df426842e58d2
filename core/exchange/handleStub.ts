/**
 * A stub of the handle that changed code reads (core/exchange/codeChanges.ts), for languages in which we have no runtime and no port: values by
 * name, and what began or ended in this frame. The game fills it once a frame.
 */
import { familyOf } from "../scan/lex";
import type { Action, ActionKind } from "../format/types";
import { OF_FAMILY } from "./codeChanges";
import { languageWord, textLiteral, type ConstantLanguage } from "./constants";

/** Languages in which the web runtime or the header of C is used as it is. */
const HAVE_RUNTIME: ReadonlySet<ConstantLanguage> = new Set<ConstantLanguage>(["typescript", "c", "cpp"]);

/** What stands in a stub: a file, and its text. */
export interface HandleStub {
  readonly language: ConstantLanguage;
  readonly file: string;
  readonly text: string;
}

type Stated = Pick<Action, "name" | "kind" | "read">;

interface StubWriting {
  readonly file: string;
  /** The value at rest of a kind. */
  readonly rest: Readonly<Record<ActionKind, string>>;
  readonly write: (rests: readonly { readonly name: string; readonly rest: string }[]) => string;
}

const CSHARP: StubWriting = {
  file: "Controls.cs",
  rest: { press: "false", axis: "0f", vector: "new ActionValue(0f, 0f)", motion: "new ActionValue(0f, 0f)" },
  write: (rests) => `// The handle that the game reads its actions from. There is no Nodulum runtime for C#: once a frame, call BeginFrame, then Set
// for each action, from your touches, keys and pads.
using System.Collections.Generic;

/// <summary>The value of an action: true or false, a number, or x and y.</summary>
public struct ActionValue
{
    public readonly float x;
    public readonly float y;
    public ActionValue(float x, float y) { this.x = x; this.y = y; }
    public static implicit operator ActionValue(bool value) { return new ActionValue(value ? 1f : 0f, 0f); }
    public static implicit operator ActionValue(float value) { return new ActionValue(value, 0f); }
    public static implicit operator bool(ActionValue value) { return value.x != 0f || value.y != 0f; }
    public static implicit operator float(ActionValue value) { return value.x; }
}

public sealed class Controls
{
    private readonly Dictionary<string, ActionValue> values = new Dictionary<string, ActionValue>
    {
${rests.map(({ name, rest }) => `        { ${name}, ${rest} },`).join("\n")}
    };
    private readonly HashSet<string> rose = new HashSet<string>();
    private readonly HashSet<string> fell = new HashSet<string>();

    /// <summary>Begins a frame: nothing has begun or ended in it yet.</summary>
    public void BeginFrame() { rose.Clear(); fell.Clear(); }

    /// <summary>Sets the value of an action. An unknown name throws a KeyNotFoundException.</summary>
    public void Set(string name, ActionValue value)
    {
        bool was = values[name], now = value;
        if (now && !was) rose.Add(name);
        if (was && !now) fell.Add(name);
        values[name] = value;
    }

    /// <summary>The value of an action, as it was set last.</summary>
    public ActionValue Value(string name) { return values[name]; }
    /// <summary>Whether the action began in this frame.</summary>
    public bool Rose(string name) { return rose.Contains(name); }
    /// <summary>Whether the action ended in this frame.</summary>
    public bool Fell(string name) { return fell.Contains(name); }
}
`,
};

const PYTHON: StubWriting = {
  file: "controls.py",
  rest: { press: "False", axis: "0.0", vector: "Pair(0.0, 0.0)", motion: "Pair(0.0, 0.0)" },
  write: (rests) => `"""The handle that the game reads its actions from.

There is no Nodulum runtime for Python: once a frame, call begin_frame, then set for each action, from your touches, keys and pads.
"""
from collections import namedtuple

Pair = namedtuple("Pair", "x y")


def _is_on(value):
    return any(value) if isinstance(value, tuple) else bool(value)


class Controls:
    def __init__(self):
        self._values = {
${rests.map(({ name, rest }) => `            ${name}: ${rest},`).join("\n")}
        }
        self._rose = set()
        self._fell = set()

    def begin_frame(self):
        """Starts a frame: clears justPressed and justReleased."""
        self._rose.clear()
        self._fell.clear()

    def set(self, name, value):
        """Sets the value of an action: True or False, a number, or Pair(x, y). An unknown name raises a KeyError."""
        was, now = _is_on(self._values[name]), _is_on(value)
        if now and not was:
            self._rose.add(name)
        if was and not now:
            self._fell.add(name)
        self._values[name] = value

    def value(self, name):
        """The value of an action, as it was set last."""
        return self._values[name]

    def rose(self, name):
        """Whether the action began in this frame."""
        return name in self._rose

    def fell(self, name):
        """Whether the action ended in this frame."""
        return name in self._fell


controls = Controls()
`,
};

const LUA: StubWriting = {
  file: "controls.lua",
  rest: { press: "false", axis: "0", vector: "{ x = 0, y = 0 }", motion: "{ x = 0, y = 0 }" },
  write: (rests) => `-- The handle that the game reads its actions from. There is no Nodulum runtime for Lua: once a frame, call begin_frame, then set
-- for each action, from your touches, keys and pads.
local values = {
${rests.map(({ name, rest }) => `  [${name}] = ${rest},`).join("\n")}
}
local rose, fell = {}, {}
local controls = {}

local function known(name)
  if values[name] == nil then error("no action " .. tostring(name), 3) end
  return values[name]
end

local function is_on(value)
  if type(value) == "table" then return value.x ~= 0 or value.y ~= 0 end
  return value ~= false and value ~= 0
end

-- Begins a frame: nothing has begun or ended in it yet.
function controls:begin_frame()
  rose, fell = {}, {}
end

-- Sets the value of an action: true or false, a number, or a table with x and y.
function controls:set(name, value)
  local was, now = is_on(known(name)), is_on(value)
  if now and not was then rose[name] = true end
  if was and not now then fell[name] = true end
  values[name] = value
end

-- The value of an action, as it was set last.
function controls:value(name)
  return known(name)
end

-- Whether the action began in this frame.
function controls:rose(name)
  return known(name) ~= nil and rose[name] == true
end

-- Whether the action ended in this frame.
function controls:fell(name)
  return known(name) ~= nil and fell[name] == true
end

return controls
`,
};

const STUBS: Partial<Record<ConstantLanguage, StubWriting>> = { csharp: CSHARP, python: PYTHON, lua: LUA };

/** The languages of some files in which there is no runtime and no port, by their names; those of which the list is written in where one is chosen. */
export function languagesWithoutRuntime(files: readonly string[], language: ConstantLanguage | null): string[] {
  if (language !== null) return HAVE_RUNTIME.has(language) ? [] : [languageWord(language)];
  const words = files.flatMap((name) => {
    const family = familyOf(name);
    if (family === "go") return ["Go"];
    return HAVE_RUNTIME.has(OF_FAMILY[family]) ? [] : [languageWord(OF_FAMILY[family])];
  });
  return [...new Set(words)];
}

/** The stubs for the languages of some files, with the actions that the game reads; none for a language that has a runtime or no stub. */
export function handleStubs(files: readonly string[], actions: readonly Stated[], language: ConstantLanguage | null): HandleStub[] {
  const languages = language === null ? files.map((name) => OF_FAMILY[familyOf(name)]) : [language];
  return [...new Set(languages)].flatMap((each) => {
    const stub = STUBS[each];
    if (!stub) return [];
    const rests = actions.filter((a) => a.read).map(({ name, kind }) => ({ name: textLiteral(name, each), rest: stub.rest[kind] }));
    return [{ language: each, file: stub.file, text: stub.write(rests) }];
  });
}
