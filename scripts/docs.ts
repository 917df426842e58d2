/** `npm run docs`: writes THIRD-PARTY.md, docs/architecture.svg, docs/FINDINGS.md, views/words/glossary.ts, the tables of docs/FORMAT.md and docs/PLAYED.md and their examples from the code. The test next to it fails where they have drifted. */
import { readFileSync, writeFileSync } from "node:fs";
import { architectureSvg } from "./graph";
import { thirdPartyPage } from "./licences";
import { formatPage, findingsPage } from "./pages";
import { playedPage } from "./playedPage";
import { wordsModule } from "./wordsModule";

writeFileSync("THIRD-PARTY.md", thirdPartyPage(readFileSync("THIRD-PARTY.md", "utf8")));
writeFileSync("docs/architecture.svg", architectureSvg());
writeFileSync("docs/FINDINGS.md", findingsPage());
writeFileSync("views/words/glossary.ts", wordsModule(readFileSync("docs/GLOSSARY.md", "utf8")));
writeFileSync("docs/FORMAT.md", formatPage(readFileSync("docs/FORMAT.md", "utf8")));
writeFileSync("docs/PLAYED.md", playedPage(readFileSync("docs/PLAYED.md", "utf8")));
