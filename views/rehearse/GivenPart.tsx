"use client";
/** What a game says of a control, tried while playing: whether it can be used, a wait, a number, a word, an icon. Nothing of it is in the file. */
import type { GivenState } from "../../runtime/draw/drawn";
import { readGiven, withState } from "../../runtime/draw/given";
import { SwitchField } from "../../ui/Choice";
import { RangeSlider } from "../../ui/Range";
import { More } from "../../ui/More";
import { Labelled, TypedField } from "../../ui/Typed";
import { useSessionActions } from "../document/SessionContext";
import { IconPicker } from "../fields/IconPicker";
import { says } from "../shell/reading/sentences";
import { setStage, useStage } from "./stageState";

/** The greatest number that the slider gives; −1 is none. */
const MOST_COUNT = 20;

/** Fields for one control, by its id. */
export function GivenPart({ id }: { readonly id: string }) {
  const session = useSessionActions();
  const states = useStage((s) => s.given);
  const given: GivenState = states.get(id) ?? {};
  const put = (change: Partial<GivenState>) => setStage(session, { given: withState(states, id, readGiven({ ...given, ...change })) });
  const { enabled = true, cooldown = 0, count, word, icon } = given;
  return (
    <div role="group" aria-label="State from the game">
      <h3 className="caption">State from the game</h3>
      <More set={Object.keys(given).length} reads={says("given.part")}>
        <SwitchField label="Enabled" value={enabled} onChange={(is) => put({ enabled: is })} reads={says("given.enabled")} />
        <Labelled label="Cooldown" id={`${id}-cooldown`} also={`${Math.round(cooldown * 100)} %`}>
          <RangeSlider
            label="Cooldown, % left"
            value={[cooldown * 100]}
            min={0}
            max={100}
            step={1}
            onChange={([left]) => put({ cooldown: left / 100 })}
            reads={says("given.cooldown")}
            shown={`${Math.round(cooldown * 100)} %`}
          />
        </Labelled>
        <Labelled label="Count" id={`${id}-count`} also={count === undefined ? "none" : String(count)}>
          <RangeSlider
            label="Count"
            value={[count ?? -1]}
            min={-1}
            max={MOST_COUNT}
            step={1}
            onChange={([left]) => put({ count: left < 0 ? undefined : left })}
            reads={says("given.count")}
            shown={count === undefined ? "none" : String(count)}
          />
        </Labelled>
        <TypedField
          label="Word from the game"
          word="Word"
          value={word ?? ""}
          onCommit={(text) => put({ word: text === "" ? undefined : text })}
          reads={says("given.word")}
        />
        <Labelled label="Icon" id={`${id}-icon`}>
          <IconPicker value={icon ?? ""} onChange={(name) => put({ icon: name })} />
        </Labelled>
      </More>
    </div>
  );
}
