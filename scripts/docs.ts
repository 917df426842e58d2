/** `npm run docs`: writes docs/FINDINGS.md and the tables of docs/FORMAT.md from the code. The test beside it fails where they have drifted. */
import { readFileSync, writeFileSync } from "node:fs";
import { formatPage, findingsPage } from "./pages";

writeFileSync("docs/FINDINGS.md", findingsPage());
writeFileSync("docs/FORMAT.md", formatPage(readFileSync("docs/FORMAT.md", "utf8")));
