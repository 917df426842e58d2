import { Words } from "../../../views/shell/ShownView";

export default function Page() {
  return <Words />;
}
