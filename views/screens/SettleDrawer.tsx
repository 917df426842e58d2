"use client";
/** Settle over the right edge of the screens, with the picture of the screen whose cell is open. */
import { byName } from "../../core/derived/byId";
import { benchScreenOf } from "../document/railScreens";
import { SettleSlot } from "../document/settle/SettleSlot";
import { useProposal, useShownWay } from "../document/settle/useShownWay";
import { SettledPicture } from "../canvas/SettledPicture";
import { useScreens } from "./screensState";
import { useFaces } from "./useFaces";

export function SettleDrawer() {
  return (
    <div className="absolute inset-y-0 right-0 z-20 w-[22.5rem] border-l border-edge shadow-xl max-[68rem]:w-[18rem]">
      <SettleSlot wide={false} picture={<Picture />} />
    </div>
  );
}

/** The screen of the open cell, else the one on the bench. */
function Picture() {
  const { layout, screens } = useFaces();
  const open = useScreens((s) => s.cell);
  const proposal = useProposal();
  const way = useShownWay();
  const screen = byName(screens).get(open?.screen ?? "") ?? benchScreenOf(layout);
  return proposal && way ? <SettledPicture screen={screen} face={proposal.request.faces[0]} way={way} /> : null;
}
