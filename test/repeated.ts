/** Whether this is `npm run storm`, which sets NODULUM_TIMES. Browser tests marked `@storm` run in it alone. */
export const isStorm = process.env.NODULUM_TIMES !== undefined;

/**
 * How often a test repeats itself: as often as it says in `npm test`, and so many times that in `npm run storm`.
 */
export const repeated = (times: number): number => Math.ceil(times * Number(process.env.NODULUM_TIMES ?? 1));
