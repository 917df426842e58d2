/** Rewrites layout files in canonical form: `npm run canonical -- samples/x.nodulum.json`. For files edited by hand. */
import { readFileSync, writeFileSync } from "node:fs";
import { readLayout } from "../core/format/parse";
import { writeLayout } from "../core/format/write";
import { problemText } from "../core/engine/result";

for (const file of process.argv.slice(2)) {
  const layout = readLayout(readFileSync(file, "utf8"));
  if (!layout.ok) {
    console.error(`${file}: ${problemText(layout.problems)}`);
    process.exitCode = 2;
  } else writeFileSync(file, writeLayout(layout.value));
}
