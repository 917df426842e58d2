/**
 * Who owns what the window holds beside the layout: the tool in hand, what is folded, a worker. Each thing is defined where it is used and created
 * at its first use. What lasts as long as the layout ends with it, so that nothing of one layout is seen at the next.
 */

/** Something that is owned. `S`: what it is created for. */
export interface Owned<S, T> {
  readonly lasts: "layout" | "window";
  /** `before`: the value for the layout that was open before; null: there was none. */
  create(subject: S, before: T | null): T;
  /** Called when its layout or window ends. */
  end?(value: T): void;
}

export interface Owner<S> {
  /** Returns the value, created at the first use. */
  get<T>(owned: Owned<S, T>): T;
  /** Another layout is open: what lasts as long as a layout ends. */
  changeLayout(): void;
  close(): void;
}

type Held = Map<Owned<never, unknown>, unknown>;

/** `subject`: called when something is created. */
export function createOwner<S>(subject: () => S): Owner<S> {
  const held: Readonly<Record<Owned<S, unknown>["lasts"], Held>> = { layout: new Map(), window: new Map() };
  let before: Held = new Map();
  const endAll = (values: Held) => values.forEach((value, owned) => owned.end?.(value));
  return {
    get<T>(owned: Owned<S, T>): T {
      const values = held[owned.lasts];
      const key = owned as Owned<never, unknown>;
      if (!values.has(key)) values.set(key, owned.create(subject(), (before.get(key) as T | undefined) ?? null));
      return values.get(key) as T;
    },
    changeLayout() {
      endAll(held.layout);
      // What was not used at the last layout is still known from the one before it.
      before = new Map([...before, ...held.layout]);
      held.layout.clear();
    },
    close() {
      endAll(held.layout);
      endAll(held.window);
      held.layout.clear();
      held.window.clear();
    },
  };
}
