/** For whom the place of a new control should be free of findings, and what is said where it is not. */
import { saidAbout, type FindingAbout } from "../../core/checks/findingsAbout";
import { facesOf } from "../../core/checks/grid";
import type { PlaceFor } from "../../core/checks/growFree";
import { sayNames } from "../../core/checks/say";
import type { EditContext } from "../../core/editing/placing";
import type { Layout } from "../../core/format/types";
import { railOf } from "./railScreens";
import type { Session } from "./session";

/** The screens of the rail and the one in view, for every player of the layout. */
export function placeFor({ layout, screen }: Pick<EditContext, "layout" | "screen">): PlaceFor {
  const rail = railOf(layout);
  return { screens: rail.some(({ name }) => name === screen.name) ? rail : [screen, ...rail], players: facesOf(layout) };
}

/** Tells what is found of new controls; nothing where nothing is. `before`: what is reported in any case. */
export function tellAbout(session: Session, layout: Layout, found: readonly FindingAbout[], before = ""): void {
  const text = [before, saidAbout(found, sayNames(layout))].filter((part) => part !== "").join(" ");
  if (text !== "") session.tell({ text, tone: "plain" });
}
