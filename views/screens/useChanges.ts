"use client";
/** What is found now held against another version: that version is judged on the same screens and faces, in its own worker. */
import { createContext, useContext, useEffect, useMemo, useState } from "react";
import { screenChanges, type FaceChange } from "../../core/checks/findingChanges";
import type { JudgedScreen } from "../../core/checks/grid";
import { connectFaces } from "../../workers/connect";
import { createFacesChecker } from "../../workers/faces";
import { stillsOf } from "../canvas/backdropPicture";
import { useVersion } from "../fields/VersionSelect";
import { useScreens } from "./screensState";
import { useEachScreen, type EachScreen } from "./useEachScreen";
import type { Faces } from "./useFaces";

/** What changed on each screen, by its place; null where one of the versions has not been judged there yet. */
export interface ScreenChanges {
  readonly screens: readonly (readonly FaceChange[] | null)[];
  /** How many screens have been judged in both versions. */
  readonly done: number;
  /** Why the other version cannot be had; empty where nothing is wrong. */
  readonly problem: string;
}

/** Null where nothing is chosen to be held against. */
export function useChangesOf({ screens, faces, judged }: Faces): ScreenChanges | null {
  const against = useScreens((s) => s.against);
  const [problem, setProblem] = useState("");
  const other = useVersion(against, setProblem);
  const [checker] = useState(() => createFacesChecker(connectFaces));
  useEffect(() => () => checker.stop(), [checker]);
  const question = useMemo<EachScreen<JudgedScreen> | null>(
    () => other && ((heard) => checker.judge({ layout: other, screens, faces, stills: stillsOf(other.workbench, screens) }, heard)),
    [checker, other, screens, faces],
  );
  const { answers } = useEachScreen(screens, question, { failure: "The other version could not be checked", keepsOlder: false });
  const all = useMemo(
    () =>
      screens.map((_, place) => {
        const [was, is] = [answers[place], judged[place]];
        return was && is && screenChanges(was, is);
      }),
    [screens, answers, judged],
  );
  return against ? { screens: all, done: all.filter((one) => one !== null).length, problem } : null;
}

export const ChangesContext = createContext<ScreenChanges | null>(null);
export const useChanges = (): ScreenChanges | null => useContext(ChangesContext);
