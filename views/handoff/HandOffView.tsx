"use client";
/** Hand off, as a counter: what leaves at the left, as it will be in the middle, how it leaves at the right; what comes in below the list. */
import { useEffect } from "react";
import { useSession } from "../document/SessionContext";
import { Checklist } from "./Checklist";
import { ImportPanel } from "./ImportPanel";
import { useHandOffOptions, useTicks } from "./options";
import { ParcelList } from "./ParcelList";
import { ParcelPanel } from "./ParcelPanel";
import { ParcelPreview } from "./ParcelPreview";
import { PlayInPage } from "./PlayInPage";
import { useHandOffSource } from "./useHandOffSource";
import { useParcels } from "./useParcels";

export function HandOffView() {
  const id = useSession((s) => s.id);
  const [options, setOptions] = useHandOffOptions();
  const [ticked, tick] = useTicks(id);
  const { source, takeKeys } = useHandOffSource(options, ticked);
  const counter = useParcels(source, takeKeys);
  const { shown } = options;
  const { want } = counter;
  useEffect(() => {
    void want(shown);
  }, [want, shown]);
  return (
    <div className="grid h-full grid-cols-[15rem_minmax(0,1fr)_16rem]">
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-6 overflow-auto border-r border-rule p-4">
        <ParcelList counter={counter} shown={shown} onShow={(parcel) => setOptions({ shown: parcel })} />
        <ImportPanel />
        <PlayInPage />
      </div>
      <ParcelPreview id={shown} state={counter.stateOf(shown)} />
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-6 overflow-auto border-l border-rule p-4">
        <ParcelPanel id={shown} counter={counter} options={options} screens={source.screens.length} moments={source.layout.moments} onChange={setOptions} />
        {shown === "sheet" && <Checklist layout={source.layout} ticked={ticked} onTick={tick} />}
      </div>
    </div>
  );
}
