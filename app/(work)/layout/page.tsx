import { BenchView } from "../../../views/layout/BenchView";

export default function Page() {
  return <BenchView />;
}
