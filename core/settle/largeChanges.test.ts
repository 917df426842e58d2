/** Changes that a person would hesitate to make: told, with what can be done instead. */
import { GLASS, layoutOf, pinned, RIGHT } from "../../test/settleCases";
import { requestFor } from "../../test/spoiled";
import { plainScreen } from "../engine/placement/screen";
import { settle } from "./settle";
import { requestForSuggestion } from "./suggest/requestFor";

const NARROW = plainScreen("Narrow", 1250, 720, 254);

test("a long move is told in a sentence; accepting the finding, or an arrangement for the screens that ask, leaves the control alone", () => {
  // Past the right edge of the narrow screen alone.
  const request = requestFor(layoutOf([pinned("far", "button", [135, 30], 12), pinned("near", "button", [40, 40], 12)]), [GLASS, NARROW], RIGHT);
  const settled = settle(request);
  expect(settled.kind).toBe("settled");
  expect(settled.large.map(({ kind, ids, text }) => [kind, ids, text])).toEqual([
    ["move", ["far"], expect.stringMatching(/^`far` moves \d\d\.\d mm on (Glass|Narrow), right hand/)],
  ]);
  const ways = settled.large[0].suggestions;
  expect(ways.map(({ kind }) => kind)).toEqual(["arrangement", "accept"]);
  for (const way of ways) {
    const next = requestForSuggestion(request, way, request.screens);
    if (!next.ok) throw new Error(JSON.stringify(next.problems));
    const again = settle(next.value);
    expect(again.remaining).toEqual([]);
    // What every screen begins with is as it was.
    expect(again.layout.controls[0].placement).toEqual(request.layout.controls[0].placement);
  }
});

test("a picture that changes by more than a fifth is told; smaller changes are not", () => {
  const request = { ...requestFor(layoutOf([pinned("small", "button", [40, 40], 6)]), [GLASS], RIGHT), changeable: ["size"] as const };
  const wanted = { ...request, layout: { ...request.layout, limits: { ...request.layout.limits, minTargetMm: 9 } } };
  expect(settle(wanted).large.map(({ text }) => text)).toEqual(["`small` becomes 50 % larger"]);
  const little = { ...wanted, layout: { ...wanted.layout, limits: { ...wanted.layout.limits, minTargetMm: 7 } } };
  const settled = settle(little);
  expect([settled.kind, settled.large]).toEqual(["settled", []]);
});

test("a row that nothing could keep is told", () => {
  // Between two held buttons there is no room for it.
  const controls = [pinned("one", "button", [33, 40], 12), pinned("left", "button", [21, 40], 12), pinned("right", "button", [42, 40], 12)];
  const request = { ...requestFor(layoutOf(controls), [GLASS], RIGHT), held: ["left", "right"], changeable: ["place"] as const };
  const settled = settle(request);
  expect(settled.kind).toBe("settled");
  expect(settled.large.map(({ kind, text }) => [kind, text])).toEqual([
    ["row", "`one` and `right` are no longer in a row"],
    ["row", "`left` and `one` are no longer in a row"],
  ]);
});
