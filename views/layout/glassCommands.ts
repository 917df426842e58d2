/** Runs what the machine of the glass (interaction/glass.ts) decides: on the session and the state of the bench. Needs no page. */
import { growControl } from "../../core/editing/make";
import type { Box, Point } from "../../core/engine/geometry/point";
import { followed, type GlassCommand, type GlassWorld } from "../interaction/glassGesture";
import { benchContextNow } from "../document/benchContext";
import type { Session } from "../document/session";
import { benchStore, setBench } from "./bench";
import { growInto, growZone } from "./grow";
import { createHolding, isHeldBack } from "./holding";
import { isOverlayShown } from "../canvas/overlays";

/** How things are on the glass at this moment. `scale`: CSS px a px of the screen. */
export function glassWorld(session: Session, scale: number): GlassWorld {
  const { entered, tool, pan } = benchStore(session).getState();
  return { context: benchContextNow(session), scale, selection: session.store.getState().selection, entered, tool, pan, grid: isOverlayShown(session, "grid") };
}

/** Commands that need no element of the page. */
export type PagelessCommand = Exclude<GlassCommand, { readonly do: "capture" }>;

/** Creates what runs the commands of one glass. */
export function createGlassCommands(session: Session): { run(command: PagelessCommand): void } {
  const holding = createHolding(session);
  const make = (at: Point | Box) => {
    const { tool } = benchStore(session).getState();
    const context = benchContextNow(session);
    setBench(session, { tool: null });
    if (tool === "zone") growZone(session, context, at);
    else if (tool !== null) growInto(session, context, growControl(context, { kind: tool, action: null, at }), `add ${tool}`);
  };
  const end = (how: "commit" | "cancel") => {
    setBench(session, { dragging: false });
    holding.end();
    session[how]();
  };
  return {
    run(command) {
      switch (command.do) {
        case "select":
          return session.select(command.ids);
        case "enter":
          return setBench(session, { entered: command.cluster });
        case "begin":
          setBench(session, { dragging: true });
          session.begin(command.label, command.origin);
          return holding.begin(command.origin);
        case "preview":
          return void session.preview((_origin) => holding.preview(command.edit, command.way));
        case "follow":
          return session.follow((now) => holding.follow(now, followed(command.edit, now)));
        case "commit":
        case "cancel":
          return end(command.do);
        case "edit":
          // A tether tied elsewhere moves the control on every other screen.
          return void (isHeldBack(session, command.edit) || session.edit(command.label, command.edit));
        case "make":
          return make(command.at);
        case "push":
          return setBench(session, { pan: command.pan });
        case "show":
          return setBench(session, { shown: { ...benchStore(session).getState().shown, ...command.shown } });
      }
    },
  };
}
