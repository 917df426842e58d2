import { Words } from "../../../views/shell/ViewRouter";

export default function Page() {
  return <Words />;
}
