"use client";
/** How large a millimetre is on this display: a bank card is laid against the screen, or its pixels an inch are typed in. */
import { typedNumber } from "../../core/editing/arithmetic";
import { useState } from "react";
import { Dialogue } from "../../ui/Dialogue";
import { RangeSlider } from "../../ui/Range";
import { calibrate, CALIBRATION_RANGE, CARD_MM, fromPpi, useCalibration } from "../canvas/trueSize";
import { FIELD_LETTERS } from "../../ui/fieldLimits";
import { useSessionActions } from "../document/SessionContext";

export function CalibrateDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="True size" open={open} onOpenChange={onOpenChange} wide>
      <Calibrate onDone={() => onOpenChange(false)} />
    </Dialogue>
  );
}

function Calibrate({ onDone }: { onDone: () => void }) {
  const session = useSessionActions();
  const { pxPerMm } = useCalibration();
  const [value, setValue] = useState(pxPerMm);
  const [ppi, setPpi] = useState("");
  const density = typeof window === "undefined" ? 1 : window.devicePixelRatio || 1;
  const fromTyped = fromPpi(typedNumber(ppi), density);
  const typedFits = ppi !== "" && fromTyped >= CALIBRATION_RANGE.least && fromTyped <= CALIBRATION_RANGE.most;
  return (
    <div className="grid gap-4">
      <p>Lay a bank card on the screen and drag until the drawn one is as wide. It is asked once; this browser remembers it.</p>
      <div className="grid h-[20.625rem] place-items-center overflow-hidden bg-paper">
        <div
          className="grid place-items-center border-2 border-accent bg-sheet text-muted"
          style={{ width: CARD_MM.w * value, height: CARD_MM.h * value, borderRadius: 3.18 * value }}
          data-testid="card"
        >
          <span className="figure">
            {CARD_MM.w} × {CARD_MM.h} mm
          </span>
        </div>
      </div>
      <RangeSlider
        label="Width of the card"
        value={[value]}
        min={CALIBRATION_RANGE.least}
        max={CALIBRATION_RANGE.most}
        step={0.01}
        onChange={([next]) => setValue(next)}
      />
      <div className="flex items-center gap-2">
        <label htmlFor="display-ppi" className="caption">
          or the display&rsquo;s pixels per inch
        </label>
        <input
          id="display-ppi"
          maxLength={FIELD_LETTERS.number}
          className="box figure h-7 w-20 px-2 text-right"
          inputMode="decimal"
          value={ppi}
          onChange={(event) => setPpi(event.target.value)}
        />
        <button className="push" disabled={!typedFits} onClick={() => setValue(fromTyped)}>
          Apply
        </button>
        {ppi !== "" && !typedFits && (
          <span className="text-blocker" role="alert">
            from {Math.ceil(CALIBRATION_RANGE.least * 25.4 * density)} to {Math.floor(CALIBRATION_RANGE.most * 25.4 * density)}
          </span>
        )}
        <button
          className="push push-main ml-auto"
          onClick={() => {
            calibrate(session, value);
            onDone();
          }}
        >
          Same size
        </button>
      </div>
    </div>
  );
}
