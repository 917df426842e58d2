import { ShelfView } from "../../../views/screens/ShelfView";

export default function Page() {
  return <ShelfView />;
}
