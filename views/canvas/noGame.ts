/** No game at all: for glasses on which the controls alone matter. */
import type { Game } from "../../samples/game";

export const NO_GAME: Game = {
  tick() {},
  draw(ctx, w, h) {
    ctx.fillStyle = "#0c141b";
    ctx.fillRect(0, 0, w, h);
  },
  revision: () => 0,
  moment: () => null,
};
