/** The shipped layouts, read. */
import type { Layout } from "../core/format/types";
import { SAMPLES } from "../samples/samples";

/** Brackwater, Pigeonhole, Brackwater's first draft, and Derrick. */
export const sampleLayouts = (): Layout[] => SAMPLES.map((sample) => sample.layout());
