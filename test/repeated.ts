/**
 * How often a test repeats itself: as often as it says in `npm test`, and so many times that in `npm run storm`, which sets NODULUM_TIMES.
 */
export const repeated = (times: number): number => Math.ceil(times * Number(process.env.NODULUM_TIMES ?? 1));
