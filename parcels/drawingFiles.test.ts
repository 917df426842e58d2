import { plainScreen } from "../core/engine/placement/screen";
import { sampleLayouts } from "../test/samples";
import { drawingFiles } from "./drawingFiles";
import { plainSource } from "./plainSource";
import type { PngPainter } from "./parcelSource";

test("a screen larger than browsers paint is left out as a PNG and named; screens of one name are files of their own", async () => {
  const [layout] = sampleLayouts();
  const screens = [plainScreen("Wall", 20_000, 9000, 300), plainScreen("Wall", 2400, 1080, 411)];
  const none = () => ({});
  const plain = plainSource({
    ...{ layout, date: "2026-11-27", screens, direction: "down", language: "c", paper: "a4", takes: () => Promise.resolve([]) },
    ...{ pageScript: () => "", runtimeFiles: none, portFiles: none },
  });
  const sizes: (readonly [number, number])[] = [];
  const painted = (width: number, height: number) => {
    sizes.push([width, height]);
    return Promise.resolve(new Uint8Array(1));
  };
  const painter: PngPainter = { supplies: { pictureOf: () => null, icons: {} }, paint: painted, paintSvg: (_, width, height) => painted(width, height) };
  const { files, leftOut } = await drawingFiles({ ...plain, painter: () => Promise.resolve(painter) });
  expect(files.map(({ path }) => path)).toEqual(["screens/wall.svg", "screens/wall-2.svg", "screens/wall-2.png", "contact-sheet.svg", "contact-sheet.png"]);
  expect(leftOut).toEqual(["screens/wall.png: 20000 × 9000 px is more than browsers paint"]);
  expect(Math.max(...sizes.flat())).toBeLessThanOrEqual(8192);
});
