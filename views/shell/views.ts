/** The five views, in the order of the work. */
export const VIEWS = [
  { path: "/actions", word: "Actions" },
  { path: "/layout", word: "Layout" },
  { path: "/rehearse", word: "Rehearse" },
  { path: "/screens", word: "Screens" },
  { path: "/handoff", word: "Hand off" },
] as const;

/** Where a view is found. */
export type ViewPath = (typeof VIEWS)[number]["path"];
/** Pages next to the views: the first one, and the one about our words. */
export const PAGES = ["/welcome", "/words"] as const;
/** Where one can be. */
export type PagePath = ViewPath | (typeof PAGES)[number];
