/** Where the three columns of the patch sheet stand, CSS px: desk inputs, actions, controls, and between them room for the wires. */
export interface Columns {
  readonly ends: { readonly x: number; readonly w: number };
  readonly actions: { readonly x: number; readonly w: number };
  readonly controls: { readonly x: number; readonly w: number };
  readonly width: number;
}

const between = (low: number, value: number, high: number) => Math.min(high, Math.max(low, value));
/** The least room between two columns. */
const LEAST_GAP = 44;
const MARGIN = 12;

export function columnsOf(room: number): Columns {
  const ends = between(150, room * 0.17, 220);
  const actions = between(216, room * 0.28, 320);
  const controls = between(200, room * 0.28, 320);
  const width = Math.max(room, ends + actions + controls + 2 * LEAST_GAP + 2 * MARGIN);
  const free = width - 2 * MARGIN - ends - actions - controls;
  const actionsX = MARGIN + ends + free * 0.44;
  return { ends: { x: MARGIN, w: ends }, actions: { x: actionsX, w: actions }, controls: { x: width - MARGIN - controls, w: controls }, width };
}
