import { ActionsView } from "../../../views/actions/ActionsView";

export default function Page() {
  return <ActionsView />;
}
