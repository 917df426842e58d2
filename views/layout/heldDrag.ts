/** A drag on the glass that is held. */
import type { Point } from "../../core/engine/geometry/point";
import type { Result } from "../../core/engine/result";
import type { Layout } from "../../core/format/types";

/** What it is asked as it goes. */
export interface HeldDrag {
  /** An edit so far along its way; what comes of it. */
  preview(edit: (way: Point) => Result<Layout>, way: Point): Result<Layout>;
  /** What belongs to the drag after its last preview (`now`); where it would break a screen, the layout without it. */
  follow(now: Layout, after: Result<Layout>): Result<Layout>;
  end(): void;
}
