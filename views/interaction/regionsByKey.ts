/** F6 goes from region to region of the window, in the order in which they are on the page. A region is what says so: `data-region`, its place in that order. */

const FOCUSABLE = 'a[href], button:not(:disabled), input:not(:disabled, [type="file"]), select:not(:disabled), textarea, [tabindex="0"]';
const FIRST = "[data-first-stop], input:not([type=file]), select";
/** Where the focus was in a region last: there it comes back. */
const last = new WeakMap<Element, HTMLElement>();

const isSeen = (element: HTMLElement) => element.getClientRects().length > 0;

/** The place in a region where the focus comes in: where it was last; in a region of fields its first field; else its first stop. */
function stopOf(region: Element): HTMLElement | undefined {
  const was = last.get(region);
  if (was?.isConnected && region.contains(was) && isSeen(was)) return was;
  const selected = region.querySelector<HTMLElement>('[data-control][aria-pressed="true"]');
  if (selected) return selected;
  const all = [...region.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((e) => e.tabIndex >= 0 && isSeen(e));
  const fields = region.hasAttribute("data-fields-first") ? all.find((e) => e.matches(FIRST)) : undefined;
  return fields ?? all[0];
}

/** Goes to the next region (1) or the one before (−1). Whether there was one to go to. */
export function goToRegion(way: 1 | -1, root: Document = document): boolean {
  const regions = [...root.querySelectorAll("[data-region]")].sort((a, b) => Number(a.getAttribute("data-region")) - Number(b.getAttribute("data-region")));
  const now = root.activeElement;
  const at = now ? regions.findIndex((region) => region.contains(now)) : -1;
  if (at >= 0 && now) last.set(regions[at], now as HTMLElement);
  const from = at >= 0 ? at : way === 1 ? -1 : 0;
  for (let i = 1; i <= regions.length; i += 1) {
    const stop = stopOf(regions[(from + way * i + regions.length * 2) % regions.length]);
    if (!stop) continue;
    stop.focus();
    return true;
  }
  return false;
}
