/** The pictures behind the controls, drawn by the project: stills of the sample games, in the px of the screen. */
type Ctx = CanvasRenderingContext2D;
export type Backdrop = "plain" | "harbour" | "post-office";

/** Fills the screen with a still. */
export function drawBackdrop(ctx: Ctx, backdrop: Backdrop, w: number, h: number): void {
  switch (backdrop) {
    case "plain":
      ctx.fillStyle = "#1c2a35";
      ctx.fillRect(0, 0, w, h);
      return;
    case "harbour":
      return drawHarbour(ctx, w, h);
    case "post-office":
      return drawPostOffice(ctx, w, h);
  }
}

function drawHarbour(ctx: Ctx, w: number, h: number): void {
  ctx.fillStyle = "#10212c";
  ctx.fillRect(0, 0, w, h);
  const u = Math.min(w, h) / 100;
  ctx.strokeStyle = "#17303d";
  ctx.lineWidth = u * 0.5;
  ctx.beginPath();
  for (let y = 6; y < 100; y += 9)
    for (let x = ((y * 7) % 13) - 4; x * u < w; x += 26) {
      ctx.moveTo(x * u, y * u * (h / (100 * u)));
      ctx.quadraticCurveTo((x + 5) * u, (y - 2) * u * (h / (100 * u)), (x + 10) * u, y * u * (h / (100 * u)));
    }
  ctx.stroke();
  // The quay at the top, bollards along it.
  ctx.fillStyle = "#2a3237";
  ctx.fillRect(0, 0, w, h * 0.2);
  ctx.fillStyle = "#39434a";
  ctx.fillRect(0, h * 0.2, w, u * 1.6);
  ctx.fillStyle = "#596772";
  for (let x = 8; x * u < w; x += 22) ctx.fillRect(x * u, h * 0.2 - u * 1.5, u * 3, u * 3);
  // The tug, its lamp's cone before it.
  ctx.save();
  ctx.translate(w * 0.5, h * 0.58);
  ctx.rotate(-0.5);
  ctx.fillStyle = "#f3e3a033";
  ctx.beginPath();
  ctx.moveTo(9 * u, 0);
  ctx.lineTo(62 * u, -15 * u);
  ctx.lineTo(62 * u, 15 * u);
  ctx.closePath();
  ctx.fill();
  drawTug(ctx, u);
  ctx.restore();
}

/** The tug from above, bow to the right, about 24 u long. */
export function drawTug(ctx: Ctx, u: number): void {
  ctx.beginPath();
  ctx.moveTo(-11 * u, -4.5 * u);
  ctx.lineTo(4 * u, -5 * u);
  ctx.quadraticCurveTo(10 * u, -3.5 * u, 13 * u, 0);
  ctx.quadraticCurveTo(10 * u, 3.5 * u, 4 * u, 5 * u);
  ctx.lineTo(-11 * u, 4.5 * u);
  ctx.closePath();
  ctx.fillStyle = "#8b3a2b";
  ctx.fill();
  ctx.strokeStyle = "#d9cfb6";
  ctx.lineWidth = u * 0.6;
  ctx.stroke();
  ctx.fillStyle = "#d9cfb6";
  ctx.fillRect(-1 * u, -3 * u, 6 * u, 6 * u);
  ctx.fillStyle = "#22323f";
  ctx.beginPath();
  ctx.arc(-5 * u, 0, 1.8 * u, 0, Math.PI * 2);
  ctx.fill();
}

function drawPostOffice(ctx: Ctx, w: number, h: number): void {
  ctx.fillStyle = "#1d1a24";
  ctx.fillRect(0, 0, w, h);
  const cols = 5;
  const size = w / (cols + 1);
  ctx.lineWidth = w / 240;
  for (let row = 0; row * size * 0.72 < h * 0.5; row += 1)
    for (let col = 0; col < cols; col += 1) {
      const x = size * (col + 0.5);
      const y = h * 0.1 + row * size * 0.72;
      ctx.fillStyle = (row * 3 + col * 5) % 7 === 0 ? "#5b4a2c" : "#2b2632";
      ctx.fillRect(x, y, size * 0.88, size * 0.58);
      ctx.strokeStyle = "#6b5a3c";
      ctx.strokeRect(x, y, size * 0.88, size * 0.58);
      if ((row + col) % 3 === 0) {
        ctx.fillStyle = "#cfc4a8";
        ctx.fillRect(x + size * 0.18, y + size * 0.22, size * 0.5, size * 0.3);
      }
    }
  ctx.fillStyle = "#3b2e22";
  ctx.fillRect(0, h * 0.66, w, h * 0.34);
  ctx.fillStyle = "#4a3a2b";
  ctx.fillRect(0, h * 0.66, w, h * 0.012);
}
