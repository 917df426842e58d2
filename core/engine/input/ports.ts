/** What a control gives at a tick, on every port a control may have; ports it lacks stay at rest. */
export interface PortReading {
  /** The `vector` port, or the `motion` of a touchpad in mm (`dx`, `dy`); y up. */
  readonly vx: number;
  readonly vy: number;
  /** The `x` and `y` ports: as the vector, but whole numbers for a d-pad. */
  readonly x: number;
  readonly y: number;
  /** The `aim` of a stick; y up. */
  readonly aimX: number;
  readonly aimY: number;
  /** How far a dial was turned since the last tick, degrees, clockwise positive. */
  readonly turn: number;
  readonly press: boolean;
  readonly held: boolean;
  readonly active: boolean;
  readonly up: boolean;
  readonly down: boolean;
  readonly left: boolean;
  readonly right: boolean;
  readonly tapped: boolean;
  readonly released: boolean;
}

/** A control nobody touches. */
export const AT_REST: PortReading = {
  vx: 0,
  vy: 0,
  x: 0,
  y: 0,
  aimX: 0,
  aimY: 0,
  turn: 0,
  press: false,
  held: false,
  active: false,
  up: false,
  down: false,
  left: false,
  right: false,
  tapped: false,
  released: false,
};
