import { ICONS } from "../../runtime/icons";
import { iconFor } from "./iconFor";

const icons = Object.keys(ICONS);

test("an icon is proposed from the words of an action, however they are written", () => {
  expect(iconFor(["jump"], icons)).toBe("arrow-big-up");
  expect(iconFor(["doJump"], icons)).toBe("arrow-big-up");
  expect(iconFor(["FIRE_GUN"], icons)).toBe("flame");
  expect(iconFor(["", "open map"], icons)).toBe("door-open");
});

test("a word that is an icon's name, or begins one, is that icon", () => {
  expect(iconFor(["anchor"], icons)).toBe("anchor");
  expect(iconFor(["volume"], icons)).toBe("volume-2");
});

test("where nothing comes to mind nothing is proposed, names of the language's own objects too", () => {
  for (const text of ["", "qwerty", "constructor", "__proto__", "日本"]) expect(iconFor([text], icons)).toBeNull();
});

test("only icons that there are are proposed", () => {
  expect(iconFor(["jump", "pause"], ["pause"])).toBe("pause");
});
