"use client";
/**
 * The parcels of the open layout as they are made: the quick ones by themselves once the layout rests, the others when they are looked at or
 * taken. A parcel of an older layout is never shown, and its size never told.
 */
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { fileNameFor } from "../../core/exchange/fileName";
import { pictureData } from "../../core/format/stored";
import { makeParcel } from "../../parcels/makeParcel";
import { fileBytes, PARCEL_IDS, type Parcel, type ParcelFile, type ParcelId } from "../../parcels/parcel";
import type { HandOffSource } from "../../parcels/parcelSource";
import { parcelZip, takenAs } from "../../parcels/parcelZip";

/** A parcel made: what it holds, and the one file that is taken, with its size. */
export interface MadeParcel {
  readonly parcel: Parcel;
  readonly taken: ParcelFile;
  readonly bytes: number;
}
export type ParcelState =
  | { readonly kind: "none" }
  | { readonly kind: "making" }
  | { readonly kind: "made"; readonly made: MadeParcel }
  | { readonly kind: "failed"; readonly problem: string };

export interface Counter {
  readonly stateOf: (id: ParcelId) => ParcelState;
  /** Makes one unless it is made or being made. */
  readonly want: (id: ParcelId) => Promise<MadeParcel | null>;
  /** All of them as one zip; null where one could not be made, which its state reports. */
  readonly all: () => Promise<ParcelFile | null>;
}

/** Made by themselves: each takes some milliseconds. */
const QUICK: readonly ParcelId[] = ["layout", "played", "page", "runtime", "c99", "names", "sheet", "tables"];
const REST_MS = 200;
/** Layouts with more pictures than this (letters of base64) are not quick: of them each parcel is made when it is looked at. */
const MANY_LETTERS = 1_000_000;
const isLarge = ({ layout }: HandOffSource): boolean => pictureData(layout).reduce((sum, data) => sum + data.length, 0) > MANY_LETTERS;
const NONE: ParcelState = { kind: "none" };

/** Makes a parcel; `put` hears how it stands. Null where it failed. */
async function make(id: ParcelId, source: HandOffSource, put: (state: ParcelState) => void): Promise<MadeParcel | null> {
  put({ kind: "making" });
  try {
    const parcel = await makeParcel(id, source);
    const taken = takenAs(parcel, fileNameFor(source.layout.name, `-${id}.zip`));
    const made = { parcel, taken, bytes: fileBytes(taken) };
    put({ kind: "made", made });
    return made;
  } catch (error) {
    put({ kind: "failed", problem: error instanceof Error ? error.message : String(error) });
    return null;
  }
}

/** Makes the quick ones; between two the page may draw and answer. */
async function makeQuick(want: Counter["want"], isCurrent: () => boolean): Promise<void> {
  for (const id of QUICK) {
    if (!isCurrent()) return;
    await want(id);
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
}

/** Works when nothing has changed for a while; returns what stops it. */
function afterRest(work: (isCurrent: () => boolean) => Promise<void>): () => void {
  let isCurrent = true;
  const timer = setTimeout(() => void work(() => isCurrent), REST_MS);
  return () => {
    isCurrent = false;
    clearTimeout(timer);
  };
}

async function allOf({ layout }: HandOffSource, want: Counter["want"]): Promise<ParcelFile | null> {
  const parcels: Parcel[] = [];
  for (const id of PARCEL_IDS) {
    const made = await want(id);
    if (!made) return null;
    parcels.push(made.parcel);
  }
  return { path: fileNameFor(layout.name, "-handoff.zip"), type: "application/zip", content: parcelZip(parcels) };
}

/** `takeKeys`: identifies the list of takes, which may load after the source; only the parcel of takes depends on it. */
export function useParcels(source: HandOffSource, takeKeys: string): Counter {
  const keyOf = useCallback((id: ParcelId) => (id === "takes" ? `takes ${takeKeys}` : id), [takeKeys]);
  const [states, setStates] = useState<{ readonly of: HandOffSource; readonly by: ReadonlyMap<string, ParcelState> }>({ of: source, by: new Map() });
  const making = useRef<{ of: HandOffSource; by: Map<string, Promise<MadeParcel | null>> }>({ of: source, by: new Map() });

  const want = useCallback(
    (id: ParcelId): Promise<MadeParcel | null> => {
      if (making.current.of !== source) making.current = { of: source, by: new Map() };
      const { by } = making.current;
      const key = keyOf(id);
      const put = (state: ParcelState) => {
        if (making.current.of === source) setStates((was) => ({ of: source, by: new Map(was.of === source ? was.by : []).set(key, state) }));
      };
      let promise = by.get(key);
      if (!promise) {
        promise = make(id, source, put).then((made) => {
          if (made === null) by.delete(key);
          return made;
        });
        by.set(key, promise);
      }
      return promise;
    },
    [source, keyOf],
  );

  useEffect(() => (isLarge(source) ? undefined : afterRest((isCurrent) => makeQuick(want, isCurrent))), [want, source]);

  return useMemo(
    () => ({
      stateOf: (id) => (states.of === source ? (states.by.get(keyOf(id)) ?? NONE) : NONE),
      want,
      all: () => allOf(source, want),
    }),
    [states, source, want, keyOf],
  );
}
