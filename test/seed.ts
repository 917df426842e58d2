/**
 * The seed of every property: `npm test` tries the same cases each time, so that whoever runs it sees what we saw; `npm run storm` draws new
 * ones, and prints the seed where one fails.
 */
import fc from "fast-check";
import { isStorm, repeated } from "./repeated";

fc.configureGlobal({ numRuns: repeated(100), ...(isStorm ? {} : { seed: 20261201 }) });
