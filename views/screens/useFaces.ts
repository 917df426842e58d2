"use client";
/** Every screen judged for both hands and all sizes, through a worker of its own: shown from the first screen on, anew with every change. */
import { createContext, useContext, useEffect, useMemo, useRef, useState } from "react";
import { facesOf, type Face, type JudgedScreen } from "../../core/checks/grid";
import type { Layout, Screen } from "../../core/format/types";
import { connectFaces } from "../../workers/connect";
import { createFacesChecker, type FacesChecker } from "../../workers/faces";
import { useSession, useSessionActions } from "../session/context";
import { shelfOf } from "../session/screens";

export interface Faces {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly faces: readonly Face[];
  /** What is known of each screen; of a change a moment ago the older answer stands until the newer has come. */
  readonly judged: readonly (JudgedScreen | null)[];
  /** How many screens have been judged as the layout is now. */
  readonly done: number;
  readonly checker: FacesChecker;
}

/** Answers come to the page in bunches this far apart, ms: forty screens are not forty pictures. */
const TOLD_EVERY_MS = 80;

/** The checker lives as long as the view; the question is asked anew with every change. */
export function useFacesOf(): Faces {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const { orientation, workbench, reference } = layout;
  const own = workbench.screens;
  // Another selection or zoom makes another workbench; the screens are the same.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const screens = useMemo(() => shelfOf({ orientation, workbench, reference }), [orientation, own]);
  const { min, max } = layout.playerSizes;
  const faces = useMemo(() => facesOf({ playerSizes: { min, max } }), [min, max]);
  const [checker] = useState(() => createFacesChecker(connectFaces));
  useEffect(() => () => checker.stop(), [checker]);
  const [known, setKnown] = useState<{ readonly of: readonly Screen[]; readonly judged: readonly (JudgedScreen | null)[]; readonly done: number }>({
    of: screens,
    judged: [],
    done: 0,
  });
  const latest = useRef(known.judged);
  useEffect(() => {
    const judged: (JudgedScreen | null)[] = screens.map((screen) => latest.current.find((one) => one?.name === screen.name) ?? null);
    let done = 0;
    let timer: number | undefined;
    let isWanted = true;
    const tell = () => {
      timer = undefined;
      latest.current = [...judged];
      setKnown({ of: screens, judged: latest.current, done });
    };
    checker
      .judge({ layout, screens, faces }, (place, one) => {
        judged[place] = one;
        done += 1;
        timer ??= window.setTimeout(tell, TOLD_EVERY_MS);
      })
      .then(
        (isWhole) => {
          window.clearTimeout(timer);
          if (isWhole && isWanted) tell();
        },
        (error: unknown) => {
          if (isWanted) session.tell({ text: `The screens could not be judged: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" });
        },
      );
    return () => {
      isWanted = false;
      window.clearTimeout(timer);
    };
  }, [checker, layout, screens, faces, session]);
  const judged = known.of === screens ? known.judged : [];
  return { layout, screens, faces, judged: screens.map((_, i) => judged[i] ?? null), done: known.of === screens ? known.done : 0, checker };
}

export const FacesContext = createContext<Faces | null>(null);
export function useFaces(): Faces {
  const faces = useContext(FacesContext);
  if (!faces) throw new Error("a look at the screens stands outside of their view");
  return faces;
}
