/** From a finding to where it can be fixed: the bench with that screen, hand, size and moment. */
import { addScreens } from "../../core/editing/edits/ownScreens";
import { catalogueFor } from "../../core/checks/catalogue";
import { railOf } from "../document/railScreens";
import type { BareFinding } from "../../core/checks/finding";
import type { PlayerCase } from "../../core/checks/grid";
import type { Layout, Screen } from "../../core/format/types";
import type { Session } from "../document/session";
import { showMomentOf } from "../document/showMoment";
import { navigate } from "../shell/navigate";

/** Which face of which screen, and what is looked for on it. */
export interface BenchAim {
  readonly screen: string;
  readonly face: PlayerCase | null;
  readonly finding: Pick<BareFinding, "subjects" | "moment"> | null;
}

/** Opens the bench on it, with what the finding is about selected and in a moment in which it shows. */
export function putOnBench(session: Session, { screen, face, finding }: BenchAim): void {
  session.remember({ screen });
  if (face) session.showPlayer(face);
  const { layout } = session.store.getState();
  const ids = finding ? layout.controls.flatMap((c) => (finding.subjects.includes(c.id) ? [c.id] : [])) : [];
  if (finding?.moment) session.showMoment(finding.moment);
  else
    showMomentOf(
      session,
      layout.controls.filter((c) => ids.includes(c.id)),
    );
  session.select(ids);
  navigate("/layout");
}

/** Makes a screen that was only computed your own one, in whole px, and puts it on the bench; one of that name is there already: that one. */
export function putExactOnBench(session: Session, exact: Screen, name: string): void {
  const { layout } = session.store.getState();
  const whole = (value: number) => Math.round(value);
  const { left, top, right, bottom } = exact.insets;
  const screen: Screen = {
    ...exact,
    name,
    widthPx: whole(exact.widthPx),
    heightPx: whole(exact.heightPx),
    insets: { left: whole(left), top: whole(top), right: whole(right), bottom: whole(bottom) },
  };
  const used = new Set(catalogueFor(layout.orientation).map((s) => s.name));
  const rail = (l: Layout) => railOf(l).map((s) => s.name);
  const isThere = layout.workbench.screens.some((s) => s.name === name);
  if (!isThere && !session.edit(`add ${name}`, (l) => addScreens(l, [screen], rail(l), used))) return;
  session.remember({ screen: name });
  navigate("/layout");
}
