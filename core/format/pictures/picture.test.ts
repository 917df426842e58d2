import fc from "fast-check";
import { pngOf, svgOf } from "../../../test/pictures";
import { bytesOf, decodeBase64, isBase64 } from "./base64";
import { canBeShown, pictureArea, pictureProblem } from "./picture";
import { jpegSize, pngSize, webpSize } from "./pixelSize";
import { decodeUtf8 } from "../utf8";
import { repeated } from "../../../test/repeated";

const base64 = (...bytes: (number | string)[]) =>
  Buffer.concat(bytes.map((b) => (typeof b === "string" ? Buffer.from(b, "latin1") : Buffer.from([b])))).toString("base64");
const bytes = (text: string) => new Uint8Array(Buffer.from(text, "base64"));

test("base64: what the platform decodes, byte by byte, all or the first of it", () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 80 }), fc.nat({ max: 90 }), (some, most) => {
      const text = Buffer.from(some).toString("base64");
      expect(isBase64(text)).toBe(true);
      expect(bytesOf(text)).toBe(some.length);
      expect([...decodeBase64(text)]).toEqual([...some]);
      expect([...decodeBase64(text, most)]).toEqual([...some.slice(0, most)]);
    }),
  );
  for (const wrong of ["A", "AAA", "AA=A", "A===", "AAAA=", "AA A", "AAA\n", "ÄÄÄÄ"]) {
    expect(isBase64(wrong)).toBe(false);
    expect(pictureProblem("image/png", wrong)).toContain("must be base64");
  }
});

test("UTF-8: as the platform's strict decoder reads it, and refuses it", () => {
  const strict = new TextDecoder("utf-8", { fatal: true, ignoreBOM: true });
  const byPlatform = (some: Uint8Array) => {
    try {
      return strict.decode(some);
    } catch {
      return null;
    }
  };
  fc.assert(
    fc.property(fc.string({ unit: "binary", maxLength: 40 }), (text) =>
      expect(decodeUtf8(new TextEncoder().encode(text))).toBe(byPlatform(new TextEncoder().encode(text))),
    ),
  );
  const lead = fc.constantFrom(0x41, 0x7f, 0x80, 0xbf, 0xc0, 0xc1, 0xc2, 0xdf, 0xe0, 0xed, 0xef, 0xf0, 0xf4, 0xf5, 0xff, 0x9f, 0xa0, 0x8f, 0x90);
  fc.assert(
    fc.property(fc.array(lead, { maxLength: 6 }), (some) => expect(decodeUtf8(new Uint8Array(some))).toBe(byPlatform(new Uint8Array(some)))),
    { numRuns: repeated(3000) },
  );
  expect(decodeUtf8(new TextEncoder().encode("ä€😀".repeat(5000)))).toBe("ä€😀".repeat(5000));
});

test("the size is what the bytes say, whatever the picture is called; what begins as no picture is never shown", () => {
  expect(pngSize(bytes(pngOf(300, 7)))).toEqual({ width: 300, height: 7 });
  // Headers by hand from RFC 9649 and ITU-T T.81.
  const riff = (kind: string, ...rest: (number | string)[]) => bytes(base64("RIFF", 40, 0, 0, 0, "WEBP", kind, 10, 0, 0, 0, ...rest, "\0".repeat(12)));
  expect(webpSize(riff("VP8X", 0, 0, 0, 0, 0x2b, 0x01, 0, 6, 0, 0))).toEqual({ width: 300, height: 7 });
  expect(webpSize(riff("VP8 ", 0, 0, 0, 0x9d, 0x01, 0x2a, 0x2c, 0x01, 7, 0))).toEqual({ width: 300, height: 7 });
  expect(webpSize(riff("VP8L", 0x2f, 0x2b, 0x81, 0x01, 0))).toEqual({ width: 300, height: 7 });
  expect(webpSize(riff("VP8?", 0, 0, 0, 0))).toBeNull();
  const jpeg = (...segments: (number | string)[]) => bytes(base64(0xff, 0xd8, ...segments, "\0".repeat(8)));
  const frame = [0xff, 0xc2, 0, 11, 8, 0, 7, 0x01, 0x2c, 1];
  expect(jpegSize(jpeg(...frame))).toEqual({ width: 300, height: 7 });
  expect(jpegSize(jpeg(0xff, 0xe1, 0, 6, "Exif", 0xff, 0xff, 0xd0, ...frame))).toEqual({ width: 300, height: 7 });
  expect(jpegSize(jpeg(0xff, 0xc4, 0, 4, 1, 2))).toBeNull();
  expect(pictureArea("image/webp", pngOf(300, 7))).toBe(2100);
  expect(canBeShown("image/webp", pngOf(300, 7))).toBe(true);
  for (const none of ["", "AAAA", base64("BM", "\0".repeat(60)), base64("GIF89a", "\0".repeat(60))]) {
    expect(pictureProblem("image/png", none)).toBeNull();
    expect(canBeShown("image/png", none)).toBe(false);
  }
});

const refused: readonly (readonly [string, RegExp])[] = [
  ["<script>alert(1)</script>", /a script/],
  ['<x:SCRIPT xmlns:x="http://www.w3.org/2000/svg"/>', /a script/],
  ["<foreignObject/>", /a foreign object/],
  ['<g onload="alert(1)"/>', /an event handler \(onload\)/],
  ['<g x:onClick="a" xmlns:x="http://example.org/"/>', /an event handler/],
  ['<image href="https://example.org/a.png"/>', /refers to something outside the file/],
  ['<image xlink:href="data:image/png;base64,AAAA" xmlns:xlink="http://www.w3.org/1999/xlink"/>', /refers to something outside the file/],
  ['<a href="&#106;avascript:alert(1)"/>', /refers to something outside the file/],
  ['<feImage href="//example.org"/>', /refers to something outside the file/],
  ['<g src="a"/>', /refers to something outside the file/],
  ['<g xml:base="https://example.org/"/>', /refers to something outside the file/],
  ['<g fill="url(https://example.org/#a)"/>', /a style that may refer to something outside/],
  ["<g fill=\"URL( '//a' )\"/>", /a style that may refer to something outside/],
  ['<g style="fill:u\\72l(//a)"/>', /a style that may refer to something outside/],
  ["<style>@import 'a.css';</style>", /a style that may refer to something outside/],
  ["<style><![CDATA[@font-face{src:url(a)}]]></style>", /a style that may refer to something outside/],
  ["<style>g{mask:url(#a)}</style>", /write them as attributes/],
  ['<set attributeName="xlink:href" to="https://example.org"/>', /animates a reference/],
  ['<g id="a"><use href="#a"/></g>', /in a circle/],
  ['<mask id="a"><g mask="url(#b)"/></mask><mask id="b"><g mask="url(#a)"/></mask>', /in a circle/],
  ["<g><g></g>", /broken XML at character \d+/],
  ["<g a='1' a='2'/>", /appears twice/],
  ["<g a=1/>", /no value in quotation marks/],
  ['<g a="<"/>', /a < within a value/],
  ["<g a='&unknown;'/>", /an entity that XML does not know/],
  ["<?xml-stylesheet href='a.css'?>", /a processing instruction/],
  ["<!DOCTYPE svg>", /a declaration in the wrong place/],
  ["<g>".repeat(300) + "</g>".repeat(300), /more than 256 deep/],
  [Array.from({ length: 400 }, (_, i) => `<linearGradient id="g${i}" href="#g${i + 1}"/>`).join(""), /nested more than 16 times/],
];

test.each(refused)("an SVG is refused: %s", (body, message) => expect(pictureProblem("image/svg+xml", svgOf(body))).toMatch(message));

test("drawings of every day are taken", () => {
  const whole = (text: string) => pictureProblem("image/svg+xml", Buffer.from(text).toString("base64"));
  expect(
    whole(`\uFEFF<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">
<!-- a lamp > a light -->
<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 10 10"><title>Fish &amp; chips &#8212; &lt;b&gt;</title>
<style>.a{fill:#123}</style><defs><linearGradient id="a"><stop offset="0"/></linearGradient><linearGradient id='b' xlink:href="#a"/>
<filter id="f"><feGaussianBlur stdDeviation="2"/></filter><symbol id="s"><path d="M0 0h3"/></symbol></defs>
<g class="a" fill="url(#b)" style="filter:url('#f')"><use xlink:href="#s" x="2"/><use href="#s"/></g></svg>\n`),
  ).toBeNull();
  expect(whole("<svg/>")).toBeNull();
  for (const [text, message] of [
    ["<html/>", /not an SVG/],
    ["", /no element/],
    ["<svg/><svg/>", /a second root/],
    ["text<svg/>", /text outside/],
    ['<!DOCTYPE svg [<!ENTITY a "b">]><svg/>', /entities of its own/],
  ] as const)
    expect(whole(text)).toMatch(message);
  expect(pictureProblem("image/svg+xml", base64(0xff, 0xff, 0xff))).toContain("not UTF-8 text");
});

test("what multiplies is counted and not drawn: laughs by the billion take no time", () => {
  const level = (i: number) => `<g id="l${i}">${`<use href="#l${i - 1}"/>`.repeat(9)}</g>`;
  const laughs = `<g id="l0"/>${Array.from({ length: 12 }, (_, i) => level(i + 1)).join("")}`;
  expect(pictureProblem("image/svg+xml", svgOf(laughs))).toMatch(/too deep/);
  const wide = `<g id="l0">${"<g/>".repeat(200)}</g>${[1, 2, 3].map((i) => `<g id="l${i}">${`<use href="#l${i - 1}"/>`.repeat(50)}</g>`).join("")}`;
  expect(pictureProblem("image/svg+xml", svgOf(wide))).toMatch(/too large/);
});
