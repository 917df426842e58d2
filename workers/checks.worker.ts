/** The checks behind a message channel. */
import { expose } from "comlink";
import { checkScreen } from "../core/checks/check";
import type { Finding } from "../core/checks/finding";
import type { Layout, Screen } from "../core/layout/types";
import { prepareLayout } from "../core/placement/prepare";

const api = {
  /** Findings for each screen, in the order of the screens. */
  check(layout: Layout, screens: readonly Screen[]): Finding[][] {
    const prepared = prepareLayout(layout);
    return screens.map((screen) => checkScreen(prepared, screen));
  },
};
export type ChecksApi = typeof api;
expose(api);
