/** Edits of the screens a layout is looked at on: your own, and which are in the rail. They live in the workbench; players ignore them. */
import { refused, type Result } from "../../engine/result";
import type { Layout, Screen } from "../../format/types";
import { checked } from "./checked";

/** Puts screens, by name, into the rail in this order. A name twice counts once. */
export function setRail(layout: Layout, names: readonly string[]): Result<Layout> {
  if (names.length === 0) return refused("rail", "the rail needs at least one screen");
  return checked(layout, { ...layout, workbench: { ...layout.workbench, rail: [...new Set(names)] } });
}

/** What is wrong with a screen beyond its figures; null for nothing. */
function screenProblem(screen: Screen): string | null {
  const { insets, widthPx, heightPx, cornerPx } = screen;
  if (screen.name.trim() === "") return "give the screen a name";
  if (insets.left + insets.right >= widthPx || insets.top + insets.bottom >= heightPx) return `the insets of “${screen.name}” leave no room`;
  if (cornerPx > Math.min(widthPx, heightPx) / 2)
    return `the corners of “${screen.name}” are rounder than half its shorter side, ${Math.min(widthPx, heightPx) / 2} px`;
  return null;
}

/** Adds your own screens and puts them at the end of `rail` (the names that are there now); one of the same name is replaced. `taken`: names that are not your own. */
export function addScreens(layout: Layout, screens: readonly Screen[], rail: readonly string[], used: ReadonlySet<string>): Result<Layout> {
  for (const screen of screens) {
    const problem = screenProblem(screen) ?? (used.has(screen.name) ? `“${screen.name}” is a screen of the catalogue; give yours another name` : null);
    if (problem) return refused("screens", problem);
  }
  const names = new Set(screens.map((s) => s.name));
  if (names.size < screens.length) return refused("screens", "two screens of the list have the same name");
  const own = [...layout.workbench.screens.filter((s) => !names.has(s.name)), ...screens];
  const workbench = { ...layout.workbench, screens: own, rail: [...new Set([...rail, ...names])] };
  return checked(layout, { ...layout, workbench });
}

/** Changes your own screen; with another name it keeps its place in the rail. */
export function changeScreen(layout: Layout, name: string, next: Screen, used: ReadonlySet<string>): Result<Layout> {
  const { screens, rail, screen } = layout.workbench;
  if (!screens.some((s) => s.name === name)) return refused("screens", `there is no screen of yours called “${name}”`);
  const problem =
    screenProblem(next) ??
    (next.name !== name && (used.has(next.name) || screens.some((s) => s.name === next.name)) ? `there is already a screen called “${next.name}”` : null);
  if (problem) return refused("screens", problem);
  const swap = (n: string) => (n === name ? next.name : n);
  return checked(layout, {
    ...layout,
    workbench: {
      ...layout.workbench,
      screens: screens.map((s) => (s.name === name ? next : s)),
      rail: rail.map(swap),
      screen: swap(screen),
      playersPart: Object.fromEntries(Object.entries(layout.workbench.playersPart).map(([n, part]) => [swap(n), part])),
    },
  });
}

/** Removes your own screen, from the rail too. */
export function removeScreen(layout: Layout, name: string): Result<Layout> {
  const { screens, rail, screen } = layout.workbench;
  return checked(layout, {
    ...layout,
    workbench: {
      ...layout.workbench,
      screens: screens.filter((s) => s.name !== name),
      rail: rail.filter((n) => n !== name),
      screen: screen === name ? "" : screen,
      playersPart: Object.fromEntries(Object.entries(layout.workbench.playersPart).filter(([n]) => n !== name)),
    },
  });
}
