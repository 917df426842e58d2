import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const SOURCES = readdirSync(__dirname, { recursive: true, encoding: "utf8" }).filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name));

test("state of the interface has an owner: no module of the views has a variable or a store of its own", () => {
  const loose = SOURCES.flatMap((name) =>
    readFileSync(join(__dirname, name), "utf8")
      .split("\n")
      .filter((line) => /^(export )?(let|var) |^(export )?const \w+[^=]* = (createStore|create)\b/.test(line))
      .map((line) => `${name}: ${line}`),
  );
  expect(SOURCES.length).toBeGreaterThan(200);
  expect(loose).toEqual([]);
});
