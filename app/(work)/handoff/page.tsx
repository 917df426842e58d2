import { HandOffView } from "../../../views/handoff/HandOffView";

export default function Page() {
  return <HandOffView />;
}
