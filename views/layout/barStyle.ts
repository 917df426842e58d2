/** How the small switches of the bench's bar look. */
export const SWITCH = "inline-flex h-6 min-w-6 items-center justify-center rounded-sm border px-1 text-[0.6875rem]";
/** Pressed or not. */
export const lit = (on: boolean) => (on ? "border-accent bg-accent text-on-accent" : "border-transparent hover:border-edge");
