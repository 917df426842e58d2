/** Builds the application where its sources have changed: what starting and testing do first. */
import { ensureBuilt } from "./lib.mjs";

process.exit(ensureBuilt());
