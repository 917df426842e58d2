/** A document to print: whole in one HTML file, needs no network, runs nothing. */
import { escaped } from "../drawing/svgElement";

interface DocumentParts {
  readonly title: string;
  readonly style: string;
  /** Markup that is whole already. */
  readonly content: string;
}

/** The file. */
export function documentHtml({ title, style, content }: DocumentParts): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<meta name="viewport" content="width=device-width">
<title>${escaped(title)}</title>
<style>${style}</style>
</head>
<body>
<main>
${content}
</main>
</body>
</html>
`;
}
