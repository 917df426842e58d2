import { RehearseView } from "../../../views/rehearse/RehearseView";

export default function Page() {
  return <RehearseView />;
}
