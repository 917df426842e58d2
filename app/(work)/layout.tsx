import type { ReactNode } from "react";
import { WorkbenchShell } from "../../views/shell/Workbench";

export default function WorkLayout({ children }: { children: ReactNode }) {
  return <WorkbenchShell>{children}</WorkbenchShell>;
}
