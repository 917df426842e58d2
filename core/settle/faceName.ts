/** How faces and controls are called in what Settle says. */
import { faceWords } from "../checks/faceWords";
import type { Scenario } from "./scenarios";

/** "Small 4:3, right hand, size 1". */
export const faceName = ({ screen, face }: Scenario): string => `${screen.name}, ${faceWords(face)}`;

/** "`pump` and `horn`". */
export const idNames = (ids: readonly string[]): string => ids.map((id) => `\`${id}\``).join(" and ");
