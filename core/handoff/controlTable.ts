/** Every control on every chosen screen as a table: where it is seen, where it takes touches, where a stick lands, how far it travels. */
import type { Box } from "../engine/geometry/point";
import type { Shape } from "../engine/geometry/shape";
import { pxPerMm } from "../engine/placement/screen";
import type { PlayerView, Resolved } from "../engine/placement/resolve";
import { byId } from "../derived/byId";
import { resolvedOn } from "../derived/resolved";
import { writeRows } from "../exchange/rows";
import { boxIn, type TableUnit, type YDirection } from "../exchange/boxDirection";
import type { ControlKind, Layout, Screen } from "../format/types";

export interface TableOptions {
  readonly screens: readonly Screen[];
  readonly playerView: PlayerView;
  readonly direction: YDirection;
}

/** A box in every unit. */
export type BoxByUnit = Readonly<Record<TableUnit, Box>>;

/** A control on a screen. `landing`: of sticks that come to the thumb; `travel`: of every stick. */
export interface TableControl {
  readonly id: string;
  readonly name: string;
  readonly kind: ControlKind;
  readonly visual: BoxByUnit;
  readonly hit: BoxByUnit & { readonly shape: Shape["shape"] };
  readonly landing: BoxByUnit | null;
  readonly travel: Readonly<Record<TableUnit, number>> | null;
}

export interface TableScreen {
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly controls: readonly TableControl[];
}

/** A figure to a millionth: what comes back in is where it stood. */
const exact = (value: number): number => Math.round(value * 1e6) / 1e6 + 0;

function byUnit(box: Box, { screen }: Resolved, direction: YDirection): BoxByUnit {
  const { widthPx, heightPx } = screen;
  const px = boxIn(box, heightPx, direction);
  const mm = pxPerMm(screen);
  const each = (x: number, y: number): Box => ({ x: exact(px.x / x), y: exact(px.y / y), w: exact(px.w / x), h: exact(px.h / y) });
  return { px: each(1, 1), mm: each(mm, mm), fractions: each(widthPx, heightPx) };
}

/** The table, screen by screen; hidden controls are omitted. */
export function controlTable(layout: Layout, { screens, playerView, direction }: TableOptions): readonly TableScreen[] {
  const known = byId(layout.controls);
  return screens.map((screen) => {
    const resolved = resolvedOn(layout, screen, playerView);
    const { name, widthPx, heightPx, ppi } = screen;
    const told = (box: Box) => byUnit(box, resolved, direction);
    const controls = resolved.controls.map((at): TableControl => {
      const control = known.get(at.id)!;
      return {
        id: at.id,
        name: control.name,
        kind: control.kind,
        visual: told(at.visual),
        hit: { shape: at.hit.shape, ...told(at.hit) },
        landing: at.landing ? told(at.landing) : null,
        travel:
          at.travel === undefined
            ? null
            : { px: exact(at.travel), mm: exact(at.travel / pxPerMm(screen)), fractions: exact(at.travel / Math.min(widthPx, heightPx)) },
      };
    });
    return { name, widthPx, heightPx, ppi, controls };
  });
}

const BOX = ["x", "y", "w", "h"] as const;
/** The columns of a table. */
const TABLE_COLUMNS = [
  ...["screen", "screen width px", "screen height px", "screen ppi", "unit", "y runs", "id", "name", "kind"],
  ...BOX,
  "hit shape",
  ...BOX.map((side) => `hit ${side}`),
  ...BOX.map((side) => `landing ${side}`),
  "travel",
] as const;

/** The table in one unit as CSV, a row a control and screen. */
export function controlsCsv(screens: readonly TableScreen[], unit: TableUnit, direction: YDirection): string {
  const sides = (box: BoxByUnit | null) => BOX.map((side) => (box === null ? "" : box[unit][side]));
  const rows = screens.flatMap(({ name, widthPx, heightPx, ppi, controls }) =>
    controls.map((c) => [
      ...[name, widthPx, heightPx, ppi, unit, direction, c.id, c.name, c.kind],
      ...sides(c.visual),
      c.hit.shape,
      ...sides(c.hit),
      ...sides(c.landing),
      c.travel === null ? "" : c.travel[unit],
    ]),
  );
  return writeRows(TABLE_COLUMNS, rows);
}

/** The table with all its units as JSON. */
export function controlsJson(layout: Pick<Layout, "name">, digest: string, screens: readonly TableScreen[], direction: YDirection): string {
  const origin = direction === "down" ? "top left" : "bottom left";
  return `${JSON.stringify({ format: "nodulum-table", version: 1, layout: layout.name, digest, origin, yRuns: direction, screens }, null, 2)}\n`;
}
