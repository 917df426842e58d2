/** An icon proposed for a control from the words that go with it: its label, its action, its name. */

/** What games often call their actions, and the icons that may stand for them, the likeliest first. */
const MEANINGS: Readonly<Record<string, readonly string[]>> = {
  aim: ["crosshair", "target"],
  alarm: ["bell"],
  attack: ["sword"],
  back: ["arrow-left"],
  bag: ["backpack"],
  block: ["shield"],
  boost: ["rocket", "zap"],
  brake: ["square"],
  cast: ["fish", "zap"],
  catch: ["hand"],
  chat: ["mail"],
  climb: ["chevrons-up", "arrow-up"],
  crouch: ["arrow-big-down"],
  dash: ["wind", "zap"],
  defend: ["shield"],
  dig: ["axe"],
  dive: ["arrow-big-down"],
  dodge: ["wind"],
  down: ["arrow-big-down"],
  drink: ["droplet"],
  drop: ["arrow-big-down"],
  duck: ["arrow-big-down"],
  enter: ["door-open"],
  fight: ["sword"],
  find: ["search"],
  fire: ["flame", "crosshair"],
  fly: ["plane"],
  forward: ["arrow-big-up"],
  gas: ["gauge"],
  go: ["play"],
  grab: ["hand"],
  guard: ["shield"],
  hide: ["ghost"],
  hit: ["hammer", "sword"],
  hold: ["hand"],
  home: ["house"],
  hoot: ["megaphone"],
  horn: ["megaphone", "bell"],
  interact: ["hand"],
  inventory: ["backpack"],
  jump: ["arrow-big-up"],
  lamp: ["flashlight", "lightbulb"],
  leap: ["arrow-big-up"],
  left: ["arrow-big-left"],
  letter: ["mail"],
  lift: ["arrow-big-up"],
  light: ["lightbulb"],
  load: ["refresh-cw"],
  log: ["book"],
  look: ["eye"],
  magic: ["star"],
  message: ["mail"],
  mute: ["volume-x"],
  next: ["arrow-right"],
  open: ["door-open"],
  options: ["settings"],
  photo: ["camera"],
  post: ["mail"],
  potion: ["droplet"],
  present: ["gift"],
  pump: ["droplet"],
  punch: ["hand"],
  read: ["book"],
  reload: ["refresh-cw"],
  repair: ["wrench"],
  right: ["arrow-big-right"],
  roll: ["rotate-cw"],
  run: ["footprints", "zap"],
  score: ["trophy"],
  shoot: ["crosshair"],
  slide: ["arrow-big-down"],
  sound: ["volume-2"],
  special: ["star"],
  speed: ["gauge"],
  sprint: ["zap", "footprints"],
  stop: ["square"],
  swim: ["waves-horizontal"],
  swing: ["axe", "sword"],
  take: ["hand"],
  talk: ["megaphone"],
  throw: ["target"],
  torch: ["flashlight"],
  turn: ["rotate-cw"],
  up: ["arrow-big-up"],
  use: ["hand"],
  wait: ["timer"],
  walk: ["footprints"],
  whistle: ["megaphone"],
  win: ["trophy"],
};

/** The words of a text in small letters: `fireGun`, `fire_gun` and "Fire gun" are fire and gun. */
const wordsOf = (text: string): string[] =>
  text
    .replace(/([\p{Ll}\d])(?=\p{Lu})/gu, "$1 ")
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word !== "");

/**
 * The icon that the first of some texts stands for, word by word; null where none of them stands for one that there is.
 * A word that is itself an icon's name, or begins one (`volume`), counts before what it may mean.
 */
export function iconFor(texts: readonly string[], icons: readonly string[]): string | null {
  const known = new Set(icons);
  for (const word of texts.flatMap(wordsOf)) {
    const meant = Object.hasOwn(MEANINGS, word) ? MEANINGS[word].find((icon) => known.has(icon)) : undefined;
    const named = known.has(word) ? word : word.length > 3 ? icons.find((icon) => icon.startsWith(`${word}-`)) : undefined;
    const found = named ?? meant;
    if (found !== undefined) return found;
  }
  return null;
}
