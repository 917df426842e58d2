/** Every tolerance of the core: how far apart two numbers may be and yet count as equal, each with its unit and its reason. */

/** Slack for lengths in px, for shares and for magnitudes: far below a pixel, far above the rounding of doubles at screen size. */
export const LENGTH_SLACK = 1e-9;
/** Slack for angles, degrees: far below what a finger can turn, far above the rounding of atan2. */
export const ANGLE_SLACK = 1e-9;
/** Slack for times, ms: a thousandth of a clock's finest step; a tick's time is a rounded multiple of 1000 / hz. */
export const TIME_SLACK = 1e-6;
/** A box may leave the screen by this much, px, before it counts: half a device pixel cannot be seen. */
export const SCREEN_SLACK_PX = 0.5;
/** Lengths that went through a file and back, px or mm: it keeps six decimals, so half a step of the last one and the way back lie within this. */
export const FILED_SLACK = 1e-6;
/** Below this part of a direction along an axis, two normals count as square to it: dividing by it would lose all digits. */
export const SQUARE_SLACK = 1e-6;
/** Measures of two moments that differ by no more than this, in their own unit, are the same: areas are summed numerically. */
export const SAME_MEASURE = 1e-3;
/** What a proposed move goes beyond what is wanted, mm: lengths in a file have six decimals, and what is just at a limit may fall back under it. */
export const SPARE_MM = 0.02;
/** Where a finding begins or ends is found to this in aspect: within the 0.0005 that is promised. */
export const BORDER_ASPECT = 0.0002;
/** A range of aspects ends this much before the next begins, for it is half-open: a hundred slacks of lengths, far below a border's accuracy. */
export const HALF_OPEN_ASPECT = 1e-7;
/** No coordinate, size or factor goes farther than this, px: far beyond every screen, far below where sums of doubles lose a pixel or squares overflow. */
export const FARTHEST_PX = 1e12;
