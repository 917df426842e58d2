/** The shipped layouts, read. */
import type { Layout } from "../core/format/types";
import { SAMPLES } from "../samples/samples";

/** Brackwater, Pigeonhole, and Brackwater's first draft. */
export const sampleLayouts = (): Layout[] => SAMPLES.map((sample) => sample.layout());
