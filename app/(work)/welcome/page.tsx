import { Welcome } from "../../../views/shell/ViewRouter";

export default function Page() {
  return <Welcome />;
}
