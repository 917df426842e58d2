import { sampleLayouts } from "../../test/samples";
import { matchArt } from "./artNames";

const [brackwater] = sampleLayouts();

test.each([
  ["horn.png", "horn", "rest"],
  ["ui/buttons/horn_pressed@2x.png", "horn", "held"],
  ["HelmKnob.svg", "helm", "knob"],
  ["helm-base.png", "helm", "rest"],
  ["btn_towline_down.webp", "towline", "held"],
  ["Log Book.png", "log", "rest"],
  ["sidle-left-normal.png", "sidle-left", "rest"],
  ["helm-rest-knob", "helm", "knob"],
  ["nudge-held", "nudge", "held"],
  ["towlin.png", "towline", "rest"],
])("%s is %s, %s", (file, control, part) => {
  expect(matchArt(brackwater, [file])).toEqual([{ control, part }]);
});

test("what is near nothing, a knob of what has none, and a part that is taken go to nobody", () => {
  expect(matchArt(brackwater, ["quartz.png", "horn-knob.png", "pump.png", "pump@2x.png"])).toEqual([null, null, { control: "pump", part: "rest" }, null]);
});

test("a base by itself goes before the picture of the whole, and the order of the files stays", () => {
  expect(matchArt(brackwater, ["helm-rest", "helm-rest-base", "helm-rest-knob"])).toEqual([
    null,
    { control: "helm", part: "rest" },
    { control: "helm", part: "knob" },
  ]);
});
