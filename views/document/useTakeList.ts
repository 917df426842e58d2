"use client";
/** The takes of the open layout: those that are kept, and those that ship with a sample. */
import { useEffect, useState } from "react";
import type { KeptTake } from "../../core/exchange/storedRecords";
import { takeLengthMs } from "../../core/rehearsal/take";
import { SAMPLES } from "../../samples/samples";
import { takesOfSample } from "../../samples/takes";
import { useSession, useTakes } from "./SessionContext";
import { sampleId } from "./firstLayout";
import type { OpenedTake } from "./takeLibrary";

/** A take of the list: kept by the browser, or shipped with the sample. */
export interface ListedTake {
  readonly key: string;
  readonly name: string;
  readonly seconds: number;
  readonly kept: KeptTake | null;
  readonly shipped: OpenedTake | null;
}

/** Kept ones first in the order they were made, then those that ship. */
export function useTakeList(): readonly ListedTake[] {
  const takes = useTakes();
  const id = useSession((s) => s.id);
  const [kept, setKept] = useState<readonly KeptTake[]>([]);
  const [shipped, setShipped] = useState<readonly ListedTake[]>([]);
  useEffect(() => {
    let current = true;
    const look = () =>
      void takes.list().then(
        (all) => current && setKept(all),
        () => undefined,
      );
    look();
    const end = takes.subscribe(look);
    return () => {
      current = false;
      end();
    };
  }, [takes, id]);
  useEffect(() => {
    let current = true;
    const index = SAMPLES.findIndex((_, i) => sampleId(i) === id);
    const none: readonly ListedTake[] = [];
    (index < 0 ? Promise.resolve(none) : shippedOf(index)).then(
      (all) => current && setShipped(all),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [id]);
  return [...kept.map((take): ListedTake => ({ key: take.id, name: take.name, seconds: take.seconds, kept: take, shipped: null })), ...shipped];
}

async function shippedOf(index: number): Promise<readonly ListedTake[]> {
  const on = SAMPLES[index].layout();
  const all = await takesOfSample(index);
  return all.map((take, i) => ({ key: `shipped ${index} ${i}`, name: take.name, seconds: takeLengthMs(take) / 1000, kept: null, shipped: { take, on } }));
}
