"use client";
/** Every screen judged for both hands and all sizes, through its own worker: shown from the first screen on, again with every change. */
import { useMadeFor } from "../document/useMadeFor";
import { createContext, useCallback, useContext, useEffect, useMemo, useState } from "react";
import { facesOf, type PlayerCase, type JudgedScreen } from "../../core/checks/grid";
import type { Layout, Screen } from "../../core/format/types";
import { connectFaces } from "../../workers/connect";
import { createFacesChecker, type FacesChecker } from "../../workers/faces";
import { useSession } from "../document/SessionContext";
import { shelfOf } from "../document/railScreens";
import { stillsOf } from "../canvas/backdropPicture";
import { useImageArrivals } from "../canvas/images";
import type { StillSource } from "../../workers/stills";
import { useEachScreen, type EachScreen } from "./useEachScreen";

export interface Faces {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly faces: readonly PlayerCase[];
  /** What is seen behind the controls of each screen. */
  readonly stills: readonly StillSource[];
  /** What is known of each screen; of a change a moment ago the older answer is until the newer has come. */
  readonly judged: readonly (JudgedScreen | null)[];
  /** How many screens have been judged as the layout is now. */
  readonly done: number;
  readonly checker: FacesChecker;
}

/** The checker lives as long as the view; the question is asked again with every change. */
export function useFacesOf(): Faces {
  const layout = useSession((s) => s.layout);
  const { orientation, workbench, reference } = layout;
  const own = workbench.screens;
  // Another selection or zoom makes another workbench; the screens are the same.
  const screens = useMadeFor([orientation, own], () => shelfOf({ orientation, workbench, reference }));
  const { min, max } = layout.playerSizes;
  const faces = useMemo(() => facesOf({ playerSizes: { min, max } }), [min, max]);
  const arrivals = useImageArrivals();
  const { backdrop, colour, picture, fit, dim } = workbench;
  const stills = useMadeFor([screens, backdrop, colour, picture, fit, dim, arrivals], () => stillsOf(workbench, screens));
  const [checker] = useState(() => createFacesChecker(connectFaces));
  useEffect(() => () => checker.stop(), [checker]);
  const question = useCallback<EachScreen<JudgedScreen>>(
    (heard) => checker.judge({ layout, screens, faces, stills }, heard),
    [checker, layout, screens, faces, stills],
  );
  const { answers, done } = useEachScreen(screens, question, { failure: "The screens could not be checked", keepsOlder: true });
  return { layout, screens, faces, stills, judged: answers, done, checker };
}

export const FacesContext = createContext<Faces | null>(null);
export function useFaces(): Faces {
  const faces = useContext(FacesContext);
  if (!faces) throw new Error("a look at the screens stands outside of their view");
  return faces;
}
