import { ScreensView } from "../../../views/screens/ScreensView";

export default function Page() {
  return <ScreensView />;
}
