/** views/words/glossary.ts: the words of the interface, from docs/GLOSSARY.md. */

/** The module, made from the page's text. */
export function wordsModule(glossary: string): string {
  const part = glossary.split(/^## /m)[1];
  const words = [...part.matchAll(/^- \*\*(.+?)\*\* — (.+)$/gm)].map(([, word, means]) => ({ word, means }));
  const lines = words.map(({ word, means }) => `  { word: ${JSON.stringify(word)}, means: ${JSON.stringify(`${means[0].toUpperCase()}${means.slice(1)}`)} },`);
  return `/** The words of the interface, made from docs/GLOSSARY.md by \`npm run docs\`; a test fails where the two differ. */\n// prettier-ignore\nexport const WORDS: readonly { readonly word: string; readonly means: string }[] = [\n${lines.join("\n")}\n];\n`;
}
