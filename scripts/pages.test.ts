import { readFileSync } from "node:fs";
import { findingsPage, formatPage } from "./pages";
import { playedPage } from "./playedPage";

test.each([
  ["docs/FINDINGS.md", (_: string) => findingsPage()],
  ["docs/FORMAT.md", formatPage],
  ["docs/PLAYED.md", playedPage],
])("%s is as the code has it (npm run docs writes it anew)", (file, page) => {
  const text = readFileSync(file, "utf8");
  expect(page(text)).toBe(text);
});

test("the worked example comes to what its text says", () => {
  const page = readFileSync("docs/FORMAT.md", "utf8");
  expect(page).toContain("One unit is 2 px.");
  expect(page).toContain("| `helm` | 200, 480, 400, 400 | 160, 440, 480, 480 | 200 |");
  expect(page).toContain("| `horn` | 2226, 480, 120, 120 | 2196, 450, 180, 180 | – |");
});

test("the example of the played file comes to what was worked out by hand", () => {
  const page = readFileSync("docs/PLAYED.md", "utf8");
  expect(page).toContain("One unit is 2 px.");
  expect(page).toContain("| `helm` | 200, 500, 400, 400 | 180, 480, 440, 440 | 200 |");
  expect(page).toContain("| `horn` | 1700, 650, 200, 200 | 1680, 630, 240, 240 | – |");
  expect(page).toContain("| 1 | 20 | [0.3375,0.45] | false |");
  expect(page).toContain("| 2 | 40 | [0.3375,0.45] | true |");
  expect(page).toContain("| 3 | 60 | [0.3375,0.45] | false |");
});
