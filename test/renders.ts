/**
 * Counts the components that React renders, by their names: it listens where React reports developer tools of its commits. To be imported
 * before React itself is.
 */
interface Fiber {
  readonly tag: number;
  readonly flags: number;
  readonly type: { readonly name?: string; readonly displayName?: string; readonly type?: { readonly name?: string } } | string | null;
  readonly child: Fiber | null;
  readonly sibling: Fiber | null;
  readonly alternate: Fiber | null;
}
/** Functions, those that forward a ref, and those that are memoised; a memo with its own comparison is reported by the function within. */
const COMPONENTS = new Set([0, 11, 15]);
const PERFORMED_WORK = 1;
const counts = new Map<string, number>();

function nameOf({ type }: Fiber): string {
  if (typeof type !== "object" && typeof type !== "function") return "?";
  return type?.displayName ?? type?.name ?? type?.type?.name ?? "?";
}

/** Walks what a commit made again; where the child is the one from before, nothing below was gone into. */
function walk(fiber: Fiber, before: Fiber | null): void {
  if (COMPONENTS.has(fiber.tag) && (fiber.flags & PERFORMED_WORK) !== 0) counts.set(nameOf(fiber), (counts.get(nameOf(fiber)) ?? 0) + 1);
  if (before && fiber.child === before.child) return;
  for (let child = fiber.child; child; child = child.sibling) walk(child, child.alternate);
}

Object.assign(globalThis, {
  __REACT_DEVTOOLS_GLOBAL_HOOK__: {
    supportsFiber: true,
    renderers: new Map(),
    inject: () => 1,
    onCommitFiberRoot: (_id: number, root: { current: Fiber }) => walk(root.current, root.current.alternate),
    onCommitFiberUnmount: () => undefined,
    onPostCommitFiberRoot: () => undefined,
    checkDCE: () => undefined,
  },
});

/** What has been rendered since the last call, by name. */
export function rendered(): Readonly<Record<string, number>> {
  const seen = Object.fromEntries(counts);
  counts.clear();
  return seen;
}
