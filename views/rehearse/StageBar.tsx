"use client";
/** The bar above the stage: which game, on which screen, for which player, at how many ticks; pins, overlays, controls on or off, and how large it is shown. */
import { readingProps } from "../../ui/reading";
import { Select, type Choices } from "../../ui/Select";
import { says, type SentenceKey } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { benchScreenOf, shelfOf } from "../document/railScreens";
import { LanguageChoice } from "../fields/LanguageChoice";
import { MomentChoice } from "../fields/MomentChoice";
import { appearanceAtFirst, DEVICES } from "./appearance";
import { HZ_CHOICES, OVERLAY_CHOICES, setStage, SIZE_CHOICES, useStage } from "./stageState";

const SWITCH = "push h-6 px-1.5 text-[0.75rem] aria-pressed:border-accent aria-pressed:text-accent";

interface ChoiceProps {
  readonly name: string;
  readonly label: string;
  readonly value: string;
  readonly options: Choices;
  readonly reads: SentenceKey;
  readonly onChange: (value: string) => void;
}

function Choice({ name, reads, ...rest }: ChoiceProps) {
  return (
    <label className="flex items-center gap-1">
      <span className="caption">{name}</span>
      <Select reads={says(reads)} className="max-w-[11rem]" {...rest} />
    </label>
  );
}

function Toggle({ word, on, reads, onToggle }: { word: string; on: boolean; reads: SentenceKey; onToggle: () => void }) {
  return (
    <button type="button" className={SWITCH} aria-pressed={on} onClick={onToggle} {...readingProps(says(reads), on ? "on" : "off")}>
      {word}
    </button>
  );
}

interface Props {
  /** The layout has every word of the tug. */
  readonly canTug: boolean;
  readonly isYard: boolean;
  readonly onStartAgain: () => void;
}

export function StageBar({ canTug, isYard, onStartAgain }: Props) {
  const session = useSessionActions();
  const stage = useStage((s) => s);
  return (
    <div role="group" aria-label="Stage" className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule px-3 py-1.5">
      {canTug && (
        <Choice
          name="Scene"
          label="Scene"
          value={isYard ? "yard" : "tug"}
          options={[
            ["tug", "tug"],
            ["yard", "test yard"],
          ]}
          reads="stage.game"
          onChange={(game) => setStage(session, { wantsYard: game === "yard" })}
        />
      )}
      <PlayedAs />
      {isYard && <MomentChoice />}
      <LanguageChoice />
      <Choice
        name="Ticks"
        label="Ticks per second"
        value={String(stage.hz)}
        options={same(HZ_CHOICES, " per second")}
        reads="stage.hz"
        onChange={(hz) => setStage(session, { hz: HZ_CHOICES.find((one) => String(one) === hz) ?? 60 })}
      />
      <Choice
        name="Areas"
        label="Areas over the glass"
        value={stage.overlays}
        options={[
          ["none", "none"],
          ["touched", "of touched controls"],
          ["all", "all"],
        ]}
        reads="stage.overlays"
        onChange={(overlays) => setStage(session, { overlays: OVERLAY_CHOICES.find((one) => one === overlays) ?? "none" })}
      />
      <DeviceChoices />
      <button type="button" className="push h-6 px-1.5 text-[0.75rem]" onClick={onStartAgain} {...readingProps(says("stage.again"))}>
        Restart
      </button>
      <Choice
        name="Zoom"
        label="Zoom"
        value={stage.size}
        options={same(SIZE_CHOICES)}
        reads="stage.shown"
        onChange={(size) => setStage(session, { size: SIZE_CHOICES.find((one) => one === size) ?? "fit" })}
      />
      <button
        type="button"
        className="push h-6 px-1.5 text-[0.75rem]"
        onClick={() => setStage(session, { onlyGlass: true })}
        {...readingProps(says("stage.only"))}
      >
        Hide panels
      </button>
    </div>
  );
}

/** Choices that are called as they are. */
const same = (list: readonly (string | number)[], unit = ""): [string, string][] => list.map((one) => [String(one), `${one}${unit}`]);

/** On which screen and as which player it is played. */
function PlayedAs() {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const { handed, playerSize } = useSession((s) => s.playerView);
  const sizes = [...new Set([layout.playerSizes.min, 1, layout.playerSizes.max, playerSize])].sort((a, b) => a - b);
  return (
    <>
      <Choice
        name="Screen"
        label="Screen"
        value={benchScreenOf(layout).name}
        options={same(shelfOf(layout).map((s) => s.name))}
        reads="stage.screen"
        onChange={(screen) => session.remember({ screen })}
      />
      <Choice
        name="Hand"
        label="Hand"
        value={handed}
        options={same(["right", "left"])}
        reads="stage.hand"
        onChange={(hand) => session.showPlayer({ handed: hand === "left" ? "left" : "right" })}
      />
      <Choice
        name="Size"
        label="Size of the player"
        value={String(playerSize)}
        options={same(sizes)}
        reads="stage.size"
        onChange={(size) => session.showPlayer({ playerSize: Number(size) })}
      />
    </>
  );
}

/** The device that it is played on, and what of its inputs is on. */
function DeviceChoices() {
  const session = useSessionActions();
  const appear = useSession((s) => s.layout.appear);
  const stage = useStage((s) => s);
  return (
    <>
      <Choice
        name="Device"
        label="Device"
        value={stage.appearance?.device ?? ""}
        options={[["", "any"], ...same(DEVICES)]}
        reads="stage.device"
        onChange={(chosen) => {
          const device = DEVICES.find((one) => one === chosen);
          setStage(session, {
            appearance: device ? appearanceAtFirst(appear, device) : null,
            mouseIsItself: device !== undefined && device !== "phone",
          });
        }}
      />
      <Choice
        name="Mouse"
        label="Mouse"
        value={stage.mouseIsItself ? "itself" : "finger"}
        options={[
          ["finger", "a finger"],
          ["itself", "itself"],
        ]}
        reads="stage.mouse"
        onChange={(mouse) => setStage(session, { mouseIsItself: mouse === "itself" })}
      />
      <Toggle word="Pin" on={stage.isPinning} reads="stage.pin" onToggle={() => setStage(session, { isPinning: !stage.isPinning })} />
      <Toggle word="Controls" on={stage.areControlsOn} reads="stage.controls" onToggle={() => setStage(session, { areControlsOn: !stage.areControlsOn })} />
      <Toggle word="Values" on={stage.showsValues} reads="stage.values" onToggle={() => setStage(session, { showsValues: !stage.showsValues })} />
    </>
  );
}
