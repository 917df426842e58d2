import { Welcome } from "../../../views/shell/ShownView";

export default function Page() {
  return <Welcome />;
}
