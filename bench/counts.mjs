/**
 * What a frame has to do, in numbers that do not depend on the machine: components rendered, texts of lengths looked at, screens and
 * controls placed, canvases touched. Runs in the page before anything else of it: it listens where React reports developer tools of
 * its commits, and counts calls of the browser's own.
 */
export function countInPage(lengthPattern) {
  const now = { components: 0, lengths: 0, canvases: new Set(), screens: 0, controls: 0 };
  const frames = [];
  const names = new Map();
  // A memo with its own comparison is reported by the function within.
  const FUNCTION = new Set([0, 11, 15]);
  const PERFORMED_WORK = 1;
  const nameOf = (fiber) => {
    const type = fiber.elementType?.type ?? fiber.elementType ?? fiber.type;
    return type?.displayName ?? type?.name ?? "?";
  };
  /** Walks what this commit made again: a fiber whose child is the one it had before was not gone into. */
  const walk = (fiber, before) => {
    if (!fiber) return;
    if (FUNCTION.has(fiber.tag) && (fiber.flags & PERFORMED_WORK) !== 0 && fiber !== before) {
      now.components += 1;
      names.set(nameOf(fiber), (names.get(nameOf(fiber)) ?? 0) + 1);
    }
    if (before && fiber.child === before.child) return;
    for (let child = fiber.child; child; child = child.sibling) if (child.alternate !== child) walk(child, child.alternate);
  };
  window.__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
    supportsFiber: true,
    renderers: new Map(),
    inject: () => 1,
    onCommitFiberRoot: (_id, root) => walk(root.current, root.current.alternate),
    onCommitFiberUnmount: () => undefined,
    onPostCommitFiberRoot: () => undefined,
    checkDCE: () => undefined,
  };
  const { exec } = RegExp.prototype;
  RegExp.prototype.exec = function (text) {
    if (this.source === lengthPattern) now.lengths += 1;
    return exec.call(this, text);
  };
  const pen = CanvasRenderingContext2D.prototype;
  for (const call of ["clearRect", "fill", "stroke", "drawImage", "fillText", "fillRect"]) {
    const own = pen[call];
    pen[call] = function (...args) {
      now.canvases.add(this.canvas);
      return own.apply(this, args);
    };
  }
  let before = { screens: 0, controls: 0 };
  const close = () => {
    const work = window.nodulumWork?.() ?? before;
    const frame = {
      components: now.components,
      lengths: now.lengths,
      canvases: now.canvases.size,
      screens: work.screens - before.screens,
      controls: work.controls - before.controls,
    };
    before = work;
    if (Object.values(frame).some((n) => n > 0)) frames.push(frame);
    now.components = now.lengths = 0;
    now.canvases.clear();
    requestAnimationFrame(() => setTimeout(close));
  };
  requestAnimationFrame(() => setTimeout(close));
  window.countedFrames = {
    clear: () => {
      names.clear();
      frames.length = 0;
    },
    take: () => ({ frames: frames.slice(), names: [...names].sort((a, b) => b[1] - a[1]) }),
  };
}
