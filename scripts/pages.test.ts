import { readFileSync } from "node:fs";
import { findingsPage, formatPage } from "./pages";

test.each([
  ["docs/FINDINGS.md", (_: string) => findingsPage()],
  ["docs/FORMAT.md", formatPage],
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
