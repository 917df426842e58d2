/**
 * A reader of XML as drawings have it: elements, attributes, text. It takes well-formed XML 1.0 without an internal subset (no entities of
 * its own), and refuses all else; it does not fetch, expand or repair anything. Depth and number of elements are bounded.
 */

/** An element with its attributes in order, entities in them resolved. `text`: what is in it directly. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: readonly (readonly [name: string, value: string])[];
  readonly children: readonly XmlElement[];
  readonly text: string;
}

/** The root and all elements in document order, or why the text is not taken, as the end of a sentence. */
export type XmlRead = { readonly root: XmlElement; readonly elements: readonly XmlElement[] } | { readonly problem: string };

/** Drawings are not nested deeper; browsers' own readers stop somewhere beyond it. */
const MOST_DEEP = 256;
const MOST_ATTRIBUTES = 256;

interface Open {
  name: string;
  attributes: [string, string][];
  children: XmlElement[];
  text: string;
}

const NAME = /[A-Za-z_][\w.-]*(?::[A-Za-z_][\w.-]*)?/y;
const SPACE = /[ \t\r\n]*/y;
const ENTITIES: ReadonlyMap<string, string> = new Map([
  ["amp", "&"],
  ["lt", "<"],
  ["gt", ">"],
  ["quot", '"'],
  ["apos", "'"],
]);

/** A fault of the text, found while it is read. */
class Fault extends Error {}

/** Reads a text; of more than `most` elements it is refused. */
export function readXml(source: string, most: number): XmlRead {
  try {
    return readDocument(source, most);
  } catch (error) {
    if (error instanceof Fault) return { problem: error.message };
    throw error;
  }
}

function readDocument(source: string, most: number): XmlRead {
  const elements: XmlElement[] = [];
  const open: Open[] = [];
  let root: XmlElement | null = null;
  let at = source.startsWith("\uFEFF") ? 1 : 0;
  const broken = (what: string): never => {
    throw new Fault(`is broken XML at character ${at + 1}: ${what}`);
  };
  const begin = (element: Open) => {
    if (open.length === 0 && root !== null) broken("a second root");
    if (elements.length >= most) throw new Fault(`is too large: an SVG holds at most ${most.toLocaleString("en")} elements`);
    if (open.length >= MOST_DEEP) throw new Fault(`is too deep: elements are nested more than ${MOST_DEEP} deep`);
    elements.push(element);
    if (open.length === 0) root = element;
    else open[open.length - 1].children.push(element);
  };
  while (at < source.length) {
    const tag = source.indexOf("<", at);
    const between = source.slice(at, tag < 0 ? source.length : tag);
    if (open.length > 0) open[open.length - 1].text += resolved(between, at);
    else if (between.trim() !== "") broken("text outside the root");
    if (tag < 0) break;
    at = tag;
    if (source.startsWith("<!--", at)) at = after(source, "-->", at + 4);
    else if (source.startsWith("<![CDATA[", at)) {
      const end = after(source, "]]>", at);
      if (open.length === 0) broken("text outside the root");
      open[open.length - 1].text += source.slice(at + 9, end - 3);
      at = end;
    } else if (source.startsWith("<?", at)) at = instruction(source, at);
    else if (source.startsWith("<!", at)) at = doctype(source, at, root !== null);
    else if (source[at + 1] === "/") {
      const name = nameAt(source, at + 2);
      const top = open.pop();
      if (top?.name !== name) broken(`</${name.slice(0, 40)}> closes nothing`);
      at = skipSpace(source, at + 2 + name.length);
      if (source[at] !== ">") broken("a tag that does not end");
      at += 1;
    } else {
      const tagged = startTag(source, at);
      begin(tagged.element);
      if (!tagged.closed) open.push(tagged.element);
      at = tagged.end;
    }
  }
  if (open.length > 0) broken(`<${open[open.length - 1].name.slice(0, 40)}> is not closed`);
  return root === null ? broken("no element") : { root, elements };
}

const fault = (at: number, what: string) => new Fault(`is broken XML at character ${at + 1}: ${what}`);

function after(source: string, end: string, from: number): number {
  const at = source.indexOf(end, from);
  if (at < 0) throw fault(from, `no ${end}`);
  return at + end.length;
}

/** `<?xml … ?>` alone; a style sheet from elsewhere comes as one of these. */
function instruction(source: string, at: number): number {
  if (!/^<\?xml[\s?]/.test(source.slice(at, at + 6))) throw new Fault("contains a processing instruction, which may load something from outside; remove it");
  return after(source, "?>", at);
}

/** `<!DOCTYPE svg …>` without an internal subset, before the root. */
function doctype(source: string, at: number, late: boolean): number {
  const end = after(source, ">", at);
  const text = source.slice(at, end);
  if (late || !/^<!DOCTYPE\s/i.test(text)) throw fault(at, "a declaration in the wrong place");
  if (text.includes("[")) throw new Fault("declares entities of its own; write them out");
  return end;
}

function nameAt(source: string, at: number): string {
  NAME.lastIndex = at;
  const match = NAME.exec(source);
  if (!match) throw fault(at, "no name");
  return match[0];
}

function skipSpace(source: string, at: number): number {
  SPACE.lastIndex = at;
  return at + SPACE.exec(source)![0].length;
}

function startTag(source: string, from: number): { readonly element: Open; readonly closed: boolean; readonly end: number } {
  const name = nameAt(source, from + 1);
  const attributes: [string, string][] = [];
  const seen = new Set<string>();
  let at = from + 1 + name.length;
  for (;;) {
    const spaced = skipSpace(source, at);
    if (source[spaced] === ">") return { element: { name, attributes, children: [], text: "" }, closed: false, end: spaced + 1 };
    if (source.startsWith("/>", spaced)) return { element: { name, attributes, children: [], text: "" }, closed: true, end: spaced + 2 };
    if (spaced === at) throw fault(at, "no space before an attribute");
    const key = nameAt(source, spaced);
    if (seen.has(key)) throw fault(spaced, `${key.slice(0, 40)} appears twice`);
    if (seen.size >= MOST_ATTRIBUTES) throw new Fault(`is too large: an element has more than ${MOST_ATTRIBUTES} attributes`);
    seen.add(key);
    const equals = skipSpace(source, spaced + key.length);
    const quoteAt = skipSpace(source, equals + 1);
    const quote = source[quoteAt];
    if (source[equals] !== "=" || (quote !== '"' && quote !== "'")) throw fault(spaced, `${key.slice(0, 40)} has no value in quotation marks`);
    const end = source.indexOf(quote, quoteAt + 1);
    if (end < 0) throw fault(quoteAt, "a value that does not end");
    const value = source.slice(quoteAt + 1, end);
    if (value.includes("<")) throw fault(quoteAt, "a < within a value");
    attributes.push([key, resolved(value, quoteAt)]);
    at = end + 1;
  }
}

/** A text with its entities resolved: the five of XML, and characters by number. */
function resolved(text: string, at: number): string {
  if (!text.includes("&")) return text;
  return text.replace(/&([^;&\s]{0,12};)?/g, (whole) => {
    const name = whole.slice(1, -1);
    const known = ENTITIES.get(name);
    if (known !== undefined) return known;
    const code = /^#x[0-9a-f]+$/i.test(name) ? parseInt(name.slice(2), 16) : /^#\d+$/.test(name) ? Number(name.slice(1)) : NaN;
    if (!(code > 0 && code <= 0x10ffff) || (code >= 0xd800 && code <= 0xdfff)) throw fault(at, `an entity that XML does not know: ${whole.slice(0, 20)}`);
    return String.fromCodePoint(code);
  });
}
