/**
 * Quay: a goat walks about, leaps onto crates, bleats. The whole of a small game in plain JavaScript: it reads its four words from the
 * handle, and knows nothing else of controls.
 */
import { play } from "nodulum-runtime";
import { drawing } from "nodulum-runtime/draw";

const canvas = document.querySelector("#game");
const menu = document.querySelector("#menu");
const score = document.querySelector("#score");
const crates = [0.2, 0.35, 0.5, 0.65, 0.8].map((x) => ({ x, y: x === 0.5 ? 0.3 : 0.55, taken: false }));
const goat = { x: 0.5, y: 0.75, height: 0, rise: 0, bleats: 0, view: 0 };

const file = await (await fetch("./quay.played.json")).text();
// Until the game begins its controls are away; the menu above them works by itself.
const controls = play(file, { over: canvas, draw: drawing, moment: "paused" });

document.querySelector("#start").addEventListener("click", () => {
  menu.hidden = true;
  controls.moment = "playing";
});

/** One tick of the game, always as long as the next. */
controls.onTick(() => {
  if (controls.moment !== "playing") return;
  const [x, y] = controls.value("walk");
  goat.x = Math.min(0.95, Math.max(0.05, goat.x + x * 0.006));
  goat.y = Math.min(0.95, Math.max(0.1, goat.y - y * 0.01));
  goat.rise -= 0.004;
  goat.height = Math.max(0, goat.height + goat.rise);
  if (goat.height === 0 && controls.value("leap")) goat.rise = 0.045;
  for (const crate of crates) if (!crate.taken && goat.height > 0 && Math.abs(crate.x - goat.x) < 0.05 && Math.abs(crate.y - goat.y) < 0.1) crate.taken = true;
  const taken = crates.filter((crate) => crate.taken).length;
  score.textContent = taken === crates.length ? "all five crates" : `${taken} of 5 crates`;
});

function draw() {
  if (controls.justPressed("bleat")) goat.bleats += 1;
  goat.view += controls.value("look")[0] * 0.01;
  const [w, h] = [(canvas.width = canvas.clientWidth * devicePixelRatio), (canvas.height = canvas.clientHeight * devicePixelRatio)];
  const ctx = canvas.getContext("2d");
  ctx.fillStyle = "#16232d";
  ctx.fillRect(0, 0, w, h);
  ctx.fillStyle = "#24323d";
  ctx.fillRect(((goat.view * w) % w) - w, h * 0.12, w, 2);
  ctx.fillStyle = "#a97a3f";
  for (const { x, y, taken } of crates) if (!taken) ctx.fillRect(x * w - 14, y * h - 14, 28, 28);
  ctx.fillStyle = "#e8e4da";
  ctx.beginPath();
  ctx.ellipse(goat.x * w, (goat.y - goat.height) * h, 20, 14, 0, 0, Math.PI * 2);
  ctx.fill();
  requestAnimationFrame(draw);
}
draw();
