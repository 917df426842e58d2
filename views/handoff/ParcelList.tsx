"use client";
/** The parcels by what they are for, each with its size once it is made. */
import { PARCEL_GROUPS, PARCEL_IDS, PARCELS, type ParcelId } from "../../parcels/parcel";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { sizeText } from "./sizeText";
import type { Counter, ParcelState } from "./useParcels";
import { Roving, Stop } from "../../ui/Roving";

function stateWords(state: ParcelState): string {
  switch (state.kind) {
    case "none":
      return "";
    case "making":
      return "…";
    case "failed":
      return "not created";
    case "made":
      return sizeText(state.made.bytes);
  }
}

interface Props {
  readonly counter: Counter;
  readonly shown: ParcelId;
  readonly onShow: (id: ParcelId) => void;
}

export function ParcelList({ counter, shown, onShow }: Props) {
  return (
    <Roving along="down">
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-4" role="group" aria-label="Parcels">
        {PARCEL_GROUPS.map((group) => (
          <section key={group} aria-label={group}>
            <h2 className="heading mb-1">{group}</h2>
            {PARCEL_IDS.filter((id) => PARCELS[id].group === group).map((id) => {
              const size = stateWords(counter.stateOf(id));
              return (
                <Stop key={id} isChosen={id === shown}>
                  <button
                    type="button"
                    aria-pressed={id === shown}
                    data-parcel={id}
                    className="flex h-[1.625rem] w-full items-center justify-between border border-transparent px-1.5 text-left hover:border-edge aria-pressed:border-accent aria-pressed:bg-sheet"
                    onClick={() => onShow(id)}
                    {...readingProps(says("handoff.parcel", { parcel: PARCELS[id].title }), size || "not created yet; select it to create it")}
                  >
                    <span>{PARCELS[id].title}</span>
                    <span className="figure text-muted">{size}</span>
                  </button>
                </Stop>
              );
            })}
          </section>
        ))}
      </div>
    </Roving>
  );
}
