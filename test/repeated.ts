/** Whether this is `npm run storm`, which sets NODULUM_TIMES. Browser tests marked `@storm` run in it alone. */
export const isStorm = process.env.NODULUM_TIMES !== undefined;

/** How many random cases a property tries: in `npm test` half of what it says, in the storm this many times what it says. */
export const repeated = (times: number): number => Math.ceil(times * Number(process.env.NODULUM_TIMES ?? 0.5));
