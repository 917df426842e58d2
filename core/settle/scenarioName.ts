/** Names of scenarios and controls in the messages of Settle. */
import { faceWords } from "../checks/faceWords";
import type { Scenario } from "./problem/scenarios";

/** "Small 4:3, right hand, size 1". */
export const scenarioName = ({ screen, player }: Scenario): string => `${screen.name}, ${faceWords(player)}`;

/** "`pump` and `horn`". */
export const idNames = (ids: readonly string[]): string => ids.map((id) => `\`${id}\``).join(" and ");
