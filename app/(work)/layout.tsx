import type { ReactNode } from "react";
import { Workbench } from "../../views/shell/Workbench";

export default function WorkLayout({ children }: { children: ReactNode }) {
  return <Workbench>{children}</Workbench>;
}
