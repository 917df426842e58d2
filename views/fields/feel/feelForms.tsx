"use client";
/** The form of how each kind of control feels: its picture and its fields. A new kind costs an entry here. */
import { lengthOf, formatLength } from "../../../core/engine/placement/length";
import { pxPerMm } from "../../../core/engine/placement/screen";
import type { ControlKind } from "../../../core/format/types";
import type { Form, FormGesture, OfKind, PictureProps } from "../form/entries";
import { FEEL_FIELDS, DPAD, STICK } from "./feelFields";
import { CurvePicture, DeadZonePicture, SectorPicture } from "./FeelPictures";

type FeelForm<K extends ControlKind> = Form<OfKind<K>, Partial<OfKind<K>["feel"]>>;
type FeelPicture<K extends ControlKind> = PictureProps<OfKind<K>, Partial<OfKind<K>["feel"]>>;

const dragOf = <P,>({ begin, commit, cancel }: FormGesture<P>, words: string) => ({ onStart: () => begin(words), onEnd: commit, onCancel: cancel });

/** The dead zone and the curve of the first stick; a drag changes all of them alike. */
function StickPictures({ controls: [{ feel }], gesture, place }: FeelPicture<"stick">) {
  const [at] = place.placed;
  return (
    <>
      {at?.travel !== undefined && (
        <DeadZonePicture
          feel={feel}
          travelPx={at.travel}
          basePx={Math.min(at.visual.w, at.visual.h) / 2}
          mm={pxPerMm(place.context.screen)}
          drag={dragOf(gesture, "dead zone")}
          onZone={gesture.preview}
          onTravel={(px) => gesture.preview({ travel: place.convert(formatLength(px / at.k, "px"), lengthOf(feel.travel).unit, 0) })}
        />
      )}
      <CurvePicture curve={feel.curve} drag={dragOf(gesture, "curve")} onCurve={(curve) => gesture.preview({ curve })} />
    </>
  );
}

const DpadPicture = ({ controls: [{ feel }], gesture }: FeelPicture<"dpad">) => (
  <SectorPicture feel={feel} drag={dragOf(gesture, "sectors")} onFeel={gesture.preview} />
);

/** The curve of the first dial. */
const DialPicture = ({ controls: [{ feel }], gesture }: FeelPicture<"dial">) => (
  <CurvePicture curve={feel.curve} drag={dragOf(gesture, "curve")} onCurve={(bent) => gesture.preview({ curve: bent })} />
);

const { travel, curve, ...stick } = STICK;
const { ways, neutral, diagonal, ...dpad } = DPAD;

export const FEEL_FORMS: { readonly [K in ControlKind]: FeelForm<K> } = {
  stick: { Picture: StickPictures, beside: [travel, curve], isStacked: true, entries: Object.values(stick) },
  dpad: { Picture: DpadPicture, beside: [ways, neutral, diagonal], entries: Object.values(dpad) },
  button: { entries: FEEL_FIELDS.button },
  touchpad: { entries: FEEL_FIELDS.touchpad },
  swipe: { entries: FEEL_FIELDS.swipe },
  dial: { Picture: DialPicture, entries: FEEL_FIELDS.dial },
};
