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

/** What is in a stub: a file, and its text. */
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
  rest: { press: "false", axis: "0f", vector: "new ActionValue(0f, 0f)", motion: "new ActionValue(0f, 0f)", delta: "0f" },
  write: (rests) => `// The handle from which the game reads its actions. There is no Nodulum runtime for C#: in each frame, call BeginFrame, then Set
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
    private readonly HashSet<string> pressed = new HashSet<string>();
    private readonly HashSet<string> released = new HashSet<string>();

    /// <summary>Starts a frame: clears JustPressed and JustReleased.</summary>
    public void BeginFrame() { pressed.Clear(); released.Clear(); }

    /// <summary>Sets the value of an action. An unknown name throws a KeyNotFoundException.</summary>
    public void Set(string name, ActionValue value)
    {
        bool was = values[name], now = value;
        if (now && !was) pressed.Add(name);
        if (was && !now) released.Add(name);
        values[name] = value;
    }

    /// <summary>The value of an action, last set.</summary>
    public ActionValue Value(string name) { return values[name]; }
    /// <summary>Whether the action was pressed in this frame.</summary>
    public bool JustPressed(string name) { return pressed.Contains(name); }
    /// <summary>Whether the action was released in this frame.</summary>
    public bool JustReleased(string name) { return released.Contains(name); }
}
`,
};

const PYTHON: StubWriting = {
  file: "controls.py",
  rest: { press: "False", axis: "0.0", vector: "Pair(0.0, 0.0)", motion: "Pair(0.0, 0.0)", delta: "0.0" },
  write: (rests) => `"""The handle from which the game reads its actions.

There is no Nodulum runtime for Python: in each frame, call begin_frame, then set for each action, from your touches, keys and pads.
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
        self._pressed = set()
        self._released = set()

    def begin_frame(self):
        """Starts a frame: clears just_pressed and just_released."""
        self._pressed.clear()
        self._released.clear()

    def set(self, name, value):
        """Sets the value of an action: True or False, a number, or Pair(x, y). An unknown name raises a KeyError."""
        was, now = _is_on(self._values[name]), _is_on(value)
        if now and not was:
            self._pressed.add(name)
        if was and not now:
            self._released.add(name)
        self._values[name] = value

    def value(self, name):
        """The value of an action, last set."""
        return self._values[name]

    def just_pressed(self, name):
        """Whether the action was pressed in this frame."""
        return name in self._pressed

    def just_released(self, name):
        """Whether the action was released in this frame."""
        return name in self._released


controls = Controls()
`,
};

const LUA: StubWriting = {
  file: "controls.lua",
  rest: { press: "false", axis: "0", vector: "{ x = 0, y = 0 }", motion: "{ x = 0, y = 0 }", delta: "0" },
  write: (rests) => `-- The handle from which the game reads its actions. There is no Nodulum runtime for Lua: in each frame, call begin_frame, then set
-- for each action, from your touches, keys and pads.
local values = {
${rests.map(({ name, rest }) => `  [${name}] = ${rest},`).join("\n")}
}
local pressed, released = {}, {}
local controls = {}

local function known(name)
  if values[name] == nil then error("no action " .. tostring(name), 3) end
  return values[name]
end

local function is_on(value)
  if type(value) == "table" then return value.x ~= 0 or value.y ~= 0 end
  return value ~= false and value ~= 0
end

-- Starts a frame: clears just_pressed and just_released.
function controls:begin_frame()
  pressed, released = {}, {}
end

-- Sets the value of an action: true or false, a number, or a table with x and y.
function controls:set(name, value)
  local was, now = is_on(known(name)), is_on(value)
  if now and not was then pressed[name] = true end
  if was and not now then released[name] = true end
  values[name] = value
end

-- The value of an action, last set.
function controls:value(name)
  return known(name)
end

-- Whether the action was pressed in this frame.
function controls:just_pressed(name)
  return known(name) ~= nil and pressed[name] == true
end

-- Whether the action was released in this frame.
function controls:just_released(name)
  return known(name) ~= nil and released[name] == true
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
