"use client";
/** Reading a game's code: the files, how far it is, what was found, and which files are omitted of it. */
import { startTransition, useEffect, useMemo, useRef, useState } from "react";
import { scanFiles, type Scanned, type ScanProgress } from "../../../workers/scan";
import { useSessionActions } from "../../document/SessionContext";

/** What has been read, less what is omitted; null before anything was. */
export interface CodeReading {
  readonly files: readonly File[];
  readonly scanned: Scanned | null;
  readonly progress: ScanProgress | null;
  /** Files in which something was found: name and how much. */
  readonly told: readonly (readonly [string, number])[];
  readonly leftOut: ReadonlySet<string>;
  read(files: readonly File[]): Promise<void>;
  stop(): void;
  /** Leaves files out, or takes them in again. */
  leaveOut(names: readonly string[], out: boolean): void;
}

const NONE: CodeReading["told"] = [];

export function useCodeReading(): CodeReading {
  const session = useSessionActions();
  const [files, setFiles] = useState<readonly File[]>([]);
  const [all, setAll] = useState<Scanned | null>(null);
  const [progress, setProgress] = useState<ScanProgress | null>(null);
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const current = useRef<AbortController | null>(null);
  useEffect(() => () => current.current?.abort(), []);

  const read = async (list: readonly File[]) => {
    if (list.length === 0) return;
    current.current?.abort();
    const control = new AbortController();
    current.current = control;
    setProgress({ read: 0, passedOver: 0, files: list.length, tooLong: [] });
    try {
      const result = await scanFiles(list, (now) => current.current === control && setProgress(now), control.signal);
      // What was found may be long: it is drawn piece by piece, and the page answers meanwhile.
      if (current.current === control && result)
        startTransition(() => {
          setFiles(list);
          setAll(result);
          setLeftOut(new Set());
        });
    } catch (error) {
      session.tell({ text: `The files cannot be read: ${error instanceof Error ? error.message : "the browser gave no reason"}.`, tone: "problem" });
    } finally {
      if (current.current === control) setProgress(null);
    }
  };
  const scanned = useMemo(() => {
    if (!all || leftOut.size === 0) return all;
    const isIn = ({ file }: { readonly file: string }) => !leftOut.has(file);
    return {
      ...all,
      reads: all.reads.map((r) => ({ ...r, places: r.places.filter(isIn) })).filter((r) => r.places.length > 0),
      standards: all.standards.filter(isIn),
    };
  }, [all, leftOut]);
  const leaveOut = (names: readonly string[], out: boolean) =>
    setLeftOut((before) => {
      const next = new Set(before);
      for (const name of names)
        if (out) next.add(name);
        else next.delete(name);
      return next;
    });
  return { files, scanned, progress, told: all?.told ?? NONE, leftOut, read, stop: () => current.current?.abort(), leaveOut };
}
