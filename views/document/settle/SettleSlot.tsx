"use client";
/** The place of the Settle panel: Layout and Screens show it, the shell provides it. So neither view imports the feature. */
import { createContext, useContext, type ReactNode } from "react";

/** `wide`: its parts side by side. `picture`: shown above the result. */
export interface SettlePanelProps {
  readonly wide: boolean;
  readonly picture?: ReactNode;
}

type RenderPanel = (props: SettlePanelProps) => ReactNode;

const PanelContext = createContext<RenderPanel>(() => null);

/** Provides the panel. */
export const SettlePanelProvider = PanelContext.Provider;

/** Shows the panel. */
export function SettleSlot(props: SettlePanelProps) {
  return useContext(PanelContext)(props);
}
