/** views/words/glossary.ts: the terms of the interface, from docs/GLOSSARY.md. */

/** The module, made from the page's text. */
export function wordsModule(glossary: string): string {
  const words = [...glossary.matchAll(/^- \*\*(.+?)\*\* — (.+)$/gm)].map(([, word, means]) => ({ word, means }));
  const lines = words.map(({ word, means }) => `  { word: ${JSON.stringify(word)}, means: ${JSON.stringify(`${means[0].toUpperCase()}${means.slice(1)}`)} },`);
  return `/** The terms of the glossary, generated from docs/GLOSSARY.md by \`npm run docs\`. A test fails if the two differ. */\n// prettier-ignore\nexport const WORDS: readonly { readonly word: string; readonly means: string }[] = [\n${lines.join("\n")}\n];\n`;
}
